import { describe, expect, it } from 'vitest';
import {
	ballastFor,
	chooseCounterweights,
	type CounterweightChoice,
	type CounterweightInput,
	type CraneArm,
	craneDrift,
	craneMoment,
	type CranePart,
	loadingSequence,
	PhysicsInputError,
	type Random,
	seededRandom,
	stabilityAt,
	stabilityEnvelope,
	stabilityRose,
	weightLineCure,
	windForce
} from '../index';

const seeds = Array.from({ length: 30 }, (_, index) => index + 1);
const between = (random: Random, least: number, greatest: number) => least + (greatest - least) * random();
const g = 9.80665;

const tube: CranePart[] = [
	{ id: 'front', massKg: 6.2, uM: 1.2, vM: 0.03 },
	{ id: 'rear', massKg: 3.1, uM: -0.5, vM: 0.03 },
	{ id: 'rod', massKg: 1.1, uM: 1.3, vM: 0 }
];
const head: CranePart = { id: 'head', massKg: 9, uM: 2.6, vM: 0.02, kept: 'level', levelOffsetM: [0.06, -0.2] };
const whole: CraneArm = { parts: [...tube, head, { id: 'plates', massKg: 29, uM: -1, vM: -0.14 }] };
const square = [
	[0.6, 0.6],
	[-0.6, 0.6],
	[-0.6, -0.6],
	[0.6, -0.6]
] as const;
const standing = {
	footprintM: square,
	base: [{ massKg: 45, cgM: [0, 0, 0.5] as const }],
	arm: whole,
	pivotM: [0, 0, 1.3] as const
};

describe('the moment', () => {
	it.each(seeds)('does not care where a level-kept load stands on its hinge, seed %d', (seed) => {
		const random = seededRandom(seed);
		const booms = [-0.9, -0.2, 0.4, 1];
		const load = (offset: readonly [number, number]): CranePart => ({ ...head, levelOffsetM: offset });
		const with_ = (part: CranePart) => craneMoment({ arm: { parts: [...tube, part] }, boomRad: booms }).momentNm;
		const anywhere = [between(random, -1, 1), between(random, -1, 1)] as const;
		expect(with_(load(anywhere))).toEqual(with_(load([0, 0])));
		// And it is what a mass at the hinge makes.
		const added = with_(load(anywhere)).map(
			(moment, index) => moment - craneMoment({ arm: { parts: tube }, boomRad: booms }).momentNm[index]!
		);
		added.forEach((moment, index) =>
			expect(moment).toBeCloseTo(9 * g * (2.6 * Math.cos(booms[index]!) - 0.02 * Math.sin(booms[index]!)), 9)
		);
	});

	it('is the slope of the potential energy, level-kept parts and all', () => {
		const energy = (boomRad: number) =>
			whole.parts.reduce(
				(sum, { massKg, uM, vM }) => sum + massKg * g * (uM * Math.sin(boomRad) + vM * Math.cos(boomRad)),
				0
			);
		for (const boomRad of [-0.7, 0, 0.5]) {
			const step = 1e-5;
			const slope = (energy(boomRad + step) - energy(boomRad - step)) / (2 * step);
			expect(craneMoment({ arm: whole, boomRad }).momentNm[0]).toBeCloseTo(slope, 5);
		}
	});
});

describe('drift', () => {
	it('comes to rest where the moment vanishes, and rights itself only with the weight line low', () => {
		for (const [vM, kind] of [
			[-0.14, 'seeks'],
			[0.2, 'runsAway']
		] as const) {
			const arm = { parts: [...tube, head, { id: 'plates', massKg: 29, uM: -1.1, vM }] };
			const { kind: found, restBoomRad } = craneDrift({ arm, boomRangeRad: [-1, 1] });
			expect(found).toBe(kind);
			const moment = (boomRad: number) => craneMoment({ arm, boomRad }).momentNm[0]!;
			expect(moment(restBoomRad!)).toBeCloseTo(0, 9);
			// Nose above rest: nose-down pulls it back.
			expect(Math.sign(moment(restBoomRad! + 0.05))).toBe(kind === 'seeks' ? 1 : -1);
		}
	});
	it('is taken out by the weight line, or by the share above', () => {
		const vKgM = whole.parts.reduce((sum, { massKg, vM }) => sum + massKg * vM, 0);
		const { shiftM, shareAbove } = weightLineCure({ vKgM, plateKg: 29, hangerVM: -0.14, lines: [-0.2, 0.12] });
		const cured = (vM: number) => ({ parts: [...tube, head, { id: 'plates', massKg: 29, uM: -1, vM }] });
		const still = craneDrift({ arm: cured(-0.14 + shiftM!), boomRangeRad: [-1, 1] }).kind;
		expect(['noseDown', 'noseUp', 'floats']).toContain(still);
		expect(shareAbove! * 0.12 + (1 - shareAbove!) * -0.2).toBeCloseTo(-0.14 + shiftM!, 12);
		expect(weightLineCure({ vKgM: -30, plateKg: 10, hangerVM: -0.1, lines: [-0.2, 0] }).shareAbove).toBeNull();
		expect(weightLineCure({ vKgM: -3, plateKg: 0, hangerVM: 0 }).shiftM).toBeNull();
	});
});

