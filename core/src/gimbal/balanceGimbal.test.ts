import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	axisStates,
	balanceGimbal,
	type GimbalChain,
	mountPayload,
	PhysicsInputError,
	seededRandom,
	type Vec3
} from '../index';
import { samplePayload, sampleRig } from '../testing/sampleRig';
import { rounds } from '../testing/rounds';

const metre = (reach: number) => fc.double({ min: -reach, max: reach, noNaN: true });
const payloads = fc.array(
	fc.record({
		massKg: fc.double({ min: 0.05, max: 2, noNaN: true }),
		cgM: fc.tuple(metre(0.2), metre(0.05), metre(0.1)) as fc.Arbitrary<Vec3>
	}),
	{ minLength: 1, maxLength: 5 }
);
const named = (bodies: readonly { massKg: number; cgM: Vec3 }[]) =>
	bodies.map((body, index) => ({ id: String(index), body }));
const chainOf = (bodies: readonly { massKg: number; cgM: Vec3 }[]) =>
	mountPayload({ rig: sampleRig, payload: named(bodies) });
const positions = (chain: GimbalChain) =>
	Object.fromEntries(balanceGimbal({ chain }).slides.map(({ id, positionM }) => [id, positionM]));

/** The chain rebuilt with every slide already moved, so that its new zero is where the slides stood. */
function rebuiltAt(chain: GimbalChain, positionsM: Readonly<Record<string, number>>): GimbalChain {
	const shift = (id: string): Vec3 =>
		chain.slides.reduce<Vec3>(
			(sum, slide) =>
				slide.moves.includes(id)
					? (sum.map((v, k) => v + slide.direction[k]! * positionsM[slide.id]!) as unknown as Vec3)
					: sum,
			[0, 0, 0]
		);
	const moved = (at: Vec3, id: string) => at.map((v, k) => v + shift(id)[k]!) as unknown as Vec3;
	return {
		axes: chain.axes.map((axis) => ({ ...axis, pivotM: moved(axis.pivotM, axis.id) })),
		parts: chain.parts.map((part) => ({ ...part, body: { ...part.body, cgM: moved(part.body.cgM, part.id) } })),
		slides: chain.slides.map((slide) => ({
			...slide,
			rangeM: [slide.rangeM[0] - positionsM[slide.id]!, slide.rangeM[1] - positionsM[slide.id]!] as const
		}))
	};
}

