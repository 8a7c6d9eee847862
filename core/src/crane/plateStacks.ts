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
export function sumsOf(
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

export interface Pair {
	readonly leftKg: number;
	readonly rightKg: number;
	readonly plates: number;
	readonly offKg: number;
	readonly left: number;
	readonly off: number;
}
/** The best pairs of sums, each by its fewest plates: the best stacks are all among them. */
export function nearestPairs(
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
export function stacksAt(kinds: readonly Kind[], massKg: number, most: number): readonly (readonly number[])[] {
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
