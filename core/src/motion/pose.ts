import { checksFor } from '../input';
import { add, length, scale, subtract, type Vec3 } from '../mass/body';
import type { CameraPose } from '../optics/frameOf';
import { type Axes3, checkAttitude, into, outOf, turnedBy, turnOfBase, wrapped } from './attitude';
import { alongRail, headOf, type Mount, type MountAxes, readCrane } from './mount';

/** Straighter up or down than this a lens has no heading of its own. */
const straightUp = 1e-9;
/** Nearer than this a subject has no direction. */
const nearest = 1e-9;

/**
 * Where the camera of a head is and looks, in the room.
 *
 * Its orientation is `R(base)·Rz(pan)·Ry(−tilt)·Rx(roll)`; the lens lies `lensM` from where pan and tilt cross, in the camera's
 * own frame. Angles in (−π, π]; roll is against the horizon, and a lens that looks straight up or down has the heading of its
 * left side's normal and no roll. Throws `PhysicsInputError` for figures that are not finite, an arm not above 0, or an unknown mount.
 *
 * @example
 * cameraPose({ mount: { kind: 'track', startM: [0, 0, 1], headingRad: 0, inclineRad: 0, base: { headingRad: 0, tiltRad: 0, rollRad: 0 } }, axes: { trackM: 0.5, panRad: 0.2, tiltRad: 0.1 } }).positionM[0]; // 0.5
 */
export function cameraPose(input: {
	readonly mount: Mount;
	readonly axes: MountAxes;
	readonly lensM?: Vec3;
}): CameraPose & {
	readonly centreM: Vec3;
} {
	const check = checksFor('cameraPose');
	const { centreM, base } = headOf(check, input.mount, input.axes);
	const { panRad, tiltRad, rollRad = 0 } = input.axes;
	const turned = turnedBy(
		base,
		turnOfBase({
			headingRad: check.number('axes.panRad', panRad),
			tiltRad: check.number('axes.tiltRad', tiltRad),
			rollRad: check.number('axes.rollRad', rollRad)
		})
	);
	const lensM = input.lensM === undefined ? ([0, 0, 0] as const) : check.vector('lensM', input.lensM);
	return { centreM, positionM: add(centreM, outOf(turned, lensM)), ...anglesOf(turned) };
}

/** Heading, elevation and roll of a camera's axes in the room. */
function anglesOf([forward, left]: Axes3): Pick<CameraPose, 'headingRad' | 'elevationRad' | 'rollRad'> {
	const level = Math.hypot(forward[0], forward[1]);
	const elevationRad = Math.atan2(forward[2], level);
	if (level < straightUp) return { headingRad: wrapped(Math.atan2(-left[0], left[1])), elevationRad, rollRad: 0 };
	const headingRad = wrapped(Math.atan2(forward[1], forward[0]));
	const [ch, sh] = [forward[0] / level, forward[1] / level];
	const [ce, se] = [level, forward[2]];
	const alongLevel = -sh * left[0] + ch * left[1];
	const alongUp = -ch * se * left[0] - sh * se * left[1] + ce * left[2];
	return { headingRad, elevationRad, rollRad: wrapped(Math.atan2(alongUp, alongLevel)) };
}

/**
 * Pan, tilt and focus that point a head at a subject, whichever way its base stands, hangs or leans.
 *
 * Tilt in ±π/2; pan within half a turn of `near.panRad`. `axes` say where the carriage or the arm stands. With `lensM` (where the lens lies from
 * where pan and tilt cross: ahead, left, up in the camera's own frame, turned by `axes.rollRad` as in {@link cameraPose}) the subject comes
 * into the middle of that lens, and `focusM` counts from it; without, roll plays no part. `feasible` is false where the subject is no farther
 * than that offset across, lies behind the lens however it is turned, or asks for a tilt beyond ±π/2; without an offset only where the axes cross:
 * then pan and tilt are those of `near` and focus is 0. On the pan axis pan is that of `near`.
 *
 * With d the subject from the crossing in the base's frame and (a, b) what the offset is across after roll, the ray is `(u, a, b)` with
 * `u = √(d² − a² − b²)`, focus `u − ahead`; tilt from `d_z = u sin t + b cos t`, pan from what is left in plan. Throws as {@link cameraPose} does.
 *
 * @example
 * aimAxes({ mount: { kind: 'fixed', centreM: [0, 0, 0], base: { headingRad: 0, tiltRad: 0, rollRad: 0 } }, axes: {}, subjectM: [3, 0, 4] }).focusM; // 5
 */
