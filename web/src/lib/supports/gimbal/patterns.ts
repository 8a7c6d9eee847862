/* eslint-disable max-lines -- data: the patterns, one after the other. */
import type { Vec3 } from '@poise/core';
import type { RigAxis, GimbalDraft, GimbalGeometry, RigPart, RigSlide, RigStroke } from './model';

export const axisOrders = ['pan-roll-tilt', 'pan-tilt-roll', 'two-axis'] as const;
export type AxisOrder = (typeof axisOrders)[number];

/** The lengths an arm geometry is made from, metres from the tilt axis. */
export interface ArmLengths {
	/** Roll axis's motor behind the tilt axis. */
	readonly reachM: number;
	/** Pan joint below the tilt axis, or above it where the gimbal hangs from its handle. */
	readonly dropM: number;
	/** Arm beside the payload. */
	readonly halfWidthM: number;
	/** Cradle's base below the tilt axis. */
	readonly baseM: number;
}

export interface Pattern {
	readonly id: 'small' | 'medium' | 'twoHanded' | 'twoAxis' | 'tiltInside';
	readonly name: string;
	readonly words: string;
	readonly order: AxisOrder;
	readonly grip: 'under' | 'over';
	readonly lengths: ArmLengths;
	/** Mass of all that moves, and how strong the motors are. */
	readonly armsKg: number;
	readonly torqueNm: number;
	readonly payloadKg: readonly [number, number];
}

/** Where a gimbal of one's own begins: generic arms, plausible figures, nobody's gear. */
export const patterns: readonly Pattern[] = [
	{
		id: 'small',
		name: 'Small single-handed',
		words: 'One hand, bodies of half a kilogram to two',
		order: 'pan-roll-tilt',
		grip: 'under',
		lengths: { reachM: 0.16, dropM: 0.16, halfWidthM: 0.12, baseM: 0.06 },
		armsKg: 1.1,
		torqueNm: 1.1,
		payloadKg: [0.4, 2]
	},
	{
		id: 'medium',
		name: 'Medium single-handed',
		words: 'One hand or two, up to four and a half kilograms',
		order: 'pan-roll-tilt',
		grip: 'under',
		lengths: { reachM: 0.2, dropM: 0.2, halfWidthM: 0.14, baseM: 0.075 },
		armsKg: 1.6,
		torqueNm: 2.4,
		payloadKg: [1, 4.5]
	},
	{
		id: 'twoHanded',
		name: 'Two-handed cinema',
		words: 'Hung from a bar, three to fifteen kilograms',
		order: 'pan-roll-tilt',
		grip: 'over',
		lengths: { reachM: 0.33, dropM: 0.36, halfWidthM: 0.17, baseM: 0.105 },
		armsKg: 4.4,
		torqueNm: 6.5,
		payloadKg: [3, 15]
	},
	{
		id: 'twoAxis',
		name: 'Two-axis',
		words: 'Roll and tilt only; the hand pans',
		order: 'two-axis',
		grip: 'under',
		lengths: { reachM: 0.13, dropM: 0.14, halfWidthM: 0.1, baseM: 0.05 },
		armsKg: 0.7,
		torqueNm: 0.7,
		payloadKg: [0.2, 1]
	},
	{
		id: 'tiltInside',
		name: 'Small, pan-tilt-roll',
		words: 'Tilt arm at the side, roll motor innermost',
		order: 'pan-tilt-roll',
		grip: 'under',
		lengths: { reachM: 0.15, dropM: 0.17, halfWidthM: 0.13, baseM: 0.06 },
		armsKg: 1.1,
		torqueNm: 1.1,
		payloadKg: [0.3, 1.8]
	}
];

/** A gimbal to begin with. */
export function gimbalFromPattern(pattern: Pattern, name: string): GimbalDraft {
	return {
		name,
		leastPayloadKg: pattern.payloadKg[0],
		greatestPayloadKg: pattern.payloadKg[1],
		geometry: armGeometry(pattern)
	};
}

const r4 = (value: number) => Math.round(value * 1e4) / 1e4;

