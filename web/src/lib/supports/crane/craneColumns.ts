import { crossingSides, outlineAreaM2 } from '@poise/core';
import { isWithin, limits } from '$lib/model/limits';
import { type Column, figureWithin } from '$lib/sheet/fields/columns';
import { craneLimits } from './limits';
import type { ArmSection, CraneDraft, CraneGeometry, CraneHead } from './model';
import { changedHead, type NamedHead } from './heads';

type Set = (next: Partial<CraneGeometry>, about: string | null) => void;

export function sectionColumns(geometry: CraneGeometry, set: Set): readonly Column<ArmSection>[] {
	const put = (id: string, next: Partial<ArmSection>, about: string) =>
		set(
			{ sections: geometry.sections.map((each) => (each.id === id ? { ...each, ...next } : each)) },
			`${about} ${id}`
		);
	return [
		{
			kind: 'text',
			head: 'Section',
			label: ({ label }) => `Name of ${label}`,
			get: ({ label }) => label,
			set: ({ id }, label) => put(id, { label }, 'name'),
			most: 80
		},
		{
			kind: 'figure',
			head: 'length',
			quantity: 'length',
			label: ({ label }) => `${label}, length`,
			get: ({ lengthM }) => lengthM,
			set: ({ id }, lengthM) => put(id, { lengthM }, 'length'),
			check: figureWithin(craneLimits.sectionLength, 'length'),
			testId: ({ id }) => `${id}-length`
		},
		{
			kind: 'figure',
			head: 'mass',
			quantity: 'mass',
			label: ({ label }) => `${label}, mass`,
			get: ({ massKg }) => massKg,
			set: ({ id }, massKg) => put(id, { massKg }, 'mass'),
			check: figureWithin(limits.partMass, 'mass'),
			testId: ({ id }) => `${id}-mass`
		},
		{
			kind: 'figure',
			head: 'pulls out by',
			quantity: 'length',
			label: ({ label }) => `${label}, pulls out by`,
			get: ({ pullsOutM }) => pullsOutM ?? 0,
			set: ({ id }, pullsOutM) => put(id, { pullsOutM }, 'pull'),
			check: figureWithin(craneLimits.pullsOut, 'length')
		}
	];
}

export type HeadRow = NamedHead & { readonly id: string };
export function headColumns(geometry: CraneGeometry, set: Set): readonly Column<HeadRow>[] {
	const put = ({ index }: HeadRow, next: Partial<CraneHead>, about: string) =>
		set(changedHead(geometry, index, next), `${about} head ${index}`);
	const rate = (head: string, field: keyof CraneHead['limits']): Column<HeadRow> => ({
		kind: 'figure',
		head,
		quantity: 'angle',
		label: ({ name }) => `${name}, ${head}`,
		get: ({ head }) => head.limits[field],
		set: (row, value) => put(row, { limits: { ...row.head.limits, [field]: value } }, field),
		check: figureWithin(craneLimits.rate, 'angle')
	});
	const length = (head: string, field: 'cgM' | 'plateM'): Column<HeadRow> => ({
		kind: 'figure',
		head,
		quantity: 'length',
		label: ({ name }) => `${name}, ${head}`,
		get: ({ head: figures }) => figures[field],
		set: (row, value) => put(row, { [field]: value }, field),
		check: figureWithin(craneLimits.headHeight, 'length')
	});
	return [
		{
			kind: 'text',
			head: 'Head',
			label: ({ name }) => `Name of ${name}`,
			get: ({ name }) => name,
			set: (row, name) => put(row, { name }, 'name'),
			most: 80
		},
		{
			kind: 'figure',
			head: 'mass',
			quantity: 'mass',
			label: ({ name }) => `${name}, mass`,
			get: ({ head }) => head.massKg,
			set: (row, massKg) => put(row, { massKg }, 'mass'),
			check: figureWithin(craneLimits.headMass, 'mass'),
			testId: ({ index }) => `head-${index}-mass`
		},
		length('its centre', 'cgM'),
		length('camera plate', 'plateM'),
		rate('pans, a second', 'panRadPerS'),
		rate('tilts, a second', 'tiltRadPerS'),
		rate('pan gathers, a second', 'panRadPerS2'),
		rate('tilt gathers, a second', 'tiltRadPerS2')
	];
}

export interface PlateRow {
	readonly id: string;
	readonly index: number;
	readonly massKg: number;
	readonly count: number;
}
export function plateColumns(geometry: CraneGeometry, set: Set): readonly Column<PlateRow>[] {
	const put = (index: number, next: Partial<CraneGeometry['plates'][number]>, about: string) =>
		set(
			{ plates: geometry.plates.map((each, at) => (at === index ? { ...each, ...next } : each)) },
			`${about} ${index}`
		);
	return [
		{
			kind: 'figure',
			head: 'one plate',
			quantity: 'mass',
			label: ({ index }) => `Plate ${index + 1}, mass`,
			get: ({ massKg }) => massKg,
			set: ({ index }, massKg) => put(index, { massKg }, 'plate'),
			check: figureWithin(craneLimits.plate, 'mass'),
			testId: ({ id }) => `${id}-mass`
		},
		{
			kind: 'figure',
			head: 'how many',
			quantity: 'count',
			label: ({ index }) => `Plate ${index + 1}, how many`,
			get: ({ count }) => count,
			set: ({ index }, count) => put(index, { count }, 'count'),
			check: (_, value) =>
				Number.isInteger(value) && isWithin(craneLimits.plateCount, value) ? null : 'A whole number up to 40.',
			testId: ({ id }) => `${id}-count`
		}
	];
}

export interface FootRow {
	readonly id: string;
	readonly index: number;
	readonly foot: readonly [number, number];
}
export function footColumns(geometry: CraneGeometry, set: Set): readonly Column<FootRow>[] {
	const axis = (which: 0 | 1, head: string): Column<FootRow> => ({
		kind: 'figure',
		head,
		quantity: 'length',
		label: ({ index }) => `Foot ${index + 1}, ${head}`,
		get: ({ foot }) => foot[which],
		set: ({ index }, value) =>
			set(
				{
					base: {
						...geometry.base,
						feetM: geometry.base.feetM.map((foot, at) =>
							at === index ? (which === 0 ? [value, foot[1]] : [foot[0], value]) : foot
						)
					}
				},
				`foot ${index} ${which}`
			),
		check: figureWithin(craneLimits.foot, 'length'),
		testId: ({ id }) => `${id}-${which}`
	});
	return [{ kind: 'name', head: 'Foot', get: ({ index }) => `${index + 1}` }, axis(0, 'forward'), axis(1, 'left')];
}

/** What is wrong with the whole, that no field alone can say. Null: nothing. */
export function wrongWith({ geometry, leastPayloadKg, greatestPayloadKg }: CraneDraft): string | null {
	const { feetM } = geometry.base;
	const crossing = crossingSides(feetM);
	if (crossing !== null)
		return `The sides from foot ${crossing[0] + 1} and from foot ${crossing[1] + 1} cross: list the feet in their order round the base.`;
	if (outlineAreaM2(feetM) <= 5e-7) return 'List the feet counter-clockwise round the base, seen from above.';
	if (greatestPayloadKg <= leastPayloadKg) return 'The greatest payload must be more than the least.';
	if (geometry.trim.rangeU[0] > geometry.trim.rangeU[1]) return 'The trim’s travel has its ends the wrong way round.';
	return null;
}
