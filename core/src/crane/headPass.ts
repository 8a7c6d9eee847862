/* eslint-disable max-lines -- one method, with its derivation beside it. */
import { checksFor } from '../input';
import { subtract, type Vec3 } from '../mass/body';
import { clampedSpline } from '../numeric/clampedSpline';
import { type ArmReach, cranePose } from './cranePose';
import { into, turnOfBase, wrapped } from '../motion/attitude';

/** A pose on the way, at a share of the pass's time. */
export interface PassKey {
	/** Between 0 and 1. */
	readonly share: number;
	readonly swingRad: number;
	readonly boomRad: number;
}

/** The arm goes from one pose to another, gently at both ends. */
export interface ArmPass {
	readonly fromSwingRad: number;
	readonly toSwingRad: number;
	readonly fromBoomRad: number;
	readonly toBoomRad: number;
	readonly durationS: number;
	/** In order of time; none: straight there. */
	readonly via?: readonly PassKey[];
}

export interface HeadLimits {
	readonly panRadPerS: number;
	readonly tiltRadPerS: number;
	readonly panRadPerS2: number;
	readonly tiltRadPerS2: number;
}

export interface PassSample {
	readonly atS: number;
	readonly swingRad: number;
	readonly boomRad: number;
	readonly lensM: Vec3;
	readonly panRad: number;
	readonly tiltRad: number;
	readonly panRadPerS: number;
	readonly tiltRadPerS: number;
	readonly panRadPerS2: number;
	readonly tiltRadPerS2: number;
	readonly distanceM: number;
}

export interface HeadPass {
	readonly samples: readonly PassSample[];
	readonly peak: HeadLimits;
	/** Peak over limit, the worst of the four: above 1 the head falls short. */
	readonly demand: number;
	readonly binding: keyof HeadLimits;
	readonly bindingAtS: number;
	/** The shortest time in which the head holds the subject all the way. */
	readonly shortestS: number;
	/** How far the subject leaves the middle of the frame if it is done anyway, frame widths, and when. */
	readonly worstErrorWidths: number;
	readonly worstAtS: number;
	/** One steady pan throughout: the rate and start that keep the subject nearest the middle, and how far it strays. */
	readonly steadyPan: { readonly rateRadPerS: number; readonly startRad: number; readonly worstErrorWidths: number };
}

const steps = 400;
/** Nearer to the pan axis than this, m, a subject has no direction about it. */
const overhead = 1e-9;

/** Zero speed and acceleration at both ends; value, and its first and second derivative by share of the way. */
const gentle = (share: number): readonly [number, number, number] => [
	share ** 3 * (10 - 15 * share + 6 * share * share),
	30 * share * share * (1 - share) ** 2,
	60 * share * (1 - 3 * share + 2 * share * share)
];

/**
 * Whether a head can hold a still subject while the arm carries it past, and what it would take.
 *
 * Pan and tilt of the head's own axes, whose base swings with the arm and leans with it unless it is kept level, to keep the
 * subject in the middle all along `pass` (minimum-jerk between the two poses, or a
 * smooth spline at rest at both ends through those on the way), against its `limits`; `focalM` over `sensorWidthM` turns angles into frame widths. Acceleration from rates by central differences.
 * "Done anyway" follows the wanted aim as fast as the limits let it, from rest on the subject, without foresight. Throws
 * `PhysicsInputError` for a time, limit or lens that is not positive, a lens that passes through the subject, or poses
 * on the way that are out of order.
 *
 * Rates scale with 1/T and accelerations with 1/T², so the shortest honest time is T times the larger of rate demand and the
 * root of acceleration demand. The steady pan is the line nearest the aim in the least-worst sense.
 *
 * @example
 * const reach = { noseM: [2.5, 0], tailM: [-1, 0], lensM: [0, 0], keptLevel: true };
 * const still = { fromSwingRad: 0, toSwingRad: 0, fromBoomRad: 0, toBoomRad: 0, durationS: 4 };
 * headPass({ reach, pivotM: [0, 0, 1.4], pass: still, subjectM: [6, 0, 1.4], focalM: 0.035, sensorWidthM: 0.036,
 *   limits: { panRadPerS: 1, tiltRadPerS: 1, panRadPerS2: 2, tiltRadPerS2: 2 } }).demand; // 0
 */
