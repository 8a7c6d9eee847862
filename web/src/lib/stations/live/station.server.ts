import { liveSettingsAs } from '$lib/server/db/liveHeads';
import type { ServerStation } from '$lib/server/station';
import { fromStore } from '$lib/server/stored';
import { loadLive } from './demo.server';

/** How it stands the desk says by itself, to whoever has a page open. */
export const server: ServerStation = {
	histories: {
		liveHead:
			() =>
			({ settings, ...rest }) => ({ ...rest, settings: fromStore(liveSettingsAs, settings) })
	},
	demo: loadLive
};
