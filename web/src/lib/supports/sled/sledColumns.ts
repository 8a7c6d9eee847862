import { limits } from '$lib/model/limits';
import { type Column, figureWithin } from '$lib/sheet/fields/columns';
import { sledLimits } from './limits';
import type { PostSection, SledGeometry, SledPlace } from './model';
import type { Quantity } from '$lib/sheet/units/display';

type Set = (next: SledGeometry, about: string | null) => void;

/** A figure of one row of a list in the sled's geometry. */
function figureOf<Row extends { readonly id: string }>(
	head: string,
	quantity: Quantity,
	get: (row: Row) => number,
	put: (row: Row, value: number) => void,
	check: (row: Row, value: number) => string | null,
	testId: string
): Column<Row> {
	return {
		kind: 'figure',
		head,
		quantity,
		label: (row) => `${(row as { label?: string }).label ?? row.id}, ${head}`,
		get,
		set: put,
		check,
		testId: (row) => `${row.id}-${testId}`
	};
}

const massRule = figureWithin(limits.partMass, 'mass');

export function sectionColumns(geometry: SledGeometry, set: Set): readonly Column<PostSection>[] {
	const put = (id: string, next: Partial<PostSection>, about: string) =>
		set(
			{ ...geometry, sections: geometry.sections.map((each) => (each.id === id ? { ...each, ...next } : each)) },
			`${about} ${id}`
		);
	return [
		{
			kind: 'text',
			head: 'Section, foot first',
			label: ({ label }) => `Name of ${label}`,
			get: ({ label }) => label,
			set: ({ id }, label) => put(id, { label }, 'name'),
			most: 80
		},
		figureOf<PostSection>(
			'length',
			'length',
			({ lengthM }) => lengthM,
			({ id }, lengthM) => put(id, { lengthM }, 'length'),
			figureWithin(sledLimits.sectionLength, 'length'),
			'length'
		),
		figureOf<PostSection>(
			'across',
			'length',
			({ radiusM }) => 2 * radiusM,
			({ id }, across) => put(id, { radiusM: across / 2 }, 'radius'),
			figureWithin(sledLimits.sectionAcross, 'length'),
			'across'
		),
		figureOf<PostSection>(
			'mass',
			'mass',
			({ massKg }) => massKg,
			({ id }, massKg) => put(id, { massKg }, 'mass'),
			massRule,
			'mass'
		)
	];
}

export function placeColumns(geometry: SledGeometry, set: Set): readonly Column<SledPlace>[] {
	const put = (id: string, next: Partial<SledPlace>, about: string) =>
		set(
			{ ...geometry, places: geometry.places.map((each) => (each.id === id ? { ...each, ...next } : each)) },
			`${about} ${id}`
		);
	const at = (axis: 0 | 1 | 2, head: string) =>
		figureOf<SledPlace>(
			head,
			'length',
			({ atM }) => atM[axis],
			({ id, atM }, value) =>
				put(id, { atM: atM.map((old, k) => (k === axis ? value : old)) as unknown as SledPlace['atM'] }, `at${axis}`),
			figureWithin(limits.onPlate, 'length'),
			`at${axis}`
		);
	return [
		{
			kind: 'text',
			head: 'A weight may go',
			label: ({ label }) => `Name of ${label}`,
			get: ({ label }) => label,
			set: ({ id }, label) => put(id, { label }, 'name'),
			most: 80
		},
		at(0, 'forward'),
		at(1, 'left'),
		at(2, 'up'),
		figureOf<SledPlace>(
			'at most',
			'mass',
			({ mostKg }) => mostKg,
			({ id }, mostKg) => put(id, { mostKg }, 'most'),
			massRule,
			'most'
		)
	];
}

type ArmRow = SledGeometry['arm']['sections'][number];
export function armColumns(geometry: SledGeometry, set: Set): readonly Column<ArmRow>[] {
	const put = (id: string, next: Partial<ArmRow>, about: string) =>
		set(
			{
				...geometry,
				arm: {
					...geometry.arm,
					sections: geometry.arm.sections.map((each) => (each.id === id ? { ...each, ...next } : each))
				}
			},
			`${about} ${id}`
		);
	const point = (which: 0 | 1, field: 'loadKg' | 'setting', head: string): Column<ArmRow> =>
		figureOf<ArmRow>(
			head,
			field === 'loadKg' ? 'mass' : 'count',
			({ points }) => points[which][field],
			({ id, points }, value) => {
				const next = { ...points[which], [field]: value };
				put(id, { points: which === 0 ? [next, points[1]] : [points[0], next] }, `${field}${which}`);
			},
			field === 'loadKg' ? figureWithin(sledLimits.armLoad, 'mass') : figureWithin(sledLimits.armSetting, 'count'),
			`${field}${which}`
		);
	return [
		{
			kind: 'text',
			head: 'Arm section',
			label: ({ label }) => `Name of ${label}`,
			get: ({ label }) => label,
			set: ({ id }, label) => put(id, { label }, 'name'),
			most: 80
		},
		figureOf<ArmRow>(
			'lifts beside the sled',
			'mass',
			({ beyondKg }) => beyondKg,
			({ id }, beyondKg) => put(id, { beyondKg }, 'beyond'),
			figureWithin(sledLimits.beyond, 'mass'),
			'beyond'
		),
		point(0, 'loadKg', 'right with'),
		point(0, 'setting', 'at'),
		point(1, 'loadKg', 'and with'),
		point(1, 'setting', 'at setting')
	];
}
