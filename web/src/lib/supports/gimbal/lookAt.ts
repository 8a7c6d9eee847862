import {
	axisStates,
	dot,
	type GimbalChain,
	motorDemand,
	offsetFromRest,
	offsetFromScale,
	offsetFromSwing,
	spreadOf,
	type Vec3
} from '@poise/core';
import type { SeenAlong } from '$lib/supports/gimbal/model';
import type { Positions, Gimbal, RigSlide } from './model';

/** A look measured: the axis's rest from one or both sides and its swing, or a pocket scale at a lever. */
export type Measured =
	| {
			readonly way: 'swing';
			/** Rest angles, one or several: nose up, clockwise, or for pan lens above level with the gimbal laid on its left side. */
			readonly restRad: readonly number[];
			readonly periodS: number;
			readonly amplitudeRad: number;
	  }
	| {
			readonly way: 'scale';
			readonly slideId: string;
			/** The heavy side pressed on the scale: along the slide or against it. */
			readonly side: 1 | -1;
			readonly readingsKg: readonly number[];
			readonly leverM: number;
	  };

export type LookResult =
	| { readonly seen: readonly SeenAlong[]; readonly distanceM: number; readonly spreadRad: number | null }
	| { readonly problem: string };

/** For each axis the two directions its load can be off, as the rest angle finds them: sine first, cosine second. */
const planes: Readonly<Record<string, readonly [Vec3, Vec3]>> = {
	// Nose up turns forward to the back; the centre hangs below.
	tilt: [
		[1, 0, 0],
		[0, 0, 1]
	],
	// Clockwise as seen from behind takes the left side up.
	roll: [
		[0, 1, 0],
		[0, 0, 1]
	],
	// On its left side, the camera's left points down.
	pan: [
		[1, 0, 0],
		[0, -1, 0]
	]
};

/** Where the load of an axis lies, from what was measured; along every slide that balances the axis. */
export function lookAt(
	rig: Gimbal,
	chain: GimbalChain,
	positionsM: Positions,
	axisId: string,
	measured: Measured
): LookResult {
	const state = axisStates({ chain, positionsM }).find(({ id }) => id === axisId);
	if (state === undefined || !(state.carriedKg > 0)) return { problem: 'This axis carries nothing.' };
	const own = rig.geometry.slides.filter(({ balances }) => balances === axisId);
	if (measured.way === 'scale') return fromScale(own, state.carriedKg, measured);

	const plane = planes[axisId];
	if (plane === undefined) return { problem: 'This axis is not one that swings freely.' };
	if (measured.restRad.length === 0) return { problem: 'Give the angle at which it comes to rest.' };
	if (!(measured.periodS > 0)) return { problem: 'Time at least one full swing, there and back.' };
	if (!(measured.amplitudeRad > 0 && measured.amplitudeRad < Math.PI))
		return { problem: 'The swing must go more than 0° and less than 180° to each side.' };
	const demand = motorDemand({ chain, positionsM, rateRadPerS: 0, accelRadPerS2: 0 }).find(({ id }) => id === axisId);
	const modelledM = Math.hypot(...state.offsetM);
	const inertiaCgKgM2 = Math.max(0, (demand?.inertiaKgM2 ?? 0) - state.carriedKg * modelledM ** 2);
	const swing = offsetFromSwing({
		massKg: state.carriedKg,
		inertiaCgKgM2,
		periodS: measured.periodS,
		amplitudeRad: measured.amplitudeRad
	});
	if (!swing.feasible)
		return {
			problem: `Nothing this heavy and this long swings faster than ${swing.shortestPeriodS.toFixed(2)} s there and back. Count again: there and back is one.`
		};
	// Angles near 180° apart by their sign are neighbours: mean by direction, not by number.
	const restRad = meanAngle(measured.restRad);
	const { forwardM, upM } = offsetFromRest({ offsetM: swing.offsetM, restAngleRad: restRad });
	const [sine, cosine] = plane;
	const offsetM: Vec3 = [
		sine[0] * forwardM + cosine[0] * upM,
		sine[1] * forwardM + cosine[1] * upM,
		sine[2] * forwardM + cosine[2] * upM
	];
	const spreadRad =
		measured.restRad.length < 2
			? null
			: Math.max(...measured.restRad.map((angle) => Math.abs(turnBetween(restRad, angle))));
	return {
		distanceM: swing.offsetM,
		spreadRad,
		seen: own.map((slide) => ({ slideId: slide.id, offsetM: dot(offsetM, slide.direction) }))
	};
}

function fromScale(
	own: readonly RigSlide[],
	carriedKg: number,
	{ slideId, side, readingsKg, leverM }: Extract<Measured, { way: 'scale' }>
): LookResult {
	if (!own.some(({ id }) => id === slideId)) return { problem: 'That slide does not balance this axis.' };
	if (readingsKg.length === 0) return { problem: 'Type what the scale shows.' };
	if (readingsKg.some((reading) => !(reading >= 0))) return { problem: 'A scale cannot read below 0.' };
	if (!(leverM > 0)) return { problem: 'The lever must be more than 0.' };
	const readingKg = spreadOf({ values: readingsKg, resolution: 0.002 }).mean;
	const { offsetM } = offsetFromScale({ readingKg, leverM, carriedKg });
	return { seen: [{ slideId, offsetM: side * offsetM }], distanceM: offsetM, spreadRad: null };
}

const meanAngle = (angles: readonly number[]): number =>
	Math.atan2(
		angles.reduce((sum, angle) => sum + Math.sin(angle), 0),
		angles.reduce((sum, angle) => sum + Math.cos(angle), 0)
	);
const turnBetween = (a: number, b: number): number => Math.atan2(Math.sin(b - a), Math.cos(b - a));
