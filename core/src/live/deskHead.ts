/* eslint-disable max-lines -- one machine: what a word does to it is read beside what the clock does. */
/*
 * What the desk does with one head: pure. It forwards holds, it never makes one up; here it turns what a driver wants into speeds or
 * into places due at times of the head's own clock, and leads it along its way only while the head itself says that it is held.
 */
import { PhysicsInputError } from '../errors';
import type { AxisValues } from './transition';
import { type Going, goOn, type Leg, offShare, throughKeys, type Way, wayAt, type WayAxis, wayOfLeg } from './way';

export const deskTimes = {
	tickMs: 20,
	/** A place is due so long after it is sent: later than a poor link is late. */
	aheadMs: 80,
	/** A head not heard for so long is away. */
	awayMs: 400,
	/** A stick not heard for so long is let go. */
	stickMs: 150
} as const;
const mostLegs = 200;

/** An axis as kept at the desk. */
export type DeskAxis = WayAxis;

export interface Task {
	/** What it was chosen by. */
	readonly id: string;
	readonly name: string;
	readonly legs: readonly Leg[];
	/** How often all of them; null: until it is stopped. */
	readonly laps: number | null;
	readonly leg: number;
	readonly lap: number;
	readonly way: Way | null;
	readonly going: Going;
	readonly wantedPace: number;
	readonly wantedDirection: 1 | -1;
	/** Path time to stop at; null: its end. */
	readonly untilS: number | null;
	readonly restsUntilMs: number | null;
	/** What the stick has added, and whether it stays when the stick is let go. */
	readonly added: AxisValues;
	readonly keepsAdded: boolean;
	readonly phase: 'waits' | 'runs' | 'stops' | 'stopped' | 'done';
	/** It stops, and the places sent ahead have been taken back. */
	readonly takenBack: boolean;
	/** It ends as soon as it has slowed: nobody goes on with it. */
	readonly dropped: boolean;
}

/** What a head has said last. */
export interface Seen {
	readonly atMs: number;
	readonly headMs: number;
	/** What to add to the desk's time to have the head's. */
	readonly toHeadMs: number;
	readonly values: AxisValues;
	readonly rates: AxisValues;
	readonly phase: 'rest' | 'offered' | 'armed' | 'stopping';
	readonly holder: string | null;
	readonly epoch: number | null;
	readonly stoppedBy: string | null;
	/** Axes that it can be asked to move: rings without known ends are none. */
	readonly ready: readonly string[];
}

export interface DeskHead {
	readonly axes: Readonly<Record<string, DeskAxis>>;
	readonly seen: Seen | null;
	/** The hold that was let go: what comes of it still is the end of a way. */
	readonly releasedEpoch: number | null;
	readonly stick: AxisValues;
	readonly stickAtMs: number;
	/** How fast the stick is taken up, s from rest to full; and how much of it. */
	readonly rampS: number;
	readonly trim: number;
	/** The stick's speeds as ramped. */
	readonly driven: AxisValues;
	readonly task: Task | null;
	readonly sequence: number;
	readonly sentEpoch: number | null;
	/** Up to when, of the head's time, it has been told where to be. */
	readonly dueMs: number;
	/** Why the task ended otherwise than at its end. */
	readonly trouble: string | null;
	readonly tickedAtMs: number;
}

export type DeskEvent =
	| { readonly kind: 'seen'; readonly seen: Seen }
	| { readonly kind: 'stick'; readonly atMs: number; readonly rates: AxisValues }
	| { readonly kind: 'shape'; readonly rampS: number; readonly trim: number }
	| { readonly kind: 'axes'; readonly axes: Readonly<Record<string, DeskAxis>> }
	/** A new hold begins with a way, or with nothing but the stick. */
	| {
			readonly kind: 'task';
			readonly id: string;
			readonly name: string;
			readonly legs: readonly Leg[];
			readonly laps: number | null;
	  }
	| { readonly kind: 'steer' }
	/** Its way is nobody's any more: slowed where it runs, then forgotten. */
	| { readonly kind: 'drop' }
	| { readonly kind: 'pace'; readonly pace: number; readonly direction: 1 | -1; readonly untilS: number | null }
	| { readonly kind: 'keepAdded'; readonly keeps: boolean }
	| { readonly kind: 'released'; readonly epoch: number }
	| { readonly kind: 'tick'; readonly atMs: number };

