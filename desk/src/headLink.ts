import {
	addressOf,
	type Counters,
	fromBytes,
	greeting,
	hear,
	noneHeard,
	protocolVersion,
	type Session,
	toBytes,
	type ToDesk,
	type ToHead
} from '@poise/link';
import { Claim, sameBytes } from './claim';
import { type ClockOffset, hearClock, noOffset, toTheirs } from './clocks';

type Announce = Extract<ToDesk, { type: 'announce' }>;
type About = Extract<ToDesk, { type: 'about' }>;
type State = Extract<ToDesk, { type: 'state' }>;
type Unsigned = 'announce' | 'pledge' | 'half' | 'challenge';
export type Signed = Exclude<ToDesk, { type: Unsigned }>;
/** Where datagrams come from. */
export interface Place {
	readonly address: string;
	readonly port: number;
}

/** A head that announced itself is awake for so long; one that speaks in its session is here for so long. */
const [awakeMs, hereMs] = [3500, 400] as const;
const greetEveryMs = 250;

/** A session, and what has been heard and said in it. */
interface Speaking {
	readonly session: Session;
	heard: Counters;
	counter: number;
}
const hex = (bytes: Uint8Array): string => Buffer.from(bytes).toString('hex');

/** A head on the other end of datagrams: what it proves of itself, the session with it, and its clock. */
export class HeadLink {
	readonly id: string;
	/** What is said in its name without proof: believed of a head that is nobody's, and of no other. */
	#announced: Announce | null = null;
	#about: About | null = null;
	state: State | null = null;
	heardAtMs = -Infinity;
	#announcedAtMs = -Infinity;
	readonly #send: (bytes: Uint8Array, to: Place) => void;
	/** This desk's own word for sessions. */
	readonly #nonce: Uint8Array;
	/** Where it proved itself from, and where something last spoke in its name. */
	#proven: Place | null = null;
	#said: Place | null = null;
	#key: Uint8Array | null = null;
	#claim: Claim | null = null;
	#speaking: Speaking | null = null;
	/** The head has given its word for it; it begins with the first that it says in it. */
	#coming: Speaking | null = null;
	#clock: ClockOffset = noOffset;
	#greetedAtMs = -Infinity;
	ignored = 0;

	constructor(id: string, nonce: Uint8Array, send: (bytes: Uint8Array, to: Place) => void) {
		this.id = id;
		this.#nonce = nonce;
		this.#send = send;
	}

