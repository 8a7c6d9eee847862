import { craneMoment, PhysicsInputError, stabilityAt, stabilityEnvelope } from '@poise/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CraneLook, CraneSetting, CraneStep } from './model';
import { craneBenchState, craneDraft } from './schemas.server';
import { bodies, payload, shelf } from '$lib/testing/scenario';
import { crane, craneState } from '$lib/testing/crane';
import { wrongWith } from './craneColumns';
import { countedLooks, craneFigures } from './figures';
import { checkedOrder, onHandInWords, refusalInWords, sharedOut, tippingInWords, whipCaution } from './order';
import { changedHead, headsOf, withHead } from './heads';
import { cranePatterns } from './patterns';
import { craneSlip, lineInWords, linesBetween, platesInWords, settableTrim, staysInWords } from './slip';
import { armOf, bareSetting, envelopeOf, hungKg, noseU, settledOn } from './standing';
import { levelGround, usualLoading, usualUnloading } from './state';
import { craneBuilds, swapCautions, swapHoldWords, swapSteps } from './swap';

const cine = bodies(payload('Cine'));
const wide = bodies(payload('wide'));
const loads = { handBuilt: wide, sectional: cine, studioJib: wide } as const;

/** Every line of the slip carried out. */
function done(pattern: keyof typeof loads, next: Partial<ReturnType<typeof craneState>> = {}) {
	const on = crane(pattern);
	const state = craneState(on, next);
	const slip = craneSlip(on, state, craneFigures(on, loads[pattern], state), 'metric');
	const after = { ...state, setting: settledOn(on.geometry, slip.target) };
	return { on, state: after, slip, figures: craneFigures(on, loads[pattern], after) };
}

describe('the patterns', () => {
	it.each(cranePatterns.map(({ id }) => id as keyof typeof loads))(
		'%s is taken by the server and balances in one slip',
		(id) => {
			const { on, state, figures, slip } = done(id);
			const { id: _, version: __, ...draft } = on;
			expect(craneDraft.validate(draft, { convert: false }).error).toBeUndefined();
			expect(craneBenchState.validate(state, { convert: false }).error).toBeUndefined();
			expect(slip.kind).toBe('move');
			expect(figures.balanced).toBe(true);
			expect(figures.noseKg).toBeCloseTo(state.noseBiasKg, 1);
			// Level, with nobody holding, only the wanted nose is left.
			const moment = craneMoment({ arm: figures.arm, boomRad: 0 }).momentNm[0]!;
			expect(Math.abs(moment)).toBeLessThanOrEqual(figures.freeLimitNm);
			expect(wrongWith(draft)).toBeNull();
		}
	);
});

