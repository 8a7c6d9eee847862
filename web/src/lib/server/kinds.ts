import { supportKinds } from '$lib/supports/registry';
import { Refusal } from './refusal';
import type { ServerKind } from './supportKind';

/** Every kind's own part, found by its folder. */
const found = import.meta.glob<ServerKind>('../supports/*/kind.server.ts', { eager: true, import: 'server' });

const byKey = new Map(
	supportKinds.map(({ key }) => {
		const server = found[`../supports/${key}/kind.server.ts`];
		if (server === undefined)
			throw new Error(`The registry names ${key}, and lib/supports/${key}/kind.server.ts is missing.`);
		return [key, server];
	})
);

/** All of them, in the registry's order. */
export const serverKinds = (): ReadonlyMap<string, ServerKind> => byKey;

/** The server's part of a kind. Refuses as not found for a kind there is none of. */
export function serverKind(key: string | undefined): ServerKind {
	const kind = key === undefined ? undefined : byKey.get(key);
	if (kind === undefined) throw new Refusal('notFound', 'There is no such kind of support.');
	return kind;
}
