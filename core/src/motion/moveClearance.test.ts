import { describe, expect, it } from 'vitest';
import {
	cameraPose,
	clearance,
	type KeyedMove,
	keyframePath,
	type Mount,
	moveClearance,
	type MovingBody,
	type Obstacle,
	prismDistance,
	seededRandom,
	type Vec3
} from '../index';
import { rounds } from '../testing/rounds';

const level = { headingRad: 0, tiltRad: 0, rollRad: 0 };
const camera: MovingBody = { id: 'camera', on: 'camera', radiusM: 0.1, fromM: [-0.2, 0, 0], toM: [0.35, 0, 0] };

interface Case {
	readonly mount: Mount;
	readonly moves: readonly [KeyedMove, KeyedMove];
	readonly bodies: readonly MovingBody[];
	readonly shapes: readonly Obstacle[];
}

/** A crane on a track with all its axes, or a carriage; solids about it, some of them areas with a court in them. */
function sceneOf(seed: number): Case {
	const random = seededRandom(seed);
	const between = (low: number, high: number) => low + random() * (high - low);
	const crane = random() < 0.7;
	const mount: Mount = crane
		? {
				kind: 'crane',
				pivotM: [between(-0.5, 0.5), between(-0.5, 0.5), between(1, 1.6)],
				headingRad: between(-3, 3),
				armM: between(1, 4),
				noseToCentreM: [between(0, 0.2), between(-0.3, 0.1)],
				keptLevel: random() < 0.6,
				headBase: { ...level, rollRad: random() < 0.5 ? Math.PI : 0 },
				...(random() < 0.5 ? { track: { headingRad: between(-3, 3), inclineRad: between(-0.2, 0.2) } } : {})
			}
		: {
				kind: 'track',
				startM: [between(-1, 1), between(-1, 1), between(0.3, 2)],
				headingRad: between(-3, 3),
				inclineRad: between(-1, 1),
				base: { headingRad: between(-3, 3), tiltRad: between(-1, 1), rollRad: between(-3, 3) }
			};
	const count = 2 + Math.floor(random() * 4);
	const times = Array.from({ length: count }, (_, k) => k * 2 + between(0, 0.6));
	const dwell = random() < 0.4 ? 1 : -1;
	const keyed = (values: () => Record<string, number>): KeyedMove => ({
		keys: times.map((tS, k) => ({ tS, ...(k === dwell ? { dwellS: 0.8 } : {}), values: values() })),
		ends: random() < 0.5 ? 'natural' : 'still',
		angles: 'shortWay'
	});
	const shapes = Array.from({ length: 1 + Math.floor(random() * 5) }, (_, k): Obstacle => {
		const id = `s${k}`;
		const [x, y, z] = [between(-5, 5), between(-5, 5), between(0, 2.5)];
		const w = between(0.4, 3);
		switch (Math.floor(random() * 4)) {
			case 0:
				return { id, kind: 'sphere', centreM: [x, y, z], radiusM: w / 4 };
			case 1:
				return { id, kind: 'cylinder', baseM: [x, y, 0], radiusM: w / 4, heightM: z };
			case 2:
				return { id, kind: 'box', centreM: [x, y, z], sizeM: [w, w / 2, 0.4], headingRad: between(-3, 3) };
			default: {
				const ring = (half: number): [number, number][] => [
					[x - half, y - half],
					[x + half, y - half],
					[x + half, y + half],
					[x - half, y + half]
				];
				const holesM = random() < 0.6 ? [ring(w * 0.7)] : [];
				return { id, kind: 'prism', outlineM: ring(w), holesM, closed: true, bottomM: 0, topM: z + 0.2 };
			}
		}
	});
	return {
		mount,
		moves: [
			keyed(() => ({
				trackM: between(-1, 2),
				swingRad: between(-1.4, 1.4),
				boomRad: between(-0.5, 0.8),
				extensionM: between(0, 1.5)
			})),
			keyed(() => ({ panRad: between(-1, 1), tiltRad: between(-0.8, 0.8), rollRad: between(-0.3, 0.3) }))
		],
		bodies: [
			camera,
			{ id: 'head', on: 'head', radiusM: 0.08 },
			...(crane ? [{ id: 'arm', on: 'arm', tailM: between(0.3, 1.2), radiusM: 0.06 } as const] : [])
		],
		shapes
	};
}