describe('the slip of a crane', () => {
	it('says what comes off before what goes on, and the trim last', () => {
		const { on, state } = done('sectional');
		const lighter = {
			...state.setting,
			hung: state.setting.hung.map((count, index) => (index === 0 ? count - 1 : count + (index === 1 ? 1 : 0))),
			trimU: -0.5
		};
		const lines = linesBetween(on.geometry, state.setting, lighter, 'metric');
		expect(lines.map(({ id }) => id)).toEqual(['off', 'on', 'trim']);
		expect(lineInWords(lines[0]!)).toBe('Take off 1 × 20 kg');
		expect(lineInWords(lines[2]!)).toBe('Set the trim weight 500 mm behind the pivot');
		expect(linesBetween(on.geometry, lighter, lighter, 'metric')).toEqual([]);
	});
	it('names plates as a crew does', () => {
		const { geometry } = crane('sectional');
		expect(platesInWords(geometry, [6, 1, 0, 0, 1], 'metric')).toBe('6 × 20 kg, 1 × 10 kg and 1 × 1.25 kg');
		expect(platesInWords(geometry, [0, 0, 0, 0, 0], 'metric')).toBe('no plate');
		expect(platesInWords(geometry, [1, 0, 0, 0, 0], 'imperial')).toBe('1 × 44.09 lb');
	});
	it('sets the trim to half its graduation and never past its travel', () => {
		const { geometry } = crane('sectional');
		expect(settableTrim(geometry, -0.6521)).toBeCloseTo(-0.65, 12);
		expect(settableTrim(geometry, -9)).toBe(-1.3);
	});
	it('says what is short when the plates at hand do not do it', () => {
		const on = crane('sectional');
		const poor = { ...on, geometry: { ...on.geometry, plates: [{ massKg: 5, count: 2 }] } };
		const state = craneState(poor);
		const first = craneSlip(poor, state, craneFigures(poor, cine, state), 'metric');
		const after = { ...state, setting: first.target };
		const slip = craneSlip(poor, after, craneFigures(poor, cine, after), 'metric');
		expect(slip.kind).toBe('short');
		expect(slip.why).toMatch(/stays \d+\.\d+ kg heavy: bring more plates/);
	});
	it('refuses a payload the head may not carry', () => {
		const on = crane('handBuilt');
		const state = craneState(on);
		expect(craneSlip(on, state, craneFigures(on, cine, state), 'metric').kind).toBe('tooHeavy');
	});
	it('never says safe, and says plainly when it is not', () => {
		const narrow = done('sectional', { ground: { ...levelGround, pushN: 2500, pushHeightM: 1.5 } });
		expect(narrow.slip.danger).toMatch(/^Not safe as drawn/);
		const words = JSON.stringify([done('sectional').slip, narrow.slip, staysInWords(narrow.figures)]);
		expect(words.replace(/Not safe as drawn/g, '')).not.toMatch(/\bsafe\b/i);
	});
	it('judges the plan, not the bare arm, until the weights hang', () => {
		const on = crane('sectional');
		const state = craneState(on);
		const figures = craneFigures(on, cine, state);
		expect(figures.envelope.reserve).toBeLessThan(0);
		expect(figures.envelopeThen.reserve).toBeGreaterThan(0.5);
		expect(craneSlip(on, state, figures, 'metric').danger).toBeNull();
	});
});

describe('a setting', () => {
	it('is kept within everything the crane has', () => {
		const { geometry } = crane('studioJib');
		const wild = settledOn(geometry, {
			...bareSetting(geometry),
			fitted: [],
			pulledOutM: 9,
			hung: [99, -3, 1.4],
			trimU: 5,
			pivotHeightM: 0,
			boomRad: 3,
			swingRad: 7,
			shareSecond: 0.5
		});
		expect(wild).toMatchObject({
			fitted: ['arm'],
			pulledOutM: 0.7,
			hung: [4, 0, 1, 0],
			trimU: -0.15,
			pivotHeightM: 0.95,
			boomRad: geometry.boomRangeRad[1],
			shareSecond: 0
		});
		expect(wild.swingRad).toBeCloseTo(7 - 2 * Math.PI, 12);
	});
	it('a section left out shortens the arm and lightens the weights', () => {
		const whole = done('sectional');
		const shorter = done('sectional', {
			setting: { ...bareSetting(whole.on.geometry), fitted: ['first', 'second'] }
		});
		expect(noseU(whole.on.geometry, whole.state.setting)).toBeCloseTo(6.6, 12);
		expect(noseU(whole.on.geometry, shorter.state.setting)).toBeCloseTo(3.6, 12);
		expect(hungKg(whole.on.geometry, shorter.state.setting.hung)).toBeLessThan(
			0.6 * hungKg(whole.on.geometry, whole.state.setting.hung)
		);
	});
	it('pulled out it wants more behind, and says how much', () => {
		const on = crane('studioJib');
		const hung = [0, 0.35, 0.7].map((pulledOutM) => {
			const { state } = done('studioJib', { setting: { ...bareSetting(on.geometry), pulledOutM } });
			return hungKg(on.geometry, state.setting.hung) * 0.7 - on.geometry.trim.massKg * state.setting.trimU;
		});
		expect(hung[1]!).toBeGreaterThan(hung[0]!);
		expect(hung[2]!).toBeGreaterThan(hung[1]!);
	});
	it('stands on its feet as the ground asks: slope, wind, push and ballast each tell', () => {
		const { on, state } = done('sectional');
		const reserve = (next: object) =>
			stabilityAt({
				...envelopeOf(on.geometry, state.setting, cine, { ...levelGround, ...next }),
				swingRad: 0,
				boomRad: 0
			}).reserve;
		const level = reserve({});
		expect(reserve({ pushN: 400 })).toBeLessThan(level);
		expect(reserve({ windMPerS: 12 })).toBeLessThan(level);
		expect(reserve({ ballastKg: 100, pushN: 400 })).toBeGreaterThan(reserve({ pushN: 400 }));
	});
});

