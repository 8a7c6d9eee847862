import { checksFor } from '../input';
import { stiffestNatural } from './loop';
import { turnTimes } from './turnTimes';

/** One step's part of a walk: how far it moves the handle, and how far it turns it about this axis. */
export interface WalkSine {
	readonly amplitudeM: number;
	readonly frequencyHz: number;
	/** Default 0: it only moves. */
	readonly turnRad?: number;
	/** Where in its turn it begins; default 0. */
	readonly phaseRad?: number;
}

type Range = readonly [least: number, greatest: number];

export interface SolveFeelInput {
	readonly plant: {
		readonly inertiaKgM2: number;
		readonly damping: number;
		readonly couplingNmS: number;
		/** 0: nothing limits the stiffness but its range. */
		readonly delayS: number;
		/** Mass times how far the centre is off the axis, kg·m; default 0. */
		readonly firstMomentKgM?: number;
		/** Default 45°. */
		readonly phaseMarginRad?: number;
		/** Of the reference; default: nothing limits it. */
		readonly maxRateRadPerS?: number;
		readonly maxAccelRadPerS2?: number;
	};
	readonly walk: readonly WalkSine[];
	readonly wanted: {
		/** At a steady pan of `panRadPerS`. */
		readonly lagRad?: number;
		/** After a quick turn. */
		readonly settleS?: number;
		/** Of a quick turn of `turnRad`. */
		readonly overshootRad?: number;
		/** Default 0.5. */
		readonly panRadPerS?: number;
		/** Default 0.8. */
		readonly turnRad?: number;
	};
	readonly ranges: {
		readonly followPerS: Range;
		readonly deadbandRad: Range;
		readonly smoothS: Range;
		readonly naturalRadPerS: Range;
	};
}

export type FeelLimit = 'lagRad' | 'settleS' | 'overshootRad' | 'phaseMargin';

export type FeelPoint = readonly [follow: number, deadband: number, smooth: number, natural: number];
const mostSines = 16;
/** As good as no limit. */
const unlimited = 1e4;
/** What of a limit is overdrawn. */
export const over = (share: number) => (share - 1 > 1e-9 ? share - 1 : 0);

