import { aimAxes, coast, type Leg, PhysicsInputError, transition, type Vec3, wayOfLeg } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import { lensOffset } from '$lib/model/lensAt';
import type { LiveHead, LivePose } from '$lib/model/liveHead';
import { goalOf } from './runs';
import { axisWords, placeWords, poseAt } from './words';
import { axesAt, mountOf, type Seen } from './stand';

type Values = Readonly<Record<string, number>>;

/** How long it takes from where it is, and what makes it so long; null: nothing of it can be asked. */
export function wayTo(head: HeadSeen, at: Values, values: Values, wantedS: number | null) {
	const goal = goalOf(head, values);
	const axes = Object.keys(goal).filter((axis) => at[axis] !== undefined && head.axes[axis] !== undefined);
	if (axes.length === 0) return null;
	const beyond = axes.find((axis) => {
		const [from, to] = head.axes[axis]!.range;
		return goal[axis]! < from - 1e-6 || goal[axis]! > to + 1e-6;
	});
	const pick = (of: Values) => Object.fromEntries(axes.map((axis) => [axis, of[axis]!]));
	const limits = Object.fromEntries(axes.map((axis) => [axis, head.axes[axis]!]));
	const found = transition({
		...{ from: pick(at), to: pick(goal), limits },
		...(wantedS === null ? {} : { wantedS })
	});
	return { ...found, beyond: beyond ?? null };
}

/** How long a chain of ways takes once through from where the head stands, with its rests; null: a part of it is no way of this head. */
export function timeOf(head: Pick<HeadSeen, 'axes'>, at: Values, legs: readonly Leg[]): number | null {
	let now = at;
	let sumS = 0;
	try {
		for (const [k, leg] of legs.entries()) {
			const way = wayOfLeg({ from: now, leg, axes: head.axes });
			// The desk leads it nowhere: to a pose of which it has no axis.
			if (way === 'offPath' && leg.kind === 'pose') continue;
			if (typeof way === 'string') return null;
			sumS += way.durationS + (k + 1 < legs.length ? leg.restS : 0);
			now = { ...now, ...(leg.kind === 'pose' ? leg.to : leg.keys[leg.keys.length - 1]!.values) };
		}
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return null;
		throw thrown;
	}
	return sumS;
}

/** How far each axis goes on when the link is gone at its fastest: what a hand has to leave free. */
export const coastOf = (head: HeadSeen) =>
	coast({
		rates: Object.fromEntries(Object.entries(head.axes).map(([axis, { maxRate }]) => [axis, maxRate])),
		limits: head.axes,
		delayS: 0.2
	});

/** Where its axes stand to look at a point; null: it cannot. */
export function lookAt({ place, camera }: Seen, head: HeadSeen, at: Values, pointM: Vec3): Values | null {
	const base = Object.fromEntries(
		Object.entries(at).filter(([axis]) => ['trackM', 'swingRad', 'boomRad'].includes(axis))
	);
	const { panRad, tiltRad, feasible } = aimAxes({
		mount: mountOf(place),
		axes: axesAt(base),
		subjectM: pointM,
		lensM: lensOffset(camera.lens),
		near: { panRad: at.panRad ?? 0, tiltRad: at.tiltRad ?? 0 }
	});
	if (!feasible) return null;
	const within = (axis: string, value: number) => {
		const range = head.axes[axis]?.range;
		return range !== undefined && value >= range[0] && value <= range[1];
	};
	// Half a turn further round may be within its ends where this one is not.
	const pan = [panRad, panRad - 2 * Math.PI, panRad + 2 * Math.PI].find((value) => within('panRad', value));
	return pan === undefined || !within('tiltRad', tiltRad) ? null : { panRad: pan, tiltRad };
}

/** How far past which soft end, to the degree. */
function beyondWords(axis: string, value: number, { axes }: HeadSeen): string {
	const [from, to] = axes[axis]!.range;
	const far = placeWords(axis, value < from ? from - value : value - to, 'metric');
	return `it lies ${far} beyond the soft end of ${axisWords(axis)}, at ${placeWords(axis, value < from ? from : to, 'metric')}`;
}

export interface Offered {
	readonly pose: LivePose;
	readonly durationS: number | null;
	/** Why it is not to be had from here. */
	readonly why: string | null;
	readonly here: boolean;
}

/** The poses a head can go to from where it is, with their times; those it cannot reach say why. */
export function offered(head: HeadSeen, kept: LiveHead, at: Values, poses: readonly LivePose[]): Offered[] {
	const stands = poseAt(head, { heads: [kept], poses })?.id ?? null;
	return poses
		.filter(({ headId }) => headId === kept.id)
		.map((pose) => {
			const way = wayTo(head, at, pose.values, null);
			const why =
				way === null
					? 'none of its axes can be asked yet'
					: way.beyond !== null
						? beyondWords(way.beyond, pose.values[way.beyond]!, head)
						: null;
			return { pose, durationS: way?.durationS ?? null, why, here: stands === pose.id };
		});
}
