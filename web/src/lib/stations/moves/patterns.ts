/* eslint-disable max-lines -- plain data: one entry a way to carry a camera. */
import { radFromDeg, type Vec3 } from '@poise/core';
import { headPatterns, turn } from './headPatterns';
import type { ArmSupport, FixedSupport, Move, MoveHead, MoveSupport, RailSupport, Values, WalkSupport } from './model';

const deg = radFromDeg;
const of = (id: string) => headPatterns.find((each) => each.id === id)!;
const headFrom = (kind: MoveHead['kind'], id: string): MoveHead => ({
	kind,
	gearId: null,
	gearName: kind === 'ball' ? 'Ball head' : kind === 'bar' ? 'Pan bar' : of(id).name,
	figures: of(id).head,
	bar: { crankM: 0.12, distanceM: 1.2, choose: 'ends', setting: 'holding' },
	followLagS: 0.25
});

const slider: RailSupport = {
	kind: 'rail',
	what: 'slider',
	gearId: null,
	gearName: 'Motor slider',
	startM: [0, 0, 1.1],
	headingRad: 0,
	inclineRad: 0,
	stance: 'up',
	lengthM: 1.2,
	travelM: [0.08, 1.12],
	maxRate: 0.25,
	maxAccel: 0.4,
	reachM: 0,
	plateM: 0.13,
	railKg: 3.4,
	carriageKg: 0.9,
	supportsM: [0.15, 1.05],
	clampsDown: false,
	supportBearsN: 250,
	clampHoldsNm: 45,
	holdsN: 90
};
const arm: ArmSupport = {
	kind: 'arm',
	gearId: null,
	gearName: 'Crane',
	pivotM: [0, 0, 1.5],
	headingRad: 0,
	armM: 4,
	tailM: 1.4,
	tubeM: 0.1,
	noseToCentreM: [0.1, -0.35],
	keptLevel: true,
	hung: true,
	swing: turn(-180, 180, 35, 30),
	boom: turn(-35, 50, 25, 25),
	extension: null,
	track: null
};

export interface MovePattern {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly head: MoveHead;
	/** Stood at a place of the plan, with a subject there. */
	readonly support: (at: readonly [number, number]) => MoveSupport;
	readonly subject: (at: readonly [number, number]) => Vec3;
	/** Its first knots: places of what carries the head. */
	readonly knots: readonly (readonly [name: string, tS: number, values: Partial<Values>])[];
	readonly focalMm: number;
	readonly aim?: Move['aim'];
	/** Places of the head that every knot begins with, instead of looking at the subject. */
	readonly looks?: Partial<Values>;
	readonly loops?: number;
}

