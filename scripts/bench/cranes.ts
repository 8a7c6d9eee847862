import {
	chooseCounterweights,
	type CraneArm,
	craneClearPoses,
	craneDrift,
	type CraneInVenueInput,
	craneNearest,
	type EnvelopeInput,
	seededRandom,
	stabilityEnvelope,
	stabilityRose
} from '@poise/core';
import { scenario } from '@poise/demo';
import { mostPoints, mostShapes } from '../../web/src/lib/model/venue';

/** The whole crane sheet: counterweights out of 6 kinds of 12 plates each, drift, and a rose of 360 headings by 20 booms. */
export function benchCranes(): void {
	const arm: CraneArm = {
		parts: [
			{ id: 'tube', massKg: 23, uM: 2.9, vM: 0.05 },
			{ id: 'rear', massKg: 9.5, uM: -0.8, vM: 0.05 },
			{ id: 'nose', massKg: 19.7, uM: 6.6, vM: 0.02, kept: 'level', levelOffsetM: [0.1, -0.3] }
		]
	};
	const kinds = [20, 10, 5, 2.5, 1.25, 0.75];
	// Masses that never add up to the same twice: the worst case of the search.
	const odd = [19.83, 10.07, 5.011, 2.503, 1.2517, 0.7419];
	const times = { sheet: [] as number[], odd: [] as number[] };
	const sheet = (masses: readonly number[]) => {
		const start = performance.now();
		const { choices } = chooseCounterweights({
			arm,
			plates: masses.map((massKg) => ({ massKg, count: 12 })),
			hanger: { uM: -1.5, vM: -0.18 },
			trim: { massKg: 4, rangeU: [-1.3, -0.4], vM: 0.1 },
			noseBiasKg: 0.05,
			noseU: 6.6
		});
		const hung = choices[0]!.plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0);
		const whole: CraneArm = {
			parts: [
				...arm.parts,
				{ id: 'plates', massKg: hung, uM: -1.5, vM: -0.18 },
				{ id: 'trim', massKg: 4, uM: choices[0]!.trimUM, vM: 0.1 }
			]
		};
		craneDrift({ arm: whole, boomRangeRad: [-0.7, 0.9] });
		const standing: EnvelopeInput = {
			footprintM: [
				[0.75, 0.62],
				[-0.75, 0.62],
				[-0.75, -0.62],
				[0.75, -0.62]
			],
			base: [{ massKg: 85, cgM: [0, 0, 0.35] }],
			arm: whole,
			pivotM: [0, 0, 1.35],
			boomRangeRad: [-0.7, 0.9],
			slopeRad: 0.02,
			push: { forceN: 80, heightM: 1.3 }
		};
		stabilityEnvelope(standing);
		stabilityRose(standing);
		return performance.now() - start;
	};
	for (let round = 0; round < 60; round += 1) {
		times.sheet.push(sheet(kinds));
		times.odd.push(sheet(odd));
	}
	for (const [name, list] of Object.entries(times)) {
		const sorted = list.sort((a, b) => a - b);
		console.log(
			JSON.stringify({
				figure: `whole crane sheet, 6 kinds of 12 plates${name === 'odd' ? ' of odd masses' : ''}, drift, envelope, rose of 360 × 20`,
				unit: 'ms',
				median: Math.round(sorted[30]! * 100) / 100,
				worst: Math.round(sorted[59]! * 100) / 100,
				budget: 50
			})
		);
	}
	benchManyPlates(arm);
	benchVenue();
	benchFullVenue();
}