describe('counterweights', () => {
	const drawn = (random: Random): CounterweightInput => ({
		arm: { parts: [...tube, { ...head, massKg: between(random, 2, 18) }] },
		plates: Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
			massKg: Math.round(between(random, 1, 24)) / (random() < 0.5 ? 2 : 3),
			count: Math.floor(random() * 5)
		})),
		hanger: { uM: -between(random, 0.6, 1.3), vM: -0.1 },
		trim: {
			massKg: random() < 0.2 ? 0 : between(random, 0.5, 3),
			rangeU: [-0.9, -0.9 + between(random, 0, 0.7)],
			vM: 0.04
		},
		noseBiasKg: between(random, -0.1, 0.4),
		noseU: 2.6
	});
	/** Every stack there is, by the same order of preference. */
	function byForce(input: CounterweightInput) {
		const { arm, plates, hanger, trim, noseBiasKg, noseU } = input;
		const uKgM = arm.parts.reduce((sum, { massKg, uM }) => sum + massKg * uM, 0);
		let stacks: number[][] = [[]];
		for (const { count } of plates)
			stacks = stacks.flatMap((stack) => Array.from({ length: count + 1 }, (_, hung) => [...stack, hung]));
		return stacks
			.map((counts) => {
				const hung = counts.reduce((sum, count, index) => sum + count * plates[index]!.massKg, 0);
				const rest = uKgM + hung * hanger.uM - noseBiasKg * noseU;
				const [low, high] = trim.rangeU;
				const trimU = trim.massKg === 0 ? (low + high) / 2 : Math.min(high, Math.max(low, -rest / trim.massKg));
				return {
					left: Math.round(Math.abs(rest + trim.massKg * trimU) / (1e-4 * noseU)),
					off: Math.round(Math.abs(trimU - (low + high) / 2) / 1e-4),
					plates: counts.reduce((sum, count) => sum + count, 0)
				};
			})
			.sort((a, b) => a.left - b.left || a.off - b.off || a.plates - b.plates);
	}
	it.each(Array.from({ length: 60 }, (_, index) => index + 1))('are never beaten by brute force, seed %d', (seed) => {
		const input = drawn(seededRandom(seed));
		const { choices } = chooseCounterweights(input);
		const forced = byForce(input);
		const middle = (input.trim.rangeU[0] + input.trim.rangeU[1]) / 2;
		choices.forEach((choice, index) => {
			const best = forced[index]!;
			expect(Math.round(Math.abs(choice.remainingUKgM) / (1e-4 * input.noseU))).toBe(best.left);
			expect(Math.round(Math.abs(choice.trimUM - middle) / 1e-4)).toBe(best.off);
			expect(choice.plates.reduce((sum, { count }) => sum + count, 0)).toBe(best.plates);
			choice.plates.forEach(({ count }, kind) => expect(count).toBeLessThanOrEqual(input.plates[kind]!.count));
		});
		// What it says is what the arm then is.
		const [first] = choices as readonly [CounterweightChoice];
		const hung = first.plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0);
		const arm = {
			parts: [
				...input.arm.parts,
				{ id: 'plates', massKg: hung, ...input.hanger },
				{ id: 'trim', massKg: input.trim.massKg, uM: first.trimUM, vM: input.trim.vM }
			]
		};
		const wanted = input.noseBiasKg * input.noseU + first.remainingUKgM;
		expect(craneMoment({ arm, boomRad: 0 }).momentNm[0]).toBeCloseTo(wanted * g, 7);
	});
	it('refuses plates without mass, broken counts, a hanger before the pivot', () => {
		const input = drawn(seededRandom(1));
		const wrong = (next: Partial<CounterweightInput>) => () => chooseCounterweights({ ...input, ...next });
		expect(wrong({ plates: [{ massKg: 0, count: 1 }] })).toThrow('plates[0].massKg');
		expect(wrong({ plates: [{ massKg: 2, count: 1.5 }] })).toThrow('plates[0].count');
		expect(wrong({ hanger: { uM: 0.2, vM: 0 } })).toThrow('hanger.uM');
		expect(wrong({ noseU: 0 })).toThrow('noseU');
		expect(wrong({ arm: { parts: [] } })).toThrow(PhysicsInputError);
	});
});

