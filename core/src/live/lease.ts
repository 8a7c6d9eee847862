/* eslint-disable max-lines -- one machine: every event beside every other. */
/*
 * The dead-man's lease, as a head keeps it: a pure machine. Time comes in events, in the head's own milliseconds, and never runs
 * back. Nobody moves a head but by a hold that is alive: a press asks, the head answers with an epoch that is good once, and the page
 * that heard the press sends grants as long as the same press is down. A grant is good from when it was issued, not from when it
 * came: a burst of late ones moves nothing.
 */

export const leaseTimes = {
	/** A grant is good so long after it was issued, by the fastest way its link has lately had. */
	goodMs: 140,
	/** The first grant of a press comes back within this. */
	firstGrantMs: 200,
	/** A grant that has heard nothing newer of the head than this is void. */
	echoMs: 400,
	/** A link slower there and back than this arms nothing. */
	mostRoundTripMs: 100,
	/** A link is known by so many of its last ten seconds' beats and grants. */
	leastSamples: 20,
	bucketMs: 1000,
	buckets: 10,
	/** How often a page sends, held and not; how often a desk repeats the newest, and a head says how it stands. */
	grantEveryMs: 10,
	beatEveryMs: 100,
	repeatEveryMs: 20,
	stateEveryMs: 20
} as const;
/** How many links a head knows; the one heard longest ago gives way. */
const mostLinks = 32;
const mostCount = 1e9;

interface Bucket {
	readonly index: number;
	readonly leastOffsetMs: number;
	readonly leastTripMs: number;
	readonly samples: number;
}
interface Link {
	readonly heardAtMs: number;
	readonly buckets: readonly Bucket[];
}

type LeasePhase = 'rest' | 'offered' | 'armed' | 'stopping';
export type Refusing = 'stopAll' | 'held' | 'linkUnknown' | 'linkSlow' | 'watchNotAllowed' | 'notReady';
export type Braking = 'released' | 'lost' | 'stopAll' | 'fault' | 'takenOver';
type Ignoring = 'late' | 'replayed' | 'otherEpoch' | 'nobodyAsked' | 'deafPage' | 'oldPress';

export interface Lease {
	readonly nowMs: number;
	readonly phase: LeasePhase;
	/** Whose the offer or the hold is, and of which press. */
	readonly holder: string | null;
	readonly epoch: number | null;
	/** When it was offered; when the hold runs out unless another grant comes. */
	readonly offeredAtMs: number;
	readonly deadlineMs: number;
	readonly heldSinceMs: number;
	readonly sequence: number;
	/** Who stopped everything; nobody holds until a named person has cleared it. */
	readonly stoppedBy: string | null;
	/** It may run while a desk watches it; else only while a hand holds it. */
	readonly watched: boolean;
	readonly links: Readonly<Record<string, Link>>;
	/** Of each page its newest press, and whether it was answered with an epoch: that answer is good once. */
	readonly presses: Readonly<Record<string, { readonly press: number; readonly offered: boolean }>>;
	readonly ignored: Readonly<Record<Ignoring, number>>;
}

export type LeaseEvent =
	| { readonly kind: 'tick'; readonly atMs: number }
	/** While nobody holds, so that the link is known when somebody does. `echoMs` is the newest time of the head heard there. */
	| {
			readonly kind: 'beat';
			readonly atMs: number;
			readonly holder: string;
			readonly issuedAtMs: number;
			readonly echoMs: number;
	  }
	/** A press, counted by its page. `epoch` is the head's own answer to it, drawn anew, never used before. */
	| {
			readonly kind: 'ask';
			readonly atMs: number;
			readonly holder: string;
			readonly press: number;
			readonly epoch: number;
			readonly by: 'hand' | 'watch';
	  }
	| {
			readonly kind: 'grant';
			readonly atMs: number;
			readonly holder: string;
			readonly epoch: number;
			readonly sequence: number;
			readonly issuedAtMs: number;
			readonly echoMs: number;
	  }
	| { readonly kind: 'release'; readonly atMs: number; readonly holder: string; readonly epoch: number }
	| { readonly kind: 'fault'; readonly atMs: number }
	/** Another desk from now on: nobody holds, and pages count their presses anew. */
	| { readonly kind: 'anew'; readonly atMs: number }
	/** The head stands still. */
	| { readonly kind: 'rested'; readonly atMs: number }
	| { readonly kind: 'stopAll'; readonly atMs: number; readonly by: string }
	| { readonly kind: 'clear'; readonly atMs: number; readonly by: string };

export type LeaseEffect =
	| { readonly kind: 'offer'; readonly holder: string; readonly press: number; readonly epoch: number }
	| { readonly kind: 'refuse'; readonly holder: string; readonly press: number; readonly why: Refusing }
	| { readonly kind: 'arm'; readonly holder: string; readonly epoch: number }
	| { readonly kind: 'brake'; readonly why: Braking };