export type DeskEffect =
	| { readonly kind: 'drive'; readonly epoch: number; readonly sequence: number; readonly rates: AxisValues }
	| {
			readonly kind: 'follow';
			readonly epoch: number;
			readonly sequence: number;
			readonly dueMs: number;
			readonly at: AxisValues;
			readonly rates: AxisValues;
			readonly pace: number;
	  }
	| { readonly kind: 'done'; readonly name: string };

export const deskHead = (axes: Readonly<Record<string, DeskAxis>>): DeskHead => ({
	axes,
	seen: null,
	releasedEpoch: null,
	stick: {},
	stickAtMs: -Infinity,
	rampS: 0.3,
	trim: 1,
	driven: {},
	task: null,
	sequence: 0,
	sentEpoch: null,
	dueMs: -Infinity,
	trouble: null,
	tickedAtMs: -Infinity
});

const begun = { s: 0, pace: 0, direction: 1 } as const;
const finite = (values: AxisValues) => Object.values(values).every(Number.isFinite);

export function deskHeadStep(head: DeskHead, event: DeskEvent): readonly [DeskHead, readonly DeskEffect[]] {
	switch (event.kind) {
		case 'seen':
			return [{ ...head, seen: event.seen }, []];
		case 'stick':
			return finite(event.rates) ? [{ ...head, stick: event.rates, stickAtMs: event.atMs }, []] : [head, []];
		case 'shape':
			if (!Number.isFinite(event.rampS) || !Number.isFinite(event.trim)) return [head, []];
			return [{ ...head, rampS: Math.max(0, event.rampS), trim: Math.min(1, Math.max(0.05, event.trim)) }, []];
		case 'axes':
			return [{ ...head, axes: event.axes }, []];
		case 'task': {
			if (event.legs.length === 0 || event.legs.length > mostLegs || !event.legs.every(isWay)) return [head, []];
			// While a hold runs one, no other takes its place: nothing jumps from way to way.
			if (head.task?.phase === 'runs' && isHeld(head) && head.sentEpoch === head.seen?.epoch) return [head, []];
			const task: Task = {
				id: event.id,
				name: event.name,
				legs: event.legs,
				laps: event.laps,
				leg: 0,
				lap: 1,
				way: null,
				going: begun,
				wantedPace: 1,
				wantedDirection: 1,
				untilS: null,
				restsUntilMs: null,
				added: {},
				keepsAdded: head.task?.keepsAdded ?? false,
				phase: 'waits',
				takenBack: false,
				dropped: false
			};
			return [{ ...head, task, trouble: null }, []];
		}
		case 'steer':
			return [{ ...head, task: null, trouble: null }, []];
		case 'drop':
			return head.task !== null &&
				(head.task.phase === 'runs' || head.task.phase === 'stops') &&
				head.task.going.pace > 0
				? [{ ...head, task: { ...head.task, wantedPace: 0, dropped: true } }, []]
				: [{ ...head, task: null }, []];
		case 'pace':
			if (head.task === null || head.task.dropped || !Number.isFinite(event.pace)) return [head, []];
			return [
				{
					...head,
					task: {
						...head.task,
						wantedPace: Math.min(1, Math.max(0, event.pace)),
						wantedDirection: event.direction,
						untilS: event.untilS
					}
				},
				[]
			];
		case 'keepAdded':
			return [head.task === null ? head : { ...head, task: { ...head.task, keepsAdded: event.keeps } }, []];
		case 'released':
			return [stopping(released(head, event.epoch)), []];
		case 'tick':
			try {
				return tick(head, event.atMs);
			} catch (thrown) {
				// A way that cannot be reckoned, such as through an axis the head has no more: it is led nowhere, and rests.
				if (!(thrown instanceof PhysicsInputError)) throw thrown;
				return [{ ...head, task: null, driven: {}, tickedAtMs: event.atMs, trouble: 'noWay' }, []];
			}
	}
}

