import { describe, expect, it } from 'vitest';
import { normal, seededRandom } from '../numeric/random';
import { median } from '../mass/spread';
import { samplePayload, sampleRig } from '../testing/sampleRig';
import type { Vec3 } from '../mass/body';
import { balanceGimbal } from './balanceGimbal';
import { learnFromBalances, withZeros } from './learnFromBalances';
import { predictReadings } from './predictReadings';
import { randomBench } from './randomBench';
import { mountPayload, readingAt, type GimbalRig } from './rig';
import { rounds } from '../testing/rounds';

type Standing = readonly { readonly id: string; readonly body: { readonly massKg: number; readonly cgM: Vec3 } }[];

const roomy = (rig: GimbalRig): GimbalRig => ({
	...rig,
	slides: rig.slides.map((slide) => ({ ...slide, rangeM: [-0.4, 0.4] }))
});
/** What the scales of a gimbal with these zeros read when it is really in balance. */
const readingsOf = (rig: GimbalRig, payload: Standing, zeroM: Readonly<Record<string, number>>) =>
	Object.fromEntries(
		balanceGimbal({ chain: mountPayload({ rig, payload }) }).slides.map(({ id, positionM }, s) => [
			id,
			readingAt(rig.slides[s]!, positionM) + (zeroM[id] ?? 0)
		])
	);
const shifted = (payload: Standing, id: string, [x, y, z]: Vec3): Standing =>
	payload.map((part) =>
		part.id === id
			? { id, body: { ...part.body, cgM: [part.body.cgM[0] + x, part.body.cgM[1] + y, part.body.cgM[2] + z] } }
			: part
	);
const rig = roomy(sampleRig);
const asPriors = (payload: Standing, sigma: number) =>
	payload.map(({ id, body }) => ({ id, massKg: body.massKg, cgM: body.cgM, sigmaM: [sigma, sigma, sigma] as const }));
const stood = (payload: Standing) => payload.map(({ id }) => ({ partId: id, originM: [0, 0, 0] as const }));

