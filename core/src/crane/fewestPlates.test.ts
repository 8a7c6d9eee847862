import { describe, expect, it } from 'vitest';
import { chooseCounterweights, type PlateCount, type Random, seededRandom } from '../index';
import { fewestWithin } from './fewestPlates';

const between = (random: Random, least: number, greatest: number) => least + (greatest - least) * random();
const seeds = Array.from({ length: 60 }, (_, index) => index + 1);
const massOf = (kinds: readonly PlateCount[], counts: readonly number[]) =>
	counts.reduce((sum, count, k) => sum + count * kinds[k]!.massKg, 0);
const platesOf = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);

describe('the shortest stacks about a mass', () => {
	const drawn = (random: Random): PlateCount[] =>
		Array.from({ length: Math.floor(random() * 6) }, () => ({
			// Some of the same mass, and some of which there are none.
			massKg: random() < 0.3 ? 2.5 : Math.round(between(random, 100, 9000)) / 1000,
			count: Math.floor(random() * 5)
		}));
	it.each(seeds)('are those that trying every stack finds, seed %d', (seed) => {
		const random = seededRandom(seed);
		const kinds = drawn(random);
		const aroundKg = between(
			random,
			-2,
			1.1 *
				massOf(
					kinds,
					kinds.map(({ count }) => count)
				) +
				1
		);
		const withinKg = between(random, 0.001, 1.5);
		const most = 1 + Math.floor(random() * 6);
		let all: number[][] = [[]];
		for (const { count } of kinds)
			all = all.flatMap((stack) => Array.from({ length: count + 1 }, (_, hung) => [...stack, hung]));
		const off = (counts: readonly number[]) => Math.abs(massOf(kinds, counts) - aroundKg);
		const forced = all
			.filter((counts) => off(counts) <= withinKg)
			.sort((a, b) => platesOf(a) - platesOf(b) || off(a) - off(b))
			.slice(0, most);
		const found = fewestWithin(kinds, { aroundKg, withinKg, most })!;
		expect(found.map(platesOf)).toEqual(forced.map(platesOf));
		found.forEach((counts, index) => {
			expect(off(counts)).toBeCloseTo(off(forced[index]!), 9);
			counts.forEach((count, k) => expect(count).toBeLessThanOrEqual(kinds[k]!.count));
		});
	});
	it('says nothing where it would take too long, and never “none”', () => {
		const kinds = [4.001, 3.003, 2.007, 1.009].map((massKg) => ({ massKg, count: 40 }));
		const asked = { aroundKg: 100.0005, withinKg: 1e-9, most: 3 };
		expect(fewestWithin(kinds, { ...asked, mostSteps: 50 })).toBeNull();
		expect(fewestWithin(kinds, { ...asked })).not.toBeNull();
	});
});

describe('counterweights out of many', () => {
	/** The fewest plates of every gram, kind by kind. */
	function fewestOfGrams(kinds: readonly PlateCount[], mostG: number): Int32Array {
		let fewest = new Int32Array(mostG + 1).fill(1e6);
		fewest[0] = 0;
		for (const { massKg, count } of kinds) {
			const [grams, before] = [Math.round(massKg * 1000), fewest];
			fewest = before.slice();
			for (let hung = 1; hung <= count; hung += 1)
				for (let at = hung * grams; at <= mostG; at += 1)
					fewest[at] = Math.min(fewest[at]!, before[at - hung * grams]! + hung);
		}
		return fewest;
	}
	it.each([
		...seeds.slice(0, 8).map((seed) => [seed, 'odd', 1]),
		...seeds.slice(0, 8).map((seed) => [seed, 'round', 500])
	] as [number, string, number][])(
		'are those of the least plates of every gram, seed %d, %s masses',
		(seed, _, grams) => {
			const random = seededRandom(seed);
			const kinds = Array.from({ length: 8 }, () => ({
				massKg: (grams * Math.ceil(between(random, 300, 9000) / grams)) / 1000,
				count: 12 + Math.floor(random() * 28)
			}));
			const trimKg = random() < 0.3 ? 0 : between(random, 1, 4);
			const [hangerU, noseU] = [-between(random, 0.7, 1.6), 5];
			const headKg = between(random, 4, 18);
			const arm = { parts: [{ id: 'head', massKg: headKg, uM: noseU, vM: 0 }] };
			const [low, high] = [-0.7, -0.3];
			const { choices } = chooseCounterweights({
				...{ arm, plates: kinds, hanger: { uM: hangerU, vM: 0 }, noseBiasKg: 0.05, noseU },
				trim: { massKg: trimKg, rangeU: [low, high], vM: 0 }
			});
			const rank = (massKg: number, plates: number) => {
				const without = headKg * noseU + massKg * hangerU - 0.05 * noseU;
				const trimU = trimKg === 0 ? (low + high) / 2 : Math.min(high, Math.max(low, -without / trimKg));
				const left = Math.round(Math.abs(without + trimKg * trimU) / (1e-4 * noseU));
				return [left, Math.round(Math.abs(trimU - (low + high) / 2) / 1e-4), plates] as const;
			};
			const fewest = fewestOfGrams(kinds, 150_000);
			let best: readonly [number, number, number] = [Infinity, Infinity, Infinity];
			for (let at = 0; at < fewest.length; at += 1) {
				if (fewest[at]! >= 1e6) continue;
				const here = rank(at / 1000, fewest[at]!);
				if ((here[0] - best[0] || here[1] - best[1] || here[2] - best[2]) < 0) best = here;
			}
			const counts = choices[0]!.plates.map(({ count }) => count);
			expect(rank(massOf(kinds, counts), platesOf(counts))).toEqual(best);
			choices.forEach(({ plates }) =>
				plates.forEach(({ count }, k) => expect(count).toBeLessThanOrEqual(kinds[k]!.count))
			);
		}
	);
});
