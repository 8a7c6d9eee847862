import { combineBodies, PhysicsInputError, subtract, type Vec3 } from '@poise/core';
import { lensAtLimit } from './lensAt';
import type { Part } from './part';
import { cornersM, mountedBodies, type Payload, standingParts } from './payload';

/** A payload as a head carries it. */
export interface DrawnCamera {
	readonly id: string;
	readonly name: string;
	readonly massKg: number;
	/** From its centre of gravity, which a balanced head holds where its axes cross, to the middle of its lens; null: it has none. */
	readonly lensM: Vec3 | null;
}

/** Null: nothing to carry, or a build that cannot be worked out. */
export function drawnCamera(payload: Payload, shelf: ReadonlyMap<string, Part>): DrawnCamera | null {
	const parts = standingParts(payload, shelf);
	const bodies = mountedBodies(parts);
	if (bodies.length === 0) return null;
	try {
		const { massKg, cgM } = combineBodies({ bodies: bodies.map(({ body }) => body) });
		const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
		const lens = parts.find(({ part }) => part.kind === 'lens');
		if (lens === undefined) return { id: payload.id, name: payload.name, massKg, lensM: null };
		const [from, to] = cornersM(lens);
		// Bodies are counted from under the plate, the drawing from its top.
		const middle: Vec3 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2, (from[2] + to[2]) / 2 + plateM];
		const lensM = subtract(middle, cgM);
		const told = lensM.every((each) => Math.abs(each) <= lensAtLimit.most);
		return { id: payload.id, name: payload.name, massKg, lensM: told ? lensM : null };
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return null;
		throw thrown;
	}
}
