import { describe, expect, it } from 'vitest';
import { seededRandom, normal } from '../numeric/random';
import { samplePayload, sampleRig } from '../testing/sampleRig';
import type { Vec3 } from '../mass/body';
import { varianceOf } from './covariance';
import { balanceGimbal } from './balanceGimbal';
import { type BelievedFigure, jointCovariance } from './jointCovariance';
import { type Lesson, learnFromBalances, withZeros } from './learnFromBalances';
import { predictReadings } from './predictReadings';
import { type GimbalRig, mountPayload, readingAt } from './rig';

const rig: GimbalRig = {
	...sampleRig,
	axes: sampleRig.axes.map((axis) => ({ ...axis, frictionNm: 0 })),
	slides: sampleRig.slides.map((slide) => ({ ...slide, rangeM: [-0.4, 0.4] }))
};
const [priorM, zeroSigmaM, handM] = [0.008, 0.002, 0.0005];
const axes = ['x', 'y', 'z'] as const;
type Build = readonly { readonly id: string; readonly body: { readonly massKg: number; readonly cgM: Vec3 } }[];

const readingsOf = (payload: Build, zeroM: Readonly<Record<string, number>>) =>
	Object.fromEntries(
		balanceGimbal({ chain: mountPayload({ rig, payload }) }).slides.map(({ id, positionM }, s) => [
			id,
			readingAt(rig.slides[s]!, positionM) + (zeroM[id] ?? 0)
		])
	);

/** Hidden gear; lessons of the first two and of all six balances, of changing builds. */
function world(seed: number) {
	const random = seededRandom(seed);
	const truth = samplePayload.map(({ id, body }) => ({
		id,
		body: { ...body, cgM: body.cgM.map((value) => value + normal(random) * priorM) as unknown as Vec3 }
	}));
	const zeroM = Object.fromEntries(rig.slides.map(({ id }) => [id, normal(random) * zeroSigmaM]));
	const balances = Array.from({ length: 6 }, (_, index) => {
		const build = index < 2 ? truth : truth.filter((_part, which) => which === 0 || (which + index) % 3 > 0);
		return {
			rigId: 'r',
			parts: build.map(({ id }) => ({ partId: id, originM: [0, 0, 0] as const })),
			readingsM: Object.fromEntries(
				Object.entries(readingsOf(build, zeroM)).map(([id, reading]) => [id, reading + handM * normal(random)])
			),
			readingSigmaM: handM
		};
	});
	const learn = (many: number) =>
		learnFromBalances({
			rigs: [{ id: 'r', rig, zeroSigmaM: Object.fromEntries(rig.slides.map(({ id }) => [id, zeroSigmaM])) }],
			parts: samplePayload.map(({ id, body }) => ({
				...{ id, massKg: body.massKg, cgM: body.cgM },
				sigmaM: [priorM, priorM, priorM] as const
			})),
			balances: balances.slice(0, many)
		});
	return { lessons: [learn(2), learn(6)] as const, wanted: readingsOf(truth, zeroM) };
}

/** What stands today where `lessonOf` says which lesson each part, and each zero, was taken over from; null: none. */
function today(lessons: readonly Lesson[], lessonOf: (id: string) => 0 | 1 | null) {
	const rowOf = ({ covariance: { keys, square } }: Lesson, key: string) =>
		Object.fromEntries(keys.map((other, j) => [other, square[keys.indexOf(key)]![j]!]));
	const figure = (
		id: string,
		key: string,
		pick: (lesson: Lesson) => { value: number; sigma: number },
		prior: number
	) => {
		const which = lessonOf(id);
		if (which === null) return { valueM: null, figure: { key, sigma: prior } satisfies BelievedFigure };
		const lesson = lessons[which]!;
		const { value, sigma } = pick(lesson);
		return {
			valueM: value,
			figure: { key, sigma, taken: { lesson: which, widenedBy: lesson.widenedBy, row: rowOf(lesson, key) } }
		};
	};
	const parts = samplePayload.map(({ id, body }) => {
		const told = axes.map((axis, k) =>
			figure(id, `part:${id}.${axis}`, ({ parts }) => parts.find((part) => part.id === id)!.cgM[k]!, priorM)
		);
		const cgM = body.cgM.map((value, k) => told[k]!.valueM ?? value) as unknown as Vec3;
		const sigmaM = told.map((each) => each.figure.sigma) as unknown as Vec3;
		return { figures: told.map((each) => each.figure), mounted: { id, body: { ...body, cgM }, sigmaM } };
	});
	const zeros = rig.slides.map(({ id }) => ({
		id,
		...figure(id, `zero:r.${id}`, (lesson) => lesson.rigs[0]!.zeroM[id]!, zeroSigmaM)
	}));
	return {
		asked: {
			rig: withZeros(rig, Object.fromEntries(zeros.map(({ id, valueM }) => [id, valueM ?? 0]))),
			payload: parts.map(({ mounted }) => mounted),
			zeroSigmaM: Object.fromEntries(zeros.map((zero) => [zero.id, zero.figure.sigma]))
		},
		figures: [...parts.flatMap(({ figures }) => figures), ...zeros.map((zero) => zero.figure)]
	};
}

