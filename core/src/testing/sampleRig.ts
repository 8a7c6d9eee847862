import type { GimbalRig } from '../gimbal/rig';
import type { Body } from '../mass/body';

/** A plausible three-axis rig and payload for the tests: figures round enough to check by hand. */
export const sampleRig: GimbalRig = {
	axes: [
		{ id: 'pan', direction: [0, 0, 1], pivotM: [0, 0, -0.16], motorTorqueNm: 1.2, frictionNm: 0.02 },
		{ id: 'roll', direction: [1, 0, 0], pivotM: [-0.17, 0, 0], motorTorqueNm: 0.9, frictionNm: 0.015 },
		{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0.12, 0], motorTorqueNm: 0.8, frictionNm: 0.012 }
	],
	parts: [
		{ id: 'handle', body: { massKg: 0.9, cgM: [0, 0, -0.3] }, hangsOn: null },
		{ id: 'panArm', body: { massKg: 0.4, cgM: [-0.07, 0, -0.11] }, hangsOn: 'pan' },
		{ id: 'rollArm', body: { massKg: 0.4, cgM: [-0.15, 0.03, 0] }, hangsOn: 'roll' },
		{ id: 'cradle', body: { massKg: 0.4, cgM: [0, 0.05, -0.06] }, hangsOn: 'tilt' }
	],
	slides: [
		{
			id: 'plate',
			direction: [1, 0, 0],
			rangeM: [-0.06, 0.06],
			moves: ['payload'],
			scale: { readingAtZeroM: 0.06, sense: 1 },
			knobPitchM: 0.004,
			balances: 'tilt'
		},
		{
			id: 'cradleHeight',
			direction: [0, 0, 1],
			rangeM: [-0.05, 0.05],
			moves: ['payload', 'cradle'],
			scale: { readingAtZeroM: 0.05, sense: 1 },
			knobPitchM: null,
			balances: 'tilt'
		},
		{
			id: 'crossbar',
			direction: [0, 1, 0],
			rangeM: [-0.06, 0.06],
			moves: ['payload', 'cradle', 'tilt'],
			scale: { readingAtZeroM: 0.06, sense: -1 },
			knobPitchM: null,
			balances: 'roll'
		},
		{
			id: 'panArm',
			direction: [1, 0, 0],
			rangeM: [-0.09, 0.09],
			moves: ['payload', 'cradle', 'tilt', 'rollArm', 'roll'],
			scale: { readingAtZeroM: 0.09, sense: 1 },
			knobPitchM: null,
			balances: 'pan'
		}
	],
	mountM: [0, 0, -0.05],
	counterweightPlaces: [
		{
			id: 'plateRear',
			atM: [-0.09, 0, -0.05],
			hangsOn: 'tilt',
			movesWith: ['plate', 'cradleHeight', 'crossbar', 'panArm'],
			greatestKg: 0.6
		}
	]
};

export const samplePayload: readonly { id: string; body: Body }[] = [
	{ id: 'camera', body: { massKg: 0.7, cgM: [-0.02, 0.004, 0.05] } },
	{ id: 'lens', body: { massKg: 0.5, cgM: [0.07, 0, 0.045] } }
];
