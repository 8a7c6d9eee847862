import { combineBodies, type Vec3 } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { laid } from '$lib/sheet/drawing/standing';
import { part } from '$lib/testing/scenario';
import { armReachM, mirrored, plainAttitude, quarterTurned, type Attitude } from './attitude';
import { bodyOf, cornersM, middleM, payloadSigmaM, snappedToHoles, type StandingPart } from './payload';

const stand = (name: string, attitude: Partial<Attitude> = {}, positionM: Vec3 = [0.02, 0.01, 0.03]): StandingPart => ({
	id: name,
	part: part(name),
	positionM,
	attitude: { ...plainAttitude, ...attitude },
	shiftM: [0, 0, 0],
	shiftSigmaM: null
});
const sizeOf = (standing: StandingPart) => {
	const [least, greatest] = cornersM(standing);
	return greatest.map((value, k) => value - least[k]!);
};

describe('a part turned on the plate', () => {
	it('keeps its foot where it was put, whichever side is down', () => {
		for (const axis of [0, 1, 2] as const) {
			const turned = stand('Compact body', quarterTurned(plainAttitude, axis));
			expect(cornersM(turned)[0][2]).toBeCloseTo(0.03, 12);
			expect(middleM(turned).slice(0, 2)).toEqual([0.02, 0.01]);
		}
	});
	it('is as wide as it was long after a quarter about up, and as itself after four', () => {
		const size = part('Compact body').shape.sizeM;
		let attitude = quarterTurned(plainAttitude, 2);
		expect(sizeOf(stand('Compact body', attitude))[0]).toBeCloseTo(size[1], 12);
		for (let count = 0; count < 3; count += 1) attitude = quarterTurned(attitude, 2);
		expect(attitude.quarters).toEqual([0, 0, 0]);
	});
	it('reaches every one of the twenty-four ways a box can lie, and no other', () => {
		const seen = new Set<string>();
		const walk = (attitude: Attitude) => {
			const body = bodyOf(stand('Compact body', attitude));
			const key =
				body.cgM.map((value) => value.toFixed(6)).join() +
				sizeOf(stand('Compact body', attitude))
					.map((value) => value.toFixed(4))
					.join();
			if (seen.has(key)) return;
			seen.add(key);
			for (const axis of [0, 1, 2] as const) walk(quarterTurned(attitude, axis));
		};
		walk(plainAttitude);
		expect(seen.size).toBe(24);
	});
	it('is drawn inside its own box, at any turn', () => {
		for (const attitude of [plainAttitude, quarterTurned(plainAttitude, 0), { ...plainAttitude, aboutUpRad: 0.7 }])
			for (const view of ['side', 'top', 'front'] as const) {
				const { matrix, box, view: own } = laid(stand('Compact body', attitude), view, 1000);
				if (matrix === null) continue;
				const [a, b, c, d, e, f] = matrix.slice(7, -1).split(' ').map(Number) as [
					number,
					number,
					number,
					number,
					number,
					number
				];
				const [l, w, h] = part('Compact body').shape.sizeM.map((edge) => edge * 1000) as [number, number, number];
				const face =
					own === 'side'
						? [-l / 2, l / 2, -h, 0]
						: own === 'top'
							? [-l / 2, l / 2, -w / 2, w / 2]
							: [-w / 2, w / 2, -h, 0];
				for (const x of face.slice(0, 2))
					for (const y of face.slice(2)) {
						const [px, py] = [a * x + c * y + e, b * x + d * y + f];
						expect(px).toBeGreaterThan(box.x - 0.1);
						expect(px).toBeLessThan(box.x + box.width + 0.1);
						expect(py).toBeGreaterThan(box.y - 0.1);
						expect(py).toBeLessThan(box.y + box.height + 0.1);
					}
			}
	});
});

describe('a part mirrored, extended, on an arm', () => {
	it('mirrored twice is itself, and mirrored once has its centre on the other side', () => {
		const attitude = {
			...plainAttitude,
			aboutUpRad: 0.4,
			arm: { lengthM: 0.1, aboutUpRad: 1.2, riseRad: 0.3, massKg: 0.05 }
		};
		expect(mirrored(mirrored(attitude))).toEqual(attitude);
		const here = bodyOf(stand('Small monitor', attitude, [0, 0.02, 0]));
		const there = bodyOf(stand('Small monitor', mirrored(attitude), [0, -0.02, 0]));
		expect(there.cgM[1]).toBeCloseTo(-here.cgM[1], 12);
		expect(there.cgM[0]).toBeCloseTo(here.cgM[0], 12);
	});
	it('a lens pushed in is shorter and heavy further back, by half of the way for each', () => {
		const [out, half, shut] = [1, 0.5, 0].map((extended) => stand('Tele zoom 70–200', { extended }));
		expect(sizeOf(out!)[0]! - sizeOf(shut!)[0]!).toBeCloseTo(0.028, 12);
		const [x1, x2, x3] = [out!, half!, shut!].map((each) => bodyOf(each).cgM[0]);
		expect(x1! - x3!).toBeCloseTo(0.014, 12);
		expect(x1! - x2!).toBeCloseTo(0.007, 12);
	});
	it('an arm carries the part its reach away and weighs at its own middle', () => {
		const arm = { lengthM: 0.2, aboutUpRad: Math.PI / 2, riseRad: Math.PI / 6, massKg: 0.1 };
		const reach = armReachM({ ...plainAttitude, arm });
		expect(Math.hypot(...reach)).toBeCloseTo(0.2, 12);
		const bare = bodyOf(stand('Small monitor'));
		const held = bodyOf(stand('Small monitor', { arm }));
		const whole = combineBodies({
			bodies: [
				{ massKg: bare.massKg, cgM: bare.cgM.map((value, k) => value + reach[k]!) as unknown as Vec3 },
				{ massKg: 0.1, cgM: [0.02 + reach[0] / 2, 0.01 + reach[1] / 2, 0.03 + reach[2] / 2] }
			]
		});
		expect(held.massKg).toBeCloseTo(whole.massKg, 12);
		for (const k of [0, 1, 2] as const) expect(held.cgM[k]).toBeCloseTo(whole.cgM[k], 12);
	});
	it('a turned part is unsure along the plate as it is along itself', () => {
		const along = payloadSigmaM([stand('35 mm prime')]);
		const across = payloadSigmaM([stand('35 mm prime', quarterTurned(plainAttitude, 2))]);
		expect(across[1]).toBeCloseTo(along[0], 12);
		expect(along[0]).toBeGreaterThan(5 * along[1]);
	});
});

describe('the holes of a plate', () => {
	it('catch a part at the nearest, and never past the last', () => {
		const plate = part('Long plate');
		expect(snappedToHoles([0.0171, 0.003, 0], plate)).toEqual([0.012, 0.003, 0]);
		expect(snappedToHoles([0.5, 0, 0], plate)[0]).toBeCloseTo(0.084, 9);
		expect(snappedToHoles([0.0171, 0, 0], part('Short plate'))).toEqual([0.0171, 0, 0]);
	});
});
