import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { planeOf, type Sled, sledTotals, withShifts } from './sled';
import { sledReport } from './sledReport';
import { solveSled, type SledRange, type SledSolution } from './solveSled';

/** Somewhere on the sled where a weight can be fixed. */
export interface WeightPlace {
	readonly id: string;
	readonly atM: Vec3;
	readonly mostKg: number;
}

export type SledCure = {
	/** Principal leans that remain, and how far from static balance the sled then is. */
	readonly foreLeanRad: number;
	readonly sideLeanRad: number;
	readonly staticOffsetM: { readonly fore: number; readonly side: number };
	readonly gimbalHeightM: number;
	/** What the camera's plate must do with it, for static balance. */
	readonly plate: { readonly foreM: number; readonly sideM: number };
	/** The sled once cured, every line done. */
	readonly cured: Sled;
	readonly solution: SledSolution;
} & (
	| { readonly kind: 'move'; readonly id: string; readonly foreM: number; readonly sideM: number }
	| { readonly kind: 'addMass'; readonly placeId: string; readonly massKg: number }
	/** Nothing but the plate moves: static balance and drop time only. */
	| { readonly kind: 'leave' }
);

/** The weight's id in a cured sled. */
export const addedWeightId = 'addedWeight';

/**
 * Every single way to make a sled spin true, best first: each mover in turn, each place a weight may go; always with the
 * plate's static fix and the gimbal's drop fix that belong to it.
 *
 * `plateId` rides on the plate; `movers` are the parts the operator allows to move; `ranges` (metres from where they stand)
 * bind both. `places` may each take one weight. Ranked by the lean that remains, in steps of `toleranceRad` (default 0.3°),
 * then by the way gone. The last is always `leave`. Throws `PhysicsInputError` like {@link solveSled}.
 *
 * A weight is found in one plane, fore: counted from the plate's height the product does not change with the plate, so
 * `m = −Σ m x (z − z_plate) / (x_w (z_w − z_plate))`, and no weight cures what would take less than none.
 *
 * @example
 * const part = (id, massKg, x, z) => ({ id, body: { massKg, cgM: [x, 0, z] } });
 * const sled = { parts: [part('camera', 4, 0, 0.8), part('monitor', 1, 0.2, 0), part('battery', 2, -0.08, 0)], gimbalHeightM: 0.5 };
 * cureSled({ sled, dropTimeS: 2.5, plateId: 'camera', movers: ['battery'], places: [], gimbalRangeM: [0.2, 0.75],
 *   ranges: { battery: { foreM: [-0.1, 0.1] }, camera: { foreM: [-0.1, 0.1] } } })[0].foreM; // -0.02
 */
export function cureSled(input: {
	readonly sled: Sled;
	readonly dropTimeS: number;
	readonly plateId: string;
	readonly movers: readonly string[];
	readonly places: readonly WeightPlace[];
	readonly ranges: Readonly<Record<string, SledRange>>;
	readonly gimbalRangeM: readonly [number, number];
	readonly toleranceRad?: number;
}): SledCure[] {
	const check = checksFor('cureSled');
	const { sled, plateId, ranges, dropTimeS, gimbalRangeM } = input;
	const toleranceRad = check.positive('toleranceRad', input.toleranceRad ?? (0.3 * Math.PI) / 180);
	sledTotals('cureSled', sled);
	const plate = sled.parts.find(({ id }) => id === plateId);
	if (plate === undefined) return check.fail('plateId', 'must be a part of the sled', plateId);

	const finish = (base: Sled, moverId: string): Finished => {
		const slides = [moverId, plateId] as const;
		const solution = solveSled({ sled: base, dropTimeS, foreSlides: slides, sideSlides: slides, ranges, gimbalRangeM });
		const cured = {
			...withShifts(base, Object.fromEntries(solution.shifts.map((shift) => [shift.id, shift]))),
			gimbalHeightM: solution.gimbalHeightM
		};
		const { dynamic, staticOffsetM } = sledReport({ sled: cured });
		const of = (id: string) => solution.shifts.find((shift) => shift.id === id);
		return {
			solution,
			cured,
			foreLeanRad: dynamic.foreLeanRad,
			sideLeanRad: dynamic.sideLeanRad,
			staticOffsetM,
			gimbalHeightM: solution.gimbalHeightM,
			plate: { foreM: of(plateId)?.foreM ?? 0, sideM: of(plateId)?.sideM ?? 0 },
			mover: { foreM: of(moverId)?.foreM ?? 0, sideM: of(moverId)?.sideM ?? 0 }
		};
	};

	const moves = input.movers.map((id): SledCure => {
		const { mover, ...rest } = finish(sled, id);
		return { kind: 'move', id, ...mover, ...rest };
	});
	// A stand-in that cannot move and weighs nothing leaves the plate alone to balance.
	const still = '\u0000still';
	const withStill = (base: Sled): Sled => ({
		...base,
		parts: [...base.parts, { id: still, body: { massKg: 0, cgM: [0, 0, 0] } }]
	});
	const without = (base: Sled): Sled => ({ ...base, parts: base.parts.filter(({ id }) => id !== still) });
	const plateOnly = (base: Sled) => {
		const { mover: _, cured, ...rest } = finish(withStill(base), still);
		return { ...rest, cured: without(cured) };
	};
	const weights = input.places.flatMap((place): SledCure[] => {
		const [x, , z] = check.vector(`places.${place.id}.atM`, place.atM);
		const lever = x * (z - plate.body.cgM[2]);
		if (lever === 0) return [];
		const totals = sledTotals('cureSled', sled);
		const product =
			totals.inertiaKgM2[planeOf.fore.product] + totals.massKg * totals.cgM[0] * (totals.cgM[2] - plate.body.cgM[2]);
		const wanted = -product / lever;
		if (!(wanted > 0)) return [];
		const massKg = Math.min(wanted, place.mostKg);
		const loaded = { ...sled, parts: [...sled.parts, { id: addedWeightId, body: { massKg, cgM: place.atM } }] };
		return [{ kind: 'addMass', placeId: place.id, massKg, ...plateOnly(loaded) }];
	});

	const cost = (cure: SledCure) => {
		const lean = Math.hypot(cure.foreLeanRad, cure.sideLeanRad);
		const staticMm = Math.hypot(cure.staticOffsetM.fore, cure.staticOffsetM.side) * 1000;
		const way = cure.kind === 'move' ? Math.hypot(cure.foreM, cure.sideM) : cure.kind === 'addMass' ? cure.massKg : 0;
		return [Math.round(staticMm * 10), Math.floor(lean / toleranceRad), way] as const;
	};
	const ranked = [...moves, ...weights].sort((a, b) => {
		const [left, right] = [cost(a), cost(b)];
		return left[0] - right[0] || left[1] - right[1] || left[2] - right[2];
	});
	return [...ranked, { kind: 'leave', ...plateOnly(sled) }];
}

type Finished = Pick<
	SledCure,
	'foreLeanRad' | 'sideLeanRad' | 'staticOffsetM' | 'gimbalHeightM' | 'plate' | 'cured' | 'solution'
> & { readonly mover: { readonly foreM: number; readonly sideM: number } };