	/** The key that was agreed once; null: none. */
	useKey(key: Uint8Array | null): void {
		if (key !== null && this.#key !== null && sameBytes(key, this.#key)) return;
		if (key === null && this.#key === null) return;
		this.#key = key;
		[this.state, this.#about, this.#speaking, this.#coming] = [null, null, null, null];
		this.#greetedAtMs = -Infinity;
	}
	get hasKey(): boolean {
		return this.#key !== null;
	}
	get claiming(): boolean {
		return this.#claim !== null;
	}
	get toHeadMs(): number {
		return toTheirs(this.#clock);
	}
	/** What it says it is: proven where there is a key. */
	get about(): Omit<About, 'type'> | null {
		return this.#key === null ? this.#announced : this.#about;
	}
	/** It says that nobody has claimed it. */
	get free(): boolean {
		return this.#announced?.claimed === 0;
	}
	/** It has announced itself of late: it has power. */
	isAwake(atMs: number): boolean {
		return this.#announced !== null && atMs - this.#announcedAtMs < awakeMs;
	}
	isHere(atMs: number): boolean {
		return this.state !== null && atMs - this.heardAtMs < hereMs;
	}

	/** What it says, once it is known that it is it; null: nothing to heed. */
	receive(bytes: Uint8Array, atMs: number, from: Place): Signed | 'announced' | null {
		const type = addressOf(bytes)?.type;
		if (type === 'announce' || type === 'pledge' || type === 'half') {
			const heard = fromBytes('toDesk', bytes, null);
			return typeof heard === 'string' ? null : this.#hearUnsigned(heard.message, atMs, from);
		}
		if (this.#key === null) return this.#ignore();
		if (type === 'challenge') return this.#challenged(bytes, from);
		const speaking = [this.#speaking, this.#coming].find(
			(each) => each !== null && typeof fromBytes('toDesk', bytes, each.session) !== 'string'
		);
		if (speaking === undefined || speaking === null) return this.#ignore();
		const heard = fromBytes('toDesk', bytes, speaking.session);
		const counters = typeof heard === 'string' ? null : hear(speaking.heard, heard.counter);
		if (typeof heard === 'string' || counters === null) return this.#ignore();
		if (speaking === this.#coming) {
			// It has proven its new start: counters, clock and what it stood at are new.
			[this.#speaking, this.#coming, this.state, this.#clock] = [speaking, null, null, noOffset];
		}
		speaking.heard = counters;
		this.#proven = from;
		const { message } = heard;
		switch (message.type) {
			case 'announce':
			case 'pledge':
			case 'half':
			case 'challenge':
				return null;
			case 'about':
				this.#about = message;
				return message;
			case 'state':
				if (this.state !== null && message.headMs <= this.state.headMs) return null;
				this.state = message;
				this.heardAtMs = atMs;
				this.#clock = hearClock(this.#clock, message.headMs, atMs);
				return message;
			default:
				return message;
		}
	}
	#ignore(): null {
		this.ignored += 1;
		return null;
	}

	/** What anybody can say in its name: it ends no session, changes nothing that was proven, and leads no word of a session elsewhere. */
	#hearUnsigned(message: ToDesk, atMs: number, from: Place): 'announced' | null {
		if (message.type === 'announce') {
			if (message.version !== protocolVersion) return null;
			[this.#announced, this.#announcedAtMs] = [message, atMs];
			if (this.isHere(atMs)) return 'announced';
			this.#said = from;
			// One that is ours and was without power is greeted where it speaks from: only it can answer.
			if (this.#key !== null) this.#hello(from);
			return 'announced';
		}
		if ((message.type === 'pledge' || message.type === 'half') && this.#claim?.hear(message) === false)
			return this.#ignore();
		this.#sayClaim(atMs);
		return null;
	}

	#challenged(bytes: Uint8Array, from: Place): null {
		const heard = fromBytes('toDesk', bytes, greeting(this.#key!, hex(this.#nonce)));
		if (typeof heard === 'string' || heard.message.type !== 'challenge') return this.#ignore();
		const session: Session = { key: this.#key!, head: hex(heard.message.head), desk: hex(this.#nonce) };
		// Its old word again, of the session that is: nothing new.
		if (session.head === this.#speaking?.session.head) return null;
		if (session.head !== this.#coming?.session.head) this.#coming = { session, heard: noneHeard, counter: 0 };
		this.#coming.counter += 1;
		this.#send(toBytes('toHead', this.id, { type: 'begin' }, { session, counter: this.#coming.counter }), from);
		return null;
	}

	say(message: ToHead): void {
		const speaking = this.#speaking;
		const to = this.#proven;
		if (speaking === null || this.state === null || to === null) return;
		speaking.counter += 1;
		this.#send(toBytes('toHead', this.id, message, { session: speaking.session, counter: speaking.counter }), to);
	}
	#hello(to: Place): void {
		if (this.#key === null) return;
		const signing = { session: greeting(this.#key), counter: 1 };
		this.#send(toBytes('toHead', this.id, { type: 'hello', desk: this.#nonce }, signing), to);
	}

	/** Until it answers in a session, it is greeted again; until both halves are shown, what is to be said of the claim is said again. */
	greet(atMs: number): void {
		this.#sayClaim(atMs);
		if (this.isHere(atMs) || this.#key === null || atMs - this.#greetedAtMs < greetEveryMs) return;
		this.#greetedAtMs = atMs;
		const places = [this.#proven, this.#said].filter((each) => each !== null);
		for (const place of places.filter(
			(one, k) => k === 0 || one.port !== places[0]!.port || one.address !== places[0]!.address
		))
			this.#hello(place);
	}

	/** Binds the desk to its half of a key for a head that is free: when both are shown, the box shows seven digits. */
	claim(atMs: number): boolean {
		if (!this.free || this.#said === null) return false;
		this.#claim = new Claim(this.id);
		this.#sayClaim(atMs);
		return true;
	}
	#sayClaim(atMs: number): void {
		const message = this.#said === null ? null : (this.#claim?.says(atMs) ?? null);
		if (message !== null) this.#send(toBytes('toHead', this.id, message, null), this.#said!);
	}
	/** Whoever sees the box has read its digits. One try: with other digits the claim is over. */
	confirm(code: string): Uint8Array | 'wait' | null {
		const key = this.#claim?.confirm(code) ?? null;
		if (key === 'wait') return key;
		this.#claim = null;
		if (key !== null) this.useKey(key);
		return key;
	}
}