/** A thousand of them, made once. */
let worlds: ReturnType<typeof world>[] = [];
const allWorlds = () =>
	(worlds = worlds.length > 0 ? worlds : Array.from({ length: 1000 }, (_, seed) => world(seed + 1)));

const [first, second] = samplePayload.map(({ id }) => id) as [string, string];
const firstSlide = rig.slides[0]!.id;

describe('figures taken over and figures not', () => {
	it('are what the lesson says where all of them were taken from it', () => {
		const { lessons } = world(3);
		const { figures } = today(lessons, () => 1);
		const { keys, square } = jointCovariance(figures);
		const told = lessons[1].covariance;
		keys.forEach((a, i) =>
			keys.forEach((b, j) =>
				expect(square[i]![j]!).toBeCloseTo(told.square[told.keys.indexOf(a)]![told.keys.indexOf(b)]!, 14)
			)
		);
	});
	it('are unsure apart where none was', () => {
		const { square } = jointCovariance([
			{ key: 'a', sigma: 2 },
			{ key: 'b', sigma: 3 }
		]);
		expect(square).toEqual([
			[4, 0],
			[0, 9]
		]);
		expect(jointCovariance([])).toEqual({ keys: [], square: [] });
	});

	it.each([
		['one part of the first lesson', (id: string) => (id === first ? 0 : null)],
		['all of the first lesson', () => 0 as const],
		['all but one part of the second', (id: string) => (id === second ? null : 1)],
		[
			'one of the first, one and a zero of the second',
			(id: string) => (id === first ? 0 : id === second || id === firstSlide ? 1 : null)
		],
		['one part of the first, the rest of the second', (id: string) => (id === first ? 0 : 1)]
	] as const)('foretell within one σ in 68 of 100 with %s', (_, lessonOf) => {
		const off = allWorlds().map(({ lessons, wanted }) => {
			const { asked, figures } = today(lessons, lessonOf);
			const learned = { rigId: 'r', covariance: jointCovariance(figures) };
			return predictReadings({ ...asked, learned }).map(
				({ id, readingM, sigmaM }) => (wanted[id]! - readingM) / sigmaM
			);
		});
		rig.slides.forEach(({ id }, s) => {
			const within = (many: number) => off.filter((each) => Math.abs(each[s]!) <= many).length / off.length;
			expect([id, within(1)]).toEqual([id, expect.closeTo(0.683, 1)]);
			expect(Math.abs(within(1) - 0.683)).toBeLessThan(0.04);
			expect(Math.abs(within(2) - 0.954)).toBeLessThan(0.025);
		});
	});

	it('of a lesson that was widened are wider among themselves, and share no more with the others', () => {
		const taken = (row: Record<string, number>) => ({ lesson: 1, widenedBy: 2, row });
		const { square } = jointCovariance([
			{ key: 'a', sigma: 2, taken: taken({ a: 4, b: -2, c: -2 }) },
			{ key: 'b', sigma: 2, taken: taken({ a: -2, b: 4, c: 0 }) },
			{ key: 'c', sigma: 3 }
		]);
		expect(square).toEqual([
			[4, -2, -0.5],
			[-2, 4, 0],
			[-0.5, 0, 9]
		]);
	});
	it('that contradict one another come to nothing surer than sure', () => {
		const covariance = jointCovariance([
			{ key: 'a', sigma: 1, taken: { lesson: 2, widenedBy: 1, row: { a: 1, b: -3 } } },
			{ key: 'b', sigma: 1 }
		]);
		const random = seededRandom(1);
		for (let trial = 0; trial < 100; trial += 1) {
			const weights = [normal(random), normal(random)];
			const [a, b] = weights as [number, number];
			const sum = covariance.square.flatMap((row, i) => row.map((value, j) => value * weights[i]! * weights[j]!));
			expect(sum.reduce((all, each) => all + each, 0)).toBeGreaterThan(-1e-12);
			expect(varianceOf(covariance, weights)).toBeGreaterThanOrEqual(a * a + b * b - 6 * a * b - 1e-12);
		}
	});
	it.each([
		[
			'a key twice',
			[
				{ key: 'a', sigma: 1 },
				{ key: 'a', sigma: 1 }
			],
			'figures'
		],
		['a doubt below nothing', [{ key: 'a', sigma: -1 }], 'figures[0].sigma'],
		['a lesson widened by nothing', [{ key: 'a', sigma: 1, taken: { lesson: 1, widenedBy: 0, row: {} } }], 'widenedBy']
	])('refuse %s', (_, figures, where) => expect(() => jointCovariance(figures)).toThrow(where));
});
