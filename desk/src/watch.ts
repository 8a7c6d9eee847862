import { handOff, type Hold, type HoldEvent, holdStep } from '@poise/core';
import type { ToHead } from '@poise/link';
import type { Way } from './stands';

/** As heads know the desk that holds one itself. */
export const deskHolder = 'desk';

interface Hands {
	readonly say: (message: ToHead) => void;
	readonly released: (epoch: number) => void;
	/** What it ran is nobody's any more. */
	readonly drop: () => void;
}

/** The desk's own hold of one head, for somebody who watches it: asked for, answered or refused, kept up, ended. */
export class Watch {
	/** For whom it runs without a hand. */
	for: string | null = null;
	/** Why the last one did not come, or ended by itself. */
	trouble: string | null = null;
	#asked: { readonly by: string; readonly way: Way } | null = null;
	#hold: Hold;
	readonly #hands: Hands;

	constructor(id: string, hands: Hands) {
		this.#hold = handOff(id);
		this.#hands = hands;
	}
	/** It is to run: the head has not answered yet. */
	get isAsked(): boolean {
		return this.#asked !== null;
	}
	ask(by: string, way: Way, atMs: number): void {
		[this.#asked, this.trouble] = [{ by, way }, null];
		this.step({ kind: 'press', atMs });
	}
	/** The head is held by it: what it runs; null: nobody wants it any more, and it lets go. */
	begin(atMs: number): Way | null {
		const asked = this.#asked;
		this.#asked = null;
		if (asked === null) {
			this.step({ kind: 'release', atMs });
			return null;
		}
		this.for = asked.by;
		return asked.way;
	}
	end(atMs: number): void {
		const had = this.for !== null;
		[this.for, this.#asked] = [null, null];
		if (this.#hold.phase === 'asked' || this.#hold.phase === 'down') this.step({ kind: 'release', atMs });
		if (had) this.#hands.drop();
	}
	tick(atMs: number): void {
		this.step({ kind: 'tick', atMs });
		if ((this.for === null && this.#asked === null) || this.#hold.phase !== 'ended') return;
		// It did not come, or ended by itself: it is said, and what it ran is dropped.
		this.trouble = this.#hold.why ?? 'lost';
		[this.for, this.#asked] = [null, null];
		this.#hands.drop();
	}
	/** Whom the head says that it is held by. */
	heard(headMs: number, holder: string, epoch: number | null, atMs: number): void {
		this.step({ kind: 'heard', atMs, headMs });
		if (holder === deskHolder || this.#hold.phase === 'down') this.step({ kind: 'holds', atMs, epoch });
	}
	step(event: HoldEvent): void {
		const [after, effects] = holdStep(this.#hold, event);
		this.#hold = after;
		const holder = deskHolder;
		for (const effect of effects) {
			switch (effect.kind) {
				case 'ask':
					this.#hands.say({ type: 'ask', holder, press: effect.press, by: 'watch' });
					break;
				case 'grant':
					this.#hands.say({ ...effect, type: 'grant', holder });
					break;
				case 'beat':
					this.#hands.say({ ...effect, type: 'beat', holder });
					break;
				case 'release':
					this.#hands.released(effect.epoch);
					this.#hands.say({ type: 'release', holder, epoch: effect.epoch });
			}
		}
	}
}
