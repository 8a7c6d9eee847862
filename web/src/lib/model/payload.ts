import { type Body, boxInertia, cylinderInertia, type Vec3 } from '@poise/core';
import { cgFromFootM, outerSizeM, type Part } from './part';

/** A part on the plate: `positionM` is the middle of its foot from the middle of the plate's top. */
export interface Placement {
	readonly id: string;
	readonly partId: string;
	readonly positionM: Vec3;
}

/** What a person edits: the plate and what stands on it. */
export interface PayloadDraft {
	readonly name: string;
	readonly platePartId: string;
	readonly placements: readonly Placement[];
}

export interface Payload extends PayloadDraft {
	readonly id: string;
	/** Counts saves; a save that names an older version is refused. */
	readonly version: number;
	readonly updatedAt: string;
}

/** A part where it stands, ready to be weighed and drawn. */
export interface StandingPart {
	readonly id: string;
	readonly part: Part;
	readonly positionM: Vec3;
}

/** The plate first, then the parts on it. Parts that have left the shelf are left out. */
export function standingParts(draft: PayloadDraft, shelf: ReadonlyMap<string, Part>): StandingPart[] {
	const plate = shelf.get(draft.platePartId);
	const onPlate = draft.placements.flatMap(({ id, partId, positionM }) => {
		const part = shelf.get(partId);
		return part === undefined ? [] : [{ id, part, positionM }];
	});
	if (plate === undefined) return onPlate;
	return [{ id: 'plate', part: plate, positionM: [0, 0, -plate.shape.sizeM[2]] }, ...onPlate];
}

/** A standing part as a rigid body in the payload's frame. Lenses, filters and motors are drawn and weighed as cylinders. */
export function bodyOf({ part, positionM }: Omit<StandingPart, 'id'>): Body {
	const foot = cgFromFootM(part.shape);
	const sizeM = outerSizeM(part.shape);
	const round = part.kind === 'lens' || part.kind === 'filter' || part.kind === 'adapter';
	return {
		massKg: part.massKg,
		cgM: [positionM[0] + foot[0], positionM[1] + foot[1], positionM[2] + foot[2]],
		inertiaKgM2: round
			? cylinderInertia({
					massKg: part.massKg,
					radiusM: (sizeM[1] + sizeM[2]) / 4,
					lengthM: sizeM[0],
					axis: 'x'
				})
			: boxInertia({ massKg: part.massKg, sizeM })
	};
}

/** Bodies as a rig sees them: from the underside of the plate, which is what sits on the rig. */
export function mountedBodies(parts: readonly StandingPart[]): { readonly id: string; readonly body: Body }[] {
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	return parts.map((standing) => {
		const body = bodyOf(standing);
		const [x, y, z] = body.cgM;
		return { id: standing.id, body: { ...body, cgM: [x, y, z + plateM] } };
	});
}