/** The shake and the wishes at one point of the settings; also what {@link solveFeel} is tested against. */
export function readFeel(input: SolveFeelInput) {
	const check = checksFor('solveFeel');
	const { plant, wanted } = input;
	const inertia = check.positive('plant.inertiaKgM2', plant.inertiaKgM2);
	const damping = check.positive('plant.damping', plant.damping);
	const coupling = check.atLeastZero('plant.couplingNmS', plant.couplingNmS);
	const delay = check.atLeastZero('plant.delayS', plant.delayS);
	const moment = check.number('plant.firstMomentKgM', plant.firstMomentKgM ?? 0);
	const limits = {
		maxRateRadPerS: check.positive('plant.maxRateRadPerS', plant.maxRateRadPerS ?? unlimited),
		maxAccelRadPerS2: check.positive('plant.maxAccelRadPerS2', plant.maxAccelRadPerS2 ?? unlimited)
	};
	const margin = check.atLeastZero('plant.phaseMarginRad', plant.phaseMarginRad ?? Math.PI / 4);
	const stiffest =
		delay === 0 ? Infinity : stiffestNatural({ damping, delayS: delay, phaseMarginRad: margin }).naturalRadPerS;
	const walk = check.list('walk', input.walk);
	const sines = walk.map(({ amplitudeM, frequencyHz, turnRad = 0, phaseRad = 0 }, k) => ({
		phaseRad: check.number(`walk[${k}].phaseRad`, phaseRad),
		amplitudeM: check.number(`walk[${k}].amplitudeM`, amplitudeM),
		omega: 2 * Math.PI * check.positive(`walk[${k}].frequencyHz`, frequencyHz),
		turnRad: check.number(`walk[${k}].turnRad`, turnRad)
	}));
	if (sines.length > mostSines) check.fail('walk', `must be at most ${mostSines} sines`, sines.length);
	const turned = sines.map(({ turnRad }) => turnRad ** 2);
	/** What moving the handle pushes a centre off its axis by, squared. */
	const pushed = sines.map(({ amplitudeM, omega }) => (moment * amplitudeM * omega ** 2) ** 2);
	const wish = (name: 'lagRad' | 'settleS' | 'overshootRad') =>
		wanted[name] === undefined ? Infinity : check.positive(`wanted.${name}`, wanted[name]);
	const wishes = { lagRad: wish('lagRad'), settleS: wish('settleS'), overshootRad: wish('overshootRad') };
	const pan = check.atLeastZero('wanted.panRadPerS', wanted.panRadPerS ?? 0.5);
	const turn = check.positive('wanted.turnRad', wanted.turnRad ?? 0.8);
	const range = (name: keyof SolveFeelInput['ranges'], above: boolean): Range => {
		const [least, most] = check.range(`ranges.${name}`, input.ranges[name]);
		return (above ? least > 0 : least >= 0)
			? [least, most]
			: check.fail(`ranges.${name}[0]`, above ? 'must be greater than 0' : 'must be at least 0', least);
	};
	const ranges = [
		range('followPerS', true),
		range('deadbandRad', false),
		range('smoothS', true),
		range('naturalRadPerS', true)
	] as const;

	/**
	 * What the reference takes over of the handle's turning, sine by sine, as real and imaginary part of the angle. By harmonic
	 * balance: beyond its dead band the law is a gain, the same for every sine, that of a sine as large as the error.
	 */
	const taken = (follow: number, deadband: number, smooth: number): Float64Array => {
		const count = sines.length;
		// |1 + N L|² of the error, with L = follow / (iω (1 + iω smooth)): real and imaginary part.
		const loops = new Float64Array(2 * count);
		for (let k = 0; k < count; k += 1) {
			const { omega } = sines[k]!;
			const scale = follow / (1 + (omega * smooth) ** 2);
			loops[2 * k] = -scale * smooth;
			loops[2 * k + 1] = -scale / omega;
		}
		const errorOf = (gain: number) => {
			let sum = 0;
			for (let k = 0; k < count; k += 1)
				sum += turned[k]! / ((1 + gain * loops[2 * k]!) ** 2 + (gain * loops[2 * k + 1]!) ** 2);
			return Math.sqrt(sum);
		};
		// The sine as large as the error leaves the dead band by this share of itself.
		const gainOf = (size: number) => {
			const share = deadband / size;
			return size <= deadband ? 0 : 1 - (2 / Math.PI) * (Math.asin(share) + share * Math.sqrt(1 - share * share));
		};
		let gain = 0;
		if (errorOf(0) > deadband) {
			let [low, high] = [0, 1];
			for (let k = 0; k < 26; k += 1) {
				gain = (low + high) / 2;
				if (gainOf(errorOf(gain)) > gain) low = gain;
				else high = gain;
			}
		}
		for (let k = 0; k < count; k += 1) {
			// Reference over handle: N L / (1 + N L).
			const [a, b] = [gain * loops[2 * k]!, gain * loops[2 * k + 1]!];
			const under = (1 + a) ** 2 + b ** 2;
			loops[2 * k] = (a * (1 + a) + b * b) / under;
			loops[2 * k + 1] = b / under;
		}
		return loops;
	};
	/** RMS of the camera, held to such a reference at a stiffness. */
	const shakeWith = (reference: Float64Array, natural: number): number => {
		const stiffness = inertia * natural ** 2;
		let square = 0;
		for (let k = 0; k < sines.length; k += 1) {
			const { omega, turnRad } = sines[k]!;
			const dIm = 2 * damping * natural * inertia * omega;
			const [re, im] = [reference[2 * k]!, reference[2 * k + 1]!];
			const onRe = turnRad * (stiffness * re - dIm * im);
			const onIm = turnRad * (stiffness * im + dIm * re + coupling * omega);
			const held = (stiffness - inertia * omega ** 2) ** 2 + (dIm + coupling * omega) ** 2;
			square += (onRe ** 2 + onIm ** 2 + pushed[k]!) / held / 2;
		}
		return Math.sqrt(square);
	};
	const settles = (follow: number, smooth: number) => turnTimes(follow, smooth).endS;
	const overshoots = (follow: number, deadband: number, smooth: number) => {
		const product = follow * smooth;
		return product <= 0.25 ? 0 : Math.max(0, turn - deadband) * Math.exp(-Math.PI / Math.sqrt(4 * product - 1));
	};
	/** By how much the wishes are missed, as shares; the time to settle is given, since it depends on two of the four alone. */
	const missedBy = ([follow, deadband, smooth, natural]: FeelPoint, settleS: number): number =>
		over((deadband + pan / follow) / wishes.lagRad) +
		over(settleS / wishes.settleS) +
		over(overshoots(follow, deadband, smooth) / wishes.overshootRad) +
		over(natural / stiffest);
	const at = (point: FeelPoint) => {
		const [follow, deadband, smooth, natural] = point;
		const lagRad = deadband + pan / follow;
		const settleS = settles(follow, smooth);
		const overshootRad = overshoots(follow, deadband, smooth);
		const limits: Record<FeelLimit, number> = {
			lagRad: lagRad / wishes.lagRad,
			settleS: settleS / wishes.settleS,
			overshootRad: overshootRad / wishes.overshootRad,
			phaseMargin: natural / stiffest
		};
		return {
			shakeRad: shakeWith(taken(follow, deadband, smooth), natural),
			lagRad,
			settleS,
			overshootRad,
			limits,
			missed: missedBy(point, settleS)
		};
	};
	const walkRad = Math.sqrt(sines.reduce((sum, { turnRad }) => sum + turnRad ** 2, 0));
	return {
		ranges,
		plant: { inertia, damping, coupling, delay, moment },
		limits,
		walk,
		wishes,
		panRadPerS: pan,
		turnRad: turn,
		at,
		taken,
		shakeWith,
		settles,
		missedBy,
		overshoots: ([follow, deadband, smooth]: FeelPoint) => overshoots(follow, deadband, smooth),
		stiffest,
		walkRad,
		widestDeadbandRad: (follow: number) => wishes.lagRad - pan / follow
	};
}
