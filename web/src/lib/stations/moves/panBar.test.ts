import { frameOf } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { fromPattern } from './fromPattern';
import type { Move, RailSupport } from './model';
import { barOf } from './panBar';
import { poseOf } from './path';
import { movePatterns } from './patterns';

/* A bar beside the rail has no motor to put it right: which way it turns the camera is judged by where the subject then stands in the picture. */

function railed(
	of: Partial<RailSupport>,
	subject: 'left' | 'right',
	setting: 'holding' | 'sweeping' = 'holding'
): Move {
	const bare = fromPattern(
		movePatterns.find(({ id }) => id === 'slider')!,
		'A move',
		null,
		null
	);
	if (bare.support.kind !== 'rail') throw new Error('The pattern has a rail.');
	const support: RailSupport = { ...bare.support, headingRad: 0, inclineRad: 0, ...of };
	const middle = (support.travelM[0] + support.travelM[1]) / 2;
	const { distanceM } = bare.head.bar;
	const [x, y, z] = support.startM;
	const [cos, sin] = [Math.cos(support.headingRad), Math.sin(support.headingRad)];
	const off = subject === 'left' ? distanceM : -distanceM;
	return {
		...bare,
		support,
		head: { ...bare.head, kind: 'bar', bar: { ...bare.head.bar, setting } },
		subject: { ...bare.subject, atM: [x + middle * cos - off * sin, y + middle * sin + off * cos, z] }
	};
}
/** Where the subject stands beside the middle of the picture, in widths, to the right; null: behind the camera. */
function beside(move: Move, share: number): number | null {
	if (move.support.kind !== 'rail') throw new Error('no rail');
	const [from, to] = move.support.travelM;
	const trackM = from + share * (to - from);
	const locked = { ...move.knots[0]!.values, panRad: 0, tiltRad: 0 };
	const turned = barOf(move)(trackM, locked);
	const { camera } = move;
	return frameOf({
		...{ pose: poseOf(move, { ...locked, ...turned, trackM }), pointM: move.subject.atM, focalM: locked.focalM },
		...{ sensorWidthM: camera.sensorWidthM, sensorHeightM: camera.sensorHeightM }
	}).xWidths;
}
const stances = ['up', 'hung'] as const;

describe.each(['left', 'right'] as const)('a bar beside a level rail, its subject to the %s', (side) => {
	it.each(stances)('holds it about the middle of the picture from end to end: %s', (stance) => {
		for (const headingRad of [0, 2.1, -0.7])
			for (const share of [0, 0.25, 0.5, 0.75, 1]) {
				const off = beside(railed({ stance, headingRad }, side), share);
				expect(off, `${share} of the way`).not.toBeNull();
				expect(Math.abs(off!), `${share} of the way`).toBeLessThan(0.1);
			}
	});
	it.each(stances)(
		'swept, it turns against the way: the subject leaves at both ends, to either side alike: %s',
		(stance) => {
			const move = railed({ stance }, side, 'sweeping');
			const [first, last] = [beside(move, 0)!, beside(move, 1)!];
			expect(Math.abs(beside(move, 0.5)!)).toBeLessThan(1e-6);
			expect(first * last).toBeLessThan(0);
			expect(Math.abs(first)).toBeGreaterThan(0.3);
			expect(Math.abs(first)).toBeCloseTo(Math.abs(last), 6);
		}
	);
});

describe('a bar beside a rail that stands on end', () => {
	it('turns the tilt, down as the carriage rises and up as it sinks, and leaves the pan as it was locked', () => {
		const locked = { ...railed({}, 'left').knots[0]!.values, panRad: 0.4, tiltRad: 0.1 };
		const tilts = (inclineRad: number, stance: 'up' | 'hung') => {
			const move = railed({ inclineRad, stance }, 'left');
			const [from, to] = (move.support as RailSupport).travelM;
			return [from, (from + to) / 2, to].map((trackM) => {
				const { panRad, tiltRad } = barOf(move)(trackM, locked);
				expect(panRad).toBe(0.4);
				return tiltRad;
			});
		};
		const [low, middle, high] = tilts(Math.PI / 2, 'up') as [number, number, number];
		expect(low).toBeGreaterThan(0.1);
		expect(middle).toBeCloseTo(0, 12);
		expect(high).toBeCloseTo(-low, 12);
		const fallen = tilts(-Math.PI / 2, 'up');
		expect(fallen[0]).toBeCloseTo(-low, 12);
		expect(tilts(Math.PI / 2, 'hung')[0]).toBeCloseTo(-low, 12);
	});
	it('beyond its travel it goes no further than at its end', () => {
		const move = railed({}, 'left');
		const [from, to] = (move.support as RailSupport).travelM;
		const locked = move.knots[0]!.values;
		expect(barOf(move)(to + 1, locked)).toEqual(barOf(move)(to, locked));
		expect(barOf(move)(from - 1, locked)).toEqual(barOf(move)(from, locked));
	});
});
