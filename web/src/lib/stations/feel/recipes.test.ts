import { describe, expect, it } from 'vitest';
import { lightTurnings, testFeel, testSheet } from '$lib/testing/feel';
import type { RecipeDetail } from './model';
import { recipeFor } from './recipe';
import { differences, differenceWords } from './recipes';
import { shotOf } from './shots';
import { adviceFor } from './which';
import { gestureKeys, modeKinds, postures } from './model';
import { nextSetting, pressed, ready, type Timing } from './turnTimer';

const sheet = testSheet();
const about = { turnings: lightTurnings, payload: { id: 'p' }, massKg: 1.6 };
const recipe = (next: Parameters<typeof testFeel>[0] = {}): RecipeDetail =>
	recipeFor(sheet, testFeel(next), shotOf({ own: [] }, next.shotId ?? 'walkBehind'), about)!;
const withFollow = (follow: number) => ({ now: { ...testFeel().now, pan: { ...testFeel().now.pan, follow } } });

describe('a recipe beside today', () => {
	it('differs in nothing from itself', () => {
		expect(differences(recipe(), recipe())).toEqual([]);
		expect(differenceWords([])).toMatch(/Nothing differs/);
	});
	it('says why: the lens is longer', () => {
		const [then, today] = [recipe(withFollow(35)), recipe({ ...withFollow(42), focalM: 0.085 })];
		expect(differenceWords(differences(then, today))).toContain(
			`${sheet.scales.follow.name} 35 → 42, because the lens is longer`
		);
		expect(differenceWords(differences(today, then))).toContain('42 → 35, because the lens is shorter');
	});
	it('leaves another gimbal’s figures out', () => {
		const found = differences(recipe(withFollow(35)), recipe(withFollow(42)), false);
		expect(found.map(({ what }) => what)).not.toContain(sheet.scales.follow.name);
	});
	it('is none where nothing turns, and speaks for the axis there is', () => {
		expect(recipeFor(sheet, testFeel(), shotOf({ own: [] }, 'orbit'), { ...about, turnings: {} })).toBeNull();
		const tilted = recipeFor(sheet, testFeel(), shotOf({ own: [] }, 'orbit'), {
			...about,
			turnings: { tilt: lightTurnings.tilt! }
		});
		expect([tilted?.axis, tilted?.axes]).toEqual(['tilt', ['tilt']]);
	});
});

describe('which mode', () => {
	it('has an answer for every shot, posture and crew, and never twice the same', () => {
		for (const gesture of gestureKeys)
			for (const posture of postures)
				for (const people of [1, 2, 3] as const) {
					const [first, second] = adviceFor({ id: 'x', gesture, walk: 'walk' }, posture, people);
					expect(modeKinds).toContain(first.mode);
					expect(second?.mode).not.toBe(first.mode);
					expect([first.who, first.why].every((words) => words.length > 20)).toBe(true);
				}
	});
	it('a head operator works with everything holding; one person walks with pan following', () => {
		const walk = { id: 'walkBehind', gesture: 'walk', walk: 'walk' } as const;
		expect(adviceFor(walk, 'upright', 1)[0]).toMatchObject({ mode: 'panFollows', turnsBy: 'wrist' });
		expect(adviceFor(walk, 'upright', 2)[0]).toMatchObject({ mode: 'holds', turnsBy: 'stick' });
		expect(adviceFor(walk, 'upright', 3)[0].who).toMatch(/third pulls focus/);
		expect(adviceFor(walk, 'underslung', 1)[0].who).toMatch(/Upside down/);
	});
});

describe('a turn timed with one thumb', () => {
	it('takes the turn, half of the way and rest in three presses, then begins anew', () => {
		const presses = [1000, 1420, 2300];
		const done = presses.reduce<Timing>(pressed, ready);
		expect(done).toEqual({ at: 'done', halfS: 0.42, endS: 1.3 });
		expect(pressed(done, 9000)).toEqual({ at: 'turned', fromMs: 9000 });
	});
	it('a thumb that trembles is not a second press', () => {
		const turned = pressed(ready, 1000);
		expect(pressed(turned, 1010)).toBe(turned);
		const half = pressed(turned, 1500);
		expect(pressed(half, 1520)).toBe(half);
	});
	it('asks for settings far apart that were not timed yet', () => {
		const scale = { least: 0, most: 100 };
		expect(nextSetting(scale, [])).toBe(20);
		expect(nextSetting(scale, [22])).toBe(80);
		expect(nextSetting(scale, [20, 80])).toBe(50);
		expect(nextSetting({ least: 1, most: 11 }, [3])).toBe(9);
	});
});
