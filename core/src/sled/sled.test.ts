import { describe, expect, it } from 'vitest';
import {
	boxInertia,
	cureSled,
	gimbalHeightForDropTime,
	inertiaFromDrops,
	PhysicsInputError,
	randomSled,
	reachTrade,
	seededRandom,
	type Sled,
	type SledCure,
	sledReport,
	solveSled,
	steadyLean,
	trimSled,
	withShifts
} from '../index';
import { realRoots } from '../numeric/realRoots';
import { spinPlane, standingNm } from './steadyLean';
import { sledTotals } from './sled';

const seeds = Array.from({ length: 25 }, (_, index) => index + 1);
const drawn = (seed: number) => randomSled({ random: seededRandom(seed) });
const slides = ['battery', 'camera'] as const;

const plain: Sled = {
	parts: [
		{
			id: 'camera',
			body: { massKg: 5, cgM: [0.004, 0, 0.9], inertiaKgM2: boxInertia({ massKg: 5, sizeM: [0.3, 0.16, 0.15] }) }
		},
		{ id: 'post', body: { massKg: 1.4, cgM: [0, 0, 0.42] } },
		{ id: 'monitor', body: { massKg: 1, cgM: [0.2, 0, 0.1] } },
		{ id: 'battery', body: { massKg: 2.4, cgM: [-0.09, 0, 0.04] } }
	],
	gimbalHeightM: 0.6
};
const ranges = {
	battery: { foreM: [-0.1, 0.1], sideM: [-0.04, 0.04] },
	camera: { foreM: [-0.06, 0.06], sideM: [-0.02, 0.02] }
} as const;
const gimbalRangeM = [0.3, 0.8] as const;

describe('solveSled', () => {
	it.each(seeds)('leaves nothing where nothing binds, seed %d', (seed) => {
		const { sled, dropTimeS } = drawn(seed);
		const wide = {
			battery: { foreM: [-1, 1], sideM: [-1, 1] },
			camera: { foreM: [-1, 1], sideM: [-1, 1] }
		} as const;
		const solution = solveSled({
			sled,
			dropTimeS,
			foreSlides: slides,
			sideSlides: slides,
			ranges: wide,
			gimbalRangeM: [0, 2]
		});
		for (const left of Object.values(solution.remaining)) expect(Math.abs(left)).toBeLessThan(1e-12);
		const done = {
			...withShifts(sled, Object.fromEntries(solution.shifts.map((s) => [s.id, s]))),
			gimbalHeightM: solution.gimbalHeightM
		};
		expect(sledReport({ sled: done }).dropTimeS.fore).toBeCloseTo(dropTimeS, 9);
	});

	it('keeps static balance with one slide when the other meets its end, and says which', () => {
		const tight = { ...ranges, battery: { foreM: [-0.002, 0.002] } } as const;
		const solution = solveSled({ sled: plain, dropTimeS: 2.5, foreSlides: slides, ranges: tight, gimbalRangeM });
		expect(solution.shifts.map(({ atLimit }) => atLimit)).toEqual([true, false]);
		expect(Math.abs(solution.shifts[0]!.foreM)).toBe(0.002);
		expect(solution.remaining.foreM).toBeCloseTo(0, 12);
		expect(Math.abs(solution.remaining.xzKgM2)).toBeGreaterThan(1e-3);
		// No place within the travel leaves less.
		for (const foreM of [-0.002, -0.001, 0, 0.001, 0.002]) {
			const at = withShifts(plain, { battery: { foreM } });
			const fixed = withShifts(at, { camera: { foreM: -sledTotals('test', at).cgM[0] * (9.8 / 5) } });
			expect(Math.abs(sledReport({ sled: fixed }).dynamic.xzKgM2)).toBeGreaterThanOrEqual(
				Math.abs(solution.remaining.xzKgM2) - 1e-12
			);
		}
	});

	it('goes as far as both slides can when static balance is out of reach', () => {
		const heavy = withShifts(plain, { monitor: { foreM: 1.5 } });
		const solution = solveSled({ sled: heavy, dropTimeS: 2.5, foreSlides: slides, ranges, gimbalRangeM });
		expect(solution.shifts.map(({ foreM }) => foreM)).toEqual([-0.1, -0.06]);
		expect(solution.remaining.foreM).toBeGreaterThan(0.05);
	});

	it.each([
		[0.2, 'tooShort'],
		[0.8, 'gimbalAtTop']
	] as const)('says why %d s cannot be had', (dropTimeS, reason) => {
		const range = reason === 'tooShort' ? ([0, 3] as const) : ([0.3, 0.6] as const);
		const solution = solveSled({ sled: plain, dropTimeS, foreSlides: slides, ranges, gimbalRangeM: range });
		expect(solution.dropTimeMet).toBe(false);
		expect(solution.reason).toBe(reason);
		// The nearest there is: any other height in the range falls slower.
		const done = withShifts(plain, Object.fromEntries(solution.shifts.map((s) => [s.id, s])));
		const { cgM } = sledReport({ sled: done });
		for (let height = cgM[2] + 0.02; height < range[1]; height += 0.05)
			expect(sledReport({ sled: { ...done, gimbalHeightM: height } }).dropTimeS.fore!).toBeGreaterThanOrEqual(
				solution.dropTimeS! - 1e-9
			);
	});

	it.each([
		[{ foreSlides: ['battery', 'battery'] }, 'foreSlides[1]'],
		[{ foreSlides: ['battery', 'nothing'] }, 'foreSlides[1]'],
		[{ dropTimeS: 0 }, 'dropTimeS'],
		[{ gimbalRangeM: [0.8, 0.3] }, 'gimbalRangeM'],
		[{ ranges: { battery: { foreM: [0.1, -0.1] } } }, 'ranges.battery.foreM']
	])('refuses %j by its field', (wrong, path) => {
		const input = { sled: plain, dropTimeS: 2.5, foreSlides: slides, ranges, gimbalRangeM, ...wrong };
		expect(() => solveSled(input as never)).toThrow(PhysicsInputError);
		expect(() => solveSled(input as never)).toThrow(path);
	});
});

