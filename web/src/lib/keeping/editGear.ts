import { ask } from './ask';
import type { Named } from '$lib/model/gear';
import { KeptDocument } from './keptDocument.svelte';
import { saveOver } from './saveOver';

export type GearKind = 'rig' | 'sled' | 'crane' | 'venue';
/** What a person calls one. */
export const gearWords: Readonly<Record<GearKind, string>> = {
	rig: 'gimbal',
	sled: 'sled',
	crane: 'crane',
	venue: 'venue'
};
export type Gear<Draft> = Draft & { readonly id: string; readonly version?: number };

/** What a person edits of it. */
export function draftOf<Draft>({ id: _id, version: _version, ...draft }: Gear<Draft>): Draft {
	return draft as unknown as Draft;
}

/** Where the server holds one piece of gear. */
export const gearPath = (kind: GearKind, id: string) => `/api/${kind}s/${id}`;
/** Under which name this browser keeps what was typed of it. */
export const gearKey = (kind: GearKind, id: string) => `${kind}.${id}`;

/** A thing being edited: kept in this browser at once, saved a moment later over the version it was made from. */
export const editGear = <Draft extends Named>(kind: GearKind, gear: Gear<Draft>) =>
	new KeptDocument<Draft>(
		gearKey(kind, gear.id),
		draftOf(gear),
		(value, version) => saveOver<Gear<Draft>>(gearPath(kind, gear.id), value, version),
		gear.version
	);

/** After somebody else saved: mine goes over theirs, or theirs comes here with mine one undo away. */
export async function settleWith<Draft extends Named>(
	document: KeptDocument<Draft>,
	kind: GearKind,
	id: string,
	which: 'mine' | 'theirs'
): Promise<void> {
	const theirs = await ask<Gear<Draft>>('GET', gearPath(kind, id));
	if (theirs.ok)
		await document.saveOver(theirs.value.version ?? 1, which === 'theirs' ? draftOf(theirs.value) : undefined);
	else document.message = theirs.error.message;
}
