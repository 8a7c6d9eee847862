import { describe, expect, it } from 'vitest';
import type { CraneGeometry } from './model';
import { craneGeometry } from './schemas.server';
import { crane } from '$lib/testing/crane';
import { footColumns, headColumns, plateColumns, sectionColumns } from './craneColumns';
import { craneFieldGroups } from './craneFields';
import { headsOf } from './heads';

const { geometry } = crane('sectional');
const accepted = (next: CraneGeometry) => craneGeometry.validate(next, { convert: false }).error === undefined;

const groups = (then: (next: CraneGeometry) => void) =>
	craneFieldGroups(geometry, (next) => then({ ...geometry, ...next }));
const all = groups(() => {}).flatMap(({ title, fields }) =>
	fields.map(({ label }, index) => [title, label, index] as const)
);
const fieldOf = (title: string, index: number, then: (next: CraneGeometry) => void = () => {}) =>
	groups(then).find((group) => group.title === title)!.fields[index]!;

describe.each(all)('%s: %s', (title, _label, index) => {
	it('takes what stands there, and puts a little more where it belongs, so that the server takes it too', () => {
		const { value, check } = fieldOf(title, index);
		expect(check(value)).toBeNull();
		let next = geometry;
		const more = fieldOf(title, index, (changed) => (next = changed));
		const wanted = [value + 0.0005, value - 0.0005].find((each) => check(each) === null) ?? value;
		more.put(wanted);
		expect(accepted(next)).toBe(true);
		const back = craneFieldGroups(next, () => {}).find((group) => group.title === title)!.fields[index]!;
		expect(back.value).toBeCloseTo(wanted, 9);
	});
	it('refuses in words what is out of reach, and never lets through what the server refuses', () => {
		for (const wrong of [-1e4, 1e4]) expect(fieldOf(title, index).check(wrong)).toMatch(/[a-z]/i);
		for (const value of [-6, -2, -1, -0.1, 0, 0.001, 0.3, 1, 2.5, 6, 80]) {
			let next = geometry;
			const field = fieldOf(title, index, (changed) => (next = changed));
			if (field.check(value) !== null) continue;
			field.put(value);
			expect([value, accepted(next)]).toEqual([value, true]);
		}
	});
});

describe('the tables of a crane', () => {
	const sets: Partial<CraneGeometry>[] = [];
	const set = (next: Partial<CraneGeometry>) => void sets.push(next);
	const headRows = headsOf(geometry).map((each) => ({ id: `head${each.index}`, ...each }));
	const tables = {
		sections: { columns: sectionColumns(geometry, set), rows: geometry.sections },
		plates: {
			columns: plateColumns(geometry, set),
			rows: geometry.plates.map((plate, index) => ({ id: `plate${index}`, index, ...plate }))
		},
		feet: {
			columns: footColumns(geometry, set),
			rows: geometry.base.feetM.map((foot, index) => ({ id: `foot${index}`, index, foot }))
		},
		heads: { columns: headColumns(geometry, set), rows: headRows }
	};
	it.each(Object.keys(tables) as (keyof typeof tables)[])(
		'%s take what stands in them and put a change into their own row',
		(name) => {
			const { columns, rows } = tables[name] as {
				columns: readonly unknown[];
				rows: readonly { readonly id: string }[];
			};
			for (const column of columns as readonly {
				kind: string;
				get: (row: unknown) => number | null;
				set: (row: unknown, value: number) => void;
				check?: (row: unknown, value: number) => string | null;
			}[]) {
				if (column.kind !== 'figure') continue;
				const row = rows[rows.length - 1]!;
				const value = column.get(row)!;
				expect(column.check?.(row, value) ?? null).toBeNull();
				sets.length = 0;
				column.set(row, value + 1);
				expect(sets).toHaveLength(1);
				const next = { ...geometry, ...sets[0] };
				expect(next).not.toEqual(geometry);
			}
		}
	);
});
