import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { chiSquarePoint } from '../numeric/chiSquare';
import { type FitWithDoubts, fitWithDoubts } from '../numeric/fitWithDoubts';
import { correctedTotals, type SledCorrection } from './correctSled';
import { sledTotals } from './sled';
import { missOf, type SledLook } from './sledLook';

/** One standard deviation of what the drawing may have wrong. */
export interface SledDoubt {
	readonly firstMomentKgM: Vec3;
	readonly productKgM2: number;
}

export interface SledEstimate {
	readonly correction: SledCorrection;
	/** One standard deviation of each; what no look touched keeps its doubt. Looks that clash make all of them wider, by as much as they do. */
	readonly sigma: { readonly firstMomentKgM: Vec3; readonly xzKgM2: number; readonly yzKgM2: number };
	/** By how much the doubts had to be widened before the looks fitted; 1: they fit the drawing as it is doubted. */
	readonly widenedBy: number;
	/** The looks do not fit each other: one of them is a slip, or something moved. */
	readonly looksClash: boolean;
	/** Among looks that clash, by its index: the one that the others contradict, and how many deviations it is off what they foretell; null: none. */
	readonly outlier: { readonly index: number; readonly offBy: number } | null;
}

/** Doubts are never widened further: past this a drawing says nothing at all. */
const mostWidened = 1000;

/**
 * What a sled's looks say it has wrong: one estimate from rest leans, drop times and spins together.
 *
 * `looks` in any order, each with the sled as drawn when it was taken; `doubt` is how wrong the drawing may be; the part
 * `carrierId` is the one known least (usually the camera on its plate). Throws `PhysicsInputError` for a carrier that is not
 * there, a doubt or a sigma that is not more than 0, or a look without sense.
 *
 * What was seen outweighs what was drawn: `χ²` of drawing and looks together has one degree of freedom a look when the
 * doubts are honest. Where it exceeds that law's 95 % point, doubts are widened by one factor, the least that brings `χ²`
 * back to its expectation; the looks' own errors stay as they are. Only those doubts are widened that a look which does not
 * fit speaks of (a lean at rest of the moment across its plane, a drop of the height, a spin of its product), and all of them
 * only where that is not enough: a spin should not move a centre that hangs true. Looks clash where nothing makes them fit, and where one of
 * them is further from what the others foretell than chance takes it: doubts are then no wider than the others ask for, lest
 * a slip be explained by a drawing wrong beyond all reason. All deviations are widened by the root of `χ²` over its expectation, and the
 * look that the others contradict is named. Nothing is left out of itself.
 *
 * Least squares with a prior (the doubt). A rest lean must satisfy `h sin α = x cos α`; a
 * spin the steady balance of gravity and spin that {@link steadyLean} solves, at the lean seen, so that no root need be chosen;
 * each is divided by how much its own error would unsettle it.
 *
 * @example
 * const sled = { parts: [{ id: 'all', body: { massKg: 10, cgM: [0, 0, 0.5] } }], gimbalHeightM: 0.51 };
 * const looks = [{ kind: 'rest', plane: 'fore', sled, leanRad: 0, sigmaRad: 0.01 }];
 * estimateSled({ looks, carrierId: 'all', doubt: { firstMomentKgM: [0.05, 0.05, 0.05], productKgM2: 0.02 } }).correction.firstMomentKgM[0]; // 0
 */
