import { type Checks, checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
import { footprintOf } from './footprint';
import { armOut, craneWeight, marginOf, type StabilityInput } from './stability';

export interface EnvelopeInput extends Pick<
	StabilityInput,
	'footprintM' | 'base' | 'arm' | 'pivotM' | 'wind' | 'push'
> {
	readonly boomRangeRad: readonly [number, number];
	/** Downhill to whichever side is worst. */
	readonly slopeRad?: number;
}

export interface StabilityEnvelope {
	readonly reserve: number;
	readonly margin: number;
	/** Where the reserve is least: the arm's heading, its boom, and the edge it would tip over. */
	readonly worst: { readonly swingRad: number; readonly boomRad: number; readonly edge: number };
}

const marginSteps = 720;
/** Finer than a tenth of a degree all round nobody draws. */
const mostSteps = 3600;
const countOf = (check: Checks, path: string, value: number): number =>
	Number.isInteger(check.positive(path, value)) && value <= mostSteps
		? value
		: check.fail(path, `must be a whole number up to ${mostSteps}`, value);

/** What wind and push turn it over with. A direction is left aside, but has to be one. */
const overturning = (check: Checks, input: Pick<EnvelopeInput, 'wind' | 'push'>): number =>
	(['wind', 'push'] as const).reduce((sum, name) => {
		const force = input[name];
		if (force === undefined) return sum;
		return sum + check.atLeastZero(`${name}.forceN`, force.forceN) * check.number(`${name}.heightM`, force.heightM);
	}, 0);

/**
 * The least reserve against tipping over every swing angle and the whole boom range, whichever way slope, wind and push act.
 *
 * Frames, limits and errors as {@link stabilityAt}; a direction given with wind or push is left aside, all act square to each
 * edge, outward, and the slope falls that way. `reserve` is exact; `margin` is found on a fine grid over boom.
 *
 * Over swing the worst is with the arm's out-moment square to the edge; over boom it is a sinusoid for either side, least
 * at its own phase or at an end of the range.
 *
 * @example
 * stabilityEnvelope({ footprintM: [[1, 1], [-1, 1], [-1, -1], [1, -1]], base: [{ massKg: 8, cgM: [0, 0, 0.5] }],
 *   arm: { parts: [{ id: 'nose', massKg: 2, uM: 2.5, vM: 0 }] }, pivotM: [0, 0, 1], boomRangeRad: [-0.5, 0.5] }).reserve; // 0.5
 */
export function stabilityEnvelope(input: EnvelopeInput): StabilityEnvelope {
	const check = checksFor('stabilityEnvelope');
	const footprint = footprintOf('stabilityEnvelope', input.footprintM);
	const weight = craneWeight('stabilityEnvelope', input);
	const [low, high] = check.range('boomRangeRad', input.boomRangeRad);
	const slopeRad = check.atLeastZero('slopeRad', input.slopeRad ?? 0);
	if (slopeRad >= Math.PI / 2) check.fail('slopeRad', 'must be less than a right angle', slopeRad);
	const [sine, cosine] = [Math.sin(slopeRad), Math.cos(slopeRad)];
	const forcesNm = overturning(check, input);
	const g = standardGravityMPerS2;
	const { uKgM, vKgM, levelForwardKgM, levelUpKgM } = weight.arm;

	let reserve = Infinity;
	let margin = Infinity;
	let worst = { swingRad: 0, boomRad: low, edge: 0 };
	footprint.edges.forEach(({ from, inward, centroidM }, edge) => {
		const fixedNm =
			g *
			((weight.fixedKgM[0] - weight.massKg * from[0]) * inward[0] +
				(weight.fixedKgM[1] - weight.massKg * from[1]) * inward[1]);
		const scale = weight.massKg * g * centroidM;
		// The arm reaches out over the edge with its nose (way 1) or with its tail (way −1).
		for (const way of [1, -1] as const) {
			// Net moment = rest − A cos β − B sin β.
			const a = g * (cosine * way * uKgM + sine * vKgM);
			const b = g * (sine * uKgM - cosine * way * vKgM);
			const rest =
				cosine * fixedNm - cosine * way * g * levelForwardKgM - sine * g * (weight.fixedKgM[2] + levelUpKgM) - forcesNm;
			const phase = Math.atan2(b, a);
			const booms = [low, high, ...(phase > low && phase < high ? [phase] : [])];
			for (const boomRad of booms) {
				const each = (rest - a * Math.cos(boomRad) - b * Math.sin(boomRad)) / scale;
				if (each >= reserve) continue;
				reserve = each;
				worst = { swingRad: Math.atan2(-way * inward[1], -way * inward[0]), boomRad, edge };
			}
			for (let step = 0; step <= marginSteps; step += 1) {
				const { outKgM, upKgM } = armOut(weight.arm, low + ((high - low) * step) / marginSteps);
				const restoringNm = cosine * (fixedNm - g * way * outKgM);
				const overturningNm = sine * g * (weight.fixedKgM[2] + upKgM) + forcesNm;
				margin = Math.min(margin, marginOf(restoringNm, restoringNm - overturningNm));
			}
		}
	});
	return { reserve, margin, worst };
}

/**
 * The least reserve for each of `headings` swing angles over the boom range: the rose on the plan, counted from x
 * counter-clockwise.
 *
 * As {@link stabilityEnvelope} in all else: slope, wind and push act square to each edge. `booms` angles are looked at,
 * ends included (default 20).
 */
export function stabilityRose(
	input: EnvelopeInput & { readonly headings?: number; readonly booms?: number }
): readonly { readonly swingRad: number; readonly reserve: number; readonly boomRad: number }[] {
	const check = checksFor('stabilityRose');
	const footprint = footprintOf('stabilityRose', input.footprintM);
	const weight = craneWeight('stabilityRose', input);
	const [low, high] = check.range('boomRangeRad', input.boomRangeRad);
	const headings = countOf(check, 'headings', input.headings ?? 360);
	const booms = Math.max(2, countOf(check, 'booms', input.booms ?? 20));
	const slopeRad = check.atLeastZero('slopeRad', input.slopeRad ?? 0);
	const [sine, cosine] = [Math.sin(slopeRad), Math.cos(slopeRad)];
	if (slopeRad >= Math.PI / 2) check.fail('slopeRad', 'must be less than a right angle', slopeRad);
	const forcesNm = overturning(check, input);
	const g = standardGravityMPerS2;
	const poses = Array.from({ length: booms }, (_, step) => {
		const boomRad = low + ((high - low) * step) / (booms - 1);
		const { outKgM, upKgM } = armOut(weight.arm, boomRad);
		return { boomRad, outKgM, overturningNm: sine * g * (weight.fixedKgM[2] + upKgM) + forcesNm };
	});
	return Array.from({ length: headings }, (_, index) => {
		const swingRad = (2 * Math.PI * index) / headings;
		const [ahead, left] = [Math.cos(swingRad), Math.sin(swingRad)];
		let [reserve, boomRad] = [Infinity, low];
		for (const { from, inward, centroidM } of footprint.edges) {
			const fixed =
				(weight.fixedKgM[0] - weight.massKg * from[0]) * inward[0] +
				(weight.fixedKgM[1] - weight.massKg * from[1]) * inward[1];
			const along = ahead * inward[0] + left * inward[1];
			for (const pose of poses) {
				const netNm = cosine * g * (fixed + pose.outKgM * along) - pose.overturningNm;
				const each = netNm / (weight.massKg * g * centroidM);
				if (each < reserve) [reserve, boomRad] = [each, pose.boomRad];
			}
		}
		return { swingRad, reserve, boomRad };
	});
}
