import { describe, expect, it } from 'vitest';
import { deskHead, deskHeadStep, type DeskEvent, type Leg, moveClearance, seededRandom } from '@poise/core';
import type { LivePlace } from '$lib/model/liveHead';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { roomOf } from '$lib/places/clearance';
import { bodiesOn, liveFlex, roomM, type RoomQuestion, roomQuestion, triedCamera, tryRoom } from './room';
import { livePose, mountOf } from './stand';

type Values = Readonly<Record<string, number>>;
const box = (id: string, [x0, y0, x1, y1]: readonly [number, number, number, number], topM = 3): PlanShape => ({
	...{ id, label: id, kind: 'obstacle', bottomM: 0, topM },
	pointsM: [
		[x0, y0],
		[x1, y0],
		[x1, y1],
		[x0, y1]
	]
});
const hall = (...shapes: readonly PlanShape[]): VenuePlan => ({ ceilingM: 8, underlay: null, shapes });
const rail: LivePlace = { stands: 'rail', atM: [5, 0, 1], headingRad: Math.PI / 2, looksRad: Math.PI / 2, armM: 1 };
const arm: LivePlace = { ...rail, stands: 'arm', armM: 3, headingRad: 0, looksRad: 0 };
const to = (name: string, values: Values): Leg => ({ kind: 'pose', name, to: values, wantedS: null, restS: 0 });
/** Slow and hard to stop short: what it coasts is less than a hand sees. */
const axis = (from: number, to: number) => ({ range: [from, to] as const, maxRate: 0.2, maxAccel: 50, ring: false });
const axes = {
	...{ panRad: axis(-4, 4), tiltRad: axis(-1.5, 1.5), trackM: axis(-1, 9) },
	...{ swingRad: axis(-3, 3), boomRad: axis(-1, 1) }
};
const found = (
	place: LivePlace,
	at: Values,
	legs: readonly Leg[],
	loops: boolean,
	plan: VenuePlan,
	can: RoomQuestion['axes'] = axes,
	lens: RoomQuestion['lens'] = null
) => tryRoom(roomQuestion({ place, at, axes: can, legs, loops, plan, lens })!);

const between = (random: () => number, least: number, most: number) => least + (most - least) * random();

/** Everywhere that a real desk leads a head that is held and always where it is told to be, all legs one after the other. */
function led(place: LivePlace, at: Values, legs: readonly Leg[], can: RoomQuestion['axes']) {
	let desk = deskHead(can);
	let [now, here]: [number, Values] = [0, { ...at }];
	const seen: Values[] = [here];
	const give = (event: DeskEvent) => {
		const [after, effects] = deskHeadStep(desk, event);
		desk = after;
		return effects;
	};
	give({ kind: 'task', id: 'all', name: 'all', legs, laps: 1 });
	for (let step = 0; step < 20_000 && desk.task?.phase !== 'done'; step += 1) {
		now += 20;
		const rates = Object.fromEntries(Object.keys(here).map((name) => [name, 0]));
		const head = { atMs: now, headMs: now, toHeadMs: 0, values: here, rates, phase: 'armed' as const };
		give({ kind: 'seen', seen: { ...head, holder: 'page', epoch: 3, stoppedBy: null, ready: Object.keys(can) } });
		for (const effect of give({ kind: 'tick', atMs: now }))
			if (effect.kind === 'follow') {
				here = { ...here, ...effect.at };
				if (step % 4 === 0) seen.push(here);
			}
	}
	return { at: seen, trouble: desk.trouble };
}