describe('drop time', () => {
	it.each(seeds)('height and time round-trip in both planes, seed %d', (seed) => {
		const { sled } = drawn(seed);
		for (const plane of ['fore', 'side'] as const) {
			const wanted = 1.2 + (seed % 7) * 0.4;
			const found = gimbalHeightForDropTime({ sled, dropTimeS: wanted, plane });
			if (!found.feasible) throw new Error('this time can be had');
			const report = sledReport({ sled: { ...sled, gimbalHeightM: found.gimbalHeightM } });
			expect(report.dropTimeS[plane]).toBeCloseTo(wanted, 10);
		}
	});

	it('tells inertia and centre from two heights exactly, and from many by least squares', () => {
		const truth = sledReport({ sled: plain });
		const inertia = sledTotals('test', plain).inertiaKgM2.yy;
		const fall = (gimbalHeightM: number) => sledReport({ sled: { ...plain, gimbalHeightM } }).dropTimeS.fore!;
		const heights = [truth.cgM[2] + 0.006, truth.cgM[2] + 0.03];
		const exact = inertiaFromDrops({
			massKg: truth.massKg,
			drops: heights.map((gimbalHeightM) => ({ gimbalHeightM, dropTimeS: fall(gimbalHeightM) }))
		});
		if (!exact.feasible) throw new Error('two good drops tell');
		expect(exact.inertiaCgKgM2).toBeCloseTo(inertia, 8);
		expect(exact.cgHeightM).toBeCloseTo(truth.cgM[2], 9);

		const many = [0.006, 0.009, 0.014, 0.022, 0.04].flatMap((up, index) =>
			[-0.02, 0.02].map((late) => ({
				gimbalHeightM: truth.cgM[2] + up,
				dropTimeS: fall(truth.cgM[2] + up) + late * (index % 2 === 0 ? 1 : -1),
				sigmaS: 0.02
			}))
		);
		const fitted = inertiaFromDrops({ massKg: truth.massKg, drops: many });
		if (!fitted.feasible) throw new Error('many drops tell');
		expect(Math.abs(fitted.inertiaCgKgM2 - inertia)).toBeLessThan(2 * fitted.inertiaSigmaKgM2);
		expect(fitted.inertiaSigmaKgM2).toBeLessThan(0.1 * inertia);
		// Least squares: no neighbour fits better.
		const cost = (residuals: readonly number[]) => residuals.reduce((sum, miss) => sum + miss * miss, 0);
		const missAt = (i: number, z: number) =>
			many.map(({ gimbalHeightM, dropTimeS }) => {
				const h = gimbalHeightM - z;
				return dropTimeS - 1.8540746773013719 * Math.sqrt((i + truth.massKg * h * h) / (truth.massKg * 9.80665 * h));
			});
		const best = cost(fitted.residualsS);
		for (const [di, dz] of [
			[1e-3, 0],
			[-1e-3, 0],
			[0, 1e-5],
			[0, -1e-5]
		] as const)
			expect(cost(missAt(fitted.inertiaCgKgM2 + di, fitted.cgHeightM + dz))).toBeGreaterThan(best);
	});

	it('says when drops tell nothing', () => {
		const drops = (a: number, b: number) => [
			{ gimbalHeightM: 0.5, dropTimeS: a },
			{ gimbalHeightM: 0.51, dropTimeS: b }
		];
		expect(inertiaFromDrops({ massKg: 10, drops: drops(2, 2.4) })).toEqual({ feasible: false, reason: 'notShorter' });
		const same = [
			{ gimbalHeightM: 0.5, dropTimeS: 2 },
			{ gimbalHeightM: 0.5, dropTimeS: 2.1 }
		];
		expect(inertiaFromDrops({ massKg: 10, drops: same })).toEqual({ feasible: false, reason: 'sameHeight' });
		expect(() => inertiaFromDrops({ massKg: 10, drops: same.slice(0, 1) })).toThrow('drops');
	});
});

