import type { Body, Vec3 } from '../mass/body';
import { boxInertia, rodInertia } from '../mass/standardInertias';
import { between, normal, type Random } from '../numeric/random';
import type { Sled } from './sled';
import { solveSled, type SledRange } from './solveSled';

export interface RandomSled {
	/** What the operator believes, as docked and not yet balanced. */
	readonly sled: Sled;
	readonly ranges: Readonly<Record<string, SledRange>>;
	readonly gimbalRangeM: readonly [number, number];
	readonly dropTimeS: number;
	/** The bodies as they truly are, in the order of the sled's parts. */
	readonly truth: readonly Body[];
}

/**
 * A plausible sled with a camera on its plate and what is hidden about it: for drills, and for trying the bench against
 * itself. From light (3 kg camera) to heavy (12 kg). Masses are weighed to 0.5 % and 5 g, centres believed to `cgSigmaM`
 * (camera; two thirds of it for monitor and batteries) along each axis. Drawn again until the truth can be balanced within the
 * travels. Same `random`, same sled.
 */
export function randomSled(input: { readonly random: Random; readonly cgSigmaM?: number }): RandomSled {
	const { random, cgSigmaM = 0.008 } = input;
	for (;;) {
		const drawn = draw(random, cgSigmaM);
		const truly = { ...drawn.sled, parts: drawn.sled.parts.map((part, i) => ({ ...part, body: drawn.truth[i]! })) };
		const slides = ['battery', 'camera'] as const;
		const solution = solveSled({ ...drawn, sled: truly, foreSlides: slides, sideSlides: slides });
		const { foreM, sideM, xzKgM2, yzKgM2 } = solution.remaining;
		const within = [foreM, sideM, xzKgM2, yzKgM2].every((left) => Math.abs(left) < 1e-6);
		if (solution.dropTimeMet && within && solution.shifts.every(({ atLimit }) => !atLimit)) return drawn;
	}
}

function draw(random: Random, cgSigmaM: number): RandomSled {
	const size = random();
	const cameraKg = 3 + 9 * size * size;
	const postM = between(random, 0.68, 0.95);
	const box = (massKg: number, sizeM: Vec3, cgM: Vec3): Body => ({
		massKg,
		cgM,
		inertiaKgM2: boxInertia({ massKg, sizeM })
	});
	const edge = 0.12 + 0.1 * size;
	const hangKg = cameraKg * between(random, 0.75, 0.95);
	const monitorKg = Math.min(hangKg * 0.35, between(random, 0.5, 1.6));
	const batteriesKg = (hangKg - monitorKg) / 2;
	const monitorX = between(random, 0.16, 0.28);
	const parts = [
		{ id: 'camera', body: box(cameraKg, [2 * edge, edge, edge], [0.01, 0, postM + between(random, 0.08, 0.13)]) },
		{ id: 'stage', body: box(0.8 + 0.6 * size, [0.2, 0.13, 0.04], [0, 0, postM]) },
		{
			id: 'post',
			body: {
				massKg: 0.55 + 0.3 * size,
				cgM: [0, 0, postM / 2] as const,
				inertiaKgM2: rodInertia({ massKg: 0.6, lengthM: postM, axis: 'z' })
			}
		},
		{ id: 'monitor', body: box(monitorKg, [0.05, 0.2, 0.13], [monitorX, 0, between(random, 0.06, 0.18)]) },
		{ id: 'battery', body: box(batteriesKg, [0.06, 0.1, 0.14], [-0.17, 0, between(random, -0.02, 0.06)]) },
		{ id: 'secondBattery', body: box(batteriesKg, [0.06, 0.1, 0.14], [-0.02, 0, 0.02]) }
	];
	const sigma: Readonly<Record<string, number>> = {
		camera: cgSigmaM,
		monitor: (2 / 3) * cgSigmaM,
		battery: (2 / 3) * cgSigmaM,
		secondBattery: (2 / 3) * cgSigmaM
	};
	const truth = parts.map(({ id, body }): Body => {
		const off = () => (sigma[id] ?? 0.001) * normal(random);
		const massKg = Math.max(0.05, body.massKg * (1 + 0.005 * normal(random)) + 0.005 * normal(random));
		return { ...body, massKg, cgM: [body.cgM[0] + off(), body.cgM[1] + off(), body.cgM[2] + off()] };
	});
	return {
		sled: { parts, gimbalHeightM: postM * 0.75 },
		ranges: {
			camera: { foreM: [-0.09, 0.09], sideM: [-0.025, 0.025] },
			battery: { foreM: [-0.14, 0.14], sideM: [-0.05, 0.05] }
		},
		gimbalRangeM: [postM * 0.35, postM * 0.97],
		dropTimeS: between(random, 2, 3),
		truth
	};
}
