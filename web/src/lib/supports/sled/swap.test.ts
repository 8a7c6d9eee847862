import { describe, expect, it } from 'vitest';
import { bodies, payload, shelf } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { sledFigures } from './figures';
import { linesBetween } from './slip';
import { carriedOver, sledBuilds, swapLines } from './swap';

const light = sled('light');
const [wide, monitor] = [payload('wide'), payload('monitor')];
const builds = sledBuilds(light, [wide, monitor], shelf, benchState(light));

describe('the swap sheet of a sled', () => {
	it('has every build poised by the same wishes', () => {
		expect(builds.map(({ poised }) => poised)).toEqual([true, true]);
		for (const { dropTimeS } of builds) expect(Math.abs(dropTimeS! - 2.5)).toBeLessThan(0.15);
		expect(builds[1]!.payloadKg - builds[0]!.payloadKg).toBeCloseTo(0.13, 6);
	});
	it('goes from one to the other and back by the same moves turned round', () => {
		const [from, to] = [builds[0]!, builds[1]!];
		const there = swapLines(light, from, to, 'metric');
		const back = swapLines(light, to, from, 'metric');
		expect(there.length).toBeGreaterThan(2);
		expect(back.map(({ id }) => id)).toEqual(there.map(({ id }) => id));
		const turned = (words: string) =>
			words.replace(/forward|back|left|right|up|down/, (word) => {
				const other = { forward: 'back', back: 'forward', left: 'right', right: 'left', up: 'down', down: 'up' };
				return other[word as keyof typeof other];
			});
		expect(back.map(({ strong }) => strong)).toEqual(there.map(({ strong }) => turned(strong)));
		expect(swapLines(light, from, from, 'metric')).toEqual([]);
	});
	it('carries over what was found right: the offset of the true sled stays', () => {
		const [from, to] = [builds[0]!, builds[1]!];
		const found = { ...from.setting, fineForeM: from.setting.fineForeM + 0.001, gimbalM: from.setting.gimbalM - 0.002 };
		const next = carriedOver(light, found, from, to);
		expect(next.gimbalM - to.setting.gimbalM).toBeCloseTo(-0.002, 12);
		const plate = (of: typeof next) => of.coarseForeM + of.fineForeM;
		expect(plate(next) - plate(to.setting)).toBeCloseTo(0.001, 12);
		expect(linesBetween(light.geometry, found, carriedOver(light, found, from, from), 'metric')).toEqual([]);
	});
	it('leaves a bare plate out and says when a build cannot be poised', () => {
		const bare = { ...wide, placements: [] };
		expect(sledBuilds(light, [bare], shelf, benchState(light))).toEqual([]);
		const [heavy] = sledBuilds(light, [payload('Cine')], shelf, benchState(light));
		expect(heavy!.poised).toBe(false);
		const state = benchState(light, { setting: builds[0]!.setting });
		expect(sledFigures(light, bodies(wide), state, null).placed).toBe(true);
	});
});
