import type { Vec3 } from '../mass/body';
import { isPoised, stateOf } from './axisState';
import { axisLoads, type GimbalChain } from './chain';
import { solvePositions } from './solvePositions';

/** A place where a counterweight can be fixed: its point at slide positions 0, what turns it, which slides carry it. */
export interface CounterweightPlace {
	readonly id: string;
	readonly atM: Vec3;
	readonly hangsOn: string;
	readonly movesWith: readonly string[];
	readonly greatestKg: number;
}

/** A change that brings the rig into balance, and how the slides stand after it (metres by slide id). */
export type Remedy =
	| {
			readonly kind: 'extendSlide';
			readonly slideId: string;
			readonly end: 'least' | 'greatest';
			/** How much further the slide has to reach. */
			readonly byM: number;
			readonly positionsM: Readonly<Record<string, number>>;
	  }
	| {
			readonly kind: 'addMass';
			readonly placeId: string;
			readonly massKg: number;
			readonly positionsM: Readonly<Record<string, number>>;
	  };

/** Scales of this trade show 1 g; a mass is searched to half of that. */
const massStepKg = 0.0005;
/** Enough to see the feasible stretch of any place; within it the least mass is then found by halving. */
const massProbes = 24;

/**
 * What would balance a rig whose slides cannot: first one slide reaching further, least extra reach first; then one
 * counterweight, least mass first. A remedy is listed only if the whole rig is balanced after it.
 */
export function findRemedies(chain: GimbalChain, toleranceNm: number, places: readonly CounterweightPlace[]): Remedy[] {
	const extensions = chain.slides.flatMap((_, index) => extend(chain, index, toleranceNm));
	const weights = places.flatMap((place) => counterweight(chain, place, toleranceNm));
	return [...extensions.sort((a, b) => a.byM - b.byM), ...weights.sort((a, b) => a.massKg - b.massKg)];
}

function extend(chain: GimbalChain, index: number, toleranceNm: number) {
	const slide = chain.slides[index];
	if (slide === undefined) return [];
	const [least, greatest] = slide.rangeM;
	// Further than the longest payload on the longest arm: past this the answer is another rig, not a longer slide.
	const reachM = 2;
	const reaching = replaceRange(chain, index, [least - reachM, greatest + reachM]);
	const wanted = solved(reaching, toleranceNm);
	const positionM = wanted?.positionsM[slide.id];
	if (wanted === null || positionM === undefined) return [];
	const past = positionM < least ? least - positionM : positionM - greatest;
	if (!(past > 0)) return [];
	const end = positionM < least ? ('least' as const) : ('greatest' as const);
	return [{ kind: 'extendSlide' as const, slideId: slide.id, end, byM: past, positionsM: wanted.positionsM }];
}

function counterweight(chain: GimbalChain, place: CounterweightPlace, toleranceNm: number) {
	const withMass = (massKg: number) => solved(weighted(chain, place, massKg), toleranceNm);
	let short = 0;
	let enough: number | null = null;
	for (let probe = 1; probe <= massProbes; probe += 1) {
		const massKg = (place.greatestKg * probe) / massProbes;
		if (withMass(massKg) !== null) {
			enough = massKg;
			break;
		}
		short = massKg;
	}
	if (enough === null) return [];
	while (enough - short > massStepKg) {
		const middle: number = (enough + short) / 2;
		if (withMass(middle) !== null) enough = middle;
		else short = middle;
	}
	const outcome = withMass(enough);
	if (outcome === null) return [];
	return [{ kind: 'addMass' as const, placeId: place.id, massKg: enough, positionsM: outcome.positionsM }];
}

/** The chain with a point mass fixed at the place. */
export function weighted(chain: GimbalChain, place: CounterweightPlace, massKg: number): GimbalChain {
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

/** Positions by slide id if the chain balances, else null. */
function solved(chain: GimbalChain, toleranceNm: number) {
	const loads = axisLoads('balanceGimbal', chain);
	const positionsM = solvePositions(loads, chain);
	if (!loads.every((load) => isPoised(load, stateOf(load, positionsM), toleranceNm))) return null;
	return { positionsM: Object.fromEntries(chain.slides.map((slide, i) => [slide.id, positionsM[i] as number])) };
}