const inFront: MovePattern['subject'] = ([x, y]) => [x + 0.6, y + 1.6, 1.2];
/** Generic ways to carry a camera, to start from. */
export const movePatterns: readonly MovePattern[] = [
	{
		id: 'slider',
		name: 'Slider, level',
		words: 'A carriage on a level rail, its head holds the subject.',
		head: headFrom('motors', 'table'),
		support: ([x, y]) => ({ ...slider, startM: [x, y, 1.1] }),
		subject: inFront,
		knots: [
			['start', 0, { trackM: 0.08 }],
			['end', 8, { trackM: 1.12 }]
		],
		focalMm: 50
	},
	{
		id: 'bar',
		name: 'Slider with a pan bar',
		words: 'A passive bar beside the rail turns the camera as it goes.',
		head: headFrom('bar', 'table'),
		support: ([x, y]) => ({ ...slider, startM: [x, y, 1.1] }),
		subject: ([x, y]) => [x + 0.6, y + 1.2, 1.1],
		knots: [
			['start', 0, { trackM: 0.08 }],
			['end', 8, { trackM: 1.12 }]
		],
		focalMm: 50
	},
	{
		id: 'incline',
		name: 'Slider, inclined',
		words: 'The rail rises by 15°: the carriage is held, and locked when you let go.',
		head: headFrom('motors', 'table'),
		support: ([x, y]) => ({ ...slider, startM: [x, y, 0.9], inclineRad: deg(15), clampsDown: true }),
		subject: inFront,
		knots: [
			['start', 0, { trackM: 0.08 }],
			['end', 10, { trackM: 1.12 }]
		],
		focalMm: 35
	},
	{
		id: 'upright',
		name: 'Slider, upright',
		words: 'The rail stands on end: a rise, or a drop, that is even.',
		head: headFrom('motors', 'table'),
		support: ([x, y]) => ({
			...slider,
			startM: [x, y, 0.5],
			inclineRad: Math.PI / 2,
			headingRad: Math.PI / 2,
			supportsM: [0.1],
			clampsDown: true,
			plateM: 0.18
		}),
		subject: ([x, y]) => [x, y + 1.8, 1.1],
		knots: [
			['low', 0, { trackM: 0.08 }],
			['high', 10, { trackM: 1.12 }]
		],
		focalMm: 35
	},
	{
		id: 'overhead',
		name: 'Slider, over the subject',
		words: 'The rail lies high, an extension carries the camera past its end, and it looks down.',
		head: headFrom('motors', 'table'),
		support: ([x, y]) => ({
			...slider,
			startM: [x, y, 2.1],
			stance: 'hung',
			reachM: 0.35,
			clampsDown: true,
			supportsM: [0.1, 0.7]
		}),
		subject: ([x, y]) => [x + 0.95, y, 0.9],
		knots: [
			['start', 0, { trackM: 0.3 }],
			['end', 9, { trackM: 0.9 }]
		],
		aim: 'knots',
		// Straight down: a hung head tilts up to look there, and its pan no longer aims.
		looks: { panRad: 0, tiltRad: Math.PI / 2 },
		focalMm: 35
	},
	{
		id: 'under',
		name: 'Slider, upside down',
		words: 'The camera hangs under the rail, low over a table or a floor.',
		head: headFrom('motors', 'table'),
		support: ([x, y]) => ({ ...slider, startM: [x, y, 1.3], stance: 'hung', clampsDown: true }),
		subject: ([x, y]) => [x + 0.6, y + 1.1, 0.8],
		knots: [
			['start', 0, { trackM: 0.08 }],
			['end', 9, { trackM: 1.12 }]
		],
		focalMm: 35
	},
	{
		id: 'dolly',
		name: 'Dolly on a track',
		words: 'A track on the floor, pushed.',
		head: headFrom('motors', 'large'),
		support: ([x, y]) => ({
			...slider,
			what: 'dolly',
			gearName: 'Dolly on a track',
			startM: [x - 3, y, 1.5],
			lengthM: 6,
			travelM: [0.4, 5.6],
			maxRate: 1,
			maxAccel: 0.5,
			plateM: 1.35,
			railKg: 60,
			carriageKg: 80,
			supportsM: [0.5, 5.5],
			clampsDown: true,
			supportBearsN: null,
			clampHoldsNm: null,
			holdsN: null
		}),
		subject: ([x, y]) => [x, y + 4, 1.5],
		knots: [
			['start', 0, { trackM: 0.6 }],
			['end', 9, { trackM: 5.4 }]
		],
		focalMm: 50
	},
	{
		id: 'crane',
		name: 'Crane with a head',
		words: 'A counterweighted arm; the same arm and limits as at its bench, once it is chosen from the shelf.',
		head: headFrom('motors', 'large'),
		support: ([x, y]) => ({ ...arm, pivotM: [x, y - 2, 1.5], headingRad: Math.PI / 2 }),
		subject: ([x, y]) => [x, y + 5, 1.4],
		knots: [
			['low', 0, { swingRad: deg(-35), boomRad: deg(-12) }],
			['high', 9, { swingRad: deg(30), boomRad: deg(28) }]
		],
		focalMm: 35
	},
	{
		id: 'telescopic',
		name: 'Telescopic arm on a track',
		words: 'Nine axes: track, swing, boom, reach, pan, tilt, roll, focus, zoom.',
		head: headFrom('motors', 'large'),
		support: ([x, y]) => ({
			...arm,
			gearName: 'Telescopic arm on a track',
			pivotM: [x, y - 3, 1.8],
			headingRad: Math.PI / 2,
			armM: 2.6,
			tailM: 1.8,
			tubeM: 0.18,
			extension: { range: [0, 3.4], maxRate: 0.8, maxAccel: 0.6 },
			track: { headingRad: 0, range: [-3, 3], maxRate: 0.8, maxAccel: 0.4 }
		}),
		subject: ([x, y]) => [x, y + 4.5, 1.4],
		knots: [
			['start', 0, { trackM: -1.5, swingRad: deg(15), boomRad: deg(-5), extensionM: 0.3 }],
			['end', 10, { trackM: 1.5, swingRad: deg(-10), boomRad: deg(15), extensionM: 2 }]
		],
		focalMm: 35
	},
	{
		id: 'tripod',
		name: 'Head on a tripod',
		words: 'It stands still, and turns from one thing to another.',
		head: headFrom('motors', 'small'),
		support: ([x, y]): FixedSupport => ({
			kind: 'fixed',
			gearId: null,
			gearName: 'Tripod',
			atM: [x, y - 2, 1.6],
			headingRad: Math.PI / 2,
			stance: 'up'
		}),
		subject: ([x, y]) => [x, y + 2.5, 1.4],
		knots: [
			['start', 0, {}],
			['end', 5, {}]
		],
		aim: 'knots',
		focalMm: 50
	},
	{
		id: 'ceiling',
		name: 'Head under a ceiling',
		words: 'It hangs upside down from a plate or a pipe.',
		head: headFrom('motors', 'small'),
		support: ([x, y]): FixedSupport => ({
			kind: 'fixed',
			gearId: null,
			gearName: 'Ceiling plate',
			atM: [x, y - 2, 3],
			headingRad: Math.PI / 2,
			stance: 'hung'
		}),
		subject: ([x, y]) => [x, y + 2.5, 1.4],
		knots: [
			['start', 0, {}],
			['end', 5, {}]
		],
		aim: 'knots',
		focalMm: 50
	},
	{
		id: 'wall',
		name: 'Head on a wall',
		words: 'It stands on a bracket at a wall.',
		head: headFrom('motors', 'small'),
		support: ([x, y]): FixedSupport => ({
			kind: 'fixed',
			gearId: null,
			gearName: 'Wall plate',
			atM: [x, y - 2, 2.4],
			headingRad: Math.PI / 2,
			stance: 'wall'
		}),
		subject: ([x, y]) => [x, y + 2.5, 1.4],
		knots: [
			['start', 0, {}],
			['end', 5, {}]
		],
		aim: 'knots',
		focalMm: 50
	},
	{
		id: 'walk',
		name: 'Handheld walk',
		words: 'A line on the plan with heights, for eye lines and timing.',
		head: headFrom('gimbal', 'small'),
		support: (): WalkSupport => ({ kind: 'walk', gearId: null, gearName: 'Walk', maxRate: 1.4, maxAccel: 1.2 }),
		subject: ([x, y]) => [x, y + 3, 1.5],
		knots: [
			['start', 0, { eastM: -2, northM: -1, heightM: 1.6 }],
			['end', 5, { eastM: 2, northM: 0, heightM: 1.5 }]
		],
		focalMm: 35
	}
];
