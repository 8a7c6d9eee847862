import { crane } from './crane/kind';
import { gimbal } from './gimbal/kind';
import type { SupportKind } from './kind';
import { sled } from './sled/kind';
import { slider } from './slider/kind';

/** Every kind of support there is, in the order of columns and lists. A new one is its folder, and its name here. */
export const supportKinds: readonly SupportKind[] = [gimbal, sled, crane, slider];

const byKey: ReadonlyMap<string, SupportKind> = new Map(supportKinds.map((kind) => [kind.key, kind]));

/** The kind of that key; null: there is none, a row of a kind that was taken out, say. */
export const kindOf = (key: string): SupportKind | null => byKey.get(key) ?? null;

/** The same where the key was read from what the application itself wrote. Throws for a key it does not know. */
export function knownKind(key: string): SupportKind {
	const kind = byKey.get(key);
	if (kind === undefined) throw new Error(`knownKind: there is no kind of support called ${JSON.stringify(key)}`);
	return kind;
}

/** A word as it begins a heading. */
export const inTitle = (word: string): string => `${word.charAt(0).toUpperCase()}${word.slice(1)}`;

/** The kind whose supports stand on that shelf, such as `gimbals`. Throws for a shelf there is none of. */
export function kindOnShelf(many: string): SupportKind {
	const kind = supportKinds.find((each) => each.many === many);
	if (kind === undefined) throw new Error(`kindOnShelf: there is no shelf called ${JSON.stringify(many)}`);
	return kind;
}
