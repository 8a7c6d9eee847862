import { describe, expect, it } from 'vitest';
import {
	armLift,
	correctSled,
	type Drift,
	estimateSled,
	legClearance,
	noSledCorrection,
	randomSled,
	seededRandom,
	simulateSledBench,
	type Sled,
	type SledLook,
	sledReport,
	socketTurn,
	steadyLean
} from '../index';
import { correctedTotals } from './correctSled';
import { sledTotals } from './sled';

const { sled } = randomSled({ random: seededRandom(3) });
const hung: Sled = { ...sled, gimbalHeightM: sledReport({ sled }).cgM[2] + 0.012 };
const correction = { firstMomentKgM: [0.012, -0.008, 0.02] as const, xzKgM2: 0.006, yzKgM2: -0.004 };
const truth = correctSled({ sled: hung, correction, carrierId: 'camera' });

describe('a corrected sled', () => {
	it('moves its centre by the moment, and its totals agree with those worked out the short way', () => {
		const [before, after] = [sledTotals('test', hung), sledTotals('test', truth)];
		[0, 1, 2].forEach((axis) =>
			expect(after.massKg * (after.cgM[axis]! - before.cgM[axis]!)).toBeCloseTo(correction.firstMomentKgM[axis]!, 12)
		);
		const short = correctedTotals(before, hung.parts[0]!.body, correction);
		expect(short.dropHeightM).toBeCloseTo(after.dropHeightM, 12);
		for (const key of ['xx', 'yy', 'zz', 'xy', 'xz', 'yz'] as const)
			expect(short.inertiaKgM2[key]).toBeCloseTo(after.inertiaKgM2[key], 12);
		expect(correctSled({ sled: hung, correction: noSledCorrection, carrierId: 'camera' }).parts[0]).toEqual(
			hung.parts[0]
		);
		expect(() => correctSled({ sled: hung, correction, carrierId: 'nothing' })).toThrow('carrierId');
	});
});

describe('estimateSled', () => {
	const report = sledReport({ sled: truth });
	const lean = (plane: 'fore' | 'side') => Math.atan2(report.staticOffsetM[plane], report.dropHeightM);
	const spinRadPerS = 2.4;
	const spinLean = (plane: 'fore' | 'side') => steadyLean({ sled: truth, spinRadPerS, plane }).leanRad!;
	const doubt = { firstMomentKgM: [0.1, 0.1, 0.1] as const, productKgM2: 0.05 };
	const spin = (plane: 'fore' | 'side'): SledLook => ({
		kind: 'spin',
		plane,
		sled: hung,
		leanRad: spinLean(plane),
		sigmaRad: 1e-4,
		spinRadPerS,
		spinSigmaRadPerS: 1e-4
	});
	const looks: SledLook[] = [
		{ kind: 'drop', plane: 'fore', sled: hung, dropTimeS: report.dropTimeS.fore!, sigmaS: 0.001 },
		{ kind: 'rest', plane: 'fore', sled: hung, leanRad: lean('fore'), sigmaRad: 1e-4 },
		{ kind: 'rest', plane: 'side', sled: hung, leanRad: lean('side'), sigmaRad: 1e-4 },
		...Array.from({ length: 30 }, () => [spin('fore'), spin('side')]).flat()
	];

	it('finds what is wrong from clean looks', () => {
		const { correction: found } = estimateSled({ looks, doubt, carrierId: 'camera' });
		const seen = sledReport({ sled: correctSled({ sled: hung, correction: found, carrierId: 'camera' }) });
		expect(seen.staticOffsetM.fore).toBeCloseTo(report.staticOffsetM.fore, 4);
		expect(seen.staticOffsetM.side).toBeCloseTo(report.staticOffsetM.side, 4);
		expect(seen.dropHeightM).toBeCloseTo(report.dropHeightM, 4);
		expect(seen.dynamic.foreLeanRad).toBeCloseTo(report.dynamic.foreLeanRad, 3);
		expect(seen.dynamic.sideLeanRad).toBeCloseTo(report.dynamic.sideLeanRad, 3);
	});

	it('believes the drawing where nothing was seen, and grows surer with every look', () => {
		const blind = estimateSled({ looks: [], doubt, carrierId: 'camera' });
		expect(blind.correction).toEqual(noSledCorrection);
		expect(blind.sigma.firstMomentKgM[0]).toBeCloseTo(0.1, 9);
		const one = estimateSled({ looks: looks.slice(0, 2), doubt, carrierId: 'camera' });
		const more = estimateSled({ looks: looks.slice(0, 5), doubt, carrierId: 'camera' });
		expect(one.sigma.firstMomentKgM[0]).toBeLessThan(0.05);
		expect(one.sigma.firstMomentKgM[1]).toBeCloseTo(0.1, 3);
		expect(more.sigma.xzKgM2).toBeLessThan(one.sigma.xzKgM2);
	});

	it('refuses looks and doubts without sense', () => {
		const wrong = (look: object) => () => estimateSled({ looks: [look as SledLook], doubt, carrierId: 'camera' });
		expect(wrong({ ...looks[1], leanRad: 2 })).toThrow('looks[0].leanRad');
		expect(wrong({ ...looks[0], sigmaS: 0 })).toThrow('looks[0].sigmaS');
		expect(wrong({ ...looks[3], spinRadPerS: -1 })).toThrow('looks[0].spinRadPerS');
		expect(() => estimateSled({ looks, doubt, carrierId: 'nothing' })).toThrow('carrierId');
		expect(() => estimateSled({ looks: [], doubt: { ...doubt, productKgM2: 0 }, carrierId: 'camera' })).toThrow(
			'doubt'
		);
	});
});

