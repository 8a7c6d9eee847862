import {
	balanceGimbal,
	type GimbalRig,
	learnFromBalances,
	mountPayload,
	predictReadings,
	randomBench,
	readingAt,
	seededRandom,
	type Vec3,
	withZeros
} from '@poise/core';

type Standing = readonly { readonly id: string; readonly body: { readonly massKg: number; readonly cgM: Vec3 } }[];

const cgSigmaM = 0.008;
const zeroSigmaM = 0.002;
const handSigmaM = 0.0005;

/**
 * How far the bench is off when it foretells the readings for a lens it has never balanced, in metres, over so many random
 * rigs: untaught, and after three logged balances of the same body with three other lenses.
 */
export function foretellErrors(worlds: number): { readonly taughtM: number[]; readonly untaughtM: number[] } {
	const [taughtM, untaughtM]: [number[], number[]] = [[], []];
	for (let seed = 1; seed <= worlds; seed += 1) {
		const random = seededRandom(seed);
		const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
		const world = randomBench({ random, cgSigmaM, zeroSigmaM, massShare: 0, inertiaShare: 0 });
		const rig: GimbalRig = {
			...world.rig,
			slides: world.rig.slides.map((slide) => ({ ...slide, rangeM: [-0.4, 0.4] }))
		};
		const fixed = world.payload.filter(({ id }) => id !== 'lens');
		const lensKg = world.payload.find(({ id }) => id === 'lens')!.body.massKg;
		const lenses = [0, 1, 2, 3].map((which) => {
			const cgM: Vec3 = [0.04 + 0.03 * random(), 0, 0.05];
			const truthM: Vec3 = [cgM[0] + cgSigmaM * normal(), cgSigmaM * normal(), cgM[2] + cgSigmaM * normal()];
			return { id: `lens${which}`, massKg: lensKg * (0.7 + 0.6 * random()), cgM, truthM };
		});
		const build = (which: number): Standing => [
			...fixed.map(({ id }) => ({ id, body: world.truth.bodies[id]! })),
			{ id: lenses[which]!.id, body: { massKg: lenses[which]!.massKg, cgM: lenses[which]!.truthM } }
		];
		const truly = (which: number): Record<string, number> =>
			Object.fromEntries(
				balanceGimbal({ chain: mountPayload({ rig, payload: build(which) }) }).slides.map(({ id, positionM }, s) => [
					id,
					readingAt(rig.slides[s]!, positionM) + world.truth.zeroErrorM[id]!
				])
			);
		const sigmaM: Vec3 = [cgSigmaM, cgSigmaM, cgSigmaM];
		const parts = [
			...fixed.map(({ id, body }) => ({ id, massKg: body.massKg, cgM: body.cgM, sigmaM })),
			...lenses.map(({ id, massKg, cgM }) => ({ id, massKg, cgM, sigmaM }))
		];
		const lesson = learnFromBalances({
			rigs: [{ id: 'rig', rig, zeroSigmaM: Object.fromEntries(rig.slides.map(({ id }) => [id, zeroSigmaM])) }],
			parts,
			balances: [0, 1, 2].map((which) => ({
				rigId: 'rig',
				parts: build(which).map(({ id }) => ({ partId: id, originM: [0, 0, 0] as const })),
				readingsM: Object.fromEntries(
					Object.entries(truly(which)).map(([id, readingM]) => [id, readingM + handSigmaM * normal()])
				),
				readingSigmaM: handSigmaM
			}))
		});
		const wanted = truly(3);
		const errors = (known: GimbalRig, centre: (id: string) => Vec3) =>
			predictReadings({
				rig: known,
				payload: build(3).map(({ id, body }) => ({
					id,
					body: { massKg: body.massKg, cgM: centre(id) },
					sigmaM: [0, 0, 0] as const
				})),
				zeroSigmaM: {}
			}).map(({ id, readingM }) => Math.abs(readingM - wanted[id]!));
		const zeros = Object.fromEntries(Object.entries(lesson.rigs[0]!.zeroM).map(([id, { value }]) => [id, value]));
		const told = (id: string) => {
			const [x, y, z] = lesson.parts.find((part) => part.id === id)!.cgM;
			return [x.value, y.value, z.value] as const;
		};
		taughtM.push(...errors(withZeros(rig, zeros), told));
		untaughtM.push(...errors(rig, (id) => parts.find((part) => part.id === id)!.cgM));
	}
	return { taughtM, untaughtM };
}