describe('the order of loading', () => {
	const { on, state, figures } = done('sectional');
	const order = (steps = usualLoading, loading = true) =>
		checkedOrder(on.geometry, state.setting, cine, figures, steps, loading, 'metric', state.ground);
	it('the usual orders hold, on and off, and end as they should', () => {
		const loading = order();
		expect(loading.refusedAt).toBeNull();
		expect(loading.impossible).toBeNull();
		const last = loading.rows[loading.rows.length - 1]!;
		expect(last.momentNm).toBeCloseTo(
			craneMoment({ arm: armOf(on.geometry, state.setting, cine), boomRad: 0 }).momentNm[0]!,
			6
		);
		const unloading = order(usualUnloading, false);
		expect(unloading.refusedAt).toBeNull();
		expect(unloading.rows[unloading.rows.length - 1]!.momentNm).toBeCloseTo(loading.rows[0]!.momentNm, 6);
	});
	it('refuses to let go before the weights, with the reason', () => {
		const free = usualLoading.map((step) => (step.id === 'camera' ? { ...step, held: false } : step));
		const { refusedAt } = order(free);
		expect(refusedAt?.step.id).toBe('camera');
		expect(refusalInWords(refusedAt!, 'metric')).toMatch(
			/nobody holds the arm, and it swings (nose|tail) down with \d/
		);
		const freeUnload = usualUnloading.map((step) => (step.id === 'cameraOff' ? { ...step, held: false } : step));
		expect(order(freeUnload, false).refusedAt?.step.id).toBe('cameraOff');
	});
	it('refuses what cannot be done: a camera without the head it hangs on', () => {
		const swap = (steps: typeof usualLoading, a: string, b: string) => {
			const [i, j] = [steps.findIndex(({ id }) => id === a), steps.findIndex(({ id }) => id === b)];
			return steps.map((step, index) => (index === i ? steps[j]! : index === j ? steps[i]! : step));
		};
		expect(order(swap(usualLoading, 'head', 'camera')).impossible).toContain('before the head');
		expect(order(swap(usualUnloading, 'cameraOff', 'headOff'), false).impossible).toContain('camera still on it');
	});
	it('reckons what is left against tipping after every step, and names the shakiest', () => {
		const { rows, shakiest, tips, hangsOnHand } = order();
		const last = rows.at(-1)!;
		expect(last.reserve).toBeCloseTo(
			stabilityEnvelope({ ...envelopeOf(on.geometry, state.setting, cine, state.ground), boomRangeRad: [0, 0] })
				.reserve,
			9
		);
		expect(Math.min(...rows.map(({ reserve }) => reserve))).toBe(shakiest.reserve);
		expect(tips).toBe(false);
		// All the arm's length with the head on and no weight yet: it is the hand that keeps the base standing.
		expect(hangsOnHand!.step.id).toBe('bare');
		expect(onHandInWords(hangsOnHand!)).toContain('lets go');
		for (const row of rows) expect(row.letGo).toBeLessThanOrEqual(row.reserve + 0.02);
		// A short arm stands by itself throughout.
		const setting = { ...state.setting, fitted: ['first', 'second'] };
		const short = { ...state, setting };
		const slip = craneSlip(on, short, craneFigures(on, cine, short), 'metric');
		const built = { ...short, setting: slip.target };
		const shortFigures = craneFigures(on, cine, built);
		expect(
			checkedOrder(on.geometry, slip.target, cine, shortFigures, usualLoading, true, 'metric', state.ground).hangsOnHand
		).toBeNull();
	});
	it('says in plain words where it tips', () => {
		const windy = { ...state.ground, pushN: 900 };
		const order = checkedOrder(on.geometry, state.setting, cine, figures, usualLoading, true, 'metric', windy);
		expect(order.tips).toBe(true);
		expect(tippingInWords(order)).toMatch(/^(Not safe as drawn|Nearly tipping): after “.+”/);
	});
	it('says who holds which end and with how much', () => {
		const [bare] = order().rows;
		expect(bare!.holds).toMatch(/^one holds the nose up: \d+\.\d\d kg$/);
		expect(bare!.atNoseKg * figures.noseU).toBeCloseTo(bare!.atTailKg * on.geometry.rear.lengthM, 9);
	});
});

