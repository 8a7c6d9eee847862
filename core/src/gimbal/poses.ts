import { checksFor } from '../input';
import { standardGravityMPerS2, type Vec3 } from '../mass/body';
import { cross, dot } from '../mass/body';
import { axisLoads, type GimbalChain, listPositions } from './chain';
import { poseTorques } from './poseTorques';

export type PoseId = 'upright' | 'upsideDown' | 'leanedForward' | 'onItsSide' | 'low';

const half = Math.SQRT1_2;

/** The ways a gimbal is held, as the direction of gravity in the gimbal's frame. Low is held at arm's length, leaned back. */
export const rigPoses: readonly { readonly id: PoseId; readonly gravity: Vec3 }[] = [
	{ id: 'upright', gravity: [0, 0, -1] },
	{ id: 'leanedForward', gravity: [half, 0, -half] },
	{ id: 'low', gravity: [-Math.sin(Math.PI / 3), 0, -Math.cos(Math.PI / 3)] },
	{ id: 'onItsSide', gravity: [0, 1, 0] },
	{ id: 'upsideDown', gravity: [0, 0, 1] }
];

export interface PoseReport {
	readonly id: PoseId;
	readonly axes: readonly {
		readonly id: string;
		/** Right-hand rule about the axis. */
		readonly torqueNm: number;
		readonly motorShare: number | null;
		/** The axis stays where it is put in this pose with the power off. */
		readonly holds: boolean;
	}[];
	/** The axis that suffers most, and what to touch for it; null where every axis holds. */
	readonly touch: { readonly axisId: string; readonly slideId: string; readonly moveM: number } | null;
}

/**
 * How the gimbal bears being held upright, leaned, low, on its side and upside down: torque about each axis, and the slide
 * to touch if that pose matters most.
 *
 * The chain stays in its neutral pose while the whole gimbal turns; `positionsM` by slide id. `touch` names the axis with the
 * greatest torque beyond its friction, the slide that changes that torque most per metre in this pose, and the move along
 * it that brings the torque to nothing (ranges are not looked at). A slide that balances this axis is preferred to one
 * that upsets it from elsewhere. Throws `PhysicsInputError` for a chain or slide without sense.
 *
 * Torque `û·(moment × g ĝ)` is linear in the slides, so the move is torque over its rate.
 *
 * @example
 * poseReport({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0], frictionNm: 0.01 }],
 *     parts: [{ id: 'camera', body: { massKg: 1, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' }],
 *     slides: [{ id: 'plate', direction: [1, 0, 0], rangeM: [-0.05, 0.05], moves: ['camera'] }]
 *   },
 *   positionsM: {},
 *   balances: { plate: 'tilt' }
 * })[0].touch.moveM; // -0.01
 */
export function poseReport(input: {
	readonly chain: GimbalChain;
	readonly positionsM: Readonly<Record<string, number>>;
	/** Which axis each slide is there to balance. */
	readonly balances: Readonly<Record<string, string>>;
}): PoseReport[] {
	const { chain, positionsM } = input;
	const loads = axisLoads('poseReport', chain);
	listPositions('poseReport', chain, positionsM);
	if (typeof input.balances !== 'object' || input.balances === null)
		checksFor('poseReport').fail('balances', 'must be axis ids by slide id', input.balances);
	const { poses } = poseTorques({ chain, positionsM, gravityDirections: rigPoses.map(({ gravity }) => gravity) });

	return rigPoses.map(({ id, gravity }, p) => {
		const axes = loads.map(({ axis }, index) => {
			const torqueNm = poses[p]?.axes[index]?.torqueNm ?? 0;
			return {
				id: axis.id,
				torqueNm,
				motorShare: axis.motorTorqueNm === undefined ? null : Math.abs(torqueNm) / axis.motorTorqueNm,
				holds: Math.abs(torqueNm) <= Math.max(axis.frictionNm ?? 0, 1e-6)
			};
		});
		const excess = axes.map(({ torqueNm }, index) => Math.abs(torqueNm) - (loads[index]?.axis.frictionNm ?? 0));
		const worst = excess.indexOf(Math.max(...excess));
		const suffering = axes[worst];
		const load = loads[worst];
		if (suffering === undefined || load === undefined || suffering.holds) return { id, axes, touch: null };
		const rates = chain.slides.map(
			(_, s) => standardGravityMPerS2 * dot(load.axis.direction, cross(load.perSlideKgM[s] as Vec3, gravity))
		);
		const own = chain.slides.map((slide) => input.balances[slide.id] === suffering.id);
		const candidates = rates.map((rate, s) =>
			own[s] || !own.some((mine, k) => mine && rates[k] !== 0) ? Math.abs(rate) : 0
		);
		const best = candidates.indexOf(Math.max(...candidates));
		const rate = rates[best];
		const slide = chain.slides[best];
		if (slide === undefined || rate === undefined || Math.abs(rate) < 1e-9) return { id, axes, touch: null };
		return { id, axes, touch: { axisId: suffering.id, slideId: slide.id, moveM: -suffering.torqueNm / rate } };
	});
}
