import { checksFor } from '../input';
import { armMoments, type CraneArm } from './craneArm';

/** A kind of plate and how many of it are at hand; in an answer, how many to hang. */
export interface PlateCount {
	readonly massKg: number;
	readonly count: number;
}

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

/** Differences below this are none: sums of plates carry rounding. */
const tie = 1e-9;

/** Stacks of half the kinds that a search goes through at most: a second's work. */
const mostStacks = 8_000_000;

interface Kind extends PlateCount {
	/** Its place in what was given. */
	readonly at: number;
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

const massOf = (plates: readonly PlateCount[]) => plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0);

/** Two halves with about as many stacks each. */
function halvesOf(kinds: readonly PlateCount[]): readonly [readonly Kind[], readonly Kind[]] {
	const halves: [Kind[], Kind[]] = [[], []];
	const sizes = [1, 1];
	const many = kinds.map((kind, at) => ({ ...kind, at })).sort((a, b) => b.count - a.count || b.massKg - a.massKg);
	for (const kind of many) {
		const to = sizes[0]! <= sizes[1]! ? 0 : 1;
		halves[to].push(kind);
		sizes[to]! *= kind.count + 1;
	}
	return halves;
}

/** Goes through the stacks of some kinds whose mass is within the bounds. */
function through(
	kinds: readonly Kind[],
	{ leastKg, mostKg }: { readonly leastKg: number; readonly mostKg: number },
	visit: (massKg: number, plates: number, counts: readonly number[]) => void
): void {
	const counts = kinds.map(() => 0);
	const restKg = kinds.map((_, k) => massOf(kinds.slice(k + 1)));
	const go = (k: number, massKg: number, plates: number): void => {
		if (k === kinds.length) return void (massKg >= leastKg && visit(massKg, plates, counts));
		const { massKg: each, count } = kinds[k]!;
		for (let hung = 0; hung <= count; hung += 1) {
			const now = massKg + hung * each;
			if (now > mostKg) break;
			if (now + restKg[k]! < leastKg) continue;
			counts[k] = hung;
			go(k + 1, now, plates + hung);
		}
		counts[k] = 0;
	};
	if (mostKg >= 0) go(0, 0, 0);
}

interface Sums {
	/** Distinct, lightest first: what is nearer than a rounding is one. */
	readonly massKg: Float64Array;
	/** The fewest plates of each. */
	readonly plates: Uint16Array;
}
function sumsOf(
	kinds: readonly Kind[],
	within: { readonly leastKg: number; readonly mostKg: number },
	tooMany: () => never
): Sums {
	let many = 0;
	through(kinds, within, () => {
		many += 1;
		if (many > mostStacks) tooMany();
	});
	const all = new Float64Array(many);
	let filled = 0;
	through(kinds, within, (massKg) => (all[filled++] = massKg));
	all.sort();
	let kept = 0;
	for (const massKg of all) if (kept === 0 || massKg - all[kept - 1]! > tie) all[kept++] = massKg;
	const massKg = all.slice(0, kept);
	const plates = new Uint16Array(kept).fill(65_535);
	through(kinds, within, (mass, hung) => {
		const at = firstAbove(massKg, mass) - 1;
		plates[at] = Math.min(plates[at]!, hung);
	});
	return { massKg, plates };
}

interface Pair {
	readonly leftKg: number;
	readonly rightKg: number;
	readonly plates: number;
	readonly offKg: number;
	readonly left: number;
	readonly off: number;
}
/** The best pairs of sums, each by its fewest plates: the best stacks are all among them. */
function nearestPairs(
	left: Sums,
	right: Sums,
	bestKg: number,
	most: number,
	rank: (massKg: number) => { readonly left: number; readonly off: number }
): readonly Pair[] {
	const best: Pair[] = [];
	let worstKg = Infinity;
	const better = (a: Pair, b: Pair) => {
		if (Math.abs(a.left - b.left) > tie) return a.left < b.left;
		if (Math.abs(a.off - b.off) > tie) return a.off < b.off;
		return a.plates < b.plates;
	};
	const meet = (i: number, j: number): boolean => {
		const [leftKg, rightKg] = [left.massKg[i]!, right.massKg[j]!];
		const offKg = Math.abs(leftKg + rightKg - bestKg);
		if (offKg > worstKg + 2 * tie) return false;
		const plates = left.plates[i]! + right.plates[j]!;
		// As near as the last of the best, and no shorter: nothing to gain, which most are where masses are round.
		const last = best[most - 1];
		if (last !== undefined && offKg >= last.offKg - tie && plates >= last.plates) return true;
		const pair: Pair = { leftKg, rightKg, plates, offKg, ...rank(leftKg + rightKg) };
		let at = best.length;
		while (at > 0 && better(pair, best[at - 1]!)) at -= 1;
		best.splice(at, 0, pair);
		if (best.length > most) best.pop();
		if (best.length === most) worstKg = Math.max(...best.map((each) => each.offKg));
		return true;
	};
	let start = right.massKg.length;
	for (let i = 0; i < left.massKg.length; i += 1) {
		const wantedKg = bestKg - left.massKg[i]!;
		while (start > 0 && right.massKg[start - 1]! >= wantedKg) start -= 1;
		for (let j = start; j < right.massKg.length && meet(i, j); j += 1);
		for (let j = start - 1; j >= 0 && meet(i, j); j -= 1);
	}
	return best;
}

/** The shortest stacks of one mass. */
function stacksAt(kinds: readonly Kind[], massKg: number, most: number): readonly (readonly number[])[] {
	const found: { readonly counts: readonly number[]; readonly plates: number }[] = [];
	through(kinds, { leastKg: massKg - tie, mostKg: massKg + tie }, (_, plates, counts) => {
		const last = found[most - 1];
		if (last !== undefined && plates >= last.plates) return;
		found.push({ counts: [...counts], plates });
		found.sort((a, b) => a.plates - b.plates);
		if (found.length > most) found.pop();
	});
	return found.map(({ counts }) => counts);
}

/** The index of the first that is more than it. */
function firstAbove(sorted: Float64Array, value: number): number {
	let [low, high] = [0, sorted.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (sorted[middle]! <= value) low = middle + 1;
		else high = middle;
	}
	return low;
}