/** The most a hanger's list takes: 8 kinds of 40 each, 8·10¹² stacks. */
function benchManyPlates(arm: CraneArm): void {
	const odd = [19.83, 10.07, 5.011, 2.503, 1.2517, 0.7419, 0.3391, 7.77];
	const masses = {
		odd,
		round: [20, 15, 10, 7.5, 5, 2.5, 1.25, 0.5],
		'nearly round': odd.map((kg) => Math.round(kg) + kg / 1e4)
	};
	for (const [name, kinds] of Object.entries(masses)) {
		const times = [1, 2, 4, 8]
			.flatMap((scale) =>
				Array.from({ length: 5 }, () => {
					const start = performance.now();
					chooseCounterweights({
						arm: { parts: arm.parts.map((part) => ({ ...part, massKg: part.massKg * scale })) },
						plates: kinds.map((massKg) => ({ massKg, count: 40 })),
						hanger: { uM: -1.5, vM: -0.18 },
						trim: { massKg: 4, rangeU: [-1.3, -0.4], vM: 0.1 },
						...{ noseBiasKg: 0.05, noseU: 6.6 }
					});
					return performance.now() - start;
				})
			)
			.sort((a, b) => a - b);
		console.log(
			JSON.stringify({
				...{ figure: `counterweights out of 8 kinds of 40 plates of ${name} masses`, unit: 'ms', budget: 50 },
				median: Math.round(times[10]! * 10) / 10,
				worst: Math.round(times.at(-1)! * 10) / 10
			})
		);
	}
}

/** Every swing and boom of a crane of 6.6 m against a hall: what a worker does each time the base is let go. */
function benchVenue(): void {
	const { plan } = scenario.venues[0]!;
	const input = {
		reach: { noseM: [6.6, 0.02], tailM: [-1.6, 0.05], lensM: [0.1, -0.5], keptLevel: true },
		pivotM: [9, 4.4, 1.35],
		headingRad: 0,
		radiiM: { tube: 0.07, head: 0.12, camera: 0.2, weights: 0.3 },
		swingRangeRad: [-Math.PI, Math.PI],
		boomRangeRad: [-0.7, 0.9],
		shapes: plan.shapes.map(({ id, kind, pointsM, bottomM, topM }) => ({
			id,
			outlineM: pointsM,
			closed: kind !== 'wall',
			bottomM,
			topM,
			keepM: 0.3
		}))
	} as const satisfies CraneInVenueInput;
	const times = Array.from({ length: 12 }, () => {
		const start = performance.now();
		craneClearPoses(input);
		craneNearest(input);
		return performance.now() - start;
	}).sort((a, b) => a - b);
	console.log(
		JSON.stringify({
			figure: 'crane in a venue of 7 shapes: every swing and boom, and the nearest of each',
			unit: 'ms',
			median: Math.round(times[6]!),
			worst: Math.round(times[11]!)
		})
	);
}

/** A hall full of things: 200 of them, and as many and as intricate as a plan may hold. */
function benchFullVenue(): void {
	for (const [many, corners, budget] of [
		[200, 6, 200],
		[mostShapes, mostPoints, 3000]
	] as const) {
		const random = seededRandom(1);
		const shapes = Array.from({ length: many }, (_, index) => {
			const [x, y, size, bottomM] = [
				18 * random(),
				30 * random(),
				0.1 + 0.3 * random(),
				random() < 0.3 ? 2 + 2 * random() : 0
			];
			return {
				...{ id: String(index), closed: random() < 0.7, bottomM, topM: bottomM + 0.3 + 2 * random(), keepM: 0.2 },
				outlineM: Array.from({ length: corners }, (_, k): [number, number] => [
					x + size * Math.cos((2 * Math.PI * k) / corners),
					y + size * Math.sin((2 * Math.PI * k) / corners)
				])
			};
		});
		const times = [1, 2, 3]
			.map(() => {
				const start = performance.now();
				craneClearPoses({
					reach: { noseM: [6.6, 0.02], tailM: [-1.6, 0.05], lensM: [0.1, -0.5], keptLevel: true },
					...{ pivotM: [15, 15, 1.35], headingRad: 0, radiiM: { tube: 0.07, head: 0.12, camera: 0.2, weights: 0.3 } },
					...{ swingRangeRad: [-Math.PI, Math.PI], boomRangeRad: [-0.7, 0.9], shapes }
				});
				return performance.now() - start;
			})
			.sort((a, b) => a - b);
		console.log(
			JSON.stringify({
				...{ figure: `every swing and boom among ${many} shapes of ${corners} corners`, unit: 'ms', budget },
				...{ median: Math.round(times[1]!), worst: Math.round(times[2]!) }
			})
		);
	}
}
