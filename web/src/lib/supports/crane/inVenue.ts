import { type ClearPoses, type CraneInVenueInput, type Kept, type Nearest, radFromDeg } from '@poise/core';
import type { CraneGeometry, CraneSetting, CraneStanding, Span } from './model';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { largestBlock, type Run } from './largestBlock';
import { boundsOfPlan, keepM, keptOf } from '$lib/places/plan';
import { reachAround } from './reach';
import { craneFlex, type MountedBody, reachOf } from './standing';

/** What the arm is drawn round with: its tube, the head, a camera with its hood, the weights. */
const radii = { head: 0.12, camera: 0.2, weights: 0.3 };
const fullTurn: Span = [-Math.PI, Math.PI];
/** People this near to the upright over the arm are under it. */
const besideM = 0.5;

/** Where a crane stands first: in the middle of the plan, its swing 0 to the right. */
export function freshStanding(venueId: string, plan: VenuePlan): CraneStanding {
	const [[x0, y0], [x1, y1]] = boundsOfPlan(plan);
	return {
		venueId,
		atM: [(x0 + x1) / 2, (y0 + y1) / 2],
		headingRad: 0,
		stopsRad: null,
		boomsRad: null,
		overPeople: false
	};
}

export interface VenueQuestion {
	/** All swings and booms that the crane has, whatever is let move: a stop set where this says so stays clear. */
	readonly clear: CraneInVenueInput;
	/** Between the stops, how near everything comes. */
	readonly nearest: CraneInVenueInput;
	/** Between the stops, who comes under the arm, however high it passes. */
	readonly under: CraneInVenueInput;
	/** Asked beside all of it. */
	readonly givesM: number;
}
export interface VenueAnswer {
	readonly clear: ClearPoses;
	readonly nearest: readonly Nearest[];
	readonly under: readonly Nearest[];
}

/** The booms that floor and ceiling leave; null: none. */
export const boomsLeft = (
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	{ ceilingM }: VenuePlan
): Span | null =>
	reachAround(geometry, setting, payload, { ceilingM, wallM: null, rowsFromM: null, headsM: 1.9, lineM: null }).keep;

/** Null: floor and ceiling leave no boom. */
export function venueQuestion(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	plan: VenuePlan,
	standing: CraneStanding
): VenueQuestion | null {
	const booms = standing.boomsRad ?? boomsLeft(geometry, setting, payload, plan);
	if (booms === null) return null;
	const [x, y] = standing.atM;
	const everywhere = {
		reach: reachOf(geometry, setting, payload),
		pivotM: [x, y, setting.pivotHeightM] as const,
		headingRad: standing.headingRad,
		radiiM: { tube: geometry.tubeAcrossM / 2, ...radii },
		swingRangeRad: fullTurn,
		boomRangeRad: geometry.boomRangeRad
	};
	const allowed = { ...everywhere, swingRangeRad: standing.stopsRad ?? fullTurn, boomRangeRad: booms };
	/** People to the sky: nobody is under the arm that passes beside them. */
	const upright = (shape: PlanShape): Kept => ({ ...keptOf(shape), bottomM: 0, topM: 500, keepM: besideM });
	const gives = craneFlex(geometry, setting).m;
	/** What gives comes nearer by so much than it is drawn. */
	const given = (shape: Kept): Kept => ({ ...shape, keepM: shape.keepM + gives });
	const shapes = plan.shapes.map((shape) =>
		given(shape.kind === 'people' && !standing.overPeople ? upright(shape) : keptOf(shape))
	);
	const under = plan.shapes.filter(({ kind }) => kind === 'people').map(upright);
	return {
		clear: { ...everywhere, shapes },
		nearest: { ...allowed, shapes: plan.shapes.map((shape) => given(keptOf(shape))) },
		under: { ...allowed, shapes: under },
		givesM: gives
	};
}

interface VenueFinding {
	readonly id: string;
	readonly label: string;
	readonly kind: keyof typeof keepM;
	readonly distanceM: number;
	readonly wantedM: number;
	readonly swingRad: number;
	readonly boomRad: number;
}

/** What to keep to; null: no need to. */
interface Limits {
	readonly swings: Span | null;
	readonly booms: Span | null;
}

export interface VenueReach {
	/** Every pose that is let be keeps from everything. */
	readonly all: boolean;
	/** What leaves most of it and is clear throughout: swings alone or booms alone where that is nearly as much; null: nothing does. */
	readonly keepTo: Limits | null;
	/** By swing: the share of the booms that is clear, 0 to 1. */
	readonly shares: readonly { readonly fromRad: number; readonly toRad: number; readonly share: number }[];
	readonly findings: readonly VenueFinding[];
	/** Areas of people that the arm passes over or beside. */
	readonly under: readonly string[];
}

/** One rule is easier to hold than two: it is preferred while it leaves this much of what two would. */
const nearlyAll = 0.6;
/** Less than this is no swing to speak of. */
const leastSwingRad = 0.09;