describe('balanceGimbal', () => {
	it('moves nothing when solved again from its own solution', () => {
		fc.assert(
			fc.property(payloads, (bodies) => {
				const chain = chainOf(bodies);
				const again = balanceGimbal({ chain: rebuiltAt(chain, positions(chain)) });
				// A tenth of a micrometre: the solution is a ratio of sums of order 1 kg·m.
				for (const { positionM } of again.slides) expect(Math.abs(positionM)).toBeLessThan(1e-7);
			})
		);
	});

	it('moves a slide by −d when the payload is shifted by d along it, while in range', () => {
		fc.assert(
			fc.property(metre(0.01), metre(0.01), (forwardM, leftM) => {
				const before = positions(mountPayload({ rig: sampleRig, payload: samplePayload }));
				const shifted = samplePayload.map(({ id, body }) => ({
					id,
					body: { ...body, cgM: [body.cgM[0] + forwardM, body.cgM[1] + leftM, body.cgM[2]] as Vec3 }
				}));
				const after = positions(mountPayload({ rig: sampleRig, payload: shifted }));
				expect(after.plate! - before.plate!).toBeCloseTo(-forwardM, 9);
				// Sideways the cradle, which does not shift, rides on the crossbar too: the payload's share of the load.
				const moved = samplePayload[0]!.body.massKg + samplePayload[1]!.body.massKg;
				expect(after.crossbar! - before.crossbar!).toBeCloseTo((-leftM * moved) / (moved + 0.4), 9);
			})
		);
	});

	it('does not mind the order of the parts', () => {
		fc.assert(
			fc.property(payloads, (bodies) => {
				const chain = chainOf(bodies);
				const [there, back] = [positions(chain), positions({ ...chain, parts: [...chain.parts].reverse() })];
				for (const id of Object.keys(there)) expect(back[id]).toBeCloseTo(there[id]!, 8);
			})
		);
	});

	it('is not beaten by any nearby setting of the slides', () => {
		fc.assert(
			fc.property(payloads, fc.array(metre(0.01), { minLength: 4, maxLength: 4 }), (bodies, nudge) => {
				const chain = chainOf(bodies);
				const solved = positions(chain);
				const nudged = Object.fromEntries(
					chain.slides.map(({ id, rangeM }, s) => [
						id,
						Math.min(rangeM[1], Math.max(rangeM[0], solved[id]! + nudge[s]!))
					])
				);
				const cost = (positionsM: Record<string, number>) =>
					axisStates({ chain, positionsM }).reduce((sum, { residualTorqueNm }) => sum + residualTorqueNm ** 2, 0);
				expect(cost(solved)).toBeLessThanOrEqual(cost(nudged) + 1e-12);
			})
		);
	});

	it('agrees with the axes it reports and with the torque it promises', () => {
		const chain = mountPayload({ rig: sampleRig, payload: samplePayload });
		const solved = balanceGimbal({ chain });
		expect(axisStates({ chain, positionsM: positions(chain) })).toEqual(solved.axes);
		const tilt = axisStates({ chain, positionsM: {} }).find(({ id }) => id === 'tilt')!;
		// By hand: 0.7·(−0.02) + 0.5·0.07 = 0.021 kg·m forward; 0.7·0 + 0.5·(−0.005) + 0.4·(−0.06) = −0.0265 kg·m up.
		expect(tilt.residualTorqueNm).toBeCloseTo(9.80665 * Math.hypot(0.021, -0.0265), 12);
		expect(tilt.offsetM[0]).toBeCloseTo(0.021 / 1.6, 12);
	});

	it('answers a gimbal without slides and an axis that carries nothing', () => {
		const answer = balanceGimbal({
			chain: {
				axes: [
					{ id: 'pan', direction: [0, 0, 1], pivotM: [0, 0, 0] },
					{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }
				],
				parts: [{ id: 'arm', body: { massKg: 1, cgM: [0.02, 0, 0] }, hangsOn: 'pan' }],
				slides: []
			}
		});
		expect(answer.balanced).toBe(false);
		expect(answer.axes[1]).toMatchObject({ carriedKg: 0, offsetM: [0, 0, 0], residualTorqueNm: 0, motorShare: null });
	});
});

