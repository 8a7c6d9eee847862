import type { Checks } from '../input';
import type { Vec3 } from '../mass/body';
import { checkPrisms, pieceToPrism, type Prism } from '../venue/prism';

/** Something that a move keeps clear of; metres, z up from the floor. */
export type Obstacle =
	| { readonly id: string; readonly kind: 'sphere'; readonly centreM: Vec3; readonly radiusM: number }
	| {
			readonly id: string;
			readonly kind: 'box';
			readonly centreM: Vec3;
			readonly sizeM: Vec3;
			/** Of its length, from x, counter-clockwise; default 0. */
			readonly headingRad?: number;
	  }
	/** Upright, both ends flat. */
	| {
			readonly id: string;
			readonly kind: 'cylinder';
			readonly baseM: Vec3;
			readonly radiusM: number;
			readonly heightM: number;
	  }
	| ({ readonly kind: 'prism' } & Prism);

export function checkObstacles(check: Checks, call: string, shapes: readonly Obstacle[]): void {
	check.uniqueIds('shapes', shapes);
	shapes.forEach((shape, k) => {
		const at = `shapes[${k}]`;
		switch (shape.kind) {
			case 'sphere':
				check.vector(`${at}.centreM`, shape.centreM);
				check.atLeastZero(`${at}.radiusM`, shape.radiusM);
				return;
			case 'box':
				check.vector(`${at}.centreM`, shape.centreM);
				check
					.vector(`${at}.sizeM`, shape.sizeM)
					.forEach((edge, axis) => check.atLeastZero(`${at}.sizeM[${axis}]`, edge));
				check.number(`${at}.headingRad`, shape.headingRad ?? 0);
				return;
			case 'cylinder':
				check.vector(`${at}.baseM`, shape.baseM);
				check.atLeastZero(`${at}.radiusM`, shape.radiusM);
				check.atLeastZero(`${at}.heightM`, shape.heightM);
				return;
			case 'prism':
				checkPrisms(call, [shape]);
				return;
			default:
				check.fail(`${at}.kind`, 'must be sphere, box, cylinder or prism', (shape as { kind?: unknown }).kind);
		}
	});
}

/** Beyond a span about 0, else 0. */
const beyond = (value: number, half: number) => Math.max(0, Math.abs(value) - half);

/** From a point to a solid that is convex. */
function pointTo(shape: Exclude<Obstacle, { kind: 'prism' }>): (x: number, y: number, z: number) => number {
	switch (shape.kind) {
		case 'sphere': {
			const [cx, cy, cz] = shape.centreM;
			return (x, y, z) => Math.max(0, Math.hypot(x - cx, y - cy, z - cz) - shape.radiusM);
		}
		case 'box': {
			const [cx, cy, cz] = shape.centreM;
			const [hx, hy, hz] = shape.sizeM.map((edge) => edge / 2) as unknown as Vec3;
			const [cos, sin] = [Math.cos(shape.headingRad ?? 0), Math.sin(shape.headingRad ?? 0)];
			return (x, y, z) => {
				const [dx, dy] = [x - cx, y - cy];
				return Math.hypot(beyond(cos * dx + sin * dy, hx), beyond(cos * dy - sin * dx, hy), beyond(z - cz, hz));
			};
		}
		case 'cylinder': {
			const [bx, by, bz] = shape.baseM;
			const half = shape.heightM / 2;
			return (x, y, z) =>
				Math.hypot(Math.max(0, Math.hypot(x - bx, y - by) - shape.radiusM), beyond(z - bz - half, half));
		}
	}
}

/** A ball that holds all of it: what is far from the ball is far from the thing. */
function ballAround(shape: Obstacle): { x: number; y: number; z: number; radius: number } {
	switch (shape.kind) {
		case 'sphere': {
			const [x, y, z] = shape.centreM;
			return { x, y, z, radius: shape.radiusM };
		}
		case 'box': {
			const [x, y, z] = shape.centreM;
			return { x, y, z, radius: Math.hypot(...shape.sizeM) / 2 };
		}
		case 'cylinder': {
			const [x, y, z] = shape.baseM;
			return { x, y, z: z + shape.heightM / 2, radius: Math.hypot(shape.radiusM, shape.heightM / 2) };
		}
		case 'prism': {
			const xs = shape.outlineM.map(([x]) => x);
			const ys = shape.outlineM.map(([, y]) => y);
			const middle = (all: readonly number[]) => (Math.min(...all) + Math.max(...all)) / 2;
			const half = (all: readonly number[]) => (Math.max(...all) - Math.min(...all)) / 2;
			const tall = (shape.topM - shape.bottomM) / 2;
			return { x: middle(xs), y: middle(ys), z: shape.bottomM + tall, radius: Math.hypot(half(xs), half(ys), tall) };
		}
	}
}

const golden = (Math.sqrt(5) - 1) / 2;
/** Along the piece; across it is far less, since about its least the distance is flat. */
const alongM = 1e-5;

/**
 * Least distance from a straight piece to the obstacle; 0 where they touch. Where it is `enough` or more, only that is
 * said. To a convex solid it is convex along the piece.
 */
export function distanceTo(shape: Obstacle): (a: Vec3, b: Vec3, enough: number) => number {
	const around = ballAround(shape);
	const near = ({ length: long }: { readonly length: number }, a: Vec3, b: Vec3) => {
		const [x, y, z] = [(a[0] + b[0]) / 2 - around.x, (a[1] + b[1]) / 2 - around.y, (a[2] + b[2]) / 2 - around.z];
		return Math.sqrt(x * x + y * y + z * z) - around.radius - long / 2;
	};
	const lengthOf = (a: Vec3, b: Vec3) => Math.sqrt((b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2 + (b[2] - a[2]) ** 2);
	if (shape.kind === 'prism')
		return (a, b, enough) =>
			near({ length: lengthOf(a, b) }, a, b) >= enough ? enough : Math.min(enough, pieceToPrism(a, b, shape, enough));
	const to = pointTo(shape);
	return (a, b, enough) => {
		const length = lengthOf(a, b);
		if (near({ length }, a, b) >= enough) return enough;
		const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
		const at = (t: number) => to(a[0] + t * dx, a[1] + t * dy, a[2] + t * dz);
		const least = Math.min(at(0), at(1));
		if (length <= alongM) return least;
		let [low, high] = [0, 1];
		let [one, two] = [1 - golden, golden];
		let [atOne, atTwo] = [at(one), at(two)];
		while ((high - low) * length > alongM) {
			if (atOne <= atTwo) {
				[high, two, atTwo] = [two, one, atOne];
				one = high - golden * (high - low);
				atOne = at(one);
			} else {
				[low, one, atOne] = [one, two, atTwo];
				two = low + golden * (high - low);
				atTwo = at(two);
			}
		}
		return Math.min(least, atOne, atTwo);
	};
}
