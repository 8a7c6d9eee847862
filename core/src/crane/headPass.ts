/* eslint-disable max-lines -- one method, with its derivation beside it. */
import { checksFor } from '../input';
import { subtract, type Vec3 } from '../mass/body';
import { clampedSpline } from '../numeric/clampedSpline';
import { angleOf, type Jet, less, plus, turned } from '../numeric/jet';
import { wrapped } from '../motion/attitude';
import { type ArmReach, checkReach, cranePose } from './cranePose';
import { minimumJerk, minimumJerkAccel, minimumJerkRate } from '../motion/minimumJerk';

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
const gentle = (share: number): Jet => [minimumJerk(share), minimumJerkRate(share), minimumJerkAccel(share)];

/**
 * Whether a head can hold a still subject while the arm carries it past, and what it would take.
 *
 * Pan and tilt of the head's own axes, whose base swings with the arm and leans with it unless it is kept level, to keep the
 * subject in the middle all along `pass` (minimum-jerk between the two poses, or a
 * smooth spline at rest at both ends through those on the way), against its `limits`; `focalM` over `sensorWidthM` turns angles into frame widths. Rates and accelerations are the derivatives in closed form, at 401 moments.
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
	const pivot = check.vector('pivotM', input.pivotM);
	checkReach('headPass', reach);
	const armAt = armOver(pass);
	let panRad = 0;
	const samples = Array.from({ length: steps + 1 }, (_, index): PassSample => {
		const { swing, boom } = armAt(index / steps);
		const [swingRad, boomRad] = [swing[0], boom[0]];
		const from = subjectFromLens(reach, subtract(subject, pivot), swing, boom);
		const { pan, tilt, level, distanceM } = aimed(from);
		if (!(distanceM > 0)) check.fail('subjectM', 'must not be where the lens passes', input.subjectM);
		panRad = index === 0 ? pan[0] : panRad + wrapped(pan[0] - panRad);
		return {
			atS: index * dt,
			swingRad,
			boomRad,
			lensM: cranePose({ reach, pivotM: pivot, swingRad, boomRad }).lensM,
			panRad,
			tiltRad: tilt[0],
			// Straight over or under the subject pan has no meaning, and is left where it is.
			panRadPerS: level < overhead ? 0 : pan[1] / durationS,
			tiltRadPerS: tilt[1] / durationS,
			panRadPerS2: level < overhead ? 0 : pan[2] / durationS ** 2,
			tiltRadPerS2: tilt[2] / durationS ** 2,
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

/** The subject from the lens in the frame of the head's base, each coordinate with its derivatives by share of the time. */
function subjectFromLens(
	{ noseM, lensM, keptLevel }: ArmReach,
	[x, y, z]: Vec3,
	swing: Jet,
	boom: Jet
): readonly [Jet, Jet, Jet] {
	// In the plane of the arm; the head's base swings with it.
	const [ahead, left] = turned([x, 0, 0], [y, 0, 0], [-swing[0], -swing[1], -swing[2]]);
	const still = ([u, v]: readonly [number, number]): [Jet, Jet] => [
		[u, 0, 0],
		[v, 0, 0]
	];
	if (keptLevel) {
		const [out, up] = turned(...still(noseM), boom);
		return [less(ahead, plus(out, lensM[0])), left, less([z, 0, 0], plus(up, lensM[1]))];
	}
	// It leans with the arm too: seen from it nose and lens stand still, and the subject turns the other way.
	const [along, square] = turned(ahead, [z, 0, 0], [-boom[0], -boom[1], -boom[2]]);
	return [plus(along, -noseM[0] - lensM[0]), left, plus(square, -noseM[1] - lensM[1])];
}

/** Pan and tilt that look along a vector. */
function aimed([x, y, z]: readonly [Jet, Jet, Jet]) {
	const level = Math.hypot(x[0], y[0]);
	// Straight over or under it there is no way out but away: the rate of that, and no bend.
	const away = level < overhead ? Math.hypot(x[1], y[1]) : (x[0] * x[1] + y[0] * y[1]) / level;
	const bend = level < overhead ? 0 : (x[0] * x[2] + y[0] * y[2] + x[1] * x[1] + y[1] * y[1] - away * away) / level;
	const across: Jet = [level, away, bend];
	return { pan: angleOf(y, x), tilt: angleOf(z, across), level, distanceM: Math.hypot(level, z[0]) };
}

/** Swing and boom by share of the time. */
function armOver(pass: ArmPass): (share: number) => { readonly swing: Jet; readonly boom: Jet } {
	const check = checksFor('headPass');
	const { fromSwingRad, toSwingRad, fromBoomRad, toBoomRad, via = [] } = pass;
	if (via.length === 0)
		return (share) => {
			const [way, first, second] = gentle(share);
			const between = (from: number, to: number): Jet => [
				from + (to - from) * way,
				(to - from) * first,
				(to - from) * second
			];
			return { swing: between(fromSwingRad, toSwingRad), boom: between(fromBoomRad, toBoomRad) };
		};
	const shares = [0, ...via.map(({ share }, index) => check.number(`pass.via[${index}].share`, share)), 1];
	shares.slice(1).forEach((share, index) => {
		if (!(share > shares[index]!))
			check.fail(`pass.via[${index}].share`, 'must be between 0 and 1, later than the one before', share);
	});
	const swing = clampedSpline(shares, [fromSwingRad, ...via.map(({ swingRad }) => swingRad), toSwingRad]);
	const boom = clampedSpline(shares, [fromBoomRad, ...via.map(({ boomRad }) => boomRad), toBoomRad]);
	return (share) => ({ swing: swing(share), boom: boom(share) });
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