export function headPass(input: {
	readonly reach: ArmReach;
	readonly pivotM: Vec3;
	readonly pass: ArmPass;
	readonly subjectM: Vec3;
	readonly limits: HeadLimits;
	readonly focalM: number;
	readonly sensorWidthM: number;
}): HeadPass {
	const check = checksFor('headPass');
	const { reach, pass, limits } = input;
	const durationS = check.positive('pass.durationS', pass.durationS);
	for (const field of limitNames) check.positive(`limits.${field}`, limits[field]);
	const widthsPerRad = check.positive('focalM', input.focalM) / check.positive('sensorWidthM', input.sensorWidthM);
	const subject = check.vector('subjectM', input.subjectM);
	for (const field of ['fromSwingRad', 'toSwingRad', 'fromBoomRad', 'toBoomRad'] as const)
		check.number(`pass.${field}`, pass[field]);
	(pass.via ?? []).forEach(({ swingRad, boomRad }, index) => {
		check.number(`pass.via[${index}].swingRad`, swingRad);
		check.number(`pass.via[${index}].boomRad`, boomRad);
	});
	const dt = durationS / steps;
	const armAt = armOver(pass);
	/** Where the head has to be turned in its own axes: its base swings with the arm, and leans with it unless it is kept level. */
	const aimAt = (share: number) => {
		const arm = armAt(share);
		const { lensM } = cranePose({ reach, pivotM: input.pivotM, ...arm });
		const base = turnOfBase({ headingRad: arm.swingRad, tiltRad: reach.keptLevel ? 0 : arm.boomRad, rollRad: 0 });
		const [x, y, z] = into(base, subtract(subject, lensM));
		const level = Math.hypot(x, y);
		const distanceM = Math.hypot(level, z);
		if (!(distanceM > 0)) check.fail('subjectM', 'must not be where the lens passes', input.subjectM);
		return { ...arm, lensM, level, raw: Math.atan2(y, x), tiltRad: Math.atan2(z, level), distanceM };
	};
	const small = 1e-5;
	const along = Array.from({ length: steps + 1 }, (_, index) => {
		const share = index / steps;
		const here = aimAt(share);
		const [late, early] = [Math.min(1, share + small), Math.max(0, share - small)];
		const [after, before] = [aimAt(late), aimAt(early)];
		const span = (late - early) * durationS;
		return {
			...here,
			rate: {
				// Straight over or under the subject pan has no meaning, and is left where it is.
				panRadPerS: here.level < overhead ? 0 : wrapped(after.raw - before.raw) / span,
				tiltRadPerS: (after.tiltRad - before.tiltRad) / span
			}
		};
	});
	let panRad = along[0]!.raw;
	const samples = along.map(({ swingRad, boomRad, lensM, rate, raw, tiltRad, distanceM }, index): PassSample => {
		panRad += Math.atan2(Math.sin(raw - panRad), Math.cos(raw - panRad));
		const [next, last] = [along[Math.min(steps, index + 1)]!, along[Math.max(0, index - 1)]!];
		const apart = (Math.min(steps, index + 1) - Math.max(0, index - 1)) * dt;
		return {
			atS: index * dt,
			swingRad,
			boomRad,
			lensM,
			panRad,
			tiltRad,
			panRadPerS: rate.panRadPerS,
			tiltRadPerS: rate.tiltRadPerS,
			panRadPerS2: (next.rate.panRadPerS - last.rate.panRadPerS) / apart,
			tiltRadPerS2: (next.rate.tiltRadPerS - last.rate.tiltRadPerS) / apart,
			distanceM
		};
	});

	const peakOf = (field: keyof HeadLimits) =>
		samples.reduce((best, sample) => (Math.abs(sample[field]) > Math.abs(best[field]) ? sample : best));
	const peaks = Object.fromEntries(limitNames.map((field) => [field, peakOf(field)])) as Record<
		keyof HeadLimits,
		PassSample
	>;
	const peak = Object.fromEntries(
		limitNames.map((field) => [field, Math.abs(peaks[field][field])])
	) as unknown as HeadLimits;
	const demands = limitNames.map((field) => peak[field] / limits[field]);
	const demand = Math.max(...demands);
	const binding = limitNames[demands.indexOf(demand)]!;
	const byTime = Math.max(
		peak.panRadPerS / limits.panRadPerS,
		peak.tiltRadPerS / limits.tiltRadPerS,
		Math.sqrt(peak.panRadPerS2 / limits.panRadPerS2),
		Math.sqrt(peak.tiltRadPerS2 / limits.tiltRadPerS2)
	);
	const anyway = follow(samples, limits, dt, widthsPerRad);
	return {
		samples,
		peak,
		demand,
		binding,
		bindingAtS: peaks[binding].atS,
		shortestS: durationS * byTime,
		...anyway,
		steadyPan: steadyPan(samples, widthsPerRad)
	};
}

