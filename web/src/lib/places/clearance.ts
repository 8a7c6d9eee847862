import {
	type KeyedMove,
	type Mount,
	moveClearance,
	type MoveNear,
	type MovingBody,
	type Obstacle,
	type Stray
} from '@poise/core';
import type { PlanKind, PlanShape, VenuePlan } from '$lib/model/venue';
import { isArea } from './plan';

/** From an overhead line, unless its owner says otherwise in writing. */
const fromLineM = 10;
const skyM = 200;
/** Things this much further off than what is asked are still named. */
const spokenOfM = 1.5;
const over = 'over-';

/** What is tried against a room: how it is carried, where it goes, what of it is how thick, what stands about it. */
export interface ClearQuestion {
	readonly mount: Mount;
	readonly moves: readonly KeyedMove[];
	readonly bodies: readonly MovingBody[];
	/** What of it stands and does not move: it strikes something, or it does not. */
	readonly standing?: readonly MovingBody[];
	readonly shapes: readonly Obstacle[];
	readonly eachWithinM: number;
	/** Where it may come to rest beside its way; absent: nowhere. */
	readonly strays?: readonly Stray[];
}

const standing = 'standing ';
/** The id of the so manieth body of what stands and does not move; and what a body is called. */
export const standingId = (name: string, k = 0): string => `${standing}${name}/${k}`;
const isStanding = (bodyId: string): boolean => bodyId.startsWith(standing);
export const bodyName = (bodyId: string): string =>
	isStanding(bodyId) ? bodyId.slice(standing.length).replace(/\/\d+$/, '') : bodyId;

export interface ClearFinding {
	readonly id: string;
	readonly label: string;
	readonly kind: PlanKind | 'ceiling' | 'floor';
	readonly bodyId: string;
	/** Nothing that goes along: no knot and no slower way helps. */
	readonly stands: boolean;
	readonly clearanceM: number;
	readonly wantedM: number;
	readonly atS: number;
}
export interface ClearAnswer {
	readonly findings: readonly ClearFinding[];
	/** People whose places are passed over, however high. */
	readonly overPeople: readonly string[];
}

/** So much is asked of everything, and so much more because what carries the camera gives. */
export interface RoomAsked {
	readonly safetyM: number;
	readonly givesM: number;
}
const keepM = (kind: ClearFinding['kind'], { safetyM, givesM }: RoomAsked): number =>
	givesM + (kind === 'line' ? Math.max(fromLineM, safetyM) : kind === 'keepOut' || kind === 'floor' ? 0 : safetyM);

const prismOf = ({ id, kind, pointsM, bottomM, topM }: PlanShape): Obstacle => ({
	id,
	kind: 'prism',
	outlineM: pointsM,
	closed: isArea(kind),
	bottomM,
	topM
});
/** Floor and ceiling reach as far as any plan. */
const slab = (id: string, atM: number, up: boolean): Obstacle => ({
	id,
	kind: 'box',
	centreM: [0, 0, atM + (up ? 1 : -1)],
	sizeM: [2000, 2000, 2]
});

/** What stands in a room, floor and ceiling too, and how near of it is spoken of. */
export function roomOf(
	plan: VenuePlan | null,
	{ safetyM, givesM }: RoomAsked
): { readonly shapes: readonly Obstacle[]; readonly eachWithinM: number } {
	const shapes = plan?.shapes ?? [];
	const most = shapes.some(({ kind }) => kind === 'line') ? Math.max(fromLineM, safetyM) : safetyM;
	return {
		shapes: [
			...shapes.map(prismOf),
			...shapes
				.filter(({ kind }) => kind === 'people')
				.map((shape) => ({ ...prismOf({ ...shape, bottomM: 0, topM: skyM }), id: `${over}${shape.id}` })),
			slab('floor', 0, false),
			...(plan?.ceilingM == null ? [] : [slab('ceiling', plan.ceilingM, true)])
		],
		eachWithinM: most + givesM + spokenOfM
	};
}

/** How near all of it comes: what goes along as far as anything is spoken of, what stands as far as it could be in something. */
export function tryClear({ standing = [], ...question }: ClearQuestion): readonly MoveNear[] {
	const moving = moveClearance(question);
	if (standing.length === 0) return moving;
	const { strays: _, ...still } = question;
	// Whose places are passed over is asked of what moves.
	const shapes = still.shapes.filter(({ id }) => !id.startsWith(over));
	return [...moving, ...moveClearance({ ...still, shapes, bodies: standing })];
}

/** What the core found, as the slip says it: what wants room most first. */
export function readClear(near: readonly MoveNear[], asked: RoomAsked, plan: VenuePlan | null): ClearAnswer {
	const shapes = new Map((plan?.shapes ?? []).map((shape) => [shape.id, shape]));
	const all = near.flatMap(({ shapeId, bodyId, clearanceM, atS }): ClearFinding[] => {
		if (shapeId.startsWith(over)) return [];
		const shape = shapes.get(shapeId);
		const kind = shape?.kind ?? (shapeId === 'floor' ? 'floor' : 'ceiling');
		const label = shape?.label ?? (kind === 'floor' ? 'Floor' : 'Ceiling');
		// The floor is spoken of only where it is the news.
		if (kind === 'floor' && clearanceM > 0.1 && clearanceM >= asked.givesM) return [];
		const stands = isStanding(bodyId);
		const finding = { id: shapeId, label, kind, bodyId, stands, clearanceM, atS } as const;
		if (!finding.stands) return [{ ...finding, wantedM: keepM(kind, asked) }];
		const still = { ...finding, wantedM: keepM(kind, { safetyM: 0, givesM: 0 }) };
		return tooNear(still) ? [still] : [];
	});
	const sorted = all.sort((one, two) => one.clearanceM - one.wantedM - (two.clearanceM - two.wantedM));
	return {
		// Of each thing what wants room most: the camera beside it, or a rail in it.
		findings: sorted.filter(({ id }, k) => sorted.findIndex((each) => each.id === id) === k),
		overPeople: near
			.filter(({ shapeId, clearanceM }) => shapeId.startsWith(over) && clearanceM <= 0)
			.map(({ shapeId }) => shapes.get(shapeId.slice(over.length))?.label ?? '')
	};
}
export const tooNear = ({ clearanceM, wantedM }: ClearFinding): boolean => clearanceM < wantedM || clearanceM <= 0;
