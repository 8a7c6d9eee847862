import {
	addressOf,
	blinksOf,
	type Counters,
	freshKeyPair,
	fromBytes,
	hear,
	type KeyPair,
	noneHeard,
	protocolVersion,
	type Session,
	sharedKey,
	toBytes,
	type ToDesk,
	type ToHead
} from '@poise/link';
import { type ClockOffset, hearClock, noOffset, toTheirs } from './clocks';

type Announce = Extract<ToDesk, { type: 'announce' }>;
type State = Extract<ToDesk, { type: 'state' }>;
export type Signed = Exclude<ToDesk, { type: 'announce' }>;

/** A head on the other end of datagrams: who it says it is, the session with it, and its clock. */
export class HeadLink {
	readonly id: string;
	announced: Announce | null = null;
	state: State | null = null;
	heardAtMs = -Infinity;
	#announcedAtMs = -Infinity;
	claiming = false;
	readonly #send: (bytes: Uint8Array) => void;
	readonly #deskBootMs: number;
	#key: Uint8Array | null = null;
	#own: KeyPair | null = null;
	#offered: Uint8Array | null = null;
	#counter = 0;
	#heard: Counters = noneHeard;
	#clock: ClockOffset = noOffset;
	#greetedAtMs = -Infinity;
	#claimedAtMs = -Infinity;
	ignored = 0;

	constructor(id: string, deskBootMs: number, send: (bytes: Uint8Array) => void) {
		this.id = id;
		this.#deskBootMs = deskBootMs;
		this.#send = send;
	}

	/** The key that was agreed once; null: none. */
	useKey(key: Uint8Array | null): void {
		if (key !== null && this.#key !== null && Buffer.compare(key, this.#key) === 0) return;
		if (key === null && this.#key === null) return;
		this.#key = key;
		this.state = null;
		this.#heard = noneHeard;
		this.#counter = 0;
		this.#greetedAtMs = -Infinity;
	}
	get hasKey(): boolean {
		return this.#key !== null;
	}
	get toHeadMs(): number {
		return toTheirs(this.#clock);
	}
	/** It has announced itself of late: it has power. */
	isAwake(atMs: number): boolean {
		return this.announced !== null && atMs - this.#announcedAtMs < 3500;
	}
	isHere(atMs: number): boolean {
		return this.state !== null && atMs - this.heardAtMs < 400;
	}

	#session(deskBootMs = this.#deskBootMs): Session | null {
		return this.#key === null || this.announced === null
			? null
			: { key: this.#key, headBootMs: this.announced.bootMs, deskBootMs };
	}

	/** What it says, once it is known that it is it; null: nothing to heed. */
	receive(bytes: Uint8Array, atMs: number): Signed | 'announced' | null {
		if (addressOf(bytes)?.type === 'announce') {
			const heard = fromBytes('toDesk', bytes, null);
			if (typeof heard === 'string' || heard.message.type !== 'announce') return null;
			if (heard.message.version !== protocolVersion) return null;
			if (heard.message.bootMs !== this.announced?.bootMs) {
				// It was without power: its counters, its clock and what it stood at are new.
				this.state = null;
				this.#heard = noneHeard;
				this.#counter = 0;
				this.#clock = noOffset;
				this.#greetedAtMs = -Infinity;
			}
			this.announced = heard.message;
			this.#announcedAtMs = atMs;
			return 'announced';
		}
		const session = this.#session();
		const heard = session === null ? 'foreign' : fromBytes('toDesk', bytes, session);
		const counters = typeof heard === 'string' ? null : hear(this.#heard, heard.counter);
		if (typeof heard === 'string' || counters === null || heard.message.type === 'announce') {
			this.ignored += 1;
			return null;
		}
		this.#heard = counters;
		const { message } = heard;
		if (message.type === 'state') {
			if (this.state !== null && message.headMs <= this.state.headMs) return null;
			this.state = message;
			this.heardAtMs = atMs;
			this.#clock = hearClock(this.#clock, message.headMs, atMs);
		}
		return message;
	}

	say(message: ToHead): void {
		if (message.type === 'hello') {
			const session = this.#session(0);
			if (session !== null) this.#send(toBytes('toHead', this.id, message, { session, counter: 1 }));
			return;
		}
		const session = this.#session();
		if (session === null || this.state === null) return;
		this.#counter += 1;
		this.#send(toBytes('toHead', this.id, message, { session, counter: this.#counter }));
	}

	/** Until it answers in this session, it is greeted again; until it says that it is claimed, the claim is said again. */
	greet(atMs: number): void {
		if (this.claiming && this.announced?.claimed === 0 && atMs - this.#claimedAtMs >= 400) {
			this.#claimedAtMs = atMs;
			this.#sayClaim();
		}
		if (this.state !== null || this.#key === null || atMs - this.#greetedAtMs < 250) return;
		this.#greetedAtMs = atMs;
		this.say({ type: 'hello', bootMs: this.#deskBootMs });
	}

	/** The desk's half of a key for a head that is free: from now on it blinks as both of them reckon. */
	claim(): boolean {
		if (this.announced === null || this.announced.claimed !== 0) return false;
		this.#own = freshKeyPair();
		try {
			this.#offered = sharedKey(this.#own, this.announced.publicKey, this.id);
		} catch {
			return false;
		}
		this.claiming = true;
		this.#claimedAtMs = performance.now();
		this.#sayClaim();
		return true;
	}
	#sayClaim(): void {
		if (this.#own === null) return;
		const { publicKey } = this.#own;
		this.#send(toBytes('toHead', this.id, { type: 'claim', version: protocolVersion, publicKey }, null));
	}
	/** Whoever sees the box has counted: the key, where it blinks as often as it should. */
	confirm(blinks: number): Uint8Array | null {
		const key = this.#offered;
		if (key === null || blinks !== blinksOf(key)) return null;
		[this.claiming, this.#offered] = [false, null];
		this.useKey(key);
		return key;
	}
	/** A key that was made and not wanted: the head is told that it is free again. */
	abandon(): void {
		const key = this.#offered;
		[this.claiming, this.#offered] = [false, null];
		if (key === null || this.announced === null) return;
		const headBootMs = this.announced.bootMs;
		const greeting = { key, headBootMs, deskBootMs: 0 };
		const session = { key, headBootMs, deskBootMs: this.#deskBootMs };
		this.#send(
			toBytes('toHead', this.id, { type: 'hello', bootMs: this.#deskBootMs }, { session: greeting, counter: 1 })
		);
		for (let counter = 1; counter <= 3; counter += 1)
			this.#send(toBytes('toHead', this.id, { type: 'unclaim' }, { session, counter }));
	}
}
