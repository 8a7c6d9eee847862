import { describe, expect, it } from 'vitest';
import { craneFigures } from './figures';
import { craneSlip, linesBetween } from './slip';
import type { CraneRecord } from '$lib/supports/crane/model';
import { crane, craneState } from '$lib/testing/crane';
import { bodies, payload, shelf } from '$lib/testing/scenario';
import { craneSetUp, craneThenToNow, twoUp } from './craneCompare';

const hall = crane('sectional');

/** Balanced as the slip says, the trim then left so much off. */
function logged(word: string, on = hall, trimOffM = 0): CraneRecord {
	const of = payload(word);
	const state = craneState(on);
	const { target } = craneSlip(on, state, craneFigures(on, bodies(of), state), 'metric');
	const setting = { ...target, trimU: target.trimU + trimOffM };
	const figures = craneFigures(on, bodies(of), { ...state, setting });
	return {
		id: word,
		kind: 'crane',
		payloadId: of.id,
		supportId: on.id,
		payloadName: of.name,
		supportName: on.name,
		payloadMassKg: figures.payloadKg,
		placed: figures.balanced,
		poised: figures.poised,
		struck: false,
		note: '',
		personName: 'Pia Tolland',
		loggedAt: '2026-01-02T00:00:00.000Z',
		snapshot: { payload: of, parts: shelf },
		support: on,
		setting,
		noseBiasKg: state.noseBiasKg,
		ground: { ...state.ground, ballastKg: 40 },
		figures: {
			uKgM: figures.uKgM,
			vKgM: figures.vKgM,
			noseKg: figures.noseKg,
			reserve: figures.envelope.reserve,
			kind: figures.drift.kind
		},
		slips: [['Hang 5 × 20 kg']]
	};
}

describe('from a logged crane balance to today', () => {
	it('asks for nothing where nothing changed, wherever the trim stood', () => {
		const record = logged('Cine', hall, 0.03);
		const target = craneThenToNow(record, hall, payload('Cine'), shelf)!;
		expect(linesBetween(hall.geometry, record.setting, target, 'metric')).toEqual([]);
	});
	it('adds what the trim stood off then to what is worked out now', () => {
		const plain = craneThenToNow(logged('Cine'), hall, payload('wide'), shelf)!;
		const off = craneThenToNow(logged('Cine', hall, 0.03), hall, payload('wide'), shelf)!;
		expect(off.hung).toEqual(plain.hung);
		expect(off.trimU - plain.trimU).toBeCloseTo(0.03, 9);
	});
	it('cannot be worked out for a bare plate', () => {
		expect(craneThenToNow(logged('Cine'), hall, { ...payload('wide'), placements: [] }, shelf)).toBeNull();
	});
	it('sets the bench up on the ground it stood on, and keeps what was set there', () => {
		const before = craneState(hall, { pushMovesKg: 0.08, slips: [['before']] });
		const record = logged('Cine');
		const after = craneSetUp(hall, before, record, record.setting, ['From the logbook']);
		expect(after).toMatchObject({ pushMovesKg: 0.08, slips: [['before'], ['From the logbook']] });
		expect(after.ground.ballastKg).toBe(40);
		expect(craneSetUp(hall, null, { ...record, noseBiasKg: 0.2 }, record.setting, []).noseBiasKg).toBe(0.2);
	});
});

describe('two crane balances side by side', () => {
	it('differ by the plates, the trim and what hangs under the head', () => {
		const { lines, onlyA, onlyB } = twoUp(logged('Cine'), logged('wide'));
		const line = (label: string) => lines.find((each) => each.label === label)!;
		const kg = lines
			.filter(({ label }) => label.startsWith('Plates of'))
			.reduce((sum, { label, a }) => sum + parseFloat(label.slice(10)) * a!, 0);
		expect(line('Hung in all').a).toBeCloseTo(kg * 1000, 6);
		expect(line('Hung in all').b!).toBeLessThan(line('Hung in all').a!);
		expect(line('Pivot to nose').a).toBe(line('Pivot to nose').b);
		expect(line('Nose heavy, level').a!).toBeCloseTo(50, -1);
		expect(onlyA.length).toBeGreaterThan(0);
		expect(onlyB).toContain('Wide zoom 16–35');
	});
	it('of different cranes leave out the plates that one has not', () => {
		const { lines } = twoUp(logged('wide'), logged('wide', crane('handBuilt')));
		expect(lines.find(({ label }) => label === 'Plates of 20 kg')).toMatchObject({ b: null });
		expect(lines.find(({ label }) => label === 'Plates of 5 kg')!.b).not.toBeNull();
	});
});