describe('remedies', () => {
	const longLens = [...samplePayload, { id: 'front', body: { massKg: 0.5, cgM: [0.25, 0, 0.045] as Vec3 } }];
	const chain = mountPayload({ rig: sampleRig, payload: longLens });
	const places = sampleRig.counterweightPlaces;

	it('lists the least extension and the least weight, and each balances the gimbal', () => {
		const { balanced, remedies } = balanceGimbal({ chain, options: { counterweightPlaces: places } });
		expect(balanced).toBe(false);
		expect(remedies.map(({ kind }) => kind)).toEqual(['extendSlide', 'addMass']);

		const [extension, weight] = remedies;
		if (extension?.kind !== 'extendSlide' || weight?.kind !== 'addMass') throw new Error('other remedies');
		expect(extension).toMatchObject({ slideId: 'plate', end: 'least' });
		const reaching = (byM: number): GimbalChain => ({
			...chain,
			slides: chain.slides.map((slide) =>
				slide.id === 'plate' ? { ...slide, rangeM: [slide.rangeM[0] - byM, slide.rangeM[1]] } : slide
			)
		});
		expect(balanceGimbal({ chain: reaching(extension.byM) }).balanced).toBe(true);
		expect(balanceGimbal({ chain: reaching(extension.byM - 0.002) }).balanced).toBe(false);

		const weighted = (massKg: number) =>
			mountPayload({
				rig: sampleRig,
				payload: [...longLens, { id: 'weight', body: { massKg, cgM: [-0.09, 0, 0] } }]
			});
		expect(balanceGimbal({ chain: weighted(weight.massKg) }).balanced).toBe(true);
		// The search stops at half a gram; two grams less must not do.
		expect(balanceGimbal({ chain: weighted(weight.massKg - 0.002) }).balanced).toBe(false);
	});

	it('asks for no more reach than the least that any places of the slides could do with, and says where the middle is', () => {
		const random = seededRandom(21);
		let asked = 0;
		for (let round = 0; round < 40; round += 1) {
			const payload = [
				...samplePayload,
				{ id: 'front', body: { massKg: 0.3 + 0.3 * random(), cgM: [0.16 + 0.12 * random(), 0, 0.045] as Vec3 } }
			];
			const stuck = mountPayload({ rig: sampleRig, payload });
			const { balanced, remedies } = balanceGimbal({ chain: stuck });
			const remedy = remedies.find(({ kind }) => kind === 'extendSlide');
			if (balanced || remedy?.kind !== 'extendSlide') continue;
			asked += 1;
			expect(remedy.byM).toBeLessThan(remedy.middleByM);
			const withReach = (byM: number): GimbalChain => ({
				...stuck,
				slides: stuck.slides.map((slide) =>
					slide.id !== remedy.slideId
						? slide
						: {
								...slide,
								rangeM:
									remedy.end === 'least'
										? [slide.rangeM[0] - byM, slide.rangeM[1]]
										: [slide.rangeM[0], slide.rangeM[1] + byM]
							}
				)
			});
			expect(balanceGimbal({ chain: withReach(remedy.byM) }).balanced).toBe(true);
			// Half a millimetre less: no place of the slides will do, found by walking downhill in the worst axis from many places.
			const short = withReach(remedy.byM - 0.0005);
			const worst = (positionsM: Record<string, number>) =>
				Math.max(
					...axisStates({ chain: short, positionsM }).map(
						({ residualTorqueNm }, index) => residualTorqueNm / (short.axes[index]!.frictionNm ?? 0)
					)
				);
			let least = Infinity;
			for (let start = 0; start < 6; start += 1) {
				const at = Object.fromEntries(
					short.slides.map(({ id, rangeM: [from, to] }) => [
						id,
						start === 0 ? (from + to) / 2 : from + random() * (to - from)
					])
				);
				let now = worst(at);
				for (let stepM = 0.03; stepM > 0.00002;) {
					let better = false;
					for (const { id, rangeM } of short.slides)
						for (const by of [-stepM, stepM]) {
							const there = { ...at, [id]: Math.min(rangeM[1], Math.max(rangeM[0], at[id]! + by)) };
							const left = worst(there);
							if (left < now - 1e-12) {
								at[id] = there[id]!;
								now = left;
								better = true;
							}
						}
					if (!better) stepM /= 2;
				}
				least = Math.min(least, now);
			}
			expect(least).toBeGreaterThan(1);
		}
		expect(asked).toBeGreaterThan(10);
	});

	it('asks for no more weight than the least that will do, found by trying them all', () => {
		const random = seededRandom(12);
		const between = (low: number, high: number) => low + random() * (high - low);
		const place = { ...sampleRig.counterweightPlaces[0]!, greatestKg: 0.6 };
		let weights = 0;
		for (let round = 0; round < rounds(24, 8); round += 1) {
			const payload = [
				...samplePayload,
				{
					id: 'front',
					body: {
						massKg: between(0.2, 0.6),
						cgM: [between(0.18, 0.27), between(-0.004, 0.004), between(0.02, 0.05)] as Vec3
					}
				}
			];
			// From what holds roughly to what forgives next to nothing.
			const toleranceNm = 10 ** between(-2.7, -0.7);
			const rig = { ...sampleRig, axes: sampleRig.axes.map((axis) => ({ ...axis, frictionNm: 0 })) };
			const mounted = mountPayload({ rig, payload });
			const options = { toleranceNm, counterweightPlaces: [place] };
			const { balanced, remedies } = balanceGimbal({ chain: mounted, options });
			if (balanced) continue;
			const holds = (with_: GimbalChain) => balanceGimbal({ chain: with_, options: { toleranceNm } }).balanced;
			const weighted = (massKg: number) =>
				mountPayload({ rig, payload: [...payload, { id: 'weight', body: { massKg, cgM: [-0.09, 0, 0] as Vec3 } }] });
			const tried = Array.from({ length: 1201 }, (_, k) => k * 0.0005).filter(
				(massKg) => massKg > 0 && holds(weighted(massKg))
			);
			const weight = remedies.find((each) => each.kind === 'addMass');
			// A window that the finest trying sees is found; one between its steps may be.
			if (tried.length > 0) {
				weights += 1;
				expect(weight?.kind === 'addMass' ? weight.massKg : null, `round ${round}`).not.toBeNull();
				if (weight?.kind === 'addMass') expect(weight.massKg).toBeLessThanOrEqual(tried[0]! + 5e-4);
			}
			if (weight?.kind === 'addMass') expect(holds(weighted(weight.massKg))).toBe(true);
		}
		expect(weights).toBeGreaterThan(2);
	});

	it('finds the window of a weight however narrow it is, to its lighter end', () => {
		const random = seededRandom(5);
		for (let round = 0; round < 60; round += 1) {
			const [outM, backM] = [0.01 + 0.05 * random(), 0.06 + 0.06 * random()];
			const toleranceNm = 10 ** (-4 + 2 * random());
			const chain: GimbalChain = {
				axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
				parts: [{ id: 'camera', body: { massKg: 1, cgM: [outM, 0, 0] }, hangsOn: 'tilt' }],
				slides: []
			};
			const place = { id: 'rear', atM: [-backM, 0, 0] as Vec3, hangsOn: 'tilt', movesWith: [], greatestKg: 1.1 };
			const { remedies } = balanceGimbal({ chain, options: { toleranceNm, counterweightPlaces: [place] } });
			// By hand: m · back makes up for 1 kg · out but for tolerance / g.
			const lightest = (outM - toleranceNm / 9.80665) / backM;
			const weight = remedies.find((each) => each.kind === 'addMass');
			expect(weight?.kind === 'addMass' ? weight.massKg : null).not.toBeNull();
			if (weight?.kind === 'addMass') expect(Math.abs(weight.massKg - lightest)).toBeLessThan(6e-4);
		}
	});

	it('offers nothing when nothing is wrong', () => {
		const { remedies } = balanceGimbal({
			chain: mountPayload({ rig: sampleRig, payload: samplePayload }),
			options: { counterweightPlaces: places }
		});
		expect(remedies).toEqual([]);
	});
});

