import type { Observation, Tried } from './tried';

type Range = readonly [least: number, greatest: number];

/** A look that says the wrong thing: one in ten, until somebody shows that theirs are better. */
export const wrongLook = 0.1;

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

/** Cells of middle and half width, with how likely each is. */
export interface BandPosterior {
	/** Where the middle of what lies in the travel is, by half the likelihood. */
	readonly targetM: number;
	/** How likely the target is to be true to the tolerance. */
	readonly sure: number;
	/** How likely the band lies wholly beyond each end of the travel. */
	readonly beyond: { readonly least: number; readonly greatest: number };
	/** For each look, how likely it is to have said the wrong thing. */
	readonly wrong: readonly number[];
	/** How much a look there tells of the target, in bits. */
	tells(positionM: number): number;
	/** Places worth a look: between the likely edges. */
	readonly candidatesM: readonly number[];
}

/** The target is told apart in bins of so many tolerances. */
const binTolerances = 1;
/** Half widths that are tried where nothing is known of it, and pieces that a stretch of middles is cut into at most. */
const [widthCells, mostPieces] = [14, 12];

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
	const { rangeM, toleranceM, bandM } = prior;
	const halves = bandM === null || bandM <= 0 ? looseHalves(toleranceM, rangeM[1] - rangeM[0]) : knownHalves(bandM);
	return told(
		halves.flatMap(([halfM, chance]) => cellsOf(halfM, chance, history, prior)),
		history,
		prior
	);
}

interface Cell {
	readonly centreM: number;
	readonly halfM: number;
	readonly targetM: number;
	readonly share: number;
}

/** Every stretch of middles between two places where a look would change, cut so finely that its target is one. */
function cellsOf(halfM: number, chance: number, history: readonly Tried[], prior: BandPrior): Cell[] {
	const { rangeM, toleranceM } = prior;
	const ends = [...rangeM, ...history.map(({ positionM }) => positionM)].flatMap((at) => [at - halfM, at + halfM]);
	const marks = [-Infinity, ...[...new Set(ends)].sort((a, b) => a - b), Infinity];
	return marks.slice(1).flatMap((to, k) => {
		const from = marks[k]!;
		const inside = middleOf(from, to);
		const likely = history.reduce(
			(all, { positionM, observation }) =>
				all * (observation === expected(positionM, inside, halfM) ? 1 - wrongLook : wrongLook / 2),
			chance
		);
		const pieces = Number.isFinite(to - from)
			? Math.min(mostPieces, Math.max(1, Math.ceil((3 * (to - from)) / toleranceM)))
			: 1;
		return Array.from({ length: pieces }, (_, n) => {
			const [start, end] =
				pieces === 1 ? [from, to] : [from + ((to - from) * n) / pieces, from + ((to - from) * (n + 1)) / pieces];
			const centreM = middleOf(start, end);
			return {
				...{ centreM, halfM },
				targetM: targetOf(centreM, halfM, rangeM),
				share: likely * (below(end, prior) - below(start, prior))
			};
		});
	});
}

const middleOf = (from: number, to: number): number =>
	Number.isFinite(from) ? (Number.isFinite(to) ? (from + to) / 2 : from + 1e-9) : to - 1e-9;

/** Even in the logarithm. */
const looseHalves = (toleranceM: number, travelM: number): readonly (readonly [number, number])[] => {
	const [least, greatest] = [Math.log(toleranceM / 10), Math.log(Math.max(travelM, toleranceM))];
	return Array.from({ length: widthCells }, (_, k) => [
		Math.exp(least + ((greatest - least) * (k + 0.5)) / widthCells),
		1 / widthCells
	]);
};
const knownHalves = (bandM: number): readonly (readonly [number, number])[] => {
	const cells = 9;
	const at = Array.from({ length: cells }, (_, k) => ((k - (cells - 1) / 2) / (cells - 1)) * 5);
	const all = at.reduce((sum, z) => sum + Math.exp(-(z * z) / 2), 0);
	return at.map((z) => [bandM * Math.exp(0.22 * z), Math.exp(-(z * z) / 2) / all]);
};

