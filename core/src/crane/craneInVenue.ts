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
/** What is near enough to be looked at, with what it covers. */
export interface Near {
	readonly shape: Kept;
	readonly keepM: number;
	readonly extent: Extent;
}
export type Range = readonly [number, number];
type Three = [number, number, number];

/** A straight piece of the crane with what is round it. */
export interface Piece {
	readonly from: 'noseM' | 'tailM' | 'lensM';
	readonly to: 'noseM' | 'tailM' | 'lensM';
	readonly radiusM: number;
	/** How far from the pivot its axis reaches. */
	readonly leverM: number;
}
/** The crane as something to measure from, checked at the door of `call`. */
export function measured(call: string, input: CraneInVenueInput) {
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
