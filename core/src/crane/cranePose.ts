import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';

/** Where things of the arm stand for reach: in the arm's frame, from the pivot. */
export interface ArmReach {
	readonly noseM: readonly [u: number, v: number];
	readonly tailM: readonly [u: number, v: number];
	/** The lens from the nose hinge; with a nose kept level forward and up, else along and square to the arm. */
	readonly lensM: readonly [forward: number, up: number];
	readonly keptLevel: boolean;
}

export interface CranePose {
	readonly noseM: Vec3;
	readonly tailM: Vec3;
	readonly lensM: Vec3;
}

/** The arm's points, each two finite numbers. */
export function checkReach(call: string, reach: ArmReach): ArmReach {
	const check = checksFor(call);
	for (const field of ['noseM', 'tailM', 'lensM'] as const)
		for (const k of [0, 1] as const) check.number(`reach.${field}[${k}]`, reach[field][k]);
	return reach;
}

/**
 * Where nose, tail and lens of an arm are, ground frame, metres.
 *
 * `pivotM` in the ground frame; `swingRad` the arm's heading from x, counter-clockwise; `boomRad` nose-up positive. Throws
 * `PhysicsInputError` for numbers that are not finite.
 *
 * @example
 * cranePose({ reach: { noseM: [2, 0], tailM: [-1, 0], lensM: [0.2, -0.1], keptLevel: true }, pivotM: [0, 0, 1], swingRad: 0, boomRad: 0 }).lensM[0]; // 2.2
 */
export function cranePose(input: {
	readonly reach: ArmReach;
	readonly pivotM: Vec3;
	readonly swingRad: number;
	readonly boomRad: number;
}): CranePose {
	const check = checksFor('cranePose');
	const pivot = check.vector('pivotM', input.pivotM);
	const swing = check.number('swingRad', input.swingRad);
	const boom = check.number('boomRad', input.boomRad);
	const { noseM, tailM, lensM, keptLevel } = checkReach('cranePose', input.reach);
	const [cos, sin] = [Math.cos(boom), Math.sin(boom)];
	const out = ([u, v]: readonly [number, number]): [number, number] => [u * cos - v * sin, u * sin + v * cos];
	const place = ([along, up]: readonly [number, number]): Vec3 => [
		pivot[0] + along * Math.cos(swing),
		pivot[1] + along * Math.sin(swing),
		pivot[2] + up
	];
	const nose = out(noseM);
	const lens = keptLevel ? lensM : out(lensM);
	return { noseM: place(nose), tailM: place(out(tailM)), lensM: place([nose[0] + lens[0], nose[1] + lens[1]]) };
}
