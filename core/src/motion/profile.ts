import { checksFor } from '../input';
import { minimumJerk, minimumJerkRate } from './minimumJerk';

export type ProfileKind = 'even' | 'soft' | 'build' | 'eased';

/**
 * How a carriage goes a distance: at an even speed, soft at both ends, building to a hard end, or with ramps of one's own.
 *
 * `even` T = d/v. `soft` is the minimum-jerk `10τ³ − 15τ⁴ + 6τ⁵`, T = 1.875 d/v. `build` grows linearly, T = 2d/v, and stops hard.
 * `eased` ramps linearly up and down; ramps too long for the distance are kept and the peak lowered to `2d/(in + out)`. Positions in
 * metres and speeds in m/s at the times asked for, held before 0 and after the end; the very end has the speed it ends with. Throws
 * `PhysicsInputError` for a distance below 0, a speed not above 0, or ramps below 0.
 *
 * @example
 * profile({ kind: 'soft', distanceM: 1.2, peakSpeedMPerS: 0.25, atS: [4.5] }).speedMPerS[0]; // 0.25
 */
export function profile(input: {
	readonly kind: ProfileKind;
	readonly distanceM: number;
	readonly peakSpeedMPerS: number;
	readonly rampInS?: number;
	readonly rampOutS?: number;
	readonly atS: readonly number[];
}): {
	readonly durationS: number;
	readonly positionM: number[];
	readonly speedMPerS: number[];
	readonly peakSpeedMPerS: number;
} {
	const check = checksFor('profile');
	const distance = check.atLeastZero('distanceM', input.distanceM);
	const speed = check.positive('peakSpeedMPerS', input.peakSpeedMPerS);
	const rampIn = check.atLeastZero('rampInS', input.rampInS ?? 0);
	const rampOut = check.atLeastZero('rampOutS', input.rampOutS ?? 0);
	if (!Array.isArray(input.atS)) check.fail('atS', 'must be a list of times', input.atS);
	if (input.atS.length > 200_000) check.fail('atS', 'must be at most 200000', input.atS.length);
	input.atS.forEach((time, k) => check.number(`atS[${k}]`, time));
	const { durationS, peak, at } = lawOf();
	const read = input.atS.map((time): readonly [number, number] =>
		time < 0 ? [0, 0] : time > durationS ? [distance, 0] : at(time)
	);
	return {
		durationS,
		positionM: read.map(([position]) => position),
		speedMPerS: read.map(([, rate]) => rate),
		peakSpeedMPerS: peak
	};

	function lawOf(): { durationS: number; peak: number; at: (t: number) => readonly [position: number, speed: number] } {
		switch (input.kind) {
			case 'even':
				return { durationS: distance / speed, peak: speed, at: (t) => [speed * t, speed] };
			case 'soft': {
				const T = (1.875 * distance) / speed;
				return {
					durationS: T,
					peak: speed,
					at: (t) => {
						const s = T === 0 ? 0 : t / T;
						return [distance * minimumJerk(s), T === 0 ? 0 : (distance / T) * minimumJerkRate(s)];
					}
				};
			}
			case 'build': {
				const T = (2 * distance) / speed;
				return {
					durationS: T,
					peak: speed,
					at: (t) => (T === 0 ? [0, 0] : [(speed * t * t) / (2 * T), (speed * t) / T])
				};
			}
			case 'eased': {
				const ramps = rampIn + rampOut;
				const peak = ramps > 0 && (speed * ramps) / 2 > distance ? (2 * distance) / ramps : speed;
				const even = peak === 0 ? 0 : Math.max(0, (distance - (peak * ramps) / 2) / peak);
				const T = ramps + even;
				return {
					durationS: T,
					peak,
					at: (t) => {
						if (t < rampIn) return [(peak * t * t) / (2 * rampIn), (peak * t) / rampIn];
						if (t <= rampIn + even) return [(peak * rampIn) / 2 + peak * (t - rampIn), peak];
						const left = T - t;
						return [distance - (peak * left * left) / (2 * rampOut), (peak * left) / rampOut];
					}
				};
			}
			default:
				return check.fail('kind', 'must be even, soft, build or eased', input.kind);
		}
	}
}
