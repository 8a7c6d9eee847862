import { describe, expect, it } from 'vitest';
import type { Positions, Gimbal } from './model';
import type { Payload } from '$lib/model/payload';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import type { Remedy } from '@poise/core';
import {
	appliesHere,
	benchSlip,
	fallsWord,
	huntInWords,
	lightWarning,
	moveOfPayload,
	remedyInWords,
	seenInWords,
	slideOf
} from './benchSlip';
import type { Look } from './model';
import type { Hunt } from './looks';
import { printedReading } from '$lib/sheet/units/printed';
import { printablePosition } from './reading';
import { benchFigures, completePositions } from './figures';

const small = rig('Small');
const large = rig('Large');
const slipOf = (on: Gimbal, of: Payload, positionsM: Positions, waived = false) =>
	benchSlip(on, benchFigures(on, bodies(of), positionsM), 'metric', waived);

describe('the slip of the gimbal bench', () => {
	it('asks for the slides in order, by how far and which way, and names the reading', () => {
		const wide = payload('wide');
		const positionsM = { ...completePositions(small, {}) };
		const asked: string[] = [];
		const next = () => slipOf(small, wide, positionsM);
		for (let slip = next(); slip.kind === 'move' && slip.step !== null; slip = next()) {
			asked.push(`${slip.lead}${slip.strong}, ${slip.detail}`);
			positionsM[slip.step.slideId] = positionsM[slip.step.slideId]! + slip.step.moveM;
			expect(asked.length).toBeLessThan(9);
		}
		expect(asked).toHaveLength(4);
		expect(asked[0]).toBe('Slide the plate back 13.5 mm, To reading 36.5');
		expect(asked.map((line) => line.split(' ')[2])).toEqual(['plate', 'cradle', 'crossbar', 'pan']);
		// All in place is not poised: it asks to let go, axis by axis, and names it.
		const end = next();
		expect([end.kind, end.lead, end.strong]).toEqual(['placed', 'Now let go of ', 'tilt, lens level']);
		expect(`${end.heading} ${end.why}`).not.toMatch(/poised|power/i);
	});

	it('counts turns where the slide has a knob', () => {
		const cine = payload('Cine');
		const slip = slipOf(large, cine, completePositions(large, {}));
		const turns = Math.round((Math.abs(slip.step!.moveM) / 0.004) * 4) / 4;
		expect(slip.detail).toContain(`${Math.floor(turns)}`);
		expect(slip.detail).toMatch(/turns of its knob, to reading \d/);
	});

	it('speaks inches to whoever wants them', () => {
		const figures = benchFigures(small, bodies(payload('wide')), completePositions(small, {}));
		expect(benchSlip(small, figures, 'imperial', false).strong).toBe('back 0.53 in');
	});

	it('says which later step a move upsets', () => {
		expect(slipOf(small, payload('wide'), completePositions(small, {})).upsets).toMatch(
			/^Upsets pan by \d.* mm, whose turn is step 4\.$/
		);
		const atTargets = targetsOf(small, payload('wide'));
		const crossbar = slipOf(small, payload('wide'), { ...atTargets, crossbar: 0 });
		expect(crossbar.heading).toContain('Step 3 of 4');
	});

	it('gives the least change first when the gimbal runs out of travel, and goes on when waived', () => {
		const tele = payload('tele');
		const slip = slipOf(small, tele, completePositions(small, {}));
		expect(`${slip.lead}${slip.strong}`).toBe('Move the camera on its plate back 12 mm');
		expect(slip.why).toContain('The plate runs out of travel; tilt keeps');
		expect(slip.moveAllForwardM).toBeCloseTo(-0.012, 12);
		expect(slip.others.map(({ text }) => text)).toEqual(['Or fix 145 g at the rear end of the plate.']);
		expect(slipOf(small, tele, completePositions(small, {}), true).kind).toBe('move');
		const waived = slipOf(small, tele, targetsOf(small, tele), true);
		expect(`${waived.lead}${waived.strong}`).toBe('Placed, but not poised');
	});

	it('refuses a payload that is too heavy before anything else, and warns of one that is too light', () => {
		const cine = payload('Cine');
		const slip = slipOf(small, cine, completePositions(small, {}));
		expect(slip.kind).toBe('tooHeavy');
		expect(slip.strong).toBe('7.11 kg or more');
		const slight = slipOf(large, payload('wide'), completePositions(large, {}));
		expect([slight.kind, slight.strong]).toEqual(['tooLight', '1.71 kg or more']);
		const choosy = { ...small, leastPayloadKg: 1.5 };
		const light = benchFigures(choosy, bodies(payload('wide')), completePositions(small, {}));
		expect(lightWarning(choosy, light, 'metric')).toContain('213 g');
		const right = benchFigures(large, bodies(cine), completePositions(large, {}));
		expect(lightWarning(large, right, 'metric')).toBeNull();
	});
});

