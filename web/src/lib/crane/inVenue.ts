import type { CraneInVenue, CraneInVenueInput, Kept } from '@poise/core';
import type { CraneGeometry, CraneSetting, CraneStanding, Span } from '$lib/model/crane';
import type { VenuePlan } from '$lib/model/venue';
import { boundsOfPlan, keepM, keptOf } from '$lib/venue/plan';
import { aroundM, reachAround } from './reach';
import { type MountedBody, reachOf } from './standing';

/** What the arm is drawn round with: its tube, the head, a camera with its hood, the weights. */
const radii = { head: 0.12, camera: 0.2, weights: 0.3 };
/** People this near to the upright over the arm are under it. */
const besideM = 0.5;

/** Where a crane stands first: in the middle of the plan, its swing 0 to the right. */
export function freshStanding(venueId: string, plan: VenuePlan): CraneStanding {
	const [[x0, y0], [x1, y1]] = boundsOfPlan(plan);
	return { venueId, atM: [(x0 + x1) / 2, (y0 + y1) / 2], headingRad: 0, stopsRad: null, boomsRad: null };
}

export interface VenueQuestion {
	/** Which poses are clear, and how near everything comes. */
	readonly clear: CraneInVenueInput;
	/** Who comes under the arm, however high it passes. */
	readonly under: CraneInVenueInput;
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
	const common = {
		reach: reachOf(geometry, setting, payload),
		pivotM: [x, y, setting.pivotHeightM] as const,
		headingRad: standing.headingRad,
		radiiM: { tube: geometry.tubeAcrossM / 2, ...radii },
		swingRangeRad: standing.stopsRad ?? ([-Math.PI, Math.PI] as const),
		boomRangeRad: booms
	};
	const under = plan.shapes
		.filter(({ kind }) => kind === 'people')
		.map((shape): Kept => ({ ...keptOf(shape), bottomM: 0, topM: 500, keepM: besideM }));
	return {
		clear: { ...common, shapes: plan.shapes.map(keptOf) },
		under: { ...common, shapes: under, cellRad: 0.1 }
	};
}

export interface VenueFinding {
	readonly id: string;
	readonly label: string;
	readonly kind: keyof typeof keepM;
	readonly distanceM: number;
	readonly wantedM: number;
	readonly swingRad: number;
	readonly boomRad: number;
}

export interface VenueReach {
	/** Every pose keeps from everything. */
	readonly all: boolean;
	/** The longest run of swings at which every boom is clear; null: there is none. */
	readonly swings: Span | null;
	/** The longest run of booms that is clear at every swing; null: there is none. */
	readonly booms: Span | null;
	/** The swings and booms that go together and are clear throughout, as many as there are; null: there are none. */
	readonly together: { readonly swings: Span; readonly booms: Span } | null;
	/** By swing: the share of booms that is clear, 0 to 1. */
	readonly shares: readonly { readonly fromRad: number; readonly toRad: number; readonly share: number }[];
	readonly findings: readonly VenueFinding[];
	/** Areas of people that the arm passes over or beside. */
	readonly under: readonly string[];
}

export interface VenueAnswer {
	readonly clear: CraneInVenue;
	readonly under: CraneInVenue;
}

export function readVenue({ clear, under }: VenueAnswer, plan: VenuePlan, round: boolean): VenueReach {
	const free = clear.clear.map((row) => row.every(Boolean));
	const level = clear.boomRad.slice(1).map((_, index) => clear.clear.every((row) => row[index]));
	const byId = new Map(plan.shapes.map((shape) => [shape.id, shape]));
	return {
		all: free.every(Boolean),
		swings: longestRun(free, clear.swingRad, round),
		booms: longestRun(level, clear.boomRad, false),
		together: largestBlock(clear),
		shares: clear.clear.map((row, index) => ({
			fromRad: clear.swingRad[index]!,
			toRad: clear.swingRad[index + 1]!,
			share: row.filter(Boolean).length / row.length
		})),
		findings: clear.nearest.flatMap(({ id, ...nearest }) => {
			const shape = byId.get(id);
			return shape === undefined
				? []
				: [{ id, label: shape.label, kind: shape.kind, wantedM: keepM[shape.kind], ...nearest }];
		}),
		under: under.nearest.filter(({ distanceM }) => distanceM < besideM).map(({ id }) => byId.get(id)?.label ?? id)
	};
}

/** The longest run that holds, as the edges of its cells; all the way round it may go on over the end. */
function longestRun(holds: readonly boolean[], edges: readonly number[], round: boolean): Span | null {
	const count = holds.length;
	if (holds.every(Boolean)) return [edges[0]!, edges[count]!];
	let best: { readonly from: number; readonly length: number } = { from: 0, length: 0 };
	for (let from = 0; from < count; from += 1) {
		if (!holds[from] || (holds[(from + count - 1) % count] && (round || from > 0))) continue;
		let length = 0;
		while (holds[(from + length) % count] && (round || from + length < count) && length < count) length += 1;
		if (length > best.length) best = { from, length };
	}
	if (best.length === 0) return null;
	const turn = edges[count]! - edges[0]!;
	const end = best.from + best.length;
	return [edges[best.from]!, end <= count ? edges[end]! : edges[end - count]! + turn];
}

/** Room to spare as the vial shows it: between the marks when it is enough. */
export const bubbleOf = ({ distanceM, wantedM }: VenueFinding): number =>
	distanceM >= wantedM ? 0 : Math.max(-30, -1 - (20 * (wantedM - distanceM)) / Math.max(wantedM, aroundM));

/** The largest block of swings and booms whose cells are all clear. */
function largestBlock({ clear, swingRad, boomRad }: CraneInVenue): VenueReach['together'] {
	const booms = boomRad.length - 1;
	/** For each boom: how many swings up to this one are clear without a break. */
	const run = new Array<number>(booms).fill(0);
	let best = { cells: 0, swing: 0, length: 0, low: 0, high: 0 };
	clear.forEach((row, swing) => {
		for (let boom = 0; boom < booms; boom += 1) run[boom] = row[boom] ? run[boom]! + 1 : 0;
		for (let low = 0; low < booms; low += 1) {
			let length = Infinity;
			for (let high = low; high < booms && run[high]! > 0; high += 1) {
				length = Math.min(length, run[high]!);
				const cells = length * (high - low + 1);
				if (cells > best.cells) best = { cells, swing, length, low, high };
			}
		}
	});
	return best.cells === 0
		? null
		: {
				swings: [swingRad[best.swing + 1 - best.length]!, swingRad[best.swing + 1]!],
				booms: [boomRad[best.low]!, boomRad[best.high + 1]!]
			};
}
