import { assumedMiddleSigma, type Vec3 } from '@poise/core';

/** What a part is, in the words of the trade; it decides how the part is drawn and nothing else. */
export const partKinds = [
	'camera',
	'lens',
	'adapter',
	'filter',
	'matte box',
	'motor',
	'monitor',
	'battery',
	'cage',
	'microphone',
	'support',
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
	/** How much further the front reaches at most, over the lens's zoom and focus. */
	readonly extensionM: number;
	/** Standard deviation of the measured centre; absent: what a ruler and a rod are good for. */
	readonly cgSigmaM?: Vec3 | null;
	/** Where the measured centre comes from, in words: the way, the day, the person. */
	readonly cgFrom?: string | null;
	/** Plates: distance between the holes along its middle; absent or null: a slot. */
	readonly holePitchM?: number | null;
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

/** The outer box with so much of its extension out, 0 to 1. */
export const outerSizeM = ({ sizeM, extensionM }: PartShape, extended = 1): Vec3 => [
	sizeM[0] + extensionM * extended,
	sizeM[1],
	sizeM[2]
];

/** A lens that reaches further carries about half of its glass with it. */
const shareThatMoves = 0.5;

/**
 * Centre of gravity from the middle of the box at its shortest, with so much of the extension out, 0 to 1. A measured
 * centre is that of the part fully extended. Unmeasured, it is the middle of the part as it stands.
 */
export function cgFromMiddleOf({ cgFromMiddleM, extensionM }: PartShape, extended = 1): Vec3 {
	if (cgFromMiddleM === null) return [(extensionM / 2) * extended, 0, 0];
	const [x, y, z] = cgFromMiddleM;
	return [x - extensionM * shareThatMoves * (1 - extended), y, z];
}

/** As above, from the middle of the bottom of that box. */
export function cgFromFootM(shape: PartShape, extended = 1): Vec3 {
	const [x, y, z] = cgFromMiddleOf(shape, extended);
	return [x, y, z + shape.sizeM[2] / 2];
}

/** A rod and a ruler find a centre to about this. */
const byHandSigmaM: Vec3 = [0.002, 0.002, 0.002];

/** Round glass is heavy on its own axis, and a plate or a weight in its middle, as near as they are made. */
const asMade = 0.15;
const onItsAxis: readonly PartKind[] = ['lens', 'filter', 'adapter', 'matte box'];
const uniform: readonly PartKind[] = ['plate', 'weight', 'support'];

/** How sure the centre is, one standard deviation along the part's own axes. */
export function cgSigmaOf({ kind, shape }: Pick<Part, 'kind' | 'shape'>): Vec3 {
	if (shape.cgFromMiddleM !== null) return shape.cgSigmaM ?? byHandSigmaM;
	const [x, y, z] = assumedMiddleSigma({ sizeM: outerSizeM(shape) });
	if (uniform.includes(kind)) return [x * asMade, y * asMade, z * asMade];
	return onItsAxis.includes(kind) ? [x, y * asMade, z * asMade] : [x, y, z];
}
