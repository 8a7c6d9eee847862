const restMs = 120;
export type Worked = Pick<Worker, 'postMessage' | 'addEventListener' | 'terminate'>;
export interface TrialAsk<Q> {
	readonly type: 'ask';
	readonly number: number;
	readonly question: Q;
}
export interface TrialTold<A> {
	readonly type: 'ask';
	readonly number: number;
	/** Null: it could not be tried. */
	readonly answer: A | null;
}

/** The newest question being tried in a worker: one at a time, and only the last that was asked. */
export class NewestTrial<Q, A> {
	/** As found for what was asked last; null: not yet, or it could not be tried. */
	answer = $state.raw<A | null>(null);
	pending = $state(false);
	problem = $state('');
	protected number = 0;
	#busy = false;
	#next: Q | null = null;
	#rest: ReturnType<typeof setTimeout> | undefined;

	constructor(
		protected readonly worker: Worked,
		readonly words: { readonly broken: string; readonly untried: string }
	) {
		worker.addEventListener('message', (event) => this.told((event as MessageEvent<TrialTold<A>>).data));
		worker.addEventListener('error', () => this.broke());
	}

	/** What was found before says nothing of this one. */
	ask(question: Q | null): void {
		this.answer = null;
		this.number += 1;
		this.#next = question;
		this.pending = question !== null;
		if (question === null) this.problem = '';
		// A hand that pulls asks many times a second: it is tried when it rests.
		clearTimeout(this.#rest);
		this.#rest = setTimeout(() => {
			if (!this.#busy) this.#send();
		}, restMs);
	}
	stop(): void {
		clearTimeout(this.#rest);
		this.worker.terminate();
	}

	protected broke(): void {
		this.problem = this.words.broken;
		this.answer = null;
		this.pending = this.#busy = false;
	}
	protected told(told: TrialTold<A>): void {
		this.#busy = false;
		if (told.number === this.number && this.#next === null) {
			this.answer = told.answer;
			this.pending = false;
			this.problem = told.answer === null ? this.words.untried : '';
		}
		this.#send();
	}
	#send(): void {
		const question = this.#next;
		if (question === null) return;
		this.#next = null;
		this.#busy = true;
		this.worker.postMessage({ type: 'ask', number: this.number, question: plain(question) } satisfies TrialAsk<Q>);
	}
}
/** A worker is sent plain data only. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
