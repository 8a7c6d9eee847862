import { aimAxes, radFromDeg, type Vec3 } from '@poise/core';
import { lookingAt } from './knots';
import type { Knot, Move } from './model';
import { poseOf } from './path';
import { behaves } from './supports';

/** How a phone is turned, as its orientation sensor says: degrees about its z, x and y, in that order. */
export interface PhoneTurn {
	readonly alphaDeg: number;
	readonly betaDeg: number;
	readonly gammaDeg: number;
}
/** Where something points: heading counter-clockwise, elevation up. */
export interface Pointing {
	readonly headingRad: number;
	readonly elevationRad: number;
}

/**
 * Where the back of a phone points, in the sensor's own frame (x east, y north, z up): its axes turned by
 * `Rz(α)·Rx(β)·Ry(γ)`, of which the back is −z.
 */
export function backOf({ alphaDeg, betaDeg, gammaDeg }: PhoneTurn): Pointing {
	const [a, b, c] = [radFromDeg(alphaDeg), radFromDeg(betaDeg), radFromDeg(gammaDeg)];
	const [ca, sa, cb, sb, cg, sg] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b), Math.cos(c), Math.sin(c)];
	const [x, y, z] = [-(ca * sg + sa * sb * cg), -(sa * sg - ca * sb * cg), -(cb * cg)];
	return { headingRad: Math.atan2(y, x), elevationRad: Math.atan2(z, Math.hypot(x, y)) };
}

/** Where a knot's camera looks when it looks at the subject. */
export function towardsSubject(move: Move, knot: Knot): Pointing {
	const { headingRad, elevationRad } = poseOf(move, lookingAt(move, knot.values));
	return { headingRad, elevationRad };
}

/**
 * The move with one knot looking where a phone was pointed. The sensor's north is nobody's plan: a first press, at the subject,
 * tells how far the two are apart, and by how much the phone is held too high.
 */
export function pointedAt(move: Move, knot: Knot, atSubject: Pointing, now: Pointing): Move {
	const subject = towardsSubject(move, knot);
	const heading = subject.headingRad + now.headingRad - atSubject.headingRad;
	const elevation = Math.max(-1.55, Math.min(1.55, subject.elevationRad + now.elevationRad - atSubject.elevationRad));
	const { centreM } = poseOf(move, knot.values);
	const there: Vec3 = [
		centreM[0] + 5 * Math.cos(elevation) * Math.cos(heading),
		centreM[1] + 5 * Math.cos(elevation) * Math.sin(heading),
		centreM[2] + 5 * Math.sin(elevation)
	];
	const mount = behaves(move.support).mount(move.support, knot.values);
	const aim = aimAxes({ mount, axes: knot.values, subjectM: there, near: knot.values });
	const onIt = lookingAt(move, knot.values);
	const next: Knot =
		move.aim === 'subject'
			? { ...knot, off: { ...knot.off, panRad: aim.panRad - onIt.panRad, tiltRad: aim.tiltRad - onIt.tiltRad } }
			: { ...knot, values: { ...knot.values, panRad: aim.panRad, tiltRad: aim.tiltRad } };
	return { ...move, knots: move.knots.map((each) => (each.id === knot.id ? next : each)) };
}
