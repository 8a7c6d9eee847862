/* eslint-disable max-lines -- one machine: lease, axes and what it is asked hang on each other at every step. */
/*
 * A head: its lease, its axes and what it is asked, as one pure machine. Whatever comes over its link, it moves only while its
 * lease is alive, and otherwise brakes: by itself, or along the way it was on while its desk still sends that way's end.
 */
import { releaseTravel } from './coast';
import { type Braking, type Lease, type LeaseEffect, type LeaseEvent, leaseStep, restingLease } from './lease';
import { type HeadAxis, type HeadCommand, stepHead } from './stepHead';

const headTimes = {
	/** A speed is driven at for so long without another word of it. */
	driveMs: 120,
	/** So long past the last place it was given, a head goes on at that place's speed; then it brakes. */
	beyondMs: 60,
	/** A place further ahead than this is none. */
	aheadMs: 1000,
	/** An axis that does not come along for so long is stuck. */
	stuckMs: 300
} as const;
const mostPoints = 24;
/** The plant is stepped no coarser. */
const stepMs = 5;
/** Slower than this an axis stands, of its greatest speed. */
const standing = 1e-4;
/** Of a lens motor's speed while it looks for its ring's ends. */
const homingShare = 0.35;

interface Point {
	readonly dueMs: number;
	readonly at: Readonly<Record<string, number>>;
	readonly rates: Readonly<Record<string, number>>;
}
/** A ring of the lens: where it really ends, known once it has been turned to both. */
export interface Ring {
	readonly ends: readonly [number, number] | null;
	readonly looking: 'low' | 'high' | null;
}

export interface HeadMotion {
	readonly lease: Lease;
	readonly steppedAtMs: number;
	readonly axes: Readonly<Record<string, HeadAxis>>;
	/** Of every lens axis. */
	readonly rings: Readonly<Record<string, Ring>>;
	readonly command: 'rest' | 'drive' | 'follow';
	readonly driveRates: Readonly<Record<string, number>>;
	readonly driveAtMs: number;
	readonly points: readonly Point[];
	readonly pace: number;
	/** The newest word of what to do, of the epoch it is of. */
	readonly commandSequence: number;
	/** After a release: of which hold, and until when the end of its way is taken. */
	readonly stopping: {
		readonly epoch: number;
		readonly untilMs: number;
		/** How fast each axis was, and the furthest it may still come: by the head's own brake, whatever its desk sends. */
		readonly axes: Readonly<Record<string, { readonly rate: number; readonly until: number }>>;
	} | null;
	/** An axis that does not come along, and since when. */
	readonly behindSinceMs: Readonly<Record<string, number>>;
	readonly stuckAxis: string | null;
	readonly recording: boolean;
}

export type HeadEvent =
	| LeaseEvent
	| {
			readonly kind: 'drive';
			readonly atMs: number;
			readonly epoch: number;
			readonly sequence: number;
			readonly rates: Readonly<Record<string, number>>;
	  }
	| {
			readonly kind: 'follow';
			readonly atMs: number;
			readonly epoch: number;
			readonly sequence: number;
			readonly dueMs: number;
			readonly at: Readonly<Record<string, number>>;
			readonly rates: Readonly<Record<string, number>>;
			/** Of its path's own speed, 0 to 1: after a release it may only fall. */
			readonly pace: number;
	  }
	/** Find the ends of a ring, while held. */
	| { readonly kind: 'home'; readonly atMs: number; readonly epoch: number; readonly ring: string }
	| { readonly kind: 'record'; readonly atMs: number; readonly on: boolean };

export type HeadEffect = LeaseEffect;

export function restingHead(input: {
	readonly axes: Readonly<Record<string, HeadAxis>>;
	readonly rings: readonly string[];
	readonly watched: boolean;
}): HeadMotion {
	return {
		lease: restingLease(input.watched),
		steppedAtMs: 0,
		axes: input.axes,
		rings: Object.fromEntries(input.rings.map((ring) => [ring, { ends: null, looking: null }])),
		command: 'rest',
		driveRates: {},
		driveAtMs: 0,
		points: [],
		pace: 0,
		commandSequence: 0,
		stopping: null,
		behindSinceMs: {},
		stuckAxis: null,
		recording: false
	};
}

/** Slower than a hand sees is none: it stands. */
const stood = (axes: HeadMotion['axes']): HeadMotion['axes'] =>
	Object.fromEntries(Object.entries(axes).map(([name, axis]) => [name, { ...axis, rate: 0 }]));

