import type { SledCure } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { type MountedBody, sledFigures, type SledFigures } from './figures';
import type { SledBenchState, SledSetting } from './model';
import { sledFromPattern, sledPatterns } from './patterns';
import { degrees, linesBetween, seconds, sledSlip, targetOf, worstLean } from './slip';
import { dockedSetting, gimbalTravel } from './standing';

const heavy = sledFromPattern(
	sledPatterns.find(({ id }) => id === 'heavy')!,
	'Heavy'
);
const { geometry } = heavy;
const docked = dockedSetting(geometry);
const payload: MountedBody[] = [
	{ id: 'plate', body: { massKg: 0.4, cgM: [0, 0, 0.01] }, sigmaM: [0.001, 0.001, 0.001] },
	{ id: 'body', body: { massKg: 8.6, cgM: [0.03, 0.004, 0.09] }, sigmaM: [0.006, 0.004, 0.006] }
];
const state: Pick<SledBenchState, 'setting' | 'dropTimeS' | 'shots' | 'movers'> = {
	...{ setting: docked, dropTimeS: 2.5, shots: ['pans'], movers: ['rearBattery', 'batteries'] }
};
const base = sledFigures(heavy, payload, state, null);
const leave: SledCure = base.cures.at(-1)!;
/** Nothing is out and nothing is left over. */
const rightCure = {
	...leave,
	...{ plate: { foreM: 0, sideM: 0 }, gimbalHeightM: docked.gimbalM, foreLeanRad: 0, sideLeanRad: 0 },
	staticOffsetM: { fore: 0, side: 0 },
	solution: { ...leave.solution, dropTimeMet: true, reason: null, dropTimeS: 2.5, shifts: [] }
} as unknown as SledCure;
const report = {
	...base.report,
	staticOffsetM: { fore: 0, side: 0 },
	dropTimeS: { ...base.report.dropTimeS, fore: 2.5 },
	dynamic: { ...base.report.dynamic, foreLeanRad: 0, sideLeanRad: 0 }
} as SledFigures['report'];
const quiet: Partial<SledFigures> = {
	...{ report, cure: rightCure, staticGood: true, dropGood: true, spinGood: true, placed: true, fit: 'within' },
	...{ seen: { upright: false, drop: false, spin: false }, staticBandM: 0.0005, toleranceRad: 0.01 }
};
const slipOf = (next: Partial<SledFigures> = {}, slipsDone = 0) =>
	sledSlip(heavy, docked, { ...base, ...quiet, ...next }, slipsDone, 'metric');
const out = { placed: false } as const;
const cured = (next: object, solution: object = {}) =>
	({ ...rightCure, ...next, solution: { ...rightCure.solution, ...solution } }) as unknown as SledCure;

describe('looks that do not fit together', () => {
	it('are settled first: no move is offered by them, whatever is out, and nothing is called in place', () => {
		for (const next of [{}, { ...out, staticGood: false }, { ...out, spinGood: false, dropGood: false }])
			expect(slipOf({ clash: true, ...next })).toMatchObject({
				...{ kind: 'clash', lines: [], target: docked, short: null },
				heading: 'What was seen does not fit together'
			});
	});
	it('leave a payload too heavy, and one that was seen in all three', () => {
		expect(slipOf({ clash: true, fit: 'tooHeavy' }).kind).toBe('tooHeavy');
		expect(slipOf({ clash: true, poised: true, seen: { upright: true, drop: true, spin: true } }).kind).toBe('poised');
	});
});