describe('learning from finished balances', () => {
	it('says the same in whatever order, and of a small shelf as of a large one that the balances have nothing to do with', () => {
		const random = seededRandom(9);
		const truth = samplePayload.map(
			(part) => shifted([part], part.id, [normal(random) * 0.006, normal(random) * 0.003, 0])[0]!
		);
		const balances = Array.from({ length: 6 }, (_, k) => {
			const build = truth.filter((_part, index) => index === 0 || (index + k) % 3 > 0);
			return { rigId: 'r', parts: stood(build), readingsM: readingsOf(rig, build, {}), readingSigmaM: 0.0005 };
		});
		const rigs = [{ id: 'r', rig, zeroSigmaM: { plate: 0.002 } }];
		const parts = asPriors(samplePayload, 0.008);
		const lesson = learnFromBalances({ rigs, parts, balances });
		const other = learnFromBalances({ rigs, parts: [...parts].reverse(), balances: [...balances].reverse() });
		const idle = asPriors(samplePayload, 0.01).map((part) => ({ ...part, id: `idle ${part.id}` }));
		const large = learnFromBalances({ rigs, parts: [...idle, ...parts], balances });
		for (const { id, cgM } of lesson.parts)
			for (const again of [other, large])
				cgM.forEach(({ value, sigma, identifiable }, axis) => {
					const same = again.parts.find((each) => each.id === id)!.cgM[axis]!;
					expect(same.value).toBeCloseTo(value, 10);
					expect(same.sigma).toBeCloseTo(sigma, 10);
					expect(same.identifiable).toBe(identifiable);
				});
		expect(large.misfit).toBeCloseTo(lesson.misfit!, 9);
		for (const { id, cgM } of large.parts.filter((each) => each.id.startsWith('idle')))
			for (const learned of cgM) {
				expect([learned.value, learned.sigma, learned.learned]).toEqual([learned.prior, learned.priorSigma, 0]);
				expect(large.notIdentifiable.some((key) => key.startsWith(`part:${id}.`))).toBe(true);
			}
	});
	it('is the textbook’s estimate: one part, one axis, by hand', () => {
		const lone: GimbalRig = { ...rig, axes: rig.axes.map((axis) => ({ ...axis, frictionNm: 0 })) };
		const [camera] = samplePayload;
		const truth = shifted([camera!], camera!.id, [0.01, 0, 0]);
		const given = { rigId: 'r', parts: stood(truth), readingsM: readingsOf(lone, truth, {}), readingSigmaM: 0.004 };
		const learn = (balances: (typeof given)[]) =>
			learnFromBalances({ rigs: [{ id: 'r', rig: lone, zeroSigmaM: {} }], parts: asPriors([camera!], 0.008), balances })
				.parts[0]!.cgM[0]!;
		const one = learn([given]);
		// A reading's error counts as much as the plate's share of what the axis carries: σ² of the one look from what it left.
		const look = 1 / (1 / one.sigma ** 2 - 1 / 0.008 ** 2);
		expect(one.value - one.prior).toBeCloseTo((0.01 * 0.008 ** 2) / (0.008 ** 2 + look), 6);
		const four = learn([given, given, given, given]);
		expect(four.sigma ** -2).toBeCloseTo(0.008 ** -2 + 4 / look, 3);
	});
	it('finds the one part that sits elsewhere when all else is known', () => {
		const truth = shifted(samplePayload, 'lens', [0.009, -0.004, 0.003]);
		const lesson = learnFromBalances({
			rigs: [{ id: 'r', rig, zeroSigmaM: {} }],
			parts: asPriors(samplePayload, 0.008).map((part) => (part.id === 'lens' ? part : { ...part, sigmaM: [0, 0, 0] })),
			balances: [{ rigId: 'r', parts: stood(truth), readingsM: readingsOf(rig, truth, {}), readingSigmaM: 1e-6 }]
		});
		const lens = lesson.parts.find(({ id }) => id === 'lens')!;
		const was = samplePayload.find(({ id }) => id === 'lens')!.body.cgM;
		// Friction lets a poised axis stand about a millimetre off, so the prior keeps a small say.
		[0.009, -0.004, 0.003].forEach((by, axis) => {
			expect(lens.cgM[axis]!.value - was[axis]!).toBeCloseTo(by, 3);
			expect(lens.cgM[axis]!.sigma).toBeLessThan(0.0025);
			expect(lens.cgM[axis]!.identifiable).toBe(true);
		});
		expect(lesson.misfit).toBeLessThan(2);
	});

	it('changes nothing without balances, and says that nothing is known', () => {
		const lesson = learnFromBalances({
			rigs: [{ id: 'r', rig, zeroSigmaM: { plate: 0.002 } }],
			parts: asPriors(samplePayload, 0.008),
			balances: []
		});
		expect(lesson.misfit).toBeNull();
		for (const { cgM } of lesson.parts)
			for (const { value, prior, sigma, learned } of cgM)
				expect({ value, sigma, learned }).toEqual({ value: prior, sigma: 0.008, learned: 0 });
		expect(lesson.notIdentifiable).toContain('part:lens.x');
		expect(lesson.notIdentifiable).toContain('zero:r.plate');
		expect(lesson.notIdentifiable).not.toContain('zero:r.panArm');
	});

	it('tells that two parts always weighed together share their error, by mass', () => {
		const truth = shifted(samplePayload, 'lens', [0.006, 0, 0]);
		const lesson = learnFromBalances({
			rigs: [{ id: 'r', rig, zeroSigmaM: {} }],
			parts: asPriors(samplePayload, 0.008),
			balances: [{ rigId: 'r', parts: stood(truth), readingsM: readingsOf(rig, truth, {}), readingSigmaM: 1e-5 }]
		});
		expect(lesson.notIdentifiable).toEqual(expect.arrayContaining(['part:camera.x', 'part:lens.x']));
		const gained = lesson.parts.map(({ id, cgM }) => ({ id, by: cgM[0].value - cgM[0].prior }));
		const [camera, lens] = ['camera', 'lens'].map((id) => gained.find((each) => each.id === id)!.by);
		const [cameraKg, lensKg] = ['camera', 'lens'].map(
			(id) => samplePayload.find((each) => each.id === id)!.body.massKg
		);
		// Equal priors: each takes a share in proportion to its mass, and the moment is the one that was seen.
		expect(camera! / lens!).toBeCloseTo(cameraKg! / lensKg!, 6);
		// Tilt and pan both tell of x; with friction the prior keeps a few hundredths.
		expect((camera! * cameraKg! + lens! * lensKg!) / (0.006 * lensKg!)).toBeGreaterThan(0.9);
	});

	it('keeps its stated sigmas: over many worlds the errors are as large as it says', () => {
		const scores: number[] = [];
		for (let seed = 1; seed <= 60; seed += 1) {
			const random = seededRandom(seed);
			const truthShift = Object.fromEntries(
				samplePayload.map(({ id }) => [id, [0, 1, 2].map(() => 0.006 * normal(random)) as unknown as Vec3])
			);
			const truth = samplePayload.reduce<Standing>((all, { id }) => shifted(all, id, truthShift[id]!), samplePayload);
			const zero = Object.fromEntries(rig.slides.map(({ id }) => [id, 0.002 * normal(random)]));
			const seen = (payload: Standing) =>
				Object.fromEntries(
					Object.entries(readingsOf(rig, payload, zero)).map(([id, value]) => [id, value + 0.0005 * normal(random)])
				);
			const alone = truth.filter(({ id }) => id === 'camera');
			const lesson = learnFromBalances({
				rigs: [
					{
						id: 'r',
						rig: { ...rig, axes: rig.axes.map((axis) => ({ ...axis, frictionNm: 0 })) },
						zeroSigmaM: Object.fromEntries(rig.slides.map(({ id }) => [id, 0.002]))
					}
				],
				parts: asPriors(samplePayload, 0.006),
				balances: [
					{ rigId: 'r', parts: stood(truth), readingsM: seen(truth), readingSigmaM: 0.0005 },
					{ rigId: 'r', parts: stood(alone), readingsM: seen(alone), readingSigmaM: 0.0005 }
				]
			});
			for (const { id, cgM } of lesson.parts)
				cgM.forEach(({ value, prior, sigma }, axis) => scores.push((value - prior - truthShift[id]![axis]!) / sigma));
		}
		const meanSquare = scores.reduce((sum, score) => sum + score * score, 0) / scores.length;
		// 360 scores, not all independent: their mean square is 1 to within about a fifth.
		expect(meanSquare).toBeGreaterThan(0.75);
		expect(meanSquare).toBeLessThan(1.3);
	});

	it('foretells a new lens to 2 mm at the median after three balances, from centres 8 mm off', () => {
		const errors: number[] = [];
		const untold: number[] = [];
		for (let seed = 1; seed <= 60; seed += 1) {
			const random = seededRandom(seed);
			const world = randomBench({ random, cgSigmaM: 0.008, zeroSigmaM: 0.002 });
			const wide = roomy(world.rig);
			const fixed = world.payload.filter(({ id }) => id !== 'lens');
			const lensKg = world.payload.find(({ id }) => id === 'lens')!.body.massKg;
			const lenses = [0, 1, 2, 3].map((k) => {
				const cgM = [0.05 + 0.02 * random(), 0, 0.05] as Vec3;
				const truth = cgM.map((value) => value + 0.008 * normal(random)) as unknown as Vec3;
				return { id: `lens${k}`, massKg: lensKg * (0.7 + 0.6 * random()), cgM, truth };
			});
			const truly = (k: number): Standing => [
				...fixed.map(({ id }) => ({ id, body: world.truth.bodies[id]! })),
				{ id: `lens${k}`, body: { massKg: lenses[k]!.massKg, cgM: lenses[k]!.truth } }
			];
			const priors = [
				...asPriors(fixed, 0.008),
				...lenses.map(({ id, massKg, cgM }) => ({ id, massKg, cgM, sigmaM: [0.008, 0.008, 0.008] as const }))
			];
			const lesson = learnFromBalances({
				rigs: [{ id: 'r', rig: wide, zeroSigmaM: Object.fromEntries(wide.slides.map(({ id }) => [id, 0.002])) }],
				parts: priors,
				balances: [0, 1, 2].map((k) => ({
					rigId: 'r',
					parts: stood(truly(k)),
					readingsM: Object.fromEntries(
						Object.entries(readingsOf(wide, truly(k), world.truth.zeroErrorM)).map(([id, value]) => [
							id,
							value + 0.0005 * normal(random)
						])
					),
					readingSigmaM: 0.0007
				}))
			});
			const wanted = readingsOf(wide, truly(3), world.truth.zeroErrorM);
			const foretold = (known: GimbalRig, centre: (id: string) => Vec3) =>
				predictReadings({
					rig: known,
					payload: truly(3).map(({ id, body }) => ({
						id,
						body: { massKg: body.massKg, cgM: centre(id) },
						sigmaM: [0, 0, 0] as const
					})),
					zeroSigmaM: {}
				}).map(({ id, readingM }) => Math.abs(readingM - wanted[id]!));
			const zeros = Object.fromEntries(Object.entries(lesson.rigs[0]!.zeroM).map(([id, { value }]) => [id, value]));
			const learnedCentre = (id: string) =>
				lesson.parts.find((each) => each.id === id)!.cgM.map(({ value }) => value) as unknown as Vec3;
			errors.push(...foretold(withZeros(wide, zeros), learnedCentre));
			untold.push(...foretold(wide, (id) => priors.find((each) => each.id === id)!.cgM));
		}
		expect(median(errors)).toBeLessThan(0.002);
		expect(median(errors)).toBeLessThan(median(untold) / 1.5);
	});

	it('names what it cannot use', () => {
		const parts = asPriors(samplePayload, 0.008);
		const balance = {
			rigId: 'r',
			parts: stood(samplePayload),
			readingsM: readingsOf(rig, samplePayload, {}),
			readingSigmaM: 0.001
		};
		const tell = (change: object) => () =>
			learnFromBalances({ rigs: [{ id: 'r', rig, zeroSigmaM: {} }], parts, balances: [{ ...balance, ...change }] });
		expect(tell({ rigId: 'x' })).toThrow('balances[0].rigId');
		expect(tell({ parts: [{ partId: 'x', originM: [0, 0, 0] }] })).toThrow('balances[0].parts[0].partId');
		expect(tell({ readingsM: {} })).toThrow('balances[0].readingsM.plate');
		expect(tell({ readingSigmaM: 0 })).toThrow('balances[0].readingSigmaM');
	});
});

