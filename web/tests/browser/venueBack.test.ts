import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LiveHead } from '../../src/lib/model/liveHead';
import type { Venue } from '../../src/lib/model/venue';
import type { SavedMove } from '../../src/lib/stations/moves/model';
import { send } from '../application';
import { fill, go, ready, type Screen, serveScreen, text } from '../browser';

const complaints: string[] = [];
let screen: Screen;
const ask = (method: string, path: string, body?: unknown) => send(screen.origin, method, path, body);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
const id = (name: string) => `[data-testid="${name}"]`;
const venueOf = async (word: string) =>
	(await get<Venue[]>('/api/venues')).find(({ name }) => name.includes(word)) as Venue;
const inVenue = async (venueId: string) =>
	(await get<SavedMove[]>('/api/moves')).filter(({ move }) => move.venueId === venueId).map(({ move }) => move.name);
const headsIn = async (venueId: string) =>
	(await get<LiveHead[]>('/api/live/heads')).filter((head) => head.venueId === venueId).map(({ name }) => name);

beforeAll(async () => {
	screen = await serveScreen(complaints);
});
afterAll(async () => {
	await screen?.stop();
	expect(complaints).toEqual([]);
});

describe('a venue that was deleted', () => {
	it('is brought back as it was, with the moves and the heads that stood in it', async () => {
		const hall = await venueOf('Chapel');
		const [moves, heads] = [await inVenue(hall.id), await headsIn(hall.id)];
		expect(moves.length).toBeGreaterThan(0);
		expect(heads.length).toBeGreaterThan(0);
		expect((await ask('DELETE', `/api/venues/${hall.id}`)).status).toBe(200);
		expect((await ask('GET', `/api/venues/${hall.id}`)).status).toBe(404);
		expect([await inVenue(hall.id), await headsIn(hall.id)]).toEqual([[], []]);
		expect(await venueOf('Chapel')).toBeUndefined();

		const back = await ask('POST', `/api/venues/${hall.id}/back`);
		expect([back.status, (back.body as Venue).plan]).toEqual([200, hall.plan]);
		expect(await inVenue(hall.id)).toEqual(moves);
		expect(await headsIn(hall.id)).toEqual(heads);
		// Once more changes nothing.
		expect((await ask('POST', `/api/venues/${hall.id}/back`)).status).toBe(200);
	});
	it('leaves a move where somebody has put it since', async () => {
		const [hall, other] = [await venueOf('Tidewater'), await venueOf('Kettle')];
		const saved = (await get<SavedMove[]>('/api/moves')).find(({ move }) => move.venueId === hall.id) as SavedMove;
		await ask('DELETE', `/api/venues/${hall.id}`);
		const { version } = await get<SavedMove>(`/api/moves/${saved.id}`);
		const put = await ask('PUT', `/api/moves/${saved.id}`, { version, move: { ...saved.move, venueId: other.id } });
		expect(put.status).toBe(200);
		await ask('POST', `/api/venues/${hall.id}/back`);
		expect((await get<SavedMove>(`/api/moves/${saved.id}`)).move.venueId).toBe(other.id);
	});
	it('does not come back over another that took its name, says so, and is forgotten after ten others', async () => {
		const plan = { ceilingM: null, shapes: [], underlay: null };
		const make = async (name: string) => (await ask('POST', '/api/venues', { name, plan })).body as Venue;
		const first = await make('Barn');
		await ask('DELETE', `/api/venues/${first.id}`);
		const second = await make('Barn');
		expect(second.id).not.toBe(first.id);
		const refused = await ask('POST', `/api/venues/${first.id}/back`);
		expect([refused.status, (refused.body as { error: { message: string } }).error.message]).toEqual([
			422,
			'Another venue is called “Barn” by now: give that one another name first.'
		]);
		await ask('DELETE', `/api/venues/${second.id}`);
		for (let k = 0; k < 9; k += 1) await ask('DELETE', `/api/venues/${(await make(`Barn ${k}`)).id}`);
		expect((await ask('POST', `/api/venues/${first.id}/back`)).status).toBe(404);
		expect((await ask('POST', `/api/venues/${second.id}/back`)).status).toBe(200);
		await ask('DELETE', `/api/venues/${second.id}`);
	});
});

describe('a tab that is open on what another deletes', () => {
	let [here, there] = [] as unknown as [Page, Page];
	/** In the tab that nobody looks at: it hears of it without being come back to. */
	const standsBehind = (selector: string) =>
		here.waitForFunction((what) => document.querySelector(what) !== null, { polling: 100, timeout: 20_000 }, selector);
	const remove = async (page: Page, venueId: string) => {
		await page.bringToFront();
		await go(page, `${screen.origin}/venues/${venueId}`);
		await page.evaluate(() =>
			[...document.querySelectorAll('button')].find((each) => /^Delete this/.test(each.textContent!.trim()))!.click()
		);
		await page.waitForSelector(id('delete-venue'));
		expect(await text(page, id('delete-words'))).toContain('can be brought back');
		await page.click(id('delete-venue'));
		await page.waitForSelector(id('deleted-venues'));
	};
	beforeAll(async () => {
		[here, there] = [await screen.newPage(), await screen.newPage()];
	});

	it('says at once that the venue is gone, keeps what was typed, and brings it back', async () => {
		const hall = await venueOf('Chapel');
		await here.bringToFront();
		await go(here, `${screen.origin}/venues/${hall.id}`);
		await remove(there, hall.id);
		await standsBehind(id('gone'));
		await here.bringToFront();
		await fill(here, id('venue-name'), 'Chapel after all');
		await here.click(id('bring-back'));
		await here.waitForSelector('[data-testid="venue-save"][data-state="saved"]');
		expect(await here.$(id('gone'))).toBeNull();
		expect((await venueOf('Chapel after all')).id).toBe(hall.id);
	});
	it('a move there calls nothing clear any more, and is tried again once the venue is back from the list', async () => {
		const hall = await venueOf('Chapel');
		const { id: moveId } = (await get<SavedMove[]>('/api/moves')).find(({ move }) => move.venueId === hall.id)!;
		await here.bringToFront();
		await go(here, `${screen.origin}/moves/${moveId}`);
		await ready(here);
		await here.waitForFunction(() => /clear of|strikes|room/i.test(document.querySelector('.slip')?.textContent ?? ''));
		await remove(there, hall.id);
		await standsBehind(id('venue-gone'));
		await here.bringToFront();
		expect(await text(here, id('venue-gone'))).toContain('nothing is tried against it');
		expect(await text(here, '.slip')).not.toMatch(/\bclear of\b/i);
		await here.click(id('venue-back'));
		await here.waitForFunction(() => document.querySelector('[data-testid="venue-gone"]') === null);
		await there.bringToFront();
		await there.reload();
		await ready(there);
		expect(await there.$eval('.cards', (cards) => cards.textContent)).toContain('Chapel after all');
	});
});
