import type { Observation, Tried } from './tried';

type Range = readonly [least: number, greatest: number];

/** A look that says the wrong thing: one in ten, until somebody shows that theirs are better. */
const wrongLook = 0.1;

/** What is known of a holding band before the looks. */
export interface BandPrior {
	readonly rangeM: Range;
	readonly toleranceM: number;
	/** Where its middle is thought to be, and how far off it is as likely as not. */
	readonly centreM: number;
	readonly scaleM: number;
	/** Half its width, good to a quarter; null: not known at all. */
	readonly bandM: number | null;
}

export interface BandPosterior {
	/** Where the middle of what lies in the travel is, by half the likelihood. */
	readonly targetM: number;
	/** How likely the target is to be true to the tolerance. */
	readonly sure: number;
	/** How likely the band lies wholly beyond each end of the travel. */
	readonly beyond: { readonly least: number; readonly greatest: number };
	/** The looks, by their index, that are wrong together more likely than not; none where it is open which of them are. */
	readonly doubted: readonly number[];
	/** Where in the travel a look tells most of the target. */
	readonly mostTellingM: number;
}

/** Half widths that are tried where nothing is known of it, pieces that a stretch of middles is cut into, places that are weighed for a look. */
const [widthCells, mostPieces, candidates] = [14, 12, 12];

/**
 * The holding band on one slide after some looks, each of which may be wrong.
 *
 * Its middle `c` follows, before the looks, a law without a scale of its own beyond `scaleM`: with `s = scaleM`, the chance to be further
 * off than `d` is `1 − d/2s` up to `s` and `s/2d` past it, so that a search doubles its steps. Half its width `h` is even in its logarithm
 * from a tenth of a tolerance to the whole travel, or about `bandM` with a quarter of doubt. A look says what is true of
 * `(c, h)` with `1 − wrongLook` and each of the other two with half the rest. For each `h` that is the same for all `c` between two of the
 * places `x ± h` of the looks, so that it is summed exactly over `c`, and over a ladder of `h`.
 */
export function bandPosterior(history: readonly Tried[], prior: BandPrior): BandPosterior {
	const cells = cellsOf(history, prior);
	const { rangeM, toleranceM } = prior;
	const { many, lowM, highM, targetM, share } = cells;
	const target = middleBy(targetM, share, many, [0.5])[0]!;
	const beyond = { least: 0, greatest: 0 };
	let sure = 0;
	for (let k = 0; k < many; k += 1) {
		if (highM[k]! < rangeM[0]) beyond.least += share[k]!;
		if (lowM[k]! > rangeM[1]) beyond.greatest += share[k]!;
		if (Math.abs(targetM[k]! - target) <= toleranceM) sure += share[k]!;
	}
	return {
		targetM: target,
		sure,
		beyond,
		doubted: doubtedIn(cells, history),
		mostTellingM: mostTelling(cells, target, prior)
	};
}

/** Of so many looks, the latest, it is asked which are wrong together: a figure holds no more of them. */
const mostAsked = 50;

/** Every stretch says which looks would be wrong there: the set of them that has more than half of the likelihood. */
function doubtedIn({ many, lowM, highM, share }: Cells, history: readonly Tried[]): readonly number[] {
	const first = Math.max(0, history.length - mostAsked);
	const bySet = new Map<number, number>();
	for (let k = 0; k < many; k += 1) {
		let set = 0;
		for (let index = first; index < history.length; index += 1) {
			const { positionM, observation } = history[index]!;
			if (spoken[says(positionM, lowM[k]!, highM[k]!)] !== observation) set += 2 ** (index - first);
		}
		bySet.set(set, (bySet.get(set) ?? 0) + share[k]!);
	}
	for (const [set, chance] of bySet)
		if (chance > 0.5)
			return history.flatMap((_, index) =>
				index >= first && Math.floor(set / 2 ** (index - first)) % 2 === 1 ? [index] : []
			);
	return [];
}