/** Swing and boom by share of the time. */
function armOver(pass: ArmPass): (share: number) => { readonly swingRad: number; readonly boomRad: number } {
	const check = checksFor('headPass');
	const { fromSwingRad, toSwingRad, fromBoomRad, toBoomRad, via = [] } = pass;
	if (via.length === 0)
		return (share) => {
			const [way] = gentle(share);
			return {
				swingRad: fromSwingRad + (toSwingRad - fromSwingRad) * way,
				boomRad: fromBoomRad + (toBoomRad - fromBoomRad) * way
			};
		};
	const shares = [0, ...via.map(({ share }, index) => check.number(`pass.via[${index}].share`, share)), 1];
	shares.slice(1).forEach((share, index) => {
		if (!(share > shares[index]!))
			check.fail(`pass.via[${index}].share`, 'must be between 0 and 1, later than the one before', share);
	});
	const swing = clampedSpline(shares, [fromSwingRad, ...via.map(({ swingRad }) => swingRad), toSwingRad]);
	const boom = clampedSpline(shares, [fromBoomRad, ...via.map(({ boomRad }) => boomRad), toBoomRad]);
	return (share) => ({ swingRad: swing(share), boomRad: boom(share) });
}

const limitNames = [
	'panRadPerS',
	'tiltRadPerS',
	'panRadPerS2',
	'tiltRadPerS2'
] as const satisfies readonly (keyof HeadLimits)[];

/** The head goes after the aim as hard as it may and brakes in time, from rest on the subject. */
function follow(samples: readonly PassSample[], limits: HeadLimits, dt: number, widthsPerRad: number) {
	const axis = (wanted: (sample: PassSample) => number, most: number, hardest: number) => {
		let [angle, rate] = [wanted(samples[0]!), 0];
		return samples.map((sample, index) => {
			if (index > 0) {
				const before = wanted(samples[index - 1]!);
				const aimRate = (wanted(sample) - before) / dt;
				const behind = wanted(sample) - angle;
				// As fast as can still be braked to the aim's own rate by the time it is there.
				const chase = aimRate + Math.sign(behind) * Math.sqrt(2 * hardest * Math.abs(behind));
				const asked =
					Math.abs(behind) < 1e-9
						? aimRate
						: Math.sign(behind) * Math.min(Math.abs(chase), Math.abs(behind) / dt + Math.abs(aimRate));
				const next = Math.max(-most, Math.min(most, asked));
				rate += Math.max(-hardest * dt, Math.min(hardest * dt, next - rate));
				angle += rate * dt;
			}
			return wanted(sample) - angle;
		});
	};
	const pan = axis(({ panRad }) => panRad, limits.panRadPerS, limits.panRadPerS2);
	const tilt = axis(({ tiltRad }) => tiltRad, limits.tiltRadPerS, limits.tiltRadPerS2);
	let [worstErrorWidths, worstAtS] = [0, 0];
	samples.forEach((sample, index) => {
		const seen = Math.hypot(pan[index]! * Math.cos(sample.tiltRad), tilt[index]!);
		const widths = Math.tan(Math.min(1.5, seen)) * widthsPerRad;
		if (widths > worstErrorWidths) [worstErrorWidths, worstAtS] = [widths, sample.atS];
	});
	return { worstErrorWidths, worstAtS };
}

/** The straight line over time with the least worst distance from the aim: two parallel supports of its hull. */
function steadyPan(samples: readonly PassSample[], widthsPerRad: number): HeadPass['steadyPan'] {
	const spreadAt = (rate: number) => {
		let [least, greatest] = [Infinity, -Infinity];
		for (const { atS, panRad } of samples) {
			const off = panRad - rate * atS;
			least = Math.min(least, off);
			greatest = Math.max(greatest, off);
		}
		return { half: (greatest - least) / 2, startRad: (greatest + least) / 2 };
	};
	// The half width is convex in the rate.
	const rates = samples.map(({ panRadPerS }) => panRadPerS);
	let [low, high] = [Math.min(...rates), Math.max(...rates)];
	for (let step = 0; step < 100; step += 1) {
		const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
		if (spreadAt(a).half < spreadAt(b).half) high = b;
		else low = a;
	}
	const rateRadPerS = (low + high) / 2;
	const { half, startRad } = spreadAt(rateRadPerS);
	return { rateRadPerS, startRad, worstErrorWidths: Math.tan(Math.min(1.5, half)) * widthsPerRad };
}
