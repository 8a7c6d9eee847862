/** Heads that are nobody's, by what they say of themselves: so many are minded, so many are told of, and so long after their last word. */
const [most, mostTold, silentMs] = [2000, 40, 10_000] as const;

/** Which heads that are nobody's have announced themselves: anybody can invent some, and none of them hides a new one. */
export class Strangers {
	/** When each was first and last heard: the one that was silent longest comes first. */
	readonly #heard = new Map<string, { readonly firstMs: number; readonly lastMs: number }>();
	readonly #giveUp: (id: string) => void;

	constructor(giveUp: (id: string) => void) {
		this.#giveUp = giveUp;
	}
	has(id: string): boolean {
		return this.#heard.has(id);
	}
	/** With too many, the one that was silent longest is given up. */
	hear(id: string, atMs: number): void {
		const firstMs = this.#heard.get(id)?.firstMs ?? atMs;
		this.#heard.delete(id);
		this.#heard.set(id, { firstMs, lastMs: atMs });
		const [oldest] = this.#heard.keys();
		if (this.#heard.size > most && oldest !== undefined) this.#drop(oldest);
	}
	/** It is somebody's now. */
	forget(id: string): void {
		this.#heard.delete(id);
	}
	/** Those that have been silent for long are given up. */
	sweep(atMs: number): void {
		for (const [id, { lastMs }] of this.#heard) if (atMs - lastMs > silentMs) this.#drop(id);
	}
	#drop(id: string): void {
		this.#heard.delete(id);
		this.#giveUp(id);
	}
	/** Those that were switched on last: what somebody stands before is among them, whatever else is invented. */
	newest(isTold: (id: string) => boolean): readonly string[] {
		return [...this.#heard]
			.filter(([id]) => isTold(id))
			.sort(([, one], [, other]) => other.firstMs - one.firstMs)
			.slice(0, mostTold)
			.map(([id]) => id);
	}
}
