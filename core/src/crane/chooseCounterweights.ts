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

interface Stack {
	readonly counts: readonly number[];
	readonly massKg: number;
	readonly plates: number;
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
 * from one mass `W₀` that leaves the trim in its middle. The nearest sums to W₀ are found by splitting the kinds in two
 * halves, sorting the sums of one, and looking up what the other lacks: thousands of looks for millions of stacks.
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
	const half = Math.ceil(kinds.length / 2);
	const left = stacksOf(kinds.slice(0, half), most);
	const right = stacksOf(kinds.slice(half), most);

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
	let best: Ranked[] = [];
	let worstKg = Infinity;
	for (const one of left) {
		// Outwards from what the other half would have to weigh, both ways, until nothing nearer is to be had.
		const start = firstAtLeast(right, bestKg - one.massKg);
		for (const [from, step] of [
			[start, 1],
			[start - 1, -1]
		] as const) {
			for (let index = from; index >= 0 && index < right.length; index += step) {
				const other = right[index] as Stack;
				const massKg = one.massKg + other.massKg;
				if (Math.abs(massKg - bestKg) > worstKg + tie) break;
				best.push(answerOf([...one.counts, ...other.counts], massKg));
				if (best.length > 4 * most) best = best.sort(byRank).slice(0, most);
				if (best.length >= most) {
					const sorted = best.sort(byRank);
					const last = sorted[most - 1] as Ranked;
					worstKg = Math.abs(last.choice.plates.reduce((sum, each) => sum + each.massKg * each.count, 0) - bestKg);
				}
			}
		}
	}
	const ranked = best.sort(byRank).slice(0, most);
	// With the trim at its end and the nose still heavy (or light) by more, the others only repeat the first more badly.
	const first = ranked[0] as Ranked;
	const all = kinds.reduce((sum, { massKg, count }) => sum + massKg * count, 0);
	const hung = first.choice.plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0);
	const outOfReach = Math.abs(first.choice.remainingUKgM) > tie && (hung === 0 || Math.abs(hung - all) <= tie);
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

/** Every distinct total of some kinds, lightest first, each by its `most` shortest stacks. */
function stacksOf(kinds: readonly PlateCount[], most: number): Stack[] {
	let stacks: Stack[] = [{ counts: [], massKg: 0, plates: 0 }];
	for (const { massKg, count } of kinds) {
		const next: Stack[] = [];
		for (const stack of stacks)
			for (let hung = 0; hung <= count; hung += 1)
				next.push({
					counts: [...stack.counts, hung],
					massKg: stack.massKg + hung * massKg,
					plates: stack.plates + hung
				});
		stacks = shortest(next, most);
	}
	return stacks;
}

function shortest(stacks: Stack[], most: number): Stack[] {
	stacks.sort((a, b) => (Math.abs(a.massKg - b.massKg) > tie ? a.massKg - b.massKg : a.plates - b.plates));
	const kept: Stack[] = [];
	let same = 0;
	for (const stack of stacks) {
		const last = kept[kept.length - 1];
		same = last !== undefined && Math.abs(stack.massKg - last.massKg) <= tie ? same + 1 : 0;
		if (same < most) kept.push(stack);
	}
	return kept;
}

function firstAtLeast(stacks: readonly Stack[], massKg: number): number {
	let [low, high] = [0, stacks.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if ((stacks[middle] as Stack).massKg < massKg) low = middle + 1;
		else high = middle;
	}
	return low;
}
