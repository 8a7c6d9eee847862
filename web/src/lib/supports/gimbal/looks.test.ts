import { axisStates, mountPayload, type Vec3 } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { Look } from '$lib/supports/gimbal/model';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { benchFigures, completePositions, solveWithLooks } from './figures';
import { lookAt } from './lookAt';
import { benchSlip } from './benchSlip';
import { guideSteps } from './guide';
import { heldLooks, readLooks } from './looks';

const small = rig('Small');
const wide = payload('wide');
const believed = bodies(wide);
/** The same build with the lens heavy somewhere else. */
const shiftM: Vec3 = [0.011, -0.004, 0.006];
const truly = believed.map((part, index) =>
	index === believed.length - 1
		? { ...part, body: { ...part.body, cgM: part.body.cgM.map((value, k) => value + shiftM[k]!) as unknown as Vec3 } }
		: part
);
const real = mountPayload({ rig: small.geometry, payload: truly });
const at = completePositions(small, targetsOf(small, wide));
const trulyAlong = (slideId: string, positionsM = at) => {
	const slide = small.geometry.slides.find(({ id }) => id === slideId)!;
	const state = axisStates({ chain: real, positionsM }).find(({ id }) => id === slide.balances)!;
	return state.offsetM.reduce((sum, value, k) => sum + value * slide.direction[k]!, 0);
};
const way = (slideId: string, observation: 'falls+' | 'falls-' | 'holds', positionM: number): Look => ({
	axisId: small.geometry.slides.find(({ id }) => id === slideId)!.balances,
	kind: 'way',
	slideId,
	observation,
	positionsM: { ...at, [slideId]: positionM }
});

describe('one measured look', () => {
	it('moves the target to where the axis is really poised', () => {
		const looks: Look[] = [
			{
				axisId: 'tilt',
				kind: 'measured',
				how: 'rest and swing',
				positionsM: at,
				seen: ['plate', 'cradle'].map((slideId) => ({ slideId, offsetM: trulyAlong(slideId) }))
			}
		];
		const solved = solveWithLooks(small, believed, looks);
		const figures = benchFigures(small, believed, at, solved);
		expect(figures.next?.slideId).toBe('plate');
		const after = { ...at, plate: figures.targetsM.plate!, cradle: figures.targetsM.cradle! };
		// A reading can be set to half a millimetre.
		expect(Math.abs(trulyAlong('plate', after))).toBeLessThan(0.0003);
		expect(Math.abs(trulyAlong('cradle', after))).toBeLessThan(0.0003);
		expect(solved.sigmasM.plate).toBeUndefined();
		expect(solved.sigmasM.panArm).toBeGreaterThan(0.0005);
	});

	it('reads rest and swing as the pendulum that truth would make', () => {
		const chain = mountPayload({ rig: small.geometry, payload: believed });
		const [forward, up] = [trulyAlong('plate'), trulyAlong('cradle')];
		const distanceM = Math.hypot(forward, up);
		const massKg = axisStates({ chain: real, positionsM: at }).find(({ id }) => id === 'tilt')!.carriedKg;
		const restRad = Math.atan2(-forward, -up);
		// A point mass's small swing would be 2π√(r/g); the inertia makes it slower, so ask the bench for both ways.
		const told = lookAt(small, chain, at, 'tilt', {
			way: 'swing',
			restRad: [restRad],
			periodS: 1.6,
			amplitudeRad: 0.3
		});
		expect('seen' in told).toBe(true);
		if (!('seen' in told)) return;
		const seen = Object.fromEntries(told.seen.map(({ slideId, offsetM }) => [slideId, offsetM]));
		expect(seen.plate! / seen.cradle!).toBeCloseTo(forward / up, 6);
		expect(Math.hypot(seen.plate!, seen.cradle!)).toBeCloseTo(told.distanceM, 9);
		const scale = lookAt(small, chain, at, 'tilt', {
			way: 'scale',
			slideId: 'plate',
			side: 1,
			readingsKg: [(forward * massKg) / 0.15],
			leverM: 0.15
		});
		expect('seen' in scale && scale.seen[0]!.offsetM).toBeCloseTo(forward, 9);
		expect(distanceM).toBeGreaterThan(0.003);
	});

	it('takes the mean of two rests that lie either side of upside down', () => {
		const chain = mountPayload({ rig: small.geometry, payload: believed });
		const near = (3 * Math.PI) / 180;
		const told = lookAt(small, chain, at, 'tilt', {
			way: 'swing',
			restRad: [Math.PI - near, -Math.PI + near],
			periodS: 1.6,
			amplitudeRad: 0.3
		});
		expect('spreadRad' in told && told.spreadRad).toBeCloseTo(near, 9);
		if ('seen' in told) expect(told.seen.find(({ slideId }) => slideId === 'plate')!.offsetM).toBeCloseTo(0, 9);
	});

	it.each([
		['no rest', { way: 'swing', restRad: [], periodS: 1, amplitudeRad: 0.3 }, /angle at which it comes to rest/],
		['no time', { way: 'swing', restRad: [0], periodS: 0, amplitudeRad: 0.3 }, /Time at least one/],
		['a swing too fast', { way: 'swing', restRad: [0], periodS: 0.1, amplitudeRad: 0.3 }, /swings faster than/],
		['a swing too wide', { way: 'swing', restRad: [0], periodS: 1, amplitudeRad: 4 }, /less than 180/],
		[
			'a slide of another axis',
			{ way: 'scale', slideId: 'panArm', side: 1, readingsKg: [0.1], leverM: 0.1 },
			/does not balance/
		],
		['a lever of nothing', { way: 'scale', slideId: 'plate', side: 1, readingsKg: [0.1], leverM: 0 }, /lever/]
	] as const)('says what is missing: %s', (_, measured, words) => {
		const chain = mountPayload({ rig: small.geometry, payload: believed });
		const told = lookAt(small, chain, at, 'tilt', measured as never);
		expect('problem' in told && told.problem).toMatch(words);
	});
});

