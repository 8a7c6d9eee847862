import { craneClearPoses, craneNearest } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { CraneStanding } from './model';
import type { PlanKind, PlanPoint, VenuePlan } from '$lib/model/venue';
import { crane } from '$lib/testing/crane';
import { bodies, payload } from '$lib/testing/scenario';
import { withShape } from '$lib/places/plan';
import { roomBubble } from '$lib/places/roomBubble';
import { boomsLeft, freshStanding, readVenue, venueQuestion } from './inVenue';
import { bareSetting, craneFlex, noseU } from './standing';

const { geometry } = crane('sectional');
const cine = bodies(payload('Cine'));
const setting = { ...bareSetting(geometry), fitted: ['first', 'second'] };
const hall: VenuePlan = { ceilingM: 8, shapes: [], underlay: null };
const reach = noseU(geometry, setting);
const box = (x: number, y: number, half: number): PlanPoint[] => [
	[x - half, y - half],
	[x + half, y - half],
	[x + half, y + half],
	[x - half, y + half]
];
const at: CraneStanding = { ...freshStanding('v', hall), atM: [0, 0] };
function tried(plan: VenuePlan, standing: CraneStanding = at) {
	const question = venueQuestion(geometry, setting, cine, plan, standing)!;
	const answer = {
		clear: craneClearPoses(question.clear),
		nearest: craneNearest(question.nearest),
		under: craneNearest(question.under)
	};
	return readVenue(answer, plan, standing, question.nearest.boomRangeRad, question.givesM);
}
const withOne = (kind: PlanKind, points: readonly PlanPoint[]) => withShape(hall, kind, points).plan;

