import { describe, expect, it } from 'vitest';
import { cameraRod, type LensAt, lensMeasured, lensOffset, lensUnsure } from './lensAt';

const off: LensAt = { atM: [0.06, 0.01, 0.07], from: 'drawing' };
const body = { backM: 0.2, frontM: 0.18, radiusM: 0.1 };

describe('where a lens is', () => {
	it('is where the axes cross while nobody has measured it', () => {
		expect(lensOffset(null)).toEqual([0, 0, 0]);
		expect(lensOffset(undefined)).toEqual([0, 0, 0]);
		expect(lensOffset(off)).toEqual([0.06, 0.01, 0.07]);
	});
	it('is measured from the first figure that is typed, the others as they stood', () => {
		expect(lensMeasured(null, 2, 0.07)).toEqual({ atM: [0, 0, 0.07], from: 'measured' });
		expect(lensMeasured(off, 0, 0.08)).toEqual({ atM: [0.08, 0.01, 0.07], from: 'measured' });
	});
	it('carries the body with it across, and no further back', () => {
		expect(cameraRod(body, null)).toEqual({ fromM: [-0.2, 0, 0], toM: [0.18, 0, 0], radiusM: 0.1 });
		expect(cameraRod(body, off)).toEqual({ fromM: [-0.2, 0.01, 0.07], toM: [0.18, 0.01, 0.07], radiusM: 0.1 });
		// A lens before what was said to be the front is in the body all the same.
		expect(cameraRod(body, { ...off, atM: [0.3, 0, 0] }).toM).toEqual([0.3, 0, 0]);
	});
	it('is spoken of where it would be seen, and not once it is measured', () => {
		const near = { lens: null, nearestM: 1, focalM: 0.05, sensorWidthM: 0.036 };
		expect(lensUnsure(near)).toBeCloseTo(0.0833, 3);
		expect(lensUnsure({ ...near, nearestM: 10 })).toBeNull();
		expect(lensUnsure({ ...near, focalM: 0.012 })).toBeNull();
		expect(lensUnsure({ ...near, lens: off })).toBeNull();
		expect(lensUnsure({ ...near, nearestM: 0 })).toBeNull();
	});
});
