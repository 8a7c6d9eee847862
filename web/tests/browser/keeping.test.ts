import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Edit } from '../../src/lib/model/edit';
import type { Payload } from '../../src/lib/model/payload';
import type { Person } from '../../src/lib/model/person';
import type { Gimbal } from '../../src/lib/supports/gimbal/model';
import { send } from '../application';
import { fill, go, type Screen, serveScreen, text, waitForText } from '../browser';

const complaints: string[] = [];
let screen: Screen;
const ask = (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
	send(screen.origin, method, path, body, headers);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
beforeAll(async () => {
	screen = await serveScreen(complaints);
});
afterAll(async () => {
	expect(complaints).toEqual([]);
	await screen?.stop();
});
type Stored = Gimbal & { readonly version: number; readonly kind?: string };
const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: Stored) => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
});

describe('figures written into gear beside saves of it', () => {
	it('lose none of them: every save that was confirmed is there, and every figure', async () => {
		const [first] = await get<Stored[]>('/api/supports/gimbal');
		const at = `/api/supports/gimbal/${first!.id}`;
		const slideId = first!.geometry.slides[0]!.id;
		let confirmed = 0;
		const saves = async (from: number) => {
			for (let time = 0; time < 12; time += 1) {
				const now = await get<Stored>(at);
				const saved = await ask('PUT', at, { ...draftOf(now), name: `Saved ${from}.${time}`, version: now.version });
				expect([200, 409]).toContain(saved.status);
				if (saved.status === 200) confirmed += 1;
			}
		};
		const figures = async (from: number) => {
			for (let time = 0; time < 12; time += 1) {
				const figure = { readingAtZeroM: 0.04 + (from * 12 + time) / 10_000, zeroSigmaM: 0.0005 };
				const written = await ask('POST', '/api/gear', {
					about: 'zero',
					supportId: first!.id,
					slideId,
					from: 'a lesson',
					figure
				});
				expect(written.status).toBe(200);
				confirmed += 1;
			}
		};
		await Promise.all([saves(1), saves(2), figures(0), figures(1)]);
		const after = await get<Stored>(at);
		expect(after.version - first!.version).toBe(confirmed);
		expect(after.name).toMatch(/^Saved/);
		const zero = after.geometry.slides[0]!.scale.readingAtZeroM;
		expect(zero).toBeGreaterThan(0.0399);
		expect(zero).not.toBeCloseTo(first!.geometry.slides[0]!.scale.readingAtZeroM, 6);
	});

	it('of a part too: a measured centre does not take back a mass saved beside it', async () => {
		const [lens] = (
			await get<{ id: string; kind: string; massKg: number; name: string; shape: object }[]>('/api/parts')
		).filter(({ kind }) => kind === 'lens');
		const { id, ...part } = lens!;
		const figure = (forward: number) => ({
			cgFromMiddleM: [forward, 0, 0],
			cgSigmaM: [0.001, 0.001, 0.001],
			cgFrom: 'rod'
		});
		await Promise.all(
			Array.from({ length: 20 }, (_, time) =>
				time % 2 === 0
					? ask('PUT', `/api/parts/${id}`, { ...part, massKg: 0.3 + time / 1000 })
					: ask('POST', '/api/gear', { about: 'part', partId: id, from: 'rod', figure: figure(time / 1000) })
			)
		);
		const now = (await get<{ id: string; massKg: number }[]>('/api/parts')).find((each) => each.id === id)!;
		expect(now.massKg).toBeGreaterThanOrEqual(0.3);
		expect(now.massKg).toBeLessThan(0.32);
	});
});

