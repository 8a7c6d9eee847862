import type { FromPage } from './messages';

/**
 * What a holding page says often, dealt among its sockets: all of one moment goes as one word by the next socket in turn, however many heads
 * are held. On one socket a lost segment would hold back all behind it; and the more segments a socket carries, the likelier one is lost.
 */
export class Deal {
	#turn = 0;
	#count = 0;
	#waiting: FromPage[] = [];
	/** Of a stick only where it is now is of use. */
	readonly #sticks = new Map<string, FromPage>();

	put(message: FromPage): void {
		if (message.type === 'stick') this.#sticks.set(message.head, message);
		else this.#waiting.push(message);
	}
	/** Sends what has been put, by the first socket from the next in turn that is there. What none takes is gone: it would come too late. */
	pass(sockets: number, send: (slot: number, message: FromPage) => boolean): void {
		const said = [...this.#waiting, ...this.#sticks.values()];
		this.#waiting = [];
		this.#sticks.clear();
		if (said.length === 0) return;
		const message: FromPage = { type: 'many', count: (this.#count += 1), said };
		for (let k = 0; k < sockets; k += 1) {
			this.#turn = (this.#turn + 1) % sockets;
			if (send(this.#turn, message)) return;
		}
	}
}