export function estimateSled(input: {
	readonly looks: readonly SledLook[];
	readonly doubt: SledDoubt;
	readonly carrierId: string;
}): SledEstimate {
	const check = checksFor('estimateSled');
	const doubts = [
		...check.vector('doubt.firstMomentKgM', input.doubt.firstMomentKgM),
		input.doubt.productKgM2,
		input.doubt.productKgM2
	].map((sigma, index) => check.positive(`doubt[${index}]`, sigma));
	input.looks.forEach((look, index) => {
		if ('sigmaRad' in look) {
			check.positive(`looks[${index}].sigmaRad`, look.sigmaRad);
			if (Math.abs(check.number(`looks[${index}].leanRad`, look.leanRad)) >= Math.PI / 2)
				check.fail(`looks[${index}].leanRad`, 'must be less than a right angle', look.leanRad);
		}
		if (look.kind === 'drop') {
			check.positive(`looks[${index}].sigmaS`, look.sigmaS);
			check.positive(`looks[${index}].dropTimeS`, look.dropTimeS);
		}
		if (look.kind === 'spin') check.positive(`looks[${index}].spinRadPerS`, look.spinRadPerS);
	});

	const seen = input.looks.map((look, index): Seen => {
		const carrier = look.sled.parts.find(({ id }) => id === input.carrierId)?.body;
		if (carrier === undefined || !(carrier.massKg > 0))
			return check.fail('carrierId', `must be a part with some mass of looks[${index}].sled`, input.carrierId);
		const drawn = sledTotals('estimateSled', look.sled);
		return { look, missAt: (values) => missOf(look, correctedTotals(drawn, carrier, correctionFrom(values))) };
	});
	const all = weighed(seen, doubts);
	const slip = all.widenedBy > 1 || all.clash ? contradicted(seen, doubts, all) : null;
	const { best, widenedBy, clash } = slip === null ? all : { ...slip, clash: true };
	const wider = clash ? Math.sqrt(Math.max(1, best.chiSquare / Math.max(1, seen.length))) : 1;
	const sigma = best.sigma.map((each) => each * wider) as [number, number, number, number, number];
	return {
		correction: correctionFrom(best.values),
		sigma: { firstMomentKgM: [sigma[0], sigma[1], sigma[2]], xzKgM2: sigma[3], yzKgM2: sigma[4] },
		widenedBy,
		looksClash: clash,
		// Of two that contradict each other either may be the slip.
		outlier: slip === null || seen.length < 3 ? null : { index: slip.index, offBy: slip.offBy }
	};
}

interface Seen {
	readonly look: SledLook;
	/** How far a sled wrong by these five figures is from doing what was seen, in the look's own standard deviations. */
	readonly missAt: (values: readonly number[]) => number;
}
interface Weighed {
	readonly best: FitWithDoubts;
	readonly widenedBy: number;
	/** Which of the doubts were widened. */
	readonly which: readonly boolean[];
	/** More is left than chance leaves, however wide. */
	readonly clash: boolean;
}

const nothing: readonly number[] = [0, 0, 0, 0, 0];
const noDoubt = nothing.map(() => false);
const everyDoubt = nothing.map(() => true);

const fitted = (
	seen: readonly Seen[],
	doubts: readonly number[],
	{ widenedBy, which }: Pick<Weighed, 'widenedBy' | 'which'>,
	start: readonly number[] = nothing
): FitWithDoubts =>
	fitWithDoubts(
		start,
		doubts.map((sigma, index) => (which[index] === true ? sigma * widenedBy : sigma)),
		(values) => seen.map(({ missAt }) => missAt(values))
	);

/** The most that χ² of so many looks comes to in 95 of 100. */
const mostBy = (looks: number) => chiSquarePoint(Math.max(1, looks), 1.645);

/** Looks with the drawing, its doubts as wide as they ask for. */
function weighed(seen: readonly Seen[], doubts: readonly number[]): Weighed {
	const most = mostBy(seen.length);
	let found: Omit<Weighed, 'clash'> = {
		best: fitted(seen, doubts, { widenedBy: 1, which: noDoubt }),
		...{ widenedBy: 1, which: noDoubt }
	};
	if (found.best.chiSquare > most) {
		found = widenedUntilFit(seen, doubts, doubtsAskedBy(seen, found.best.lookMisses), found.best);
		if (found.best.chiSquare > most) {
			const wide = widenedUntilFit(seen, doubts, everyDoubt, found.best);
			// Where all doubts together are no better, the narrower word stands.
			if (wide.best.chiSquare < found.best.chiSquare - 1) found = wide;
		}
	}
	return { ...found, clash: found.best.chiSquare > most };
}