/** The capsule of a body at one time, by `cameraPose` and by plain trigonometry: nothing of the code under test. */
function placed({ mount }: Case, body: MovingBody, at: Record<string, number>): readonly [Vec3, Vec3] {
	const pose = cameraPose({ mount, axes: { panRad: 0, tiltRad: 0, ...at } });
	const centre = pose.centreM;
	const [ch, sh, ce, se] = [
		Math.cos(pose.headingRad),
		Math.sin(pose.headingRad),
		Math.cos(pose.elevationRad),
		Math.sin(pose.elevationRad)
	];
	const ahead = (out: number): Vec3 => [centre[0] + out * ce * ch, centre[1] + out * ce * sh, centre[2] + out * se];
	if (body.on === 'camera') return [ahead(body.fromM[0]), ahead(body.toM[0])];
	if (mount.kind !== 'crane') return [centre, centre];
	const heading = mount.headingRad + at.swingRad!;
	const boom = at.boomRad!;
	const track = mount.track;
	const pivot = mount.pivotM.map((value, axis) => {
		if (track === undefined) return value;
		const way = [
			Math.cos(track.inclineRad) * Math.cos(track.headingRad),
			Math.cos(track.inclineRad) * Math.sin(track.headingRad),
			Math.sin(track.inclineRad)
		];
		return value + at.trackM! * way[axis]!;
	});
	const along = (u: number): Vec3 => [
		pivot[0]! + u * Math.cos(boom) * Math.cos(heading),
		pivot[1]! + u * Math.cos(boom) * Math.sin(heading),
		pivot[2]! + u * Math.sin(boom)
	];
	const nose = along(mount.armM + at.extensionM!);
	return body.on === 'arm' ? [along(-body.tailM), nose] : [nose, centre];
}

function dense(scene: Case, shapes: readonly Obstacle[], steps: number): number {
	const end = Math.max(...scene.moves[0].keys.map(({ tS, dwellS = 0 }) => tS + dwellS));
	const start = scene.moves[0].keys[0]!.tS;
	const atS = Array.from({ length: steps + 1 }, (_, k) => start + (k / steps) * (end - start));
	const values = scene.moves.map((move) => keyframePath({ ...move, atS }).values);
	let least = Infinity;
	atS.forEach((_, k) => {
		const at = Object.fromEntries(
			values.flatMap((of) => Object.entries(of).map(([axis, list]) => [axis, list[k]!] as const))
		);
		for (const body of scene.bodies) {
			const [aM, bM] = placed(scene, body, at);
			least = Math.min(least, clearance({ path: [{ tS: 0, aM, bM }], radiusM: body.radiusM, shapes }).clearanceM);
		}
	});
	return least;
}

