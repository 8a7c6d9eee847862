import type { Vec3 } from '@poise/core';
import type { NewPart, Part, PartKind } from '$lib/model/part';
import type { UnitSystem } from '$lib/model/person';
import { fieldText, fieldUnit, readQuantity } from '$lib/sheet/units/display';

/** A part as it is being typed: text as it stands in the fields, readable or not. */
export interface PartText {
	readonly name: string;
	readonly kind: PartKind;
	readonly mass: string;
	readonly length: string;
	readonly width: string;
	readonly height: string;
	readonly cgForward: string;
	readonly cgLeft: string;
	readonly cgUp: string;
	readonly extension: string;
	/** Plates: distance between their holes; empty: a slot. */
	readonly holes: string;
}

export const emptyPartText: PartText = {
	name: '',
	kind: 'camera',
	mass: '',
	length: '',
	width: '',
	height: '',
	cgForward: '',
	cgLeft: '',
	cgUp: '',
	extension: '',
	holes: ''
};

export function textOfPart({ name, kind, massKg, shape }: Part, units: UnitSystem): PartText {
	const length = (value: number) => fieldText(value, 'length', units);
	const cg = shape.cgFromMiddleM;
	return {
		name,
		kind,
		mass: fieldText(massKg, 'mass', units),
		length: length(shape.sizeM[0]),
		width: length(shape.sizeM[1]),
		height: length(shape.sizeM[2]),
		cgForward: cg === null ? '' : length(cg[0]),
		cgLeft: cg === null ? '' : length(cg[1]),
		cgUp: cg === null ? '' : length(cg[2]),
		extension: shape.extensionM === 0 ? '' : length(shape.extensionM),
		holes: shape.holePitchM ? length(shape.holePitchM) : ''
	};
}

export type PartField = keyof PartText;
/** The fields of figures that a kind of part has: which, its label, and what stands where it is empty. */
export function figureFields(
	kind: PartKind,
	units: UnitSystem
): readonly (readonly [field: PartField, label: string, empty: string])[] {
	const unit = fieldUnit('length', units);
	return [
		['mass', `Mass, ${fieldUnit('mass', units)}`, ''],
		['length', `Length, ${unit}`, ''],
		['width', `Width, ${unit}`, ''],
		['height', `Height, ${unit}`, ''],
		...(kind === 'lens' ? ([['extension', `Extends, ${unit}`, 'none']] as const) : []),
		...(kind === 'plate' ? ([['holes', `Holes every, ${unit}`, 'slot']] as const) : []),
		['cgForward', `CG forward, ${unit}`, 'middle'],
		['cgLeft', `CG left, ${unit}`, 'middle'],
		['cgUp', `CG up, ${unit}`, 'middle']
	];
}

export type PartProblems = Readonly<Partial<Record<PartField, string>>>;

/**
 * The part that the text means, or what is wrong at each field. The server has the last word on limits. How a centre was
 * measured, which no field holds, is kept from `before` while the centre itself is left alone.
 */
export function readPart(
	text: PartText,
	units: UnitSystem,
	before: Part | null = null
): { part: NewPart } | { problems: PartProblems } {
	const problems: Partial<Record<PartField, string>> = {};
	const name = text.name.trim();
	if (name === '') problems.name = 'Give the part a name.';

	const figure = (field: PartField, quantity: 'length' | 'mass', empty?: number): number => {
		if (empty !== undefined && text[field].trim() === '') return empty;
		const read = readQuantity(text[field], quantity, units);
		if ('value' in read) return read.value;
		problems[field] = read.problem;
		return Number.NaN;
	};
	const positive = (field: PartField, quantity: 'length' | 'mass'): number => {
		const value = figure(field, quantity);
		if (problems[field] === undefined && !(value > 0)) problems[field] = 'Must be more than 0.';
		return value;
	};

	const massKg = positive('mass', 'mass');
	const sizeM: Vec3 = [positive('length', 'length'), positive('width', 'length'), positive('height', 'length')];
	const extensionM = figure('extension', 'length', 0);
	if (extensionM < 0) problems.extension = 'Must not be negative: give how much further the front reaches.';
	const measured = [text.cgForward, text.cgLeft, text.cgUp].some((typed) => typed.trim() !== '');
	const cgFromMiddleM: Vec3 | null = measured
		? [figure('cgForward', 'length', 0), figure('cgLeft', 'length', 0), figure('cgUp', 'length', 0)]
		: null;
	const reach: readonly (readonly [PartField, number, number])[] = [
		['cgForward', cgFromMiddleM?.[0] ?? 0, sizeM[0] / 2 + extensionM],
		['cgLeft', cgFromMiddleM?.[1] ?? 0, sizeM[1] / 2],
		['cgUp', cgFromMiddleM?.[2] ?? 0, sizeM[2] / 2]
	];
	for (const [field, value, most] of reach)
		if (problems[field] === undefined && Math.abs(value) > most)
			problems[field] = 'Outside the part. It is counted from the part’s middle.';

	const holePitchM = text.kind === 'plate' && text.holes.trim() !== '' ? positive('holes', 'length') : null;
	if (problems.holes === undefined && holePitchM !== null && (holePitchM < 0.002 || holePitchM > 0.2))
		problems.holes = 'Between 2 and 200 mm.';

	if (Object.keys(problems).length > 0) return { problems };
	const was = before === null ? null : textOfPart(before, units);
	const sameCentre =
		was !== null && was.cgForward === text.cgForward && was.cgLeft === text.cgLeft && was.cgUp === text.cgUp;
	const kept = sameCentre ? before?.shape : undefined;
	return {
		part: {
			name,
			kind: text.kind,
			massKg,
			shape: {
				sizeM,
				// To the last digit as it was learned, not as the field rounds it.
				cgFromMiddleM: kept === undefined ? cgFromMiddleM : kept.cgFromMiddleM,
				extensionM,
				...(holePitchM === null ? {} : { holePitchM }),
				...(kept?.cgSigmaM ? { cgSigmaM: kept.cgSigmaM } : {}),
				...(kept?.cgFrom ? { cgFrom: kept.cgFrom } : {})
			}
		}
	};
}

/** The field that a path of the server's answer speaks of. */
const fieldOfPath: Readonly<Record<string, PartField>> = {
	name: 'name',
	kind: 'kind',
	massKg: 'mass',
	'shape.sizeM.0': 'length',
	'shape.sizeM.1': 'width',
	'shape.sizeM.2': 'height',
	'shape.cgFromMiddleM.0': 'cgForward',
	'shape.cgFromMiddleM.1': 'cgLeft',
	'shape.cgFromMiddleM.2': 'cgUp',
	'shape.extensionM': 'extension',
	'shape.holePitchM': 'holes'
};

export function problemsOf(fields: Readonly<Record<string, string>>): PartProblems {
	return Object.fromEntries(
		Object.entries(fields).flatMap(([path, message]) => {
			const field = fieldOfPath[path];
			return field === undefined ? [] : [[field, message]];
		})
	);
}
