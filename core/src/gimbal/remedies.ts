import { checksFor } from '../input';
import { add, type Vec3 } from '../mass/body';
import { isPoised, stateOf } from './axisState';
import { axisLoads, type GimbalChain, type GimbalPart } from './chain';
import { leastBetween } from '../numeric/goldenSection';
import { solvePositions } from './solvePositions';

/** A place where a counterweight can be fixed: its point at slide positions 0, what turns it, which slides carry it. */
export interface CounterweightPlace {
	readonly id: string;
	readonly atM: Vec3;
	readonly hangsOn: string;
	readonly movesWith: readonly string[];
	readonly greatestKg: number;
}

/** Another way to put the same things together: part and axis ids that sit elsewhere, other ranges, other parts. */
export interface Alternative {
	readonly id: string;
	readonly kind: 'useHole' | 'turnCradle' | 'swapPlate';
	readonly shiftM: Vec3;
	/** Ids of the parts and axes that are shifted. */
	readonly moves: readonly string[];
	readonly rangesM?: Readonly<Record<string, readonly [number, number]>>;
	/** Parts that come off, and parts that come on with the slides that carry them. */
	readonly removes?: readonly string[];
	readonly adds?: readonly (GimbalPart & { readonly movesWith: readonly string[] })[];
}

/** A change that brings the gimbal into balance, and how the slides stand after it (metres by slide id). */
export type Remedy =
	| {
			readonly kind: 'extendSlide';
			readonly slideId: string;
			readonly end: 'least' | 'greatest';
			/** How much further the slide has to reach at least: there friction just holds. */
			readonly byM: number;
			/** How much further it has to reach to where nothing is left to hold. */
			readonly middleByM: number;
			readonly positionsM: Readonly<Record<string, number>>;
	  }
	| {
			readonly kind: Alternative['kind'];
			readonly alternativeId: string;
			readonly positionsM: Readonly<Record<string, number>>;
	  }
	| {
			readonly kind: 'addMass';
			readonly placeId: string;
			readonly massKg: number;
			readonly positionsM: Readonly<Record<string, number>>;
	  };

/** Nobody sets a reach finer. */
const reachStepM = 0.00005;
/** Scales of this trade show 1 g; a mass is searched to half of that. */
const massStepKg = 0.0005;
/** Enough that what is left over falls and rises at most once between three of them; there the window is looked for, however narrow. */
const massProbes = 24;

const alternativeOrder: readonly Alternative['kind'][] = ['useHole', 'turnCradle', 'swapPlate'];

/**
 * What would balance a gimbal whose slides cannot, cheapest first: one slide reaching further, least extra reach first;
 * another hole, the cradle turned, another plate; then one counterweight, least mass first, since weight is carried all
 * day. A remedy is listed only if the whole gimbal is balanced after it.
 */
export function findRemedies(
	chain: GimbalChain,
	toleranceNm: number,
	places: readonly CounterweightPlace[],
	alternatives: readonly Alternative[] = []
): Remedy[] {
	const extensions = chain.slides.flatMap((_, index) => extend(chain, index, toleranceNm));
	const weights = places.flatMap((place) => counterweight(chain, place, toleranceNm));
	const others = alternativeOrder.flatMap((kind) =>
		alternatives
			.filter((each) => each.kind === kind)
			.flatMap((each) => {
				const outcome = solved(withAlternative(chain, each), toleranceNm);
				return outcome === null ? [] : [{ kind, alternativeId: each.id, positionsM: outcome.positionsM }];
			})
	);
	return [...extensions.sort((a, b) => a.byM - b.byM), ...others, ...weights.sort((a, b) => a.massKg - b.massKg)];
}

/** The chain put together the other way. */
export function withAlternative(chain: GimbalChain, alternative: Alternative): GimbalChain {
	const { shiftM, moves, rangesM = {}, removes = [], adds = [] } = alternative;
	const check = checksFor('withAlternative');
	check.vector('alternative.shiftM', shiftM);
	const shifted = new Set(moves);
	const parts = chain.parts
		.filter(({ id }) => !removes.includes(id))
		.map((part) =>
			shifted.has(part.id) ? { ...part, body: { ...part.body, cgM: add(part.body.cgM, shiftM) } } : part
		);
	return {
		axes: chain.axes.map((axis) => (shifted.has(axis.id) ? { ...axis, pivotM: add(axis.pivotM, shiftM) } : axis)),
		parts: [...parts, ...adds.map(({ id, body, hangsOn }) => ({ id, body, hangsOn }))],
		slides: chain.slides.map((slide) => ({
			...slide,
			rangeM: rangesM[slide.id] ?? slide.rangeM,
			moves: [
				...slide.moves.filter((id) => !removes.includes(id)),
				...adds.filter(({ movesWith }) => movesWith.includes(slide.id)).map(({ id }) => id)
			]
		}))
	};
}

