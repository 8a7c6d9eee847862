import { ask } from './ask';
import type { Named } from '$lib/model/gear';
import { KeptDocument } from './keptDocument.svelte';

/** A sort of thing that people edit whole: what one is called, and where the server and the pages have them. */
export interface GearPlace {
	readonly one: string;
	/** Without the id, such as `/api/venues`. */
	readonly api: string;
	/** How its history is called, without the id: `venue`. */
	readonly history: string;
	/** The page of all of them, such as `/venues`. */
	readonly pages: string;
	/** Under which one's own page is, without the id; absent: under all of them. */
	readonly page?: string;
	/** A deleted one can be brought back for a while, from the page of all of them. */
	readonly comesBack?: true;
}
export const headGear: GearPlace = { one: 'head', history: 'head', api: '/api/heads', pages: '/heads' };
export const venueGear: GearPlace = {
	one: 'venue',
	history: 'venue',
	api: '/api/venues',
	pages: '/venues',
	comesBack: true
};

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
export function editGear<Draft extends Named>(place: GearPlace, gear: Gear<Draft>): KeptDocument<Draft> {
	const path = gearPath(place, gear.id);
	return new KeptDocument<Draft>(
		gearKey(place, gear.id),
		draftOf(gear),
		{
			put: (value, version) => ask<Gear<Draft>>('PUT', path, { ...value, version }),
			get: async () => {
				const there = await ask<Gear<Draft>>('GET', path);
				return there.ok
					? { ...there, value: { value: draftOf(there.value), version: there.value.version ?? 1 } }
					: there;
			}
		},
		gear.version
	);
}
