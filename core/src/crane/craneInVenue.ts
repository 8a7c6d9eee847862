import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { checkPrisms, type Extent, extentOf, pieceToPrism, type Prism } from '../venue/prism';
import { type ArmReach, checkReach, type CranePose, cranePose } from './cranePose';

/** Something in the venue, and how far the crane keeps from it. */
export interface Kept extends Prism {
	readonly keepM: number;
}

export interface CraneInVenueInput {
	readonly reach: ArmReach;
	/** Plan frame, z from the floor. */
	readonly pivotM: Vec3;
	/** Where swing 0 points, from the plan's x, counter-clockwise. */
	readonly headingRad: number;
	/** Round the tube, round the head from hinge to lens, round the camera and round the weights at the tail. */
	readonly radiiM: { readonly tube: number; readonly head: number; readonly camera: number; readonly weights: number };
	readonly swingRangeRad: readonly [number, number];
	readonly boomRangeRad: readonly [number, number];
	readonly shapes: readonly Kept[];
	/** Edge of the finest cell; default 0.03. */
	readonly cellRad?: number;
}

/** Shapes this much further than a crane reaches and keeps are not spoken of. */
const spokenOfM = 2;
/** How often it is told how far the work has come. */
const toldOf = 50;
/** Nearest distances are found to this. */
const withinM = 0.03;

/** What is near enough to be looked at, with what it covers. */
interface Near {
	readonly shape: Kept;
	readonly keepM: number;
	readonly extent: Extent;
}
type Range = readonly [number, number];
type Three = [number, number, number];

/** A straight piece of the crane with what is round it. */
interface Piece {
	readonly from: 'noseM' | 'tailM' | 'lensM';
	readonly to: 'noseM' | 'tailM' | 'lensM';
	readonly radiusM: number;
	/** How far from the pivot its axis reaches. */
	readonly leverM: number;
}
/** One piece of the crane and one shape: what is proven of them holds for every part of a cell. */
interface Pair extends Near {
	readonly piece: Piece;
}