/** Figures that are figures, and keys that a path goes through. */
function isWay(leg: Leg): boolean {
	if (leg.kind === 'pose') return finite(leg.to);
	try {
		throughKeys(leg.keys, leg.ends);
		return true;
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return false;
		throw thrown;
	}
}

const isHeld = ({ seen, releasedEpoch }: DeskHead): boolean =>
	seen !== null && seen.phase === 'armed' && seen.epoch !== null && seen.epoch !== releasedEpoch;

/** Let go by whoever held it: what the head says of its braking may come before that word, and is no fault of its own. */
const released = (head: DeskHead, epoch: number): DeskHead => ({
	...head,
	releasedEpoch: epoch,
	trouble: head.trouble === 'braked' && epoch === head.sentEpoch ? null : head.trouble
});

/** From now on the way's own time slows; what was sent ahead of it is taken back. */
function stopping(head: DeskHead): DeskHead {
	const { task } = head;
	return task === null || task.phase !== 'runs'
		? head
		: { ...head, task: { ...task, phase: 'stops', takenBack: false } };
}

function tick(before: DeskHead, atMs: number): readonly [DeskHead, readonly DeskEffect[]] {
	const dtS = Math.min(0.1, Math.max(0, (atMs - before.tickedAtMs) / 1000));
	let head: DeskHead = { ...before, tickedAtMs: atMs };
	const { seen } = head;
	if (seen === null || atMs - seen.atMs > deskTimes.awayMs) return [lost(head, 'away'), []];
	head = ramped(head, atMs, dtS);
	if (!isHeld(head)) {
		if (head.task?.phase === 'stops' && head.sentEpoch !== null && head.sentEpoch === head.releasedEpoch)
			return along(head, seen, atMs, dtS);
		return [lost(head, 'braked'), []];
	}
	// A new hold: its words count from one.
	if (head.sentEpoch !== seen.epoch)
		head = { ...resumed(stilled(head), seen), sentEpoch: seen.epoch, sequence: 0, dueMs: -Infinity };
	if (head.task !== null && head.task.phase !== 'done') {
		const [after, effects] = along(head, seen, atMs, dtS);
		if (effects.length > 0 || after.task?.phase === 'runs') return [after, effects];
		head = after;
	}
	const sequence = head.sequence + 1;
	return [{ ...head, sequence }, [{ kind: 'drive', epoch: seen.epoch!, sequence, rates: head.driven }]];
}

/** The stick taken up as smoothly as was chosen, within the axes' speeds. */
function ramped(head: DeskHead, atMs: number, dtS: number): DeskHead {
	const fresh = atMs - head.stickAtMs <= deskTimes.stickMs;
	const driven: Record<string, number> = {};
	for (const [name, { maxRate, maxAccel }] of Object.entries(head.axes)) {
		const most = maxRate * head.trim;
		const asked = fresh ? Math.max(-most, Math.min(most, (head.stick[name] ?? 0) * head.trim)) : 0;
		const now = head.driven[name] ?? 0;
		const step = (head.rampS === 0 ? maxAccel : Math.min(maxAccel, maxRate / head.rampS)) * dtS;
		const next = Math.max(now - step, Math.min(now + step, asked));
		if (next !== 0) driven[name] = next;
	}
	return { ...head, driven };
}

/** Pressed again while it was still slowing on its way: it stopped there. */
const stilled = (head: DeskHead): DeskHead =>
	head.task === null || head.task.phase === 'waits' || head.task.phase === 'done'
		? head
		: { ...head, task: { ...head.task, phase: 'stopped', going: { ...head.task.going, pace: 0 } } };

/** A head that braked by itself has left its way: it is not led on as if nothing had been. One that is not heard has none any more. */
function lost(head: DeskHead, why: 'away' | 'braked'): DeskHead {
	const { task } = head;
	if (task === null) return head;
	if (why === 'away') return { ...head, task: null, trouble: task.phase === 'done' ? head.trouble : why };
	if (task.phase === 'waits' || task.phase === 'done' || task.phase === 'stopped') return head;
	if (task.dropped) return { ...head, task: null };
	return { ...head, task: { ...task, phase: 'stopped', going: { ...task.going, pace: 0 } }, trouble: why };
}