export const isStill = ({ axes }: Pick<HeadMotion, 'axes'>): boolean =>
	Object.values(axes).every(({ rate, maxRate }) => Math.abs(rate) <= standing * maxRate);

/**
 * The head after an event. `held` names axes that something keeps from moving, as a fault of the simulated thing; none in a real
 * one. An event with a figure that is none, or of another hold, is let pass.
 */
export function headStep(
	before: HeadMotion,
	event: HeadEvent,
	held: readonly string[] = []
): readonly [HeadMotion, readonly HeadEffect[]] {
	if (!Number.isFinite(event.atMs)) return [before, []];
	const [advanced, first] = advance(before, Math.max(event.atMs, before.steppedAtMs), held);
	const [after, more] = receive(advanced, event);
	return [after, first.length === 0 ? more : [...first, ...more]];
}

function receive(head: HeadMotion, event: HeadEvent): readonly [HeadMotion, readonly HeadEffect[]] {
	switch (event.kind) {
		case 'drive': {
			if (!moves(head, event) || !figures(event.rates)) return [head, []];
			return [
				{
					...head,
					command: 'drive',
					driveRates: event.rates,
					driveAtMs: event.atMs,
					points: [],
					commandSequence: event.sequence
				},
				[]
			];
		}
		case 'follow': {
			const { dueMs, at, rates, pace, sequence, atMs } = event;
			if (!figures(at) || !figures(rates) || !Number.isFinite(dueMs) || !(pace >= 0 && pace <= 1)) return [head, []];
			if (!moves(head, event) && !stopsAlong(head, event)) return [head, []];
			if (dueMs > atMs + headTimes.aheadMs || dueMs < atMs - headTimes.beyondMs) return [head, []];
			const points = [...head.points.filter((point) => point.dueMs < dueMs), { dueMs, at, rates }].slice(-mostPoints);
			return [{ ...head, command: 'follow', points, pace, commandSequence: sequence }, []];
		}
		case 'home': {
			const ring = head.rings[event.ring];
			if (ring === undefined || head.lease.phase !== 'armed' || head.lease.epoch !== event.epoch) return [head, []];
			return [{ ...head, rings: { ...head.rings, [event.ring]: { ends: null, looking: 'low' } } }, []];
		}
		case 'record':
			return [{ ...head, recording: event.on }, []];
		default:
			return leased(head, event);
	}
}

const figures = (values: Readonly<Record<string, number>>) =>
	Object.values(values).every((value) => typeof value === 'number' && Number.isFinite(value));

/** Of the hold that is alive, and newer than what it was asked last. */
const moves = (head: HeadMotion, { epoch, sequence }: { readonly epoch: number; readonly sequence: number }) =>
	head.lease.phase === 'armed' && head.lease.epoch === epoch && sequence > head.commandSequence;

/** The end of the way it was on, after its hold was let go: newer, and slower. */
const stopsAlong = (
	head: HeadMotion,
	{ epoch, sequence, pace, atMs }: Extract<HeadEvent, { readonly kind: 'follow' }>
) =>
	head.lease.phase === 'stopping' &&
	head.stopping !== null &&
	head.stopping.epoch === epoch &&
	atMs <= head.stopping.untilMs &&
	sequence > head.commandSequence &&
	pace <= head.pace;

/** The lease's word, and what it means for the axes. */
function leased(head: HeadMotion, event: LeaseEvent): readonly [HeadMotion, readonly HeadEffect[]] {
	const epoch = head.lease.epoch;
	const [lease, effects] = leaseStep(head.lease, event);
	let after: HeadMotion = { ...head, lease };
	for (const effect of effects) {
		if (effect.kind === 'brake') after = braked(after, effect.why, epoch);
		if (effect.kind === 'offer') after = { ...after, commandSequence: 0, stopping: null, ...rest };
		if (effect.kind === 'arm') after = { ...after, stuckAxis: null, behindSinceMs: {}, pace: 1 };
	}
	return [after, effects];
}

const rest = { command: 'rest', points: [], driveRates: {} } as const;

/**
 * Let go on a way, its end is still taken, as long as the hardest axis could need, so that it stops on its way; for every other reason it
 * brakes by itself. No axis turns round, gets faster than it was, or comes further than `releaseTravel`.
 */
