import { ask } from '$lib/api';
import type { PaperKind, Papers } from '$lib/model/paper';
import { begin, change, type History, redo, settle, undo } from './history';
import { forget, keepSoon, recall } from './kept';

const restMs = 500;
const retryMs = 3000;

/**
 * One paper of a payload being written: kept in this browser at once, sent a moment later, undone step by step. The last
 * word wins on the server.
 */
export class PaperKeeper<Kind extends PaperKind> {
	#history = $state.raw<History<Papers[Kind]>>() as History<Papers[Kind]>;
	#dirty = false;
	#timer: ReturnType<typeof setTimeout> | undefined;

	trouble = $state('');
	state = $state<'saved' | 'unsaved'>('saved');

	constructor(
		readonly payloadId: string,
		readonly kind: Kind,
		paper: Papers[Kind]
	) {
		this.#history = begin(paper);
	}

	/** Takes back what this browser kept and the server never confirmed. Call once, in the browser. */
	restore(): void {
		const kept = recall<Papers[Kind]>(this.#key);
		if (kept === null) return;
		this.#history = begin(kept);
		this.#touched();
	}

	get paper(): Papers[Kind] {
		return this.#history.present;
	}
	get canUndo(): boolean {
		return this.#history.past.length > 0;
	}

	change(next: Partial<Papers[Kind]>, about: string | null = null): void {
		this.#history = change(this.#history, { ...this.paper, ...next }, about);
		this.#touched();
	}
	settle(): void {
		this.#history = settle(this.#history);
	}
	undo(): void {
		this.#history = undo(this.#history);
		this.#touched();
	}
	redo(): void {
		this.#history = redo(this.#history);
		this.#touched();
	}

	async save(): Promise<void> {
		clearTimeout(this.#timer);
		if (!this.#dirty) return;
		const sent = this.paper;
		const outcome = await ask('PUT', `/api/payloads/${this.payloadId}/papers/${this.kind}`, sent);
		if (outcome.ok) {
			this.trouble = '';
			if (this.paper !== sent) return this.#later(restMs);
			this.#dirty = false;
			this.state = 'saved';
			forget(this.#key);
			return;
		}
		const fields = Object.values(outcome.error.fields ?? {});
		this.trouble = fields[0] ?? outcome.error.message;
		if (outcome.away) this.#later(retryMs);
	}

	stop(): void {
		clearTimeout(this.#timer);
	}

	get #key(): string {
		return `paper.${this.kind}.${this.payloadId}`;
	}
	#touched(): void {
		this.#dirty = true;
		this.state = 'unsaved';
		keepSoon(this.#key, () => this.paper);
		this.#later(restMs);
	}
	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}
}