describe('readings', () => {
	it('are printed to the half millimetre and can be set there', () => {
		const plate = slideOf(small, 'plate');
		expect(printedReading(plate, -0.01832)).toBe('36.5');
		expect(printablePosition(plate, -0.01832)).toBeCloseTo(-0.0185, 12);
		expect(printablePosition(plate, -0.0551)).toBe(-0.055);
	});
});

describe('what an axis does when it is let go', () => {
	const small = rig('Small');
	const side = (id: string) => ([1, -1] as const).map((way) => fallsWord(slideOf(small, id), way));

	it('is named for the side that goes down', () => {
		expect(side('plate')).toEqual(['falls forward', 'falls back']);
		expect(side('crossbar')).toEqual(['falls left', 'falls right']);
	});
	it('is named for top and underside where it is looked at lens up: what stands high falls over backwards', () => {
		expect(side('cradle')).toEqual(['top side drops', 'underside drops']);
	});
	it('is the plus side where the payload stands too far to plus', () => {
		const wide = payload('wide');
		const targets = targetsOf(small, wide);
		const far = { ...targets, plate: targets.plate! + 0.015 };
		const figures = benchFigures(small, bodies(wide), far);
		const row = figures.axes.find(({ id }) => id === slideOf(small, 'plate').balances)!;
		expect(row.offsetM[0]).toBeGreaterThan(0.005);
	});
});

