import type { Checks } from '../input';
import { add, scale, type Vec3 } from '../mass/body';
import { type Attitude, type Axes3, checkAttitude, noTurn, turnedBy, turnOfBase } from './attitude';

/** What a head stands on. */
export type Mount =
	/** A tripod, a plate on a ceiling or a wall. */
	| { readonly kind: 'fixed'; readonly centreM: Vec3; readonly base: Attitude }
	/** A rail: the base does not turn on the way and is in the world. */
	| {
			readonly kind: 'track';
			readonly startM: Vec3;
			readonly headingRad: number;
			readonly inclineRad: number;
			readonly base: Attitude;
	  }
	/** An arm on a pivot; the head hangs or stands at its nose. */
	| {
			readonly kind: 'crane';
			readonly pivotM: Vec3;
			readonly headingRad: number;
			readonly armM: number;
			readonly noseToCentreM: readonly [forward: number, up: number];
			readonly keptLevel: boolean;
			readonly headBase?: Attitude;
			/** The pivot goes along a track by `trackM`, from `pivotM`; absent: it stands. */
			readonly track?: { readonly headingRad: number; readonly inclineRad: number };
	  };

/** Where every axis stands; one that is not named stands at 0. */
export interface MountAxes {
	readonly trackM?: number;
	readonly swingRad?: number;
	readonly boomRad?: number;
	readonly extensionM?: number;
	readonly panRad: number;
	readonly tiltRad: number;
	readonly rollRad?: number;
	readonly focusM?: number;
	readonly focalM?: number;
}

const axisNames = [
	'trackM',
	'swingRad',
	'boomRad',
	'extensionM',
	'panRad',
	'tiltRad',
	'rollRad',
	'focusM',
	'focalM'
] as const satisfies readonly (keyof MountAxes)[];

/** An arm in the room: its pivot, its far end, and the way from one to the other, of length 1. */
export interface ArmInRoom {
	readonly pivotM: Vec3;
	readonly noseM: Vec3;
	readonly along: Vec3;
}

/** Where pan and tilt axes cross, how the head's base is turned, and the arm it is on; null: on none. */
export function headOf(
	check: Checks,
	mount: Mount,
	axes: Partial<MountAxes>
): { readonly centreM: Vec3; readonly base: Axes3; readonly arm: ArmInRoom | null } {
	if (typeof axes !== 'object' || axes === null) check.fail('axes', 'must be the places of the axes', axes);
	// Also of axes that play no part here: a figure that is none is nowhere let in.
	for (const name of axisNames) if (axes[name] !== undefined) check.number(`axes.${name}`, axes[name]);
	const at = (name: 'trackM' | 'swingRad' | 'boomRad' | 'extensionM') => check.number(`axes.${name}`, axes[name] ?? 0);
	switch ((mount as Mount | null | undefined)?.kind) {
		case 'fixed': {
			const { centreM, base } = mount as Extract<Mount, { kind: 'fixed' }>;
			return {
				centreM: check.vector('mount.centreM', centreM),
				base: turnOfBase(checkAttitude(check, 'mount.base', base)),
				arm: null
			};
		}
		case 'track': {
			const { startM, base, ...rail } = mount as Extract<Mount, { kind: 'track' }>;
			const along = alongRail(check, rail);
			return {
				centreM: add(check.vector('mount.startM', startM), scale(along, at('trackM'))),
				base: turnOfBase(checkAttitude(check, 'mount.base', base)),
				arm: null
			};
		}
		case 'crane': {
			const { pivotM, armM, forward, up, headingRad, keptLevel, headBase, track } = readCrane(check, mount);
			const heading = headingRad + at('swingRad');
			const boom = at('boomRad');
			const reach = armM + at('extensionM');
			const along: Vec3 = [Math.cos(heading), Math.sin(heading), 0];
			const [cb, sb] = [Math.cos(boom), Math.sin(boom)];
			const [out, rise] = keptLevel
				? [reach * cb + forward, reach * sb + up]
				: [(reach + forward) * cb - up * sb, (reach + forward) * sb + up * cb];
			const base = turnOfBase({ headingRad: heading, tiltRad: keptLevel ? 0 : boom, rollRad: 0 });
			const pivot = track === null ? pivotM : add(pivotM, scale(track, at('trackM')));
			const armAlong: Vec3 = [along[0] * cb, along[1] * cb, sb];
			return {
				centreM: add(pivot, [along[0] * out, along[1] * out, rise]),
				base: turnedBy(base, turnOfBase(headBase)),
				arm: { pivotM: pivot, noseM: add(pivot, scale(armAlong, reach)), along: armAlong }
			};
		}
		default:
			return check.fail('mount.kind', 'must be fixed, track or crane', (mount as Mount | undefined)?.kind);
	}
}
export function alongRail(check: Checks, rail: { readonly headingRad: number; readonly inclineRad: number }): Vec3 {
	const heading = check.number('mount.headingRad', rail.headingRad);
	const incline = check.number('mount.inclineRad', rail.inclineRad);
	return [Math.cos(incline) * Math.cos(heading), Math.cos(incline) * Math.sin(heading), Math.sin(incline)];
}
export function readCrane(check: Checks, mount: Mount) {
	const crane = mount as Extract<Mount, { kind: 'crane' }>;
	if (!Array.isArray(crane.noseToCentreM))
		check.fail('mount.noseToCentreM', 'must be forward and up', crane.noseToCentreM);
	return {
		pivotM: check.vector('mount.pivotM', crane.pivotM),
		headingRad: check.number('mount.headingRad', crane.headingRad),
		armM: check.positive('mount.armM', crane.armM),
		forward: check.number('mount.noseToCentreM[0]', crane.noseToCentreM[0]),
		up: check.number('mount.noseToCentreM[1]', crane.noseToCentreM[1]),
		keptLevel: crane.keptLevel === true,
		track: crane.track === undefined ? null : alongRail(check, crane.track),
		headBase: crane.headBase === undefined ? noTurn : checkAttitude(check, 'mount.headBase', crane.headBase)
	};
}