export function readVenue(
	{ clear, nearest, under }: VenueAnswer,
	plan: VenuePlan,
	{ stopsRad }: Pick<CraneStanding, 'stopsRad'>,
	booms: Span,
	givesM: number
): VenueReach {
	const block = allowed(clear, stopsRad, booms);
	const round = stopsRad === null;
	const free = block.clear.map((row) => row.every(Boolean));
	const byId = new Map(plan.shapes.map((shape) => [shape.id, shape]));
	return {
		all: free.every(Boolean),
		keepTo: free.every(Boolean) ? null : within(keepTo(block, round), stopsRad, booms),
		shares: block.clear.map((row, index) => ({
			fromRad: block.swingRad[index]!,
			toRad: block.swingRad[index + 1]!,
			share: row.filter(Boolean).length / row.length
		})),
		findings: nearest.flatMap(({ id, ...found }) => {
			const shape = byId.get(id);
			return shape === undefined
				? []
				: [{ id, label: shape.label, kind: shape.kind, wantedM: keepM[shape.kind] + givesM, ...found }];
		}),
		under: under.filter(({ distanceM }) => distanceM < besideM + givesM).map(({ id }) => byId.get(id)?.label ?? id)
	};
}

/** The cells that the stops and the booms let be, in order from stop to stop; a cell that they cut counts whole. */
function allowed({ clear, swingRad, boomRad }: ClearPoses, stopsRad: Span | null, booms: Span): ClearPoses {
	const [turn, high] = [clear.length, boomRad.length - 1];
	const cell = (2 * Math.PI) / turn;
	const slack = 1e-6;
	const [from, to] = stopsRad ?? fullTurn;
	const first = Math.floor((from + Math.PI) / cell + slack);
	const count = Math.min(turn, Math.max(1, Math.ceil((to + Math.PI) / cell - slack) - first));
	const swings = Array.from({ length: count }, (_, index) => first + index);
	const low = Math.max(
		0,
		boomRad.findLastIndex((edge) => edge <= booms[0] + slack)
	);
	const end = boomRad.findIndex((edge) => edge >= booms[1] - slack);
	const top = Math.max(low + 1, end === -1 ? high : end);
	const wrapped = (index: number) => ((index % turn) + turn) % turn;
	return {
		clear: swings.map((index) => clear[wrapped(index)]!.slice(low, top)),
		// The very edges of the cells where no turn lies between, so that a stop set there is found there again.
		swingRad: [...swings, first + count].map((index) => swingRad[index] ?? -Math.PI + index * cell),
		boomRad: boomRad.slice(low, top + 1)
	};
}

/** Both ends to a tenth of a degree, drawn in and never out, so that what is said, what is set and what was proven are one figure. */
const inTenths = ([from, to]: Span): Span => {
	const tenth = radFromDeg(0.1);
	const drawn: Span = [Math.ceil(from / tenth - 1e-6) * tenth, Math.floor(to / tenth + 1e-6) * tenth];
	return drawn[0] < drawn[1] ? drawn : [from, to];
};

/** A cell that the crane's own limits cut counts whole; what is proposed ends where they do. */
function within(limits: Limits | null, stopsRad: Span | null, booms: Span): Limits | null {
	if (limits === null) return null;
	const cut = ([from, to]: Span, [least, greatest]: Span): Span => [Math.max(from, least), Math.min(to, greatest)];
	const { swings } = limits;
	return {
		swings: swings === null ? null : inTenths(stopsRad === null ? swings : cut(swings, stopsRad)),
		booms: limits.booms === null ? null : inTenths(cut(limits.booms, booms))
	};
}

function keepTo(block: ClearPoses, round: boolean): Limits | null {
	const { clear, swingRad, boomRad } = block;
	const [across, up] = [clear.length, boomRad.length - 1];
	const both = largestBlock(clear, round);
	if (both === null || (both.length * (2 * Math.PI)) / across < leastSwingRad) return null;
	const cells = both.length * (both.high - both.low + 1);
	const swings = largestBlock(
		clear.map((row) => [row.every(Boolean)]),
		round
	);
	const levels = boomRad.slice(1).map((_, index) => clear.every((row) => row[index]));
	const booms = largestBlock(
		levels.map((free) => [free]),
		false
	);
	const swingSpan = ({ from, length }: Run): Span => {
		const turn = swingRad[across]! - swingRad[0]!;
		const at = (index: number) => (index <= across ? swingRad[index]! : swingRad[index - across]! + turn);
		return [at(from), at(from + length)];
	};
	if (swings !== null && swings.length * up >= nearlyAll * cells) return { swings: swingSpan(swings), booms: null };
	if (booms !== null && booms.length * across >= nearlyAll * cells)
		return { swings: null, booms: [boomRad[booms.from]!, boomRad[booms.from + booms.length]!] };
	return { swings: swingSpan(both), booms: [boomRad[both.low]!, boomRad[both.high + 1]!] };
}
