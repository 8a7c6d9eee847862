import type { MoveNear } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { type ClearQuestion, type viaThatClears } from './clear';
import type { ClearAsk, ClearTold } from './clear.worker';
import type { Move } from './model';

const restMs = 120;
type Worked = Pick<Worker, 'postMessage' | 'addEventListener' | 'terminate'>;

/** The newest way through the room being tried in a worker: one at a time, and only the last that was asked. */
export class ClearTrial {
	/** As found for what was asked last; null: not yet, or it could not be tried. */
	near = $state.raw<readonly MoveNear[] | null>(null);
	pending = $state(false);
	problem = $state('');
	#number = 0;
	#busy = false;
	#next: ClearQuestion | null = null;
	#rest: ReturnType<typeof setTimeout> | undefined;
	#via: ((via: ReturnType<typeof viaThatClears>) => void) | null = null;

	constructor(readonly worker: Worked) {
		worker.addEventListener('message', (event) => this.#told((event as MessageEvent<ClearTold>).data));
		worker.addEventListener('error', () => {
			this.problem = 'The clearance could not be worked out here. Reload the page; until then nothing is proven.';
			this.near = null;
			this.pending = this.#busy = false;
			this.#via?.(null);
			this.#via = null;
		});
	}

	/** What was found before says nothing of this one. */
	ask(question: ClearQuestion | null): void {
		this.near = null;
		this.#number += 1;
		this.#next = question;
		this.pending = question !== null;
		// A hand that pulls asks many times a second: it is tried when it rests.
		clearTimeout(this.#rest);
		this.#rest = setTimeout(() => {
			if (!this.#busy) this.#send();
		}, restMs);
	}
	via(move: Move, plan: VenuePlan | null): Promise<ReturnType<typeof viaThatClears>> {
		return new Promise((resolve) => {
			this.#via = resolve;
			this.#post({ type: 'via', number: this.#number, move: plain(move), plan: plain(plan) });
		});
	}
	stop(): void {
		clearTimeout(this.#rest);
		this.worker.terminate();
	}

	#send(): void {
		const question = this.#next;
		if (question === null) return;
		this.#next = null;
		this.#busy = true;
		this.#post({ type: 'clear', number: this.#number, question: plain(question) });
	}
	#post(ask: ClearAsk): void {
		this.worker.postMessage(ask);
	}
	#told(told: ClearTold): void {
		if (told.type === 'via') {
			this.#via?.(told.via);
			this.#via = null;
			return;
		}
		this.#busy = false;
		if (told.number === this.#number && this.#next === null) {
			this.near = told.near;
			this.pending = false;
			this.problem = told.near === null ? 'It could not be tried against the plan: nothing is proven.' : '';
		}
		this.#send();
	}
}
/** A worker is sent plain data only. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