function extend(chain: GimbalChain, index: number, toleranceNm: number) {
	const slide = chain.slides[index];
	if (slide === undefined) return [];
	const [least, greatest] = slide.rangeM;
	// Further than the longest payload on the longest arm: past this the answer is another gimbal, not a longer slide.
	const reachM = 2;
	const reaching = replaceRange(chain, index, [least - reachM, greatest + reachM]);
	const wanted = solved(reaching, toleranceNm);
	const positionM = wanted?.positionsM[slide.id];
	if (wanted === null || positionM === undefined) return [];
	const past = positionM < least ? least - positionM : positionM - greatest;
	if (!(past > 0)) return [];
	const end = positionM < least ? ('least' as const) : ('greatest' as const);
	// The more it may reach the less is left over: the least that is enough lies between none and the middle.
	const reachingBy = (byM: number) =>
		replaceRange(chain, index, end === 'least' ? [least - byM, greatest] : [least, greatest + byM]);
	let [short, enough] = [0, past];
	while (enough - short > reachStepM) {
		const between = (short + enough) / 2;
		if (leftOver(reachingBy(between), toleranceNm) <= 1) enough = between;
		else short = between;
	}
	const outcome = solved(reachingBy(enough), toleranceNm) ?? wanted;
	return [
		{
			kind: 'extendSlide' as const,
			slideId: slide.id,
			end,
			byM: enough,
			middleByM: past,
			positionsM: outcome.positionsM
		}
	];
}

function counterweight(chain: GimbalChain, place: CounterweightPlace, toleranceNm: number) {
	const withMass = (massKg: number) => solved(weighted(chain, place, massKg), toleranceNm);
	const leftAt = (massKg: number) => leftOver(weighted(chain, place, massKg), toleranceNm);
	const window = firstWindow(leftAt, place.greatestKg);
	if (window === null) return [];
	let [short, enough] = window;
	while (enough - short > massStepKg) {
		const middle = (enough + short) / 2;
		if (leftAt(middle) <= 1) enough = middle;
		else short = middle;
	}
	const outcome = withMass(enough);
	if (outcome === null) return [];
	return [{ kind: 'addMass' as const, placeId: place.id, massKg: enough, positionsM: outcome.positionsM }];
}

/** N·m; a tolerance of nothing is divided by this. */
const nextToNothingNm = 1e-12;

/** A mass that is too light, and one above it that will do, of the lightest window; null: none up to the greatest. */
function firstWindow(leftAt: (massKg: number) => number, greatestKg: number): readonly [number, number] | null {
	const left: number[] = [];
	const massOf = (probe: number) => (greatestKg * probe) / massProbes;
	for (let probe = 0; probe <= massProbes; probe += 1) {
		left.push(leftAt(massOf(probe)));
		if (left[probe]! <= 1) return [massOf(Math.max(0, probe - 1)), massOf(probe)];
		// Less was left over at the one before than on either side of it: in between it may fall below what holds.
		if (probe === 0 || left[probe - 1]! > left[probe]! || (probe > 1 && left[probe - 1]! > left[probe - 2]!)) continue;
		const from = massOf(Math.max(0, probe - 2));
		const found = leastBetween(leftAt, [from, massOf(probe)], massStepKg / 8, 1);
		if (leftAt(found) <= 1) return [from, found];
	}
	return null;
}

/** The chain with a point mass fixed at the place. */
function weighted(chain: GimbalChain, place: CounterweightPlace, massKg: number): GimbalChain {
	const id = `counterweight:${place.id}`;
	return {
		...chain,
		parts: [...chain.parts, { id, body: { massKg, cgM: place.atM }, hangsOn: place.hangsOn }],
		slides: chain.slides.map((slide) =>
			place.movesWith.includes(slide.id) ? { ...slide, moves: [...slide.moves, id] } : slide
		)
	};
}

function replaceRange(chain: GimbalChain, index: number, rangeM: readonly [number, number]): GimbalChain {
	return { ...chain, slides: chain.slides.map((slide, i) => (i === index ? { ...slide, rangeM } : slide)) };
}

/** The worst axis's torque as a share of what holds it, with the slides at their best; up to 1 the chain is in balance. */
function leftOver(chain: GimbalChain, toleranceNm: number): number {
	const loads = axisLoads('balanceGimbal', chain);
	const positionsM = solvePositions(loads, chain);
	return Math.max(
		0,
		...loads.map(
			(load) =>
				stateOf(load, positionsM).residualTorqueNm / Math.max(load.axis.frictionNm ?? 0, toleranceNm, nextToNothingNm)
		)
	);
}

/** Positions by slide id if the chain balances, else null. */
function solved(chain: GimbalChain, toleranceNm: number) {
	const loads = axisLoads('balanceGimbal', chain);
	const positionsM = solvePositions(loads, chain);
	if (!loads.every((load) => isPoised(load, stateOf(load, positionsM), toleranceNm))) return null;
	return { positionsM: Object.fromEntries(chain.slides.map((slide, i) => [slide.id, positionsM[i] as number])) };
}