describe('steadyLean', () => {
	it.each(seeds)('is the least of all leans that stand, seed %d', (seed) => {
		const { sled: asDrawn, truth } = drawn(seed);
		// As it truly is: lopsided in both planes.
		const sled = { ...asDrawn, parts: asDrawn.parts.map((part, i) => ({ ...part, body: truth[i]! })) };
		const hung = { ...sled, gimbalHeightM: sledReport({ sled }).cgM[2] + 0.01 };
		const plane = seed % 2 === 0 ? ('fore' as const) : ('side' as const);
		const spinRadPerS = 0.2 + (seed % 9) * 0.35;
		const { leanRad } = steadyLean({ sled: hung, spinRadPerS, plane });
		const of = spinPlane(sledTotals('test', hung), plane);
		const scan = Array.from({ length: 20001 }, (_, i) => -Math.PI / 2 + (i * Math.PI) / 20000);
		const signs = scan.map((lean) => standingNm(of, spinRadPerS, lean));
		const crossings = scan.filter((_, i) => i > 0 && signs[i - 1]! * signs[i]! < 0);
		const least = crossings.sort((a, b) => Math.abs(a) - Math.abs(b))[0];
		if (least === undefined) expect(leanRad).toBeNull();
		else {
			expect(leanRad).toBeCloseTo(least, 3);
			expect(Math.abs(standingNm(of, spinRadPerS, leanRad!))).toBeLessThan(1e-9);
		}
	});

	it('tends against the principal axis about the gimbal when it turns fast', () => {
		const hung = { ...plain, gimbalHeightM: sledReport({ sled: plain }).cgM[2] + 0.01 };
		const { leanRad, principalLeanRad } = steadyLean({ sled: hung, spinRadPerS: 1000, plane: 'fore' });
		expect(leanRad).toBeCloseTo(-principalLeanRad, 5);
		expect(Math.abs(principalLeanRad)).toBeGreaterThan(1e-3);
	});

	it('has no critical rate when top-heavy, and stands nowhere when its weight cannot right it', () => {
		const topHeavy = { ...plain, gimbalHeightM: 0.2 };
		expect(steadyLean({ sled: topHeavy, spinRadPerS: 1, plane: 'fore' }).criticalRadPerS).toBeNull();
		const lopsided: Sled = {
			parts: [
				{ id: 'top', body: { massKg: 1, cgM: [0.5, 0, 0.5] } },
				{ id: 'foot', body: { massKg: 1, cgM: [-0.5, 0, -0.5] } }
			],
			gimbalHeightM: 0.001
		};
		expect(steadyLean({ sled: lopsided, spinRadPerS: 20, plane: 'fore' }).leanRad).not.toBeUndefined();
		expect(() => steadyLean({ sled: plain, spinRadPerS: NaN, plane: 'fore' })).toThrow('spinRadPerS');
		expect(() => steadyLean({ sled: plain, spinRadPerS: 1, plane: 'top' as never })).toThrow('plane');
	});
});