describe('swapping heads', () => {
	const on = crane('sectional');
	const state = craneState(on);
	it('reckons each build under each head, the lighter head with less behind the pivot', () => {
		const builds = craneBuilds(on, [payload('Cine')], shelf, state, [1]);
		expect(builds.map(({ head }) => head.name)).toEqual(['Remote head, three-axis', 'Light remote head']);
		const [heavy, light] = builds;
		const moment = ({ setting, geometry }: (typeof builds)[number]) =>
			hungKg(geometry, setting.hung) * -geometry.hanger.uM - geometry.trim.massKg * setting.trimU;
		const saved = (on.geometry.head.massKg - light!.head.head.massKg) * noseU(on.geometry, state.setting);
		expect(moment(heavy!) - moment(light!)).toBeCloseTo(saved, 1);
		expect(Math.abs(light!.shortKg)).toBeLessThan(0.01);
	});
	it('takes the camera off before its head, and ends balanced under the other', () => {
		const [heavy, light] = craneBuilds(on, [payload('Cine')], shelf, state, [1]);
		const { freeLimitNm } = craneFigures(on, cine, state);
		const { steps, off, on: hang } = swapSteps(heavy!, light!, freeLimitNm);
		expect(steps.map(({ id }) => id)).toEqual([
			'hold',
			'off',
			'cameraOff',
			'headOff',
			'headOn',
			'cameraOn',
			'on',
			'trim',
			'free'
		]);
		// More comes off than the lighter head needs: nobody holds a whole pile with nothing before it.
		expect(Math.max(...steps.filter(({ held }) => held).map(({ holdKg }) => holdKg))).toBeLessThan(40);
		expect(heavy!.setting.hung.map((count, kind) => count - off[kind]! + hang[kind]!)).toEqual(light!.setting.hung);
		expect(steps.every(({ ok }) => ok)).toBe(true);
		expect(Math.abs(steps.at(-1)!.momentNm)).toBeLessThan(freeLimitNm);
		// What is heeded is what these steps leave in the hand, and at which end.
		const [whips, most, first] = swapCautions({ steps, off }, 'metric');
		expect(whips).toMatch(/somebody holds it throughout/);
		const hardest = steps.filter(({ held }) => held).reduce((best, each) => (each.holdKg > best.holdKg ? each : best));
		const end = hardest.momentNm > 0 ? 'nose' : 'tail';
		expect(most).toBe(`At most ${hardest.holdKg.toFixed(2)} kg to hold, at the ${end}: one person, both hands.`);
		expect(first).toMatch(/plates named come off before the camera/);
		const none = on.geometry.plates.map(() => 0);
		const heavier = steps.map((step) => ({ ...step, holdKg: step.holdKg * 2 }));
		expect(swapCautions({ steps: heavier, off: none }, 'metric')).toEqual([
			whips,
			`At most ${(hardest.holdKg * 2).toFixed(2)} kg to hold, at the ${end}: two people hold it.`
		]);
		expect(swapHoldWords({ ...steps[2]!, holdKg: 12, momentNm: 100 }, 'metric')).toBe(
			'then 12.00 kg to hold at the nose'
		);
		expect(swapHoldWords({ ...steps.at(-1)!, ok: false, momentNm: 90 }, 'metric')).toMatch(
			/would swing.*not to be done/
		);
	});
	it('puts another on the crane and the first at hand, there and back', () => {
		const other = withHead(on.geometry, 1);
		expect(other.head.name).toBe('Light remote head');
		expect(headsOf(other).map(({ name }) => name)).toEqual(['Light remote head', 'Remote head, three-axis']);
		expect(withHead(other, 1)).toEqual(on.geometry);
		expect(withHead(on.geometry, 4)).toBe(on.geometry);
		expect(changedHead(on.geometry, 1, { massKg: 6 }).otherHeads![0]!.massKg).toBe(6);
		expect(changedHead(on.geometry, 0, { massKg: 9 }).head!.massKg).toBe(9);
	});
});

