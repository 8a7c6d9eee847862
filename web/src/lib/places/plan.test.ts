import { describe, expect, it } from 'vitest';
import { mostPoints, mostShapes, type PlanPoint, type VenuePlan } from '$lib/model/venue';
import { venuePlan } from '$lib/server/schemas/venue';
import {
	boundsOfPlan,
	cornersOf,
	freshUnderlay,
	inTheMiddle,
	keptOf,
	levelledBy,
	movedBy,
	ofKind,
	scaledBy,
	withDrawing,
	withMorePoint,
	withoutPoint,
	withPoint,
	withShape,
	wrongWithShape
} from './plan';

const empty: VenuePlan = { ceilingM: 6, shapes: [], underlay: null };
const square: readonly PlanPoint[] = [
	[0, 0],
	[4, 0],
	[4, 4],
	[0, 4]
];
const withSquare = withShape(empty, 'obstacle', square);
const shape = withSquare.plan.shapes[0]!;
const accepted = (plan: VenuePlan) => venuePlan.validate(plan, { convert: false }).error?.message ?? null;

describe('a plan', () => {
	it('gives each thing its kind’s height and a name of its own', () => {
		const plan = withShape(
			withShape(withSquare.plan, 'wall', square.slice(0, 2)).plan,
			'wall',
			square.slice(1, 3)
		).plan;
		expect(plan.shapes.map(({ label }) => label)).toEqual(['Obstacle 1', 'Wall 1', 'Wall 2']);
		expect(plan.shapes[1]).toMatchObject({ bottomM: 0, topM: 6 });
		expect(new Set(plan.shapes.map(({ id }) => id)).size).toBe(3);
		expect(accepted(plan)).toBeNull();
	});
	it('moves, adds and takes points, and never fewer than make the thing', () => {
		const more = withMorePoint(withSquare.plan, shape, 3);
		expect(more.shapes[0]!.pointsM[4]).toEqual([0, 2]);
		const fewer = withoutPoint(more, more.shapes[0]!, 0);
		expect(fewer.shapes[0]!.pointsM).toHaveLength(4);
		const triangle = withoutPoint(fewer, fewer.shapes[0]!, 0);
		expect(withoutPoint(triangle, triangle.shapes[0]!, 0)).toBe(triangle);
		expect(movedBy(withSquare.plan, shape, [1, -2]).shapes[0]!.pointsM[2]).toEqual([5, 2]);
		expect(withPoint(withSquare.plan, shape, 0, [9999, 1]).shapes[0]!.pointsM[0]).toEqual([500, 1]);
	});
	it.each(['wall', 'obstacle', 'people', 'keepOut', 'line'] as const)(
		'has one more %s in its middle without a tap',
		(kind) => {
			const points = inTheMiddle(withSquare.plan, kind);
			const { plan } = withShape(withSquare.plan, kind, points);
			expect(accepted(plan)).toBeNull();
			expect(wrongWithShape(plan.shapes[1]!)).toBeNull();
			for (const k of [0, 1] as const)
				expect(points.reduce((sum, point) => sum + point[k], 0) / points.length).toBeCloseTo(2, 9);
		}
	);
	it('becomes an area only with three points', () => {
		const { plan } = withShape(empty, 'wall', square.slice(0, 2));
		expect(ofKind(plan, plan.shapes[0]!, 'people')).toBe(plan);
		expect(ofKind(withSquare.plan, shape, 'people').shapes[0]).toMatchObject({ kind: 'people', topM: 1.9 });
	});
	it('says what is wrong with an outline', () => {
		expect(wrongWithShape(shape)).toBeNull();
		const crossed = { ...shape, pointsM: [square[0]!, square[2]!, square[1]!, square[3]!] };
		expect(wrongWithShape(crossed)).toContain('crosses itself');
		// A wall may: it is only a line.
		expect(wrongWithShape({ ...crossed, kind: 'wall' })).toBeNull();
		expect(wrongWithShape({ ...shape, bottomM: 3 })).toContain('top under its bottom');
		expect(wrongWithShape({ ...shape, label: ' ' })).toContain('name');
	});
	it('tells the core how far to keep from each kind', () => {
		expect(keptOf(shape)).toMatchObject({ closed: true, keepM: 0.3 });
		expect(keptOf({ ...shape, kind: 'line' })).toMatchObject({ closed: false, keepM: 10 });
	});
	it.each([
		['two points for an area', { pointsM: square.slice(0, 2) }],
		['a top under its bottom', { bottomM: 5 }],
		['a point beyond the sheet', { pointsM: [...square.slice(0, 3), [900, 0]] }],
		['a kind that is none', { kind: 'lake' }]
	])('is refused at the door with %s', (_, wrong) => {
		expect(accepted({ ...withSquare.plan, shapes: [{ ...shape, ...wrong } as typeof shape] })).not.toBeNull();
	});
});