describe('a history', () => {
	it('says who left a payload how: one entry a spell of work of one person, the newest first', async () => {
		const wide = (await get<Payload[]>('/api/payloads')).find(({ name }) => name.includes('wide'))!;
		const history = () => get<Edit[]>(`/api/edits/payload/${wide.id}`);
		const began = (await history()).length;
		const draft = { name: wide.name, platePartId: wide.platePartId, placements: wide.placements, correction: null };
		const save = async (name: string, cookie?: string) => {
			const { version } = (await get<Payload[]>('/api/payloads')).find(({ id }) => id === wide.id)!;
			const headers: Record<string, string> = cookie === undefined ? {} : { cookie };
			const saved = await ask('PUT', `/api/payloads/${wide.id}`, { ...draft, name, version }, headers);
			expect(saved.status).toBe(200);
		};
		await save('Wide, once');
		await save('Wide, twice');
		const mine = await history();
		expect([mine.length - began, (mine[0]!.content as Payload).name]).toEqual([1, 'Wide, twice']);
		const chosen = await ask('PATCH', '/api/me', { units: 'metric' });
		const me = chosen.body as Person;
		const page = await screen.newPage();
		await go(page, `${screen.origin}/payload/${wide.id}`);
		const other = (
			await page.$$eval('#who option', (all) =>
				all.map((option) => [(option as HTMLOptionElement).value, option.textContent ?? ''] as const)
			)
		).find(([id]) => id !== me.id)!;
		await save('Wide, by another', `person=${other[0]}`);
		const both = await history();
		expect([both.length, both[0]!.personName, both[1]!.personName]).toEqual([mine.length + 1, other[1], me.name]);
		await save(wide.name);
		await page.close();
	});

	it('is shown under an editor, and what stood there comes back, one undo from what stands', async () => {
		const page = await screen.newPage();
		const [, large] = await get<Stored[]>('/api/supports/gimbal');
		await go(page, `${screen.origin}/gimbals/${large!.id}`);
		const was = await page.$eval('[data-testid="gimbal-name"]', (field) => (field as HTMLInputElement).value);
		await fill(page, '[data-testid="gimbal-name"]', 'Named by one');
		await page.waitForSelector('[data-testid="gimbal-save"][data-state="saved"]');
		const people = await page.$$eval('#who option', (all) => all.map((option) => (option as HTMLOptionElement).value));
		const now = await page.$eval('#who', (select) => (select as HTMLSelectElement).value);
		await page.select(
			'#who',
			people.find((id) => id !== now)!
		);
		await page.waitForFunction((id) => (document.querySelector('#who') as HTMLSelectElement).value !== id, {}, now);
		await page.waitForNetworkIdle();
		await fill(page, '[data-testid="gimbal-name"]', 'Named by another');
		await page.waitForSelector('[data-testid="gimbal-save"][data-state="unsaved"]');
		await page.waitForSelector('[data-testid="gimbal-save"][data-state="saved"]');
		await page.click('[data-testid="edits"] summary');
		await page.waitForSelector('[data-testid="edit"]');
		expect(await text(page, '[data-testid="edit"] .what')).toBe('name');
		await page.click('[data-testid="edit"] button');
		await waitForText(page, '[data-testid="brought-back"]', 'Undo takes that back');
		const named = () => page.$eval('[data-testid="gimbal-name"]', (field) => (field as HTMLInputElement).value);
		expect(await named()).toBe('Named by one');
		await page.waitForSelector('[data-testid="gimbal-save"][data-state="saved"]');
		expect((await get<Stored>(`/api/supports/gimbal/${large!.id}`)).name).toBe('Named by one');
		await page.evaluate(() =>
			[...document.querySelectorAll('button')].find((each) => each.textContent?.trim() === 'Undo')!.click()
		);
		expect(await named()).toBe('Named by another');
		await fill(page, '[data-testid="gimbal-name"]', was);
		await page.waitForSelector('[data-testid="gimbal-save"][data-state="saved"]');
		await page.close();
	});

	it('of nothing is a clear no', async () => {
		expect((await ask('GET', '/api/edits/payload/none')).body).toEqual([]);
		expect((await ask('GET', '/api/edits/secrets/1')).status).toBe(404);
		expect((await ask('GET', '/api/edits/support/1')).status).toBe(404);
	});
});

