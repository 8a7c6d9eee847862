import equal from 'fast-deep-equal';
import type { NewPart, PartShape } from './part';

/** What of a part is changed by itself. A centre goes with how well it is known and where from. */
export const partFields = ['name', 'kind', 'mass', 'size', 'centre', 'extension', 'holes'] as const;
export type MergedField = (typeof partFields)[number];

/** Somebody else changed a field since: it is as they left it, or as this save has it over theirs. */
export interface Meanwhile {
	readonly field: MergedField;
	readonly stands: 'theirs' | 'yours';
}

const parts: Readonly<Record<MergedField, (part: NewPart) => unknown>> = {
	name: ({ name }) => name,
	kind: ({ kind }) => kind,
	mass: ({ massKg }) => massKg,
	size: ({ shape }) => shape.sizeM,
	centre: ({ shape: { cgFromMiddleM, cgSigmaM = null, cgFrom = null } }) => [cgFromMiddleM, cgSigmaM, cgFrom],
	extension: ({ shape }) => shape.extensionM,
	holes: ({ shape }) => shape.holePitchM ?? null
};

/**
 * A part as somebody saves it over what stands there now: of every field that they changed since `begun`, theirs; of every other, what
 * stands. Nothing that anybody else changed meanwhile is lost but in the very field that this save changes too.
 */
export function mergePart(
	stands: NewPart,
	begun: NewPart,
	wanted: NewPart
): { readonly part: NewPart; readonly meanwhile: readonly Meanwhile[] } {
	const changed = (field: MergedField) => !equal(parts[field](begun), parts[field](wanted));
	const from = (field: MergedField): NewPart => (changed(field) ? wanted : stands);
	const { cgFromMiddleM, cgSigmaM, cgFrom } = from('centre').shape;
	const { holePitchM } = from('holes').shape;
	const shape: PartShape = {
		sizeM: from('size').shape.sizeM,
		extensionM: from('extension').shape.extensionM,
		cgFromMiddleM,
		...(cgSigmaM === undefined ? {} : { cgSigmaM }),
		...(cgFrom === undefined ? {} : { cgFrom }),
		...(holePitchM === undefined ? {} : { holePitchM })
	};
	const part: NewPart = {
		name: from('name').name,
		kind: from('kind').kind,
		massKg: from('mass').massKg,
		shape
	};
	const meanwhile = partFields.flatMap((field): Meanwhile[] => {
		const [was, now, mine] = [begun, stands, wanted].map(parts[field]);
		if (nearly(was, now) || nearly(now, mine)) return [];
		return [{ field, stands: changed(field) ? 'yours' : 'theirs' }];
	});
	return { part, meanwhile };
}

/** A form shows fewer digits than are kept: what differs by less than it shows nobody changed. */
function nearly(one: unknown, other: unknown): boolean {
	if (typeof one === 'number' && typeof other === 'number')
		return Math.abs(one - other) <= 1e-3 * Math.max(Math.abs(one), Math.abs(other), 0.5);
	if (Array.isArray(one) && Array.isArray(other))
		return one.length === other.length && one.every((each, k) => nearly(each, other[k]));
	return equal(one, other);
}