/** Held anew: on its way still, it goes on; beside it, to its pose from where it is, and through no keys. */
function resumed(head: DeskHead, seen: Seen): DeskHead {
	const { task } = head;
	if (task === null || task.phase !== 'stopped' || task.way === null) return head;
	const { values } = wayAt(task.way, task.going.s);
	const off = Object.entries(values).some(([axis, value]) => {
		const [from, to] = head.axes[axis]?.range ?? [0, 0];
		return Math.abs((seen.values[axis] ?? Infinity) - value - (task.added[axis] ?? 0)) > offShare * (to - from);
	});
	if (!off) return { ...head, task: { ...task, phase: 'waits' }, trouble: null };
	if (task.legs[task.leg]?.kind === 'keyed') return { ...head, task: { ...task, phase: 'done' }, trouble: 'offPath' };
	return { ...head, task: { ...task, way: null, going: begun, added: {}, phase: 'waits' }, trouble: null };
}

/** One more place of the way, due a little ahead. */
function along(head: DeskHead, seen: Seen, atMs: number, dtS: number): readonly [DeskHead, readonly DeskEffect[]] {
	let task = head.task!;
	const leg = task.legs[task.leg];
	if (leg === undefined) return [{ ...head, task: { ...task, phase: 'done' } }, []];
	const stops = task.phase === 'stops';
	if (task.restsUntilMs !== null) {
		if (stops) return [{ ...head, task: stoppedAt(task) }, []];
		if (atMs < task.restsUntilMs) return [{ ...head, task }, []];
		task = { ...task, restsUntilMs: null, ...nextLeg(task) };
		return [{ ...head, task }, task.phase === 'done' ? [{ kind: 'done', name: task.name }] : []];
	}
	if (task.way === null) {
		if (stops) return [{ ...head, task: stoppedAt(task) }, []];
		const way = wayOf(head, leg, seen);
		// It stands first; until then nothing new is begun.
		if (way === 'wait') return [{ ...head, task: { ...task, phase: 'waits' } }, []];
		if (typeof way === 'string') return [{ ...head, task: { ...task, phase: 'done' }, trouble: way }, []];
		task = { ...task, way, going: { ...begun, direction: task.wantedDirection } };
	}
	const way = task.way!;
	const headNowMs = atMs + seen.toHeadMs;
	const dueMs = headNowMs + (stops && !task.takenBack ? 0 : deskTimes.aheadMs);
	return lead(head, { ...task, phase: stops ? 'stops' : 'runs', takenBack: stops }, way, dueMs, dtS, seen);
}

function lead(
	head: DeskHead,
	task: Task,
	way: Way,
	dueMs: number,
	dtS: number,
	seen: Seen
): readonly [DeskHead, readonly DeskEffect[]] {
	const stops = task.phase === 'stops';
	const limits = head.axes;
	let going = task.going;
	let sinceS = head.dueMs === -Infinity ? 0.02 : (dueMs - head.dueMs) / 1000;
	if (sinceS < 0) {
		// The places sent ahead are taken back: as far as it had come by then.
		going = { ...going, s: Math.min(way.durationS, Math.max(0, going.s + going.direction * going.pace * sinceS)) };
		sinceS = 0.02;
		dueMs += 20;
	}
	const wanted = stops
		? { pace: 0, direction: going.direction }
		: { pace: task.wantedPace, direction: task.wantedDirection };
	const target =
		task.untilS === null || stops ? wanted : { ...wanted, pace: short(way, going, task.untilS, wanted.pace) };
	const next = goOn(way, going, target, Math.min(0.2, sinceS), limits);
	const added = addedTo(head, task, dtS, stops);
	const { values, rates } = wayAt(way, next.s);
	const [at, speeds]: [Record<string, number>, Record<string, number>] = [{}, {}];
	for (const [axis, value] of Object.entries(values)) {
		const ends = head.axes[axis]?.range;
		if (ends === undefined || !seen.ready.includes(axis)) continue;
		at[axis] = Math.min(ends[1], Math.max(ends[0], value + (added[axis] ?? 0)));
		speeds[axis] = rates[axis]! * next.pace * next.direction + (stops ? 0 : (head.driven[axis] ?? 0));
	}
	const sequence = head.sequence + 1;
	const follow: DeskEffect = {
		kind: 'follow',
		epoch: head.sentEpoch!,
		sequence,
		dueMs: Math.round(dueMs),
		at,
		rates: speeds,
		pace: next.pace
	};
	const ended = next.direction === 1 ? next.s >= way.durationS : false;
	let after: Task = { ...task, going: next, added };
	const effects: DeskEffect[] = [follow];
	if (next.pace === 0 && (stops || task.dropped))
		return [{ ...head, task: stoppedAt(after), sequence, dueMs }, effects];
	if (ended)
		after = {
			...after,
			going: { ...next, pace: 0 },
			restsUntilMs: head.tickedAtMs + deskTimes.aheadMs + 1000 * restOf(task)
		};
	return [{ ...head, task: after, sequence, dueMs }, effects];
}