export const restingLease = (watched: boolean): Lease => ({
	nowMs: 0,
	phase: 'rest',
	holder: null,
	epoch: null,
	offeredAtMs: 0,
	deadlineMs: 0,
	heldSinceMs: 0,
	sequence: 0,
	stoppedBy: null,
	watched,
	links: {},
	presses: {},
	ignored: { late: 0, replayed: 0, otherEpoch: 0, nobodyAsked: 0, deafPage: 0, oldPress: 0 }
});

/** How a link has been of late: how much is known of it, its least offset and its least time there and back, ms. */
export function linkOf(
	lease: Lease,
	holder: string
): { readonly samples: number; readonly leastOffsetMs: number; readonly leastTripMs: number } {
	const now = Math.floor(lease.nowMs / leaseTimes.bucketMs);
	const buckets = (lease.links[holder]?.buckets ?? []).filter(({ index }) => index > now - leaseTimes.buckets);
	return {
		samples: buckets.reduce((sum, { samples }) => sum + samples, 0),
		leastOffsetMs: Math.min(Infinity, ...buckets.map(({ leastOffsetMs }) => leastOffsetMs)),
		leastTripMs: Math.min(Infinity, ...buckets.map(({ leastTripMs }) => leastTripMs))
	};
}

/** Whether a press would arm now, and if not, why. */
function readiness(lease: Lease, holder: string, by: 'hand' | 'watch'): Refusing | null {
	if (lease.stoppedBy !== null) return 'stopAll';
	if (by === 'watch' && !lease.watched) return 'watchNotAllowed';
	if ((lease.phase === 'armed' || lease.phase === 'offered') && lease.holder !== holder) return 'held';
	const { samples, leastTripMs } = linkOf(lease, holder);
	if (samples < leaseTimes.leastSamples) return 'linkUnknown';
	return leastTripMs > leaseTimes.mostRoundTripMs ? 'linkSlow' : null;
}

/** The lease after an event, and what the head does about it. An event with a figure that is none is let pass. */
export function leaseStep(before: Lease, event: LeaseEvent): readonly [Lease, readonly LeaseEffect[]] {
	if (!figuresOf(event).every(Number.isFinite)) return [before, []];
	// A clock that stands is as late as the latest word of it.
	const atMs = Math.max(before.nowMs, event.atMs);
	const [lease, effects] = expire({ ...before, nowMs: atMs });
	const [after, more] = take(lease, { ...event, atMs });
	return [after, effects.length === 0 ? more : [...effects, ...more]];
}

const figuresOf = (event: LeaseEvent): number[] =>
	Object.values(event).filter((value): value is number => typeof value === 'number');

const still = { holder: null, epoch: null, sequence: 0 } as const;
const braking = (lease: Lease): Lease => ({ ...lease, ...still, phase: 'stopping' });

/** What time alone does: an offer nobody took lapses, a hold nobody kept up is over. */
function expire(lease: Lease): readonly [Lease, readonly LeaseEffect[]] {
	if (lease.phase === 'offered' && lease.nowMs > lease.offeredAtMs + leaseTimes.firstGrantMs)
		return [{ ...lease, ...still, phase: 'rest' }, []];
	if (lease.phase === 'armed' && lease.nowMs > lease.deadlineMs)
		return [braking(lease), [{ kind: 'brake', why: 'lost' }]];
	return [lease, []];
}

function take(lease: Lease, event: LeaseEvent): readonly [Lease, readonly LeaseEffect[]] {
	const { atMs } = event;
	switch (event.kind) {
		case 'tick':
			return [lease, []];
		case 'rested':
			return [lease.phase === 'stopping' ? { ...lease, phase: 'rest' } : lease, []];
		case 'fault':
			return lease.phase === 'armed'
				? [braking(lease), [{ kind: 'brake', why: 'fault' }]]
				: [lease.phase === 'offered' ? { ...lease, ...still, phase: 'rest' } : lease, []];
		case 'anew':
			return take({ ...lease, presses: {} }, { kind: 'fault', atMs });
		case 'stopAll': {
			const stopped = { ...lease, stoppedBy: lease.stoppedBy ?? event.by };
			if (lease.phase === 'rest') return [stopped, []];
			return [braking(stopped), [{ kind: 'brake', why: 'stopAll' }]];
		}
		case 'clear':
			// By nobody in particular it is not cleared.
			return [event.by === '' ? lease : { ...lease, stoppedBy: null }, []];
		case 'beat':
			return [heard(lease, event), []];
		case 'ask':
			return asked(lease, event);
		case 'release':
			if (lease.holder !== event.holder || lease.epoch !== event.epoch) return [ignoring(lease, 'otherEpoch'), []];
			return lease.phase === 'armed'
				? [braking(lease), [{ kind: 'brake', why: 'released' }]]
				: [{ ...lease, ...still, phase: 'rest' }, []];
		case 'grant':
			return granted(lease, event);
	}
}

/**
 * A press is answered once, and the same press asking again has the same answer: one of the two was lost. A copy of it, or of an older one, that
 * comes late ends no newer press.
 */
