import { ask } from '$lib/keeping/ask';
import { refresh } from '$lib/shell/refresh';
import { v7 as newId } from 'uuid';

/**
 * Logging of one bench: what stands there is logged once however often it is sent, and a later setting is another
 * balance, to be logged anew.
 */
export class BalanceLog<Standing> {
	note = $state('');
	logging = $state(false);
	trouble = $state('');
	readonly #standing: () => Standing;
	readonly #save: () => Promise<unknown>;
	#logged = $state.raw<{ readonly href: string; readonly time: string; readonly of: Standing } | null>(null);
	/** One id for one setting: pressing again after a lost answer logs it once. */
	#attempt: { readonly id: string; readonly of: Standing } | null = null;

	/** `standing` is what makes a setting another one, by identity; `save` sends what is not saved yet. */
	constructor(standing: () => Standing, save: () => Promise<unknown>) {
		this.#standing = standing;
		this.#save = save;
	}

	/** Where this setting stands in the logbook; null: it is not logged. */
	get logged(): { readonly href: string; readonly time: string } | null {
		return this.#logged !== null && this.#logged.of === this.#standing() ? this.#logged : null;
	}

	async log(entry: (standing: Standing) => object): Promise<void> {
		const of = this.#standing();
		if (this.#attempt === null || this.#attempt.of !== of) this.#attempt = { id: newId(), of };
		this.logging = true;
		this.trouble = '';
		await this.#save();
		const body = { id: this.#attempt.id, note: this.note.trim(), ...entry(of) };
		const outcome = await ask<{ readonly id: string; readonly loggedAt: string }>('POST', '/api/balances', body);
		this.logging = false;
		if (!outcome.ok) {
			this.trouble =
				outcome.error.code === 'stale'
					? 'The payload was changed meanwhile. Reload to balance it as it is now; what stands here is kept.'
					: outcome.error.message;
			return;
		}
		const { id, loggedAt } = outcome.value;
		const time = new Date(loggedAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
		this.#logged = { href: `/logbook/${id}`, time, of };
		await refresh('poise:stations');
	}
}
