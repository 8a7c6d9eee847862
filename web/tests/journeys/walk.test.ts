import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import type { AxeResults } from 'axe-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LoggedBalance } from '../../src/lib/model/balance';
import type { Part } from '../../src/lib/model/part';
import { type Theme, themes, type UnitSystem } from '../../src/lib/model/person';
import { supportKinds } from '../../src/lib/supports/registry';
import { send } from '../application';
import { type Crew, crewWith, dayNumber, type Person } from '../person';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
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
	readonly links: readonly string[];
	readonly outOfMain: number;
	readonly headings: number;
}

/** The ways that a page offers, as somebody sees them. */
const waysOn = (person: Person): Promise<Seen> =>
	person.page.evaluate(() => {
		const seen = (element: Element) => element.getClientRects().length > 0;
		const own = (anchor: HTMLAnchorElement) =>
			anchor.origin === location.origin && !anchor.pathname.startsWith('/api/') && anchor.target !== '_blank';
		const links = [...document.querySelectorAll<HTMLAnchorElement>('a[href]')].filter((a) => seen(a) && own(a));
		const main = document.querySelector('main') as HTMLElement;
		return {
			links: links.map((a) => a.pathname + a.search),
			outOfMain: links.filter((a) => main.contains(a) && a.pathname !== location.pathname).length,
			headings: document.querySelectorAll('h1').length
		};
	});

/** What a page says, less what is printed on things. */
const wordsOn = (person: Person): Promise<string> =>
	person.page.evaluate(() => {
		const copy = (document.querySelector('main') as HTMLElement).cloneNode(true) as HTMLElement;
		for (const printed of copy.querySelectorAll('[data-printed]')) printed.remove();
		document.body.append(copy);
		const words = copy.innerText.replace(/\s+/g, ' ');
		const fields = [...copy.querySelectorAll<HTMLElement>('[data-unit]')].map((each) => each.dataset.unit ?? '');
		copy.remove();
		return `${words} ${fields.map((unit) => `1 ${unit}`).join(' ')}`;
	});

/** Every check of one page, with the light and the units switched where it stands. */
class Inspection {
	readonly wrong: string[] = [];
	constructor(
		private readonly person: Person,
		/** Names of gear: what is called by its millimetres keeps them. */
		private readonly names: readonly string[],
		private readonly allLights: boolean
	) {}

	async of(name: string, offersWays: boolean): Promise<Seen> {
		const seen = await waysOn(this.person);
		if (seen.headings !== 1) this.wrong.push(`${name} has ${seen.headings} h1`);
		if (offersWays && seen.outOfMain === 0) this.wrong.push(`${name} has no way out of its own`);
		const words = await wordsOn(this.person);
		const bad = broken.exec(words);
		if (bad !== null) this.wrong.push(`${name} reads “${words.slice(Math.max(0, bad.index - 60), bad.index + 40)}”`);
		if (this.allLights) {
			await this.person.page.evaluate(axe);
			await this.axe(name, "axe.run({ resultTypes: ['violations'] })");
			await this.lights(name);
		}
		await this.imperial(name);
		return seen;
	}

	private async axe(name: string, run: string): Promise<void> {
		const { violations } = (await this.person.page.evaluate(run)) as AxeResults;
		for (const { id, impact, nodes } of violations)
			if (impact === 'serious' || impact === 'critical')
				this.wrong.push(
					`${name}: ${id} at ${nodes
						.map(({ target }) => target.join(' '))
						.slice(0, 3)
						.join(', ')}`
				);
	}

