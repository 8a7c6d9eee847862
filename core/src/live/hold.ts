/*
 * The hand's end of the lease: what a page does with a press. Pure: times come in events, in the page's own milliseconds. While
 * the same press is down and the head has offered an epoch for it, a grant goes out every ten milliseconds, dealt among the
 * sockets in turn; released, lost from view, or refused: three releases, and not a grant more.
 */
import { leaseTimes } from './lease';

/** How many sockets a holding page deals its grants among: a lost segment holds back all behind it on one. */
export const socketsOfHold = 4;
const releases = 3;
/** A press without an answer asks again so often, and gives up after so long. */
const [askEveryMs, giveUpMs] = [60, 800] as const;

export interface Hold {
	readonly head: string;
	/** Counts presses: an offer for an earlier one is nobody's. */
	readonly press: number;
	readonly phase: 'up' | 'asked' | 'down' | 'ended';
	readonly epoch: number | null;
	readonly sequence: number;
	readonly socket: number;
	readonly sentAtMs: number;
	readonly askedAtMs: number;
	readonly downAtMs: number;
	/** The newest time of the head that was heard; null: none yet. */
	readonly echoMs: number | null;
	readonly why: string | null;
}
export type HoldEvent =
	| { readonly kind: 'press'; readonly atMs: number }
	| { readonly kind: 'release'; readonly atMs: number }
	| { readonly kind: 'heard'; readonly atMs: number; readonly headMs: number }
	| { readonly kind: 'offer'; readonly atMs: number; readonly press: number; readonly epoch: number }
	| { readonly kind: 'refused'; readonly atMs: number; readonly press: number; readonly why: string }
	/** The head says who holds it, of which press. */
	| { readonly kind: 'holds'; readonly atMs: number; readonly epoch: number | null }
	| { readonly kind: 'tick'; readonly atMs: number };
export type HoldEffect =
	| { readonly kind: 'ask'; readonly press: number; readonly socket: number }
	| {
			readonly kind: 'grant';
			readonly epoch: number;
			readonly sequence: number;
			readonly issuedAtMs: number;
			readonly echoMs: number;
			readonly socket: number;
	  }
	| { readonly kind: 'beat'; readonly issuedAtMs: number; readonly echoMs: number; readonly socket: number }
	| { readonly kind: 'release'; readonly epoch: number; readonly socket: number };

export const handOff = (head: string): Hold => ({
	head,
	press: 0,
	phase: 'up',
	epoch: null,
	sequence: 0,
	socket: 0,
	sentAtMs: -Infinity,
	askedAtMs: -Infinity,
	downAtMs: -Infinity,
	echoMs: null,
	why: null
});

export function holdStep(hold: Hold, event: HoldEvent): readonly [Hold, readonly HoldEffect[]] {
	switch (event.kind) {
		case 'press': {
			if (hold.phase === 'asked' || hold.phase === 'down') return [hold, []];
			const press = hold.press + 1;
			const socket = (hold.socket + 1) % socketsOfHold;
			return [
				{
					...{ ...hold, press, phase: 'asked', epoch: null, sequence: 0, why: null, socket },
					...{ askedAtMs: event.atMs, sentAtMs: event.atMs }
				},
				[{ kind: 'ask', press, socket }]
			];
		}
		case 'release':
			return ended(hold, 'up', null);
		case 'refused':
			return hold.phase === 'asked' && event.press === hold.press ? ended(hold, 'ended', event.why) : [hold, []];
		case 'heard':
			return [{ ...hold, echoMs: newest(hold.echoMs, event.headMs) }, []];
		case 'offer':
			if (hold.phase !== 'asked' || event.press !== hold.press || hold.echoMs === null) return [hold, []];
			return granting({ ...hold, phase: 'down', epoch: event.epoch, downAtMs: event.atMs }, event.atMs);
		case 'holds':
			// The head has let go of this press: holding on without knowing would mean nothing. What it said before it had the
			// first grant may still be on its way.
			return hold.phase === 'down' && event.atMs > hold.downAtMs + leaseTimes.firstGrantMs && event.epoch !== hold.epoch
				? ended(hold, 'ended', 'lost')
				: [hold, []];
		case 'tick':
			if (hold.phase === 'asked' && event.atMs > hold.askedAtMs + giveUpMs) return ended(hold, 'ended', 'noAnswer');
			// An ask or its answer may be lost: the same press asks again, and is answered as before.
			if (hold.phase === 'asked' && event.atMs >= hold.sentAtMs + askEveryMs) {
				const socket = (hold.socket + 1) % socketsOfHold;
				return [{ ...hold, socket, sentAtMs: event.atMs }, [{ kind: 'ask', press: hold.press, socket }]];
			}
			if (hold.phase === 'down')
				return event.atMs >= hold.sentAtMs + leaseTimes.grantEveryMs ? granting(hold, event.atMs) : [hold, []];
			if (hold.echoMs === null || event.atMs < hold.sentAtMs + leaseTimes.beatEveryMs) return [hold, []];
			return beating(hold, event.atMs);
	}
}

/** No socket brings words so late: a head whose clock is so far back was without power, and begins anew. */
const anewMs = 3000;
const newest = (had: number | null, heardMs: number): number =>
	had === null || heardMs < had - anewMs ? heardMs : Math.max(had, heardMs);

function granting(hold: Hold, atMs: number): readonly [Hold, readonly HoldEffect[]] {
	const socket = (hold.socket + 1) % socketsOfHold;
	const sequence = hold.sequence + 1;
	return [
		{ ...hold, socket, sequence, sentAtMs: atMs },
		[{ kind: 'grant', epoch: hold.epoch!, sequence, issuedAtMs: atMs, echoMs: hold.echoMs!, socket }]
	];
}
function beating(hold: Hold, atMs: number): readonly [Hold, readonly HoldEffect[]] {
	const socket = (hold.socket + 1) % socketsOfHold;
	return [{ ...hold, socket, sentAtMs: atMs }, [{ kind: 'beat', issuedAtMs: atMs, echoMs: hold.echoMs!, socket }]];
}
function ended(hold: Hold, phase: 'up' | 'ended', why: string | null): readonly [Hold, readonly HoldEffect[]] {
	const { epoch, socket } = hold;
	const after: Hold = { ...hold, phase, epoch: null, why };
	if (hold.phase !== 'down' || epoch === null) return [after, []];
	return [
		after,
		Array.from({ length: releases }, (_, k) => ({
			kind: 'release' as const,
			epoch,
			socket: (socket + 1 + k) % socketsOfHold
		}))
	];
}
