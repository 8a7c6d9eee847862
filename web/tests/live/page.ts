import { randomUUID } from 'node:crypto';
import { handOff, type Hold, type HoldEvent, holdStep, leaseTimes, socketsOfHold } from '@poise/core';
import { Deal } from '@poise/desk/deal';
import { type FromDesk, type FromPage, type HeadSeen, pageProtocol, type StandBy } from '@poise/desk/messages';
import { intentOf } from '@poise/desk/nextHold';
import WebSocket from 'ws';

/** A page without a browser: four sockets, one hold, as fast as its clock. */
export class TestPage {
	/** What everybody knows it by, as the desk says. */
	id = '';
	readonly #secret = randomUUID();
	readonly #sockets: WebSocket[] = [];
	readonly #holds = new Map<string, Hold>();
	heads: readonly HeadSeen[] = [];
	stoppedBy: string | null = null;
	readonly said: FromDesk[] = [];
	readonly #deal = new Deal();
	#passedMs = -Infinity;
	readonly #newestMs = new Map<string, number>();
	#timer: NodeJS.Timeout | null = null;

	static async open(origin: string, cookie = ''): Promise<TestPage> {
		const page = new TestPage();
		for (let slot = 0; slot < socketsOfHold; slot += 1) {
			const socket = new WebSocket(`${origin.replace('http', 'ws')}/live/socket`, {
				headers: cookie === '' ? {} : { cookie }
			});
			socket.on('error', () => {});
			socket.on('message', (data) => page.#hear(JSON.parse(String(data)) as FromDesk));
			await new Promise<void>((resolve, reject) => {
				socket.once('open', resolve);
				socket.once('error', reject);
			});
			socket.send(JSON.stringify({ type: 'hello', v: pageProtocol, secret: page.#secret, slot } satisfies FromPage));
			page.#sockets.push(socket);
		}
		await until(() => page.id !== '', 'the desk knows the page');
		page.#timer = setInterval(() => {
			const atMs = performance.now();
			if (atMs - page.#passedMs < leaseTimes.grantEveryMs) return;
			page.#passedMs = atMs;
			for (const head of page.#holds.keys()) page.#step(head, { kind: 'tick', atMs });
			page.#deal.pass(socketsOfHold, (slot, message) => page.say(message, slot));
		}, 5);
		return page;
	}

	#hear(message: FromDesk): void {
		const atMs = performance.now();
		this.said.push(message);
		if (this.said.length > 500) this.said.shift();
		if (message.type === 'welcome') this.id = message.page;
		if (message.type === 'heads') [this.heads, this.stoppedBy] = [message.heads, message.stoppedBy];
		if (message.type === 'heard') {
			const behindMs = (this.#newestMs.get(message.head) ?? 0) - message.headMs;
			if (behindMs > 0 && behindMs < 3000) return;
			this.#newestMs.set(message.head, message.headMs);
			this.#step(message.head, { kind: 'heard', atMs, headMs: message.headMs });
			this.#step(message.head, { kind: 'holds', atMs, epoch: message.epoch });
		}
		if (message.type === 'offer')
			this.#step(message.head, { kind: 'offer', atMs, press: message.press, epoch: message.epoch });
		if (message.type === 'refused')
			this.#step(message.head, { kind: 'refused', atMs, press: message.press, why: message.why });
	}
	#step(head: string, event: HoldEvent): void {
		const hold = this.#holds.get(head);
		if (hold === undefined) return;
		const [after, effects] = holdStep(hold, event);
		this.#holds.set(head, after);
		for (const effect of effects) {
			const { kind, socket, ...rest } = effect;
			const seen = this.head(head);
			const intent = kind === 'ask' ? { intent: seen === undefined ? { does: 'steer' } : intentOf(seen) } : {};
			const said = { type: kind, head, ...rest, ...intent } as FromPage;
			if (kind === 'grant' || kind === 'beat') this.#deal.put(said);
			else this.say(said, socket);
		}
	}
	say(message: FromPage, socket = 0): boolean {
		const to = this.#sockets[socket];
		if (to?.readyState !== WebSocket.OPEN) return false;
		to.send(JSON.stringify(message));
		return true;
	}
	steer(head: string, rates: Readonly<Record<string, number>>): void {
		this.#deal.put({ type: 'stick', head, rates });
	}
	head(id: string): HeadSeen | undefined {
		return this.heads.find((each) => each.id === id);
	}
	hold(id: string): Hold | undefined {
		return this.#holds.get(id);
	}
	/** Chosen for the next hold; waits until the desk says so. */
	async standBy(head: string, next: StandBy): Promise<void> {
		await until(() => {
			this.say({ type: 'standBy', head, next });
			return this.head(head)?.next?.id === next.id;
		}, `${next.id} stands by`);
	}
	take(head: string): void {
		if (!this.#holds.has(head)) this.#holds.set(head, handOff(head));
		this.say({ type: 'take', head });
	}
	press(head: string): void {
		this.#step(head, { kind: 'press', atMs: performance.now() });
	}
	release(head: string): void {
		this.#step(head, { kind: 'release', atMs: performance.now() });
	}
	/**
	 * Presses, and sees to something while it is held. A machine that had no time for a moment lets go, as it must: whoever held it
	 * presses again, and sees to it anew. What goes wrong while it is held goes wrong.
	 */
	async whileHeld<Seen>(head: string, sees: () => Promise<Seen>): Promise<Seen> {
		for (let tries = 0; tries < 8; tries += 1) {
			await until(() => {
				if (['up', 'ended'].includes(this.hold(head)!.phase)) this.press(head);
				return this.hold(head)!.phase === 'down' && this.head(head)?.phase === 'armed';
			}, 'it is held');
			const epoch = this.hold(head)!.epoch;
			const isHeld = () => this.hold(head)!.phase === 'down' && this.hold(head)!.epoch === epoch;
			let isSeen = false;
			const seen = sees()
				.then((found) => ({ found }))
				.catch((thrown: unknown) => {
					if (isHeld()) throw thrown;
					return null;
				})
				.finally(() => (isSeen = true));
			const lost = until(() => isSeen || !isHeld(), 'it is seen', 60_000).then(() => (isSeen ? seen : null));
			const came = await Promise.race([seen, lost]);
			if (came !== null) return came.found;
			await seen;
		}
		throw new Error('It could not be held long enough.');
	}
	/** As a browser that is killed: not a word more. */
	vanish(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		for (const socket of this.#sockets) socket.terminate();
	}
}

/** Waits until it is so. */
export async function until(what: () => boolean | Promise<boolean>, words: string, forMs = 15_000): Promise<void> {
	const giveUpAt = performance.now() + forMs;
	while (!(await what())) {
		if (performance.now() > giveUpAt) throw new Error(`Waited in vain until ${words}.`);
		await new Promise((resolve) => setTimeout(resolve, 10));
	}
}
