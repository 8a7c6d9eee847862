import { checksFor } from '../input';
import { armMoments, type CraneArm } from './craneArm';
import { fewestWithin } from './fewestPlates';
import { halvesOf, inOrder, massOf, nearestPairs, type PlateCount, type Steps, sumsOf, tie } from './plateStacks';

export type { PlateCount } from './plateStacks';

/** Nobody sees less at the nose, or sets a trim finer. */
const [finestNoseKg, finestTrimM] = [1e-4, 1e-4];
const fewWays = 1e8;
/** A few hundredths of a second. */
const fewSteps = 120_000;

export interface TrimSlide {
	readonly massKg: number;
	readonly rangeU: readonly [number, number];
	readonly vM: number;
}

export interface CounterweightChoice {
	/** Every kind that was offered, in its order, with how many of it to hang. */
	readonly plates: readonly PlateCount[];
	readonly trimUM: number;
	/** What stays of the first moment less the wanted, kg·m; positive: nose heavier than wanted. */
	readonly remainingUKgM: number;
	readonly vKgM: number;
	/** What one metre of the trim is at the nose, kg per m, which is grams per mm. */
	readonly noseKgPerTrimM: number;
}

export interface CounterweightInput {
	readonly arm: CraneArm;
	readonly plates: readonly PlateCount[];
	readonly hanger: { readonly uM: number; readonly vM: number };
	readonly trim: TrimSlide;
	/** How much heavier than neutral the nose is to be. */
	readonly noseBiasKg: number;
	readonly noseU: number;
	/** How many answers, best first; default 3. */
	readonly most?: number;
}

/**
 * Which plates to hang and where the trim stands, for a wanted nose bias: an exact search over all that are at hand.
 *
 * `arm` without plates and trim; `hanger` behind the pivot (`uM` < 0), `trim` slides along `rangeU`; wanted is
 * `U = noseBiasKg · noseU` about the pivot. Answers are ordered by least |remaining U|, then trim nearest the middle of its
 * travel, then fewest plates, then what is nearest to the last digit; both are counted in whole steps of what a hand can set or an eye
 * see, a tenth of a gram at the nose and a tenth of a millimetre of trim: nothing is hung for less. Where nothing
 * balances there is one answer, the nearest. Throws `PhysicsInputError` for plates without mass or with a broken count, a
 * hanger that is not behind the pivot, a nose that is not before it, or an arm without sense.
 *
 * All plates hang at one place, so only their total mass matters, and both remainder and trim travel grow with its distance
 * from one mass `W₀` that leaves the trim in its middle: nothing is better than to be within half a step of `W₀`. Where plates are many,
 * stacks are that near, and the shortest of them are found by their number of plates (`fewestWithin`). Where that finds too few,
 * the kinds are split in two halves and the sums of each sorted; what a sum of one
 * half lacks is looked up in the other, outwards until nothing nearer is to be had: every pair that could be among the best is seen.
 *
 * Left out are only stacks that cannot be among the best `n`: with `M` the heaviest plate, take plates off the whole supply one by
 * one. Totals fall by at most M a step, so `n` of them lie within `n·M` above max(W₀, 0), or the supply ends before it; whatever is heavier
 * than max(W₀, 0) + n·M, and a step, is further from W₀ than those n. Putting them on one by one says the same of min(W₀, supply) − n·M.
 *
 * @example
 * const arm = { parts: [{ id: 'nose', massKg: 10, uM: 2, vM: 0 }] };
 * chooseCounterweights({ arm, plates: [{ massKg: 5, count: 6 }], hanger: { uM: -1, vM: 0 },
 *   trim: { massKg: 1, rangeU: [-0.5, 0.5], vM: 0 }, noseBiasKg: 0, noseU: 2 }).choices[0].plates[0].count; // 4
 */
