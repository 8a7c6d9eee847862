import {
	keyframePath,
	type KeyedMove,
	type Mount,
	moveClearance,
	type MovingBody,
	type Obstacle,
	seededRandom
} from '@poise/core';
import { checksFor } from '../../core/src/input';
import { outOf, turnedBy, turnOfBase } from '../../core/src/motion/attitude';
import { headOf } from '../../core/src/motion/mount';
import { distanceTo } from '../../core/src/motion/shapes';
import { add, scale, type Vec3 } from '../../core/src/mass/body';

/** Times the clearance of a nine-axis move of 12 keys against 50 shapes, beside dense sampling that promises as much. */

const round = (value: number) => Number(value.toPrecision(3));

const mount: Mount = {
	kind: 'crane',
	pivotM: [0, 0, 1.8],
	headingRad: Math.PI / 2,
	armM: 2.6,
	noseToCentreM: [0.1, -0.35],
	keptLevel: true,
	headBase: { headingRad: 0, tiltRad: 0, rollRad: Math.PI },
	track: { headingRad: 0, inclineRad: 0 }
};
const bodies: readonly MovingBody[] = [
	{ id: 'camera', on: 'camera', fromM: [-0.14, 0, 0], toM: [0.18, 0, 0], radiusM: 0.1 },
	{ id: 'arm', on: 'arm', tailM: 1.8, radiusM: 0.09 },
	{ id: 'head', on: 'head', radiusM: 0.12 }
];

function scene(): { readonly moves: readonly KeyedMove[]; readonly shapes: readonly Obstacle[] } {
	const random = seededRandom(14);
	const between = (low: number, high: number) => low + random() * (high - low);
	const keyed = (values: () => Record<string, number>): KeyedMove => ({
		keys: Array.from({ length: 12 }, (_, k) => ({ tS: k * 4, values: values() })),
		ends: 'still',
		angles: 'shortWay'
	});
	const shapes = Array.from({ length: 50 }, (_, k): Obstacle => {
		// Round the room, as far as the arm nearly comes.
		const turn = (k / 50) * 2 * Math.PI;
		const [x, y] = [between(6, 9) * Math.cos(turn), between(6, 9) * Math.sin(turn)];
		const w = between(0.3, 1.2);
		if (k % 5 === 0) return { id: `s${k}`, kind: 'cylinder', baseM: [x, y, 0], radiusM: w / 3, heightM: between(1, 3) };
		if (k % 5 === 1)
			return { id: `s${k}`, kind: 'box', centreM: [x, y, between(0.5, 3)], sizeM: [w, w, 0.5], headingRad: turn };
		return {
			id: `s${k}`,
			kind: 'prism',
			outlineM: [
				[x, y],
				[x + w, y],
				[x + w, y + w],
				[x, y + w]
			],
			closed: k % 5 !== 4,
			bottomM: 0,
			topM: between(1, 3.5)
		};
	});
	return {
		moves: [
			keyed(() => ({
				trackM: between(-3, 3),
				swingRad: between(-1.2, 1.2),
				boomRad: between(-0.3, 0.6),
				extensionM: between(0, 3)
			})),
			keyed(() => ({
				panRad: between(-1, 1),
				tiltRad: between(-0.6, 0.6),
				rollRad: between(-0.2, 0.2),
				focusM: between(1, 8),
				focalM: between(0.024, 0.07)
			}))
		],
		shapes
	};
}

/** At times so close that nothing goes further than two millimetres between them: what is seen is at most one too much. */
function dense({ moves, shapes }: ReturnType<typeof scene>): number {
	const check = checksFor('bench');
	const peak = (axis: string) =>
		Math.max(...moves.map((move) => keyframePath({ ...move, atS: [] }).peaks[axis]?.rate ?? 0));
	const arm = 5.6 * Math.hypot(peak('swingRad'), peak('boomRad')) + peak('extensionM') + peak('trackM');
	const fastest =
		arm + 0.4 * peak('swingRad') + 0.2 * (peak('swingRad') + peak('panRad') + peak('tiltRad') + peak('rollRad'));
	const times = Math.ceil((44 * fastest) / 0.002);
	const distances = shapes.map(distanceTo);
	let least = Infinity;
	for (let from = 0; from <= times; from += 5000) {
		const atS = Array.from({ length: Math.min(5000, times - from + 1) }, (_, k) => ((from + k) / times) * 44);
		const values = Object.assign({}, ...moves.map((move) => keyframePath({ ...move, atS }).values)) as Record<
			string,
			number[]
		>;
		atS.forEach((_, k) => {
			const at = Object.fromEntries(Object.entries(values).map(([axis, list]) => [axis, list[k]!]));
			const { centreM, base, arm: reach } = headOf(check, mount, at);
			const turned = turnedBy(
				base,
				turnOfBase({ headingRad: at['panRad']!, tiltRad: at['tiltRad']!, rollRad: at['rollRad']! })
			);
			const lines: readonly (readonly [Vec3, Vec3, number])[] = [
				[add(centreM, outOf(turned, [-0.14, 0, 0])), add(centreM, outOf(turned, [0.18, 0, 0])), 0.1],
				[add(reach!.pivotM, scale(reach!.along, -1.8)), reach!.noseM, 0.09],
				[reach!.noseM, centreM, 0.12]
			];
			for (const [a, b, radius] of lines)
				for (const distance of distances) least = Math.min(least, distance(a, b, least + radius) - radius);
		});
	}
	return least;
}

export function benchMoves(): void {
	const found = scene();
	const certified = () => moveClearance({ mount, bodies, ...found })[0]!.clearanceM;
	for (let warm = 0; warm < 3; warm += 1) certified();
	const times = Array.from({ length: 9 }, () => {
		const start = performance.now();
		certified();
		return performance.now() - start;
	}).sort((a, b) => a - b);
	const start = performance.now();
	const sampled = dense(found);
	const denseMs = performance.now() - start;
	if (certified() > sampled + 1e-9 || sampled - certified() > 0.002)
		throw new Error(`What is certified and what is sampled are not the same: ${certified()}, ${sampled}.`);
	console.log(
		JSON.stringify({
			figure: 'clearance of nine axes, 12 keys, 50 shapes, certified to 1 mm',
			unit: 'ms',
			median: round(times[4]!),
			worst: round(times[8]!)
		})
	);
	console.log(
		JSON.stringify({
			figure: 'the same by dense sampling that promises as much',
			unit: 'ms',
			median: round(denseMs),
			'times as long': round(denseMs / times[4]!)
		})
	);
}