/** Let go on its way, it goes on from there; in the last moment of all, nothing is left of it. One that was dropped is gone. */
function stoppedAt(task: Task): Task | null {
	const { going, way, legs, leg, lap, laps } = task;
	const last = leg + 1 >= legs.length && laps !== null && lap >= laps;
	const ended = last && way !== null && going.direction === 1 && going.s >= way.durationS * (1 - 1e-6);
	// Back at its beginning there is only on.
	const wantedDirection = going.s <= 0 ? 1 : task.wantedDirection;
	const rests = { ...task, wantedDirection, going: { ...going, pace: 0 } } as const;
	return task.dropped ? null : { ...rests, phase: ended ? 'done' : 'stopped' };
}
const restOf = ({ legs, leg }: Task) => legs[leg]?.restS ?? 0;

/** Slow in time for a place on the way: its pace there is 0. */
function short(way: Way, { s, direction }: Going, untilS: number, pace: number): number {
	const left = (untilS - s) * direction;
	return left <= 0 ? 0 : Math.min(pace, Math.sqrt(left / Math.max(0.5, way.durationS / 8)));
}

function nextLeg(task: Task): Partial<Task> {
	const fresh = { way: null, going: begun, untilS: null } as const;
	if (task.leg + 1 < task.legs.length) return { ...fresh, leg: task.leg + 1 };
	if (task.laps !== null && task.lap >= task.laps) return { phase: 'done' };
	return { ...fresh, leg: 0, lap: task.lap + 1 };
}

function wayOf(head: DeskHead, leg: Leg, seen: Seen): Way | 'wait' | 'offPath' | 'beyondEnds' {
	const moving = Object.entries(seen.rates).some(
		([axis, rate]) => Math.abs(rate) > 2e-3 * (head.axes[axis]?.maxRate ?? 1)
	);
	return moving ? 'wait' : wayOfLeg({ from: seen.values, leg, axes: head.axes });
}

/** What the stick adds to a running way: it stays, or eases back when the stick is let go. */
function addedTo(head: DeskHead, task: Task, dtS: number, stops: boolean): AxisValues {
	const added: Record<string, number> = { ...task.added };
	if (stops) return added;
	for (const [axis, { range, maxRate }] of Object.entries(head.axes)) {
		const rate = head.driven[axis] ?? 0;
		const now = added[axis] ?? 0;
		if (rate !== 0) added[axis] = Math.max(range[0] - range[1], Math.min(range[1] - range[0], now + rate * dtS));
		else if (!task.keepsAdded && now !== 0) {
			const back = Math.min(Math.abs(now), 0.25 * maxRate * dtS, Math.abs(now) * 2 * dtS + 1e-4);
			added[axis] = now - Math.sign(now) * back;
			if (Math.abs(added[axis]!) < 1e-5) delete added[axis];
		}
	}
	return added;
}