describe('the way that waits, against the room', () => {
	it('along a rail, says how near it passes, to the side it is on', () => {
		const there = [to('end', { trackM: 4 })];
		for (const [side, x] of [
			['left', 4],
			['right', 5.6]
		] as const) {
			const [first] = found(rail, { trackM: 0 }, there, false, hall(box('pillar', [x, 1.8, x + 0.4, 2.2])));
			const besideM = side === 'left' ? 5 - (x + 0.4) : x - 5;
			expect(first).toMatchObject({ leg: 0, finding: { id: 'pillar' } });
			expect(first!.finding.clearanceM).toBeLessThanOrEqual(besideM - triedCamera.radiusM + 1e-9);
			expect(first!.finding.clearanceM).toBeGreaterThan(besideM - triedCamera.radiusM - 0.002);
		}
		const [into] = found(rail, { trackM: 0 }, there, false, hall(box('pillar', [4.9, 1.8, 5.1, 2.2])));
		expect(into!.finding.clearanceM).toBeLessThanOrEqual(0);
		expect(
			found(rail, { trackM: 0 }, [to('short of it', { trackM: 1 })], false, hall(box('pillar', [4.9, 3, 5.1, 3.4])))[0]
				?.finding.clearanceM ?? 9
		).toBeGreaterThan(roomM);
	});

	it('a turn of the camera alone reaches as far as it is long', () => {
		const plan = hall(box('wall', [5.3, -1, 5.5, 1]));
		const along: Values = { trackM: 0, panRad: 0 };
		// Along the wall it keeps its thickness from it; turned towards it, its front is 0.05 m short of it.
		expect(
			found(rail, along, [to('round', { panRad: -Math.PI / 2 })], false, plan)[0]!.finding.clearanceM
		).toBeLessThan(0);
		const far = hall(box('wall', [5.9, -1, 6.1, 1]));
		expect(found(rail, along, [to('round', { panRad: -Math.PI / 2 })], false, far)[0]!.finding.clearanceM).toBeCloseTo(
			0.9 - triedCamera.frontM - triedCamera.radiusM,
			2
		);
	});

	it('what it stands beside already is no news, unless it comes nearer', () => {
		const plan = hall(box('wall', [5.15, -1, 5.3, 9]));
		expect(found(rail, { trackM: 0 }, [to('along it', { trackM: 3 })], false, plan)).toEqual([]);
		expect(found(rail, { trackM: 0 }, [to('towards it', { trackM: 3, panRad: -0.5 })], false, plan)[0]).toMatchObject({
			finding: { id: 'wall' }
		});
	});

	it('looped, the way from the last back to the first is tried too', () => {
		const [one, two, three] = [
			{ swingRad: 0, boomRad: 0 },
			{ swingRad: 0.8, boomRad: 0.5 },
			{ swingRad: 1.6, boomRad: 0 }
		];
		const legs = [to('one', one), to('two', two), to('three', three)];
		// In the middle of the side of the triangle that closes it, too low for the other two.
		const [x, y] = livePose({ place: arm, camera: {} }, { swingRad: 0.8, boomRad: 0 }).centreM;
		const plan = hall(box('stand', [x - 0.2, y - 0.2, x + 0.2, y + 0.2], 1.3));
		const near = (loops: boolean) =>
			found(arm, one, legs, loops, plan).filter(({ finding }) => finding.clearanceM < roomM);
		expect(near(false)).toEqual([]);
		expect(near(true)[0]).toMatchObject({ leg: 3, finding: { id: 'stand' } });
	});

	it('goes round the way the head is driven, not the short one: an arm swung through more than half a turn meets the post on its way', () => {
		const plan = hall(box('post', [7.95, -0.05, 8.05, 0.05]));
		const way = (side: 1 | -1) =>
			found(arm, { swingRad: -1.75 * side, boomRad: 0 }, [to('over', { swingRad: 1.75 * side })], false, plan)[0]!;
		for (const side of [1, -1] as const) {
			expect(way(side)).toMatchObject({ finding: { id: 'post' } });
			expect(way(side).finding.clearanceM).toBeLessThan(0);
		}
		// The other way round it stands behind the arm's tail: as near as the tail comes.
		const behind = hall(box('post', [1.95, -0.05, 2.05, 0.05]));
		expect(
			found(arm, { swingRad: -1.75, boomRad: 0 }, [to('over', { swingRad: 1.75 })], false, behind)[0]?.finding
				.clearanceM ?? 9
		).toBeGreaterThan(1);
	});

	it.each(['stand', 'ceiling', 'wall', 'rail', 'arm'] as const)(
		'%s: what is told is never more than what the desk really drives comes to, however far round',
		(stands) => {
			const random = seededRandom(stands.length * 7 + stands.charCodeAt(0));
			const sharp = Object.fromEntries(Object.entries(axes).map(([name, each]) => [name, { ...each, maxRate: 2 }]));
			let [struck, free] = [0, 0];
			for (let world = 0; world < 16; world += 1) {
				const place: LivePlace = {
					...{ stands, atM: [5, 0, 1.4], headingRad: between(random, -3, 3), looksRad: between(random, -3, 3) },
					armM: 2
				};
				const random01 = (names: readonly string[]): Values =>
					Object.fromEntries(names.map((name) => [name, between(random, ...axes[name as keyof typeof axes].range)]));
				const names = [
					...['panRad', 'tiltRad'],
					...(stands === 'rail' ? ['trackM'] : stands === 'arm' ? ['swingRad', 'boomRad'] : [])
				];
				const at = random01(names);
				const [one, two, three] = [random01(names), random01(names), random01(names)];
				const keys = [two!, three!, one!].map((values, k) => ({ tS: 5 + 4 * k, values }));
				const legs: Leg[] = [
					to('one', one!),
					to('two', two!),
					{ kind: 'keyed', name: 'keys', keys, ends: 'still', restS: 0 }
				];
				const [x, y] = [between(random, 3, 7), between(random, -2, 2)];
				const plan = hall(box('post', [x - 0.1, y - 0.1, x + 0.1, y + 0.1]));
				const driven = led(place, at, legs, sharp);
				let answer: ReturnType<typeof found>;
				try {
					answer = found(place, at, legs, false, plan, sharp);
				} catch {
					// Past a soft end it is no way: the desk does not lead it either.
					expect(driven.trouble).toBe('beyondEnds');
					continue;
				}
				expect(driven.trouble).toBeNull();
				const told = Math.min(
					Infinity,
					...answer.map(({ finding }) => (finding.id === 'post' ? finding.clearanceM : Infinity))
				);
				const shapes = roomOf(plan, { safetyM: roomM, givesM: 0 }).shapes.filter(({ id }) => id === 'post');
				const near = driven.at.map((values) => {
					const moves = [{ keys: [{ tS: 0, values }], ends: 'still', angles: 'asGiven' } as const];
					return moveClearance({ mount: mountOf(place), moves, bodies: bodiesOn(mountOf(place), null), shapes })[0]!
						.clearanceM;
				});
				// What it stands beside at first is no news, and what is far is not told.
				expect(Math.min(told, near[0]!, roomM + 1.5), `world ${world}`).toBeLessThanOrEqual(Math.min(...near) + 1e-6);
				if (told <= 0) struck += 1;
				else free += 1;
			}
			expect(free).toBeGreaterThan(0);
			if (stands !== 'wall' && stands !== 'stand' && stands !== 'ceiling') expect(struck).toBeGreaterThan(0);
		}
	);

	it('asks for what it coasts when its link is lost: past its end along a rail, and nothing beside it', () => {
		const fast = { ...axes, trackM: { ...axes.trackM, maxRate: 1.5, maxAccel: 0.6 } };
		const along = [to('end', { trackM: 4 })];
		const plan = hall(box('end', [4, 4.9, 6, 5]), box('wall', [5.4, -1, 5.6, 9]));
		const near = (can: typeof axes) =>
			Object.fromEntries(
				found(rail, { trackM: 0 }, along, false, plan, can).map(({ finding }) => [finding.id, finding.clearanceM])
			);
		const [slow, quick] = [near(axes), near(fast)];
		expect(slow.wall).toBeCloseTo(0.4 - triedCamera.radiusM, 2);
		expect(quick.wall).toBeCloseTo(slow.wall!, 3);
		expect(slow.end).toBeGreaterThan(0.9 - triedCamera.frontM - triedCamera.radiusM - 0.03);
		expect(quick.end).toBeLessThan(slow.end! - 0.05);
	});

	it('asks as much more as what carries it gives, by its own figure or by its kind, and more for a longer arm', () => {
		const gives = (place: LivePlace) => liveFlex({ place, axes });
		expect(gives({ ...arm, armM: 3 }).m).toBeCloseTo(0.06, 9);
		expect(gives({ ...arm, armM: 6 }).m).toBeCloseTo(0.12, 9);
		expect(gives({ ...arm, givesM: 0.02 })).toEqual({ m: 0.02, guessed: false });
		// Ten metres of rail, held at both ends.
		expect(gives(rail).m).toBeCloseTo(0.105, 9);
		// Not heard yet: more than a usual slider, never less.
		expect(liveFlex({ place: rail, axes: {} }).m).toBeCloseTo(0.045, 9);
		for (const stands of ['stand', 'wall', 'ceiling'] as const) expect(gives({ ...rail, stands }).m).toBeGreaterThan(0);
		const plan = hall(box('wall', [6, 0, 6.1, 9]));
		const wanted = (givesM: number) =>
			found({ ...rail, givesM }, { trackM: 0 }, [to('end', { trackM: 4 })], false, plan)[0]!.finding;
		expect(wanted(0).wantedM).toBe(roomM);
		expect(wanted(0.07).wantedM).toBeCloseTo(roomM + 0.07, 12);
		expect(wanted(0.07).clearanceM).toBe(wanted(0).clearanceM);
	});
	it('the camera is tried where its lens is: a lens to one side comes nearer there', () => {
		const plan = hall(box('wall', [5.5, 0, 5.6, 9]));
		const near = (left: number) =>
			found(rail, { trackM: 0 }, [to('end', { trackM: 4 })], false, plan, axes, {
				atM: [0, left, 0],
				from: 'measured'
			})[0]!.finding.clearanceM;
		// It looks along the rail, the wall on its right.
		expect(near(-0.1)).toBeCloseTo(near(0) - 0.1, 3);
		expect(near(0.1)).toBeCloseTo(near(0) + 0.1, 3);
	});

	it('without a plan there is nothing it was tried against', () => {
		const asked = { place: rail, at: {}, axes, loops: false, lens: null };
		expect(roomQuestion({ ...asked, legs: [to('end', { trackM: 1 })], plan: null })).toBeNull();
		expect(roomQuestion({ ...asked, legs: [], plan: hall() })).toBeNull();
	});
	it('a figure that is none proves nothing: it throws, and the page says so', () => {
		expect(() => found(rail, { trackM: NaN }, [to('end', { trackM: 1 })], false, hall())).toThrow();
	});
});
