import { checksFor } from '../input';
import { add, scale, type Vec3 } from '../mass/body';
import { outOf, turnedBy, turnOfBase } from './attitude';
import { checkAll } from './clearance';
import { along, type KeyedMove, type PathPieces, readMove } from './keyframePath';
import type { CubicPiece } from '../numeric/spline';
import { headOf, type Mount, type MountAxes } from './mount';
import { nearest } from './nearest';
import { distanceTo, type Obstacle } from './shapes';

/** A piece of what moves: a capsule, its middle line and a radius about it. */
export type MovingBody = { readonly id: string; readonly radiusM: number } & (
	| {
			/** In the camera's own axes, from where pan and tilt cross: forward, left, up. */
			readonly on: 'camera';
			readonly fromM: Vec3;
			readonly toM: Vec3;
	  }
	/** An arm from so far behind its pivot to its far end, however far that is pulled out. */
	| { readonly on: 'arm'; readonly tailM: number }
	/** From the arm's far end to where pan and tilt cross; without an arm: that point alone. */
	| { readonly on: 'head' }
	/** Stands in the room and does not move: a rail. */
	| { readonly on: 'room'; readonly fromM: Vec3; readonly toM: Vec3 }
);

/** How near one shape comes, and which piece of what moves it is. */
export interface MoveNear {
	readonly shapeId: string;
	readonly bodyId: string;
	/** Never more than the true least distance between the surfaces, and at most a millimetre less; negative: they overlap. */
	readonly clearanceM: number;
	readonly atS: number;
}

const axisNames = ['trackM', 'swingRad', 'boomRad', 'extensionM', 'panRad', 'tiltRad', 'rollRad'] as const;
type AxisName = (typeof axisNames)[number];
const mostBodies = 16;

/**
 * How near the camera, the arm, its tail and the rail of a move come to everything that stands about it, between the keys too.
 *
 * `moves` are keyed moves over the same times, each with axes of its own: where the arm goes, and how the head turns; an axis that none names
 * stands at 0. Over a stretch of time no point of a body goes further than the axes' fastest there times its lever: an arm of reach L
 * by `√(L²(swing² + boom²) + extension²)`, what is on the head by the sum of the turns about it. By that bound, and by the same search as
 * {@link clearance}, what is stated is never more than the true least distance, and at most a millimetre less. With `eachWithinM` every
 * shape that comes nearer than it is told by itself, nearest first; else only the nearest of all. Where a middle line runs into
 * something the distance is minus its radius. Nothing in the way: an empty list.
 *
 * Ignores flex, and anything that moves beside the move itself. Throws `PhysicsInputError` as {@link keyframePath} and {@link clearance} do,
 * for an axis that two moves name, for arms where there is none, and for more than 16 bodies.
 *
 * @example
 * Number(moveClearance({ mount: { kind: 'track', startM: [0, 0, 1], headingRad: 0, inclineRad: 0, base: { headingRad: 0, tiltRad: 0, rollRad: 0 } }, moves: [{ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 4 } }], ends: 'natural' }], bodies: [{ id: 'camera', on: 'head', radiusM: 0.2 }], shapes: [{ id: 'ball', kind: 'sphere', centreM: [2, 1, 1], radiusM: 0.3 }] })[0].clearanceM.toFixed(2)); // 0.5
 */
