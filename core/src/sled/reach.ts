import { checksFor } from '../input';
import { type Sled, sledTotals, withShifts } from './sled';
import { sledReport } from './sledReport';
import { solveSled, type SledRange } from './solveSled';

export interface ReachPoint {
	/** How far the moved part stands before where it is now. */
	readonly shiftM: number;
	readonly panInertiaKgM2: number;
	/** What stays of the principal lean once the other parts have done what their travel allows. */
	readonly foreLeanRad: number;
	/** Of the static offset: not nothing only where even that is out of travel. */
	readonly foreOffsetM: number;
	readonly dropHeightM: number;
	readonly shifts: Readonly<Record<string, number>>;
}

/**
 * What it costs and gives to carry one part further out: pan inertia against what remains of the dynamic balance.
 *
 * `partId` is moved by each of `shiftsM` along x; at every place `foreSlides` re-balance the sled within `ranges` (metres
 * from where they stand) and the gimbal returns to `dropTimeS` within `gimbalRangeM`. Reads as a curve: further out is steadier
 * in pan, until the counter-moving part meets its end. Throws `PhysicsInputError` like {@link solveSled}, and for a part that
 * is not there.
 *
 * @example
 * const part = (id, massKg, x, z) => ({ id, body: { massKg, cgM: [x, 0, z] } });
 * const sled = { parts: [part('camera', 4, 0, 0.8), part('monitor', 1, 0.2, 0), part('battery', 2, -0.1, 0)], gimbalHeightM: 0.6 };
 * const [further] = reachTrade({ sled, partId: 'monitor', shiftsM: [0.1], dropTimeS: 2.5, foreSlides: ['battery', 'camera'],
 *   ranges: { battery: { foreM: [-0.2, 0.2] }, camera: { foreM: [-0.1, 0.1] } }, gimbalRangeM: [0.2, 0.75] });
 * further.shifts.battery; // -0.05
 */
export function reachTrade(input: {
	readonly sled: Sled;
	readonly partId: string;
	readonly shiftsM: readonly number[];
	readonly dropTimeS: number;
	readonly foreSlides: readonly [string, string];
	readonly ranges: Readonly<Record<string, SledRange>>;
	readonly gimbalRangeM: readonly [number, number];
}): ReachPoint[] {
	const check = checksFor('reachTrade');
	sledTotals('reachTrade', input.sled);
	if (!input.sled.parts.some(({ id }) => id === input.partId))
		check.fail('partId', 'must be a part of the sled', input.partId);
	return check.list('shiftsM', input.shiftsM).map((given, index) => {
		const shiftM = check.number(`shiftsM[${index}]`, given);
		const moved = withShifts(input.sled, { [input.partId]: { foreM: shiftM } });
		const solution = solveSled({ ...input, sled: moved });
		const balanced = withShifts(moved, Object.fromEntries(solution.shifts.map((shift) => [shift.id, shift])));
		const report = sledReport({ sled: { ...balanced, gimbalHeightM: solution.gimbalHeightM } });
		return {
			shiftM,
			panInertiaKgM2: report.panInertiaKgM2,
			foreLeanRad: report.dynamic.foreLeanRad,
			foreOffsetM: report.staticOffsetM.fore,
			dropHeightM: report.dropHeightM,
			shifts: Object.fromEntries(solution.shifts.map(({ id, foreM }) => [id, foreM]))
		};
	});
}

export interface LegClearance {
	/** Least distance of the sled's sweep from the leading leg; negative: they meet. */
	readonly clearanceM: number;
	/** The corner that comes nearest, by its place in `cornersM`. */
	readonly cornerIndex: number;
	readonly cornerRadiusM: number;
	/** Above the floor. */
	readonly cornerHeightM: number;
	/** How far the leg stands out there at the longest of the stride. */
	readonly legReachM: number;
}

/**
 * How near the sled's lower end comes to the operator's leading leg, whichever way the sled is panned.
 *
 * `cornersM` are corners of everything on the sled, sled frame (z up the post). The gimbal is carried `carryHeightM` above
 * the floor and `standOffM` from the middle of the hips, level. The leg is a straight bar of `legRadiusM` from a hip
 * `hipHeightM` above the floor, its foot half a stride `strideM` ahead. Corners above the hip are the arm's business and
 * left out. Throws `PhysicsInputError` for lengths that are not positive; `cornerIndex` is −1 with nothing below the hip.
 *
 * Swept about the post a corner stays on its circle; at its height the leg stands `stride/2 · (1 − z/hip) + radius` out.
 * A still picture: knees bend inward of it, arms sway outward of it.
 *
 * @example
 * legClearance({ cornersM: [[0.3, 0, 0]], gimbalHeightM: 0.6, carryHeightM: 1, standOffM: 0.6, hipHeightM: 0.8,
 *   strideM: 0.4, legRadiusM: 0.08 }).clearanceM; // 0.12
 */
export function legClearance(input: {
	readonly cornersM: readonly (readonly [number, number, number])[];
	readonly gimbalHeightM: number;
	readonly carryHeightM: number;
	readonly standOffM: number;
	readonly hipHeightM: number;
	readonly strideM: number;
	readonly legRadiusM: number;
}): LegClearance {
	const check = checksFor('legClearance');
	const gimbalM = check.number('gimbalHeightM', input.gimbalHeightM);
	const carryM = check.positive('carryHeightM', input.carryHeightM);
	const standOffM = check.positive('standOffM', input.standOffM);
	const hipM = check.positive('hipHeightM', input.hipHeightM);
	const strideM = check.atLeastZero('strideM', input.strideM);
	const legM = check.atLeastZero('legRadiusM', input.legRadiusM);
	let nearest: LegClearance = {
		clearanceM: standOffM,
		cornerIndex: -1,
		cornerRadiusM: 0,
		cornerHeightM: hipM,
		legReachM: legM
	};
	check.list('cornersM', input.cornersM).forEach((corner, cornerIndex) => {
		const [x, y, z] = check.vector(`cornersM[${cornerIndex}]`, corner);
		const cornerHeightM = z - gimbalM + carryM;
		if (cornerHeightM > hipM) return;
		const cornerRadiusM = Math.hypot(x, y);
		const legReachM = (strideM / 2) * (1 - Math.max(0, cornerHeightM) / hipM) + legM;
		const clearanceM = standOffM - cornerRadiusM - legReachM;
		if (nearest.cornerIndex < 0 || clearanceM < nearest.clearanceM)
			nearest = { clearanceM, cornerIndex, cornerRadiusM, cornerHeightM, legReachM };
	});
	return nearest;
}