describe('falls and holds', () => {
	const chain = mountPayload({ rig: small.geometry, payload: believed });
	const hunt = (looks: Look[], slideId = 'plate') =>
		readLooks(small, chain, looks).hunts.find((each) => each.slideId === slideId);

	it('send the slide towards the light side and close in', () => {
		const first = hunt([way('plate', 'falls+', at.plate!)])!;
		expect(first.open).toBe(true);
		expect(first.nudge.positionM).toBeLessThan(at.plate!);
		const second = hunt([way('plate', 'falls+', at.plate!), way('plate', 'falls-', first.nudge.positionM)])!;
		expect(second.nudge.bracketM[0]).toBe(first.nudge.positionM);
		expect(second.nudge.bracketM[1]).toBe(at.plate);
	});
	it('are satisfied with one look that holds, and the bench then calls that slide poised there', () => {
		const stand = at.plate! + 0.007;
		const looks = [way('plate', 'holds', stand)];
		expect(hunt(looks)!.open).toBe(false);
		const figures = benchFigures(small, believed, { ...at, plate: stand }, solveWithLooks(small, believed, looks));
		expect(figures.targetsM.plate).toBeCloseTo(stand, 3);
		expect(figures.steps.find(({ slideId }) => slideId === 'plate')!.placed).toBe(true);
	});
	it('keep the gimbal from being called in place while a search is open', () => {
		const looks = [way('plate', 'falls+', at.plate!)];
		expect(benchFigures(small, believed, at, solveWithLooks(small, believed, looks)).placed).toBe(false);
		expect(benchFigures(small, believed, at, solveWithLooks(small, believed, [])).placed).toBe(true);
	});
	it('begin anew once a slide that matters has moved, and not for one that does not', () => {
		const before = way('panArm', 'falls+', at.panArm!);
		const movedPlate: Look = {
			...way('panArm', 'falls-', at.panArm! - 0.004),
			positionsM: { ...at, plate: at.plate! + 0.01, panArm: at.panArm! - 0.004 }
		};
		expect(hunt([before, movedPlate], 'panArm')!.history).toHaveLength(1);
		const movedCradle: Look = {
			...movedPlate,
			positionsM: { ...at, cradle: at.cradle! + 0.01, panArm: at.panArm! - 0.004 }
		};
		expect(hunt([before, movedCradle], 'panArm')!.history).toHaveLength(2);
	});
	it('give way to a later measurement', () => {
		const measured: Look = {
			axisId: 'tilt',
			kind: 'measured',
			how: '',
			positionsM: at,
			seen: [{ slideId: 'plate', offsetM: 0.002 }]
		};
		expect(hunt([way('plate', 'falls+', at.plate!), measured])).toBeUndefined();
	});
});