function braked(head: HeadMotion, why: Braking, epoch: number | null): HeadMotion {
	const rings = Object.fromEntries(
		Object.entries(head.rings).map(([name, ring]) => [name, { ...ring, looking: null }])
	);
	if (why !== 'released' || head.command !== 'follow' || epoch === null)
		return { ...head, ...rest, rings, stopping: null };
	const hardestS = Math.max(...Object.values(head.axes).map(({ maxRate, maxAccel }) => maxRate / maxAccel));
	const rates = Object.fromEntries(Object.entries(head.axes).map(([name, { rate }]) => [name, rate]));
	const travel = releaseTravel({ rates, limits: head.axes });
	const axes = Object.fromEntries(
		Object.entries(head.axes).map(([name, { position, rate, range }]) => {
			const most = travel[name]!;
			// Its soft ends hold besides.
			const until =
				rate > 0
					? Math.max(position, Math.min(range[1], position + most))
					: Math.min(position, Math.max(range[0], position - most));
			return [name, { rate: Math.abs(rate), until }];
		})
	);
	return { ...head, rings, stopping: { epoch, axes, untilMs: head.lease.nowMs + 1000 * (1.5 * hardestS + 1) } };
}

function advance(
	before: HeadMotion,
	toMs: number,
	held: readonly string[]
): readonly [HeadMotion, readonly HeadEffect[]] {
	let head = before;
	const effects: HeadEffect[] = [];
	// After a long sleep it stands: nothing it was asked is alive.
	let atMs = Math.max(head.steppedAtMs, toMs - 10_000);
	while (atMs < toMs) {
		const nextMs = Math.min(toMs, atMs + stepMs);
		const [leasedHead, more] = leased(head, { kind: 'tick', atMs: nextMs });
		effects.push(...more);
		head = stepped(leasedHead, nextMs, (nextMs - atMs) / 1000, held);
		if (head.stuckAxis !== null && head.lease.phase === 'armed') {
			const [stopped, why] = leased(head, { kind: 'fault', atMs: nextMs });
			effects.push(...why);
			head = stopped;
		}
		if (head.lease.phase === 'stopping' && isStill(head))
			[head] = leased({ ...head, ...rest, axes: stood(head.axes), stopping: null }, { kind: 'rested', atMs: nextMs });
		atMs = nextMs;
	}
	return [head, effects];
}

function stepped(head: HeadMotion, atMs: number, dtS: number, held: readonly string[]): HeadMotion {
	const command = commandAt(head, atMs);
	const bounded = boundedAxes(head);
	const { axes } = stepHead({ head: { axes: bounded }, command, dtS });
	const kept = Object.fromEntries(
		Object.entries(head.axes).map(([name, axis]) => {
			const { position, rate } = axes[name]!;
			return [name, held.includes(name) ? { ...axis, rate: 0 } : { ...axis, position, rate }];
		})
	);
	const behindSinceMs: Record<string, number> = {};
	let stuckAxis = head.stuckAxis;
	if (head.lease.phase === 'armed')
		for (const [name, axis] of Object.entries(kept)) {
			if (isEnded(axis) || Math.abs(wanted(command, name, axis)) < 0.02 * axis.maxRate) continue;
			if (axis.position !== head.axes[name]!.position) continue;
			behindSinceMs[name] = head.behindSinceMs[name] ?? atMs;
			if (atMs - behindSinceMs[name]! > headTimes.stuckMs) stuckAxis = name;
		}
	return homed({ ...head, axes: kept, behindSinceMs, stuckAxis, steppedAtMs: atMs });
}

/** While it stops along its way every axis has ends that the head's own brake gives it, and goes on only the way it went. */
function boundedAxes({ axes, lease, stopping }: HeadMotion): HeadMotion['axes'] {
	if (lease.phase !== 'stopping' || stopping === null) return axes;
	return Object.fromEntries(
		Object.entries(axes).map(([name, axis]) => {
			const { rate, until } = stopping.axes[name]!;
			const range = [Math.min(axis.position, until), Math.max(axis.position, until)] as const;
			// A speed of 0 is no limit of an axis: this is as good as none.
			return [name, { ...axis, range, maxRate: Math.max(rate, 1e-9 * axis.maxRate) }];
		})
	);
}
const isEnded = ({ position, range }: HeadAxis) =>
	position <= range[0] + 1e-3 * (range[1] - range[0]) || position >= range[1] - 1e-3 * (range[1] - range[0]);
const wanted = (command: HeadCommand, name: string, axis: HeadAxis): number =>
	command.kind === 'rates'
		? (command.rates[name] ?? 0)
		: command.kind === 'follow' && command.at[name] !== undefined
			? (command.rates[name] ?? 0) + 8 * (command.at[name] - axis.position)
			: 0;