describe('a drawing put on the plan', () => {
	const line = (length: number, closed = false) => ({
		points: closed
			? square.map(([x, y]): PlanPoint => [x * length, y * length])
			: ([
					[0, 0],
					[length, 0]
				] as const),
		closed,
		label: 'A-WALL'
	});
	it('makes the longest closed line the room, other closed ones obstacles, open ones walls', () => {
		const { plan, taken } = withDrawing(empty, [line(2), line(1, true), line(500, true)], 0.01);
		expect(taken).toBe(3);
		expect(plan.shapes.map(({ kind }) => kind)).toEqual(['wall', 'obstacle', 'wall']);
		expect(plan.shapes[0]!.pointsM).toHaveLength(5);
		expect(boundsOfPlan(plan)).toEqual([
			[0, 0],
			[20, 20]
		]);
		expect(accepted(plan)).toBeNull();
	});
	it('holds only so many, the longest, and thins what has too many points', () => {
		const round = { points: Array.from({ length: 900 }, (_, k): PlanPoint => [k, k % 2]), closed: false, label: 'x' };
		const many = withDrawing(empty, [round, ...Array.from({ length: 450 }, () => line(1))], 0.1);
		expect(many).toMatchObject({ taken: mostShapes, tooMany: 51 });
		expect(many.plan.shapes[0]!.pointsM.length).toBeLessThanOrEqual(mostPoints);
		expect(many.plan.shapes[0]!.pointsM.at(-1)![0]).toBeCloseTo(89.9, 9);
		expect(accepted(many.plan)).toBeNull();
	});
});

describe('a picture under the plan', () => {
	const picture = { ...freshUnderlay('019ac000-0000-7000-8000-000000000001', 1000, 500), atM: [1, 2] as const };
	it('is scaled by two points and what is between them, the first staying put', () => {
		const scaled = scaledBy(
			picture,
			[
				[3, 4],
				[8, 4]
			] as const,
			10
		)!;
		expect(scaled.mPerPx).toBeCloseTo(picture.mPerPx * 2, 12);
		// The picture's spot under the first point is the same as before.
		const spot = (each: typeof picture) => (3 - each.atM[0]) / each.mPerPx;
		expect(spot(scaled as typeof picture)).toBeCloseTo(spot(picture), 9);
		expect(
			scaledBy(
				picture,
				[
					[3, 4],
					[3, 4]
				] as const,
				10
			)
		).toBeNull();
		expect(
			scaledBy(
				picture,
				[
					[3, 4],
					[8, 4]
				] as const,
				0
			)
		).toBeNull();
	});
	it('is turned so that a line drawn on it runs along the sheet', () => {
		const level = levelledBy(picture, [
			[1, 2],
			[2, 3]
		] as const)!;
		expect(level.turnRad).toBeCloseTo(-Math.PI / 4, 12);
		expect(level.atM).toEqual([1, 2]);
		const [corner, along] = cornersOf(level) as [PlanPoint, PlanPoint];
		expect(Math.hypot(along[0] - corner[0], along[1] - corner[1])).toBeCloseTo(20, 9);
		expect(
			levelledBy(picture, [
				[1, 2],
				[1, 2]
			] as const)
		).toBeNull();
	});
	it('counts in what the sheet shows', () => {
		expect(boundsOfPlan({ ...empty, underlay: picture })).toEqual([
			[1, 2],
			[21, 12]
		]);
	});
});
