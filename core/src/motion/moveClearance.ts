import { checksFor } from '../input';
import { add, scale, type Vec3 } from '../mass/body';
import { outOf, turnedBy, turnOfBase } from './attitude';
import { checkAll } from './clearance';
import { axisLaws } from './axisLaws';
import type { KeyedMove } from './pathPieces';
import { alongRail, headOf, type Mount } from './mount';
import { type AxisName, type ByAxis, carriedM, leverOf, type MovingBody, reachM, turns } from './levers';
import { type Found, nearest } from './nearest';
import { distanceTo, type Obstacle } from './shapes';

/** How near one shape comes, and which piece of what moves it is. */
export interface MoveNear {
	readonly shapeId: string;
	readonly bodyId: string;
	/** Never more than the true least distance between the surfaces, and at most a millimetre less; negative: they overlap. */
	readonly clearanceM: number;
	readonly atS: number;
}

const mostBodies = 16;
/** Of a shape that a body is not tried against. */
const never = (_a: Vec3, _b: Vec3, enough: number): number => enough;

/**
 * How near the camera, the arm, its tail, its base and the rail of a move come to everything that stands about it, between the keys too; a
 * body is not tried against the shapes that it stands on (`but`).
 *
 * `moves` are keyed moves over the same times, each with axes of its own: where the arm goes, and how the head turns; an axis that none names
 * stands at 0. Over a stretch of time no point of a body goes further than the axes' fastest there times its lever: an arm of reach L
 * by `√(L²(swing² + boom²) + extension²)`, what is on the head by the sum of the turns about it. By that bound, and by the same search as
 * {@link clearance}, what is stated is never more than the true least distance, and at most a millimetre less. With `eachWithinM` every
 * shape that comes nearer than it is told by itself, nearest first; else only the nearest of all. Where a middle line runs into
 * something the distance is minus its radius. Nothing in the way: an empty list.
 *
 * With `strays` every body is taken as thick as what these travels of the axes can carry any point of it off its way, over their stretch of
 * time: by the same levers. What is on the camera's head also stays within its lever of the head's centre, however that turns: the better
 * of the two is told. They need `eachWithinM`, and to cover all of the time.
 *
 * Angles go as each move says, and have to be told: nothing is proven of a turn that may be the other one. Ignores flex, and anything that moves beside the move itself. Throws `PhysicsInputError` as {@link keyframePath} and {@link clearance} do,
 * for an axis that two moves name, for arms where there is none, and for more than 16 bodies.
 *
 * @example
 * Number(moveClearance({ mount: { kind: 'track', startM: [0, 0, 1], headingRad: 0, inclineRad: 0, base: { headingRad: 0, tiltRad: 0, rollRad: 0 } }, moves: [{ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 4 } }], ends: 'natural', angles: 'asGiven' }], bodies: [{ id: 'camera', on: 'head', radiusM: 0.2 }], shapes: [{ id: 'ball', kind: 'sphere', centreM: [2, 1, 1], radiusM: 0.3 }] })[0].clearanceM.toFixed(2)); // 0.5
 */