describe('loading', () => {
	const bare = { parts: tube };
	const plates: CranePart = { id: 'plates', massKg: 29, uM: -1, vM: -0.14 };
	it('refuses only what leaves the arm free with more than it holds by itself', () => {
		const order = (held: boolean) =>
			loadingSequence({
				arm: bare,
				boomRad: 0,
				holdingLimitNm: 75,
				steps: [
					{ id: 'head', add: [head], held },
					{ id: 'plates', add: [plates], held: true },
					{ id: 'free', held: false }
				]
			});
		expect(order(true)).toMatchObject({ refused: false, refusedAt: null });
		expect(order(false)).toMatchObject({ refused: true, refusedAt: 'head' });
		expect(order(false).largestFreeMomentNm).toBeCloseTo(order(false).steps[0]!.momentNm, 12);
		expect(order(true).steps[2]!.momentNm).toBeCloseTo(order(true).steps[1]!.momentNm, 12);
	});
	it('throws for what comes off twice or goes on twice', () => {
		const steps = (step: object) => () =>
			loadingSequence({ arm: bare, boomRad: 0, holdingLimitNm: 1, steps: [{ id: 'a', held: true, ...step }] });
		expect(steps({ remove: ['plates'] })).toThrow('steps[0].remove');
		expect(steps({ add: [tube[0]!] })).toThrow('steps[0].add');
	});
	it('can take everything off', () => {
		const off = loadingSequence({
			arm: bare,
			boomRad: 0,
			holdingLimitNm: 1,
			steps: [{ id: 'all', remove: ['front', 'rear', 'rod'], held: false }]
		});
		expect(off.steps[0]).toEqual({ id: 'all', momentNm: 0, ok: true });
	});
});

