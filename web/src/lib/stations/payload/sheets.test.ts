import { describe, expect, it } from 'vitest';
import { checksLeft, freshChecklist } from '$lib/model/paper';
import { sinceCalibration, type HorizonEntry } from '$lib/supports/gimbal/horizon';
import { payload, rig, shelf, standing } from '$lib/testing/scenario';
import { freshPower, powerFigures } from './powerSheet';
import { readingIn, swapBuilds, swapMoves } from '../../supports/gimbal/swap';

const ids = () => {
	let count = 0;
	return () => `id${(count += 1)}`;
};

describe('the swap sheet', () => {
	const small = rig('Small');
	const payloads = ['wide', 'monitor', 'tele'].map(payload);
	const builds = swapBuilds(payloads, shelf, small);
	it('stands every build where it balances, and says which does not', () => {
		expect(builds.map(({ fits }) => fits)).toEqual([true, true, false]);
		for (const { targetsM } of builds)
			for (const { id, rangeM } of small.geometry.slides) {
				expect(targetsM[id]).toBeGreaterThanOrEqual(rangeM[0]);
				expect(targetsM[id]).toBeLessThanOrEqual(rangeM[1]);
			}
	});
	it('gives no reading to set, and no way to go, for one that does not balance here', () => {
		for (const slide of small.geometry.slides) {
			expect(readingIn(builds[2]!, slide)).toBe('–');
			expect(Number(readingIn(builds[0]!, slide))).not.toBeNaN();
		}
		const moves = swapMoves(builds);
		expect(moves).toHaveLength(2);
		expect(moves.flatMap(({ fromId, toId }) => [fromId, toId])).not.toContain(payloads[2]!.id);
	});
	it('goes from each to each, and round a circle back to where it began', () => {
		const large = rig('Large');
		const there = swapBuilds(payloads, shelf, large).map((build) => ({ ...build, fits: true }));
		const moves = swapMoves(there);
		expect(moves).toHaveLength(6);
		const find = (from: number, to: number) =>
			moves.find(({ fromId, toId }) => fromId === payloads[from]!.id && toId === payloads[to]!.id)!;
		for (const { id } of large.geometry.slides) {
			const round = [find(0, 1), find(1, 2), find(2, 0)].reduce((sum, { movesM }) => sum + movesM[id]!, 0);
			expect(round).toBeCloseTo(0, 12);
			expect(find(0, 1).movesM[id]).toBeCloseTo(-find(1, 0).movesM[id]!, 12);
		}
	});
	it('leaves a bare plate out', () =>
		expect(swapBuilds([{ ...payload('wide'), placements: [] }], shelf, small)).toEqual([]));
});

describe('a first power sheet', () => {
	const paper = freshPower(standing(payload('Cine')), ids());
	it('has the worn battery and a rough draw for what draws', () => {
		expect(paper.sources[0]!.name).toBe('Block battery');
		expect(paper.loads.map(({ name }) => name).sort()).toEqual(['Cine body', 'Focus motor', 'Seven-inch monitor']);
		expect(powerFigures(paper)!.plan.sources[0]!.setRunTimeS).toBeGreaterThan(1800);
	});
	it('reads the indicator against the run time down to the margin', () => {
		const told = powerFigures({ ...paper, lit: paper.indicator.length })!;
		expect(told.charge!.seconds[1]).toBeCloseTo(told.plan.sources[0]!.setRunTimeS!, 6);
		expect(powerFigures({ ...paper, lit: 1 })!.charge!.seconds[0]).toBe(0);
	});
	it('is no sum while a load hangs on no tap', () => expect(powerFigures({ ...paper, taps: [] })).toBeNull());
	it('of a small build takes a camera battery', () =>
		expect(freshPower(standing(payload('wide')), ids()).sources[0]!.name).toBe('Camera battery'));
});

describe('the checklist', () => {
	const list = freshChecklist(ids());
	const stamp = { by: 'Pia Tolland', at: '2026-01-01T00:00:00.000Z' };
	it('counts what nobody ticked, and nothing once waived', () => {
		expect(checksLeft(list)).toBe(list.items.length);
		const one = { ...list, items: list.items.map((item, index) => (index === 0 ? { ...item, ticked: stamp } : item)) };
		expect(checksLeft(one)).toBe(list.items.length - 1);
		expect(checksLeft({ ...one, waived: { ...stamp, reason: 'Rehearsal' } })).toBe(0);
	});
});

describe('the horizon log', () => {
	const entry = (at: number, minutes: number, kind: HorizonEntry['kind'] = 'reading'): HorizonEntry => ({
		id: String(at),
		kind,
		minutes,
		rollRad: 0,
		temperatureC: 10 + at,
		personName: 'Pia Tolland',
		at: new Date(at * 60_000).toISOString()
	});
	it('counts from the last calibration', () => {
		const told = sinceCalibration([entry(4, 9), entry(1, 3), entry(2, 0, 'calibration'), entry(3, 4)]);
		expect(told.readings.map(({ id }) => id)).toEqual(['3', '4']);
		expect(told.calibratedAtC).toBe(12);
	});
	it('and from the last power-on, which is when its clock runs back', () => {
		const told = sinceCalibration([entry(1, 0, 'calibration'), entry(2, 5), entry(3, 30), entry(4, 2), entry(5, 8)]);
		expect(told.readings.map(({ id }) => id)).toEqual(['4', '5']);
		expect(told.calibratedAtC).toBe(11);
	});
	it('knows no temperature before the first calibration', () =>
		expect(sinceCalibration([entry(1, 2)]).calibratedAtC).toBeNull());
});