describe('what was seen, in words', () => {
	const plate = slideOf(small, 'plate');
	const cradle = slideOf(small, 'cradle');
	const wide = payload('wide');
	const stood = completePositions(small, {});
	const base = benchFigures(small, bodies(wide), stood);
	const nudge = (more: Partial<Hunt['nudge']> = {}): Hunt['nudge'] => ({
		...{
			positionM: -0.02,
			done: false,
			bracketM: [-0.03, -0.01],
			lowerEdgeM: [-0.03, -0.02],
			upperEdgeM: [-0.02, -0.01]
		},
		...{ contradictory: false, doubted: [], sure: 0.714, outOfTravel: null, reckoned: null },
		...more
	});
	const hunt = (more: Partial<Hunt> = {}, how: Partial<Hunt['nudge']> = {}): Hunt => ({
		...{ slideId: 'plate', nudge: nudge(how), open: true, foretold: null, bandM: 0.001 },
		history: [
			{ positionM: -0.01, observation: 'falls+' },
			{ positionM: -0.03, observation: 'falls-' }
		],
		...more
	});
	const way = (observation: 'holds' | 'falls+' | 'falls-', positionM = -0.01, slideId = 'plate'): Look => ({
		...{
			kind: 'way',
			axisId: slideOf(small, slideId).balances,
			slideId,
			observation,
			positionsM: { ...stood, [slideId]: positionM }
		}
	});
	const told = (
		looks: readonly Look[],
		more: Partial<typeof base> = {},
		slide = plate,
		units: 'metric' | 'imperial' = 'metric'
	) =>
		seenInWords(
			small,
			slide,
			{
				...base,
				drawn: { positionsM: { plate: -0.015, cradle: 0.01 }, sigmasM: { plate: 0.002 } },
				targetsM: { plate: -0.016 },
				hunts: [],
				...more
			},
			looks,
			units
		);

	it('the search: between which readings, after how many looks, how sure, and which look is doubted', () => {
		expect(huntInWords(plate, hunt())).toBe(
			'It holds somewhere between 25 and 45. 2 looks so far, 71 % sure of the middle.'
		);
		const turned = { ...plate, scale: { readingAtZeroM: 0.055, sense: -1 as const } };
		expect(huntInWords(turned, hunt())).toContain('between 65 and 85');
		expect(huntInWords(plate, hunt({ history: [{ positionM: -0.01, observation: 'falls+' }] }))).toContain(
			'1 look so far'
		);
		expect(huntInWords(plate, hunt({}, { contradictory: true }))).toMatch(
			/^One of the looks does not fit the others; it is outvoted, not lost\. It holds/
		);
		expect(huntInWords(plate, hunt({}, { doubted: [1] }))).toMatch(
			/^The look at 25 does not fit the others; it is outvoted, not lost\. It holds/
		);
		expect(huntInWords(plate, hunt({}, { contradictory: true, doubted: [0, 1] }))).toMatch(
			/^The looks at 45, 25 do not fit the others; they are outvoted, not lost\. It holds/
		);
		expect(huntInWords(plate, hunt({}, { outOfTravel: 'least' }))).toBe(
			'It still falls at the end of the travel: the slide is too short here. 2 looks so far.'
		);
	});

	it('the drawing beside it, with its doubt where a hand would feel it', () => {
		expect(told([])).toBeNull();
		expect(told([way('holds', -0.01, 'cradle')])).toBeNull();
		expect(told([way('holds')], { drawn: { positionsM: {}, sigmasM: {} } })).toBeNull();
		const drawing = (sigmaM?: number) =>
			told([way('holds')], {
				drawn: { positionsM: { plate: -0.015 }, sigmasM: sigmaM === undefined ? {} : { plate: sigmaM } }
			})!.drawing;
		expect(drawing()).toBe('reading 40');
		expect(drawing(0.0002)).toBe('reading 40');
		expect(drawing(0.00025)).toBe('reading 40 ± 0.5 mm');
		expect(drawing(0.002)).toBe('reading 40 ± 2 mm');
		expect(told([way('holds')], {}, plate, 'imperial')!.drawing).toBe('reading 40 ± 0.08 in');
	});

	it('the last look, and how many there were: what it did in the past tense, or what was measured', () => {
		expect(told([way('holds')])!.seen).toBe('held at 45');
		expect(told([way('falls+')])!.seen).toBe('fell forward at 45');
		expect(told([way('falls-', -0.02)])!.seen).toBe('fell back at 35');
		expect(told([way('falls+'), way('falls-', -0.02)])!.seen).toBe('fell back at 35, 2 looks in all');
		expect(told([way('falls+', 0.01, 'cradle'), way('falls-', -0.005, 'cradle')], {}, cradle)!.seen).toBe(
			'underside dropped at 25, 2 looks in all'
		);
		const measured: Look = {
			...{ kind: 'measured', axisId: 'tilt', how: 'swung 3 times', positionsM: stood },
			seen: [{ slideId: 'plate', offsetM: 0.002 }]
		} as Look;
		expect(told([measured])!.seen).toBe(`swung 3 times at ${printedReading(plate, stood['plate']!)}`);
		expect(told([measured], {}, cradle)).toBeNull();
	});

	it('what is reckoned now, and whether it lies beyond what the drawing can have wrong', () => {
		expect(told([way('holds')])!).toMatchObject({ reckoned: 'reading 39', beyond: false });
		expect(told([way('holds')], { targetsM: {} })!.reckoned).toBe('reading 40');
		expect(told([way('holds')], { targetsM: { plate: -0.0189 } })!.beyond).toBe(false);
		expect(told([way('holds')], { targetsM: { plate: -0.0191 } })!.beyond).toBe(true);
		expect(told([way('holds')], { targetsM: { plate: -0.0109 } })!.beyond).toBe(true);
		// A drawing that is surer than a hand is allowed a millimetre.
		const sure = { drawn: { positionsM: { plate: -0.015 }, sigmasM: { plate: 0.0001 } } };
		expect(told([way('holds')], { ...sure, targetsM: { plate: -0.0159 } })!.beyond).toBe(false);
		expect(told([way('holds')], { ...sure, targetsM: { plate: -0.0161 } })!.beyond).toBe(true);
		const unsure = { drawn: { positionsM: { plate: -0.015 }, sigmasM: {} } };
		expect(told([way('holds')], { ...unsure, targetsM: { plate: 0.02 } })!.beyond).toBe(false);
		const reckoned = { centreM: -0.07, sigmaM: 0.003 };
		expect(told([way('falls+')], { hunts: [hunt({}, { reckoned })] })!.reckoned).toBe('reading 39 ± 3 mm');
		expect(told([way('falls+')], { hunts: [hunt({ open: false }, { reckoned })] })!.reckoned).toBe('reading 39');
		expect(told([way('falls+')], { hunts: [hunt({ slideId: 'cradle' }, { reckoned })] })!.reckoned).toBe('reading 39');
		const past = told([way('falls+')], { hunts: [hunt({}, { reckoned, outOfTravel: 'least' })] })!;
		expect(past).toMatchObject({ reckoned: 'past the end of its travel, about -15', beyond: true });
		const unknown = told([way('falls+')], { hunts: [hunt({}, { outOfTravel: 'least' })] })!;
		expect(unknown.reckoned).toBe('past the end of its travel, about 40');
	});

	it('the slip asks to let go where the slide already stands, and to slide it there else', () => {
		const slip = (moveM: number, hunts: readonly Hunt[], sigmaM?: number) => {
			const next = { ...base.steps[0]!, moveM };
			const figures = {
				...{ ...base, fit: 'fits' as const, hunts, targetsM: { ...base.targetsM, plate: -0.02 } },
				...{ solution: { ...base.solution, balanced: true }, next, steps: [next, ...base.steps.slice(1)] },
				sigmasM: sigmaM === undefined ? {} : { plate: sigmaM }
			};
			return benchSlip(small, figures, 'metric', false);
		};
		expect(slip(0.0003, [hunt()])).toMatchObject({
			...{ kind: 'look', lead: 'Tighten, let go: ', strong: 'what does it do?' },
			why: huntInWords(plate, hunt())
		});
		expect(slip(-0.0003, [hunt()]).kind).toBe('look');
		expect(slip(0.00031, [hunt()]).kind).toBe('move');
		expect(slip(0.0003, [hunt({ open: false })]).kind).toBe('move');
		expect(slip(0.0003, [hunt({ slideId: 'cradle' })]).kind).toBe('move');
		expect(slip(0.01, [hunt()])).toMatchObject({ strong: 'forward 10 mm', why: huntInWords(plate, hunt()) });
		expect(slip(-0.01, [])).toMatchObject({
			...{ strong: 'back 10 mm', detail: 'To reading 35' },
			why: 'Hold the camera level while it is loose; tighten before letting go.'
		});
		expect(slip(0.01, [], 0.0004).detail).toBe('To reading 35');
		expect(slip(0.01, [], 0.0005).detail).toBe('To reading 35, give or take 0.5 mm');
		const heading = slip(0.01, []).heading;
		expect(heading).toBe(`Step 1 of ${base.steps.length} · tilt, fore-aft · motors off`);
	});
});

