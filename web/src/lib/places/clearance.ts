import type { KeyedMove, Mount, MoveNear, MovingBody, Obstacle, Stray } from '@poise/core';
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
	readonly shapes: readonly Obstacle[];
	readonly eachWithinM: number;
	/** Where it may come to rest beside its way; absent: nowhere. */
	readonly strays?: readonly Stray[];
}

export interface ClearFinding {
	readonly id: string;
	readonly label: string;
	readonly kind: PlanKind | 'ceiling' | 'floor';
	readonly bodyId: string;
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

/** What the core found, as the slip says it: what wants room most first. */
export function readClear(near: readonly MoveNear[], asked: RoomAsked, plan: VenuePlan | null): ClearAnswer {
	const shapes = new Map((plan?.shapes ?? []).map((shape) => [shape.id, shape]));
	const findings = near.flatMap(({ shapeId, bodyId, clearanceM, atS }): ClearFinding[] => {
		if (shapeId.startsWith(over)) return [];
		const shape = shapes.get(shapeId);
		const kind = shape?.kind ?? (shapeId === 'floor' ? 'floor' : 'ceiling');
		const label = shape?.label ?? (kind === 'floor' ? 'Floor' : 'Ceiling');
		// The floor is spoken of only where it is the news.
		if (kind === 'floor' && clearanceM > 0.1 && clearanceM >= asked.givesM) return [];
		return [{ id: shapeId, label, kind, bodyId, clearanceM, wantedM: keepM(kind, asked), atS }];
	});
	return {
		findings: findings.sort((one, two) => one.clearanceM - one.wantedM - (two.clearanceM - two.wantedM)),
		overPeople: near
			.filter(({ shapeId, clearanceM }) => shapeId.startsWith(over) && clearanceM <= 0)
			.map(({ shapeId }) => shapes.get(shapeId.slice(over.length))?.label ?? '')
	};
}
export const tooNear = ({ clearanceM, wantedM }: ClearFinding): boolean => clearanceM < wantedM || clearanceM <= 0;