describe('foretelling readings', () => {
	const payload = samplePayload.map((part) => ({ ...part, sigmaM: [0.004, 0.002, 0.003] as const }));
	it('gives the balance itself, and the scatter that random centres really have', () => {
		const told = predictReadings({ rig, payload, zeroSigmaM: { plate: 0.001 } });
		const wanted = readingsOf(rig, samplePayload, {});
		for (const { id, readingM } of told) expect(readingM).toBeCloseTo(wanted[id]!, 12);
		const random = seededRandom(5);
		const worlds = Array.from({ length: 800 }, () =>
			readingsOf(
				rig,
				payload.map(({ id, body, sigmaM }) => ({
					id,
					body: { ...body, cgM: body.cgM.map((value, k) => value + sigmaM[k]! * normal(random)) as unknown as Vec3 }
				})),
				{ plate: 0.001 * normal(random) }
			)
		);
		for (const { id, sigmaM } of told) {
			const spread = Math.sqrt(worlds.reduce((sum, world) => sum + (world[id]! - wanted[id]!) ** 2, 0) / worlds.length);
			// The pan arm does not feel the payload once the plate has taken its error: nothing beside rounding.
			if (sigmaM < 1e-9) expect(spread).toBeLessThan(1e-9);
			// A spread of 800 draws is good to one part in forty; four times that.
			else expect(Math.abs(spread / sigmaM - 1)).toBeLessThan(0.1);
		}
	});
	it('refuses a sigma below nothing', () =>
		expect(() => predictReadings({ rig, payload: [{ ...payload[0]!, sigmaM: [-1, 0, 0] }], zeroSigmaM: {} })).toThrow(
			'payload[0].sigmaM[0]'
		));
});