/** The chance, before the looks, that the middle is below a place. */
function below(at: number, { centreM, scaleM }: BandPrior): number {
	if (!Number.isFinite(at)) return at > 0 ? 1 : 0;
	const off = Math.abs(at - centreM) / scaleM;
	const further = off < 1 ? 1 - off / 2 : 1 / (2 * off);
	return at < centreM ? further / 2 : 1 - further / 2;
}

const expected = (at: number, centreM: number, halfM: number): Observation =>
	at < centreM - halfM ? 'falls-' : at > centreM + halfM ? 'falls+' : 'holds';

/** The middle of what of a band lies in the travel; of one that lies beyond it, the end. */
const targetOf = (centreM: number, halfM: number, [least, greatest]: Range): number => {
	const inside = (at: number) => Math.min(greatest, Math.max(least, at));
	return (inside(centreM - halfM) + inside(centreM + halfM)) / 2;
};

function told(all: readonly Cell[], history: readonly Tried[], prior: BandPrior): BandPosterior {
	const { rangeM, toleranceM } = prior;
	const sum = all.reduce((total, { share }) => total + share, 0);
	const cells = all.flatMap((cell) => (cell.share > 1e-6 * sum ? [{ ...cell, share: cell.share / sum }] : []));
	const beyond = { least: 0, greatest: 0 };
	for (const { centreM, halfM, share } of cells) {
		if (centreM + halfM < rangeM[0]) beyond.least += share;
		if (centreM - halfM > rangeM[1]) beyond.greatest += share;
	}
	cells.sort((a, b) => a.targetM - b.targetM);
	const quantile = (part: number, of: readonly { readonly at: number; readonly share: number }[]) => {
		let sum = 0;
		for (const { at, share } of of) if ((sum += share) >= part) return at;
		return of[of.length - 1]?.at ?? 0;
	};
	const targets = cells.map(({ targetM, share }) => ({ at: targetM, share }));
	const targetM = quantile(0.5, targets);
	const edges = (side: -1 | 1) =>
		cells.map(({ centreM, halfM, share }) => ({ at: centreM + side * halfM, share })).sort((a, b) => a.at - b.at);
	const parts = Array.from({ length: 11 }, (_, k) => (k + 0.5) / 11);
	const likely = [edges(-1), edges(1)].flatMap((of) => parts.map((part) => quantile(part, of)));
	const inside = (at: number) => Math.min(rangeM[1], Math.max(rangeM[0], at));
	// The target in bins: which of them it is in is what a look is to tell.
	const bins = Int32Array.from(cells, (cell) =>
		Math.floor((cell.targetM - targets[0]!.at) / (binTolerances * toleranceM))
	);
	const lows = Float64Array.from(cells, ({ centreM, halfM }) => centreM - halfM);
	const highs = Float64Array.from(cells, ({ centreM, halfM }) => centreM + halfM);
	const shares = Float64Array.from(cells, ({ share }) => share);
	return {
		targetM,
		sure: cells.reduce((sum, cell) => (Math.abs(cell.targetM - targetM) <= toleranceM ? sum + cell.share : sum), 0),
		beyond,
		wrong: history.map(({ positionM, observation }) =>
			cells.reduce(
				(sum, { centreM, halfM, share }) => (expected(positionM, centreM, halfM) === observation ? sum : sum + share),
				0
			)
		),
		tells: (positionM) => {
			const [all, here] = [new Float64Array(3), new Float64Array(3)];
			let left = 0;
			for (let k = 0; k < shares.length; k += 1) {
				const which = positionM < lows[k]! ? 0 : positionM > highs[k]! ? 2 : 1;
				here[which]! += shares[k]!;
				all[which]! += shares[k]!;
				if (bins[k] === bins[k + 1]) continue;
				const sum = here[0]! + here[1]! + here[2]!;
				left += sum * bits(here, sum);
				here.fill(0);
			}
			return bits(all, all[0]! + all[1]! + all[2]!) - left;
		},
		candidatesM: [...new Set([...likely, targetM].map(inside))]
	};
}

/** The bits in what a look says, of outcomes with these shares of `sum`, when it may be wrong. */
function bits(shares: Float64Array, sum: number): number {
	if (sum <= 0) return 0;
	let total = 0;
	for (const share of shares) {
		const said = (share / sum) * (1 - 1.5 * wrongLook) + wrongLook / 2;
		total -= said * Math.log2(said);
	}
	return total;
}
