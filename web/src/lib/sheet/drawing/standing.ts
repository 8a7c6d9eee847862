import { subtract, turnVector, type Vec3 } from '@poise/core';
import { armReachM, isPlainTurn, turnOfAttitude } from '$lib/model/attitude';
import { cornersM, middleM, type StandingPart } from '$lib/model/payload';
import { type PagePoint, project, type View } from './projection';

type Drawn = Pick<StandingPart, 'part' | 'positionM' | 'attitude'>;

/**
 * How a standing part is drawn in a view: which of its own views is nearest to the one looked at, and the matrix that lays
 * that drawing onto the page about the part's foot. A quarter turn is exact; at a free angle the face is drawn
 * foreshortened, without the sides that come into sight beside it.
 */
export interface Laid {
	readonly view: View;
	/** SVG's `matrix(a b c d e f)`, px about where the foot stands. */
	readonly matrix: string | null;
	/** Foot of the part, or of its arm, to the point the drawing is laid about, metres. */
	readonly arm: { readonly from: PagePoint; readonly to: PagePoint } | null;
	/** The part's outline on the page about the foot, px. */
	readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

const facing: Readonly<Record<View, Vec3>> = { side: [0, 1, 0], top: [0, 0, 1], front: [1, 0, 0] };
/** The page's own x and y of each view, as directions of the part. */
const across: Readonly<Record<View, readonly [Vec3, Vec3]>> = {
	side: [
		[1, 0, 0],
		[0, 0, -1]
	],
	top: [
		[1, 0, 0],
		[0, -1, 0]
	],
	front: [
		[0, 1, 0],
		[0, 0, -1]
	]
};

export function laid(standing: Drawn, view: View, pxPerM: number): Laid {
	const { attitude, positionM } = standing;
	const [least, greatest] = cornersM(standing).map((corner) => project(subtract(corner, positionM), view)) as [
		PagePoint,
		PagePoint
	];
	const box = {
		x: Math.min(least.x, greatest.x) * pxPerM,
		y: Math.min(least.y, greatest.y) * pxPerM,
		width: Math.abs(greatest.x - least.x) * pxPerM,
		height: Math.abs(greatest.y - least.y) * pxPerM
	};
	const reach = project(armReachM(attitude), view);
	const arm = attitude.arm === null ? null : { from: { x: 0, y: 0 }, to: { x: reach.x * pxPerM, y: reach.y * pxPerM } };
	if (isPlainTurn(attitude)) {
		const matrix = arm === null ? null : `matrix(1 0 0 1 ${arm.to.x.toFixed(2)} ${arm.to.y.toFixed(2)})`;
		return { view, matrix, arm, box };
	}
	const turn = turnOfAttitude(attitude);
	const towards = facing[view];
	const best = (['side', 'top', 'front'] as const).reduce(
		(nearest, own) => {
			const cosine = Math.abs(dotOf(turnVector(turn, facing[own]), towards));
			return cosine > nearest.cosine + 1e-9 ? { own, cosine } : nearest;
		},
		{ own: view, cosine: Math.abs(dotOf(turnVector(turn, facing[view]), towards)) }
	).own;
	const [ex, ey] = across[best].map((direction) => project(turnVector(turn, direction), view)) as [
		PagePoint,
		PagePoint
	];
	// The drawing is laid out about the foot of the unturned part; its middle must come to the turned part's middle.
	const middle = project(subtract(middleM(standing), positionM), view);
	const ownMiddle = best === 'top' ? { x: 0, y: 0 } : { x: 0, y: -standing.part.shape.sizeM[2] / 2 };
	const [e, f] = [
		(middle.x - ex.x * ownMiddle.x - ey.x * ownMiddle.y) * pxPerM,
		(middle.y - ex.y * ownMiddle.x - ey.y * ownMiddle.y) * pxPerM
	];
	const terms = [ex.x, ex.y, ey.x, ey.y].map((term) => term.toFixed(5));
	return { view: best, matrix: `matrix(${terms.join(' ')} ${e.toFixed(2)} ${f.toFixed(2)})`, arm, box };
}

const dotOf = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
