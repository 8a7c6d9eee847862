import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { crane } from '$lib/testing/crane';
import { aroundM, reachAround } from './reach';
import { bareSetting, noseU } from './standing';

const { geometry } = crane('sectional');
const cine = bodies(payload('Cine'));
const empty = { ceilingM: null, wallM: null, rowsFromM: null, headsM: 1.9, lineM: null };
const setting = { ...bareSetting(geometry), fitted: ['first', 'second'] };
const around = (room: object) => reachAround(geometry, setting, cine, { ...empty, ...room });
const found = (room: object, what: string) => around(room).findings.find((each) => each.what === what)!;

describe('reach', () => {
	it('raises the lens with the boom, the same height above its hinge throughout', () => {
		const { samples, lensLowM, lensHighM } = around({});
		expect(lensHighM).toBeGreaterThan(lensLowM + 3);
		const reach = noseU(geometry, setting);
		for (const { boomRad, lensM } of samples)
			expect(lensM[1] - (1.35 + reach * Math.sin(boomRad) + geometry.nose.vM * Math.cos(boomRad))).toBeCloseTo(
				samples[0]!.lensM[1] -
					(1.35 + reach * Math.sin(samples[0]!.boomRad) + geometry.nose.vM * Math.cos(samples[0]!.boomRad)),
				9
			);
	});
	it('keeps people out of more than the arm’s own length', () => {
		expect(around({}).keepOutM).toBeGreaterThan(noseU(geometry, setting) + 0.5);
	});
	it('asks as much more of everything as the nose gives: the same distances, fewer booms', () => {
		const by = (givesM: number) =>
			reachAround({ ...geometry, givesM }, setting, cine, { ...empty, ceilingM: 4, wallM: 9, lineM: 30 });
		const [stiff, soft] = [by(0), by(0.25)];
		stiff.findings.forEach((each, k) => {
			expect(soft.findings[k]!.clearM, each.what).toBe(each.clearM);
			expect(soft.findings[k]!.wantedM, each.what).toBeCloseTo(each.wantedM + 0.25, 12);
		});
		expect(stiff.findings.map(({ wantedM }) => wantedM)).toEqual([0.05, aroundM, aroundM, 10]);
		expect(soft.keep![1]).toBeLessThan(stiff.keep![1]);
		expect(soft.keep![0]).toBeGreaterThan(stiff.keep![0]);
		// Nobody has said: by its reach.
		expect(found({ ceilingM: 3 }, 'ceiling').wantedM).toBeCloseTo(aroundM + 0.02 * noseU(geometry, setting), 12);
	});
	it('finds the ceiling, and the boom that stays clear of it', () => {
		const high = found({ ceilingM: 3 }, 'ceiling');
		expect(high.clearM).toBeLessThan(0);
		expect(high.keep![1]).toBeLessThan(geometry.boomRangeRad[1]);
		const at = around({ ceilingM: 3 }).samples.find(({ boomRad }) => boomRad === high.keep![1])!;
		expect(3 - at.highestM).toBeGreaterThanOrEqual(aroundM);
		expect(found({ ceilingM: 20 }, 'ceiling').keep).toEqual(geometry.boomRangeRad);
	});
	it('finds the wall that no boom passes, and one that only a raised arm does', () => {
		expect(found({ wallM: 1 }, 'wall').keep).toBeNull();
		const near = found({ wallM: noseU(geometry, setting) }, 'wall');
		expect(near.clearM).toBeLessThan(0);
		expect(near.keep).not.toBeNull();
	});
	it('lets it pass over rows of people only high enough, and short of them at any height', () => {
		const over = found({ rowsFromM: 2 }, 'rows');
		expect(over.clearM).toBeLessThan(0);
		const lowest = around({ rowsFromM: 2 }).samples.find(({ boomRad }) => boomRad === over.keep![0])!;
		expect(lowest.lowestM).toBeGreaterThanOrEqual(1.9 + aroundM);
		expect(found({ rowsFromM: 9 }, 'rows').keep).toEqual(geometry.boomRangeRad);
	});
	it('counts the arm over the rows, not only its nose', () => {
		const near = found({ rowsFromM: 1 }, 'rows');
		const far = found({ rowsFromM: 2.5 }, 'rows');
		// Nearer the pivot the arm hangs lower for the same boom.
		expect(near.keep![0]).toBeGreaterThan(far.keep![0]);
		expect(1.35 + Math.tan(near.keep![0]) - geometry.tubeAcrossM).toBeGreaterThanOrEqual(1.9 + aroundM - 1e-9);
	});
	it('keeps from everything at once', () => {
		const both = around({ ceilingM: 4.4, rowsFromM: 2 });
		const [ceiling, rows] = ['ceiling', 'rows'].map((what) => both.findings.find((each) => each.what === what)!);
		expect(both.keep![0]).toBeGreaterThanOrEqual(rows!.keep![0]);
		expect(both.keep![1]).toBeLessThanOrEqual(ceiling!.keep![1]);
		expect(around({ ceilingM: 2, rowsFromM: 1 }).keep).toBeNull();
	});
	it('asks for ten metres from an overhead line', () => {
		expect(found({ lineM: 9 }, 'line').keep).toBeNull();
		expect(found({ lineM: 40 }, 'line').keep).toEqual(geometry.boomRangeRad);
	});
	it('sees the nose strike the floor', () => expect(found({}, 'floor').clearM).toBeLessThan(0));
});