describe('what is left when nothing moves any more', () => {
	const wide = payload('wide');
	const done = benchFigures(small, bodies(wide), targetsOf(small, wide));
	const said = (next: Partial<typeof done>, waived = false) =>
		benchSlip(small, { ...done, next: null, placed: true, poised: false, ...next }, 'metric', waived);

	it('asks for each axis in turn, how the camera is held meanwhile, and counts what was seen to hold', () => {
		const ids = done.steps.map(({ slideId }) => slideId);
		expect(said({ seen: new Set() })).toMatchObject({
			...{ kind: 'placed', lead: 'Now let go of ', strong: 'tilt, lens level' },
			heading: `In place, as computed · 0 of ${ids.length} seen to hold · motors off`
		});
		expect(said({ seen: new Set(['plate']) })).toMatchObject({
			...{ strong: 'tilt, lens straight up', step: done.steps[1] },
			heading: `In place, as computed · 1 of ${ids.length} seen to hold · motors off`
		});
		expect(said({ seen: new Set(['plate', 'cradle']) }).strong).toBe('roll, camera upright');
		expect(said({ seen: new Set(['plate', 'cradle', 'crossbar']) }).strong).toBe('pan, the gimbal leaned forward');
		expect(said({ seen: new Set() }).why).toMatch(
			/^By the figures it holds; nobody has seen it yet\. Hold the camera level/
		);
		const unsure = said({ seen: new Set(), sigmasM: { plate: 0.003 } });
		expect(unsure.why).toContain('it holds, give or take 3 mm here; nobody');
		expect(said({ seen: new Set(), sigmasM: { plate: 0.0004 } }).why).toContain('it holds; nobody');
		expect(said({ seen: new Set(), sigmasM: { plate: 0.0005 } }).why).toContain('give or take 0.5 mm here');
		expect(said({ seen: new Set(['plate']) }).why).toContain('Point the lens up, hold the camera');
		expect(said({ seen: new Set(['plate', 'cradle']) }).why).toContain('Hold the cradle while it is loose');
		expect(said({ seen: new Set(['plate', 'cradle', 'crossbar']) }).why).toContain('Lean the gimbal a little');
	});
	it('poised only as seen; waived, not poised; else it still leans', () => {
		expect(said({ poised: true })).toMatchObject({ kind: 'poised', strong: 'Poised', lead: '' });
		const all = new Set(done.steps.map(({ slideId }) => slideId));
		expect(said({ seen: all })).toMatchObject({ kind: 'waived', strong: 'not poised' });
		expect(said({ seen: new Set(), placed: false }, true)).toMatchObject({ kind: 'waived' });
		expect(said({ seen: new Set(), placed: false })).toMatchObject({
			...{ kind: 'remedy', lead: 'Every slide is placed, ', strong: 'and it still leans', remedy: null }
		});
	});
	it('a move says whose turn it upsets later, what it upsets of before, or nothing', () => {
		const moving = (upsets: readonly { axisId: string; offsetM: number }[], index = 1) => {
			const steps = done.steps.map((step, which) => (which === index ? { ...step, moveM: 0.01, upsets } : step));
			return benchSlip(small, { ...done, steps, next: steps[index]! } as typeof done, 'metric', false).upsets;
		};
		expect(moving([])).toBe('Upsets nothing set before.');
		expect(moving([{ axisId: 'pan', offsetM: 0.002 }])).toBe('Upsets pan by 2 mm, whose turn is step 4.');
		expect(
			moving(
				[
					{ axisId: 'tilt', offsetM: 0.001 },
					{ axisId: 'pan', offsetM: 0.002 }
				],
				2
			)
		).toBe('Upsets tilt by 1 mm, balanced before: check it again; pan by 2 mm, whose turn is step 4.');
		expect(moving([{ axisId: 'roll', offsetM: 0.002 }], 2)).toContain('roll by 2 mm, balanced before');
	});
});