describe('what is still to be seen', () => {
	it('in place as computed: upright first, then the drop, then the spin; seen in all three it is poised', () => {
		const seen = (upright: boolean, drop: boolean, spin: boolean) => slipOf({ seen: { upright, drop, spin } });
		expect(seen(false, false, false)).toMatchObject({
			...{ kind: 'placed', look: 'upright', lines: [], target: docked, short: null },
			heading: 'In place, as computed · 0 of 3 seen',
			why: 'By the figures it stands upright; nobody has seen it yet.'
		});
		expect(seen(true, false, false)).toMatchObject({
			...{ look: 'drop', heading: 'In place, as computed · 1 of 3 seen' },
			why: 'By the figures it drops in the wanted time; nobody has seen it yet.'
		});
		expect(seen(true, true, false)).toMatchObject({
			...{ look: 'spin', heading: 'In place, as computed · 2 of 3 seen' },
			why: 'By the figures it spins true; nobody has seen it yet.'
		});
		expect(seen(false, true, true).look).toBe('upright');
		const poised = seen(true, true, true);
		expect(poised).toMatchObject({
			kind: 'poised',
			lines: [],
			heading: 'Seen to stand, to drop in time and to spin true'
		});
		expect(poised.look).toBeUndefined();
	});
	it('too heavy comes before everything, with both masses', () => {
		expect(slipOf({ fit: 'tooHeavy', payloadKg: 40 })).toMatchObject({
			...{ kind: 'tooHeavy', lines: [], target: docked, short: null },
			why: expect.stringMatching(/^It carries [\d.]+ kg on the plate at most, and this payload weighs 40\.00 kg\./)
		});
	});
});

describe('what is out, in the order in which a hand feels it', () => {
	const move = cured({ kind: 'move', id: 'rearBattery', foreM: 0.02, sideM: 0 });
	const why = (next: Partial<SledFigures>) => slipOf({ ...out, cure: move, ...next }).why;
	const dropNull = { ...report, dropTimeS: { ...report.dropTimeS, fore: null } } as SledFigures['report'];
	const leaning = (foreLeanRad: number, sideLeanRad: number) =>
		({ ...report, dynamic: { ...report.dynamic, foreLeanRad, sideLeanRad } }) as SledFigures['report'];
	it.each([
		[{ staticGood: false }, 'Now it leans; this'],
		[{ dropGood: false }, 'Now it drops in the wrong time; this'],
		[{ dropGood: false, report: dropNull }, 'Now it is top-heavy; this'],
		[
			{ spinGood: false, report: leaning(0.05, -0.02) },
			'Now it spins 2.9° off its post, where this day forgives 0.6°; this'
		],
		[{ spinGood: false, report: leaning(0.02, -0.05) }, 'Now it spins 2.9° off its post'],
		[{ staticGood: false, dropGood: false }, 'Now it leans and it drops in the wrong time; this'],
		[
			{ staticGood: false, dropGood: false, spinGood: false, report: leaning(0.05, 0) },
			'Now it leans, it drops in the wrong time and it spins 2.9° off'
		],
		[{}, 'Now something is out; this']
	] as const)('%j: %s', (next, words) => {
		expect(why(next as Partial<SledFigures>)).toContain(words);
	});
	it('names what cures the spin, where something moves for it', () => {
		expect(why({ staticGood: false })).toMatch(
			/ Moving the rear battery cures the spin; the plate and the gimbal go with it\.$/
		);
		const plate = cured({ kind: 'leave', plate: { foreM: 0.01, sideM: 0 } });
		expect(
			slipOf({ ...out, cure: plate, report: { ...report, staticOffsetM: { fore: 0.01, side: 0 } } as never }).why
		).toMatch(/in one go\.$/);
		expect(worstLean(leaning(0.05, -0.05))).toBe(0.05);
		expect(worstLean(leaning(0.04, -0.05))).toBe(-0.05);
	});
	it('counts the slips from one; with nothing to move it is stuck', () => {
		expect(slipOf({ ...out, cure: move })).toMatchObject({
			kind: 'move',
			heading: 'Slip 1 · on its stand, one hand on the post'
		});
		expect(slipOf({ ...out, cure: move }, 2).heading).toMatch(/^Slip 3 ·/);
		expect(slipOf(out)).toMatchObject({ kind: 'stuck', lines: [], target: docked });
	});
});