export function moveClearance(input: {
	readonly mount: Mount;
	readonly moves: readonly KeyedMove[];
	readonly bodies: readonly MovingBody[];
	readonly shapes: readonly Obstacle[];
	readonly eachWithinM?: number;
	readonly strays?: readonly {
		readonly fromS: number;
		readonly toS: number;
		readonly by: Readonly<Record<string, number>>;
	}[];
}): readonly MoveNear[] {
	const check = checksFor('moveClearance');
	const { mount, bodies, shapes, eachWithinM, strays } = input;
	const { legsS, placesAt, rateOf } = axisLaws(
		'moveClearance',
		check.list('moves', input.moves),
		(strays ?? []).flatMap(({ fromS, toS }) => [fromS, toS])
	);
	checkAll(check, 'moveClearance', shapes);
	if (eachWithinM !== undefined) check.atLeastZero('eachWithinM', eachWithinM);
	if (check.list('bodies', bodies).length > mostBodies)
		check.fail('bodies', `must be at most ${mostBodies}`, bodies.length);
	check.uniqueIds('bodies', bodies);
	const first = headOf(check, mount, placesAt(0, legsS[0]![0]));
	bodies.forEach((body, k) => {
		const at = `bodies[${k}]`;
		check.atLeastZero(`${at}.radiusM`, body.radiusM);
		if (body.but !== undefined && !Array.isArray(body.but)) check.fail(`${at}.but`, 'must be ids of shapes', body.but);
		if (body.on === 'camera' || body.on === 'room' || body.on === 'base') {
			check.vector(`${at}.fromM`, body.fromM);
			check.vector(`${at}.toM`, body.toM);
		} else if (body.on === 'arm') {
			check.atLeastZero(`${at}.tailM`, body.tailM);
			if (first.arm === null) check.fail(`${at}.on`, 'must not be an arm: there is none', mount.kind);
		} else if (body.on !== 'head')
			check.fail(`${at}.on`, 'must be camera, arm, head, base or room', (body as MovingBody).on);
	});

	/** The way of the track that the base goes along; none: it stands. */
	const track: Vec3 =
		mount.kind === 'track'
			? alongRail(check, mount)
			: mount.kind === 'crane' && mount.track !== undefined
				? alongRail(check, mount.track)
				: [0, 0, 0];
	const strayOn = straysByLeg();
	const distances = shapes.map(distanceTo);
	const kept: Map<number, ReturnType<typeof headOf>>[] = legsS.map(() => new Map());
	const headAt = (leg: number, tS: number) => {
		let head = kept[leg]!.get(tS);
		if (head === undefined) kept[leg]!.set(tS, (head = headOf(check, mount, placesAt(leg, tS))));
		return head;
	};
	const found = new Map<string, MoveNear & { readonly foundM: number }>();
	let least = Infinity;
	for (const body of bodies)
		for (const { legs, by } of stretches()) {
			if (body.on === 'room') {
				if (legs[0] === 0)
					tell(
						body.id,
						body.radiusM,
						near(
							body,
							[0],
							() => lineOf(body, 0, legsS[0]![0]),
							() => 0,
							body.radiusM
						)
					);
				continue;
			}
			const stray = (axis: AxisName) => Math.abs(by[axis] ?? 0);
			const thickM = body.radiusM + reachM(mount, body, stray, longestOf(legs) + stray('extensionM'));
			const line = near(
				body,
				legs,
				(leg, tS) => lineOf(body, leg, tS),
				(leg, fromS, toS) => reachM(mount, body, rates(leg, fromS, toS), longestOf([leg], [fromS, toS])),
				thickM
			);
			if (body.on !== 'camera' || turns(stray) === 0) {
				tell(body.id, thickM, line);
				continue;
			}
			// However it turns, it stays within its lever of the head's centre.
			const { id, but } = body;
			const centre: MovingBody = {
				...{ id, on: 'head', radiusM: body.radiusM + leverOf(body) },
				...(but === undefined ? {} : { but })
			};
			const ballM = centre.radiusM + carriedM(mount, stray, longestOf(legs) + stray('extensionM'));
			const ball = near(
				centre,
				legs,
				(leg, tS) => [headAt(leg, tS).centreM, headAt(leg, tS).centreM],
				(leg, fromS, toS) => carriedM(mount, rates(leg, fromS, toS), longestOf([leg], [fromS, toS])),
				ballM
			);
			tell(
				body.id,
				0,
				line.map((one, k) => {
					const [asLine, asBall] = [less(one, thickM), less(ball[k]!, ballM)];
					return asBall.leastM > asLine.leastM ? asBall : asLine;
				})
			);
		}
	const all = [...found.values()].sort((one, two) => one.foundM - two.foundM);
	const told = ({ foundM: _foundM, ...near }: MoveNear & { readonly foundM: number }): MoveNear => near;
	if (eachWithinM !== undefined) return all.filter(({ clearanceM }) => clearanceM <= eachWithinM).map(told);
	const certainM = Math.min(...all.map(({ clearanceM }) => clearanceM));
	return all.slice(0, 1).map((nearestOne) => ({ ...told(nearestOne), clearanceM: certainM }));

	/** Each shape by how near a line comes to it over some legs, of which it is so thick. */
	function near(
		{ but }: Pick<MovingBody, 'but'>,
		legs: readonly number[],
		lineAt: (leg: number, tS: number) => readonly [Vec3, Vec3],
		speed: (leg: number, fromS: number, toS: number) => number,
		thickM: number
	): readonly Found[] {
		return nearest({
			legsS: legs.map((leg) => legsS[leg]!),
			lineAt: (k, tS) => lineAt(legs[k]!, tS),
			wayOver: (k, _share, fromS, toS) => speed(legs[k]!, fromS, toS) * (toS - fromS),
			distances:
				but === undefined ? distances : distances.map((each, k) => (but.includes(shapes[k]!.id) ? never : each)),
			// What is known of the bodies before it cuts the search short.
			...(eachWithinM === undefined ? { knownM: least + thickM } : { eachWithinM: eachWithinM + thickM })
		});
	}
	function less(one: Found, thickM: number): Found {
		return { ...one, leastM: one.leastM - thickM, foundM: one.foundM - thickM };
	}
	function tell(bodyId: string, thickM: number, list: readonly Found[]): void {
		for (const one of list) {
			if (one.foundM === Infinity && one.leastM === Infinity) continue;
			const { shape, leastM, foundM, atS } = less(one, thickM);
			const { id } = shapes[shape]!;
			const here = { shapeId: id, bodyId, clearanceM: leastM, atS, foundM };
			least = Math.min(least, foundM);
			const before = found.get(id);
			// Which and when is said by what was seen, how near by what is certain.
			if (before === undefined) found.set(id, here);
			else {
				const clearanceM = Math.min(before.clearanceM, leastM);
				found.set(id, { ...(foundM < before.foundM ? here : before), clearanceM });
			}
		}
	}
	/** Legs that stray by the same; without any: all of them, by nothing. */
	function stretches(): readonly { readonly legs: readonly number[]; readonly by: Readonly<Record<string, number>> }[] {
		if (strays === undefined) return [{ legs: legsS.map((_, leg) => leg), by: {} }];
		return strays.flatMap(({ by }, stray) => {
			const legs = legsS.flatMap((_, leg) => (strayOn[leg] === stray ? [leg] : []));
			return legs.length === 0 ? [] : [{ legs, by }];
		});
	}
	function straysByLeg(): readonly number[] {
		if (strays === undefined) return [];
		if (eachWithinM === undefined) check.fail('eachWithinM', 'must be given with strays', eachWithinM);
		strays.forEach(({ fromS, toS, by }, k) => {
			check.number(`strays[${k}].fromS`, fromS);
			check.number(`strays[${k}].toS`, toS);
			for (const [axis, travel] of Object.entries(by)) check.atLeastZero(`strays[${k}].by.${axis}`, travel);
		});
		return legsS.map(([fromS, toS]) => {
			const stray = strays.findIndex((each) => each.fromS - 1e-9 <= fromS && toS <= each.toS + 1e-9);
			return stray < 0 ? check.fail('strays', 'must cover all of the time', [fromS, toS]) : stray;
		});
	}
	function lineOf(body: MovingBody, leg: number, tS: number): readonly [Vec3, Vec3] {
		if (body.on === 'room') return [body.fromM, body.toM];
		if (body.on === 'base') {
			const by = scale(track, placesAt(leg, tS).trackM ?? 0);
			return [add(body.fromM, by), add(body.toM, by)];
		}
		const head = headAt(leg, tS);
		if (body.on === 'head') return [head.arm?.noseM ?? head.centreM, head.centreM];
		if (body.on === 'arm') return [add(head.arm!.pivotM, scale(head.arm!.along, -body.tailM)), head.arm!.noseM];
		const { panRad = 0, tiltRad = 0, rollRad = 0 } = placesAt(leg, tS);
		const turned = turnedBy(head.base, turnOfBase({ headingRad: panRad, tiltRad, rollRad }));
		return [add(head.centreM, outOf(turned, body.fromM)), add(head.centreM, outOf(turned, body.toM))];
	}
	function rates(leg: number, fromS: number, toS: number): ByAxis {
		return (axis) => rateOf(axis, leg, fromS, toS);
	}
	/** How far an arm reaches at most, over legs or a part of one. */
	function longestOf(legs: readonly number[], overS?: readonly [number, number]): number {
		if (mount.kind !== 'crane') return 0;
		const pulled = legs.map((leg) => {
			const [fromS, toS] = overS ?? legsS[leg]!;
			const ends = [fromS, toS].map((tS) => placesAt(leg, tS).extensionM ?? 0);
			return Math.max(...ends) + rateOf('extensionM', leg, fromS, toS) * (toS - fromS);
		});
		return Math.abs(mount.armM + Math.max(...pulled));
	}
}
