/** At most so often at all; and never so often that it takes more than a third of the time there is. */
const leastEveryMs = 33;
const rests = 2;

/**
 * Work that follows something that changes faster than an eye sees: done soon after it is asked for, once for all that was asked
 * since. What it costs sets how long it waits: on a slow machine it is done more seldom, so that a hold is never kept waiting by a
 * drawing. `now` is in ms.
 */
export class Seldom {
	#waits: ReturnType<typeof setTimeout> | undefined;
	#notBeforeMs = -Infinity;
	constructor(
		private readonly work: () => void,
		private readonly now: () => number = () => performance.now()
	) {}

	soon(): void {
		if (this.#waits !== undefined) return;
		this.#waits = setTimeout(
			() => {
				this.#waits = undefined;
				const beganMs = this.now();
				this.work();
				const doneMs = this.now();
				this.#notBeforeMs = Math.max(beganMs + leastEveryMs, doneMs + rests * (doneMs - beganMs));
			},
			Math.max(0, this.#notBeforeMs - this.now())
		);
	}
	end(): void {
		clearTimeout(this.#waits);
		this.#waits = undefined;
	}
}