describe('what stays out, and why', () => {
	const short = (next: object, solution: object = {}, more: Partial<SledFigures> = {}) =>
		slipOf({ ...out, ...more, cure: cured(next, solution) }).short;
	it('the plate out of travel, either way and in either plane, beyond the band alone', () => {
		expect(short({})).toBeNull();
		for (const staticOffsetM of [
			{ fore: 0.0006, side: 0 },
			{ fore: -0.0006, side: 0 },
			{ fore: 0, side: 0.0006 },
			{ fore: 0, side: -0.0006 }
		])
			expect(short({ staticOffsetM })).toMatch(/^The plate runs out of travel and it still leans/);
		expect(short({ staticOffsetM: { fore: 0.0005, side: -0.0005 } })).toBeNull();
	});
	it('a lean in a spin that remains, and whose end it is', () => {
		expect(short({ foreLeanRad: 0.01, sideLeanRad: -0.01 })).toBeNull();
		expect(short({ foreLeanRad: 0.02 })).toBe('1.1° of lean in a spin remain: let something else move.');
		expect(short({ sideLeanRad: -0.03 })).toBe('1.7° of lean in a spin remain: let something else move.');
		const shifts = [
			{ id: 'camera', atLimit: true },
			{ id: 'rearBattery', atLimit: true }
		];
		expect(short({ foreLeanRad: 0.02 }, { shifts })).toBe(
			'The rear battery meets its end: 1.1° of lean in a spin remain.'
		);
		expect(short({ foreLeanRad: 0.02 }, { shifts: [{ id: 'rearBattery', atLimit: false }] })).toContain(
			'something else'
		);
	});
	it('a drop time out of reach: which end, what is the nearest, and what helps', () => {
		const drop = (reason: string | null, dropTimeS: number | null) =>
			short({}, { dropTimeMet: false, reason, dropTimeS });
		expect(drop('tooShort', 1.9)).toBe('No height of the gimbal drops so quickly: 1.9 s is the nearest.');
		expect(drop('gimbalAtTop', 3.1)).toBe(
			'The gimbal’s clamp ends at the top: 3.1 s is the nearest. Pull the post out or add weight at the foot.'
		);
		expect(drop('gimbalAtFoot', 1.4)).toBe('The gimbal’s clamp ends at the bottom: 1.4 s is the nearest.');
		expect(drop('gimbalAtTop', null)).toBe(
			'The gimbal’s clamp ends at the top: it stays top-heavy. Pull the post out or add weight at the foot.'
		);
		expect(drop('gimbalAtFoot', null)).toContain('it stays top-heavy. Pull the post out');
		expect(drop(null, 2)).toBeNull();
		expect(short({}, { dropTimeMet: true, reason: 'tooShort', dropTimeS: 1.9 })).toBeNull();
	});
	it('everything that stays out is said at once', () => {
		const all = short(
			{ staticOffsetM: { fore: 0.01, side: 0 }, foreLeanRad: 0.02 },
			{ dropTimeMet: false, reason: 'tooShort', dropTimeS: 2 }
		);
		expect(all).toMatch(/^The plate runs out .* 1\.1° of lean .* No height of the gimbal/);
	});
});

