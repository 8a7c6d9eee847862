import type { UnitSystem } from '$lib/model/person';
import type { Component } from 'svelte';
import type { TwoUp } from './log/twoUp';
import { moduleOf } from './components';

// What a component shows is for its kind to say; the routes only hand on what the server's part of the same kind gave.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Shown = Component<any>;

/**
 * What kinds show is found by its name in the kind's folder and loaded when it is looked at, so that no page carries the
 * sheets of another: `KindShell` round all sheets of one bench, which makes the bench and shares it (`data`, `children`);
 * `…View` and `KindEditor` for the sheets (`data`); `KindShelf` with the patterns to start from (`data`);
 * `KindRecordView` for a line of the logbook opened (`data`); `KindRecordDrawing` of how it stood (`record`, `units`, `width`).
 */
const components = import.meta.glob<Shown>(
	['./*/*Shell.svelte', './*/*View.svelte', './*/*Editor.svelte', './*/*Shelf.svelte', './*/*RecordDrawing.svelte'],
	{ import: 'default' }
);
/** `kindCompare.ts` lays two records side by side. */
const comparisons = import.meta.glob<(a: unknown, b: unknown, units: UnitSystem) => TwoUp>('./*/*Compare.ts', {
	import: 'twoUp'
});

/** A component of a kind. Throws where the kind's folder has none of that name. */
export async function viewOf(kind: string, name: string): Promise<Shown> {
	const load = components[moduleOf(kind, name)];
	if (load === undefined) throw new Error(`viewOf: lib/supports/${kind} has no ${name}.svelte`);
	return load();
}

/** What lays two records of a kind side by side. Throws where the kind's folder has no such thing. */
export async function twoUpOf(kind: string) {
	const load = comparisons[`./${kind}/${kind}Compare.ts`];
	if (load === undefined) throw new Error(`twoUpOf: lib/supports/${kind} has no ${kind}Compare.ts`);
	return load();
}