export function moveClearance(input: {
	readonly mount: Mount;
	readonly moves: readonly KeyedMove[];
	readonly bodies: readonly MovingBody[];
	readonly shapes: readonly Obstacle[];
	readonly eachWithinM?: number;
}): readonly MoveNear[] {
	const check = checksFor('moveClearance');
	const { mount, bodies, shapes, eachWithinM } = input;
	const paths = check.list('moves', input.moves).map((move) => readMove('moveClearance', move));
	const axes = pathsByAxis();
	checkAll(check, 'moveClearance', shapes);
	if (eachWithinM !== undefined) check.atLeastZero('eachWithinM', eachWithinM);
	if (check.list('bodies', bodies).length > mostBodies)
		check.fail('bodies', `must be at most ${mostBodies}`, bodies.length);
	check.uniqueIds('bodies', bodies);
	const first = headOf(check, mount, placesAt(0, -Infinity));
	bodies.forEach((body, k) => {
		const at = `bodies[${k}]`;
		check.atLeastZero(`${at}.radiusM`, body.radiusM);
		if (body.on === 'camera' || body.on === 'room') {
			check.vector(`${at}.fromM`, body.fromM);
			check.vector(`${at}.toM`, body.toM);
		} else if (body.on === 'arm') {
			check.atLeastZero(`${at}.tailM`, body.tailM);
			if (first.arm === null) check.fail(`${at}.on`, 'must not be an arm: there is none', mount.kind);
		} else if (body.on !== 'head') check.fail(`${at}.on`, 'must be camera, arm, head or room', (body as MovingBody).on);
	});

	/** Between these every axis goes by one cubic, or holds. */
	const legsS = legsOf();
	/** By leg and axis: the cubic it goes by, or where it holds. */
	const laws = legsS.map((_, leg) =>
		Object.fromEntries([...axes].map(([axis, path]) => [axis, lawOf(axis, path, leg)]))
	);
	const distances = shapes.map(distanceTo);
	const kept: Map<number, ReturnType<typeof headOf>>[] = legsS.map(() => new Map());
	const headAt = (leg: number, tS: number) => {
		let head = kept[leg]!.get(tS);
		if (head === undefined) kept[leg]!.set(tS, (head = headOf(check, mount, placesAt(leg, tS))));
		return head;
	};
	const found = new Map<string, MoveNear & { readonly foundM: number }>();
	let least = Infinity;
	for (const body of bodies) {
		const still = body.on === 'room';
		for (const { shape, leastM, foundM, atS } of nearest({
			legsS: still ? [[legsS[0]![0], legsS[0]![0]]] : legsS,
			lineAt: (leg, tS) => lineOf(body, leg, tS),
			wayOver: still ? () => 0 : (leg, _share, fromS, toS) => speedOf(body, leg, fromS, toS) * (toS - fromS),
			distances,
			// What is known of the bodies before it cuts the search short.
			...(eachWithinM === undefined ? { knownM: least + body.radiusM } : { eachWithinM: eachWithinM + body.radiusM })
		})) {
			const { id } = shapes[shape]!;
			const here = {
				shapeId: id,
				bodyId: body.id,
				clearanceM: leastM - body.radiusM,
				atS,
				foundM: foundM - body.radiusM
			};
			least = Math.min(least, here.foundM);
			const before = found.get(id);
			// Which and when is said by what was seen, how near by what is certain.
			if (before === undefined) found.set(id, here);
			else {
				const clearanceM = Math.min(before.clearanceM, here.clearanceM);
				found.set(id, { ...(here.foundM < before.foundM ? here : before), clearanceM });
			}
		}
	}
	const all = [...found.values()].sort((one, two) => one.foundM - two.foundM);
	const told = ({ foundM: _foundM, ...near }: MoveNear & { readonly foundM: number }): MoveNear => near;
	if (eachWithinM !== undefined) return all.filter(({ clearanceM }) => clearanceM <= eachWithinM).map(told);
	const certainM = Math.min(...all.map(({ clearanceM }) => clearanceM));
	return all.slice(0, 1).map((nearestOne) => ({ ...told(nearestOne), clearanceM: certainM }));

	function pathsByAxis(): ReadonlyMap<AxisName, PathPieces> {
		const by = new Map<AxisName, PathPieces>();
		for (const path of paths)
			for (const axis of path.axes as AxisName[]) {
				if (!axisNames.includes(axis)) continue;
				if (by.has(axis)) check.fail('moves', 'must name an axis once', axis);
				by.set(axis, path);
			}
		return by;
	}
	function legsOf(): (readonly [number, number])[] {
		const times = new Set<number>();
		for (const [axis, path] of axes) {
			times.add(path.startsS).add(path.durationS);
			for (const { x0, h } of path.pieces[axis]!) times.add(x0).add(x0 + h);
		}
		const sorted = [...times].sort((one, two) => one - two);
		// Two ends of pieces a rounding apart are one.
		const apart = sorted.filter((time, k) => k === 0 || time - sorted[k - 1]! > 1e-9);
		if (apart.length === 0) return [[0, 0]];
		return apart.length === 1 ? [[apart[0]!, apart[0]!]] : apart.slice(1).map((time, k) => [apart[k]!, time] as const);
	}
	function lawOf(axis: AxisName, path: PathPieces, leg: number): CubicPiece | number {
		const [fromS, toS] = legsS[leg]!;
		const middle = (fromS + toS) / 2;
		const piece = path.pieces[axis]!.find(({ x0, h }) => x0 <= middle && middle <= x0 + h);
		return piece ?? along(path, axis, middle)[0];
	}
	/** Places of the axes at a time of a leg; before all legs where they begin. */
	function placesAt(leg: number, tS: number): Partial<MountAxes> {
		const places: Partial<Record<AxisName, number>> = {};
		for (const [axis, path] of axes) {
			if (tS === -Infinity) {
				places[axis] = path.first[axis]!;
				continue;
			}
			const piece = laws[leg]![axis];
			if (typeof piece === 'number') places[axis] = piece;
			else if (piece !== undefined) {
				const s = tS - piece.x0;
				places[axis] = piece.y0 + s * (piece.b + s * (piece.c + s * piece.d));
			}
		}
		return places;
	}
	function lineOf(body: MovingBody, leg: number, tS: number): readonly [Vec3, Vec3] {
		if (body.on === 'room') return [body.fromM, body.toM];
		const head = headAt(leg, tS);
		if (body.on === 'head') return [head.arm?.noseM ?? head.centreM, head.centreM];
		if (body.on === 'arm') return [add(head.arm!.pivotM, scale(head.arm!.along, -body.tailM)), head.arm!.noseM];
		const { panRad = 0, tiltRad = 0, rollRad = 0 } = placesAt(leg, tS);
		const turned = turnedBy(head.base, turnOfBase({ headingRad: panRad, tiltRad, rollRad }));
		return [add(head.centreM, outOf(turned, body.fromM)), add(head.centreM, outOf(turned, body.toM))];
	}
	/** The fastest of an axis over a stretch of a leg: its speed is a parabola, which bulges by so much over its chord. */
	function rateOf(axis: AxisName, leg: number, fromS: number, toS: number): number {
		const piece = laws[leg]![axis];
		if (piece === undefined || typeof piece === 'number') return 0;
		const { x0, b, c, d } = piece;
		const speed = (tS: number) => Math.abs(b + (tS - x0) * (2 * c + 3 * (tS - x0) * d));
		return Math.max(speed(fromS), speed(toS)) + (Math.abs(6 * d) * (toS - fromS) ** 2) / 8;
	}
	/** No point of a body is faster over a stretch of a leg. */
	function speedOf(body: MovingBody, leg: number, fromS: number, toS: number): number {
		const rate = (axis: AxisName) => rateOf(axis, leg, fromS, toS);
		const [track, swing, boom] = [rate('trackM'), rate('swingRad'), rate('boomRad')];
		if (mount.kind !== 'crane') {
			const carried = mount.kind === 'track' ? track : 0;
			return body.on === 'camera' ? carried + leverOf(body) * turns(rate) : carried;
		}
		const pull = rate('extensionM');
		const places = [fromS, toS].map((tS) => placesAt(leg, tS).extensionM ?? 0);
		const reach = mount.armM + Math.max(...places) + pull * (toS - fromS);
		const [forward, up] = mount.noseToCentreM;
		const offset = Math.hypot(forward, up);
		const carried = mount.track === undefined ? 0 : track;
		if (body.on === 'arm')
			return carried + Math.hypot(Math.max(body.tailM, Math.abs(reach)) * Math.hypot(swing, boom), pull);
		// What is kept level turns with the swing alone.
		const drop = offset * (mount.keptLevel ? swing : Math.hypot(swing, boom));
		const centre = carried + Math.hypot(Math.abs(reach) * Math.hypot(swing, boom), pull) + drop;
		if (body.on !== 'camera') return centre;
		return centre + leverOf(body) * (swing + (mount.keptLevel ? 0 : boom) + turns(rate));
	}
}

const turns = (rate: (axis: AxisName) => number) => rate('panRad') + rate('tiltRad') + rate('rollRad');
const leverOf = ({ fromM, toM }: { readonly fromM: Vec3; readonly toM: Vec3 }) =>
	Math.max(Math.hypot(...fromM), Math.hypot(...toM));