describe('what was learned together', () => {
	const smooth: GimbalRig = { ...rig, axes: rig.axes.map((axis) => ({ ...axis, frictionNm: 0 })) };
	const [priorM, zeroSigmaM, handM] = [0.008, 0.002, 0.0005];
	const zeros = Object.fromEntries(smooth.slides.map(({ id }) => [id, zeroSigmaM]));
	/** Hidden gear, what two balances of one build taught of it, and its readings. */
	const world = (seed: number, turned = false) => {
		const random = seededRandom(seed);
		const off = () => normal(random) * priorM;
		const truth = samplePayload.map((part) => shifted([part], part.id, [off(), off(), off()])[0]!);
		const zeroM = Object.fromEntries(smooth.slides.map(({ id }) => [id, normal(random) * zeroSigmaM]));
		const readingsM = () =>
			Object.fromEntries(
				Object.entries(readingsOf(smooth, truth, zeroM)).map(([id, reading]) => [id, reading + handM * normal(random)])
			);
		// Turned a quarter about up: the part's own x is the payload's y.
		const turn = [
			[0, -1, 0],
			[1, 0, 0],
			[0, 0, 1]
		] as const;
		const own = ([x, y, z]: Vec3): Vec3 => (turned ? [y, -x, z] : [x, y, z]);
		const parts = asPriors(samplePayload, priorM).map((part) => ({ ...part, cgM: own(part.cgM) }));
		const lesson = learnFromBalances({
			rigs: [{ id: 'r', rig: smooth, zeroSigmaM: zeros }],
			parts,
			balances: [0, 1].map(() => ({
				rigId: 'r',
				parts: samplePayload.map(({ id }) => ({
					partId: id,
					originM: [0, 0, 0] as const,
					...(turned ? { turn } : {})
				})),
				readingsM: readingsM(),
				readingSigmaM: handM
			}))
		});
		const back = ([x, y, z]: Vec3): Vec3 => (turned ? [-y, x, z] : [x, y, z]);
		const zeroNow = Object.fromEntries(Object.entries(lesson.rigs[0]!.zeroM).map(([id, { value }]) => [id, value]));
		const zeroSigma = Object.fromEntries(Object.entries(lesson.rigs[0]!.zeroM).map(([id, { sigma }]) => [id, sigma]));
		const payload = samplePayload.map(({ id, body }) => {
			const { cgM } = lesson.parts.find((each) => each.id === id)!;
			const [x, y, z] = cgM.map(({ value }) => value) as unknown as [number, number, number];
			const [a, b, c] = cgM.map(({ sigma }) => sigma) as unknown as [number, number, number];
			return {
				...{ id, body: { ...body, cgM: back([x, y, z]) }, ...(turned ? { turn } : {}) },
				sigmaM: (turned ? [b, a, c] : [a, b, c]) as Vec3
			};
		});
		const asked = { rig: withZeros(smooth, zeroNow), payload, zeroSigmaM: zeroSigma };
		return {
			asked,
			learned: { rigId: 'r', covariance: lesson.covariance },
			wanted: readingsOf(smooth, truth, zeroM)
		};
	};

	it('foretells what was balanced already as surely as it was read, not as unsurely as each part is known', () => {
		for (const turned of [false, true]) {
			const { asked, learned } = world(3, turned);
			const together = predictReadings({ ...asked, learned });
			const apart = predictReadings(asked);
			together.forEach(({ id, sigmaM, readingM }, s) => {
				expect([id, sigmaM < 0.0007]).toEqual([id, true]);
				expect(readingM).toBe(apart[s]!.readingM);
			});
			expect(Math.max(...apart.map(({ sigmaM }) => sigmaM))).toBeGreaterThan(0.0025);
		}
	});
	it.each([false, true])('is right within one σ in 68 of 100, and within two in 95 (turned: %s)', (turned) => {
		const off = Array.from({ length: 1000 }, (_, seed) => {
			const { asked, learned, wanted } = world(seed + 1, turned);
			return predictReadings({ ...asked, learned }).map(
				({ id, readingM, sigmaM }) => (wanted[id]! - readingM) / sigmaM
			);
		});
		for (const s of smooth.slides.keys()) {
			const within = (many: number) => off.filter((each) => Math.abs(each[s]!) <= many).length / off.length;
			expect([smooth.slides[s]!.id, Math.abs(within(1) - 0.683) < 0.04]).toEqual([smooth.slides[s]!.id, true]);
			expect(Math.abs(within(2) - 0.954)).toBeLessThan(0.025);
		}
	});
	it('is as before for a part that was never learned, and for another gimbal’s zeros', () => {
		const { asked, learned } = world(5);
		const stranger = { ...asked, payload: asked.payload.map((part) => ({ ...part, partId: `other ${part.id}` })) };
		expect(predictReadings({ ...stranger, learned: { ...learned, rigId: 'another' } })).toEqual(
			predictReadings(stranger)
		);
	});
});

