import { radFromDeg } from '@poise/core';
import type { HeadFigures } from '$lib/model/head';

const deg = radFromDeg;
export const turn = (fromDeg: number, toDeg: number, rateDeg: number, accelDeg: number) => ({
	range: [deg(fromDeg), deg(toDeg)] as const,
	maxRate: deg(rateDeg),
	maxAccel: deg(accelDeg)
});

/** Generic heads to start from. */
export const headPatterns: readonly { readonly id: string; readonly name: string; readonly head: HeadFigures }[] = [
	{
		id: 'small',
		name: 'Small remote head',
		head: {
			pattern: 'small',
			massKg: 1.6,
			pan: turn(-175, 175, 60, 90),
			tilt: turn(-90, 60, 45, 80),
			roll: null,
			focus: { turns: 0.75, maxTurnsPerS: 0.6 },
			zoom: { turns: 0.4, maxTurnsPerS: 0.4 },
			hold: 'watched'
		}
	},
	{
		id: 'large',
		name: 'Large remote head',
		head: {
			pattern: 'large',
			massKg: 9,
			pan: turn(-720, 720, 90, 120),
			tilt: turn(-120, 120, 75, 110),
			roll: turn(-45, 45, 30, 60),
			focus: { turns: 0.8, maxTurnsPerS: 1.2 },
			zoom: { turns: 0.5, maxTurnsPerS: 0.6 },
			hold: 'held'
		}
	},
	{
		id: 'table',
		name: 'Table-top motor head',
		head: {
			pattern: 'table',
			massKg: 0.9,
			pan: turn(-170, 170, 39, 60),
			tilt: turn(-95, 95, 30, 50),
			roll: null,
			focus: { turns: 0.6, maxTurnsPerS: 0.5 },
			zoom: null,
			hold: 'watched'
		}
	}
];
