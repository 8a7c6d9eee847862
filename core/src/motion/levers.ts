import type { Vec3 } from '../mass/body';
import type { Mount } from './mount';

/** A piece of what moves: a capsule, its middle line and a radius about it. */
export type MovingBody = {
	readonly id: string;
	readonly radiusM: number;
	/** Shapes that it stands on or hangs from, by their ids: it is not tried against them. */
	readonly but?: readonly string[];
} & (
	| {
			/** In the camera's own axes, from where pan and tilt cross: forward, left, up. */
			readonly on: 'camera';
			readonly fromM: Vec3;
			readonly toM: Vec3;
	  }
	/** An arm from so far behind its pivot to its far end, however far that is pulled out. */
	| { readonly on: 'arm'; readonly tailM: number }
	/** From the arm's far end to where pan and tilt cross; without an arm: that point alone. */
	| { readonly on: 'head' }
	/** Goes along the track with what it carries and turns with nothing: where it is with the track at 0. */
	| { readonly on: 'base'; readonly fromM: Vec3; readonly toM: Vec3 }
	/** Stands in the room and does not move: a rail. */
	| { readonly on: 'room'; readonly fromM: Vec3; readonly toM: Vec3 }
);

export const axisNames = ['trackM', 'swingRad', 'boomRad', 'extensionM', 'panRad', 'tiltRad', 'rollRad'] as const;
export type AxisName = (typeof axisNames)[number];
/** How far, or how fast, an axis goes. */
export type ByAxis = (axis: AxisName) => number;

export const turns = (by: ByAxis): number => by('panRad') + by('tiltRad') + by('rollRad');
export const leverOf = ({ fromM, toM }: { readonly fromM: Vec3; readonly toM: Vec3 }): number =>
	Math.max(Math.hypot(...fromM), Math.hypot(...toM));

/**
 * No point of a body goes further, or faster, than this when every axis goes so far, or so fast; `armM` is how far the arm reaches at most,
 * what it is pulled out by counted in.
 */
export function reachM(mount: Mount, body: MovingBody, by: ByAxis, armM: number): number {
	if (body.on === 'arm') {
		const longest = Math.max(body.tailM, armM);
		return trackOf(mount, by) + Math.hypot(longest * Math.hypot(by('swingRad'), by('boomRad')), by('extensionM'));
	}
	if (body.on === 'base') return mount.kind === 'track' ? by('trackM') : trackOf(mount, by);
	const carried = carriedM(mount, by, armM);
	if (body.on !== 'camera') return carried;
	const based = mount.kind !== 'crane' ? 0 : by('swingRad') + (mount.keptLevel ? 0 : by('boomRad'));
	return carried + leverOf(body) * (based + turns(by));
}
/** The same of where pan and tilt cross. */
export function carriedM(mount: Mount, by: ByAxis, armM: number): number {
	if (mount.kind !== 'crane') return mount.kind === 'track' ? by('trackM') : 0;
	const [swing, boom] = [by('swingRad'), by('boomRad')];
	const [forward, up] = mount.noseToCentreM;
	// What is kept level turns with the swing alone.
	const drop = Math.hypot(forward, up) * (mount.keptLevel ? swing : Math.hypot(swing, boom));
	return trackOf(mount, by) + Math.hypot(armM * Math.hypot(swing, boom), by('extensionM')) + drop;
}
const trackOf = (mount: Mount, by: ByAxis): number =>
	mount.kind === 'crane' && mount.track !== undefined ? by('trackM') : 0;