export function chooseCounterweights(input: CounterweightInput): { readonly choices: readonly CounterweightChoice[] } {
	const check = checksFor('chooseCounterweights');
	const { uKgM, vKgM } = armMoments('chooseCounterweights', input.arm);
	const kinds = check.list('plates', input.plates).map(({ massKg, count }, index) => {
		check.positive(`plates[${index}].massKg`, massKg);
		if (!Number.isInteger(count) || count < 0)
			check.fail(`plates[${index}].count`, 'must be a whole number from 0', count);
		return { massKg, count };
	});
	const hangerU = check.number('hanger.uM', input.hanger.uM);
	if (!(hangerU < 0)) check.fail('hanger.uM', 'must be behind the pivot, less than 0', hangerU);
	const hangerV = check.number('hanger.vM', input.hanger.vM);
	const trimKg = check.atLeastZero('trim.massKg', input.trim.massKg);
	const [low, high] = check.range('trim.rangeU', input.trim.rangeU);
	const trimV = check.number('trim.vM', input.trim.vM);
	const noseU = check.positive('noseU', input.noseU);
	const wanted = check.number('noseBiasKg', input.noseBiasKg) * noseU;
	const most = check.positive('most', input.most ?? 3);

	const middle = (low + high) / 2;
	const bestKg = (uKgM + trimKg * middle - wanted) / -hangerU;
	const supplyKg = massOf(kinds);
	const heaviestKg = kinds.reduce((most, { massKg, count }) => (count > 0 ? Math.max(most, massKg) : most), 0);
	// In steps of the remainder and of the trim; `stepKg` of plates is no less than one of either.
	const [leftStep, reachM] = [finestNoseKg * noseU, (high - low) / 2];
	const stepKg = (leftStep + finestTrimM * trimKg) / -hangerU;
	const withinKg =
		(reachM >= finestTrimM / 2 && trimKg > 0 ? (finestTrimM / 2) * trimKg : leftStep / 2 + trimKg * reachM) / -hangerU;
	const settled = (massKg: number) => {
		const without = uKgM + massKg * hangerU - wanted;
		const trimUM = trimKg === 0 ? middle : Math.min(high, Math.max(low, -without / trimKg));
		return { trimUM, remainingUKgM: without + trimKg * trimUM };
	};
	const stepsOf = ({ remainingUKgM, trimUM }: ReturnType<typeof settled>): Steps => ({
		left: Math.round(Math.abs(remainingUKgM) / leftStep),
		off: Math.round(Math.abs(trimUM - middle) / finestTrimM)
	});
	const within = {
		leastKg: Math.min(bestKg, supplyKg) - most * heaviestKg - stepKg - tie,
		mostKg: Math.max(bestKg, 0) + most * heaviestKg + stepKg + tie
	};
	const tooMany = () => check.fail('plates', 'must be fewer: there are too many ways to hang them', kinds.length);
	const answerOf = (counts: readonly number[]): Ranked => {
		const massKg = counts.reduce((sum, count, k) => sum + count * kinds[k]!.massKg, 0);
		const { trimUM, remainingUKgM } = settled(massKg);
		return {
			...stepsOf({ trimUM, remainingUKgM }),
			offKg: Math.abs(massKg - bestKg),
			plates: counts.reduce((sum, count) => sum + count, 0),
			choice: {
				plates: kinds.map(({ massKg: each }, index) => ({ massKg: each, count: counts[index] ?? 0 })),
				...{ trimUM, remainingUKgM },
				vKgM: vKgM + massKg * hangerV + trimKg * trimV,
				noseKgPerTrimM: trimKg / noseU
			}
		};
	};
	// Few stacks are soon gone through in halves, and are seldom within half a step.
	const ways = kinds.reduce((all, { count }) => all * (count + 1), 1);
	const near =
		ways < fewWays
			? null
			: fewestWithin(kinds, { aroundKg: bestKg, withinKg: withinKg * (1 - 1e-9), most, mostSteps: fewSteps });
	const stacks =
		near !== null && near.length >= most
			? near
			: stacksOfHalves(kinds, { ...within, bestKg, stepKg, most }, (massKg) => stepsOf(settled(massKg)), tooMany);
	const ranked = stacks.map(answerOf).sort(inOrder).slice(0, most);
	// With the trim at its end and the nose still heavy (or light) by more, the others only repeat the first more badly.
	const first = ranked[0] as Ranked;
	const hung = massOf(first.choice.plates);
	const outOfReach = first.left > 0 && (hung === 0 || Math.abs(hung - supplyKg) <= tie);
	return { choices: (outOfReach ? ranked.slice(0, 1) : ranked).map(({ choice }) => choice) };
}

interface Ranked extends Steps {
	readonly choice: CounterweightChoice;
	readonly offKg: number;
	readonly plates: number;
}

/** The best stacks, by the nearest pairs of the sums of two halves of the kinds. */
function stacksOfHalves(
	kinds: readonly PlateCount[],
	{ leastKg, mostKg, bestKg, stepKg, most }: Record<'leastKg' | 'mostKg' | 'bestKg' | 'stepKg' | 'most', number>,
	rank: (massKg: number) => Steps,
	tooMany: () => never
): readonly (readonly number[])[] {
	const [one, other] = halvesOf(kinds);
	const left = sumsOf(one, { leastKg: leastKg - massOf(other), mostKg }, tooMany);
	const right = sumsOf(other, { leastKg: leastKg - massOf(one), mostKg }, tooMany);
	const shortest = (half: readonly PlateCount[], massKg: number) =>
		fewestWithin(half, { aroundKg: massKg, withinKg: tie, most }) ?? [];
	return nearestPairs(left, right, bestKg, most, rank, stepKg).flatMap(({ leftKg, rightKg }) =>
		shortest(one, leftKg).flatMap((here) =>
			shortest(other, rightKg).map((there) => {
				const counts: number[] = kinds.map(() => 0);
				one.forEach(({ at }, k) => (counts[at] = here[k]!));
				other.forEach(({ at }, k) => (counts[at] = there[k]!));
				return counts;
			})
		)
	);
}