describe('realRoots', () => {
	it.each([
		[[-6, 11, -6, 1], -10, 10, [1, 2, 3]],
		[[-6, 11, -6, 1], 1.5, 10, [2, 3]],
		[[1, -2, 1], -5, 5, [1]],
		[[1, 0, 1], -5, 5, []],
		[[0, 0, 0], -5, 5, [0]],
		[[4], -5, 5, []]
	])('%j within [%d, %d]', (coefficients, least, greatest, roots) => {
		const found = realRoots(coefficients, least, greatest);
		expect(found).toHaveLength(roots.length);
		roots.forEach((root, index) => expect(found[index]).toBeCloseTo(root, 7));
	});
});

describe('trimSled', () => {
	it.each([-0.1, -0.03, 0.02, 0.15])('the trimmed sled rests at %d rad', (tiltRad) => {
		const hung = { ...plain, gimbalHeightM: sledReport({ sled: plain }).cgM[2] + 0.012 };
		const { plateShiftM } = trimSled({ sled: hung, tiltRad, plateIds: ['camera'] });
		const trimmed = sledReport({ sled: withShifts(hung, { camera: { foreM: plateShiftM } }) });
		// Nose down is the post's top forward.
		expect(Math.atan2(trimmed.staticOffsetM.fore, trimmed.dropHeightM)).toBeCloseTo(tiltRad, 10);
	});

	it('costs what the trimmed sled is less what it was, in drop, product and lean; no drop where it is top-heavy', () => {
		const hung = { ...plain, gimbalHeightM: sledReport({ sled: plain }).cgM[2] + 0.012 };
		const trim = trimSled({ sled: hung, tiltRad: 0.15, plateIds: ['camera', 'post'] });
		const { plateShiftM } = trim;
		const shifts = { camera: { foreM: plateShiftM }, post: { foreM: plateShiftM } };
		const [before, after] = [sledReport({ sled: hung }), sledReport({ sled: withShifts(hung, shifts) })];
		// Both ride on the plate: their mass together takes the centre there.
		expect(after.cgM[0]).toBeCloseTo(0.012 * Math.tan(0.15), 12);
		expect(trim.xzChangeKgM2).toBeCloseTo(after.dynamic.xzKgM2 - before.dynamic.xzKgM2, 12);
		expect(Math.abs(trim.xzChangeKgM2)).toBeGreaterThan(1e-4);
		expect(trim.foreLeanChangeRad).toBeCloseTo(after.dynamic.foreLeanRad - before.dynamic.foreLeanRad, 12);
		expect(trim.dropTimeChangeS).toBeCloseTo(after.dropTimeS.fore! - before.dropTimeS.fore!, 12);
		expect(Math.abs(trim.dropTimeChangeS!)).toBeGreaterThan(1e-6);
		const heavy = { ...plain, gimbalHeightM: sledReport({ sled: plain }).cgM[2] - 0.012 };
		expect(trimSled({ sled: heavy, tiltRad: 0.1, plateIds: ['camera'] }).dropTimeChangeS).toBeNull();
	});

	it('refuses a plate that is not there or weighs nothing, and a right angle', () => {
		const light: Sled = { ...plain, parts: [...plain.parts, { id: 'air', body: { massKg: 0, cgM: [0, 0, 0.9] } }] };
		expect(() => trimSled({ sled: light, tiltRad: 0.1, plateIds: ['air'] })).toThrow('plateIds');
		expect(() => trimSled({ sled: plain, tiltRad: 0.1, plateIds: [] })).toThrow('plateIds');
		expect(() => trimSled({ sled: plain, tiltRad: 0.1, plateIds: ['nothing'] })).toThrow('plateIds[0]');
		expect(() => trimSled({ sled: plain, tiltRad: Math.PI / 2, plateIds: ['camera'] })).toThrow('tiltRad');
	});
});

