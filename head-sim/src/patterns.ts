import type { HeadAxis } from '@poise/core';

/** What a simulated head is made of. A ring's `range` is where its lens really stops, in turns of the motor: nobody is told. */
export interface Pattern {
	readonly words: string;
	readonly axes: Readonly<Record<string, Omit<HeadAxis, 'position' | 'rate'>>>;
	readonly rings: readonly string[];
}

const pan = { range: [-2.97, 2.97], maxRate: 1.05, maxAccel: 1.6, lagS: 0.06 } as const;
const tilt = { range: [-1.05, 1.05], maxRate: 0.8, maxAccel: 1.4, lagS: 0.06 } as const;
const ring = (from: number, to: number) => ({ range: [from, to] as const, maxRate: 0.45, maxAccel: 4, lagS: 0.03 });
const rings = { focus: ring(0.12, 0.83), zoom: ring(0.2, 0.71), iris: ring(0.05, 0.4) };

export const patterns: Readonly<Record<string, Pattern>> = {
	small: {
		words: 'pan and tilt',
		axes: { panRad: pan, tiltRad: tilt, ...rings },
		rings: ['focus', 'zoom', 'iris']
	},
	rolling: {
		words: 'pan, tilt and roll',
		axes: {
			panRad: pan,
			tiltRad: tilt,
			rollRad: { range: [-0.5, 0.5], maxRate: 0.5, maxAccel: 1, lagS: 0.06 },
			...rings
		},
		rings: ['focus', 'zoom', 'iris']
	},
	rail: {
		words: 'pan and tilt on a slider',
		axes: {
			trackM: { range: [0, 2.4], maxRate: 0.35, maxAccel: 0.4, lagS: 0.08 },
			panRad: pan,
			tiltRad: tilt,
			...rings
		},
		rings: ['focus', 'zoom', 'iris']
	},
	jib: {
		words: 'an arm with a head',
		axes: {
			swingRad: { range: [-1.2, 1.2], maxRate: 0.25, maxAccel: 0.2, lagS: 0.15 },
			boomRad: { range: [-0.5, 0.7], maxRate: 0.2, maxAccel: 0.18, lagS: 0.15 },
			panRad: { ...pan, maxAccel: 1.2 },
			tiltRad: { ...tilt, maxAccel: 1 },
			...rings
		},
		rings: ['focus', 'zoom', 'iris']
	}
};
