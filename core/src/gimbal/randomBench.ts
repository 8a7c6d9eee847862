import { type Body, type Vec3, zeroInertia } from '../mass/body';
import { boxInertia } from '../mass/standardInertias';
import { between, normal, type Random } from '../numeric/random';
import { balanceGimbal } from './balanceGimbal';
import { axisStates } from './axisState';
import { type GimbalRig, mountPayload, type RigSlide } from './rig';
import type { HiddenTruth } from './simulatedBench';

export interface RandomBench {
	readonly rig: GimbalRig;
	/** What the builder believes of the payload. */
	readonly payload: readonly { readonly id: string; readonly body: Body }[];
	readonly truth: HiddenTruth;
}

/**
 * A plausible gimbal with a payload and what is hidden about them: for drills, and for trying the bench against itself.
 *
 * `cgSigmaM` is the standard deviation of each part's hidden centre-of-gravity error along x, y and z, `zeroSigmaM` that of
 * each scale's zero, `massShare` and `inertiaShare` those of each part's mass and inertia, as shares of what is believed. `frictionShare`
 * multiplies the friction of every axis (1: a rig as they are sold; 0.1: one that swings for minutes), and `knobPitchM` is how far a turn of
 * each slide's knob goes, null: bare slides. A three-axis rig from small (1 kg) to large (10 kg) with a camera, a lens and sometimes a monitor. Drawn
 * again until the truth can be balanced within the travels. Same `random`, same bench.
 */
export function randomBench(input: {
	readonly random: Random;
	readonly cgSigmaM?: number;
	readonly zeroSigmaM?: number;
	readonly massShare?: number;
	readonly inertiaShare?: number;
	readonly frictionShare?: number;
	readonly knobPitchM?: number | null;
}): RandomBench {
	const { random, ...given } = input;
	const wanted = {
		...{ cgSigmaM: 0.006, zeroSigmaM: 0.002, massShare: 0.01, inertiaShare: 0.15, frictionShare: 1, knobPitchM: null },
		...given
	};
	for (;;) {
		const drawn = draw(random, wanted);
		const chain = mountPayload({ rig: drawn.rig, payload: trulyBodies(drawn) });
		const { slides } = balanceGimbal({ chain });
		const positionsM = Object.fromEntries(slides.map(({ id, positionM }) => [id, positionM]));
		const axes = axisStates({ chain, positionsM });
		const room = slides.every(({ positionM }, s) => {
			const [least, greatest] = (drawn.rig.slides[s] as RigSlide).rangeM;
			return positionM > least + 0.01 && positionM < greatest - 0.01;
		});
		const poised = axes.every(
			({ residualTorqueNm }, index) =>
				residualTorqueNm < (0.3 * (drawn.rig.axes[index]?.frictionNm ?? 0)) / wanted.frictionShare
		);
		if (room && poised) return drawn;
	}
}

const trulyBodies = ({ payload, truth }: RandomBench) =>
	payload.map(({ id, body }) => ({ id, body: truth.bodies[id] ?? body }));

type Wanted = Required<Omit<Parameters<typeof randomBench>[0], 'random'>>;

function draw(random: Random, wanted: Wanted): RandomBench {
	const { cgSigmaM, zeroSigmaM, massShare, inertiaShare, frictionShare, knobPitchM } = wanted;
	const size = between(random, 0.8, 2.4);
	const kg = size ** 2.2;
	const reach = (metres: number) => metres * size;
	const armKg = (share: number) => share * kg * between(random, 0.8, 1.25);
	const frictionNm = (share: number) => share * kg * size * between(random, 0.7, 1.4) * frictionShare;
	const slide = (id: string, direction: Vec3, halfM: number, moves: string[], balances: string): RigSlide => ({
		id,
		direction,
		rangeM: [-reach(halfM), reach(halfM)],
		moves,
		balances,
		scale: { readingAtZeroM: reach(halfM), sense: 1 },
		knobPitchM
	});
	const rig: GimbalRig = {
		axes: [
			{ id: 'pan', direction: [0, 0, 1], pivotM: [0, 0, -reach(0.16)], frictionNm: frictionNm(0.02) },
			{ id: 'roll', direction: [1, 0, 0], pivotM: [-reach(0.16), 0, 0], frictionNm: frictionNm(0.016) },
			{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, reach(0.12), 0], frictionNm: frictionNm(0.013) }
		],
		parts: [
			{ id: 'panArm', body: { massKg: armKg(0.35), cgM: [-reach(0.1), 0, -reach(0.12)] }, hangsOn: 'pan' },
			{ id: 'rollArm', body: { massKg: armKg(0.3), cgM: [-reach(0.1), reach(0.05), 0] }, hangsOn: 'roll' },
			{ id: 'cradle', body: { massKg: armKg(0.2), cgM: [0, reach(0.05), -reach(0.06)] }, hangsOn: 'tilt' }
		],
		slides: [
			slide('plate', [1, 0, 0], 0.07, ['payload'], 'tilt'),
			slide('cradleHeight', [0, 0, 1], 0.06, ['payload', 'cradle'], 'tilt'),
			slide('crossbar', [0, 1, 0], 0.07, ['payload', 'cradle', 'tilt'], 'roll'),
			slide('panSlide', [1, 0, 0], 0.12, ['payload', 'cradle', 'tilt', 'rollArm', 'roll'], 'pan')
		],
		mountM: [0, 0, -reach(0.06)],
		counterweightPlaces: []
	};
	const part = (massKg: number, cgM: Vec3, edgeM: number): Body => ({
		massKg,
		cgM,
		inertiaKgM2: boxInertia({ massKg, sizeM: [edgeM, edgeM, edgeM] })
	});
	const cameraKg = between(random, 0.5, 0.9) * kg;
	const lensKg = between(random, 0.25, 0.6) * kg;
	const payload = [
		{ id: 'camera', body: part(cameraKg, [-reach(0.03), 0, reach(0.05)], reach(0.1)) },
		{ id: 'lens', body: part(lensKg, [reach(between(random, 0.04, 0.07)), 0, reach(0.05)], reach(0.09)) },
		...(random() < 0.5 ? [{ id: 'monitor', body: part(0.12 * kg, [-reach(0.03), 0, reach(0.14)], reach(0.08)) }] : [])
	];
	const off = (): Vec3 => [cgSigmaM * normal(random), cgSigmaM * normal(random), cgSigmaM * normal(random)];
	const centres = payload.map(off);
	const zeroErrorM = Object.fromEntries(rig.slides.map(({ id }) => [id, zeroSigmaM * normal(random)]));
	const truly = (body: Body, [x, y, z]: Vec3): Body => {
		const heavier = Math.max(0.5, 1 + massShare * normal(random));
		const stouter = heavier * Math.max(0.3, 1 + inertiaShare * normal(random));
		const { xx, yy, zz, xy, xz, yz } = body.inertiaKgM2 ?? zeroInertia;
		return {
			massKg: body.massKg * heavier,
			cgM: [body.cgM[0] + x, body.cgM[1] + y, body.cgM[2] + z],
			inertiaKgM2: {
				...{ xx: xx * stouter, yy: yy * stouter, zz: zz * stouter },
				...{ xy: xy * stouter, xz: xz * stouter, yz: yz * stouter }
			}
		};
	};
	const bodies = Object.fromEntries(payload.map(({ id, body }, index) => [id, truly(body, centres[index]!)]));
	return { rig, payload, truth: { bodies, zeroErrorM } };
}
