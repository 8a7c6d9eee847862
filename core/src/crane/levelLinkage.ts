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
 * Lengths in metres, `boomRad` nose-up positive. Null where the rod cannot reach, and beyond: the linkage locks on the way there.
 * Rigid rod and link, no play. Throws `PhysicsInputError` for lengths that are not positive, or a linkage that does not close with the arm level.
 *
 * Pin P stands `linkM` from the nose hinge N and `rodM` from the rear pivot B: with `D = B − N` the link's angle is
 * `arg D ± acos((b² + |D|² − R²)/(2 b |D|))`. As the boom turns, |D| is least or greatest at its dead points, where the arm points at the
 * rear pivot or away from it, `tan β = y/x`, and nowhere else. Where link, rod and arm lie in one line there, as in an exact parallelogram,
 * both branches meet, and the link goes on into the other; where they do not, it stays on the one it is on with the arm level. That is the one
 * on which an exact parallelogram keeps it square: `D × (P − N) = −a (y cos β − x sin β)`.
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

/** In one line, but for rounding. */
const oneLine = 1e-9;

/** Angle of the nose link from the level, null where the rod cannot reach. */
function linkAngle(linkage: LinkageGeometry, boomRad: number): number | null {
	const {
		armM,
		rearPivotM: [x, y]
	} = linkage;
	const passed = deadPointsTo(linkage, boomRad).map((deadRad) => cosineAt(linkage, deadRad));
	const cosine = cosineAt(linkage, boomRad);
	if (![...passed, cosine].every((each) => Math.abs(each) <= 1 + oneLine)) return null;
	const meeting = passed.some((each) => Math.abs(each) >= 1 - oneLine);
	const at = meeting ? boomRad : 0;
	const side = x * Math.sin(at) - y * Math.cos(at);
	const turn = Math.acos(Math.max(-1, Math.min(1, cosine)));
	return Math.atan2(y - armM * Math.sin(boomRad), x - armM * Math.cos(boomRad)) + (side > 0 ? turn : -turn);
}

/** Of the angle between the link and the line to the rear pivot; beyond ±1 the rod does not reach. */
function cosineAt({ armM, linkM, rearPivotM: [x, y], rodM }: LinkageGeometry, boomRad: number): number {
	const distance = Math.hypot(x - armM * Math.cos(boomRad), y - armM * Math.sin(boomRad));
	return (linkM * linkM + distance * distance - rodM * rodM) / (2 * linkM * distance);
}

/** The boom angles between level and there at which the arm points at the rear pivot, or away from it. */
function deadPointsTo({ rearPivotM: [x, y] }: LinkageGeometry, boomRad: number): readonly number[] {
	const first = Math.atan2(y, x);
	const [from, to] = [Math.min(0, boomRad), Math.max(0, boomRad)];
	const points: number[] = [];
	for (let k = Math.ceil((from - first) / Math.PI); first + k * Math.PI <= to; k += 1) points.push(first + k * Math.PI);
	return points;
}

const wrapped = (angleRad: number): number => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));
