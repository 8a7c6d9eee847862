import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Part } from '../../src/lib/model/part';
import { supportKinds } from '../../src/lib/supports/registry';
import { send } from '../application';
import { type Crew, crewWith, Person } from './person';

const routes = fileURLToPath(new URL('../../src/routes', import.meta.url));
/** Every kind of support has pages of its own under the same few routes. */
function ofEveryKind(route: string): readonly string[] {
	if (route.includes('[kind=kind]'))
		return supportKinds.flatMap(({ key, sheets }) =>
			sheets.map(({ path }) =>
				route.replace('[kind=kind]', key).replace(/\/?\[\.\.\.sheet\]/, path === '' ? '' : `/${path}`)
			)
		);
	if (route.includes('[...sheet]'))
		return supportKinds.flatMap(({ many, ownSheets }) =>
			ownSheets.map(({ path }) =>
				route.replace('[shelf=shelf]', many).replace(/\/?\[\.\.\.sheet\]/, path === '' ? '' : `/${path}`)
			)
		);
	if (route.includes('[shelf=shelf]')) return supportKinds.map(({ many }) => route.replace('[shelf=shelf]', many));
	return [route];
}
/** Every page, found from the front door by links alone. */
const pages = readdirSync(routes, { recursive: true, encoding: 'utf8' })
	.filter((file) => file.endsWith('+page.svelte'))
	.map((file) => `/${file.replace(/\/?\+page\.svelte$/, '')}`)
	// The front door itself only leads on.
	.filter((route) => route !== '/')
	.flatMap(ofEveryKind);

const id = '[0-9a-f-]{36}';
/** Which route an address belongs to; the plain ones first, so that a name is not read as an id. */
const patterns = [...pages]
	.sort((a, b) => Number(a.includes('[')) - Number(b.includes('[')))
	.map((route) => ({ route, pattern: new RegExp(`^${route.replace(/\[[^\]]+\]/g, id)}$`) }));
const routeOf = (path: string) => patterns.find(({ pattern }) => pattern.test(path))?.route ?? null;

/** Scales, names of gear and lens data keep the millimetres that are printed on the thing; they are marked or named here. */
const printedWords = [
	// Lenses are called by their focal length everywhere in the world.
	/\b\d+(?:[–-]\d+)? mm (?=prime|zoom|lens|tele|wide)/gi,
	// A scale is read in the millimetres printed on it, and says so.
	/printed −?-?[\d.]+ to [\d.]+ mm/g,
	/Scales are read in the millimetres printed on them/g
];
const metric = /(?<![\w.])[−+]?\d[\d.,]*\s(?:mm|cm|m|kg|g|N·m|N|m\/s|m²|g·m²|kg·m²|°C)(?![\w·/²])/g;
const broken = /\b(NaN|undefined|Infinity|\[object Object\])\b/;

interface Seen {
	readonly path: string;
	readonly links: readonly string[];
	readonly outOfMain: number;
	readonly headings: number;
	readonly words: string;
}

async function look(person: Person, path: string): Promise<Seen> {
	// An address that a link gave, opened as that link would.
	await person.page.goto(person.origin + path, { waitUntil: 'load' });
	await person.settled();
	// What heads say comes over the wire, a moment after the page; on a busy machine two.
	if (path === '/live')
		await person.page.waitForSelector('main a[href^="/live/heads/"]', { timeout: 20_000 }).catch(() => null);
	return person.page.evaluate((here: string) => {
		const seen = (element: Element) => element.getClientRects().length > 0;
		const own = (anchor: HTMLAnchorElement) =>
			anchor.origin === location.origin && !anchor.pathname.startsWith('/api/') && anchor.target !== '_blank';
		const links = [...document.querySelectorAll<HTMLAnchorElement>('a[href]')].filter((a) => seen(a) && own(a));
		const main = document.querySelector('main') as HTMLElement;
		const copy = main.cloneNode(true) as HTMLElement;
		for (const printed of copy.querySelectorAll('[data-printed]')) printed.remove();
		document.body.append(copy);
		const words = copy.innerText.replace(/\s+/g, ' ');
		const fields = [...copy.querySelectorAll<HTMLElement>('[data-unit]')].map((each) => each.dataset.unit ?? '');
		copy.remove();
		return {
			path: here,
			links: links.map((a) => a.pathname + a.search),
			outOfMain: links.filter((a) => main.contains(a) && a.pathname !== location.pathname).length,
			headings: document.querySelectorAll('h1').length,
			words: `${words} ${fields.map((unit) => `1 ${unit}`).join(' ')}`
		};
	}, path);
}