	/** Only the colours change with the light; what is typed in is as dark as the rest: a white field blinds in the dark. */
	private async lights(name: string): Promise<void> {
		for (const theme of [...themes.slice(1), ...themes.slice(0, 1)]) {
			await this.turn(theme);
			if (theme === 'day') return;
			const glaring = await this.person.page.$$eval('input:not([type="file"]), select, textarea', (fields) =>
				fields
					.filter((field) => {
						const [r = 0, g = 0, b = 0] = (getComputedStyle(field).backgroundColor.match(/[\d.]+/g) ?? []).map(Number);
						return Math.max(r, g, b) > 140 && field.getBoundingClientRect().width > 30;
					})
					.map((field) => field.outerHTML.slice(0, 90))
			);
			this.wrong.push(...glaring.map((html) => `${name} by ${theme}: white in the dark, ${html}`));
			await this.axe(`${name} by ${theme}`, "axe.run({ runOnly: ['color-contrast'], resultTypes: ['violations'] })");
		}
	}

	private async turn(theme: Theme): Promise<void> {
		await this.person.page.$eval('[data-testid="theme"]', (button) => (button as HTMLElement).click());
		await this.person.page.waitForFunction(
			(wanted: string) => document.documentElement.dataset.theme === wanted,
			{},
			theme
		);
	}

	private async imperial(name: string): Promise<void> {
		await this.measure('imperial');
		let words = await wordsOn(this.person);
		for (const each of this.names) words = words.replaceAll(each, '');
		for (const printed of printedWords) words = words.replace(printed, '');
		for (const stray of words.matchAll(metric))
			this.wrong.push(`${name} reads “${words.slice(Math.max(0, stray.index - 50), stray.index + 30)}” in imperial`);
		const bad = broken.exec(words);
		if (bad !== null) this.wrong.push(`${name} reads “${bad[0]}” in imperial`);
		await this.measure('metric');
	}

	private async measure(units: UnitSystem): Promise<void> {
		await this.person.page.$eval('[data-testid="units"]', (button) => (button as HTMLElement).click());
		await this.person.page.waitForFunction(
			(wanted: string) => document.querySelector('[data-testid="units"]')?.textContent?.includes(wanted),
			{},
			units === 'metric' ? 'mm · g' : 'in · lb'
		);
		await this.person.settled();
	}
}

async function opens(person: Person, path: string): Promise<void> {
	// An address that a link gave, opened as that link would.
	await person.page.goto(person.origin + path, { waitUntil: 'load' });
	await person.settled();
	// What heads say comes over the wire, a moment after the page; on a busy machine two.
	if (path === '/live')
		await person.page.waitForSelector('main a[href^="/live/heads/"]', { timeout: 20_000 }).catch(() => null);
}

/** Breadth first, one page a route: what is found. What is wrong with it is the inspection's. */
async function walk(person: Person, inspection: Inspection): Promise<Set<string>> {
	const found = new Set<string>();
	const waiting = [{ path: person.path, from: 'the front door' }];
	while (waiting.length > 0) {
		const { path, from } = waiting.shift() as (typeof waiting)[number];
		const { pathname } = new URL(path, person.origin);
		const route = routeOf(pathname);
		if (route === null && pathname !== '/') inspection.wrong.push(`${from} links to ${path}, which is no page`);
		if (route === null || found.has(route)) continue;
		await opens(person, path);
		const arrived = routeOf(person.path) ?? route;
		found.add(route);
		if (arrived !== route && found.has(arrived)) continue;
		found.add(arrived);
		const seen = await inspection.of(arrived, true);
		waiting.push(...seen.links.map((link) => ({ path: link, from: arrived })));
	}
	return found;
}

/** Gear and moves are called by their millimetres wherever they are named. */
async function namesOf({ origin }: Crew): Promise<readonly string[]> {
	const parts = (await send(origin, 'GET', '/api/parts')).body as Part[];
	const named = await Promise.all(
		['/api/payloads', '/api/venues', ...supportKinds.map(({ key }) => `/api/supports/${key}`)].map(
			async (path) => (await send(origin, 'GET', path)).body as readonly { readonly name: string }[]
		)
	);
	return [...parts, ...named.flat()].map(({ name }) => name).sort((a, b) => b.length - a.length);
}

