import { ask } from '$lib/keeping/ask';
import { gearKey, gearPath, type GearPlace } from '$lib/keeping/editGear';
import { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { LiveHead, LiveHeadDraft } from '$lib/model/liveHead';

export const livePlace: GearPlace = {
	one: 'live head',
	history: 'liveHead',
	api: '/api/live/heads',
	pages: '/live',
	page: '/live/heads'
};

const draftOf = ({ name, number, venueId, settings }: LiveHead): LiveHeadDraft => ({ name, number, venueId, settings });

/** A head's sheet being edited: kept in this browser at once, saved a moment later over the version it was made from. */
export function keepHead(head: LiveHead): KeptDocument<LiveHeadDraft> {
	const path = gearPath(livePlace, head.id);
	return new KeptDocument<LiveHeadDraft>(
		gearKey(livePlace, head.id),
		draftOf(head),
		{
			put: (value, version) => ask<LiveHead>('PUT', path, { ...value, version }),
			get: async () => {
				const there = await ask<LiveHead>('GET', path);
				return there.ok ? { ...there, value: { value: draftOf(there.value), version: there.value.version } } : there;
			}
		},
		head.version
	);
}
