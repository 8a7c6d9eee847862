import type { VenueAnswer, VenueQuestion, VenueReach } from './inVenue';
import type { NumberedAnswer, NumberedQuestion } from './venue.worker';

/** What a trial asks of a worker. */
export type Worked = Pick<Worker, 'postMessage' | 'terminate'> & { onmessage: Worker['onmessage'] };

interface Asked {
	readonly question: NumberedQuestion;
	readonly read: (answer: VenueAnswer) => VenueReach;
}

/**
 * Tries a crane in a venue, in a worker: one question at a time, and while that is worked on only the newest waits. Each
 * answer is read as its own question was meant.
 */
export class VenueTrial {
	/** Null: not known yet, or there is nothing to try. */
	found = $state.raw<VenueReach | null>(null);
	problem = $state('');
	/** What is shown is of a question asked before: nothing may be set by it. */
	pending = $state(true);
	/** Of a question that takes a while: which share of it is worked out, 0 to 1; null: nothing was heard of it yet. */
	share = $state<number | null>(null);
	readonly #worker: Worked;
	#working: Asked | null = null;
	#waiting: Asked | null = null;
	#count = 0;
	/** Up to this one nobody wants an answer any more. */
	#calledOff = 0;

	constructor(worker: Worked) {
		this.#worker = worker;
		worker.onmessage = ({ data }: MessageEvent<NumberedAnswer>) => this.#answered(data);
	}

	ask(question: VenueQuestion | null, read: Asked['read']): void {
		if (question === null) {
			this.found = this.#waiting = null;
			this.share = null;
			this.problem = '';
			this.#calledOff = this.#count;
			return;
		}
		this.#count += 1;
		this.pending = true;
		const asked = { question: { ...question, number: this.#count }, read };
		if (this.#working === null) this.#send(asked);
		else this.#waiting = asked;
	}
	stop(): void {
		this.#worker.terminate();
	}

	#send(asked: Asked): void {
		this.#working = asked;
		this.#waiting = null;
		this.#worker.postMessage(asked.question);
	}
	#answered(reply: NumberedAnswer): void {
		const asked = this.#working;
		if (asked === null || asked.question.number !== reply.number) return;
		if ('share' in reply) {
			this.share = reply.share;
			return;
		}
		this.share = null;
		this.#working = null;
		if (this.#waiting !== null) this.#send(this.#waiting);
		else this.pending = false;
		if (reply.number <= this.#calledOff) return;
		this.problem = 'problem' in reply ? reply.problem : '';
		this.found = 'problem' in reply ? null : asked.read(reply.answer);
	}
}