/** Stretches of middles at one half width, flat: the band's ends, its target, and how likely each is. */
interface Cells {
	readonly many: number;
	readonly lowM: Float64Array;
	readonly highM: Float64Array;
	readonly targetM: Float64Array;
	readonly share: Float64Array;
}

const spoken: readonly Observation[] = ['falls-', 'holds', 'falls+'];
/** 0 below the band, 1 within, 2 above. */
const says = (positionM: number, lowM: number, highM: number): number =>
	positionM < lowM ? 0 : positionM > highM ? 2 : 1;

function cellsOf(history: readonly Tried[], prior: BandPrior): Cells {
	const { rangeM, toleranceM, bandM } = prior;
	const halves = bandM === null ? looseHalves(toleranceM, rangeM[1] - rangeM[0]) : knownHalves(bandM);
	const most = halves.length * (2 * history.length + 5) * mostPieces;
	const cells = {
		lowM: new Float64Array(most),
		highM: new Float64Array(most),
		targetM: new Float64Array(most),
		share: new Float64Array(most)
	};
	let [many, sum] = [0, 0];
	const looks = history.map(({ positionM, observation }) => ({ positionM, heard: spoken.indexOf(observation) }));
	const inside = (at: number) => Math.min(rangeM[1], Math.max(rangeM[0], at));
	for (const { halfM, chance } of halves) {
		const ends = [...rangeM, ...history.map(({ positionM }) => positionM)].flatMap((at) => [at - halfM, at + halfM]);
		const marks = [-Infinity, ...ends.sort((a, b) => a - b), Infinity];
		for (let mark = 1; mark < marks.length; mark += 1) {
			const [from, to] = [marks[mark - 1]!, marks[mark]!];
			if (!(to > from)) continue;
			const within = middleOf(from, to);
			let likely = chance;
			for (const { positionM, heard } of looks)
				likely *= says(positionM, within - halfM, within + halfM) === heard ? 1 - wrongLook : wrongLook / 2;
			const pieces = Number.isFinite(to - from) ? Math.min(mostPieces, Math.ceil((3 * (to - from)) / toleranceM)) : 1;
			for (let n = 0; n < pieces; n += 1) {
				const start = n === 0 ? from : from + ((to - from) * n) / pieces;
				const end = n === pieces - 1 ? to : from + ((to - from) * (n + 1)) / pieces;
				const centreM = middleOf(start, end);
				cells.lowM[many] = centreM - halfM;
				cells.highM[many] = centreM + halfM;
				// The middle of what of it lies in the travel; of one that lies beyond it, the end.
				cells.targetM[many] = (inside(centreM - halfM) + inside(centreM + halfM)) / 2;
				cells.share[many] = likely * (below(end, prior) - below(start, prior));
				sum += cells.share[many]!;
				many += 1;
			}
		}
	}
	// What is left out is a millionth at most of each: nothing that a tolerance could show.
	let kept = 0;
	for (let k = 0; k < many; k += 1) {
		if (cells.share[k]! < 1e-6 * sum) continue;
		cells.lowM[kept] = cells.lowM[k]!;
		cells.highM[kept] = cells.highM[k]!;
		cells.targetM[kept] = cells.targetM[k]!;
		cells.share[kept] = cells.share[k]! / sum;
		kept += 1;
	}
	return { many: kept, ...cells };
}

const middleOf = (from: number, to: number): number =>
	Number.isFinite(from) ? (Number.isFinite(to) ? (from + to) / 2 : from + 1e-9) : to - 1e-9;