describe('stability', () => {
	const at = (next: object = {}) => stabilityAt({ ...standing, swingRad: 0.3, boomRad: 0.2, ...next });

	it('bears the whole weight on its feet, wherever the arm points', () => {
		const weight = (45 + whole.parts.reduce((sum, { massKg }) => sum + massKg, 0)) * g;
		for (const swingRad of [0, 0.7, 2, -1.9]) {
			const { footLoadsN } = at({ swingRad });
			expect(footLoadsN.reduce((sum, load) => sum + load, 0)).toBeCloseTo(weight, 6);
			expect(Math.min(...footLoadsN)).toBeGreaterThanOrEqual(0);
		}
	});
	it('falls monotonically with slope, wind and push', () => {
		const reserves = (make: (amount: number) => object) =>
			[0, 0.2, 0.4, 0.6, 0.8, 1].map((amount) => envelope(make(amount)));
		const envelope = (next: object) => stabilityEnvelope({ ...standing, boomRangeRad: [-0.7, 0.8], ...next }).reserve;
		for (const make of [
			(amount: number) => ({ slopeRad: 0.2 * amount }),
			(amount: number) => ({ wind: { forceN: 200 * amount, heightM: 2 } }),
			(amount: number) => ({ push: { forceN: 300 * amount, heightM: 1.1 } })
		]) {
			const all = reserves(make);
			all.slice(1).forEach((reserve, index) => expect(reserve).toBeLessThan(all[index]!));
		}
	});
	it('is nowhere less than its envelope, and the rose comes down to it', () => {
		const input = {
			...standing,
			boomRangeRad: [-0.7, 0.8] as const,
			slopeRad: 0.05,
			push: { forceN: 60, heightM: 1.2 }
		};
		const { reserve, worst } = stabilityEnvelope(input);
		const rose = stabilityRose(input);
		expect(rose).toHaveLength(360);
		const least = Math.min(...rose.map((each) => each.reserve));
		expect(least).toBeGreaterThanOrEqual(reserve - 1e-12);
		expect(least).toBeLessThan(reserve + 0.01);
		// The pose it names is that bad with the slope falling over that edge.
		const outward = worst.swingRad + (0 as number);
		const there = (downhillRad: number) =>
			stabilityAt({
				...standing,
				swingRad: worst.swingRad,
				boomRad: worst.boomRad,
				slope: { angleRad: 0.05, downhillRad },
				push: input.push
			}).reserve;
		expect(Math.min(there(outward), there(outward + Math.PI))).toBeCloseTo(reserve, 9);
	});
	it('finds the camera off before the weights', () => {
		const off = { parts: whole.parts.filter(({ id }) => id !== 'head') };
		const both = [whole, off].map((arm) => stabilityEnvelope({ ...standing, arm, boomRangeRad: [-0.5, 0.5] }).reserve);
		expect(both[1]!).toBeLessThan(both[0]! - 0.1);
	});
	it('says how much ballast brings the reserve up, and where none can', () => {
		const input = { ...standing, boomRangeRad: [-0.7, 0.8] as const, push: { forceN: 250, heightM: 1.5 } };
		const needed = ballastFor({ ...input, atM: [0, 0, 0.1], wantedReserve: 0.6 });
		if (!needed.feasible) throw new Error('some ballast must do');
		expect(needed.massKg).toBeGreaterThan(1);
		const with_ = (massKg: number) =>
			stabilityEnvelope({ ...input, base: [...standing.base, { massKg, cgM: [0, 0, 0.1] }] }).reserve;
		expect(with_(needed.massKg)).toBeCloseTo(0.6, 9);
		expect(with_(needed.massKg - 1)).toBeLessThan(0.6);
		expect(ballastFor({ ...input, atM: [0, 0, 0.1], wantedReserve: 0.1 })).toMatchObject({ massKg: 0 });
		// Hung outside the feet it only tips it.
		expect(ballastFor({ ...input, atM: [2, 0, 0.1], wantedReserve: 0.6 }).feasible).toBe(false);
	});
	it('lifts a foot rather than letting it pull', () => {
		const far = { ...standing, base: [{ massKg: 20, cgM: [0.35, 0.35, 0.2] as const }], arm: { parts: [tube[0]!] } };
		const { footLoadsN } = stabilityAt({ ...far, swingRad: 0.8, boomRad: 0 });
		expect(footLoadsN[2]).toBe(0);
		expect(Math.min(...footLoadsN)).toBeGreaterThanOrEqual(0);
	});
	it('refuses a base that crosses itself, goes clockwise, or is a line', () => {
		const foot = (footprintM: readonly (readonly [number, number])[]) => () => at({ footprintM });
		expect(foot([square[0], square[2], square[1], square[3]])).toThrow('must not cross itself');
		expect(foot([...square].reverse())).toThrow('counter-clockwise');
		expect(
			foot([
				[0, 0],
				[1, 0],
				[2, 0]
			])
		).toThrow('counter-clockwise');
		expect(
			foot([
				[0, 0],
				[1, 0]
			])
		).toThrow('three feet');
		expect(() => at({ slope: { angleRad: 1.6, downhillRad: 0 } })).toThrow('slope.angleRad');
		expect(() => at({ wind: { forceN: -1, heightM: 2 } })).toThrow('wind.forceN');
	});
	it('stands on the hull of its feet: a dent bears nothing off', () => {
		const dented = [square[0], [0, 0.1], square[1], square[2], square[3]] as const;
		expect(at({ footprintM: dented }).reserve).toBeCloseTo(at().reserve, 12);
		expect(at({ footprintM: dented }).footLoadsN).toHaveLength(5);
	});
	it('stands on the hull of a spiral of feet too, found by wrapping it', () => {
		const random = seededRandom(300);
		for (let round = 0; round < 300; round += 1) {
			const [turns, thick, from] = [2.2 + 9 * random(), 0.02 + 0.03 * random(), 6.3 * random()];
			const side = (off: number) =>
				Array.from({ length: 22 }, (_, k): [number, number] => {
					const angle = (turns * k) / 21;
					const r = 0.3 + 0.1 * angle - off + 0.01 * random();
					return [r * Math.cos(from + angle), r * Math.sin(from + angle)];
				});
			const spiral = [...side(0), ...side(thick + 0.01).reverse()];
			// Round the outside, always to the point that has none to its right.
			const start = spiral.reduce((best, point) => (point[0] < best[0] ? point : best));
			const wrapped = [start];
			for (;;) {
				const here = wrapped[wrapped.length - 1]!;
				const next = spiral.reduce((best, point) => {
					const right = (best[0] - here[0]) * (point[1] - here[1]) - (best[1] - here[1]) * (point[0] - here[0]);
					return point !== here && (best === here || right < 0) ? point : best;
				}, here);
				if (next === start) break;
				wrapped.push(next);
			}
			const [whole, hull] = [at({ footprintM: spiral }), at({ footprintM: wrapped })];
			expect(whole.edges).toHaveLength(hull.edges.length);
			expect(whole.reserve).toBeCloseTo(hull.reserve, 9);
			expect(whole.margin).toBeCloseTo(hull.margin, 9);
		}
	});
	it('counts wind by the square of its speed', () => {
		const force = (speedMPerS: number) => windForce({ speedMPerS, areaM2: 0.8 }).forceN;
		expect(force(12) / force(6)).toBeCloseTo(4, 12);
		expect(windForce({ speedMPerS: 0, areaM2: 1 }).forceN).toBe(0);
		expect(() => windForce({ speedMPerS: -1, areaM2: 1 })).toThrow('speedMPerS');
	});
});
