import { ask } from './ask';
import type { Named } from '$lib/model/gear';
import { KeptDocument } from './keptDocument.svelte';
import { saveOver } from './saveOver';

/** A sort of thing that people edit whole: what one is called, and where the server and the pages have them. */
export interface GearPlace {
	readonly one: string;
	/** Without the id, such as `/api/venues`. */
	readonly api: string;
	/** The page of all of them, such as `/venues`. */
	readonly pages: string;
}
export const venueGear: GearPlace = { one: 'venue', api: '/api/venues', pages: '/venues' };

export type Gear<Draft> = Draft & { readonly id: string; readonly version?: number };

/** What a person edits of it. */
export function draftOf<Draft>({
	id: _id,
	version: _version,
	kind: _kind,
	...draft
}: Gear<Draft> & { readonly kind?: unknown }): Draft {
	return draft as unknown as Draft;
}

/** Where the server holds one piece of gear. */
export const gearPath = ({ api }: GearPlace, id: string) => `${api}/${id}`;
/** Under which name this browser keeps what was typed of it. */
export const gearKey = ({ one }: GearPlace, id: string) => `${one}.${id}`;

/** A thing being edited: kept in this browser at once, saved a moment later over the version it was made from. */
export const editGear = <Draft extends Named>(place: GearPlace, gear: Gear<Draft>) =>
	new KeptDocument<Draft>(
		gearKey(place, gear.id),
		draftOf(gear),
		(value, version) => saveOver<Gear<Draft>>(gearPath(place, gear.id), value, version),
		gear.version
	);

/** After somebody else saved: mine goes over theirs, or theirs comes here with mine one undo away. */
export async function settleWith<Draft extends Named>(
	document: KeptDocument<Draft>,
	place: GearPlace,
	id: string,
	which: 'mine' | 'theirs'
): Promise<void> {
	const theirs = await ask<Gear<Draft>>('GET', gearPath(place, id));
	if (theirs.ok)
		await document.saveOver(theirs.value.version ?? 1, which === 'theirs' ? draftOf(theirs.value) : undefined);
	else document.message = theirs.error.message;
}