describe('how near a move comes', () => {
	it('is never more than dense sampling finds, and within a millimetre of it, on hundreds of seeded moves', () => {
		const moves = rounds(300);
		let [struck, near] = [0, 0];
		for (let seed = 1; seed <= moves; seed += 1) {
			const scene = sceneOf(seed);
			const [told] = moveClearance(scene);
			const coarse = dense(scene, scene.shapes, 150);
			expect(told!.clearanceM, `seed ${seed}`).toBeLessThanOrEqual(coarse + 1e-9);
			if (told!.clearanceM < 0) struck += 1;
			else near += 1;
			// What it says is nearest really is there, then: seen finely about that time.
			const shape = scene.shapes.filter(({ id }) => id === told!.shapeId);
			const body = scene.bodies.filter(({ id }) => id === told!.bodyId);
			const values = Object.assign(
				{},
				...scene.moves.map((move) =>
					Object.fromEntries(
						Object.entries(keyframePath({ ...move, atS: [told!.atS] }).values).map(([axis, [value]]) => [axis, value!])
					)
				)
			) as Record<string, number>;
			const [aM, bM] = placed(scene, body[0]!, values);
			const there = clearance({ path: [{ tS: 0, aM, bM }], radiusM: body[0]!.radiusM, shapes: shape }).clearanceM;
			expect(there - told!.clearanceM, `seed ${seed}`).toBeLessThan(0.001);
			expect(there - told!.clearanceM, `seed ${seed}`).toBeGreaterThanOrEqual(-1e-9);
		}
		// Both sorts are really there.
		expect(struck).toBeGreaterThan(moves / 10);
		expect(near).toBeGreaterThan(moves / 10);
	});

	it('tells every shape by itself, nearest first, none that lies further off than asked', () => {
		for (let seed = 400; seed < 400 + rounds(30, 8); seed += 1) {
			const scene = sceneOf(seed);
			const each = moveClearance({ ...scene, eachWithinM: 1.5 });
			for (const { shapeId, clearanceM } of each) {
				const alone = dense(
					scene,
					scene.shapes.filter(({ id }) => id === shapeId),
					400
				);
				expect(clearanceM, `seed ${seed}`).toBeLessThanOrEqual(alone + 1e-9);
				// 400 looks along some ten seconds miss the nearest by little.
				expect(alone - clearanceM, `seed ${seed}`).toBeLessThan(0.02);
			}
			const told = each.map(({ shapeId }) => shapeId);
			for (const { id } of scene.shapes.filter((shape) => !told.includes(shape.id)))
				expect(
					dense(
						scene,
						scene.shapes.filter((shape) => shape.id === id),
						60
					)
				).toBeGreaterThan(1.5);
		}
	});

	it('sees a rail that runs into something, though it does not move', () => {
		const rail: MovingBody = { id: 'rail', on: 'room', fromM: [0, 0, 1], toM: [2, 0, 1], radiusM: 0.04 };
		const post: Obstacle = { id: 'post', kind: 'cylinder', baseM: [1, 0.3, 0], radiusM: 0.1, heightM: 2 };
		const [told] = moveClearance({
			mount: { kind: 'track', startM: [0, 0, 1.1], headingRad: 0, inclineRad: 0, base: level },
			moves: [
				{
					keys: [
						{ tS: 0, values: { trackM: 0 } },
						{ tS: 2, values: { trackM: 0.2 } }
					],
					ends: 'still',
					angles: 'shortWay'
				}
			],
			bodies: [{ id: 'head', on: 'head', radiusM: 0.05 }, rail],
			shapes: [post]
		});
		expect(told!.bodyId).toBe('rail');
		expect(told!.clearanceM).toBeCloseTo(0.16, 3);
	});

	it('fails closed: what is no figure, an arm that is not there, and an axis named twice stop at the door', () => {
		const scene = sceneOf(5);
		const bad = (change: Partial<Case>) => () => moveClearance({ ...scene, ...change });
		expect(bad({ bodies: [{ id: 'camera', on: 'head', radiusM: Number.NaN }] })).toThrow(/radiusM/);
		expect(bad({ bodies: [{ ...camera, toM: [Infinity, 0, 0] }] } as Partial<Case>)).toThrow(/toM/);
		expect(bad({ moves: [scene.moves[0], scene.moves[0]] })).toThrow(/axis once/);
		expect(
			bad({
				mount: { kind: 'fixed', centreM: [0, 0, 1], base: level },
				bodies: [{ id: 'arm', on: 'arm', tailM: 1, radiusM: 0.1 }]
			})
		).toThrow(/there is none/);
		expect(() => moveClearance({ ...scene, eachWithinM: Number.NaN })).toThrow(/eachWithinM/);
		expect(moveClearance({ ...scene, shapes: [] })).toEqual([]);
	});

	it('passes over a court inside an area and not over the area round it', () => {
		const prism = {
			id: 'court',
			outlineM: [
				[0, 0],
				[10, 0],
				[10, 10],
				[0, 10]
			],
			holesM: [
				[
					[3, 3],
					[7, 3],
					[7, 7],
					[3, 7]
				]
			],
			closed: true,
			bottomM: 0,
			topM: 2
		} as const;
		const from = (aM: Vec3) => prismDistance({ aM, bM: aM, prism });
		expect(from([5, 5, 1])).toBeCloseTo(2, 9);
		expect(from([1, 1, 1])).toBe(0);
		expect(from([1, 1, 3])).toBeCloseTo(1, 9);
		// From the middle of the court two metres up and out to its edge.
		expect(from([5, 5, 4])).toBeCloseTo(Math.hypot(2, 2), 9);
		expect(() => prismDistance({ aM: [0, 0, 0], bM: [0, 0, 0], prism: { ...prism, closed: false } })).toThrow(/holesM/);
	});
});