describe('swapping cameras', () => {
	it('keeps the arm held until the trim is set, weights for the lighter camera off first', () => {
		const on = crane('sectional');
		const state = craneState(on);
		const [heavy, light] = craneBuilds(on, [payload('Cine'), payload('wide')], shelf, state);
		expect(hungKg(on.geometry, heavy!.setting.hung)).toBeGreaterThan(hungKg(on.geometry, light!.setting.hung));
		const { freeLimitNm } = craneFigures(on, cine, state);
		for (const [one, other] of [
			[heavy!, light!],
			[light!, heavy!]
		] as const) {
			const { steps, off, on: hang } = swapSteps(one, other, freeLimitNm);
			const usual = ['hold', 'off', 'cameraOff', 'cameraOn', 'on', 'trim', 'free'];
			const done = steps.map(({ id }) => id as string);
			expect(done).toEqual(usual.filter((id) => done.includes(id)));
			expect(one.setting.hung.map((count, kind) => count - off[kind]! + hang[kind]!)).toEqual(other.setting.hung);
			expect(done.includes('off')).toBe(off.some((count) => count > 0));
			expect(steps.every(({ ok }) => ok)).toBe(true);
			expect(steps.slice(0, -1).every(({ held }) => held)).toBe(true);
		}
	});
	it('leaves a bare plate out', () => {
		const on = crane('sectional');
		expect(craneBuilds(on, [{ ...payload('wide'), placements: [] }], shelf, craneState(on))).toEqual([]);
	});
});

describe('what is wrong with a crane', () => {
	const { id: _, version: __, ...draft } = crane('sectional');
	const based = (feetM: readonly (readonly [number, number])[]) => ({
		...draft,
		geometry: { ...draft.geometry, base: { ...draft.geometry.base, feetM } }
	});
	const [a, b, c, d] = draft.geometry.base.feetM as readonly (readonly [number, number])[];
	it('a base that crosses itself or goes the wrong way is said here and refused at the door', () => {
		for (const feet of [
			[a!, c!, b!, d!],
			[d!, c!, b!, a!]
		]) {
			expect(wrongWith(based(feet))).toMatch(/cross|counter-clockwise/);
			expect(craneDraft.validate(based(feet), { convert: false }).error?.message).toMatch(/cross|counter-clockwise/);
			expect(() =>
				stabilityAt({
					...envelopeOf(based(feet).geometry, bareSetting(draft.geometry), cine, levelGround),
					swingRad: 0,
					boomRad: 0
				})
			).toThrow(PhysicsInputError);
		}
	});
	it.each<[string, (g: typeof draft.geometry) => object, string]>([
		['plates of no mass', (g) => ({ ...g, plates: [{ massKg: 0, count: 2 }] }), 'plate'],
		['an arm of no length', (g) => ({ ...g, sections: [] }), 'sections'],
		['a section of no length', (g) => ({ ...g, sections: [{ ...g.sections[0], lengthM: 0 }] }), 'length'],
		['a hanger before the pivot', (g) => ({ ...g, hanger: { ...g.hanger, uM: 0.4 } }), 'hanger']
	])('%s is refused in words', (_what, spoil, word) => {
		const { error } = craneDraft.validate({ ...draft, geometry: spoil(draft.geometry) }, { convert: false });
		expect(error?.message).toContain(word);
	});
	it('a hurricane is refused at the field', () => {
		const on = crane('sectional');
		const state = craneState(on, { ground: { ...levelGround, windMPerS: 200 } });
		expect(craneBenchState.validate(state, { convert: false }).error?.message).toContain('wind');
	});
});

