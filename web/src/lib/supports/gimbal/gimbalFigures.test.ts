import { describe, expect, it } from 'vitest';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { slideOf } from './benchSlip';
import { benchFigures, completePositions, solveBench, solveWithLooks } from './figures';
import type { Gimbal, Look, Positions } from './model';
import { printablePosition } from './reading';

const small = rig('Small');
const wide = bodies(payload('wide'));
const targets = targetsOf(small, payload('wide'));
/** Where a hand can set them: the readings that are asked for. */
const set: Positions = Object.fromEntries(
	small.geometry.slides.map((slide) => [slide.id, printablePosition(slide, targets[slide.id] ?? 0)])
);
const way = (
	slideId: string,
	observation: 'holds' | 'falls+' | 'falls-',
	positionsM: Positions = set,
	next = {}
): Look => ({
	...{ kind: 'way', axisId: slideOf(small, slideId).balances, slideId, observation, positionsM },
	...next
});
const of = (positionsM: Positions, looks: readonly Look[] = [], on: Gimbal = small) =>
	benchFigures(on, wide, positionsM, solveWithLooks(on, wide, looks));
const all = small.geometry.slides.map(({ id }) => way(id, 'holds'));

describe('placed is computed, poised is seen', () => {
	it('in place with nothing seen it is placed; every axis seen to hold there it is poised; one of them missing it is not', () => {
		expect(of(set)).toMatchObject({ placed: true, poised: false, next: null });
		expect(of(set).seen.size).toBe(0);
		expect(of(set, all)).toMatchObject({ placed: true, poised: true, next: null });
		all.forEach((_, left) => {
			const figures = of(
				set,
				all.filter((__, index) => index !== left)
			);
			expect([left, figures.placed, figures.poised, figures.seen.size]).toEqual([left, true, false, all.length - 1]);
		});
	});
	it('what was struck out, or seen with a slide elsewhere, does not count', () => {
		expect(
			of(
				set,
				all.map((look) => ({ ...look, struck: true }))
			).seen.size
		).toBe(0);
		const plate = slideOf(small, 'plate');
		const elsewhere = { ...set, plate: Math.min(plate.rangeM[1], set['plate']! + 0.01) };
		expect(of(set, [way('plate', 'holds', elsewhere)]).seen.has('plate')).toBe(false);
		expect(of(set, [way('plate', 'holds'), way('plate', 'falls+')]).seen.has('plate')).toBe(false);
	});
	it('a search that is open keeps its slide the next one, and nothing is placed', () => {
		const figures = of(set, [way('plate', 'falls+')]);
		expect(figures.placed).toBe(false);
		expect(figures.next?.slideId).toBe('plate');
		expect(figures.hunts.map(({ slideId, open }) => [slideId, open])).toEqual([['plate', true]]);
		expect(figures.targetsM['plate']).toBe(
			printablePosition(slideOf(small, 'plate'), figures.hunts[0]!.nudge.positionM)
		);
		expect(figures.targetsM['plate']!).toBeLessThan(set['plate']!);
	});
	it('where it was seen to hold a slide stays, and the outer ones make up for it', () => {
		const off = { ...set, cradle: set['cradle']! + 0.0015 };
		const held = of(off, [way('cradle', 'holds', off)]);
		expect(held.targetsM['cradle']).toBe(printablePosition(slideOf(small, 'cradle'), off['cradle']!));
		expect(of(off).targetsM['cradle']).toBe(set['cradle']);
		// Moved since by more than a hand's half millimetre, the looks alone say where it belongs.
		const moved = of({ ...off, cradle: off['cradle']! + 0.004 }, [way('cradle', 'holds', off)]);
		expect(Math.abs(moved.targetsM['cradle']! - off['cradle']!)).toBeLessThan(0.003);
	});
});

