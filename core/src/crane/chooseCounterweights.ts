import { checksFor } from '../input';
import { armMoments, type CraneArm } from './craneArm';
import { halvesOf, massOf, nearestPairs, type PlateCount, stacksAt, sumsOf, tie } from './plateStacks';

export type { PlateCount } from './plateStacks';

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
 * travel, then fewest plates; the first leaves nothing that any other stack of these plates would not. Where nothing
 * balances there is one answer, the nearest. Throws `PhysicsInputError` for plates without mass or with a broken count, a
 * hanger that is not behind the pivot, a nose that is not before it, or an arm without sense.
 *
 * All plates hang at one place, so only their total mass matters, and both remainder and trim travel grow with its distance
 * from one mass `W₀` that leaves the trim in its middle. The kinds are split in two halves and the sums of each sorted; what a sum of one
 * half lacks is looked up in the other, outwards until nothing nearer is to be had: every pair that could be among the best is seen.
 *
 * Left out are only stacks that cannot be among the best `n`: with `M` the heaviest plate, take plates off the whole supply one by
 * one. Totals fall by at most M a step, so `n` of them lie within `n·M` above max(W₀, 0), or the supply ends before it; whatever is heavier
 * than max(W₀, 0) + n·M is further from W₀ than those n. Putting them on one by one says the same of min(W₀, supply) − n·M.
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
	const within = {
		leastKg: Math.min(bestKg, supplyKg) - most * heaviestKg - tie,
		mostKg: Math.max(bestKg, 0) + most * heaviestKg + tie
	};
	const [one, other] = halvesOf(kinds);
	const tooMany = () => check.fail('plates', 'must be fewer: there are too many ways to hang them', kinds.length);
	const left = sumsOf(one, { ...within, leastKg: within.leastKg - massOf(other) }, tooMany);
	const right = sumsOf(other, { ...within, leastKg: within.leastKg - massOf(one) }, tooMany);

	const answerOf = (counts: readonly number[], massKg: number): Ranked => {
		const without = uKgM + massKg * hangerU - wanted;
		const trimUM = trimKg === 0 ? middle : Math.min(high, Math.max(low, -without / trimKg));
		const remainingUKgM = without + trimKg * trimUM;
		return {
			plates: counts.reduce((sum, count) => sum + count, 0),
			off: Math.abs(trimUM - middle),
			choice: {
				plates: kinds.map(({ massKg: each }, index) => ({ massKg: each, count: counts[index] ?? 0 })),
				trimUM,
				remainingUKgM,
				vKgM: vKgM + massKg * hangerV + trimKg * trimV,
				noseKgPerTrimM: trimKg / noseU
			}
		};
	};
	const pairs = nearestPairs(left, right, bestKg, most, (massKg) => {
		const { off, choice } = answerOf([], massKg);
		return { left: Math.abs(choice.remainingUKgM), off };
	});
	const best = pairs.flatMap(({ leftKg, rightKg }) =>
		stacksAt(one, leftKg, most).flatMap((here) =>
			stacksAt(other, rightKg, most).map((there) => {
				const counts: number[] = kinds.map(() => 0);
				one.forEach(({ at }, k) => (counts[at] = here[k]!));
				other.forEach(({ at }, k) => (counts[at] = there[k]!));
				return answerOf(
					counts,
					counts.reduce((sum, count, k) => sum + count * kinds[k]!.massKg, 0)
				);
			})
		)
	);
	const ranked = best.sort(byRank).slice(0, most);
	// With the trim at its end and the nose still heavy (or light) by more, the others only repeat the first more badly.
	const first = ranked[0] as Ranked;
	const hung = massOf(first.choice.plates);
	const outOfReach = Math.abs(first.choice.remainingUKgM) > tie && (hung === 0 || Math.abs(hung - supplyKg) <= tie);
	return { choices: (outOfReach ? ranked.slice(0, 1) : ranked).map(({ choice }) => choice) };
}

interface Ranked {
	readonly choice: CounterweightChoice;
	readonly off: number;
	readonly plates: number;
}

function byRank(a: Ranked, b: Ranked): number {
	const remaining = Math.abs(a.choice.remainingUKgM) - Math.abs(b.choice.remainingUKgM);
	if (Math.abs(remaining) > tie) return remaining;
	const off = a.off - b.off;
	if (Math.abs(off) > tie) return off;
	return a.plates - b.plates;
}