describe('a crane on a venue’s plan', () => {
	it('stands in the middle of it first', () => {
		expect(freshStanding('v', withOne('obstacle', box(10, 4, 2))).atM).toEqual([10, 4]);
	});
	it('is clear all the way round where nothing stands', () => {
		expect(tried(hall)).toMatchObject({ all: true, findings: [], under: [] });
	});
	it('takes only the booms that the ceiling leaves, or that are asked for', () => {
		const high = boomsLeft(geometry, setting, cine, hall)!;
		const low = boomsLeft(geometry, setting, cine, { ...hall, ceilingM: 2.6 })!;
		expect(low[1]).toBeLessThan(high[1]);
		expect(boomsLeft(geometry, setting, cine, { ...hall, ceilingM: 1 })).toBeNull();
		expect(venueQuestion(geometry, setting, cine, { ...hall, ceilingM: 1 }, at)).toBeNull();
		const asked = venueQuestion(geometry, setting, cine, hall, { ...at, boomsRad: [0, 0.1] })!;
		expect(asked.nearest.boomRangeRad).toEqual([0, 0.1]);
	});
	it('leaves the swings on the other side of a tall pillar, over the half turn', () => {
		// To the right of it: the free run goes from one side of the pillar round to the other.
		const pillar = { ...withOne('obstacle', box(reach, 0, 0.3)) };
		const tall = { ...pillar, shapes: pillar.shapes.map((each) => ({ ...each, topM: 8 })) };
		const found = tried(tall);
		expect(found.all).toBe(false);
		expect(found.keepTo!.booms).toBeNull();
		const [from, to] = found.keepTo!.swings!;
		expect(from).toBeGreaterThan(0);
		expect(to).toBeGreaterThan(Math.PI);
		expect(to - from).toBeGreaterThan(4);
		expect(found.findings[0]).toMatchObject({ kind: 'obstacle', wantedM: 0.3 + craneFlex(geometry, setting).m });
		// With stops set just there, everything is.
		expect(tried(tall, { ...at, stopsRad: found.keepTo!.swings }).all).toBe(true);
		// Turned round, it is in the way again.
		expect(tried(pillar, { ...at, headingRad: Math.PI, stopsRad: [0.6, 5.6] }).all).toBe(false);
	});
	it('goes over something low with the boom up', () => {
		const round = withOne('obstacle', box(0, 0, reach + 0.5));
		const low = { ...round, shapes: round.shapes.map((each) => ({ ...each, topM: 0.2 })) };
		const found = tried(low);
		const { swings, booms } = found.keepTo!;
		expect(swings).toBeNull();
		expect(booms![0]).toBeGreaterThan(-0.3);
		expect(tried(low, { ...at, boomsRad: booms }).all).toBe(true);
		expect(found.shares.some(({ share }) => share > 0 && share < 1)).toBe(true);
	});
	it('proposes no boom past the limits it was given, and one figure that is set as it is said', () => {
		const round = withOne('obstacle', box(0, 0, reach + 0.5));
		const low = { ...round, shapes: round.shapes.map((each) => ({ ...each, topM: 0.2 })) };
		for (const boomsRad of [
			[-0.0817, 0.35],
			[-0.21, 0.2033]
		] as const) {
			const { keepTo } = tried(low, { ...at, boomsRad });
			if (keepTo?.booms == null) continue;
			expect(keepTo.booms[0]).toBeGreaterThanOrEqual(boomsRad[0] - 1e-9);
			expect(keepTo.booms[1]).toBeLessThanOrEqual(boomsRad[1] + 1e-9);
			for (const end of keepTo.booms) {
				const tenths = (end * 1800) / Math.PI;
				expect(Math.abs(tenths - Math.round(tenths))).toBeLessThan(1e-6);
			}
			expect(tried(low, { ...at, boomsRad: keepTo.booms }).all).toBe(true);
		}
	});
	it('names the people under it, however high it passes', () => {
		const people = withOne('people', box(reach, 0, 0.5));
		const high = { ...at, boomsRad: [0.6, 0.7] as const, overPeople: true };
		const found = tried(people, high);
		expect(found.all).toBe(true);
		expect(found.under).toEqual(['People 1']);
		expect(tried(people, { ...high, stopsRad: [1.5, 4.5] }).under).toEqual([]);
		// Without the house's leave it keeps from over them: then nobody is under it.
		const kept = tried(people, { ...high, overPeople: false });
		expect(kept.all).toBe(false);
		expect(tried(people, { ...high, overPeople: false, stopsRad: kept.keepTo!.swings })).toMatchObject({
			all: true,
			under: []
		});
	});
	it('finds swings and booms that go together where neither goes alone', () => {
		// Something tall on one side, something low all the way round but there.
		const tall = withShape(hall, 'obstacle', box(reach, 0, 0.4)).plan;
		const low = withShape(tall, 'obstacle', box(0, 0, reach + 0.4)).plan;
		const plan = { ...low, shapes: low.shapes.map((each, k) => ({ ...each, topM: k === 0 ? 7 : 0.2 })) };
		const found = tried(plan, { ...at, boomsRad: [-0.1, 0.4] });
		expect(found.all).toBe(false);
		const { swings, booms } = found.keepTo!;
		expect(swings![1] - swings![0]).toBeGreaterThan(2);
		expect(booms![1]).toBeGreaterThan(booms![0]);
		// And they are: with those as stops, everything is clear.
		expect(tried(plan, { ...at, stopsRad: swings, boomsRad: booms }).all).toBe(true);
	});
	it('asks as much more as the nose gives: what was just far enough is too near, and people just beside it are under it', () => {
		const by = (plan: VenuePlan, givesM: number) => {
			const asked = venueQuestion({ ...geometry, givesM }, setting, cine, plan, { ...at, boomsRad: [-0.1, 0.1] })!;
			const answer = {
				clear: craneClearPoses(asked.clear),
				nearest: craneNearest(asked.nearest),
				under: craneNearest(asked.under)
			};
			return readVenue(answer, plan, at, [-0.1, 0.1], asked.givesM);
		};
		const pillar = withOne('obstacle', box(reach + 1, 0, 0.1));
		const tall = { ...pillar, shapes: pillar.shapes.map((each) => ({ ...each, topM: 8 })) };
		const [stiff, soft] = [by(tall, 0), by(tall, 0.4)];
		expect(soft.findings[0]!.distanceM).toBe(stiff.findings[0]!.distanceM);
		expect([stiff.findings[0]!.wantedM, soft.findings[0]!.wantedM]).toEqual([0.3, 0.7]);
		expect(stiff.findings[0]!.distanceM).toBeGreaterThan(0.3);
		expect(stiff.findings[0]!.distanceM).toBeLessThan(0.7);
		expect([stiff.all, soft.all]).toEqual([true, false]);
		const people = withOne('people', box(reach + 1.2, 0, 0.1));
		expect([by(people, 0).under, by(people, 0.4).under].map((each) => each.length)).toEqual([0, 1]);
	});
	it('keeps ten metres from an overhead line', () => {
		const line = withOne('line', [
			[reach + 5, -20],
			[reach + 5, 20]
		]);
		const found = tried(line);
		expect(found.all).toBe(false);
		expect(found.findings[0]).toMatchObject({ kind: 'line', wantedM: 10 + craneFlex(geometry, setting).m });
		const { distanceM, wantedM } = found.findings[0]!;
		expect(roomBubble(distanceM, wantedM)).toBeLessThan(-1);
	});
});
