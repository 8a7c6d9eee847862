import { ask } from '$lib/api';
import type { GearDraft } from '$lib/model/gear';
import { KeptDocument } from './keptDocument.svelte';
import { saveOver } from './saveOver';

export type GearKind = 'rig' | 'sled' | 'crane';
export type Gear<Geometry> = GearDraft<Geometry> & { readonly id: string; readonly version?: number };

export const draftOf = <Geometry>({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
}: GearDraft<Geometry>): GearDraft<Geometry> => ({ name, leastPayloadKg, greatestPayloadKg, geometry });

/** Where the server holds one piece of gear. */
export const gearPath = (kind: GearKind, id: string) => `/api/${kind}s/${id}`;
/** Under which name this browser keeps what was typed of it. */
export const gearKey = (kind: GearKind, id: string) => `${kind}.${id}`;

/** A support being edited: kept in this browser at once, saved a moment later over the version it was made from. */
export const editGear = <Geometry>(kind: GearKind, gear: Gear<Geometry>) =>
	new KeptDocument<GearDraft<Geometry>>(
		gearKey(kind, gear.id),
		draftOf(gear),
		(value, version) => saveOver<Gear<Geometry>>(gearPath(kind, gear.id), value, version),
		gear.version
	);

/** After somebody else saved: mine goes over theirs, or theirs comes here with mine one undo away. */
export async function settleWith<Geometry>(
	document: KeptDocument<GearDraft<Geometry>>,
	kind: GearKind,
	id: string,
	which: 'mine' | 'theirs'
): Promise<void> {
	const theirs = await ask<Gear<Geometry>>('GET', gearPath(kind, id));
	if (theirs.ok)
		await document.saveOver(theirs.value.version ?? 1, which === 'theirs' ? draftOf(theirs.value) : undefined);
	else document.message = theirs.error.message;
}
