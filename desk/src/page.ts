import type { WebSocket } from 'ws';
import { type FromDesk, type FromPage, pageProtocol, readFromPage } from './messages';
import type { Person } from './station';

/** More than this waiting to be sent: a watcher is left out until it has caught up. */
const mostWaiting = 64 * 1024;
/** A page that says more than this a second is not ours. */
const mostPerS = 2000;
/** How long a page may be without any socket before it is gone. */
const patienceMs = 400;

/** A page in somebody's browser: up to four sockets, of which any says everything. */
export class Page {
	person: Person;
	readonly #sockets = new Map<number, WebSocket>();
	readonly #hands: { readonly heed: (message: FromPage) => void; readonly gone: () => void };
	#leaving: NodeJS.Timeout | null = null;
	#said = 0;
	#countedMs = 0;

	constructor(person: Person, hands: { readonly heed: (message: FromPage) => void; readonly gone: () => void }) {
		this.person = person;
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
		this.#send(socket, JSON.stringify({ type: 'welcome', v: pageProtocol, desk: 'poise' } satisfies FromDesk));
	}

	#receive(text: string): void {
		const nowMs = performance.now();
		if (nowMs - this.#countedMs > 1000) [this.#said, this.#countedMs] = [0, nowMs];
		this.#said += 1;
		if (this.#said > mostPerS) return;
		const message = readFromPage(text);
		if (message === null) return;
		try {
			this.#hands.heed(message);
		} catch (thrown) {
			console.error(`desk, a page’s ${message.type}:`, thrown);
		}
	}

	/** To this page, by the socket that has least waiting. */
	tell(message: FromDesk): void {
		const [first] = [...this.#sockets.values()].sort((one, two) => one.bufferedAmount - two.bufferedAmount);
		if (first !== undefined) this.#send(first, JSON.stringify(message));
	}
	/** What everybody sees: left out while the last has not gone through. */
	show(text: string): void {
		const [first] = [...this.#sockets.values()].sort((one, two) => one.bufferedAmount - two.bufferedAmount);
		if (first !== undefined && first.bufferedAmount < mostWaiting) this.#send(first, text);
	}
	#send(socket: WebSocket, text: string): void {
		if (socket.readyState === socket.OPEN) socket.send(text, () => {});
	}
	close(): void {
		if (this.#leaving !== null) clearTimeout(this.#leaving);
		for (const socket of this.#sockets.values()) socket.terminate();
		this.#sockets.clear();
	}
}