describe('balances that do not fit one another', () => {
	const smooth: GimbalRig = { ...rig, axes: rig.axes.map((axis) => ({ ...axis, frictionNm: 0 })) };
	const handM = 0.0005;
	/** So many balances of changing builds of hidden gear, each reading off by the hand and by `spoil`. */
	const logged = (seed: number, many: number, spoil: (index: number, slideId: string) => number, straysM = handM) => {
		const random = seededRandom(seed);
		const truth = samplePayload.map(
			(part) => shifted([part], part.id, [normal(random) * 0.008, normal(random) * 0.008, normal(random) * 0.008])[0]!
		);
		const balances = Array.from({ length: many }, (_, index) => {
			const build = truth.filter((_part, which) => which === 0 || (which + index) % 3 > 0);
			const readingsM = Object.fromEntries(
				Object.entries(readingsOf(smooth, build, {})).map(([id, reading]) => [
					id,
					reading + straysM * normal(random) + spoil(index, id)
				])
			);
			return { rigId: 'r', parts: stood(build), readingsM, readingSigmaM: handM };
		});
		const learn = (of: readonly (typeof balances)[number][]) =>
			learnFromBalances({
				rigs: [{ id: 'r', rig: smooth, zeroSigmaM: {} }],
				parts: asPriors(samplePayload, 0.008),
				balances: of
			});
		const errorsM = (lesson: ReturnType<typeof learn>) =>
			lesson.parts.flatMap(({ id, cgM }) =>
				cgM.flatMap(({ value, sigma }, axis) => {
					const really = truth.find((part) => part.id === id)!.body.cgM[axis]!;
					return [{ off: value - really, sigma }];
				})
			);
		return { balances, learn, errorsM };
	};

	it('are none where only the hand strays: no deviation is widened, nothing is named', () => {
		let [widened, named] = [0, 0];
		const worlds = rounds(300);
		for (let seed = 1; seed <= worlds; seed += 1) {
			const { balances, learn } = logged(seed, 8, () => 0);
			const { widenedBy, outliers } = learn(balances);
			if (widenedBy > 1) widened += 1;
			if (outliers.length > 0) named += 1;
		}
		expect(widened).toBeLessThanOrEqual(0.03 * worlds);
		expect(named).toBeLessThanOrEqual(0.01 * worlds);
	});
	it('a slip of ten millimetres among fifty is named, and left out everything fits again', () => {
		for (const [seed, wrong, slide, byM] of [
			[1, 17, 'plate', 0.01],
			[2, 0, 'crossbar', -0.01],
			[3, 49, 'plate', -0.01]
		] as const) {
			const { balances, learn, errorsM } = logged(seed, 50, (index, id) => (index === wrong && id === slide ? byM : 0));
			expect(balances[0]!.readingsM[slide]).toBeDefined();
			const lesson = learn(balances);
			expect(lesson.widenedBy).toBeGreaterThan(1.2);
			expect(lesson.outliers.map(({ index }) => index)).toEqual([wrong]);
			expect(lesson.outliers[0]!.offBy).toBeGreaterThan(5);
			const without = learn(balances.filter((_, index) => index !== wrong));
			expect(without.widenedBy).toBe(1);
			expect(without.outliers).toEqual([]);
			const worst = (of: typeof lesson) => Math.max(...errorsM(of).map(({ off, sigma }) => Math.abs(off) / sigma));
			expect(worst(without)).toBeLessThan(4);
		}
	});
	it('two slips are named, the greater first', () => {
		const { balances, learn } = logged(4, 50, (index, id) =>
			id !== 'plate' ? 0 : index === 5 ? 0.006 : index === 30 ? 0.012 : 0
		);
		expect(learn(balances).outliers.map(({ index }) => index)).toEqual([30, 5]);
	});
	it('a hand three times as rough as it says widens every ±, and then they are true again', () => {
		const off = Array.from({ length: 300 }, (_, seed) => {
			const { balances, learn, errorsM } = logged(seed + 1, 16, () => 0, 3 * handM);
			const lesson = learn(balances);
			expect(lesson.widenedBy).toBeGreaterThan(1);
			return errorsM(lesson);
		}).flat();
		const within = off.filter(({ off: by, sigma }) => Math.abs(by) <= sigma).length / off.length;
		expect(Math.abs(within - 0.683)).toBeLessThan(0.04);
	});
});