/** What the walk is begun with, in turn by the day's number; all of them with `./poise test --long`. */
const starts: readonly (readonly [string, RegExp | null])[] = [
	['nothing chosen', null],
	['a gimbal on the bench', /^Small single-handed gimbal/],
	['a sled on the bench', /^Light sled/],
	['a crane on the bench', /^Chapel jib/]
];
const startsToday = (place: number) =>
	process.env.POISE_LONG === '1' ? starts : [starts[(dayNumber + place) % starts.length]!];

describe.each([
	['desktop', 'mouse', 0],
	['phone', 'thumb', 2]
] as const)('the walk on a %s', (name, way, place) => {
	let crew: Crew;
	let person: Person;
	let names: readonly string[];
	beforeAll(async () => {
		crew = await crewWith('demo');
		person = await crew.person(way);
		names = await namesOf(crew);
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

	it.each(startsToday(place))(
		'finds every page from the front door with %s, each in order in both systems of units',
		async (_what, support) => {
			await start(support);
			const inspection = new Inspection(person, names, name === 'desktop');
			const found = await walk(person, inspection);
			expect(pages.filter((route) => !found.has(route))).toEqual([]);
			expect(inspection.wrong.join('\n')).toBe('');
		},
		600_000
	);

	it.runIf(name === 'desktop')(
		'finds in order what a page of a route looks like with other gear, or opened',
		async () => {
			const inspection = new Inspection(person, names, true);
			// One of them is no page: the browser says so too.
			person.expects = /404/;
			for (const [what, { path, press }] of Object.entries(await otherLooks(crew))) {
				await opens(person, path);
				if (press !== undefined) await person.page.click(press);
				await inspection.of(what, false);
			}
			expect(inspection.wrong.join('\n')).toBe('');
		}
	);
});

/** Pages that a walk of one page a route does not come to as they are here. */
async function otherLooks({
	origin
}: Crew): Promise<Record<string, { readonly path: string; readonly press?: string }>> {
	const get = async <T>(path: string) => (await send(origin, 'GET', path)).body as T;
	type Named = { readonly id: string; readonly name: string };
	const payloads = await get<Named[]>('/api/payloads');
	const [gimbal] = await get<Named[]>('/api/supports/gimbal');
	const sleds = await get<Named[]>('/api/supports/sled');
	const log = await get<LoggedBalance[]>('/api/balances');
	const moves = await get<{ readonly id: string; readonly move: { readonly name: string } }[]>('/api/moves');
	const of = (all: readonly Named[], word: string) => all.find(({ name }) => name.includes(word))!.id;
	const logged = (kind: string) => log.find((each) => each.kind === kind)!.id;
	const moveOf = (word: string) => moves.find(({ move }) => move.name.startsWith(word))!.id;
	const [first, tele, cine, heavy] = [payloads[0]!.id, of(payloads, 'tele'), of(payloads, 'Cine'), of(sleds, 'Heavy')];
	return {
		'gimbal bench out of travel': { path: `/balance/gimbal/${gimbal!.id}/${tele}` },
		'fit of what does not': { path: `/balance/gimbal/${gimbal!.id}/${tele}/fit` },
		'guide, motors on': { path: `/balance/gimbal/${gimbal!.id}/${first}/guide`, press: '[data-testid="motors-off"]' },
		'heavy sled': { path: `/balance/sled/${heavy}/${cine}` },
		'payload with a part open': { path: `/payload/${first}`, press: '[data-row] .name' },
		'shelf with a new part': { path: '/shelf', press: '.new' },
		'empty search': { path: '/logbook?search=nothing-like-this' },
		'logged gimbal': { path: `/logbook/${logged('gimbal')}` },
		'logged sled': { path: `/logbook/${logged('sled')}` },
		'logged crane': { path: `/logbook/${logged('crane')}` },
		'a held move on its rail': { path: `/moves/${moveOf('Hold')}/rail` },
		'a crane’s move': { path: `/moves/${moveOf('Salute')}` },
		'nothing there': { path: '/nowhere' }
	};
}