interface Half {
	readonly halfM: number;
	readonly chance: number;
}
/** Even in the logarithm. */
function looseHalves(toleranceM: number, travelM: number): readonly Half[] {
	const [least, greatest] = [Math.log(toleranceM / 10), Math.log(Math.max(travelM, toleranceM))];
	return Array.from({ length: widthCells }, (_, k) => ({
		halfM: Math.exp(least + ((greatest - least) * (k + 0.5)) / widthCells),
		chance: 1 / widthCells
	}));
}
/** Nine steps over two and a half deviations to each side. */
function knownHalves(bandM: number): readonly Half[] {
	const steps = Array.from({ length: 9 }, (_, k) => ((k - 4) / 4) * 2.5);
	const all = steps.reduce((sum, z) => sum + Math.exp(-(z * z) / 2), 0);
	return steps.map((z) => ({ halfM: bandM * Math.exp(0.22 * z), chance: Math.exp(-(z * z) / 2) / all }));
}

/** The chance, before the looks, that the middle is below a place. */
function below(at: number, { centreM, scaleM }: BandPrior): number {
	if (!Number.isFinite(at)) return at > 0 ? 1 : 0;
	const off = Math.abs(at - centreM) / scaleM;
	const further = off < 1 ? 1 - off / 2 : 1 / (2 * off);
	return at < centreM ? further / 2 : 1 - further / 2;
}

/** Values below which so much of the weight lies, each; counted in two thousand steps between the least and the greatest. */
function middleBy(
	values: Float64Array,
	weights: Float64Array,
	many: number,
	parts: readonly number[]
): readonly number[] {
	let [least, greatest] = [Infinity, -Infinity];
	for (let k = 0; k < many; k += 1) {
		least = Math.min(least, values[k]!);
		greatest = Math.max(greatest, values[k]!);
	}
	const steps = 2000;
	const counts = new Float64Array(steps + 1);
	const scale = greatest > least ? steps / (greatest - least) : 0;
	for (let k = 0; k < many; k += 1) counts[Math.floor((values[k]! - least) * scale)]! += weights[k]!;
	let [at, sum] = [0, counts[0]!];
	return parts.map((part) => {
		while (sum < part && at < steps) sum += counts[++at]!;
		return scale === 0 ? least : least + (at + 0.5) / scale;
	});
}

/** Among likely edges of the band: where the three answers share most with which tolerance's width the target lies in, in bits. */
function mostTelling(cells: Cells, targetM: number, { rangeM, toleranceM }: BandPrior): number {
	const { many, lowM, highM, share } = cells;
	const parts = Array.from({ length: candidates }, (_, k) => (k + 0.5) / candidates);
	const inside = (at: number) => Math.min(rangeM[1], Math.max(rangeM[0], at));
	const places = [...middleBy(lowM, share, many, parts), ...middleBy(highM, share, many, parts), targetM].map(inside);
	const bin = new Int32Array(many);
	let bins = 0;
	for (let k = 0; k < many; k += 1) {
		bin[k] = Math.floor((cells.targetM[k]! - rangeM[0]) / toleranceM);
		bins = Math.max(bins, bin[k]! + 1);
	}
	const counts = new Float64Array(3 * bins);
	const all = new Float64Array(3);
	let [best, most] = [targetM, -Infinity];
	for (const place of new Set(places)) {
		counts.fill(0);
		all.fill(0);
		for (let k = 0; k < many; k += 1) {
			const said = says(place, lowM[k]!, highM[k]!);
			counts[3 * bin[k]! + said]! += share[k]!;
			all[said]! += share[k]!;
		}
		let told = bits(all, 0);
		for (let at = 0; at < bins; at += 1) told -= bits(counts, 3 * at);
		if (told > most) [best, most] = [place, told];
	}
	return best;
}

/** Bits in what a look says that may be wrong, of three answers whose shares stand from `at`; times what they add up to. */
function bits(shares: Float64Array, at: number): number {
	const sum = shares[at]! + shares[at + 1]! + shares[at + 2]!;
	if (sum <= 0) return 0;
	let total = 0;
	for (let k = at; k < at + 3; k += 1) {
		const said = (shares[k]! / sum) * (1 - 1.5 * wrongLook) + wrongLook / 2;
		total -= said * Math.log2(said);
	}
	return sum * total;
}