describe('a chain without sense', () => {
	const chain = mountPayload({ rig: sampleRig, payload: samplePayload });
	const broken: [string, GimbalChain, string][] = [
		[
			'a range upside down',
			{ ...chain, slides: [{ ...chain.slides[0]!, rangeM: [0.1, -0.1] }] },
			'chain.slides[0].rangeM'
		],
		[
			'a slide that moves an unknown part',
			{ ...chain, slides: [{ ...chain.slides[0]!, moves: ['ghost'] }] },
			'moves[0]'
		],
		['a part on an unknown axis', { ...chain, parts: [{ ...chain.parts[0]!, hangsOn: 'ghost' }] }, 'hangsOn'],
		[
			'a direction that is not a unit vector',
			{ ...chain, axes: [{ ...chain.axes[0]!, direction: [0, 0, 2] }, ...chain.axes.slice(1)] },
			'direction'
		],
		[
			'a motor without torque',
			{ ...chain, axes: [{ ...chain.axes[0]!, motorTorqueNm: 0 }, ...chain.axes.slice(1)] },
			'motorTorqueNm'
		],
		['two axes of one name', { ...chain, axes: [chain.axes[0]!, chain.axes[0]!] }, 'chain.axes[1].id'],
		['no axes', { ...chain, axes: [] }, 'chain.axes']
	];
	it.each(broken)('is refused: %s', (_what, given, path) => {
		expect(() => balanceGimbal({ chain: given })).toThrow(PhysicsInputError);
		expect(() => balanceGimbal({ chain: given })).toThrow(path);
	});
});