/** The least factor that brings χ² down to its expectation, or as far as looks that clash let it come. */
function widenedUntilFit(
	seen: readonly Seen[],
	doubts: readonly number[],
	which: readonly boolean[],
	from: FitWithDoubts
): Omit<Weighed, 'clash'> {
	let best = fitted(seen, doubts, { widenedBy: mostWidened, which }, from.values);
	const enough = Math.max(seen.length, best.chiSquare + 1);
	let [least, most] = [1, mostWidened];
	// To a twentieth, on a scale of shares.
	while (most / least > 1.05) {
		const between = Math.sqrt(least * most);
		const tried = fitted(seen, doubts, { widenedBy: between, which }, best.values);
		if (tried.chiSquare > enough) least = between;
		else [most, best] = [between, tried];
	}
	return { widenedBy: most, which, best };
}

/**
 * The look without which the drawing has least wrong, where the others contradict it: it is further from what they foretell than
 * one look in a thousand searches is by chance. All looks are then weighed with the doubts as wide as the others ask for; null where none is contradicted.
 */
function contradicted(
	seen: readonly Seen[],
	doubts: readonly number[],
	all: Weighed
): (Omit<Weighed, 'clash'> & { readonly index: number; readonly offBy: number }) | null {
	if (seen.length < 2) return null;
	const without = (index: number) => seen.filter((_, which) => which !== index);
	const left = seen.map((_, index) => fitted(without(index), doubts, { widenedBy: 1, which: noDoubt }).chiSquare);
	const index = left.indexOf(Math.min(...left));
	// With doubts as wide as all looks together ask for, the drawing has no say in what the others foretell.
	const others = fitted(without(index), doubts, all);
	if (others.chiSquare > mostBy(seen.length - 1)) return null;
	const { missAt } = seen[index] as Seen;
	const { values, sigma, covariance } = others;
	const gradient = values.map((value, k) => {
		const step = 1e-4 * (sigma[k] as number);
		const at = (by: number) => missAt(values.map((each, other) => (other === k ? value + by : each)));
		return (at(step) - at(-step)) / (2 * step);
	});
	const variance = gradient.reduce(
		(sum, a, i) => sum + gradient.reduce((inner, b, j) => inner + a * b * (covariance[i]?.[j] ?? 0), 0),
		1
	);
	const offBy = Math.abs(missAt(values)) / Math.sqrt(Math.max(1, variance));
	if (offBy < Math.sqrt(3.1 ** 2 + 2 * Math.log(seen.length))) return null;
	const { best, widenedBy, which } = weighed(without(index), doubts);
	return { best: fitted(seen, doubts, { widenedBy, which }, best.values), widenedBy, which, index, offBy };
}

/** A look this many of its own errors away does not fit; where none is, the furthest speaks for all. */
const missedBy = 1.6;

/** Which of the five doubts (moments across, along and up, two products) the looks that do not fit speak of. */
function doubtsAskedBy(seen: readonly Seen[], lookMisses: readonly number[]): boolean[] {
	const furthest = Math.max(...lookMisses.map(Math.abs));
	const asked = seen.flatMap(({ look: { kind, plane } }, index) => {
		if (Math.abs(lookMisses[index] ?? 0) < Math.min(missedBy, furthest)) return [];
		const side = plane === 'side';
		if (kind === 'drop') return [2];
		return kind === 'rest' ? [side ? 1 : 0] : [side ? 4 : 3];
	});
	return [0, 1, 2, 3, 4].map((index) => asked.includes(index));
}

const correctionFrom = (values: readonly number[]): SledCorrection => ({
	firstMomentKgM: [values[0]!, values[1]!, values[2]!],
	xzKgM2: values[3]!,
	yzKgM2: values[4]!
});