/** Arms, motors and slides of a pattern; rig frame, tilt axis through the origin, every slide at 0. */
export function armGeometry({
	order,
	grip,
	lengths,
	armsKg,
	torqueNm
}: Omit<Pattern, 'id' | 'name' | 'words' | 'payloadKg'>): GimbalGeometry {
	const { reachM: L, dropM, halfWidthM: W, baseM: B } = lengths;
	const side = grip === 'under' ? -1 : 1;
	const D = side * dropM;
	const thick = 0.1 * L;
	const kg = (share: number) => r4(armsKg * share);
	const tube = (partId: string, widthM: number, ...pointsM: Vec3[]): RigStroke => ({
		kind: 'tube',
		partId,
		pointsM,
		widthM: r4(widthM)
	});
	const motor = (partId: string, atM: Vec3, axis: 'x' | 'y' | 'z'): RigStroke => ({
		kind: 'motor',
		partId,
		atM,
		axis,
		radiusM: r4(1.7 * thick),
		lengthM: r4(2.4 * thick)
	});
	const axis = (id: string, label: string, direction: Vec3, pivotM: Vec3, share: number): RigAxis => ({
		id,
		label,
		direction,
		pivotM,
		motorTorqueNm: r4(torqueNm * share),
		frictionNm: r4(torqueNm * share * 0.015)
	});
	const part = (id: string, label: string, massKg: number, cgM: Vec3, hangsOn: string | null): RigPart => ({
		id,
		label,
		body: { massKg, cgM },
		hangsOn
	});
	const slide = (
		id: string,
		label: string,
		purpose: string,
		[plusWord, minusWord]: [string, string],
		balances: string,
		direction: Vec3,
		rangeM: [number, number],
		moves: string[]
	): RigSlide => ({
		id,
		label,
		purpose,
		plusWord,
		minusWord,
		balances,
		direction,
		rangeM: [r4(rangeM[0]), r4(rangeM[1])],
		moves,
		scale: { readingAtZeroM: r4(-rangeM[0]), sense: 1 },
		knobPitchM: grip === 'over' ? 0.002 : null,
		graduationM: 0.001,
		lock: 'lever',
		zeroSigmaM: 0.0015
	});
	const handle = [
		part('handle', grip === 'under' ? 'Handle' : 'Handlebar', kg(0.55), [0, 0, D + side * 0.9 * L], null)
	];
	const grips: RigStroke[] =
		grip === 'under'
			? [
					tube('handle', 0.24 * L, [0, 0, D + side * 1.6 * L], [0, 0, D + side * 0.5 * L]),
					motor('handle', [0, 0, D + side * 0.28 * L], 'z')
				]
			: [
					tube('handle', 0.1 * L, [0, -0.9 * L, D + 0.4 * L], [0, 0.9 * L, D + 0.4 * L]),
					motor('handle', [0, 0, D + 0.12 * L], 'z')
				];
	const foreAft: [string, string] = ['forward', 'back'];
	const sides: [string, string] = ['left', 'right'];
	const upDown: [string, string] = ['up', 'down'];
	const common = {
		mountM: [0, 0, -B] as Vec3,
		openingM: [r4(2 * W), r4(2.2 * W), r4(0.86 * L)] as Vec3
	};
	const places = (hangsOn: string, movesWith: string[]) => [
		{
			id: 'plateRear',
			label: 'the rear end of the plate',
			atM: [-0.55 * L, 0, -B] as Vec3,
			hangsOn,
			movesWith,
			greatestKg: r4(0.35 * armsKg)
		},
		{
			id: 'plateFront',
			label: 'the front end of the plate',
			atM: [0.55 * L, 0, -B] as Vec3,
			hangsOn,
			movesWith,
			greatestKg: r4(0.35 * armsKg)
		}
	];

	if (order === 'pan-tilt-roll') {
		const outer = ['payload', 'base', 'cradleArm', 'roll', 'tiltArm', 'tilt'];
		return {
			...common,
			axes: [
				axis('pan', 'Pan', [0, 0, 1], [0, 0, D], 1.15),
				axis('tilt', 'Tilt', [0, 1, 0], [0, W, 0], 1),
				axis('roll', 'Roll', [1, 0, 0], [-L, 0, 0], 0.8)
			],
			parts: [
				...handle,
				part('panSleeve', 'Pan sleeve', kg(0.16), [-0.2 * L, -0.4 * W, D], 'pan'),
				part('sideRiser', 'Side riser and tilt motor', kg(0.24), [0, 0.9 * W, 0.3 * D], 'pan'),
				part('tiltArm', 'Tilt arm and roll motor', kg(0.26), [-0.72 * L, 0.35 * W, 0], 'tilt'),
				part('cradleArm', 'Cradle arm', kg(0.12), [-0.6 * L, 0, -0.6 * B], 'roll'),
				part('base', 'Base', kg(0.1), [0, 0, -1.1 * B], 'roll')
			],
			slides: [
				slide('plate', 'Plate', 'tilt, fore-aft', foreAft, 'tilt', [1, 0, 0], [-0.5 * L, 0.7 * L], ['payload']),
				slide(
					'cradle',
					'Cradle',
					'tilt, vertical',
					upDown,
					'tilt',
					[0, 0, 1],
					[-0.6 * B, 0.9 * B],
					['payload', 'base']
				),
				slide(
					'crossbar',
					'Cross slide',
					'roll, side to side',
					sides,
					'roll',
					[0, 1, 0],
					[-0.3 * W, 0.3 * W],
					['payload', 'base']
				),
				slide(
					'panArm',
					'Pan arm',
					'pan, fore-aft',
					foreAft,
					'pan',
					[1, 0, 0],
					[-0.3 * L, 0.6 * L],
					[...outer, 'sideRiser']
				),
				slide(
					'sideBar',
					'Side bar',
					'pan, side to side',
					sides,
					'pan',
					[0, 1, 0],
					[-0.6 * W, 0.3 * W],
					[...outer, 'sideRiser']
				)
			],
			counterweightPlaces: places('roll', ['plate', 'cradle', 'crossbar', 'panArm', 'sideBar']),
			alternatives: [],
			strokes: [
				...grips,
				tube('panSleeve', 0.12 * L, [0, 0, D], [0, 0.5 * W, D]),
				tube('sideRiser', 0.09 * L, [0, 0.4 * W, D], [0, 1.15 * W, D], [0, 1.15 * W, 0]),
				motor('sideRiser', [0, 1.1 * W, 0], 'y'),
				tube('tiltArm', 0.09 * L, [0, 0.9 * W, 0], [-1.1 * L, 0.9 * W, 0], [-1.1 * L, 0, 0]),
				motor('tiltArm', [-1.05 * L, 0, 0], 'x'),
				tube('cradleArm', 0.09 * L, [-0.9 * L, 0, 0], [-0.8 * L, 0, -B - 0.012], [-0.1 * L, 0, -B - 0.012]),
				{ kind: 'box', partId: 'base', atM: [0, 0, -B - 0.006], sizeM: [0.7 * L, 0.5 * W, 0.012] }
			]
		};
	}

	const fixed = order === 'two-axis';
	const onPan = fixed ? null : 'pan';
	const inner = ['payload', 'base', 'upright', 'tilt', 'crossbar'];
	const alternatives = [
		{
			id: 'rearHole',
			kind: 'useHole' as const,
			label: 'the rear hole of the base, 20 mm further back',
			shiftM: [-0.02, 0, 0] as Vec3,
			moves: ['payload']
		},
		{
			id: 'turned',
			kind: 'turnCradle' as const,
			label: 'base reversed, its mount 15 mm further forward',
			shiftM: [0.015, 0, 0] as Vec3,
			moves: ['payload']
		}
	];
	return {
		...common,
		axes: [
			...(fixed ? [] : [axis('pan', 'Pan', [0, 0, 1], [0, 0, D], 1.15)]),
			axis('roll', 'Roll', [1, 0, 0], [-L, 0, 0], 1),
			axis('tilt', 'Tilt', [0, 1, 0], [0, W, 0], 0.85)
		],
		parts: [
			...handle,
			part('panSleeve', fixed ? 'Stem' : 'Pan sleeve', kg(0.18), [-0.3 * L, 0, D], onPan),
			part('riser', 'Riser and roll motor', kg(0.26), [-L, 0, 0.4 * D], onPan),
			part('rollArm', 'Roll arm', kg(0.13), [-0.9 * L, 0.4 * W, 0], 'roll'),
			part('crossbar', 'Crossbar and tilt motor', kg(0.21), [-0.2 * L, 1.02 * W, 0], 'roll'),
			part('upright', 'Upright', kg(0.09), [0, 0.8 * W, -0.5 * B], 'tilt'),
			part('base', 'Base', kg(0.11), [0, 0.3 * W, -1.1 * B], 'tilt')
		],
		slides: [
			slide('plate', 'Plate', 'tilt, fore-aft', foreAft, 'tilt', [1, 0, 0], [-0.35 * L, 0.3 * L], ['payload']),
			slide('cradle', 'Cradle', 'tilt, vertical', upDown, 'tilt', [0, 0, 1], [-0.5 * B, 0.7 * B], ['payload', 'base']),
			slide('crossbar', 'Crossbar', 'roll, side to side', sides, 'roll', [0, 1, 0], [-0.75 * W, 0.1 * W], inner),
			...(fixed
				? []
				: [
						slide(
							'panArm',
							'Pan arm',
							'pan, fore-aft',
							foreAft,
							'pan',
							[1, 0, 0],
							[-0.12 * L, 0.6 * L],
							[...inner, 'rollArm', 'roll', 'riser']
						)
					])
		],
		counterweightPlaces: places('tilt', ['plate', 'cradle', 'crossbar', ...(fixed ? [] : ['panArm'])]),
		alternatives,
		strokes: [
			...grips,
			tube('panSleeve', 0.13 * L, [0.08 * L, 0, D], [-0.8 * L, 0, D]),
			tube('riser', 0.09 * L, [-0.45 * L, 0, D], [-1.14 * L, 0, D], [-1.14 * L, 0, 0.1 * D]),
			motor('riser', [-1.14 * L, 0, 0], 'x'),
			tube('rollArm', 0.11 * L, [-0.94 * L, 0, 0], [-0.94 * L, 0.7 * W, 0]),
			tube('crossbar', 0.08 * L, [-0.94 * L, 0.2 * W, 0], [-0.94 * L, 1.2 * W, 0], [-0.12 * L, 1.2 * W, 0]),
			motor('crossbar', [0, 1.14 * W, 0], 'y'),
			tube('upright', 0.1 * L, [0, 0.86 * W, 0.2 * B], [0, 0.86 * W, -B - 0.02]),
			{ kind: 'box', partId: 'base', atM: [0, 0.35 * W, -B - 0.006], sizeM: [0.7 * L, 1.2 * W, 0.012] }
		]
	};
}
