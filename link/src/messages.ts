/*
 * What a desk and a head say to each other, one place for both: every address, its arguments and their kinds. Whole numbers are
 * milliseconds, counts and epochs of 31 bits; places and speeds are radians, metres or turns of a ring, and those per second.
 */
export const protocolVersion = 2;

type Kind = 'i' | 'f' | 's' | 'b';
/** Fixed arguments by name, then, where `each` is given, so many of these after them. */
interface Form {
	readonly args: Readonly<Record<string, Kind>>;
	readonly each?: Readonly<Record<string, Kind>>;
	/** Sent before there is a key: nothing is moved by one. */
	readonly unsigned?: true;
}

const toHead = {
	/** To become its desk's: what binds the desk to its half. Only a head that nobody has claimed takes it. */
	claim: { args: { version: 'i', commit: 'b' }, unsigned: true },
	/** The desk's half, once the head has bound itself to its own. */
	reveal: { args: { publicKey: 'b', nonce: 'b' }, unsigned: true },
	/** Gives it back. */
	unclaim: { args: {} },
	/** A desk that would speak with it: the word the desk drew. Signed by the key alone; it changes nothing. */
	hello: { args: { desk: 'b' } },
	/** The session that the head's own word was given for begins: signed in it. Counters count from 1. */
	begin: { args: {} },
	beat: { args: { holder: 's', issuedAtMs: 'i', echoMs: 'i' } },
	ask: { args: { holder: 's', press: 'i', by: 's' } },
	grant: { args: { holder: 's', epoch: 'i', sequence: 'i', issuedAtMs: 'i', echoMs: 'i' } },
	release: { args: { holder: 's', epoch: 'i' } },
	drive: { args: { epoch: 'i', sequence: 'i' }, each: { axis: 's', rate: 'f' } },
	follow: {
		args: { epoch: 'i', sequence: 'i', dueMs: 'i', pace: 'f' },
		each: { axis: 's', at: 'f', rate: 'f' }
	},
	home: { args: { epoch: 'i', ring: 's' } },
	record: { args: { on: 'i' } },
	stop: { args: { by: 's' } },
	clear: { args: { by: 's' } },
	/** Soft ends and greatest speeds within its own, and whether it may run watched. */
	limits: {
		args: { watched: 'i' },
		each: { axis: 's', from: 'f', to: 'f', maxRate: 'f', maxAccel: 'f' }
	},
	/** Show yourself. */
	blink: { args: { times: 'i' } }
} as const satisfies Readonly<Record<string, Form>>;

const toDesk = {
	/** Once a second, to whoever listens. `kind` names its pattern. Believed of a head that is nobody's yet, and of no other. */
	announce: {
		args: { version: 'i', name: 's', kind: 's', claimed: 'i' },
		each: { axis: 's', from: 'f', to: 'f', maxRate: 'f', maxAccel: 'f', ring: 'i' },
		unsigned: true
	},
	/** What binds the head to its half; then the half itself, for a desk's that was what it had bound itself to. */
	pledge: { args: { commit: 'b' }, unsigned: true },
	half: { args: { publicKey: 'b', nonce: 'b' }, unsigned: true },
	/** The word it draws for a session with a desk's: signed with the desk's word alone. */
	challenge: { args: { head: 'b' } },
	/** Once a second, and when a session begins: the same as it announces, signed. */
	about: {
		args: { name: 's', kind: 's' },
		each: { axis: 's', from: 'f', to: 'f', maxRate: 'f', maxAccel: 'f', ring: 'i' }
	},
	offer: { args: { holder: 's', press: 'i', epoch: 'i' } },
	refuse: { args: { holder: 's', press: 'i', why: 's' } },
	state: {
		args: {
			headMs: 'i',
			phase: 's',
			holder: 's',
			epoch: 'i',
			heldSinceMs: 'i',
			stoppedBy: 's',
			stuckAxis: 's',
			recording: 'i',
			batteryPart: 'f',
			ignored: 'i',
			/** Of whoever holds or has beaten last: how often heard, and the least there and back. */
			linkHolder: 's',
			linkSamples: 'i',
			linkTripMs: 'i'
		},
		each: { axis: 's', at: 'f', rate: 'f', ready: 'i' }
	}
} as const satisfies Readonly<Record<string, Form>>;

type Value<K extends Kind> = K extends 's' ? string : K extends 'b' ? Uint8Array : number;
type Args<A extends Readonly<Record<string, Kind>>> = { readonly [K in keyof A]: Value<A[K]> };
type MessageOf<T extends Readonly<Record<string, Form>>> = {
	[K in keyof T & string]: { readonly type: K } & Args<T[K]['args']> &
		(T[K] extends { readonly each: infer E extends Readonly<Record<string, Kind>> }
			? { readonly each: readonly Args<E>[] }
			: unknown);
}[keyof T & string];

export type ToHead = MessageOf<typeof toHead>;
export type ToDesk = MessageOf<typeof toDesk>;

export const forms: {
	readonly toHead: Readonly<Record<string, Form>>;
	readonly toDesk: Readonly<Record<string, Form>>;
} = {
	toHead,
	toDesk
};
export type Direction = keyof typeof forms;
/** How many axes a message names at most, and how long a name is. */
export const mostEach = 16;
export const longestWord = 80;
