import { type Checks, checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { nearest } from './nearest';
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

const [mostTimes, mostShapes] = [20_000, 2000];

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
	checkAll(check, 'clearance', input.shapes);

	/** The faster end's way over a whole leg. */
	const ways = path.slice(1).map(({ a, b }, k) => Math.max(apart(a, path[k]!.a), apart(b, path[k]!.b)));
	const all = nearest({
		legsS: path.length === 1 ? [[path[0]!.tS, path[0]!.tS]] : path.slice(1).map(({ tS }, k) => [path[k]!.tS, tS]),
		lineAt: (leg, tS) => {
			const [one, two] = [path[leg]!, path[Math.min(path.length - 1, leg + 1)]!];
			const share = two === one ? 0 : (tS - one.tS) / (two.tS - one.tS);
			return [between(one.a, two.a, share), between(one.b, two.b, share)];
		},
		wayOver: (leg, share) => (ways[leg] ?? 0) * share,
		distances: input.shapes.map(distanceTo)
	});
	const found = all.reduce<(typeof all)[number] | undefined>(
		(least, each) => (least === undefined || each.foundM < least.foundM ? each : least),
		undefined
	);
	if (found === undefined) return { clearanceM: Infinity, atS: null, shapeId: null };
	return {
		clearanceM: Math.min(...all.map(({ leastM }) => leastM)) - radius,
		atS: found.atS,
		shapeId: input.shapes[found.shape]!.id
	};
}

export function checkAll(check: Checks, call: string, shapes: readonly Obstacle[]): void {
	if (!Array.isArray(shapes)) check.fail('shapes', 'must be a list', shapes);
	if (shapes.length > mostShapes) check.fail('shapes', `must be at most ${mostShapes}`, shapes.length);
	checkObstacles(check, call, shapes);
}

const apart = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const between = (a: Vec3, b: Vec3, share: number): Vec3 => [
	a[0] + share * (b[0] - a[0]),
	a[1] + share * (b[1] - a[1]),
	a[2] + share * (b[2] - a[2])
];
