import { describe, expect, it } from 'vitest';
import { bodies, part, payload, record, rig, standing, targetsOf } from '$lib/testing/scenario';
import { evaluate } from './evaluate';
import { fromBalance } from './fromBalance';
import { partSubject, payloadSubject } from './subject';

const lens = partSubject(part('Tele zoom 70–200'));
const body = partSubject(part('Compact body'));
const found = (told: ReturnType<typeof evaluate>) => {
	if (!('found' in told)) throw new Error(told.problem);
	return told.found;
};

describe('measuring a part', () => {
	it('on a rod counts from its rear end', () => {
		const [x] = found(evaluate(lens, { way: 'rod', axis: 0, fromEndM: [0.118, 0.122, 0.12] }));
		// The lens is 200 mm long at its shortest: its rear end lies 100 mm behind the middle.
		expect(x!.valueM).toBeCloseTo(0.02, 12);
		expect(x!.sigmaM).toBeCloseTo(Math.hypot(0.002 / Math.sqrt(3), 0.0006), 9);
	});
	it('is never surer than the instrument, however well readings agree', () => {
		const sigmaOf = (many: number) =>
			found(evaluate(lens, { way: 'rod', axis: 0, fromEndM: Array.from({ length: many }, () => 0.12) }))[0]!.sigmaM;
		expect(sigmaOf(2)).toBeCloseTo(Math.hypot(0.0008 / Math.SQRT2, 0.0006), 9);
		// What the rod itself hides does not go away by looking again.
		expect(sigmaOf(100)).toBeGreaterThan(0.0006);
	});
	it('on two scales warns when they weigh something else', () => {
		const told = evaluate(body, { way: 'scales', axis: 1, edgeAFromEndM: 0.02, spanM: 0.1, pairsKg: [[0.5, 0.5]] });
		expect('notes' in told && told.notes.join()).toMatch(/show 1000 g; it is entered as 660 g/);
	});
	it('hung from two points finds both coordinates of the plane', () => {
		const turn = (px: number, pz: number) => Math.atan2(-(0.01 - px), -(-0.005 - pz));
		const hang = (acrossM: number, upM: number) => ({ acrossM, upM, turnsRad: [turn(acrossM, upM)] });
		const told = found(
			evaluate(body, { way: 'hang', plane: 'side', first: hang(0, 0.048), second: hang(-0.039, 0.01) })
		);
		expect(told.map(({ axis }) => axis)).toEqual([0, 2]);
		expect(told[0]!.valueM).toBeCloseTo(0.01, 9);
		expect(told[1]!.valueM).toBeCloseTo(-0.005, 9);
	});
	it('swung finds the distance whose own pendulum swings so, and prefers it to its twin', () => {
		// A box of 78 × 96 mm on a pin 51 mm from its centre: T = 2π √((I/m + r²)/(g r)), small swings.
		const gyration2 = (0.078 ** 2 + 0.096 ** 2) / 12;
		const periodS = 2 * Math.PI * Math.sqrt((gyration2 + 0.051 ** 2) / (9.80665 * 0.051));
		const told = evaluate(body, {
			way: 'swing',
			plane: 'side',
			pinAcrossM: 0,
			pinUpM: 0.045,
			turnsRad: [0],
			periodsS: [periodS],
			amplitudeRad: 0.001
		});
		expect(found(told)[0]!.valueM).toBeCloseTo(0, 9);
		expect(found(told)[1]!.valueM).toBeCloseTo(-0.006, 5);
		expect('notes' in told && told.notes.join()).toMatch(/Two centres fit/);
	});
	it.each([
		['nothing typed', { way: 'rod', axis: 0, fromEndM: [] }, /at least one/],
		['a point past the end', { way: 'rod', axis: 0, fromEndM: [0.4] }, /outside the thing/],
		['edges in one place', { way: 'scales', axis: 0, edgeAFromEndM: 0, spanM: 0, pairsKg: [[1, 1]] }, /stand apart/],
		[
			'both scales at 0',
			{ way: 'scales', axis: 0, edgeAFromEndM: 0, spanM: 0.1, pairsKg: [[0, 0]] },
			/nor both read 0/
		],
		[
			'a swing too fast',
			{ way: 'swing', plane: 'side', pinAcrossM: 0, pinUpM: 0.04, turnsRad: [0], periodsS: [0.1], amplitudeRad: 0.2 },
			/swings faster/
		],
		[
			'one plumb line twice',
			{
				way: 'hang',
				plane: 'side',
				first: { acrossM: 0, upM: 0.04, turnsRad: [0] },
				second: { acrossM: 0, upM: 0.03, turnsRad: [0.02] }
			},
			/further round/
		]
	] as const)('says what is wrong with %s', (_, readings, words) => {
		const told = evaluate(lens, readings as never);
		expect('problem' in told && told.problem).toMatch(words);
	});
});

describe('a whole build', () => {
	it('spans all its parts and weighs what they weigh', () => {
		const subject = payloadSubject('build', standing(payload('wide')));
		expect(subject.massKg).toBeCloseTo(0.66 + 0.545 + 0.082, 9);
		expect(subject.greatestM[0]).toBeGreaterThan(0.12);
	});
});

describe('a logged balance', () => {
	const small = rig('Small');
	const wide = payload('wide');
	it('gives the whole’s centre back where the figures had it right', () => {
		const told = found(fromBalance(record(wide, small, targetsOf(small, wide)), null));
		const parts = bodies(wide);
		const massKg = parts.reduce((sum, each) => sum + each.body.massKg, 0);
		const forwardM = parts.reduce((sum, each) => sum + each.body.massKg * each.body.cgM[0], 0) / massKg;
		// The scales’ own zeros are not trusted to more than 1.5 mm, so the prior hardly matters.
		expect(told.find(({ axis }) => axis === 0)!.valueM).toBeCloseTo(forwardM, 3);
		expect(told.find(({ axis }) => axis === 0)!.sigmaM).toBeLessThan(0.003);
	});
	it('moves the one part asked about by what the readings moved', () => {
		const targets = targetsOf(small, wide);
		const shifted = record(wide, small, { ...targets, plate: targets.plate! - 0.004 });
		const lensId = wide.placements[1]!.partId;
		const [was, is] = [record(wide, small, targets), shifted].map(
			(each) => found(fromBalance(each, lensId)).find(({ axis }) => axis === 0)!.valueM
		);
		const massKg = bodies(wide).reduce((sum, each) => sum + each.body.massKg, 0);
		// The plate 4 mm back means the lens is heavy that much further forward, by the share of its mass; the body takes a little.
		expect((is! - was!) / ((0.004 * massKg) / 0.545)).toBeGreaterThan(0.7);
		expect((is! - was!) / ((0.004 * massKg) / 0.545)).toBeLessThan(1.01);
	});
	it('says nothing when no axis was seen to hold, or it holds the part not at all', () => {
		const good = record(wide, small, targetsOf(small, wide));
		expect(fromBalance({ ...good, found: [] }, null)).toHaveProperty('problem');
		expect(fromBalance(good, 'Cine body')).toHaveProperty('problem');
	});
});
