import { describe, expect, it } from 'vitest';
import type { PayloadDraft } from '$lib/model/payload';
import { shelf } from '$lib/testing/scenario';
import { differences, merge } from './merge';

const at = (id: string, x: number, partId = id) => ({ id, partId, positionM: [x, 0, 0] as const });
const base: PayloadDraft = {
	name: 'Build',
	platePartId: 'Short plate',
	placements: [at('Compact body', 0), at('35 mm prime', 0.06), at('Small monitor', -0.02)]
};
const change = (draft: PayloadDraft, id: string, x: number): PayloadDraft => ({
	...draft,
	placements: draft.placements.map((each) => (each.id === id ? at(id, x) : each))
});
const without = (draft: PayloadDraft, id: string): PayloadDraft => ({
	...draft,
	placements: draft.placements.filter((each) => each.id !== id)
});
const added = (draft: PayloadDraft, id: string): PayloadDraft => ({
	...draft,
	placements: [...draft.placements, at(id, 0.1)]
});
const name = (partId: string) => partId;
const xOf = (draft: PayloadDraft, id: string) => draft.placements.find((each) => each.id === id)?.positionM[0];

describe('two people’s builds', () => {
	it('keep what each changed of different parts', () => {
		const { draft, clashes } = merge(
			base,
			change(base, '35 mm prime', 0.08),
			added(change(base, 'Compact body', 0.01), 'Side microphone'),
			name
		);
		expect(clashes).toEqual([]);
		expect([xOf(draft, '35 mm prime'), xOf(draft, 'Compact body'), xOf(draft, 'Side microphone')]).toEqual([
			0.08, 0.01, 0.1
		]);
	});
	it('lose a part that one took off and nobody else touched', () => {
		expect(
			merge(base, without(base, 'Small monitor'), change(base, '35 mm prime', 0.07), name).draft.placements
		).toHaveLength(2);
		expect(merge(base, base, without(base, 'Small monitor'), name).draft.placements).toHaveLength(2);
	});
	it('keep a part that one took off and the other moved, and say so', () => {
		const { draft, clashes } = merge(base, without(base, 'Small monitor'), change(base, 'Small monitor', -0.05), name);
		expect(xOf(draft, 'Small monitor')).toBe(-0.05);
		expect(clashes).toEqual(['Small monitor']);
	});
	it('keep mine where both moved the same part, and name it', () => {
		const { draft, clashes } = merge(
			base,
			change(base, 'Compact body', 0.01),
			change(base, 'Compact body', 0.02),
			name
		);
		expect(xOf(draft, 'Compact body')).toBe(0.01);
		expect(clashes).toEqual(['Compact body']);
	});
	it('are mine when theirs changed nothing, and theirs when mine did not', () => {
		const mine = { ...change(base, 'Compact body', 0.03), name: 'Mine' };
		expect(merge(base, mine, base, name).draft).toMatchObject({ name: 'Mine', placements: mine.placements });
		expect(merge(base, base, mine, name).draft).toMatchObject({ name: 'Mine', placements: mine.placements });
	});
	it('differ in words that name each part', () => {
		const byId = new Map(shelf.map((part) => [part.id, part]));
		const lines = differences(
			base,
			added(without(change(base, '35 mm prime', 0.064), 'Small monitor'), 'Side microphone'),
			byId
		);
		expect(lines).toEqual([
			'35 mm prime: 4.0 mm apart.',
			'Side microphone: only on theirs.',
			'Small monitor: only on yours.'
		]);
		expect(differences(base, base, byId)).toEqual([]);
	});
});
