import { describe, expect, it } from 'vitest';
import { scenario } from './index';

const partNames = new Set(scenario.parts.map(({ name }) => name));

describe('the scenario', () => {
	it('names only what it holds', () => {
		for (const { plate, placements } of scenario.payloads) {
			expect(partNames).toContain(plate);
			for (const { part } of placements) expect(partNames).toContain(part);
		}
		for (const { person, payload, rig, missedByM } of scenario.balances) {
			expect(scenario.people).toContain(person);
			expect(scenario.payloads.map(({ name }) => name)).toContain(payload);
			const slides = scenario.rigs.find(({ name }) => name === rig)!.geometry.slides.map(({ id }) => id);
			expect(Object.keys(missedByM).sort()).toEqual([...slides].sort());
		}
	});

	it('has rigs whose slides, strokes and places speak of parts and axes that are there', () => {
		for (const { geometry } of scenario.rigs) {
			const parts = new Set(geometry.parts.map(({ id }) => id));
			const axes = geometry.axes.map(({ id }) => id);
			const slides = new Set(geometry.slides.map(({ id }) => id));
			for (const { moves, balances } of geometry.slides) {
				expect(axes).toContain(balances);
				for (const id of moves) expect(id === 'payload' || parts.has(id) || axes.includes(id), id).toBe(true);
			}
			for (const { partId } of geometry.strokes) expect(parts).toContain(partId);
			for (const { hangsOn, movesWith } of geometry.counterweightPlaces) {
				expect(hangsOn).toBe(axes.at(-1));
				for (const id of movesWith) expect(slides).toContain(id);
			}
		}
	});

	it('keeps every name once', () => {
		for (const list of [scenario.parts, scenario.payloads, scenario.rigs]) {
			const names = list.map(({ name }) => name);
			expect(new Set(names).size).toBe(names.length);
		}
	});
});