function asked(lease: Lease, event: Extract<LeaseEvent, { kind: 'ask' }>): readonly [Lease, readonly LeaseEffect[]] {
	const { holder, press, epoch, atMs } = event;
	const newest = lease.presses[holder];
	if (newest !== undefined && press <= newest.press) {
		if (press === newest.press && lease.phase === 'offered' && lease.holder === holder && lease.epoch !== null)
			return [lease, [{ kind: 'offer', holder, press, epoch: lease.epoch }]];
		if (press < newest.press || newest.offered) return [ignoring(lease, 'oldPress'), []];
	}
	const why = readiness(lease, holder, event.by);
	const known = { ...lease, presses: pressed(lease, holder, press, why === null) };
	if (why !== null) return [known, [{ kind: 'refuse', holder, press, why }]];
	// The same holder pressing anew: the press before is over.
	const brakes: readonly LeaseEffect[] = lease.phase === 'armed' ? [{ kind: 'brake', why: 'released' }] : [];
	const offered: Lease = { ...known, phase: 'offered', holder, epoch, offeredAtMs: atMs, sequence: 0 };
	return [offered, [...brakes, { kind: 'offer', holder, press, epoch }]];
}
/** Of as many pages as links are known of; whoever pressed longest ago is forgotten first, whoever holds is not. */
function pressed(lease: Lease, holder: string, press: number, offered: boolean): Lease['presses'] {
	const others = Object.entries(lease.presses).filter(([name]) => name !== holder);
	const spare = others.filter(([name]) => name !== lease.holder)[0]?.[0];
	const kept = others.length < mostLinks ? others : others.filter(([name]) => name !== spare);
	return Object.fromEntries([...kept, [holder, { press, offered }]]);
}

function granted(
	lease: Lease,
	event: Extract<LeaseEvent, { kind: 'grant' }>
): readonly [Lease, readonly LeaseEffect[]] {
	const { atMs } = event;
	if (lease.phase !== 'armed' && lease.phase !== 'offered') return [ignoring(lease, 'nobodyAsked'), []];
	if (lease.holder !== event.holder || lease.epoch !== event.epoch) return [ignoring(lease, 'otherEpoch'), []];
	if (event.sequence <= lease.sequence) return [ignoring(lease, 'replayed'), []];
	const known = heard(lease, event);
	const { leastOffsetMs } = linkOf(known, event.holder);
	// The least offset counts this grant too: no clock makes it good for longer than so long after it came.
	const goodUntilMs = Math.min(event.issuedAtMs + leastOffsetMs + leaseTimes.goodMs, event.echoMs + leaseTimes.echoMs);
	if (event.echoMs > atMs || atMs > event.echoMs + leaseTimes.echoMs) return [ignoring(known, 'deafPage'), []];
	if (goodUntilMs <= atMs) return [ignoring(known, 'late'), []];
	const held = {
		...known,
		phase: 'armed' as const,
		sequence: event.sequence,
		// A grant never makes a hold shorter than one before it promised.
		deadlineMs: lease.phase === 'armed' ? Math.max(lease.deadlineMs, goodUntilMs) : goodUntilMs
	};
	return lease.phase === 'armed'
		? [held, []]
		: [{ ...held, heldSinceMs: atMs }, [{ kind: 'arm', holder: event.holder, epoch: event.epoch }]];
}

const ignoring = (lease: Lease, why: Ignoring): Lease => ({
	...lease,
	ignored: { ...lease.ignored, [why]: Math.min(mostCount, lease.ignored[why] + 1) }
});

/** One more word over a holder's link. */
function heard(
	lease: Lease,
	{ holder, atMs, issuedAtMs, echoMs }: Extract<LeaseEvent, { kind: 'beat' | 'grant' }>
): Lease {
	const index = Math.floor(atMs / leaseTimes.bucketMs);
	const before = (lease.links[holder]?.buckets ?? []).filter((each) => each.index > index - leaseTimes.buckets);
	const last = before[before.length - 1];
	// A time of the head that has not come yet is nobody's echo.
	const tripMs = echoMs > atMs ? Infinity : atMs - echoMs;
	const offsetMs = atMs - issuedAtMs;
	const bucket: Bucket =
		last?.index === index
			? {
					index,
					leastOffsetMs: Math.min(last.leastOffsetMs, offsetMs),
					leastTripMs: Math.min(last.leastTripMs, tripMs),
					samples: Math.min(mostCount, last.samples + 1)
				}
			: { index, leastOffsetMs: offsetMs, leastTripMs: tripMs, samples: 1 };
	const buckets = last?.index === index ? [...before.slice(0, -1), bucket] : [...before, bucket];
	const links = { ...lease.links, [holder]: { heardAtMs: atMs, buckets } };
	const names = Object.keys(links);
	if (names.length <= mostLinks) return { ...lease, links };
	// Whoever holds is not forgotten.
	const oldest = names
		.filter((name) => name !== holder && name !== lease.holder)
		.reduce((one, other) => (links[other]!.heardAtMs < links[one]!.heardAtMs ? other : one));
	return { ...lease, links: Object.fromEntries(Object.entries(links).filter(([name]) => name !== oldest)) };
}
