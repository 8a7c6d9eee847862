import { checksFor } from '../input';
import type { Body } from '../mass/body';
import { combineBodies, type CombinedBody } from '../mass/combineBodies';

/** One part of a sled where it stands: x forward, y to the camera's left, z up the post from its foot. */
export interface SledPart {
	readonly id: string;
	readonly body: Body;
}

/**
 * A body-worn stabilizer sled: everything that hangs on the gimbal, which sits on the post's axis (x = y = 0) at
 * `gimbalHeightM` above the post's foot. The gimbal's own mass rides with the arm and is no part of it.
 */
export interface Sled {
	readonly parts: readonly SledPart[];
	readonly gimbalHeightM: number;
}

/** `fore`: turning about y, the camera's nose up and down. `side`: turning about x, the camera's horizon. */
export type SledPlane = 'fore' | 'side';
export const sledPlanes = ['fore', 'side'] as const satisfies readonly SledPlane[];

/** The two planes' names for the same things. */
export const planeOf = {
	fore: { axis: 0, own: 'yy', across: 'xx', product: 'xz' },
	side: { axis: 1, own: 'xx', across: 'yy', product: 'yz' }
} as const;

/** The sled as one body, its inertia about its centre of gravity. */
export interface SledTotals extends CombinedBody {
	/** Gimbal above the centre of gravity. */
	readonly dropHeightM: number;
}

/** The sled as one body, checked at the door of `call`. */
export function sledTotals(call: string, sled: Sled): SledTotals {
	const check = checksFor(call);
	if (typeof sled !== 'object' || sled === null) check.fail('sled', 'must be a sled { parts, gimbalHeightM }', sled);
	const parts = check.list('sled.parts', sled.parts);
	parts.forEach(({ body }, index) => check.body(`sled.parts[${index}].body`, body));
	check.uniqueIds('sled.parts', parts);
	const gimbalHeightM = check.number('sled.gimbalHeightM', sled.gimbalHeightM);
	if (!parts.some(({ body }) => body.massKg > 0)) check.fail('sled.parts', 'must have some mass between them', 0);
	const totals = combineBodies({ bodies: parts.map(({ body }) => body) });
	return { ...totals, dropHeightM: gimbalHeightM - totals.cgM[2] };
}

/** The sled with some parts moved by so much along x and y. */
export const withShifts = (
	sled: Sled,
	shifts: Readonly<Record<string, { readonly foreM?: number; readonly sideM?: number }>>
): Sled => ({
	...sled,
	parts: sled.parts.map((part) => {
		const shift = shifts[part.id];
		if (shift === undefined) return part;
		const [x, y, z] = part.body.cgM;
		return { ...part, body: { ...part.body, cgM: [x + (shift.foreM ?? 0), y + (shift.sideM ?? 0), z] } };
	})
});
