import { type FromDesk, type FromPage, pageProtocol } from '@poise/desk/messages';

/** A link that is lost is tried again at once, then more and more seldom; where somebody may want to hold, soon. */
const [againMs, seldomMs, soonMs] = [400, 6000, 1000] as const;

interface PageOfSockets {
	/** What only this page and the desk know. */
	readonly secret: string;
	readonly hear: (message: FromDesk) => void;
	/** The first of them is gone. */
	readonly lost: () => void;
}

/** As many sockets to the desk as are wanted, each taken up again by itself when it is lost. */
export class DeskSockets {
	wanted = 0;
	readonly #sockets: (WebSocket | null)[] = [];
	readonly #page: PageOfSockets;
	#tries = 0;

	constructor(page: PageOfSockets) {
		this.#page = page;
	}
	want(count: number): void {
		const had = this.wanted;
		this.wanted = count;
		for (let slot = had; slot < count; slot += 1) this.#open(slot);
		for (let slot = count; slot < had; slot += 1) this.#close(slot);
	}
	/** The page is put aside: nothing of it is heard or said until it is shown again. */
	pause(): void {
		for (let slot = 0; slot < this.wanted; slot += 1) this.#close(slot);
	}
	resume(): void {
		for (let slot = 0; slot < this.wanted; slot += 1) if ((this.#sockets[slot] ?? null) === null) this.#open(slot);
	}
	/** The desk has answered: the next loss is tried again at once. */
	welcomed(): void {
		this.#tries = 0;
	}
	#open(slot: number): void {
		const socket = new WebSocket(`${location.origin.replace(/^http/, 'ws')}/live/socket`);
		this.#sockets[slot] = socket;
		socket.onopen = () => this.send(slot, { type: 'hello', v: pageProtocol, secret: this.#page.secret, slot });
		socket.onmessage = ({ data }) => this.#page.hear(JSON.parse(String(data)) as FromDesk);
		socket.onclose = () => {
			if (this.#sockets[slot] !== socket) return;
			this.#sockets[slot] = null;
			if (slot === 0) this.#page.lost();
			if (slot < this.wanted)
				setTimeout(
					() => {
						if (slot < this.wanted && (this.#sockets[slot] ?? null) === null) this.#open(slot);
					},
					Math.min(this.wanted > 1 ? soonMs : seldomMs, againMs * 2 ** (this.#tries += slot === 0 ? 1 : 0))
				);
		};
	}
	#close(slot: number): void {
		const socket = this.#sockets[slot];
		this.#sockets[slot] = null;
		if (socket !== null && socket !== undefined) {
			socket.onclose = null;
			socket.close();
		}
	}
	send(slot: number, message: FromPage): boolean {
		const socket = this.#sockets[slot];
		if (socket?.readyState !== WebSocket.OPEN) return false;
		socket.send(JSON.stringify(message));
		return true;
	}
	/** By the first that is there. */
	say(message: FromPage): boolean {
		for (let slot = 0; slot < this.wanted; slot += 1) if (this.send(slot, message)) return true;
		return false;
	}
}