describe('plates shared out over an order', () => {
	const plates = [20, 10, 5, 2.5, 1.25].map((massKg) => ({ massKg, count: 9 }));
	const portion = (id: string, share: number): CraneStep => ({ id, what: 'plates', on: true, share, held: true });

	it('are whole plates, all of them, each portion as near to its share as they come', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 5, maxLength: 5 }),
				fc.integer({ min: 1, max: 4 }),
				(hung, count) => {
					const steps = Array.from({ length: count }, (_, index) => portion(`p${index}`, 1 / count));
					const shares = sharedOut({ plates }, hung, steps);
					expect(shares).toHaveLength(count);
					for (const share of shares)
						for (const each of share) {
							expect(Number.isInteger(each)).toBe(true);
							expect(each).toBeGreaterThanOrEqual(0);
						}
					hung.forEach((whole, index) =>
						expect(shares.reduce((sum, share) => sum + (share[index] ?? 0), 0)).toBe(whole)
					);
					// No further from the half than the largest plate.
					const total = hungKg({ plates }, hung);
					const first = hungKg({ plates }, shares[0]!);
					expect(Math.abs(first - total / count)).toBeLessThanOrEqual(20);
				}
			)
		);
	});
	it('are named plate by plate in every step, never as a mass that cannot be hung', () => {
		const { on, state, figures } = done('sectional');
		for (const loading of [true, false]) {
			const { rows } = checkedOrder(
				on.geometry,
				state.setting,
				cine,
				figures,
				loading ? usualLoading : usualUnloading,
				loading,
				'metric',
				state.ground
			);
			const words = rows.filter(({ step }) => step.what === 'plates').map(({ words: each }) => each);
			expect(words).toHaveLength(2);
			for (const each of words) expect(each).toMatch(/^(Hang|Take off) \d × [\d.]+ kg/);
			// Weights go before the camera does, in part at least: the order keeps to the caution.
			const at = (what: string) => rows.findIndex(({ step }) => step.what === what);
			if (!loading) expect(at('plates')).toBeLessThan(at('camera'));
		}
		expect(whipCaution).toMatch(/weights off before the camera/);
	});
});

describe('what the arm was seen to do', () => {
	const look = (what: CraneLook['what'], setting: CraneSetting): CraneLook => ({ what, setting, payloadVersion: 1 });
	it('makes it poised only when it stays with everything as it hangs now', () => {
		const { on, state, figures } = done('sectional');
		expect([figures.balanced, figures.seen, figures.poised]).toEqual([true, null, false]);
		const seen = (looks: readonly CraneLook[], setting = state.setting) =>
			craneFigures(on, cine, { ...state, setting }, looks);
		expect(seen([look('stays', state.setting)]).poised).toBe(true);
		expect(seen([look('stays', state.setting), look('sinks', state.setting)]).poised).toBe(false);
		const moved = { ...state.setting, trimU: state.setting.trimU - 0.05 };
		expect(seen([look('stays', moved)]).seen).toBeNull();
	});
	it('outweighs what was written: where it stays, the figures follow, to the right side', () => {
		const { on, state } = done('sectional');
		for (const by of [-0.3, 0.3]) {
			const setting = { ...state.setting, trimU: state.setting.trimU + by };
			const figures = craneFigures(on, cine, { ...state, setting }, [look('stays', setting)]);
			// It stays with the trim further forward: it must carry more at the tail than is written, and the other way round.
			expect(Math.sign(figures.unwrittenKg)).toBe(-Math.sign(by));
			expect(figures.balanced).toBe(true);
			expect(figures.poised).toBe(true);
			const told = craneSlip(on, { ...state, setting }, figures, 'metric');
			expect(told.kind === 'poised' || told.kind === 'tips').toBe(true);
			// Believing the figures again takes it all back.
			const looks = [look('stays', setting)];
			expect(countedLooks({ looks, believeDrawing: true }, 1)).toEqual([]);
			expect(countedLooks({ looks: [{ ...looks[0]!, struck: true }] }, 1)).toEqual([]);
			expect(countedLooks({ looks }, 2)).toEqual([]);
		}
	});
	it('says first that it pulls at the top though it is right when level, and what cures it', () => {
		const { on, figures, state } = done('sectional');
		const slip = craneSlip(on, state, figures, 'metric');
		if (figures.staysThroughout) return expect(slip.pulls).toBeNull();
		const [low, high] = figures.noseAtEndsKg;
		const worse = Math.abs(high) >= Math.abs(low) ? high : low;
		expect(slip.pulls).toContain(worse === high ? 'At full height' : 'All the way down');
		expect(slip.pulls).toContain(worse > 0 ? 'pulls down' : 'pulls up');
	});
});
