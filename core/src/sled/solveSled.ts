import { checksFor } from '../input';
import { gimbalHeightForDropTime } from './dropTime';
import { planeOf, type Sled, type SledPart, type SledPlane, sledTotals, withShifts } from './sled';
import { sledReport } from './sledReport';

/** How far a part may be moved from where it stands; absent: not at all. */
export interface SledRange {
	readonly foreM?: readonly [number, number];
	readonly sideM?: readonly [number, number];
}

export interface SledShift {
	readonly id: string;
	readonly foreM: number;
	readonly sideM: number;
	/** It stands at the end of its travel in a plane where it was asked to move. */
	readonly atLimit: boolean;
}

export interface SledSolution {
	/** In the order the slides were named. */
	readonly shifts: readonly SledShift[];
	readonly gimbalHeightM: number;
	readonly dropHeightM: number;
	/** The wish is met; else `reason` says why not, and the height is the nearest there is. */
	readonly dropTimeMet: boolean;
	readonly reason: 'tooShort' | 'gimbalAtTop' | 'gimbalAtFoot' | null;
	/** What the sled then falls in, fore plane; null: top-heavy. */
	readonly dropTimeS: number | null;
	readonly remaining: {
		readonly foreM: number;
		readonly sideM: number;
		readonly xzKgM2: number;
		readonly yzKgM2: number;
	};
}

/** As the end of the travel counts what lies this near to it. */
const endSlackM = 1e-9;

/**
 * Static balance, dynamic balance and drop time at once: how far to move two parts, and where to set the gimbal.
 *
 * `foreSlides` and `sideSlides` each name two parts that move along x, or along y; shifts are metres from where the sled
 * stands, kept within `ranges`. `gimbalRangeM` is the clamp's travel from the post's foot. The drop time is that of the fore
 * plane. Where a slide meets its end, the other keeps the sled statically balanced and the product remains; where even that
 * cannot be, the least static offset comes first. Throws `PhysicsInputError` for a part that is not there, a range the wrong
 * way round, or a sled or time without sense.
 *
 * `Σ m x = 0` and `Σ m x z + Σ own xz = 0` are linear in the shifts. On the line of static balance the product is linear
 * too, so within the box of travels its least magnitude lies at its zero or at an end.
 *
 * @example
 * const part = (id, massKg, x, z) => ({ id, body: { massKg, cgM: [x, 0, z] } });
 * const sled = { parts: [part('camera', 4, 0.01, 0.8), part('battery', 2, -0.08, 0)], gimbalHeightM: 0.6 };
 * solveSled({ sled, dropTimeS: 2.5, foreSlides: ['camera', 'battery'], gimbalRangeM: [0.3, 0.75],
 *   ranges: { camera: { foreM: [-0.1, 0.1] }, battery: { foreM: [-0.1, 0.1] } } }).shifts[1].foreM; // 0.08
 */
