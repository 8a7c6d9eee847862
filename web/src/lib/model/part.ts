import type { Vec3 } from '@poise/core';

/** What a part is, in the words of the trade; it decides how the part is drawn and nothing else. */
export const partKinds = [
	'camera',
	'lens',
	'adapter',
	'filter',
	'motor',
	'monitor',
	'battery',
	'cage',
	'microphone',
	'plate',
	'weight',
	'other'
] as const;
export type PartKind = (typeof partKinds)[number];

/** The outside of a part and where it is heavy. Lengths along x (forward), y (left), z (up). */
export interface PartShape {
	/** Full edges of the box around it; a lens at its shortest. */
	readonly sizeM: Vec3;
	/** Centre of gravity from the middle of that box; null while nobody has measured it, which counts as the middle. */
	readonly cgFromMiddleM: Vec3 | null;
	/** How much further the front reaches at the lens's working zoom and focus. */
	readonly extensionM: number;
}

/** A piece of gear on the shelf. */
export interface Part {
	readonly id: string;
	readonly name: string;
	readonly kind: PartKind;
	readonly massKg: number;
	readonly shape: PartShape;
}

export type NewPart = Omit<Part, 'id'>;

/** The outer box as it stands on the plate, extension included. */
export const outerSizeM = ({ sizeM, extensionM }: PartShape): Vec3 => [sizeM[0] + extensionM, sizeM[1], sizeM[2]];

/**
 * Centre of gravity from the middle of the bottom of the box at its shortest. Unmeasured, it is the middle of the part as
 * it stands, so a lens that reaches further is taken to be heavy further forward by half of that.
 */
export function cgFromFootM({ sizeM, cgFromMiddleM, extensionM }: PartShape): Vec3 {
	const [x, y, z] = cgFromMiddleM ?? [extensionM / 2, 0, 0];
	return [x, y, z + sizeM[2] / 2];
}
