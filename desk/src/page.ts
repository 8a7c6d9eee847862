import type { WebSocket } from 'ws';
import { type FromDesk, type FromPage, pageProtocol, readFromPage } from './messages';
import type { Driver as Person } from '@poise/core';
import type { DeskVerb } from './allowed';

/** Whether whoever opened the page may; the application knows by its roles. */
export type May = (verb: DeskVerb) => boolean;

/** More than this waiting to be sent: a watcher is left out until it has caught up. */
const mostWaiting = 64 * 1024;
/** A page that says more than this a second is not ours. */
const mostPerS = 2000;
/** A page drives no more heads than a desk has. */
const mostSticks = 64;
/** How long a page may be without any socket before it is gone. */
const patienceMs = 400;

/** A page in somebody's browser: up to four sockets, of which any says everything. */
export class Page {
	person: Person;
	may: May;
	readonly #sockets = new Map<number, WebSocket>();
	readonly #hands: { readonly heed: (message: FromPage) => void; readonly gone: () => void };
	#turn = 0;
	/** Of each head, how new the newest word of its stick is. */
	readonly #sticks = new Map<string, number>();
	#leaving: NodeJS.Timeout | null = null;
	#said = 0;
	#countedMs = 0;

	constructor(
		person: Person,
		may: May,
		hands: { readonly heed: (message: FromPage) => void; readonly gone: () => void }
	) {
		this.person = person;
		this.may = may;
		this.#hands = hands;
	}

	add(slot: number, socket: WebSocket): void {
		if (this.#leaving !== null) clearTimeout(this.#leaving);
		this.#leaving = null;
		this.#sockets.get(slot)?.terminate();
		this.#sockets.set(slot, socket);
		socket.on('message', (data) => this.#receive(String(data)));
		socket.on('error', () => socket.terminate());
		socket.on('close', () => {
			if (this.#sockets.get(slot) !== socket) return;
			this.#sockets.delete(slot);
			if (this.#sockets.size === 0) this.#leaving = setTimeout(() => this.#hands.gone(), patienceMs);
		});
		this.#send(
			socket,
			JSON.stringify({ type: 'welcome', v: pageProtocol, desk: 'poise', page: this.person.page } satisfies FromDesk)
		);
	}

	#receive(text: string): void {
		const nowMs = performance.now();
		if (nowMs - this.#countedMs > 1000) [this.#said, this.#countedMs] = [0, nowMs];
		this.#said += 1;
		if (this.#said > mostPerS) return;
		const message = readFromPage(text);
		if (message === null) return;
		if (message.type !== 'many') return this.#heed(message);
		for (const each of message.said) {
			// A stick that was held back on its socket says where it was, not where it is.
			if (each.type === 'stick') {
				if (message.count < (this.#sticks.get(each.head) ?? 0)) continue;
				if (this.#sticks.size < mostSticks || this.#sticks.has(each.head)) this.#sticks.set(each.head, message.count);
			}
			this.#heed(each);
		}
	}
	#heed(message: FromPage): void {
		try {
			this.#hands.heed(message);
		} catch (thrown) {
			console.error(`desk, a page’s ${message.type}:`, thrown);
		}
	}

	/** To this page, dealt among its sockets in turn: what is held back on one comes newer by the next. */
	tell(message: FromDesk): void {
		const sockets = [...this.#sockets.values()];
		const next = sockets[(this.#turn += 1) % Math.max(1, sockets.length)];
		if (next !== undefined) this.#send(next, JSON.stringify(message));
	}
	/** What everybody sees: left out while the last has not gone through. Gives whether it went out, to a page that is there. */
	show(text: Buffer): boolean {
		const [first] = [...this.#sockets.values()].sort((one, two) => one.bufferedAmount - two.bufferedAmount);
		if (first === undefined) return true;
		if (first.bufferedAmount >= mostWaiting) return false;
		this.#send(first, text);
		return true;
	}
	#send(socket: WebSocket, text: string | Buffer): void {
		if (socket.readyState === socket.OPEN) socket.send(text, { binary: false }, () => {});
	}
	close(): void {
		if (this.#leaving !== null) clearTimeout(this.#leaving);
		for (const socket of this.#sockets.values()) socket.terminate();
		this.#sockets.clear();
	}
}
