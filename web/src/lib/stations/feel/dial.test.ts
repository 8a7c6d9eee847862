import { expect, it } from 'vitest';
import { type Attitude, cameraPose, type Vec3 } from '@poise/core';
import { dialAt, dialView } from './dial';

const looks: Readonly<Record<string, { readonly right: Vec3; readonly up: Vec3 }>> = {
	// The camera looks along x, y is its left, z up: what is on the right and up for whoever stands there.
	'From above': { right: [0, -1, 0], up: [1, 0, 0] },
	'From the right': { right: [1, 0, 0], up: [0, 0, 1] },
	'From the left': { right: [-1, 0, 0], up: [0, 0, 1] },
	'From behind': { right: [0, -1, 0], up: [0, 0, 1] }
};
const level: Attitude = { headingRad: 0, tiltRad: 0, rollRad: 0 };
const mount = { kind: 'fixed', centreM: [0, 0, 0], base: level } as const;

it.each(['pan', 'tilt', 'roll'] as const)('%s is drawn as it is seen from where its words say', (axis) => {
	const { right, up } = looks[dialView[axis]]!;
	const dot = (one: Vec3, two: Vec3) => one.reduce((sum, value, k) => sum + value * two[k]!, 0);
	for (const angle of [-1, -0.2, 0, 0.4, 1.2]) {
		const axes = { panRad: 0, tiltRad: 0, rollRad: 0, [`${axis}Rad`]: angle };
		// The lens ahead for pan and tilt; what is above it for roll.
		const tip = cameraPose({ mount, axes, lensM: axis === 'roll' ? [0, 0, 1] : [1, 0, 0] }).positionM;
		const drawn = dialAt(axis, angle);
		expect(drawn[0]).toBeCloseTo(dot(tip, right), 9);
		expect(drawn[1]).toBeCloseTo(dot(tip, up), 9);
	}
});