describe('the setting that a cure asks for', () => {
	const target = (cure: SledCure, next: Partial<SledFigures> = {}, from: SledSetting = docked) =>
		targetOf(geometry, from, { ...base, ...quiet, ...next }, cure);
	it('left alone, the plate moves only where it leans, the gimbal only where the drop is out', () => {
		const cure = cured({ kind: 'leave', plate: { foreM: 0.006, sideM: 0.004 }, gimbalHeightM: docked.gimbalM - 0.02 });
		const now = target(cure);
		expect(now.coarseForeM + now.fineForeM).toBeCloseTo(docked.coarseForeM + docked.fineForeM, 9);
		expect(now.fineSideM).toBeCloseTo(docked.fineSideM, 9);
		expect(now.gimbalM).toBeCloseTo(docked.gimbalM, 9);
		const leaning = (fore: number, side: number) =>
			target(cure, { report: { ...report, staticOffsetM: { fore, side } } as never });
		expect(leaning(0.01, 0).coarseForeM + leaning(0.01, 0).fineForeM).toBeCloseTo(
			docked.coarseForeM + docked.fineForeM + 0.006,
			3
		);
		expect(leaning(0.01, 0).fineSideM).toBe(docked.fineSideM);
		expect(leaning(-0.01, 0).coarseForeM + leaning(-0.01, 0).fineForeM).toBeGreaterThan(
			docked.coarseForeM + docked.fineForeM
		);
		expect(leaning(0, -0.01).fineSideM).toBeCloseTo(docked.fineSideM + 0.004, 3);
		expect(leaning(0.0005, 0.0005)).toMatchObject({ fineSideM: docked.fineSideM });
		expect(target(cure, { dropGood: false }).gimbalM).toBeCloseTo(docked.gimbalM - 0.02, 9);
		const topHeavy = { ...report, dropTimeS: { ...report.dropTimeS, fore: null } } as never;
		expect(target(cure, { report: topHeavy }).gimbalM).toBeCloseTo(docked.gimbalM - 0.02, 9);
	});
	it('moved for a spin, everything goes with it; a weight joins those that hang, to five grams', () => {
		const move = cured({
			...{ kind: 'move', id: 'rearBattery', foreM: 0.02, sideM: -0.01 },
			...{ plate: { foreM: -0.006, sideM: 0.004 }, gimbalHeightM: docked.gimbalM - 0.02 }
		});
		const there = {
			...docked,
			items: { ...docked.items, rearBattery: { foreM: 0.01, sideM: 0.005, upM: 0, tiltRad: 0 } }
		};
		const now = target(move, {}, there);
		expect(now.items['rearBattery']!.foreM).toBeCloseTo(0.03, 9);
		expect(now.items['rearBattery']!.sideM).toBeCloseTo(-0.005, 9);
		expect(now.gimbalM).toBeCloseTo(docked.gimbalM - 0.02, 9);
		expect(now.coarseForeM + now.fineForeM).toBeCloseTo(docked.coarseForeM + docked.fineForeM - 0.006, 3);
		const weight = cured({ kind: 'addMass', placeId: geometry.places[0]!.id, massKg: 0.1234 });
		const hung = { ...docked, weights: [{ placeId: 'before', massKg: 0.2 }] };
		expect(target(weight, {}, hung).weights).toEqual([
			{ placeId: 'before', massKg: 0.2 },
			{ placeId: geometry.places[0]!.id, massKg: 0.125 }
		]);
		expect(target(move, {}, hung).weights).toEqual(hung.weights);
	});
});