describe('a base, and what stands', () => {
	const post: Obstacle = { id: 'post', kind: 'box', centreM: [2, 0.5, 0.2], sizeM: [0.2, 0.2, 0.4] };
	const floor: Obstacle = { id: 'floor', kind: 'box', centreM: [0, 0, -1], sizeM: [2000, 2000, 2] };
	const keys = (values: readonly Record<string, number>[]): KeyedMove => ({
		keys: values.map((each, k) => ({ tS: 2 * k, values: each })),
		...{ ends: 'natural', angles: 'asGiven' }
	});
	const near = (mount: Mount, bodies: readonly MovingBody[], move: KeyedMove) =>
		moveClearance({ mount, moves: [move], bodies, shapes: [post, floor], eachWithinM: 3 });
	const dolly: MovingBody = { id: 'dolly', on: 'base', radiusM: 0.2, fromM: [-0.4, 0, 0.25], toM: [0.4, 0, 0.25] };
	const along = keys([{ trackM: 0 }, { trackM: 4 }]);
	const rail: Mount = { kind: 'track', startM: [0, 0, 1.5], headingRad: 0, inclineRad: 0, base: level };
	const arm: Mount = {
		...{ kind: 'crane', pivotM: [0, 0, 1.5], headingRad: 1, armM: 2, noseToCentreM: [0, 0], keptLevel: true },
		track: { headingRad: 0, inclineRad: 0 }
	};
	it.each([
		['a carriage', rail],
		['an arm’s base on its track', arm]
	] as const)('%s goes along with what it carries', (_, mount) => {
		const found = near(mount, [dolly], along);
		// Its middle line passes 0.4 m beside the post, and 0.25 m over the floor.
		expect(found.find(({ shapeId }) => shapeId === 'post')!.clearanceM).toBeCloseTo(0.4 - 0.2, 2);
		expect(found.find(({ shapeId }) => shapeId === 'floor')!.clearanceM).toBeCloseTo(0.05, 2);
		const still = near(mount, [dolly], keys([{ trackM: 0 }, { trackM: 0 }]));
		expect(still.find(({ shapeId }) => shapeId === 'post')!.clearanceM).toBeCloseTo(Math.hypot(1.5, 0.4) - 0.2, 2);
	});
	it('does not turn with an arm', () => {
		const swung = keys([{ swingRad: 0 }, { swingRad: 2 }]);
		const found = near({ ...arm, track: { headingRad: 0, inclineRad: 0 } }, [dolly], swung);
		expect(found.find(({ shapeId }) => shapeId === 'post')!.clearanceM).toBeCloseTo(Math.hypot(1.5, 0.4) - 0.2, 2);
	});
	it('is tried against all but what it stands on, and another body against all', () => {
		const ids = (but?: readonly string[]) =>
			near(rail, [{ ...dolly, ...(but === undefined ? {} : { but }) }], along).map(({ shapeId }) => shapeId);
		expect(ids()).toEqual(['floor', 'post']);
		expect(ids(['floor'])).toEqual(['post']);
		expect(ids(['floor', 'post'])).toEqual([]);
		const leg: MovingBody = { id: 'leg', on: 'room', radiusM: 0.1, fromM: [2, 0, 0], toM: [2, 0, 1], but: ['floor'] };
		expect(near(rail, [{ ...dolly, but: ['floor'] }, leg], along).map(({ shapeId }) => shapeId)).toEqual(['post']);
		expect(near(rail, [dolly, leg], along).find(({ shapeId }) => shapeId === 'floor')!.bodyId).toBe('dolly');
		expect(() => near(rail, [{ ...dolly, but: 'floor' as never }], along)).toThrow(/bodies\[0\]\.but/);
	});
});
