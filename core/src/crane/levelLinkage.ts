import { checksFor } from '../input';

export interface LinkageGeometry {
	/** Pivot to nose hinge. */
	readonly armM: number;
	/** Nose hinge to the rod's pin on the nose link. */
	readonly linkM: number;
	/** The rod's rear pivot from the arm's pivot: horizontal (positive to the nose with the arm level) and up, fixed to the post. */
	readonly rearPivotM: readonly [number, number];
	readonly rodM: number;
}

/**
 * How far a levelling linkage tilts what hangs on the nose, at each boom angle; nose-up positive, 0 at boom 0.
 *
 * Lengths in metres, `boomRad` nose-up positive. Null where the rod cannot reach: the linkage would lock. Rigid rod and link,
 * no play. Throws `PhysicsInputError` for lengths that are not positive, or a linkage that does not close with the arm level.
 *
 * Pin P stands `linkM` from the nose hinge N and `rodM` from the rear pivot B: with `D = B − N` the link's angle is
 * `arg D ± acos((b² + |D|² − R²)/(2 b |D|))`, of the branch on which an exact parallelogram keeps it square: − with the rear
 * pivot above the arm's, + with it below.
 *
 * @example
 * levelLinkage({ armM: 2.6, linkM: 0.18, rearPivotM: [0, 0.18], rodM: 2.6, boomRad: [0.5] }).tiltErrorRad[0]; // 0
 */
export function levelLinkage(input: LinkageGeometry & { readonly boomRad: readonly number[] }): {
	readonly tiltErrorRad: readonly (number | null)[];
} {
	const check = checksFor('levelLinkage');
	checkLinkage('levelLinkage', input);
	const level = linkAngle(input, 0);
	if (level === null) return check.fail('rodM', 'must close the linkage with the arm level', input.rodM);
	return {
		tiltErrorRad: check.list('boomRad', input.boomRad).map((angle, index) => {
			const here = linkAngle(input, check.number(`boomRad[${index}]`, angle));
			return here === null ? null : wrapped(here - level);
		})
	};
}

export function checkLinkage(call: string, { armM, linkM, rearPivotM, rodM }: LinkageGeometry): void {
	const check = checksFor(call);
	check.positive('armM', armM);
	check.positive('linkM', linkM);
	check.positive('rodM', rodM);
	if (!Array.isArray(rearPivotM) || rearPivotM.length !== 2)
		check.fail('rearPivotM', 'must be two numbers [horizontal, vertical]', rearPivotM);
	rearPivotM.forEach((value, index) => check.number(`rearPivotM[${index}]`, value));
}

/** Angle of the nose link from the level, null where the rod cannot reach. */
function linkAngle({ armM, linkM, rearPivotM: [x, y], rodM }: LinkageGeometry, boomRad: number): number | null {
	const [dx, dy] = [x - armM * Math.cos(boomRad), y - armM * Math.sin(boomRad)];
	const distance = Math.hypot(dx, dy);
	const cosine = (linkM * linkM + distance * distance - rodM * rodM) / (2 * linkM * distance);
	if (!(Math.abs(cosine) <= 1)) return null;
	return Math.atan2(dy, dx) + (y < 0 ? 1 : -1) * Math.acos(cosine);
}

const wrapped = (angleRad: number): number => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));
