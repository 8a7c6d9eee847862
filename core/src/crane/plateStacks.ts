/** A kind of plate and how many of it are at hand; in an answer, how many to hang. */
export interface PlateCount {
	readonly massKg: number;
	readonly count: number;
}

/** Differences below this are none: sums of plates carry rounding. */
export const tie = 1e-9;
/** Stacks of half the kinds that a search goes through at most: a second's work. */
const mostStacks = 8_000_000;

/** A kind of plate with its place in what was given. */
export interface Kind extends PlateCount {
	readonly at: number;
}

export const massOf = (plates: readonly PlateCount[]): number =>
	plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0);

/** Two halves with about as many stacks each. */
export function halvesOf(kinds: readonly PlateCount[]): readonly [readonly Kind[], readonly Kind[]] {
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

interface Sums {
	/** Distinct, lightest first: what is nearer than a rounding is one. */
	readonly massKg: Float64Array;
	/** The fewest plates of each. */
	readonly plates: Uint16Array;
}
/**
 * Every mass that some of these plates come to, within bounds. A kind of `n` goes on in bundles of 1, 2, 4 … and what is left: any
 * number up to `n` is some of these bundles, and each bundle is one merging of two sorted lists.
 */
export function sumsOf(
	kinds: readonly Kind[],
	{ leastKg, mostKg }: { readonly leastKg: number; readonly mostKg: number },
	tooMany: () => never
): Sums {
	let sums: Sums = { massKg: new Float64Array(mostKg >= 0 ? 1 : 0), plates: new Uint16Array(mostKg >= 0 ? 1 : 0) };
	let restKg = massOf(kinds);
	for (const { massKg: each, count } of kinds)
		for (let left = count, bundle = 1; left > 0; bundle *= 2) {
			const hung = Math.min(bundle, left);
			left -= hung;
			restKg -= hung * each;
			sums = withBundle(sums, hung * each, hung, leastKg - Math.max(0, restKg) - tie, mostKg);
			if (sums.massKg.length > mostStacks) tooMany();
		}
	return sums;
}

/** These sums with and without a bundle: what cannot come to the least any more, or is over the most, is left out. */
function withBundle({ massKg, plates }: Sums, addedKg: number, hung: number, leastKg: number, mostKg: number): Sums {
	const many = massKg.length;
	const all = { massKg: new Float64Array(2 * many), plates: new Uint16Array(2 * many) };
	let filled = 0;
	for (let i = 0, j = 0; i < many || j < many;) {
		const without = i < many && (j >= many || massKg[i]! <= massKg[j]! + addedKg);
		const mass = without ? massKg[i]! : massKg[j]! + addedKg;
		const stack = without ? plates[i++]! : plates[j++]! + hung;
		if (mass > mostKg) break;
		if (mass < leastKg) continue;
		if (filled > 0 && mass - all.massKg[filled - 1]! <= tie)
			all.plates[filled - 1] = Math.min(all.plates[filled - 1]!, stack);
		else {
			all.massKg[filled] = mass;
			all.plates[filled] = stack;
			filled += 1;
		}
	}
	return { massKg: all.massKg.slice(0, filled), plates: all.plates.slice(0, filled) };
}

/** How far from what is wanted, in steps that can be set or seen; fewer first, the remainder before the trim. */
export interface Steps {
	readonly left: number;
	readonly off: number;
}
export interface Pair extends Steps {
	readonly leftKg: number;
	readonly rightKg: number;
	readonly plates: number;
	readonly offKg: number;
}
/** The order of preference: least steps left, least steps off, fewest plates, then what is nearest. */
export const inOrder = (a: Omit<Pair, 'leftKg' | 'rightKg'>, b: Omit<Pair, 'leftKg' | 'rightKg'>): number =>
	a.left - b.left || a.off - b.off || a.plates - b.plates || a.offKg - b.offKg;

/** The best pairs of sums, each by its fewest plates: the best stacks are all among them. `stepKg`: no step is wider. */
export function nearestPairs(
	left: Sums,
	right: Sums,
	bestKg: number,
	most: number,
	rank: (massKg: number) => Steps,
	stepKg: number
): readonly Pair[] {
	const best: Pair[] = [];
	let worstKg = Infinity;
	const meet = (i: number, j: number): boolean => {
		const [leftKg, rightKg] = [left.massKg[i]!, right.massKg[j]!];
		const offKg = Math.abs(leftKg + rightKg - bestKg);
		if (offKg > worstKg) return false;
		const plates = left.plates[i]! + right.plates[j]!;
		// As near as the last of the best, and no shorter: nothing to gain, which most are where masses are round.
		const last = best[most - 1];
		if (last !== undefined && offKg >= last.offKg - tie && plates >= last.plates) return true;
		const pair: Pair = { leftKg, rightKg, plates, offKg, ...rank(leftKg + rightKg) };
		let at = best.length;
		while (at > 0 && inOrder(pair, best[at - 1]!) < 0) at -= 1;
		best.splice(at, 0, pair);
		if (best.length > most) best.pop();
		if (best.length === most) worstKg = Math.max(...best.map((each) => each.offKg)) + stepKg + tie;
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