describe('cureSled', () => {
	const cure = (over: Partial<Parameters<typeof cureSled>[0]> = {}) =>
		cureSled({
			sled: plain,
			dropTimeS: 2.5,
			plateId: 'camera',
			movers: ['battery', 'monitor'],
			ranges: { ...ranges, monitor: { foreM: [-0.05, 0.05] } },
			places: [
				{ id: 'rearFoot', atM: [-0.2, 0, 0.02], mostKg: 0.8 },
				{ id: 'frontFoot', atM: [0.25, 0, 0.05], mostKg: 0.8 }
			],
			gimbalRangeM,
			...over
		});

	it('every cure keeps static balance; the first spins true; the last leaves the parts alone', () => {
		const cures = cure();
		for (const each of cures) expect(Math.abs(each.staticOffsetM.fore)).toBeLessThan(1e-9);
		expect(Math.abs(cures[0]!.foreLeanRad)).toBeLessThan(1e-9);
		expect(cures[cures.length - 1]!.kind).toBe('leave');
		expect(Math.abs(cures[cures.length - 1]!.foreLeanRad)).toBeGreaterThan(Math.abs(cures[0]!.foreLeanRad));
	});

	it('a weight at one place makes it spin true, and one at the other side never does', () => {
		const weights = cure({ movers: [] }).filter(
			(each): each is Extract<SledCure, { kind: 'addMass' }> => each.kind === 'addMass'
		);
		expect(weights).toHaveLength(1);
		const [weight] = weights;
		expect(weight!.massKg).toBeGreaterThan(0);
		expect(weight!.massKg).toBeLessThan(0.8);
		expect(Math.abs(weight!.foreLeanRad)).toBeLessThan(1e-9);
		expect(weight!.cured.parts.some(({ id }) => id === 'addedWeight')).toBe(true);
		expect(cure()[cure().length - 1]!.cured.parts).toHaveLength(plain.parts.length);
	});

	it('prefers the shorter way among what cures alike', () => {
		const moves = cure({ places: [] }).filter(
			(each): each is Extract<SledCure, { kind: 'move' }> => each.kind === 'move' && Math.abs(each.foreLeanRad) < 1e-6
		);
		const ways = moves.map(({ foreM, sideM }) => Math.hypot(foreM, sideM));
		expect([...ways].sort((a, b) => a - b)).toEqual(ways);
	});
});

describe('reachTrade', () => {
	it('further out is steadier in pan until the battery meets its end, and then leans', () => {
		const curve = reachTrade({
			sled: plain,
			partId: 'monitor',
			shiftsM: [-0.05, 0, 0.05, 0.1, 0.4],
			dropTimeS: 2.5,
			foreSlides: slides,
			ranges,
			gimbalRangeM
		});
		const pans = curve.map(({ panInertiaKgM2 }) => panInertiaKgM2);
		expect([...pans].sort((a, b) => a - b)).toEqual(pans);
		expect(Math.abs(curve[2]!.foreLeanRad)).toBeLessThan(1e-9);
		expect(Math.abs(curve[4]!.foreLeanRad)).toBeGreaterThan(0.01);
	});
});
