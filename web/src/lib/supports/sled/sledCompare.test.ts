import { describe, expect, it } from 'vitest';
import type { SledRecord } from '$lib/supports/sled/model';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';
import { linesBetween } from './slip';
import { bodies, payload, shelf } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { benchSetUp, sledThenToNow, twoUp } from './sledCompare';

const light = sled('light');

function logged(word: string, moved: { readonly fineForeM?: number } = {}): SledRecord {
	const of = payload(word);
	const state = poisedFrom(light, bodies(of), benchState(light));
	const setting = { ...state.setting, fineForeM: state.setting.fineForeM + (moved.fineForeM ?? 0) };
	const { report, payloadKg, placed, poised } = sledFigures(light, bodies(of), { ...state, setting }, null);
	return {
		id: word,
		kind: 'sled',
		payloadId: of.id,
		supportId: light.id,
		payloadName: of.name,
		supportName: light.name,
		payloadMassKg: payloadKg,
		placed,
		poised,
		struck: false,
		note: '',
		personName: 'Joss Averley',
		loggedAt: '2026-01-02T00:00:00.000Z',
		snapshot: { payload: of, parts: shelf },
		support: light,
		setting,
		dropTimeS: 2.5,
		figures: {
			massKg: report.massKg,
			staticForeM: report.staticOffsetM.fore,
			staticSideM: report.staticOffsetM.side,
			dropForeS: report.dropTimeS.fore,
			foreLeanRad: report.dynamic.foreLeanRad,
			sideLeanRad: report.dynamic.sideLeanRad,
			panInertiaKgM2: report.panInertiaKgM2
		},
		slips: state.slips
	};
}
const wishes = { shots: ['pans'] as const, movers: ['battery'] };

describe('from a logged sled balance to today', () => {
	it('asks for nothing where nothing changed, wherever it stood', () => {
		const record = logged('wide', { fineForeM: 0.002 });
		const target = sledThenToNow(record, light, payload('wide'), shelf, wishes)!;
		expect(linesBetween(light.geometry, record.setting, target, 'metric')).toEqual([]);
	});
	it('adds the computed change to what was logged', () => {
		const record = logged('wide', { fineForeM: 0.002 });
		const plain = sledThenToNow(logged('wide'), light, payload('monitor'), shelf, wishes)!;
		const target = sledThenToNow(record, light, payload('monitor'), shelf, wishes)!;
		expect(target.fineForeM - plain.fineForeM).toBeCloseTo(0.002, 9);
		expect(linesBetween(light.geometry, record.setting, target, 'metric').length).toBeGreaterThan(1);
	});
	it('sets a bench up and keeps what was seen there', () => {
		const seen = [
			{
				kind: 'way' as const,
				plane: 'fore' as const,
				way: 0 as const,
				setting: benchState(light).setting,
				payloadVersion: 1
			}
		];
		const before = benchState(light, { seen, dropTimeS: 3 });
		const after = benchSetUp(light, before, { dropTimeS: 2.5 }, logged('wide').setting, ['From the logbook']);
		expect(after.seen).toBe(seen);
		expect(after.dropTimeS).toBe(3);
		expect(after.slips).toEqual([['From the logbook']]);
		expect(benchSetUp(light, null, { dropTimeS: 2.2 }, logged('wide').setting, []).dropTimeS).toBe(2.2);
	});
});

describe('two sled balances side by side', () => {
	it('differ by what was moved and what was mounted', () => {
		const { lines, onlyA, onlyB } = twoUp(logged('wide'), logged('monitor'));
		const line = (label: string) => lines.find((each) => each.label === label)!;
		expect(line('Mass on the plate').b! - line('Mass on the plate').a!).toBeCloseTo(130, 6);
		expect(line('Mass on the gimbal').b! - line('Mass on the gimbal').a!).toBeCloseTo(130, 6);
		expect(line('Gimbal above the foot').a! * 2).toBe(Math.round(line('Gimbal above the foot').a! * 2));
		expect(line('Drop time').a).toBeCloseTo(2.5, 0);
		expect(onlyA).toEqual(['Wide zoom 16–35']);
		expect(onlyB).toContain('35 mm prime');
	});
	it('are the same as themselves, and a slide only one has stays empty on the other', () => {
		const one = logged('wide');
		for (const { a, b } of twoUp(one, one).lines) expect(b).toBe(a);
		const other = { ...one, support: { ...light, geometry: { ...light.geometry, items: [] } } };
		expect(twoUp(one, other).lines.find(({ label }) => label === 'Battery, forward')).toMatchObject({ b: null });
	});
});
