import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { checkObstacles, distanceTo, type Obstacle } from './shapes';

/** Where a moving body's middle line is at one time; between times its ends go straight and evenly. */
export interface BodyAt {
	readonly tS: number;
	readonly aM: Vec3;
	/** Absent: a ball about `aM`. */
	readonly bM?: Vec3;
}

export interface Clearance {
	/** Never more than the true least distance between the surfaces, and at most a millimetre less; negative: they overlap. */
	readonly clearanceM: number;
	/** When it is nearest, and to what. Null: nothing stands there. */
	readonly atS: number | null;
	readonly shapeId: string | null;
}

/** A stated distance lies no further under the true one than this. */
const withinM = 5e-4;
const [mostTimes, mostShapes] = [20_000, 2000];
/** Looked at so often at most; past that what is left is stated by what is known of it, which is less. */
const mostLooks = 2_000_000;

interface Stretch {
	readonly leg: number;
	readonly shape: number;
	readonly from: number;
	readonly to: number;
	readonly atFrom: number;
	readonly atTo: number;
}

/**
 * How near a moving capsule comes to what stands there, between its times too.
 *
 * A body swelled by `radiusM` about the line from `aM` to `bM`, whose ends go straight and evenly from time to time. Within a stretch
 * of a leg no point of it goes further than the faster end's way, so the distance lies above what both ends of the stretch leave:
 * `(d₀ + d₁ − way)/2`. A stretch is halved until that is within half a millimetre of the least that was found, or above it: what is stated is a
 * bound, not a sample. Where the middle line itself runs into something the distance is `−radiusM`, however deep. With nothing in the way:
 * Infinity, nulls. Throws `PhysicsInputError` for times that do not rise, a radius below 0, shapes without sense, or more of them than 2000.
 *
 * @example
 * Number(clearance({ path: [{ tS: 0, aM: [0, 0, 1] }, { tS: 1, aM: [4, 0, 1] }], radiusM: 0.2, shapes: [{ id: 'ball', kind: 'sphere', centreM: [2, 1, 1], radiusM: 0.3 }] }).clearanceM.toFixed(2)); // 0.5
 */
export function clearance(input: {
	readonly path: readonly BodyAt[];
	readonly radiusM: number;
	readonly shapes: readonly Obstacle[];
}): Clearance {
	const check = checksFor('clearance');
	const path = check.list('path', input.path).map(({ tS, aM, bM }, k) => {
		check.number(`path[${k}].tS`, tS);
		if (k > 0 && !(tS > input.path[k - 1]!.tS)) check.fail(`path[${k}].tS`, 'must come after the one before', tS);
		const a = check.vector(`path[${k}].aM`, aM);
		return { tS, a, b: bM === undefined ? a : check.vector(`path[${k}].bM`, bM) };
	});
	if (path.length > mostTimes) check.fail('path', `must be at most ${mostTimes}`, path.length);
	const radius = check.atLeastZero('radiusM', input.radiusM);
	if (!Array.isArray(input.shapes)) check.fail('shapes', 'must be a list', input.shapes);
	if (input.shapes.length > mostShapes) check.fail('shapes', `must be at most ${mostShapes}`, input.shapes.length);
	checkObstacles(check, 'clearance', input.shapes);
	const distances = input.shapes.map(distanceTo);

	/** The faster end's way over a whole leg. */
	const ways = path.slice(1).map(({ a, b }, k) => Math.max(apart(a, path[k]!.a), apart(b, path[k]!.b)));
	let [best, bestAtS, bestShape, looks] = [Infinity, path[0]!.tS, -1, 0];
	const look = (leg: number, share: number, shape: number): number => {
		const [one, two] = [path[leg]!, path[Math.min(path.length - 1, leg + 1)]!];
		looks += 1;
		const distance = distances[shape]!(between(one.a, two.a, share), between(one.b, two.b, share));
		if (distance < best) [best, bestAtS, bestShape] = [distance, one.tS + share * (two.tS - one.tS), shape];
		return distance;
	};
	const waiting: Stretch[] = [];
	for (let shape = 0; shape < distances.length; shape += 1) {
		let atFrom = look(0, 0, shape);
		for (let leg = 0; leg < ways.length; leg += 1) {
			const atTo = look(leg, 1, shape);
			waiting.push({ leg, shape, from: 0, to: 1, atFrom, atTo });
			atFrom = atTo;
		}
	}
	/** Within the stretch it is no nearer than this. */
	const boundOf = ({ leg, from, to, atFrom, atTo }: Stretch) => (atFrom + atTo - ways[leg]! * (to - from)) / 2;
	// The likeliest first: what they find spares looking at the rest.
	waiting.sort((one, two) => boundOf(two) - boundOf(one));
	let certified = Infinity;
	for (let stretch = waiting.pop(); stretch !== undefined; stretch = waiting.pop()) {
		const bound = boundOf(stretch);
		if (bound >= best - withinM || looks >= mostLooks) {
			certified = Math.min(certified, bound);
			continue;
		}
		const { leg, shape, from, to, atFrom, atTo } = stretch;
		const middle = (from + to) / 2;
		const atMiddle = look(leg, middle, shape);
		const halves: Stretch[] = [
			{ leg, shape, from, to: middle, atFrom, atTo: atMiddle },
			{ leg, shape, from: middle, to, atFrom: atMiddle, atTo }
		];
		if (boundOf(halves[0]!) < boundOf(halves[1]!)) halves.reverse();
		waiting.push(...halves);
	}
	if (bestShape < 0) return { clearanceM: Infinity, atS: null, shapeId: null };
	return {
		clearanceM: Math.max(0, Math.min(best, certified)) - radius,
		atS: bestAtS,
		shapeId: input.shapes[bestShape]!.id
	};
}

const apart = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const between = (a: Vec3, b: Vec3, share: number): Vec3 => [
	a[0] + share * (b[0] - a[0]),
	a[1] + share * (b[1] - a[1]),
	a[2] + share * (b[2] - a[2])
];
