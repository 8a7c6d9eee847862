import type { GearPlace } from '$lib/keeping/editGear';
import type { Payload } from '$lib/model/payload';
import { knownKind } from './registry';
import type { SheetLink } from './kind';

/** One bench: which payload on which support. */
export interface BenchReference {
	readonly kind: string;
	readonly supportId: string;
	readonly payloadId: string;
}

/** Where a bench, or one of its sheets, is found. */
export const benchPath = ({ kind, supportId, payloadId }: BenchReference, sheet = ''): string =>
	`/balance/${kind}/${supportId}/${payloadId}${sheet === '' ? '' : `/${sheet}`}`;

/** Where a support by itself, or one of its own sheets, is found. */
export const supportPath = (kind: string, supportId: string, sheet = ''): string =>
	`/${knownKind(kind).many}/${supportId}${sheet === '' ? '' : `/${sheet}`}`;

/** Links to every sheet of a bench, and to those of its support. */
export function benchLinks(bench: BenchReference): SheetLink[] {
	const { sheets, ownSheets, carriesMoves, links = [] } = knownKind(bench.kind);
	return [
		...sheets.map(({ path, words }) => ({ href: benchPath(bench, path), words })),
		...ownSheets.map(({ path, words }) => ({ href: supportPath(bench.kind, bench.supportId, path), words })),
		...(carriesMoves ? [{ href: `/moves?all&with=${bench.supportId}`, words: 'A move with it' }] : []),
		...links
	];
}

/** Under which name this browser keeps what was done at a bench. */
export const benchKey = ({ supportId, payloadId }: Omit<BenchReference, 'kind'>): string =>
	`bench.${supportId}.${payloadId}`;

/** Where supports of a kind are edited, in the words of the editors' frame. */
export const supportGear = (kind: string): GearPlace => {
	const { one, many } = knownKind(kind);
	return { one, history: 'support', api: `/api/supports/${kind}`, pages: `/${many}` };
};

/** Where a support goes on from its own page: to a bench with what it carries, else to a payload that it can carry. */
export function onwardFrom(
	kind: string,
	supportId: string,
	carried: Pick<Payload, 'id' | 'name'> | undefined,
	payloads: readonly unknown[]
): SheetLink {
	if (carried !== undefined)
		return { href: benchPath({ kind, supportId, payloadId: carried.id }), words: `Put ${carried.name} on it` };
	return payloads.length === 0
		? { href: '/payload', words: 'Build a payload for it' }
		: { href: '/balance?choose', words: 'Choose what it carries' };
}

/** Links beside the editor of a support: a bench for it, and its other sheets. */
export const editorLinks = (kind: string, supportId: string): SheetLink[] => [
	{ href: '/balance?choose', words: 'Put a payload on it' },
	...knownKind(kind)
		.ownSheets.filter(({ path }) => path !== '')
		.map(({ path, words }) => ({ href: supportPath(kind, supportId, path), words }))
];