/** Breadth first, one page a route: what is found, and what was wrong with it. */
async function crawl(person: Person, imperial: readonly string[] | null) {
	const found = new Map<string, Seen>();
	const waiting = [{ path: person.path, from: 'the front door' }];
	const wrong: string[] = [];
	while (waiting.length > 0) {
		const { path, from } = waiting.shift() as (typeof waiting)[number];
		const { pathname } = new URL(path, person.origin);
		const route = routeOf(pathname);
		if (route === null && pathname !== '/') wrong.push(`${from} links to ${path}, which is no page`);
		if (route === null || found.has(route)) continue;
		const seen = await look(person, path);
		const arrived = routeOf(person.path) ?? route;
		if (found.has(arrived)) continue;
		found.set(arrived, seen);
		if (arrived !== route) found.set(route, seen);
		if (seen.headings !== 1) wrong.push(`${arrived} has ${seen.headings} h1`);
		if (seen.outOfMain === 0) wrong.push(`${arrived} has no way out of its own`);
		const bad = broken.exec(seen.words);
		if (bad !== null) wrong.push(`${arrived} reads “${seen.words.slice(Math.max(0, bad.index - 60), bad.index + 40)}”`);
		if (imperial !== null) {
			let words = seen.words;
			for (const name of imperial) words = words.replaceAll(name, '');
			for (const printed of printedWords) words = words.replace(printed, '');
			for (const stray of words.matchAll(metric))
				wrong.push(`${arrived} reads “${words.slice(Math.max(0, stray.index - 50), stray.index + 30)}” in imperial`);
		}
		waiting.push(...seen.links.map((link) => ({ path: link, from: arrived })));
	}
	return { found: new Set(found.keys()), wrong };
}

// Every start on one of the two: what a page links does not depend on both at once.
const starts: Readonly<Record<'desktop' | 'phone', readonly (readonly [string, RegExp | null])[]>> = {
	desktop: [
		['nothing chosen', null],
		['a sled on the bench', /^Light sled/]
	],
	phone: [
		['a gimbal on the bench', /^Small single-handed gimbal/],
		['a crane on the bench', /^Chapel jib/]
	]
};
describe.each([
	['desktop', 'mouse'],
	['phone', 'thumb']
] as const)('the crawl on a %s', (name, way) => {
	let crew: Crew;
	let person: Person;
	beforeAll(async () => {
		crew = await crewWith('demo');
		person = await crew.person(way);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	async function start(support: RegExp | null) {
		await person.page.goto(`${person.origin}/`, { waitUntil: 'load' });
		await person.settled();
		if (support === null) return;
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.press(support, 'td');
		await person.arrives(/^\/balance\/.+\/.+/);
		await person.page.waitForFunction(() => document.querySelector('header [aria-current="page"]') !== null);
		// What is on the bench is remembered a moment later.
		await new Promise((resolve) => setTimeout(resolve, 500));
		await person.press(/all payloads/, 'header');
		await person.settled();
	}

	it.each(starts[name])('finds every page from the front door with %s', async (_what, support) => {
		await start(support);
		const { found, wrong } = await crawl(person, null);
		expect(pages.filter((route) => !found.has(route))).toEqual([]);
		expect(wrong).toEqual([]);
	});

	it('reads no metric figure on any page once somebody works in inches and pounds', async () => {
		await start(/^Hall crane|^Chapel jib/);
		await person.press(/^Units:/, 'header');
		await person.reads(/in · lb/, 'header');
		const parts = (await send(crew.origin, 'GET', '/api/parts')).body as Part[];
		const named = await Promise.all(
			['/api/payloads', '/api/venues', ...supportKinds.map(({ key }) => `/api/supports/${key}`)].map(
				async (path) => (await send(crew.origin, 'GET', path)).body as readonly { readonly name: string }[]
			)
		);
		const names = [...parts, ...named.flat()].map(({ name }) => name).sort((a, b) => b.length - a.length);
		const { found, wrong } = await crawl(person, names);
		expect(found.size).toBeGreaterThan(30);
		expect(wrong).toEqual([]);
	});
});