describe('the simulated sled bench', () => {
	it('the assistant poises hidden sleds in a few slips, far sooner than moving and seeing', () => {
		const seeds = Array.from({ length: 25 }, (_, index) => index + 301);
		const run = (way: 'assistant' | 'moveAndSee') =>
			seeds.map((seed) =>
				simulateSledBench({ bench: randomSled({ random: seededRandom(seed) }), way, random: seededRandom(seed + 9000) })
			);
		const middle = (all: readonly number[]) => [...all].sort((a, b) => a - b)[12]!;
		const [slips, steps] = [run('assistant'), run('moveAndSee')];
		expect(slips.filter(({ poised }) => poised).length).toBeGreaterThanOrEqual(23);
		expect(middle(slips.map(({ slipsToPoised }) => slipsToPoised ?? 99))).toBeLessThanOrEqual(4);
		expect(middle(steps.map(({ slips: count }) => count))).toBeGreaterThan(12);
	});

	it('is the same every time', () => {
		const once = () =>
			simulateSledBench({ bench: randomSled({ random: seededRandom(8) }), way: 'assistant', random: seededRandom(9) });
		expect(once()).toEqual(once());
	});
});

describe('legs', () => {
	const stance = {
		gimbalHeightM: 0.6,
		carryHeightM: 1.05,
		standOffM: 0.62,
		hipHeightM: 0.9,
		strideM: 0.7,
		legRadiusM: 0.09
	};

	it('takes the nearest corner whichever way it is panned, and leaves out what passes above the hip', () => {
		const clear = legClearance({
			cornersM: [
				[0.2, 0, 0.1],
				[-0.24, 0.1, 0],
				[0.5, 0, 0.55]
			],
			...stance
		});
		expect(clear.cornerIndex).toBe(1);
		expect(clear.cornerRadiusM).toBeCloseTo(0.26, 12);
		expect(clear.cornerHeightM).toBeCloseTo(0.45, 12);
		expect(clear.clearanceM).toBeCloseTo(0.62 - 0.26 - (0.35 * 0.5 + 0.09), 12);
		const above = legClearance({ cornersM: [[0.5, 0, 0.55]], ...stance });
		expect(above.cornerIndex).toBe(-1);
		expect(above.clearanceM).toBe(0.62);
	});

	it('a longer stride comes nearer', () => {
		const at = (strideM: number) => legClearance({ cornersM: [[0.3, 0, 0]], ...stance, strideM }).clearanceM;
		expect(at(1)).toBeLessThan(at(0.4));
		expect(() => at(-1)).toThrow('strideM');
	});
});

describe('arm', () => {
	const points = [
		{ loadKg: 10, setting: 4 },
		{ loadKg: 16, setting: 13 }
	] as const;

	it('sets each section by its own two points, and says how far beyond them it reaches', () => {
		const lift = armLift({
			loadKg: 12,
			rangeKg: [8, 18],
			sections: [
				{ id: 'upper', beyondKg: 0.4, points },
				{ id: 'lower', beyondKg: 1.6, points: [points[1], { loadKg: 10, setting: 6 }] }
			]
		});
		expect(lift.sections.map(({ setting }) => setting)).toEqual(
			[7, 6 + (2 / 6) * 7].map((each) => expect.closeTo(each, 9))
		);
		expect(lift.sections.map(({ liftedKg }) => liftedKg)).toEqual([12.4, 13.6]);
		expect(lift.share).toBeCloseTo(0.4, 12);
		const heavy = armLift({ loadKg: 19, rangeKg: [8, 18], sections: [{ id: 'upper', beyondKg: 0, points }] });
		expect(heavy.fits).toBe('tooHeavy');
		expect(heavy.sections[0]!.beyondPoints).toBeCloseTo(0.5, 12);
		expect(() =>
			armLift({ loadKg: 12, rangeKg: [8, 18], sections: [{ id: 'a', beyondKg: 0, points: [points[0], points[0]] }] })
		).toThrow('points[1].loadKg');
	});

	it('turns the screw that leans the post uphill, and mirrors it with the arm', () => {
		const turn = (drift: Drift, armSide: 'left' | 'right' = 'right', reversed = false) =>
			socketTurn({ drift, setup: { armSide, reversed } });
		expect(turn('away')).toEqual({ screw: 'inOut', leanPost: 'back', threads: 'more' });
		expect(turn('into')).toEqual({ screw: 'inOut', leanPost: 'forward', threads: 'fewer' });
		expect(turn('right')).toEqual({ screw: 'side', leanPost: 'left', threads: 'more' });
		expect(turn('left')).toEqual({ screw: 'side', leanPost: 'right', threads: 'fewer' });
		expect(turn('right', 'left').threads).toBe('fewer');
		expect(turn('away', 'left').threads).toBe('more');
		expect(turn('away', 'right', true).threads).toBe('fewer');
		expect(turn('right', 'left', true).threads).toBe('more');
		expect(turn('stays')).toEqual({ screw: null, leanPost: null, threads: null });
	});
});
