import { checksFor, type Checks } from '../input';

/** How one axis of a gimbal follows its handle. */
export interface FollowSettings {
	/** How fast the reference makes good what it is off, 1/s; 0: the axis holds. */
	readonly followPerS: number;
	/** Half the angle that the handle may turn without being followed, rad. */
	readonly deadbandRad: number;
	readonly maxRateRadPerS: number;
	readonly maxAccelRadPerS2: number;
	/** How long the reference takes to take up another rate, s. */
	readonly smoothS: number;
	/** What the stick asks for beside the handle, rad/s; default 0. */
	readonly joystickRadPerS?: number;
}

/** One axis with its motor, seen from the reference. */
export interface FollowPlant {
	/** Of everything that turns about the axis. */
	readonly inertiaKgM2: number;
	/** The stiffness of the motor's loop, as the natural rate that it gives this inertia. */
	readonly naturalRadPerS: number;
	/** Of that loop; 1: it does not swing past. */
	readonly damping: number;
	/** What bearings and cables drag the camera along with the handle, N·m·s. */
	readonly couplingNmS: number;
	/** A steady torque, such as a balance that is off; default 0. */
	readonly torqueNm?: number;
	/** From what is sensed to what the motor does, s; default 0. */
	readonly delayS?: number;
}

/** What the hand does with the handle, from rest at 0. */
export type HandleMotion =
	/** At once by an angle. */
	| { readonly kind: 'step'; readonly angleRad: number; readonly atS: number }
	/** At a steady rate from one time to another. */
	| { readonly kind: 'ramp'; readonly rateRadPerS: number; readonly fromS: number; readonly toS: number }
	/** Straight from one point to the next, the times rising. */
	| { readonly kind: 'path'; readonly atS: readonly number[]; readonly angleRad: readonly number[] };

export function checkSettings(check: Checks, settings: FollowSettings): Required<FollowSettings> {
	if (typeof settings !== 'object' || settings === null) check.fail('settings', 'must be settings', settings);
	return {
		followPerS: check.atLeastZero('settings.followPerS', settings.followPerS),
		deadbandRad: check.atLeastZero('settings.deadbandRad', settings.deadbandRad),
		maxRateRadPerS: check.positive('settings.maxRateRadPerS', settings.maxRateRadPerS),
		maxAccelRadPerS2: check.positive('settings.maxAccelRadPerS2', settings.maxAccelRadPerS2),
		smoothS: check.positive('settings.smoothS', settings.smoothS),
		joystickRadPerS: check.number('settings.joystickRadPerS', settings.joystickRadPerS ?? 0)
	};
}

export function checkPlant(check: Checks, plant: FollowPlant): Required<FollowPlant> {
	if (typeof plant !== 'object' || plant === null) check.fail('plant', 'must be an axis with its motor', plant);
	return {
		inertiaKgM2: check.positive('plant.inertiaKgM2', plant.inertiaKgM2),
		naturalRadPerS: check.positive('plant.naturalRadPerS', plant.naturalRadPerS),
		damping: check.atLeastZero('plant.damping', plant.damping),
		couplingNmS: check.atLeastZero('plant.couplingNmS', plant.couplingNmS),
		torqueNm: check.number('plant.torqueNm', plant.torqueNm ?? 0),
		delayS: check.atLeastZero('plant.delayS', plant.delayS ?? 0)
	};
}

/** What a hand does, as the response needs it. */
export interface Hand {
	angleAt(atS: number): number;
	rateAt(atS: number): number;
	/** A jump at one time, which moves what drags along with the handle at once; null: there is none. */
	readonly jump: { readonly atS: number; readonly angleRad: number } | null;
	readonly startsS: number;
	readonly endsS: number;
	/** From where it starts to where it stays. */
	readonly turnRad: number;
}

/** The longest path that is taken, in points. */
const mostPoints = 20_000;

export function readHand(call: string, handle: HandleMotion): Hand {
	const check = checksFor(call);
	switch ((handle as HandleMotion | null | undefined)?.kind) {
		case 'step': {
			const { angleRad, atS } = handle as Extract<HandleMotion, { kind: 'step' }>;
			check.number('handle.angleRad', angleRad);
			check.atLeastZero('handle.atS', atS);
			return {
				angleAt: (t) => (t >= atS ? angleRad : 0),
				rateAt: () => 0,
				jump: { atS, angleRad },
				startsS: atS,
				endsS: atS,
				turnRad: angleRad
			};
		}
		case 'ramp': {
			const { rateRadPerS, fromS, toS } = handle as Extract<HandleMotion, { kind: 'ramp' }>;
			check.number('handle.rateRadPerS', rateRadPerS);
			check.atLeastZero('handle.fromS', fromS);
			if (!(check.number('handle.toS', toS) >= fromS)) check.fail('handle.toS', 'must not be before fromS', toS);
			return {
				angleAt: (t) => rateRadPerS * (Math.min(toS, Math.max(fromS, t)) - fromS),
				rateAt: (t) => (t >= fromS && t < toS ? rateRadPerS : 0),
				jump: null,
				startsS: fromS,
				endsS: toS,
				turnRad: rateRadPerS * (toS - fromS)
			};
		}
		case 'path': {
			const { atS, angleRad } = handle as Extract<HandleMotion, { kind: 'path' }>;
			const times = check.list('handle.atS', atS).map((value, k) => check.atLeastZero(`handle.atS[${k}]`, value));
			const angles = check
				.list('handle.angleRad', angleRad)
				.map((value, k) => check.number(`handle.angleRad[${k}]`, value));
			if (times.length !== angles.length) check.fail('handle.angleRad', 'must be as many as the times', angles.length);
			if (times.length > mostPoints) check.fail('handle.atS', `must be at most ${mostPoints}`, times.length);
			times.forEach((time, k) => {
				if (k > 0 && !(time > times[k - 1]!)) check.fail(`handle.atS[${k}]`, 'must come after the one before', time);
			});
			// Asked in the order of time, so the piece is looked for from the last one on.
			let piece = 0;
			const pieceAt = (t: number) => {
				if (t < times[piece]!) piece = 0;
				while (piece < times.length - 2 && t >= times[piece + 1]!) piece += 1;
				return piece;
			};
			const last = times.length - 1;
			const slope = (k: number) => (k >= last ? 0 : (angles[k + 1]! - angles[k]!) / (times[k + 1]! - times[k]!));
			return {
				angleAt: (t) => {
					if (t <= times[0]!) return angles[0]!;
					if (t >= times[last]!) return angles[last]!;
					const k = pieceAt(t);
					return angles[k]! + slope(k) * (t - times[k]!);
				},
				rateAt: (t) => (t < times[0]! || t >= times[last]! ? 0 : slope(pieceAt(t))),
				jump: null,
				startsS: times[0]!,
				endsS: times[last]!,
				turnRad: angles[last]! - angles[0]!
			};
		}
		default:
			return check.fail('handle.kind', 'must be step, ramp or path', (handle as HandleMotion | undefined)?.kind);
	}
}
