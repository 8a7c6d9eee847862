import { aimAxes, cameraPose, reachAxes, type Vec3 } from '@poise/core';
import { lensOffset } from '$lib/model/lensAt';
import { axesAt, livePose, mountOf, type Seen } from './stand';

type Values = Readonly<Record<string, number>>;
/** What a hand asks of the camera: metres a second to its right, up and forward; or round what it looks at, to the right. */
export interface Jog {
	readonly right: number;
	readonly up: number;
	readonly forward: number;
	readonly orbit: number;
}
export const noJog: Jog = { right: 0, up: 0, forward: 0, orbit: 0 };
/** The difference is taken over so short a time. */
const dtS = 0.02;
/** What a camera looks at where nothing says it: so far out. */
const lookM = 4;

export function lookPoint(seen: Seen, at: Values): Vec3 {
	const { positionM, headingRad, elevationRad } = livePose(seen, at);
	const [x, y, z] = positionM;
	const flat = Math.cos(elevationRad) * lookM;
	return [x + flat * Math.cos(headingRad), y + flat * Math.sin(headingRad), z + lookM * Math.sin(elevationRad)];
}

/**
 * How fast what carries a head has to go so that its camera goes as the hand asks, and how fast pan and tilt to keep looking at the
 * same point; of a stand, nothing. By the difference of two places a fiftieth of a second apart: the arm's own geometry both times.
 */
export function jogRates(seen: Seen, at: Values, jog: Jog, keepsLook: boolean): Record<string, number> {
	const { place, camera } = seen;
	if (place.stands !== 'arm' && place.stands !== 'rail') return {};
	const mount = mountOf(place);
	if (mount.kind === 'fixed') return {};
	const carried = Object.fromEntries(
		['trackM', 'swingRad', 'boomRad'].flatMap((axis) => (at[axis] === undefined ? [] : [[axis, at[axis]]]))
	);
	const pose = cameraPose({ mount, axes: axesAt({ ...carried, panRad: at.panRad ?? 0, tiltRad: at.tiltRad ?? 0 }) });
	const [x, y, z] = pose.centreM;
	const look = lookPoint(seen, at);
	const [ch, sh] = [Math.cos(pose.headingRad), Math.sin(pose.headingRad)];
	// To the right of the camera is clockwise of where it looks; round the subject to the right is counter-clockwise about it.
	const out = [x - look[0], y - look[1]] as const;
	const far = Math.max(0.2, Math.hypot(...out));
	const round = jog.orbit / far;
	const wanted: Vec3 = [
		x + dtS * (jog.right * sh + jog.forward * ch - round * out[1]),
		y + dtS * (-jog.right * ch + jog.forward * sh + round * out[0]),
		z + dtS * jog.up
	];
	const rates: Record<string, number> = {};
	const next: Record<string, number> = { ...carried };
	if (mount.kind === 'track') {
		const { trackM } = reachAxes({ mount, centreM: wanted }) as { readonly trackM: number };
		next.trackM = trackM;
	} else {
		const reached = reachAxes({ mount, centreM: wanted }) as { readonly swingRad: number; readonly boomRad: number };
		if (!Number.isFinite(reached.swingRad) || !Number.isFinite(reached.boomRad)) return {};
		next.swingRad = reached.swingRad;
		next.boomRad = reached.boomRad;
	}
	for (const [axis, value] of Object.entries(next)) {
		const rate = (value - (carried[axis] ?? value)) / dtS;
		if (Math.abs(rate) > 1e-6) rates[axis] = rate;
	}
	if (!keepsLook || Object.keys(rates).length === 0) return rates;
	const lensM = lensOffset(camera.lens);
	const near = { panRad: at.panRad ?? 0, tiltRad: at.tiltRad ?? 0 };
	const aimed = (axes: Values) => aimAxes({ mount, axes: axesAt(axes), subjectM: look, near, lensM });
	const [before, after] = [aimed(carried), aimed(next)];
	if (!before.feasible || !after.feasible) return rates;
	return {
		...rates,
		panRad: (after.panRad - before.panRad) / dtS,
		tiltRad: (after.tiltRad - before.tiltRad) / dtS
	};
}
