import { inTitle } from './registry';

/** Where a kind's component lies, as the build knows it. */
export const moduleOf = (kind: string, name: string): string => `./${kind}/${name}.svelte`;
/** What every kind has by a name of its own. */
export const ownName = (kind: string, what: 'Shell' | 'Shelf' | 'RecordView' | 'RecordDrawing'): string =>
	`${inTitle(kind)}${what}`;