export function solveSled(input: {
	readonly sled: Sled;
	readonly dropTimeS: number;
	readonly foreSlides: readonly [string, string];
	readonly sideSlides?: readonly [string, string];
	readonly ranges: Readonly<Record<string, SledRange>>;
	readonly gimbalRangeM: readonly [number, number];
}): SledSolution {
	const check = checksFor('solveSled');
	const { sled, ranges } = input;
	sledTotals('solveSled', sled);
	const dropTimeS = check.positive('dropTimeS', input.dropTimeS);
	const [foot, top] = check.range('gimbalRangeM', input.gimbalRangeM);

	const travel = (id: string, plane: SledPlane) => {
		const given = ranges[id]?.[plane === 'fore' ? 'foreM' : 'sideM'];
		return given === undefined ? ([0, 0] as const) : check.range(`ranges.${id}.${plane}M`, given);
	};
	const along = (plane: SledPlane, slides: readonly [string, string] | undefined) => {
		if (slides === undefined) return {};
		const field = `${plane}Slides`;
		if (!Array.isArray(slides) || slides.length !== 2) check.fail(field, 'must name two parts', slides);
		if (slides[0] === slides[1]) check.fail(`${field}[1]`, 'must be another part than the first', slides[1]);
		slides.forEach((id, index) => {
			if (!sled.parts.some((part) => part.id === id))
				check.fail(`${field}[${index}]`, 'must be a part of the sled', id);
		});
		const [a, b] = shiftsIn(sled, plane, slides, [travel(slides[0], plane), travel(slides[1], plane)]);
		return { [slides[0]]: a, [slides[1]]: b };
	};
	const fore = along('fore', input.foreSlides);
	const side = along('side', input.sideSlides);
	const ids = [...new Set([...input.foreSlides, ...(input.sideSlides ?? [])])];
	const shifts = ids.map((id): SledShift => {
		const atEnd = (shift: number | undefined, plane: SledPlane) =>
			shift !== undefined && travel(id, plane).some((end) => Math.abs(shift - end) <= endSlackM);
		return {
			id,
			foreM: fore[id] ?? 0,
			sideM: side[id] ?? 0,
			atLimit: atEnd(fore[id], 'fore') || atEnd(side[id], 'side')
		};
	});

	const shifted = withShifts(sled, Object.fromEntries(shifts.map((shift) => [shift.id, shift])));
	const wanted = gimbalHeightForDropTime({ sled: shifted, dropTimeS, plane: 'fore' });
	const cgHeightM = sledTotals('solveSled', shifted).cgM[2];
	const heightM = wanted.feasible ? wanted.gimbalHeightM : cgHeightM + wanted.fastestDropHeightM;
	const gimbalHeightM = Math.min(top, Math.max(foot, heightM));
	const report = sledReport({ sled: { ...shifted, gimbalHeightM } });
	const met = wanted.feasible && gimbalHeightM === heightM;
	const reason = met ? null : heightM > top ? 'gimbalAtTop' : heightM < foot ? 'gimbalAtFoot' : 'tooShort';
	return {
		shifts,
		gimbalHeightM,
		dropHeightM: report.dropHeightM,
		dropTimeMet: met,
		reason,
		dropTimeS: report.dropTimeS.fore,
		remaining: {
			foreM: report.staticOffsetM.fore,
			sideM: report.staticOffsetM.side,
			xzKgM2: report.dynamic.xzKgM2,
			yzKgM2: report.dynamic.yzKgM2
		}
	};
}

type Range = readonly [number, number];

function shiftsIn(
	sled: Sled,
	plane: SledPlane,
	slides: readonly [string, string],
	ranges: readonly [Range, Range]
): [number, number] {
	const { axis, product } = planeOf[plane];
	const totals = sledTotals('solveSled', sled);
	const bodyOf = (id: string) => (sled.parts.find((part) => part.id === id) as SledPart).body;
	const [a, b] = [bodyOf(slides[0]), bodyOf(slides[1])];
	const first = totals.massKg * totals.cgM[axis];
	const clamp = (value: number, [low, high]: Range) => Math.min(high, Math.max(low, value));
	// Without weight on one slide the other balances alone, and the product is what it is.
	if (b.massKg === 0) return [a.massKg === 0 ? 0 : clamp(-first / a.massKg, ranges[0]), 0];
	if (a.massKg === 0) return [0, clamp(-first / b.massKg, ranges[1])];

	// Along the line of static balance, by the shift of a; b follows.
	const other = (shift: number) => -(first + a.massKg * shift) / b.massKg;
	const back = (shift: number) => -(first + b.massKg * shift) / a.massKg;
	const reach = [back(ranges[1][1]), back(ranges[1][0])] as const;
	const low = Math.max(ranges[0][0], reach[0]);
	const high = Math.min(ranges[0][1], reach[1]);
	if (low > high) {
		// No static balance within reach: both go as far as they can towards it.
		const towards = first + a.massKg * ranges[0][0] + b.massKg * ranges[1][0] > 0 ? 0 : 1;
		return [ranges[0][towards], ranges[1][towards]];
	}
	const cgHeightM = totals.cgM[2];
	// The product about the centre of gravity's height, which no shift changes.
	const [za, zb] = [a.cgM[2] - cgHeightM, b.cgM[2] - cgHeightM];
	const slope = a.massKg * (za - zb);
	const atZero = totals.inertiaKgM2[product] + b.massKg * zb * other(0);
	const wanted = slope === 0 ? clamp(0, [low, high]) : clamp(-atZero / slope, [low, high]);
	// An end is an end to the last bit, whichever slide meets it.
	if (wanted === reach[0]) return [wanted, ranges[1][1]];
	if (wanted === reach[1]) return [wanted, ranges[1][0]];
	return [wanted, clamp(other(wanted), ranges[1])];
}