/** The crane as something to measure from, checked at the door of `call`. */
function measured(call: string, input: CraneInVenueInput) {
	const check = checksFor(call);
	const pivotM = check.vector('pivotM', input.pivotM);
	const swingRange = check.range('swingRangeRad', input.swingRangeRad);
	const boomRange = check.range('boomRangeRad', input.boomRangeRad);
	checkPrisms(call, input.shapes);
	input.shapes.forEach(({ keepM }, index) => check.atLeastZero(`shapes[${index}].keepM`, keepM));
	const { radiiM } = input;
	for (const field of ['tube', 'head', 'camera', 'weights'] as const)
		check.atLeastZero(`radiiM.${field}`, radiiM[field]);
	const reach = checkReach(call, input.reach);
	const headingRad = check.number('headingRad', input.headingRad);
	/** No point of it is further from the pivot. */
	const lever = Math.max(
		Math.hypot(...reach.noseM) + Math.hypot(...reach.lensM) + radiiM.camera,
		Math.hypot(...reach.tailM) + Math.max(radiiM.weights, radiiM.tube)
	);
	const poseAt = (swingRad: number, boomRad: number): CranePose =>
		cranePose({ reach, pivotM, swingRad: swingRad + headingRad, boomRad });
	/** No more than `enough`, which stands for anything beyond it. */
	const distance = ({ shape, extent }: Near, pose: CranePose, enough: number): number => {
		let least = enough;
		const piece = (a: Vec3, b: Vec3, radius: number) => {
			const found = pieceToPrism(a, b, shape, least + radius, extent);
			// What cannot be reckoned is not far away.
			if (!(found >= least + radius)) least = found - radius;
		};
		// The small things first: what they find cuts the search along the arm short.
		piece(pose.lensM, pose.lensM, radiiM.camera);
		piece(pose.tailM, pose.tailM, radiiM.weights);
		piece(pose.noseM, pose.lensM, radiiM.head);
		piece(pose.tailM, pose.noseM, radiiM.tube);
		return least;
	};
	const near = input.shapes
		.map((shape) => ({ shape, out: pieceToPrism(pivotM, pivotM, shape, Infinity) - lever }))
		.filter(({ shape, out }) => !(out >= shape.keepM + spokenOfM))
		.map(({ shape }): Near => ({ shape, keepM: shape.keepM, extent: extentOf(shape) }));
	/** What anything of it moves at most from the middle of so many swings and booms to their corner. */
	const moves = (swings: number, booms: number) => lever * Math.hypot(swings / 2, booms / 2);
	/** A piece's axis moves as its further end does, or less; what is round it moves with it. */
	const [nose, tail, lens] = [reach.noseM, reach.tailM, reach.lensM].map((each) => Math.hypot(...each)) as Three;
	const pieces: readonly Piece[] = [
		{ from: 'lensM', to: 'lensM', radiusM: radiiM.camera, leverM: nose + lens },
		{ from: 'tailM', to: 'tailM', radiusM: radiiM.weights, leverM: tail },
		{ from: 'noseM', to: 'lensM', radiusM: radiiM.head, leverM: nose + lens },
		{ from: 'tailM', to: 'noseM', radiusM: radiiM.tube, leverM: Math.max(nose, tail) }
	];
	return { swingRange, boomRange, poseAt, distance, near, moves, pieces };
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

/** How near a crane comes to something, and in which pose. 0 or less: it strikes. */
export interface Nearest {
	readonly id: string;
	readonly distanceM: number;
	readonly swingRad: number;
	readonly boomRad: number;
}

/**
 * How near a crane comes to each thing within its reach over its swings and booms, the nearest after what is to be kept first.
 *
 * By the same bound as {@link craneClearPoses}: a block of poses that cannot come nearer than what is found already is
 * not looked into. Found to 3 cm; where it strikes, how deep is not. `done` hears which share of the things is found. Throws alike.
 *
 * @example
 * craneNearest({ reach: { noseM: [3, 0], tailM: [-1, 0], lensM: [0, 0], keptLevel: true }, pivotM: [0, 0, 1.5], headingRad: 0, radiiM: { tube: 0, head: 0, camera: 0, weights: 0 }, swingRangeRad: [-1, 1], boomRangeRad: [0, 0], shapes: [{ id: 'wall', outlineM: [[4, -9], [4, 9]], closed: false, bottomM: 0, topM: 9, keepM: 0.5 }] })[0].distanceM; // 1
 */
export function craneNearest(input: CraneInVenueInput, done: (share: number) => void = () => {}): readonly Nearest[] {
	const { swingRange, boomRange, poseAt, distance, near, moves } = measured('craneNearest', input);
	return near
		.map((each, index) => {
			const found = nearestTo(each);
			done((index + 1) / near.length);
			return { keepM: each.keepM, found };
		})
		.sort((one, two) => one.found.distanceM - one.keepM - (two.found.distanceM - two.keepM))
		.map(({ found }) => found);

	function nearestTo(each: Near): Nearest {
		type Block = readonly [s0: number, s1: number, b0: number, b1: number];
		let best: Nearest = { id: each.shape.id, distanceM: Infinity, swingRad: 0, boomRad: 0 };
		/** By what it could come to, the least first: a plain list is short enough. */
		let waiting: { readonly box: Block; readonly bound: number }[] = [];
		const look = (box: Block) => {
			const [s0, s1, b0, b1] = box;
			const [swing, boom] = [(s0 + s1) / 2, (b0 + b1) / 2];
			const distanceM = distance(each, poseAt(swing, boom), Infinity);
			if (distanceM < best.distanceM) best = { ...best, distanceM, swingRad: swing, boomRad: boom };
			const bound = distanceM - moves(s1 - s0, b1 - b0);
			if (bound < best.distanceM - withinM) waiting.push({ box, bound });
		};
		const parts = Math.max(1, Math.ceil((swingRange[1] - swingRange[0]) / 0.4));
		for (let part = 0; part < parts; part += 1) {
			const at = (index: number) => swingRange[0] + ((swingRange[1] - swingRange[0]) * index) / parts;
			look([at(part), at(part + 1), ...boomRange]);
		}
		// Where it strikes, how deep says nothing more.
		while (waiting.length > 0 && best.distanceM > 0) {
			const round = waiting.filter(({ bound }) => bound < best.distanceM - withinM);
			waiting = [];
			// The likeliest first, so that the rest is cut off soon.
			for (const { box, bound } of round.sort((one, two) => one.bound - two.bound)) {
				if (bound >= best.distanceM - withinM) break;
				const [s0, s1, b0, b1] = box;
				if (s1 - s0 >= b1 - b0) {
					look([s0, (s0 + s1) / 2, b0, b1]);
					look([(s0 + s1) / 2, s1, b0, b1]);
				} else {
					look([s0, s1, b0, (b0 + b1) / 2]);
					look([s0, s1, (b0 + b1) / 2, b1]);
				}
			}
		}
		return best;
	}
}
