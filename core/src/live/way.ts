import { accelAlong, along, type MoveKey, type PathPieces, readMove } from '../motion/keyframePath';
import { paceBrake } from './stopOnPath';
import { type AxisValues, type MotionLimit, share, shareAccel, shareRate, transition } from './transition';

/** What a head is led along: from a pose to another, or through the keys of a move. Time on it runs from 0. */
export type Way =
	| { readonly kind: 'pose'; readonly from: AxisValues; readonly to: AxisValues; readonly durationS: number }
	| { readonly kind: 'keyed'; readonly path: PathPieces; readonly durationS: number };

export const toPose = (
	from: AxisValues,
	to: AxisValues,
	limits: Readonly<Record<string, MotionLimit>>,
	wantedS?: number
): Way => ({
	kind: 'pose',
	from,
	to,
	durationS: transition({ from, to, limits, ...(wantedS === undefined ? {} : { wantedS }) }).durationS
});

export function throughKeys(keys: readonly MoveKey[], ends: 'natural' | 'still'): Way {
	const path = readMove('throughKeys', { keys, ends, angles: 'asGiven' });
	return { kind: 'keyed', path, durationS: path.durationS };
}

/** Where every axis is on it, how fast its path goes there, and how hard it turns; of path time. */
export function wayAt(
	way: Way,
	s: number
): { readonly values: AxisValues; readonly rates: AxisValues; readonly accels: AxisValues } {
	const [values, rates, accels]: Record<string, number>[] = [{}, {}, {}];
	if (way.kind === 'pose') {
		const part = way.durationS === 0 ? 1 : Math.min(1, Math.max(0, s / way.durationS));
		const [v, a] =
			way.durationS === 0 ? [0, 0] : [shareRate(part) / way.durationS, shareAccel(part) / way.durationS ** 2];
		for (const [axis, from] of Object.entries(way.from)) {
			const d = way.to[axis]! - from;
			values![axis] = from + d * share(part);
			rates![axis] = d * v;
			accels![axis] = d * a;
		}
	} else {
		const t = Math.min(way.durationS, Math.max(0, s)) + way.path.startsS;
		for (const axis of way.path.axes) {
			const [value, rate] = along(way.path, axis, t);
			values![axis] = value;
			rates![axis] = rate;
			accels![axis] = accelAlong(way.path, axis, t);
		}
	}
	return { values: values!, rates: rates!, accels: accels! };
}

/** How a way is run: where on it, at what pace of its own speed, and which way. */
export interface Going {
	readonly s: number;
	readonly pace: number;
	readonly direction: 1 | -1;
}
/** The pace is stepped no coarser, s. */
const stepS = 0.004;

/**
 * So much later on the way: its pace goes towards the wanted one as fast as every axis's acceleration allows, so that it slows and
 * turns back on the way itself. It stops at either end.
 */
export function goOn(
	way: Way,
	going: Going,
	wanted: { readonly pace: number; readonly direction: 1 | -1 },
	dtS: number,
	limits: Readonly<Record<string, { readonly maxAccel: number }>>
): Going {
	let { s, pace, direction } = going;
	for (let goneS = 0; goneS < dtS - 1e-9; goneS += stepS) {
		const h = Math.min(stepS, dtS - goneS);
		// To turn back it comes to rest first.
		if (pace === 0) direction = wanted.direction;
		const target = direction === wanted.direction ? wanted.pace : 0;
		const { rates, accels } = wayAt(way, s);
		const toward = Object.fromEntries(Object.entries(rates).map(([axis, rate]) => [axis, rate * direction]));
		const { brake, rise } = paceBrake({ rates: toward, accels, pace, limits });
		const next = Math.min(1, Math.max(0, Math.max(pace + brake * h, Math.min(pace + rise * h, target))));
		const at = s + (direction * h * (pace + next)) / 2;
		pace = next;
		s = Math.min(way.durationS, Math.max(0, at));
		if (at <= 0 && direction === -1) pace = 0;
		if (at >= way.durationS && direction === 1) pace = 0;
	}
	return { s, pace, direction };
}
