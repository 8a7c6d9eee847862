import type { Vec3 } from '@poise/core';
import { type Attitude, mirrored, plainAttitude } from '$lib/model/attitude';
import type { PayloadDraft, Placement } from '$lib/model/payload';

/** A duplicate stands this far to the left of what it copies. */
const besideM = 0.04;
/** Sums of half millimetres stay figures that a person would type. */
const tidy = (metres: number) => Math.round(metres * 1e6) / 1e6;
const attitudeOf = ({ attitude = plainAttitude }: Placement): Attitude => attitude;

/** A part and everything that moves with it. */
export function together({ placements }: PayloadDraft, id: string): Set<string> {
	const group = placements.find((each) => each.id === id)?.attitude?.group ?? null;
	if (group === null) return new Set([id]);
	return new Set(placements.filter(({ attitude }) => attitude?.group === group).map((each) => each.id));
}

const changed = (
	draft: PayloadDraft,
	ids: ReadonlySet<string>,
	work: (each: Placement) => Placement
): PayloadDraft => ({
	...draft,
	placements: draft.placements.map((each) => (ids.has(each.id) ? work(each) : each))
});

/** The part goes exactly where it was put; what is grouped with it keeps its distance. */
export function moved(draft: PayloadDraft, id: string, positionM: Vec3): PayloadDraft {
	const part = draft.placements.find((each) => each.id === id);
	if (part === undefined) return draft;
	const by = positionM.map((value, axis) => value - (part.positionM[axis] ?? 0));
	return changed(draft, together(draft, id), (each) => ({
		...each,
		positionM:
			each.id === id
				? positionM
				: (each.positionM.map((value, axis) => tidy(value + (by[axis] ?? 0))) as unknown as Vec3)
	}));
}

export const withAttitude = (draft: PayloadDraft, id: string, change: (was: Attitude) => Attitude): PayloadDraft =>
	changed(draft, new Set([id]), (each) => ({ ...each, attitude: change(attitudeOf(each)) }));

/** The part and its group on the other side of the plate's middle line. */
export const mirroredOver = (draft: PayloadDraft, id: string): PayloadDraft =>
	changed(draft, together(draft, id), (each) => ({
		...each,
		positionM: [each.positionM[0], -each.positionM[1] || 0, each.positionM[2]],
		attitude: mirrored(attitudeOf(each))
	}));

/** A second one beside the first, a group copied whole; also the id of the copy of the part itself. */
export function duplicated(
	draft: PayloadDraft,
	id: string,
	newId: () => string
): { readonly draft: PayloadDraft; readonly copyId: string | null } {
	const originals = draft.placements.filter((each) => together(draft, id).has(each.id));
	const group = originals.length > 1 ? newId() : null;
	const copies = originals.map((each): Placement => {
		const [x, y, z] = each.positionM;
		return { ...each, id: newId(), positionM: [x, tidy(y + besideM), z], attitude: { ...attitudeOf(each), group } };
	});
	const copyId = copies[originals.findIndex((each) => each.id === id)]?.id ?? null;
	return { draft: { ...draft, placements: [...draft.placements, ...copies] }, copyId };
}

/** From now on the two move together; null: the part moves on its own again. */
export function grouped(draft: PayloadDraft, id: string, otherId: string | null, newId: () => string): PayloadDraft {
	if (otherId === null) return withAttitude(draft, id, (was) => ({ ...was, group: null }));
	const group = draft.placements.find((each) => each.id === otherId)?.attitude?.group ?? newId();
	return changed(draft, new Set([id, otherId]), (each) => ({ ...each, attitude: { ...attitudeOf(each), group } }));
}

/** Everything on the plate together, to half millimetres like a drag. */
export const allMoved = (draft: PayloadDraft, forwardM: number): PayloadDraft => ({
	...draft,
	placements: draft.placements.map((each) => {
		const [x, y, z] = each.positionM;
		return { ...each, positionM: [Math.round((x + forwardM) * 2000) / 2000, y, z] };
	})
});