describe('a page of a support', () => {
	it('links the styles it needs and no other sheet’s, and has its looks before any script runs', async () => {
		const [small] = await get<Stored[]>('/api/supports/gimbal');
		const [payload] = await get<Payload[]>('/api/payloads');
		const styles = async (path: string) => {
			const html = await (await fetch(screen.origin + path)).text();
			return [...html.matchAll(/href="[^"]*\/([^"/]+\.css)" rel="stylesheet"/g)].map(([, file]) => file!);
		};
		const bench = await styles(`/balance/gimbal/${small!.id}/${payload!.id}`);
		const fit = await styles(`/balance/gimbal/${small!.id}/${payload!.id}/fit`);
		for (const list of [bench, fit]) {
			expect(list.some((file) => /^(SledDrawing|CraneDrawing|SpinStage|SliderDrawing)/.test(file))).toBe(false);
			expect(new Set(list).size).toBe(list.length);
			expect(list.length).toBeLessThan(26);
		}
		expect(bench.some((file) => file.startsWith('GimbalDrawing') || file.startsWith('GimbalDrawing'))).toBe(true);
		const page = await screen.newPage();
		await page.setJavaScriptEnabled(false);
		await page.goto(`${screen.origin}/balance/gimbal/${small!.id}/${payload!.id}`, { waitUntil: 'load' });
		expect(await page.$eval('.bench', (element) => getComputedStyle(element).display)).toBe('grid');
		await page.close();
	});
});

describe('old addresses', () => {
	it('lead on to where things are now', async () => {
		const [small] = await get<Stored[]>('/api/supports/gimbal');
		const [payload] = await get<Payload[]>('/api/payloads');
		const to = async (path: string) => new URL((await fetch(screen.origin + path)).url).pathname;
		expect(await to('/rigs')).toBe('/gimbals');
		expect(await to(`/rigs/${small!.id}/horizon`)).toBe(`/gimbals/${small!.id}/horizon`);
		expect(await to(`/balance/${small!.id}/${payload!.id}/guide`)).toBe(
			`/balance/gimbal/${small!.id}/${payload!.id}/guide`
		);
		for (const nowhere of [
			'/hovercrafts',
			`/balance/hovercraft/${small!.id}/${payload!.id}`,
			`/balance/sled/${small!.id}/${payload!.id}`,
			`/gimbals/${small!.id}/nosuch`
		])
			expect((await fetch(screen.origin + nowhere)).status, nowhere).toBe(404);
	});
});

describe('two at one bench', () => {
	it('each keeps what they changed; the second reads who else did, and puts it away', async () => {
		const [payload] = (await send(screen.origin, 'GET', '/api/payloads')).body as { readonly id: string }[];
		const [gimbal] = (await send(screen.origin, 'GET', '/api/supports/gimbal')).body as { readonly id: string }[];
		const page = await screen.newPage();
		await go(page, `${screen.origin}/balance/gimbal/${gimbal!.id}/${payload!.id}`);
		const rows = await page.$$('main input.figure');
		expect(rows.length).toBeGreaterThan(2);
		const at = `/api/benches/${gimbal!.id}/${payload!.id}`;
		const nudge = async (index: number) => {
			const field = (await page.$$('main input.figure'))[index]!;
			await field.focus();
			await page.keyboard.press('ArrowUp');
			await page.keyboard.press('Tab');
			await new Promise((resolve) => setTimeout(resolve, 1200));
		};
		await nudge(0);
		const held = (
			(await send(screen.origin, 'GET', `/api/edits/bench/${gimbal!.id}/${payload!.id}`)).body as {
				readonly content: object;
			}[]
		)[0]!.content as { readonly positionsM: Record<string, number> };
		const slides = Object.keys(held.positionsM);
		// Somebody else moves the last slide meanwhile.
		const last = slides.at(-1)!;
		const theirs = { ...held, positionsM: { ...held.positionsM, [last]: held.positionsM[last]! + 0.004 } };
		expect((await send(screen.origin, 'PATCH', at, { begun: held, wanted: theirs })).status).toBe(200);
		await nudge(0);
		await page.waitForSelector('[data-testid="changed-meanwhile"]');
		expect(await text(page, '[data-testid="changed-meanwhile"]')).toMatch(
			/changed this while you did.*one figure as they left it/
		);
		const [now] = (await send(screen.origin, 'GET', `/api/edits/bench/${gimbal!.id}/${payload!.id}`)).body as {
			readonly content: typeof held;
		}[];
		expect(now!.content.positionsM[last]).toBeCloseTo(theirs.positionsM[last]!, 9);
		expect(now!.content.positionsM).not.toEqual(theirs.positionsM);
		await page.click('[data-testid="changed-meanwhile"] button');
		expect(await page.$('[data-testid="changed-meanwhile"]')).toBeNull();
		await page.close();
	});
});
