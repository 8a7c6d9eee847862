/* eslint-disable max-lines -- data: the made-up gear of the demo. */
/**
 * Two gimbals. Rig frame: x forward, y to the camera's left, z up, the tilt axis through the origin, every slide at 0.
 * Masses, torques and travels are plausible for rigs of their size and belong to nobody's.
 */
const smallSingleHanded = {
	name: 'Small single-handed gimbal',
	leastPayloadKg: 0.4,
	greatestPayloadKg: 2,
	geometry: {
		axes: [
			{ id: 'pan', label: 'Pan', direction: [0, 0, 1], pivotM: [0, 0, -0.16], motorTorqueNm: 1.3, frictionNm: 0.02 },
			{ id: 'roll', label: 'Roll', direction: [1, 0, 0], pivotM: [-0.16, 0, 0], motorTorqueNm: 1.1, frictionNm: 0.016 },
			{ id: 'tilt', label: 'Tilt', direction: [0, 1, 0], pivotM: [0, 0.135, 0], motorTorqueNm: 0.9, frictionNm: 0.013 }
		],
		parts: [
			{ id: 'handle', label: 'Handle', body: { massKg: 0.62, cgM: [0, 0, -0.31] }, hangsOn: null },
			{ id: 'panSleeve', label: 'Pan sleeve', body: { massKg: 0.22, cgM: [-0.05, 0.002, -0.172] }, hangsOn: 'pan' },
			{ id: 'riser', label: 'Riser and roll motor', body: { massKg: 0.31, cgM: [-0.165, 0, -0.06] }, hangsOn: 'pan' },
			{ id: 'rollArm', label: 'Roll arm', body: { massKg: 0.15, cgM: [-0.142, 0.055, 0.002] }, hangsOn: 'roll' },
			{
				id: 'crossbar',
				label: 'Crossbar and tilt motor',
				body: { massKg: 0.23, cgM: [-0.03, 0.138, 0] },
				hangsOn: 'roll'
			},
			{ id: 'upright', label: 'Upright', body: { massKg: 0.1, cgM: [0, 0.104, -0.03] }, hangsOn: 'tilt' },
			{ id: 'base', label: 'Base', body: { massKg: 0.12, cgM: [0, 0.04, -0.066] }, hangsOn: 'tilt' }
		],
		slides: [
			{
				id: 'plate',
				label: 'Plate',
				purpose: 'tilt, fore-aft',
				plusWord: 'forward',
				minusWord: 'back',
				balances: 'tilt',
				direction: [1, 0, 0],
				rangeM: [-0.055, 0.045],
				moves: ['payload'],
				scale: { readingAtZeroM: 0.055, sense: 1 },
				knobPitchM: null
			},
			{
				id: 'cradle',
				label: 'Cradle',
				purpose: 'tilt, vertical',
				plusWord: 'up',
				minusWord: 'down',
				balances: 'tilt',
				direction: [0, 0, 1],
				rangeM: [-0.03, 0.04],
				moves: ['payload', 'base'],
				scale: { readingAtZeroM: 0.03, sense: 1 },
				knobPitchM: null
			},
			{
				id: 'crossbar',
				label: 'Crossbar',
				purpose: 'roll, side to side',
				plusWord: 'left',
				minusWord: 'right',
				balances: 'roll',
				direction: [0, 1, 0],
				rangeM: [-0.09, 0.01],
				moves: ['payload', 'base', 'upright', 'tilt', 'crossbar'],
				scale: { readingAtZeroM: 0.09, sense: 1 },
				knobPitchM: null
			},
			{
				id: 'panArm',
				label: 'Pan arm',
				purpose: 'pan, fore-aft',
				plusWord: 'forward',
				minusWord: 'back',
				balances: 'pan',
				direction: [1, 0, 0],
				rangeM: [-0.02, 0.09],
				moves: ['payload', 'base', 'upright', 'tilt', 'crossbar', 'rollArm', 'roll', 'riser'],
				scale: { readingAtZeroM: 0.02, sense: 1 },
				knobPitchM: null
			}
		],
		mountM: [0, 0, -0.06],
		counterweightPlaces: [
			{
				id: 'plateRear',
				label: 'the rear end of the plate',
				atM: [-0.085, 0, -0.066],
				hangsOn: 'tilt',
				movesWith: ['plate', 'cradle', 'crossbar', 'panArm'],
				greatestKg: 0.4
			},
			{
				id: 'plateFront',
				label: 'the front end of the plate',
				atM: [0.085, 0, -0.066],
				hangsOn: 'tilt',
				movesWith: ['plate', 'cradle', 'crossbar', 'panArm'],
				greatestKg: 0.4
			}
		],
		openingM: [0.21, 0.23, 0.142],
		alternatives: [
			{
				id: 'turned',
				kind: 'turnCradle',
				label: 'base reversed, its mount 8 mm further back',
				shiftM: [-0.008, 0, 0],
				moves: ['payload']
			}
		],
		strokes: [
			{
				kind: 'tube',
				partId: 'handle',
				pointsM: [
					[0, 0, -0.405],
					[0, 0, -0.235]
				],
				widthM: 0.036
			},
			{ kind: 'box', partId: 'handle', atM: [0.006, 0, -0.262], sizeM: [0.048, 0.042, 0.05] },
			{ kind: 'motor', partId: 'handle', atM: [0, 0, -0.206], axis: 'z', radiusM: 0.03, lengthM: 0.052 },
			{
				kind: 'tube',
				partId: 'panSleeve',
				pointsM: [
					[0.012, 0, -0.17],
					[-0.13, 0, -0.17]
				],
				widthM: 0.022
			},
			{
				kind: 'tube',
				partId: 'riser',
				pointsM: [
					[-0.075, 0, -0.17],
					[-0.182, 0, -0.17],
					[-0.182, 0, -0.02]
				],
				widthM: 0.015
			},
			{ kind: 'motor', partId: 'riser', atM: [-0.182, 0, 0], axis: 'x', radiusM: 0.029, lengthM: 0.046 },
			{
				kind: 'tube',
				partId: 'rollArm',
				pointsM: [
					[-0.15, 0, 0],
					[-0.15, 0.085, 0]
				],
				widthM: 0.019
			},
			{
				kind: 'tube',
				partId: 'crossbar',
				pointsM: [
					[-0.15, 0.03, 0],
					[-0.15, 0.148, 0],
					[-0.02, 0.148, 0]
				],
				widthM: 0.013
			},
			{ kind: 'motor', partId: 'crossbar', atM: [0, 0.14, 0], axis: 'y', radiusM: 0.028, lengthM: 0.04 },
			{
				kind: 'tube',
				partId: 'upright',
				pointsM: [
					[0, 0.108, 0.028],
					[0, 0.108, -0.108]
				],
				widthM: 0.017
			},
			{ kind: 'box', partId: 'base', atM: [0, 0.042, -0.066], sizeM: [0.11, 0.15, 0.012] }
		]
	}
};

