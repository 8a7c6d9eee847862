import { type Sled, sledReport, steadyLean, withShifts } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload, standing } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';
import { leanInWords, predictedSpins, spinExplained } from './spin';
import { boxFaces, exaggeration, rotationOf, sceneOf, turned } from './spinScene';

const heavy = sled('heavy');
const cine = bodies(payload('Cine'));
const poised = poisedFrom(heavy, cine, benchState(heavy));
const figures = sledFigures(heavy, cine, poised, null);
/** Static kept, dynamic spoilt: batteries back, camera with them. */
const spoilt: Sled = (() => {
	const moved = withShifts(figures.sled, { rearBattery: { foreM: 0.09 } });
	const camera = moved.parts.find(({ id }) => id === 'camera')!.body.massKg;
	return withShifts(moved, { camera: { foreM: -(1.25 * 0.09) / camera } });
})();

describe('predicted spins', () => {
	it('are upright for a poised sled and lean against the principal axis for a spoilt one', () => {
		for (const { foreRad } of predictedSpins(figures.sled)) expect(Math.abs(foreRad!)).toBeLessThan(0.03);
		const { foreLeanRad } = sledReport({ sled: spoilt }).dynamic;
		expect(Math.abs(foreLeanRad)).toBeGreaterThan(0.02);
		const hand = predictedSpins(spoilt).find(({ id }) => id === 'hand')!;
		expect(Math.sign(hand.foreRad!)).toBe(-Math.sign(foreLeanRad));
		expect(hand.foreRad! / -foreLeanRad).toBeCloseTo(1, 1);
	});
	it('are told in words that name the changeover and the side', () => {
		const { criticalRadPerS } = steadyLean({ sled: spoilt, spinRadPerS: 0, plane: 'fore' });
		const [slow, fast] = spinExplained(spoilt);
		expect(slow).toContain(`${((criticalRadPerS! * 60) / (2 * Math.PI)).toFixed(0)} turns a minute`);
		expect(fast).toContain(sledReport({ sled: spoilt }).dynamic.foreLeanRad > 0 ? 'back' : 'forward');
		const topHeavy = { ...figures.sled, gimbalHeightM: figures.report.cgM[2] - 0.02 };
		expect(spinExplained(topHeavy)[0]).toContain('over the gimbal');
	});
	it.each([
		[0, 0, 'upright'],
		[0.0005, -0.0005, 'upright'],
		[0.05, 0, '2.9° forward'],
		[-0.02, -0.02, '1.1° back, 1.1° right']
	])('%d, %d reads %s', (fore, side, words) => expect(leanInWords(fore, side)).toBe(words));
	it('has a word for what cannot stand', () => expect(leanInWords(null, 0)).toBe('cannot stand so'));
});

describe('the picture of a spin', () => {
	it.each([
		[0, 0, 0],
		[0.3, -0.2, 1.2],
		[-0.8, 0.5, -2.9]
	])('turns without stretching and leans as told: %d, %d, %d', (foreLeanRad, sideLeanRad, headingRad) => {
		const rotation = rotationOf({ foreLeanRad, sideLeanRad, headingRad });
		const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, k) => sum + value * b[k]!, 0);
		rotation.forEach((row, i) =>
			rotation.forEach((other, j) => expect(dot(row, other)).toBeCloseTo(i === j ? 1 : 0, 12))
		);
		const [x, , z] = rotation;
		const ahead = [Math.cos(headingRad), Math.sin(headingRad), 0];
		expect(Math.atan2(dot(z, ahead), z[2])).toBeCloseTo(foreLeanRad, 12);
		expect(Math.atan2(-dot(z, [ahead[1]!, -ahead[0]!, 0]), z[2])).toBeCloseTo(sideLeanRad, 12);
		// The camera still looks along its heading, seen from above.
		expect(Math.atan2(x[1], x[0])).toBeCloseTo(headingRad, 12);
		// Right-handed.
		expect(turned(rotation, [0, 0, 1])).toEqual(z);
	});
	it('draws every face outwards', () => {
		const [box] = sceneOf(heavy.geometry, poised.setting, []);
		const centre = [0, 1, 2].map((k) => box!.cornersM.reduce((sum, corner) => sum + corner[k]! / 8, 0));
		for (const face of boxFaces) {
			const [a, b, c] = face.map((place) => [...box!.cornersM[place]!]) as [number[], number[], number[]];
			const [u, v] = [b, c].map((corner) => corner.map((value, k) => value - a[k]!)) as [number[], number[]];
			const normal = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!];
			const out = a.map((value, k) => value - centre[k]!);
			expect(normal.reduce((sum, value, k) => sum + value * out[k]!, 0)).toBeGreaterThan(0);
		}
	});
	it('holds every part of the build and every thing on the post but cables', () => {
		const parts = standing(payload('Cine'));
		const scene = sceneOf(heavy.geometry, poised.setting, parts);
		expect(scene.filter(({ kind }) => kind === 'camera')).toHaveLength(parts.length);
		// Monitor, a pair, rear battery, junction box, receiver.
		expect(scene.filter(({ kind }) => kind === 'item')).toHaveLength(6);
	});
	it('exaggerates small leans in whole steps and large ones not at all', () => {
		expect([0.3, 0.1, 0.05, 0.02, 0.001].map(exaggeration)).toEqual([1, 1, 2, 5, 20]);
	});
});