describe('every line names its thing, its way and its end', () => {
	const at = (id: string, next: object) => ({
		...docked,
		items: { ...docked.items, [id]: { ...docked.items[id]!, ...next } }
	});
	const lines = (to: SledSetting, from: SledSetting = docked) => linesBetween(geometry, from, to, 'metric');
	const { stage } = geometry;
	it('the plate, coarse and fine, both ways and at both ends', () => {
		const coarse = (coarseForeM: number) => lines({ ...docked, coarseForeM })[0];
		expect(coarse(0.012)).toMatchObject({
			id: 'coarse',
			lead: 'Slide the camera plate ',
			strong: 'forward 12 mm',
			atEnd: false
		});
		expect(coarse(-0.012)!.strong).toBe('back 12 mm');
		for (const end of stage.coarseForeM) expect(coarse(end)!.atEnd).toBe(true);
		expect(coarse(0.00019)).toBeUndefined();
		expect(coarse(0.00021)).toBeDefined();
		const fine = (fineForeM: number) => lines({ ...docked, fineForeM })[0];
		expect(fine(2 * stage.foreMPerTurn)).toMatchObject({ id: 'fineFore', strong: '2 turns forward' });
		expect(fine(-2 * stage.foreMPerTurn)!.strong).toBe('2 turns back');
		for (const end of stage.fineForeM) expect(fine(end)!.atEnd).toBe(true);
		const side = (fineSideM: number) => lines({ ...docked, fineSideM })[0];
		expect(side(2 * stage.sideMPerTurn)).toMatchObject({ id: 'fineSide', strong: '2 turns left' });
		expect(side(-2 * stage.sideMPerTurn)!.strong).toBe('2 turns right');
		for (const end of stage.fineSideM) expect(side(end)!.atEnd).toBe(true);
	});
	it('the gimbal, with the height it comes to', () => {
		const gimbal = (by: number) => lines({ ...docked, gimbalM: docked.gimbalM + by })[0];
		expect(gimbal(-0.02)).toMatchObject({ id: 'gimbal', lead: 'Set the gimbal ', strong: 'down 20 mm', atEnd: false });
		expect(gimbal(-0.02)!.detail).toContain(`to ${Math.round((docked.gimbalM - 0.02) * 1000)} mm above the foot`);
		const low = { ...docked, gimbalM: docked.gimbalM - 0.1 };
		expect(lines(docked, low)[0]!.strong).toBe('up 100 mm');
		for (const end of gimbalTravel(geometry, docked.pulledOutM))
			expect(
				lines(
					{ ...docked, gimbalM: end },
					{ ...docked, gimbalM: end === docked.gimbalM ? end - 0.05 : docked.gimbalM }
				)[0]!.atEnd
			).toBe(true);
		expect(gimbal(-0.00039)).toBeUndefined();
		expect(gimbal(-0.00041)).toBeDefined();
	});
	it('an item that slides goes forward, left and up, or swings out and in on its arms', () => {
		const slides = geometry.items.find(({ foreM, swingM }) => foreM !== null && swingM == null)!;
		const name = slides.label.charAt(0).toLowerCase() + slides.label.slice(1);
		expect(lines(at(slides.id, { foreM: 0.02 }))[0]).toMatchObject({
			...{ id: `${slides.id}Fore`, lead: `Slide the ${name} `, strong: 'forward 20 mm', detail: null }
		});
		expect(lines(at(slides.id, { foreM: -0.02 }))[0]!.strong).toBe('back 20 mm');
		for (const end of slides.foreM!) if (end !== 0) expect(lines(at(slides.id, { foreM: end }))[0]!.atEnd).toBe(true);
		expect(lines(at(slides.id, { sideM: 0.02 }))[0]).toMatchObject({ id: `${slides.id}Side`, strong: 'left 20 mm' });
		expect(lines(at(slides.id, { sideM: -0.02 }))[0]!.strong).toBe('right 20 mm');
		expect(lines(at(slides.id, { upM: 0.02 }))[0]).toMatchObject({
			id: `${slides.id}Up`,
			lead: `Set the ${name} `,
			strong: 'up 20 mm'
		});
		expect(lines(at(slides.id, { upM: -0.02 }))[0]!.strong).toBe('down 20 mm');
		for (const field of ['foreM', 'sideM', 'upM']) {
			expect(lines(at(slides.id, { [field]: 0.00039 }))).toEqual([]);
			expect(lines(at(slides.id, { [field]: 0.00041 }))).toHaveLength(1);
		}
		const swings = geometry.items.find(({ swingM }) => swingM != null);
		if (swings === undefined) return;
		const from = at(swings.id, { foreM: swings.foreM![0] });
		const out_ = lines(at(swings.id, { foreM: swings.foreM![0] + 0.03 }), from)[0]!;
		expect(out_.lead).toMatch(/^Swing the /);
		expect(out_.strong).toMatch(/^out to \d+°$/);
		expect(out_.detail).toContain('they come forward 30 mm');
		const in_ = lines(from, at(swings.id, { foreM: swings.foreM![0] + 0.03 }))[0]!;
		expect(in_.strong).toMatch(/^in to \d+°$/);
		expect(in_.atEnd).toBe(true);
	});
	it('weights that are new, by the name of their place', () => {
		const [place] = geometry.places;
		const with_ = {
			...docked,
			weights: [
				{ placeId: place!.id, massKg: 0.2 },
				{ placeId: 'nowhere', massKg: 0.1 }
			]
		};
		expect(lines(with_).map(({ lead, strong }) => lead + strong)).toEqual([
			`Fix 200 g at ${place!.label}`,
			'Fix 100 g at nowhere'
		]);
		expect(lines(with_, with_)).toEqual([]);
	});
});

it('angles and times as a hand reads them', () => {
	expect([degrees(0.05), degrees(-0.05), seconds(2.44), seconds(null)]).toEqual(['2.9°', '2.9°', '2.4 s', '–']);
});