describe('what is asked for next', () => {
	it('the first that is out of place, in the order of the steps', () => {
		const figures = of(completePositions(small, {}));
		expect(figures.next).toBe(figures.steps.find(({ placed }) => !placed));
		expect(figures.next!.slideId).toBe(figures.steps[0]!.slideId);
		const second = of({
			...completePositions(small, {}),
			[figures.steps[0]!.slideId]: set[figures.steps[0]!.slideId]!
		});
		expect(second.next!.slideId).toBe(figures.steps[1]!.slideId);
	});
	it('mid-travel is taken for what was not read', () => {
		const stands = completePositions(small, { plate: 0.01 });
		for (const { id, rangeM } of small.geometry.slides)
			expect(stands[id]).toBe(id === 'plate' ? 0.01 : (rangeM[0] + rangeM[1]) / 2);
	});
	it('fits from the least to the greatest, both within', () => {
		const massKg = wide.reduce((sum, { body }) => sum + body.massKg, 0);
		const fit = (leastPayloadKg: number, greatestPayloadKg: number) =>
			of(set, [], { ...small, leastPayloadKg, greatestPayloadKg }).fit;
		expect([fit(massKg, massKg), fit(massKg + 1e-9, 9), fit(0, massKg - 1e-9)]).toEqual([
			'fits',
			'tooLight',
			'tooHeavy'
		]);
		expect(of(set).massKg).toBe(massKg);
	});
});

describe('the drawing beside what was seen', () => {
	it('stays as it is without looks and with them, each slide with its doubt until it was looked at', () => {
		const before = solveWithLooks(small, wide, []);
		const after = solveWithLooks(small, wide, [way('plate', 'falls+')]);
		const drawn = Object.fromEntries(solveBench(small, wide).slides.map(({ id, positionM }) => [id, positionM]));
		expect(before.drawn.positionsM).toEqual(drawn);
		expect(after.drawn).toEqual(before.drawn);
		expect(Object.keys(before.sigmasM).sort()).toEqual(small.geometry.slides.map(({ id }) => id).sort());
		expect(Object.keys(after.sigmasM)).not.toContain('plate');
		expect(Object.keys(after.sigmasM)).toHaveLength(small.geometry.slides.length - 1);
		expect(solveWithLooks(small, wide, [way('plate', 'falls+', set, { struck: true })])).toEqual(before);
		const measured: Look = {
			...{ kind: 'measured', axisId: 'tilt', how: 'swung', positionsM: set },
			seen: [{ slideId: 'cradle', offsetM: 0.001 }]
		} as Look;
		expect(Object.keys(solveWithLooks(small, wide, [measured]).sigmasM)).not.toContain('cradle');
	});
	it('a centre nobody is unsure of adds no doubt: the scale’s own stays', () => {
		const sure = wide.map((part) => ({ ...part, sigmaM: [0, 0, 0] as const }));
		const { drawn } = solveWithLooks(small, sure, []);
		for (const { id, zeroSigmaM = 0.0015 } of small.geometry.slides)
			expect(drawn.sigmasM[id]).toBeCloseTo(zeroSigmaM, 12);
		const { sigmaM: _, ...known } = wide[0]!;
		expect(solveWithLooks(small, [known as never, ...sure.slice(1)], []).drawn.sigmasM).toEqual(drawn.sigmasM);
		expect(solveWithLooks(small, wide, []).drawn.sigmasM['plate']!).toBeGreaterThan(drawn.sigmasM['plate']!);
	});
	it('another way to put it together shifts the whole payload, and whatever else it names', () => {
		const tele = bodies(payload('tele'));
		const remedies = (moves: readonly string[]) =>
			solveBench(
				{
					...small,
					geometry: {
						...small.geometry,
						alternatives: [{ id: 'back', kind: 'useHole', label: 'the hole behind', shiftM: [-0.012, 0, 0], moves }]
					}
				} as Gimbal,
				tele
			).remedies.map(({ kind }) => kind);
		expect(remedies(['payload'])).toContain('useHole');
		expect(remedies(['base'])).not.toContain('useHole');
		expect(
			solveBench({ ...small, geometry: { ...small.geometry, alternatives: undefined } } as never, tele).balanced
		).toBe(false);
	});
});
