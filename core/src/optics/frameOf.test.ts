import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type CameraPose, frameOf, type Vec3 } from '../index';

const lens = { focalM: 0.035, sensorWidthM: 0.036, sensorHeightM: 0.02025 };
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const point = fc.tuple(number(-20, 20), number(-20, 20), number(-5, 10)) as fc.Arbitrary<[number, number, number]>;
const angle = number(-3, 3);
const poses: fc.Arbitrary<CameraPose> = fc.record({
	positionM: point,
	headingRad: angle,
	elevationRad: number(-1.5, 1.5),
	rollRad: angle
});

/** A second way: the point is turned into the camera's axes by three turns in a row, the last made first undone. */
function inCamera({ positionM, headingRad, elevationRad, rollRad }: CameraPose, [px, py, pz]: Vec3): Vec3 {
	const [x, y, z] = [px - positionM[0], py - positionM[1], pz - positionM[2]];
	const about = (a: number, b: number, by: number) => [
		a * Math.cos(by) + b * Math.sin(by),
		b * Math.cos(by) - a * Math.sin(by)
	];
	const [x1, y1] = about(x, y, headingRad) as [number, number];
	const [x2, z2] = about(x1, z, elevationRad) as [number, number];
	const [y3, z3] = about(y1, z2, rollRad) as [number, number];
	return [x2, y3, z3];
}

describe('a point in the picture', () => {
	it('stands where three turns in a row put it', () => {
		fc.assert(
			fc.property(poses, point, (pose, pointM) => {
				const [forward, left, up] = inCamera(pose, pointM);
				fc.pre(Math.abs(forward) > 1e-3);
				const { xWidths, yHeights, depthM } = frameOf({ pose, pointM, ...lens });
				expect(depthM).toBeCloseTo(forward, 9);
				expect(xWidths === null).toBe(forward < 0);
				if (xWidths === null || yHeights === null) return;
				expect(xWidths * lens.sensorWidthM).toBeCloseTo((-lens.focalM * left) / forward, 6);
				expect(yHeights * lens.sensorHeightM).toBeCloseTo((lens.focalM * up) / forward, 6);
			})
		);
	});

	const ahead = { positionM: [0, 0, 1.6], headingRad: 0, elevationRad: 0, rollRad: 0 } as const;
	const at = (pose: Partial<CameraPose>, pointM: Vec3 = [5, 0, 1.6]) =>
		frameOf({ pose: { ...ahead, ...pose }, pointM, ...lens });

	it('goes to the left when the camera turns to the right, and down when it looks up', () => {
		expect(at({}).xWidths).toBeCloseTo(0, 12);
		expect(at({ headingRad: -0.2 }).xWidths).toBeLessThan(-0.1);
		expect(at({ headingRad: 0.2 }).xWidths).toBeGreaterThan(0.1);
		expect(at({ elevationRad: 0.2 }).yHeights).toBeLessThan(-0.1);
	});

	it('what stands to the right drops when the camera rolls the other way than the clock', () => {
		const right: Vec3 = [5, -1, 1.6];
		expect(at({}, right).xWidths).toBeGreaterThan(0);
		expect(at({ rollRad: 0.3 }, right).yHeights).toBeGreaterThan(0);
		expect(at({ rollRad: -0.3 }, right).yHeights).toBeLessThan(0);
	});

	it('is in the frame to its very edge and no further', () => {
		const edge = (lens.sensorWidthM / lens.focalM / 2) * 5;
		expect(at({}, [5, edge * (1 - 1e-9), 1.6]).inFrame).toBe(true);
		expect(at({}, [5, edge * (1 + 1e-9), 1.6]).inFrame).toBe(false);
	});
});
