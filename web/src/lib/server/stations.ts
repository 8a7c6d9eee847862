import { type StationKey, stations } from '$lib/shell/stations';
import type { HistoryReader, ServerStation } from './station';

/** Every station's own part, found by its folder. */
const found = import.meta.glob<ServerStation>('../stations/*/station.server.ts', { eager: true, import: 'server' });

/** Those that have one, in the day's order. */
export const serverStations: readonly (readonly [StationKey, ServerStation])[] = stations.flatMap(({ key }) => {
	const server = found[`../stations/${key}/station.server.ts`];
	return server === undefined ? [] : [[key, server] as const];
});

const odd = Object.keys(found).filter(
	(path) => !stations.some(({ key }) => path === `../stations/${key}/station.server.ts`)
);
if (odd.length > 0) throw new Error(`${odd.join(', ')} is of no station: shell/stations.ts names it first.`);

/** How the history of a station's document is read; null: no station knows one by that name. */
export function historyOf(document: string): HistoryReader | null {
	const [topic = '', ...rest] = document.split('/');
	for (const [, { histories }] of serverStations)
		if (histories !== undefined && Object.hasOwn(histories, topic)) return histories[topic]!(rest);
	return null;
}
