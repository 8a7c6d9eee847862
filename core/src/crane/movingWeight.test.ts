import { describe, expect, it } from 'vitest';
import { craneMoment, movingWeight } from '../index';

describe('a weight that moves as the arm grows', () => {
	it('leaves the moment at its wanted bias at every length', () => {
		// A tube of 6 kg whose middle goes out with it, a head of 4 kg at its end.
		const lengths = [1.5, 1.8, 2.1, 2.4];
		const parts = (length: number) => [
			{ id: 'tube', massKg: 6, uM: length - 0.7, vM: 0 },
			{ id: 'head', massKg: 4, uM: length, vM: 0 }
		];
		const others = lengths.map((length) => parts(length).reduce((sum, { massKg, uM }) => sum + massKg * uM, 0));
		const wanted = lengths.map((length) => 0.05 * length);
		const { places, travelM } = movingWeight({
			othersUKgM: others,
			wantedUKgM: wanted,
			massKg: 18,
			rangeU: [-2, 0]
		});
		lengths.forEach((length, index) => {
			const weight = { id: 'weight', massKg: 18, uM: places[index]!.uM, vM: 0 };
			const [moment] = craneMoment({ arm: { parts: [...parts(length), weight] }, boomRad: [0] }).momentNm;
			expect(moment! / (9.80665 * length)).toBeCloseTo(0.05, 9);
		});
		// 10 kg go out by 0.9 m, less what the bias grows: 18 kg go back by that over 18.
		expect(travelM).toBeCloseTo((10 * 0.9 - 0.05 * 0.9) / 18, 12);
	});
	it('marks what its travel does not reach, and gives it all the same', () => {
		const { places } = movingWeight({ othersUKgM: [1, 5], wantedUKgM: [0, 0], massKg: 5, rangeU: [-0.5, -0.1] });
		expect(places).toEqual([
			{ uM: -0.2, within: true },
			{ uM: -1, within: false }
		]);
	});
	it.each([
		['massKg', { massKg: 0 }],
		['rangeU', { rangeU: [1, -1] as const }],
		['wantedUKgM', { wantedUKgM: [] }],
		['othersUKgM', { othersUKgM: [] }],
		['othersUKgM[0]', { othersUKgM: [NaN] }]
	])('refuses %s that makes no sense', (field, wrong) => {
		const sound = { othersUKgM: [1], wantedUKgM: [0], massKg: 5, rangeU: [-1, 0] as const };
		expect(() => movingWeight({ ...sound, ...wrong })).toThrow(field);
	});
});
