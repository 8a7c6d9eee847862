import { mFromMm, radFromDeg, type Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { boundsOfPlan } from '$lib/places/plan';
import { lookingAt } from './knots';
import type { Knot, Move, Values } from './model';
import type { MovePattern } from './patterns';

const deg = radFromDeg;

/** A fresh move from a pattern, in the middle of a plan or of an empty floor. */
export function fromPattern(pattern: MovePattern, name: string, venueId: string | null, plan: VenuePlan | null): Move {
	const [[x0, y0], [x1, y1]] =
		plan === null
			? [
					[0, 0],
					[16, 14]
				]
			: boundsOfPlan(plan);
	const at = [(x0 + x1) / 2, (y0 + y1) / 2] as const;
	const support = pattern.support(at);
	/** Into the room, if the room is smaller than the pattern. */
	const within = (point: Vec3): Vec3 => [
		Math.min(Math.max(point[0], x0 + 0.6), x1 - 0.6),
		Math.min(Math.max(point[1], y0 + 0.6), y1 - 0.6),
		point[2]
	];
	const focalM = mFromMm(pattern.focalMm);
	const move: Move = {
		name,
		job: '',
		venueId,
		support,
		head: pattern.head,
		camera: {
			name: 'Camera',
			backM: 0.14,
			frontM: 0.18,
			radiusM: 0.1,
			massKg: 2,
			sensorWidthM: 0.036,
			sensorHeightM: 0.02025,
			fNumber: 4,
			closestM: 0.4,
			zoomM: null
		},
		subject: { name: 'subject', atM: within(pattern.subject(at)), tallM: 0.3 },
		aim: pattern.aim ?? 'subject',
		focus: 'subject',
		knots: [],
		tempo: 'smooth',
		rampInS: 1,
		rampOutS: 1,
		loops: pattern.loops ?? 0,
		restFarS: 1,
		restHomeS: 1,
		safetyM: 0.3,
		ranBackwards: null,
		ticked: [],
		tickedPath: ''
	};
	const knots = pattern.knots.map(([called, tS, places], k): Knot => {
		const walked =
			support.kind === 'walk' ? { eastM: at[0] + (places.eastM ?? 0), northM: at[1] + (places.northM ?? 0) } : {};
		const start: Values = { panRad: 0, tiltRad: 0, rollRad: 0, focusM: 2, focalM, ...places, ...walked };
		const aimed = lookingAt(move, start);
		// What stands still turns a little to either side of the subject.
		const aside = support.kind === 'fixed' ? deg(k === 0 ? 20 : -20) : 0;
		return {
			id: `k${k + 1}`,
			name: called,
			tS,
			dwellS: 0,
			values: { ...aimed, panRad: aimed.panRad + aside, ...pattern.looks },
			off: { panRad: 0, tiltRad: 0, focusM: 0 }
		};
	});
	return { ...move, knots };
}