/** A ring that stands at the end it was turned to has found that end. */
function homed(head: HeadMotion): HeadMotion {
	let { rings } = head;
	for (const [name, ring] of Object.entries(rings)) {
		const axis = head.axes[name];
		if (ring.looking === null || axis === undefined || head.lease.phase !== 'armed') continue;
		const [from, to] = axis.range;
		const end = ring.looking === 'low' ? from : to;
		if (Math.abs(axis.position - end) > 1e-3 * (to - from)) continue;
		rings = {
			...rings,
			[name]: ring.looking === 'low' ? { ends: null, looking: 'high' } : { ends: [from, to], looking: null }
		};
	}
	return rings === head.rings ? head : { ...head, rings };
}

/** What the axes are asked at a moment; nothing of it outlives its hold. */
function commandAt(head: HeadMotion, atMs: number): HeadCommand {
	const asked = askedAt(head, atMs);
	const { phase } = head.lease;
	if (phase !== 'armed')
		return phase === 'stopping' && head.stopping !== null && asked.kind === 'follow'
			? known(head, asked)
			: { kind: 'rest' };
	const looking = Object.entries(head.rings).flatMap(([name, { looking: way }]) =>
		way === null ? [] : [[name, (way === 'low' ? -1 : 1) * homingShare * (head.axes[name]?.maxRate ?? 0)] as const]
	);
	if (looking.length > 0) return { kind: 'rates', rates: Object.fromEntries(looking) };
	return known(head, asked);
}

/** A ring whose ends are not known is not turned. */
function known(head: HeadMotion, command: HeadCommand): HeadCommand {
	const unknown = Object.keys(head.rings).filter((ring) => head.rings[ring]!.ends === null);
	if (unknown.length === 0 || command.kind === 'rest') return command;
	const without = (values: Readonly<Record<string, number>>) =>
		Object.fromEntries(Object.entries(values).filter(([name]) => !unknown.includes(name)));
	return command.kind === 'rates'
		? { kind: 'rates', rates: without(command.rates) }
		: { ...command, at: without(command.at), rates: without(command.rates) };
}

function askedAt({ axes, command, driveRates, driveAtMs, points }: HeadMotion, atMs: number): HeadCommand {
	if (command === 'drive' && atMs <= driveAtMs + headTimes.driveMs) return { kind: 'rates', rates: driveRates };
	if (command !== 'follow') return { kind: 'rest' };
	const here = placeAt(points, atMs);
	if (here === null) return { kind: 'rest' };
	// Its axes take up a speed late: what they are asked now is the speed they are to have then.
	const lateMs = 1000 * Math.max(0, ...Object.values(axes).map(({ lagS = 0 }) => lagS));
	return { kind: 'follow', at: here.at, rates: (placeAt(points, atMs + lateMs) ?? here).rates };
}

/** Where it is to be at a moment by the places it was given; null: nothing of them holds any more. */
function placeAt(points: readonly Point[], atMs: number): Omit<Point, 'dueMs'> | null {
	let k = points.length - 1;
	while (k > 0 && points[k]!.dueMs > atMs) k -= 1;
	const [here, next] = [points[k], points[k + 1]];
	if (here === undefined) return null;
	if (next !== undefined && here.dueMs <= atMs) return between(here, next, atMs);
	const lateMs = atMs - here.dueMs;
	if (lateMs > 0 && Object.values(here.rates).every((rate) => rate === 0)) return here;
	if (lateMs > headTimes.beyondMs) return null;
	const at = Object.fromEntries(
		Object.entries(here.at).map(([name, value]) => [name, value + ((here.rates[name] ?? 0) * lateMs) / 1000])
	);
	return { at, rates: here.rates };
}

/** Between two places given with their speeds: the cubic that has both. */
function between(one: Point, two: Point, atMs: number): Omit<Point, 'dueMs'> {
	const h = (two.dueMs - one.dueMs) / 1000;
	const s = (atMs - one.dueMs) / 1000 / h;
	const [at, rates]: [Record<string, number>, Record<string, number>] = [{}, {}];
	for (const [name, y0] of Object.entries(one.at)) {
		const y1 = two.at[name] ?? y0;
		const [v0, v1] = [(one.rates[name] ?? 0) * h, (two.rates[name] ?? 0) * h];
		const [c2, c3] = [3 * (y1 - y0) - 2 * v0 - v1, v0 + v1 - 2 * (y1 - y0)];
		at[name] = y0 + s * (v0 + s * (c2 + s * c3));
		rates[name] = (v0 + s * (2 * c2 + 3 * s * c3)) / h;
	}
	return { at, rates };
}