const largeTwoHanded = {
	name: 'Large two-handed gimbal',
	leastPayloadKg: 3,
	greatestPayloadKg: 15,
	geometry: {
		axes: [
			{ id: 'pan', label: 'Pan', direction: [0, 0, 1], pivotM: [0, 0, 0.36], motorTorqueNm: 7, frictionNm: 0.1 },
			{ id: 'roll', label: 'Roll', direction: [1, 0, 0], pivotM: [-0.33, 0, 0], motorTorqueNm: 6, frictionNm: 0.09 },
			{ id: 'tilt', label: 'Tilt', direction: [0, 1, 0], pivotM: [0, 0, 0], motorTorqueNm: 6, frictionNm: 0.08 }
		],
		parts: [
			{ id: 'handlebar', label: 'Handlebar', body: { massKg: 2.1, cgM: [0, 0, 0.45] }, hangsOn: null },
			{ id: 'topBeam', label: 'Top beam', body: { massKg: 0.7, cgM: [-0.11, 0.003, 0.33] }, hangsOn: 'pan' },
			{ id: 'drop', label: 'Drop arm and roll motor', body: { massKg: 1.05, cgM: [-0.35, 0, 0.11] }, hangsOn: 'pan' },
			{ id: 'fork', label: 'Fork', body: { massKg: 0.62, cgM: [-0.24, 0, 0.004] }, hangsOn: 'roll' },
			{ id: 'tiltMotors', label: 'Tilt motors', body: { massKg: 0.86, cgM: [-0.03, 0.012, 0] }, hangsOn: 'roll' },
			{ id: 'frame', label: 'Cradle frame', body: { massKg: 0.74, cgM: [0, 0, -0.03] }, hangsOn: 'tilt' },
			{ id: 'base', label: 'Base', body: { massKg: 0.42, cgM: [0, 0, -0.112] }, hangsOn: 'tilt' }
		],
		slides: [
			{
				id: 'plate',
				label: 'Plate',
				purpose: 'tilt, fore-aft',
				plusWord: 'forward',
				minusWord: 'back',
				balances: 'tilt',
				direction: [1, 0, 0],
				rangeM: [-0.13, 0.1],
				moves: ['payload'],
				scale: { readingAtZeroM: 0.13, sense: 1 },
				knobPitchM: 0.004,
				graduationM: 0.001,
				lock: 'two levers under the plate',
				extension: { label: 'the long plate rails', lessM: 0.08, moreM: 0.08 }
			},
			{
				id: 'base',
				label: 'Base',
				purpose: 'tilt, vertical',
				plusWord: 'up',
				minusWord: 'down',
				balances: 'tilt',
				direction: [0, 0, 1],
				rangeM: [-0.03, 0.06],
				moves: ['payload', 'base'],
				scale: { readingAtZeroM: 0.03, sense: 1 },
				knobPitchM: 0.0015
			},
			{
				id: 'fork',
				label: 'Fork',
				purpose: 'roll, side to side',
				plusWord: 'left',
				minusWord: 'right',
				balances: 'roll',
				direction: [0, 1, 0],
				rangeM: [-0.04, 0.04],
				moves: ['payload', 'base', 'frame', 'tilt', 'tiltMotors'],
				scale: { readingAtZeroM: 0.04, sense: 1 },
				knobPitchM: 0.0015
			},
			{
				id: 'topBeam',
				label: 'Top beam',
				purpose: 'pan, fore-aft',
				plusWord: 'forward',
				minusWord: 'back',
				balances: 'pan',
				direction: [1, 0, 0],
				rangeM: [-0.03, 0.12],
				moves: ['payload', 'base', 'frame', 'tilt', 'tiltMotors', 'fork', 'roll', 'drop'],
				scale: { readingAtZeroM: 0.03, sense: 1 },
				knobPitchM: null
			}
		],
		mountM: [0, 0, -0.105],
		counterweightPlaces: [
			{
				id: 'plateRear',
				label: 'the rear end of the plate',
				atM: [-0.19, 0, -0.105],
				hangsOn: 'tilt',
				movesWith: ['plate', 'base', 'fork', 'topBeam'],
				greatestKg: 1.5
			},
			{
				id: 'plateFront',
				label: 'the front end of the plate',
				atM: [0.19, 0, -0.105],
				hangsOn: 'tilt',
				movesWith: ['plate', 'base', 'fork', 'topBeam'],
				greatestKg: 1.5
			}
		],
		openingM: [0.28, 0.32, 0.28],
		alternatives: [
			{
				id: 'rearHoles',
				kind: 'useHole',
				label: 'the rear holes of the base, 40 mm further back',
				shiftM: [-0.04, 0, 0],
				moves: ['payload']
			}
		],
		strokes: [
			{
				kind: 'tube',
				partId: 'handlebar',
				pointsM: [
					[0, -0.3, 0.49],
					[0, 0.3, 0.49]
				],
				widthM: 0.03
			},
			{ kind: 'box', partId: 'handlebar', atM: [0, 0.25, 0.455], sizeM: [0.042, 0.042, 0.11] },
			{ kind: 'box', partId: 'handlebar', atM: [0, -0.25, 0.455], sizeM: [0.042, 0.042, 0.11] },
			{ kind: 'box', partId: 'handlebar', atM: [0, 0, 0.455], sizeM: [0.07, 0.07, 0.07] },
			{ kind: 'motor', partId: 'handlebar', atM: [0, 0, 0.39], axis: 'z', radiusM: 0.052, lengthM: 0.062 },
			{
				kind: 'tube',
				partId: 'topBeam',
				pointsM: [
					[0.03, 0, 0.342],
					[-0.3, 0, 0.342]
				],
				widthM: 0.036
			},
			{
				kind: 'tube',
				partId: 'drop',
				pointsM: [
					[-0.16, 0, 0.342],
					[-0.385, 0, 0.342],
					[-0.385, 0, 0.03]
				],
				widthM: 0.026
			},
			{ kind: 'motor', partId: 'drop', atM: [-0.365, 0, 0], axis: 'x', radiusM: 0.05, lengthM: 0.07 },
			{
				kind: 'tube',
				partId: 'fork',
				pointsM: [
					[-0.32, 0, 0],
					[-0.3, 0, 0]
				],
				widthM: 0.04
			},
			{
				kind: 'tube',
				partId: 'tiltMotors',
				pointsM: [
					[0, -0.185, 0],
					[-0.3, -0.185, 0],
					[-0.3, 0.185, 0],
					[0, 0.185, 0]
				],
				widthM: 0.024
			},
			{ kind: 'motor', partId: 'tiltMotors', atM: [0, 0.18, 0], axis: 'y', radiusM: 0.046, lengthM: 0.05 },
			{ kind: 'motor', partId: 'tiltMotors', atM: [0, -0.18, 0], axis: 'y', radiusM: 0.036, lengthM: 0.036 },
			{
				kind: 'tube',
				partId: 'frame',
				pointsM: [
					[0, 0.145, 0.03],
					[0, 0.145, -0.17],
					[0, -0.145, -0.17],
					[0, -0.145, 0.03]
				],
				widthM: 0.02
			},
			{ kind: 'box', partId: 'base', atM: [0, 0, -0.113], sizeM: [0.2, 0.27, 0.016] }
		]
	}
};

export const rigs = [smallSingleHanded, largeTwoHanded];