describe('friction that holds over little', () => {
	const axes = small.geometry.axes.map((axis) => ({ ...axis, frictionNm: 0.4 * (axis.frictionNm ?? 0) }));
	const fine = { ...small, geometry: { ...small.geometry, axes } };
	// As the scales are printed, where a hand sets them.
	const placed = benchFigures(fine, believed, at).targetsM;
	const held = (slideId: string, observation: 'holds' | 'falls+' = 'holds'): Look => ({
		...way(slideId, observation, 0),
		positionsM: placed
	});
	const plate = fine.geometry.slides.find(({ id }) => id === 'plate')!;
	const seen = (looks: readonly Look[], needed: 1 | 2 = 2) => heldLooks(fine, plate, 0.0005, looks, placed) >= needed;

	it('asks for two looks that agree, the last ones, as it stands; one is enough where friction forgives more', () => {
		expect(seen([held('plate')])).toBe(false);
		expect(seen([held('plate'), held('plate')])).toBe(true);
		expect(seen([held('plate'), held('plate', 'falls+'), held('plate')])).toBe(false);
		expect(seen([held('plate', 'falls+'), held('plate'), held('plate')])).toBe(true);
		expect(seen([held('plate'), held('plate', 'falls+')])).toBe(false);
		expect(seen([held('plate'), { ...held('plate'), struck: true }])).toBe(false);
		const before = { ...held('plate'), positionsM: { ...placed, plate: placed.plate! + 0.002 } };
		expect(seen([before, held('plate')])).toBe(false);
		expect(seen([held('plate')], 1)).toBe(true);
		expect(seen([held('plate'), held('plate', 'falls+')], 1)).toBe(false);
	});
	it('believes a measured offset only within what friction really forgives', () => {
		const measured = (offsetM: number): Look => ({
			axisId: 'tilt',
			kind: 'measured',
			how: 'pocket scale',
			positionsM: placed,
			seen: [{ slideId: 'plate', offsetM }]
		});
		const figuresOf = (looks: readonly Look[]) =>
			benchFigures(fine, believed, placed, solveWithLooks(fine, believed, looks));
		const { frictionM } = figuresOf([]);
		expect(frictionM.tilt!).toBeLessThan(0.0004);
		const [inside, outside] = [0.9 * frictionM.tilt!, 1.1 * frictionM.tilt!];
		expect(outside).toBeLessThan(0.0005);
		expect(figuresOf([measured(inside), measured(inside)]).seen.has('plate')).toBe(true);
		expect(figuresOf([measured(outside), measured(outside)]).seen.has('plate')).toBe(false);
	});
	it('is never called poised on one look each, and the slip says to look once more, and why', () => {
		const ids = fine.geometry.slides.map(({ id }) => id);
		const once = ids.map((id) => held(id));
		const figuresOf = (looks: readonly Look[]) =>
			benchFigures(fine, believed, placed, solveWithLooks(fine, believed, looks));
		const [one, two] = [figuresOf(once), figuresOf([...once, ...once])];
		expect([one.poised, two.poised]).toEqual([false, true]);
		// The same gimbal as it is sold is believed at once.
		const sold = benchFigures(small, believed, placed, solveWithLooks(small, believed, once));
		expect([sold.poised, [...sold.seenOnce]]).toEqual([true, []]);
		const unknown = small.geometry.axes.map(({ frictionNm: _, ...axis }) => axis);
		const strange = { ...small, geometry: { ...small.geometry, axes: unknown } };
		expect(benchFigures(strange, believed, placed, solveWithLooks(strange, believed, once)).poised).toBe(false);
		expect([...one.seenOnce].sort()).toEqual([...ids].sort());
		expect([...two.seenOnce]).toEqual([]);
		const slip = benchSlip(fine, one, 'metric', false);
		expect(slip.kind).toBe('placed');
		expect(slip.lead).toMatch(/^Once more/);
		expect(slip.why).toMatch(/Seen to hold once\. Friction holds it over no more than ± 0\.\d+ mm/);
		const steps = guideSteps(fine, one, { positionsM: placed }, 'metric');
		expect(steps.every(({ stage, lead }) => stage === 'look' && lead.startsWith('Once more'))).toBe(true);
	});
});
