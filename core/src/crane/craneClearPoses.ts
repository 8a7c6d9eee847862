import { checksFor } from '../input';
import { pieceToPrism } from '../venue/prism';
import { type CraneInVenueInput, measured, type Near, type Piece, type Range } from './craneInVenue';

/** How often it is told how far the work has come. */
const toldOf = 50;

/** One piece of the crane and one shape: what is proven of them holds for every part of a cell. */
interface Pair extends Near {
	readonly piece: Piece;
}

export interface ClearPoses {
	/** Edges of the cells, one more than there are cells. */
	readonly swingRad: readonly number[];
	readonly boomRad: readonly number[];
	/** By swing, then boom: every pose in the cell keeps its distance from everything. */
	readonly clear: readonly (readonly boolean[])[];
}

/**
 * Which swings and booms of a crane are clear of everything that stands in a venue, cell by cell.
 *
 * The arm is a capsule from tail to nose, the head one from hinge to lens, camera and weights are balls. A cell counts as
 * clear only when it is proven so, piece by piece: no point of a piece's axis is further than R from the pivot, so between the middle of a
 * cell and its corner none moves more than `R √(Δswing² + Δboom²)/2`, and a cell is cut in two until its middle's
 * room exceeds that. What cannot be proven at the finest cell (`cellRad`, 0.03 unless given) counts as not clear.
 *
 * A rigid arm, a level floor, upright shapes. `done` hears now and then which share of the poses is settled, 0 to 1, never less than
 * before. Throws `PhysicsInputError` for ranges upside down and outlines that are none.
 *
 * @example
 * craneClearPoses({ reach: { noseM: [3, 0], tailM: [-1, 0], lensM: [0, 0], keptLevel: true }, pivotM: [0, 0, 1.5], headingRad: 0, radiiM: { tube: 0, head: 0, camera: 0, weights: 0 }, swingRangeRad: [-1, 1], boomRangeRad: [0, 0], shapes: [{ id: 'wall', outlineM: [[4, -9], [4, 9]], closed: false, bottomM: 0, topM: 9, keepM: 0.5 }] }).clear.every(([free]) => free); // true
 */
export function craneClearPoses(input: CraneInVenueInput, done: (share: number) => void = () => {}): ClearPoses {
	const cellRad = checksFor('craneClearPoses').positive('cellRad', input.cellRad ?? 0.03);
	const { swingRange, boomRange, poseAt, near, pieces } = measured('craneClearPoses', input);
	const edges = ([low, high]: Range): number[] => {
		const count = Math.max(1, Math.ceil((high - low) / cellRad));
		return Array.from({ length: count + 1 }, (_, index) => low + ((high - low) * index) / count);
	};
	const [swingRad, boomRad] = [edges(swingRange), edges(boomRange)];
	type Cell = readonly [s0: number, s1: number, b0: number, b1: number];
	/** The two halves across its longer side; none of a finest cell. */
	const halves = ([s0, s1, b0, b1]: Cell): readonly Cell[] => {
		if (s1 - s0 === 1 && b1 - b0 === 1) return [];
		if (s1 - s0 >= b1 - b0) {
			const cut = (s0 + s1) >> 1;
			return [
				[s0, cut, b0, b1],
				[cut, s1, b0, b1]
			];
		}
		const cut = (b0 + b1) >> 1;
		return [
			[s0, s1, b0, cut],
			[s0, s1, cut, b1]
		];
	};
	const clear = swingRad.slice(1).map(() => boomRad.slice(1).map(() => false));
	/** With each cell the pieces and shapes that are not yet known to be clear of one another. */
	const cells: { readonly cell: Cell; readonly pairs: readonly Pair[] }[] = [
		{
			cell: [0, swingRad.length - 1, 0, boomRad.length - 1],
			pairs: near.flatMap((each) => pieces.map((piece) => ({ ...each, piece })))
		}
	];
	const all = (swingRad.length - 1) * (boomRad.length - 1);
	let [settled, told] = [0, 0];
	const settle = ([s0, s1, b0, b1]: Cell) => {
		settled += (s1 - s0) * (b1 - b0);
		if (settled - told < all / toldOf && settled < all) return;
		told = settled;
		done(settled / all);
	};
	for (let next = cells.pop(); next !== undefined; next = cells.pop()) {
		const [s0, s1, b0, b1] = next.cell;
		const [from, to, low, high] = [swingRad[s0]!, swingRad[s1]!, boomRad[b0]!, boomRad[b1]!];
		const turn = Math.hypot((to - from) / 2, (high - low) / 2);
		const pose = poseAt((from + to) / 2, (low + high) / 2);
		const close: { readonly pair: Pair; readonly room: number }[] = [];
		let blocked = false;
		for (const pair of next.pairs) {
			const { piece, shape, extent } = pair;
			const most = piece.leverM * turn;
			const keepM = pair.keepM + piece.radiusM;
			const room = pieceToPrism(pose[piece.from], pose[piece.to], shape, most + keepM, extent) - keepM;
			// What cannot be reckoned is not far away.
			if (!(room >= most)) close.push({ pair, room });
			blocked = room <= -most;
			if (blocked) break;
		}
		if (blocked) {
			settle(next.cell);
			continue;
		}
		// What is nearest here is first looked at in its parts: where it blocks them, nothing else is.
		const pairs = close.sort((one, two) => one.room - two.room).map(({ pair }) => pair);
		const parts = pairs.length === 0 ? [] : halves(next.cell);
		if (pairs.length === 0) for (let s = s0; s < s1; s += 1) clear[s]!.fill(true, b0, b1);
		if (parts.length === 0) settle(next.cell);
		for (const half of parts) cells.push({ cell: half, pairs });
	}
	return { swingRad, boomRad, clear };
}