export function aimAxes(input: {
	readonly mount: Mount;
	readonly axes: Partial<MountAxes>;
	readonly subjectM: Vec3;
	readonly near?: { readonly panRad?: number; readonly tiltRad?: number };
	readonly lensM?: Vec3;
}): { readonly panRad: number; readonly tiltRad: number; readonly focusM: number; readonly feasible: boolean } {
	const check = checksFor('aimAxes');
	const { centreM, base } = headOf(check, input.mount, input.axes);
	const near = {
		panRad: check.number('near.panRad', input.near?.panRad ?? 0),
		tiltRad: check.number('near.tiltRad', input.near?.tiltRad ?? 0)
	};
	const to = into(base, subtract(check.vector('subjectM', input.subjectM), centreM));
	const none = { ...near, focusM: 0, feasible: false };
	const far = length(to);
	if (!(far > nearest)) return none;
	const [ahead, left, up] = input.lensM === undefined ? ([0, 0, 0] as const) : check.vector('lensM', input.lensM);
	const roll = input.axes.rollRad ?? 0;
	const [cr, sr] = [Math.cos(roll), Math.sin(roll)];
	/** How far the ray runs beside the crossing: to the left, and up. */
	const [a, b] = [left * cr - up * sr, left * sr + up * cr];
	const u = Math.sqrt(far * far - a * a - b * b);
	const focusM = u - ahead;
	const level = Math.hypot(to[0], to[1]);
	const reach = Math.hypot(u, b);
	// No ray past the crossing at such an offset comes there; NaN, too, where there is no such u.
	if (!(focusM > nearest) || level < Math.abs(a)) return none;
	const steep = a === 0 && b === 0 ? Math.atan2(to[2], level) : Math.asin(Math.min(1, Math.max(-1, to[2] / reach)));
	const tiltRad = steep - Math.atan2(b, u);
	if (Math.abs(tiltRad) > Math.PI / 2 + straightUp) return none;
	const onAxis = level <= straightUp * far;
	const outM = u * Math.cos(tiltRad) - b * Math.sin(tiltRad);
	const panRad = onAxis
		? near.panRad
		: near.panRad + wrapped(Math.atan2(to[1], to[0]) - Math.atan2(a, outM) - near.panRad);
	return { panRad, tiltRad, focusM, feasible: true };
}

/**
 * Where a crane's arm or a carriage stands so that the head's centre comes to a point. Ranges are the caller's to check.
 *
 * A crane: swing, boom and extension; `feasible` false where the nose cannot reach in at all. A rail: the nearest point of its unbounded
 * line, and how far off that is. Throws `PhysicsInputError` for figures that are not finite or another mount.
 *
 * @example
 * reachAxes({ mount: { kind: 'track', startM: [0, 0, 1], headingRad: 0, inclineRad: 0, base: { headingRad: 0, tiltRad: 0, rollRad: 0 } }, centreM: [0.4, 0.3, 1] }).missM; // 0.3
 */
export function reachAxes(input: { readonly mount: Exclude<Mount, { kind: 'fixed' }>; readonly centreM: Vec3 }): {
	readonly feasible: boolean;
	readonly swingRad?: number;
	readonly boomRad?: number;
	readonly extensionM?: number;
	readonly trackM?: number;
	readonly missM?: number;
} {
	const check = checksFor('reachAxes');
	const centreM = check.vector('centreM', input.centreM);
	const { mount } = input;
	if (mount?.kind === 'track') {
		checkAttitude(check, 'mount.base', mount.base);
		const along = alongRail(check, mount);
		const to = subtract(centreM, check.vector('mount.startM', mount.startM));
		const trackM = to[0] * along[0] + to[1] * along[1] + to[2] * along[2];
		return { trackM, missM: length(subtract(to, scale(along, trackM))), feasible: true };
	}
	if (mount?.kind !== 'crane') return check.fail('mount.kind', 'must be track or crane', mount);
	const { pivotM, headingRad, armM, forward, up, keptLevel } = readCrane(check, mount);
	const [dx, dy, dz] = subtract(centreM, pivotM);
	const out = Math.hypot(dx, dy);
	const swingRad = out === 0 ? 0 : wrapped(Math.atan2(dy, dx) - headingRad);
	if (keptLevel) {
		const [reach, rise] = [out - forward, dz - up];
		return { swingRad, boomRad: Math.atan2(rise, reach), extensionM: Math.hypot(reach, rise) - armM, feasible: true };
	}
	const square = out * out + dz * dz - up * up;
	if (square < 0) return { feasible: false };
	const reach = Math.sqrt(square);
	return {
		swingRad,
		boomRad: Math.atan2(dz, out) - Math.atan2(up, reach),
		extensionM: reach - forward - armM,
		feasible: true
	};
}
