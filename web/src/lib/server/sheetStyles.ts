import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

interface Styles {
	/** Style sheets that pages which show a support need whatever they show of it. */
	readonly always: ReadonlySet<string>;
	/** Style sheets by component of a kind of support. */
	readonly sheets: ReadonlyMap<string, ReadonlySet<string>>;
	/** All that belong to any of them. */
	readonly owned: ReadonlySet<string>;
}
interface Written {
	readonly always: readonly string[];
	readonly sheets: Readonly<Record<string, readonly string[]>>;
}

let read: Styles | null | undefined;
/** What the build wrote down, by the files' own names; null while developing, when every component brings its own. */
function styles(): Styles | null {
	if (read !== undefined) return read;
	// Beside what was started: the build itself, or the server around it.
	const began = path.dirname(process.argv[1] ?? '');
	const file = [began, path.join(began, 'build')]
		.map((folder) => path.join(folder, 'client', 'sheet-styles.json'))
		.find((each) => existsSync(each));
	if (file === undefined) return (read = null);
	const { always, sheets } = JSON.parse(readFileSync(file, 'utf8')) as Written;
	const names = (files: readonly string[]) => new Set(files.map((each) => path.basename(each)));
	return (read = {
		always: names(always),
		sheets: new Map(Object.entries(sheets).map(([module, files]) => [module, names(files)])),
		owned: names(Object.values(sheets).flat())
	});
}

/**
 * Whether a page that shows these components needs that style sheet. A route may show any sheet of any kind, and the framework
 * would link the styles of them all; a page that shows none of them needs no answer from here.
 */
export function needsStyle(file: string, shown: readonly string[]): boolean {
	const known = shown.length === 0 ? null : styles();
	if (known === null) return true;
	const called = path.basename(file);
	if (known.always.has(called) || !known.owned.has(called)) return true;
	// A component the build did not name: rather too much than a sheet without its looks.
	return shown.some((module) => known.sheets.get(module)?.has(called) ?? true);
}

/** The page's head without the links it does not need. */
export const withoutIdleStyles = (html: string, shown: readonly string[]): string =>
	html.replace(/<link href="([^"]+\.css)" rel="stylesheet">/g, (link, href: string) =>
		needsStyle(href, shown) ? link : ''
	);