describe('the ways out, in words', () => {
	const words = (remedy: Remedy, on: Gimbal = small) => {
		const { lead, strong } = remedyInWords(on, remedy, 'metric');
		return lead + strong;
	};
	const extend = (slideId: string, end: 'least' | 'greatest', byM: number, middleByM: number): Remedy => ({
		...{ kind: 'extendSlide', slideId, end, byM, middleByM, positionsM: {} }
	});
	it('a reach: the least that holds, and the middle; the camera on its plate goes to the middle', () => {
		expect(words(extend('crossbar', 'least', 0.002, 0.0135))).toBe(
			'Extend the crossbar right 2 mm at least, 14 mm to its middle'
		);
		expect(words(extend('crossbar', 'greatest', 0.0021, 0.0025))).toBe('Extend the crossbar left 3 mm');
		expect(words(extend('plate', 'least', 0.002, 0.0135))).toBe('Move the camera on its plate back 14 mm');
		expect(words(extend('plate', 'greatest', 0.002, 0.0131))).toBe('Move the camera on its plate forward 14 mm');
		expect(moveOfPayload(small, extend('plate', 'least', 0.002, 0.0131))).toBeCloseTo(-0.014, 12);
		expect(moveOfPayload(small, extend('plate', 'greatest', 0.002, 0.013))).toBeCloseTo(0.013, 12);
		expect(moveOfPayload(small, extend('crossbar', 'least', 0.002, 0.013))).toBeNull();
		expect(moveOfPayload(small, { kind: 'addMass', placeId: 'plateRear', massKg: 0.1, positionsM: {} })).toBeNull();
	});
	it('an extension of its own where that reaches far enough, that way', () => {
		const extension = { label: 'the long plate', lessM: 0.005, moreM: 0.02 };
		const with_: Gimbal = {
			...small,
			geometry: {
				...small.geometry,
				slides: small.geometry.slides.map((slide) => (slide.id === 'plate' ? { ...slide, extension } : slide))
			}
		};
		const is = (remedy: Remedy) => [words(remedy, with_), appliesHere(with_, remedy), moveOfPayload(with_, remedy)];
		expect(is(extend('plate', 'least', 0.005, 0.006))).toEqual(['Fit the long plate', true, null]);
		expect(is(extend('plate', 'least', 0.0051, 0.006))).toEqual([
			'Move the camera on its plate back 6 mm',
			false,
			-0.006
		]);
		expect(is(extend('plate', 'greatest', 0.02, 0.03))).toEqual(['Fit the long plate', true, null]);
		expect(appliesHere(small, extend('plate', 'least', 0.001, 0.002))).toBe(false);
		expect(appliesHere(small, { kind: 'useHole', alternativeId: 'turned', positionsM: {} })).toBe(true);
	});
	it('other ways to put it together, and weights to the next five grams', () => {
		const turned = { alternativeId: 'turned', positionsM: {} };
		expect(words({ kind: 'turnCradle', ...turned })).toBe(
			'Turn the cradle: base reversed, its mount 8 mm further back'
		);
		expect(words({ kind: 'useHole', ...turned })).toBe('Use base reversed, its mount 8 mm further back');
		expect(words({ kind: 'swapPlate', ...turned })).toBe('Swap in base reversed, its mount 8 mm further back');
		expect(words({ kind: 'swapPlate', alternativeId: 'gone', positionsM: {} })).toBe('Swap in gone');
		const mass = (massKg: number, placeId = 'plateRear'): Remedy => ({
			kind: 'addMass',
			placeId,
			massKg,
			positionsM: {}
		});
		expect(words(mass(0.1401))).toBe('Fix 145 g at the rear end of the plate');
		expect(words(mass(0.145))).toBe('Fix 145 g at the rear end of the plate');
		expect(words(mass(0.1, 'nowhere'))).toBe('Fix 100 g at nowhere');
	});
	it('none at all is said, with what runs out and what stays on the motors', () => {
		const tele = payload('tele');
		const figures = benchFigures(small, bodies(tele), completePositions(small, {}));
		const bare = benchSlip(small, { ...figures, solution: { ...figures.solution, remedies: [] } }, 'metric', false);
		expect(bare).toMatchObject({ kind: 'remedy', strong: 'change the payload', remedy: null, others: [] });
		expect(bare.why).toMatch(/^The plate runs out of travel; tilt keeps \d+ % of its motor busy\. No single slide/);
		const free = figures.solution.slides.map((slide) => ({ ...slide, atLimit: false }));
		const none = { ...figures.solution, remedies: [], slides: free };
		expect(benchSlip(small, { ...figures, solution: none }, 'metric', false).why).toMatch(
			/^No slide reaches far enough; tilt/
		);
		const two = figures.solution.slides.map((slide) => ({
			...slide,
			atLimit: slide.id !== 'panArm' && slide.id !== 'cradle'
		}));
		const still = figures.solution.axes.map((axis) => ({ ...axis, residualTorqueNm: 0 }));
		expect(
			benchSlip(small, { ...figures, solution: { ...none, slides: two, axes: still } }, 'metric', false).why
		).toMatch(/^The plate and the crossbar runs out of travel\. No single/);
		const ended = (outOfTravel: 'least' | 'greatest') =>
			benchSlip(
				small,
				{
					...figures,
					hunts: [{ slideId: 'plate', open: false, history: [], foretold: null, bandM: 0, nudge: { outOfTravel } }]
				} as never,
				'metric',
				false
			).why;
		expect(ended('least')).toMatch(/^At the end of the plate it was let go and still fell forward\. The plate/);
		expect(ended('greatest')).toMatch(/^At the end of the plate it was let go and still fell back\. The plate/);
	});
	it('three more ways at most are named beside the first', () => {
		const tele = payload('tele');
		const figures = benchFigures(small, bodies(tele), completePositions(small, {}));
		const mass = { kind: 'addMass', placeId: 'plateRear', massKg: 0.1, positionsM: {} } as const;
		const many = { ...figures, solution: { ...figures.solution, remedies: Array.from({ length: 6 }, () => mass) } };
		const slip = benchSlip(small, many, 'metric', false);
		expect(slip.remedy).toBe(mass);
		expect(slip.others.map(({ text }) => text)).toEqual(
			Array.from({ length: 3 }, () => 'Or fix 100 g at the rear end of the plate.')
		);
	});
	it('a gimbal without that slide is an error that names it', () => {
		expect(() => slideOf(small, 'nosuch')).toThrow('no slide called nosuch');
	});
	it('too light but balanced is a warning; unbalanced it is the answer', () => {
		const wide = payload('wide');
		const choosy = { ...small, leastPayloadKg: 1.5 };
		const light = benchFigures(choosy, bodies(wide), completePositions(small, {}));
		expect(lightWarning(choosy, { ...light, solution: { ...light.solution, balanced: false } }, 'metric')).toBeNull();
		expect(lightWarning(choosy, { ...light, fit: 'fits' }, 'metric')).toBeNull();
	});
});
