import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

interface Styles {
	/** Style sheets that pages which show a support need whatever they show of it. */
	readonly always: readonly string[];
	/** Style sheets by component of a kind of support. */
	readonly sheets: Readonly<Record<string, readonly string[]>>;
}

let read: Styles | null | undefined;
/** What the build wrote down; null while developing, when every component brings its own. */
function styles(): Styles | null {
	if (read !== undefined) return read;
	// Beside what was started: the build itself, or the server around it.
	const began = path.dirname(process.argv[1] ?? '');
	const file = [began, path.join(began, 'build')]
		.map((folder) => path.join(folder, 'client', 'sheet-styles.json'))
		.find((each) => existsSync(each));
	read = file === undefined ? null : (JSON.parse(readFileSync(file, 'utf8')) as Styles);
	return read;
}

/**
 * Whether a page that shows these components needs that style sheet. A route may show any sheet of any kind, and the framework
 * would link the styles of them all; a page that shows none of them needs no answer from here.
 */
export function needsStyle(file: string, shown: readonly string[]): boolean {
	const known = shown.length === 0 ? null : styles();
	if (known === null) return true;
	const called = path.basename(file);
	const named = (each: string) => path.basename(each) === called;
	if (known.always.some(named)) return true;
	const own = shown.map((module) => known.sheets[module]);
	// A component the build did not name: rather too much than a sheet without its looks.
	if (own.includes(undefined)) return true;
	return own.some((list) => list?.some(named) === true) || !Object.values(known.sheets).flat().some(named);
}

/** The page's head without the links it does not need. */
export const withoutIdleStyles = (html: string, shown: readonly string[]): string =>
	html.replace(/\s*<link href="([^"]+\.css)" rel="stylesheet">/g, (link, href: string) =>
		needsStyle(href, shown) ? link : ''
	);
