import { describe, expect, it } from 'vitest';
import type { Leg } from '@poise/core';
import type { LivePlace } from '$lib/model/liveHead';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { roomM, roomQuestion, triedCamera, tryRoom } from './room';
import { livePose } from './stand';

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
const found = (place: LivePlace, at: Values, legs: readonly Leg[], loops: boolean, plan: VenuePlan) =>
	tryRoom(roomQuestion(place, at, legs, loops, plan)!);

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
		const [x, y] = livePose(arm, { swingRad: 0.8, boomRad: 0 }).centreM;
		const plan = hall(box('stand', [x - 0.2, y - 0.2, x + 0.2, y + 0.2], 1.3));
		const near = (loops: boolean) =>
			found(arm, one, legs, loops, plan).filter(({ finding }) => finding.clearanceM < roomM);
		expect(near(false)).toEqual([]);
		expect(near(true)[0]).toMatchObject({ leg: 3, finding: { id: 'stand' } });
	});

	it('without a plan there is nothing it was tried against', () => {
		expect(roomQuestion(rail, {}, [to('end', { trackM: 1 })], false, null)).toBeNull();
		expect(roomQuestion(rail, {}, [], false, hall())).toBeNull();
	});
	it('a figure that is none proves nothing: it throws, and the page says so', () => {
		expect(() => found(rail, { trackM: NaN }, [to('end', { trackM: 1 })], false, hall())).toThrow();
	});
});
