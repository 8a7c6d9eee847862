import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LoggedBalance } from '../../src/lib/model/balance';
import type { Part } from '../../src/lib/model/part';
import type { Payload } from '../../src/lib/model/payload';
import type { Gimbal } from '../../src/lib/supports/gimbal/model';
import { send } from '../application';
import { fill, go, letGoOfAll, ready, type Screen, serveScreen, text, waitForText, waitSaved } from '../browser';

const complaints: string[] = [];
let screen: Screen;
let page: Page;
let payloads: Payload[];
let rigs: Gimbal[];
const get = async <T>(path: string): Promise<T> => (await send(screen.origin, 'GET', path)).body as T;
const payloadLike = (word: string) => payloads.find(({ name }) => name.includes(word))!;
const clickText = (on: Page, words: string) =>
	on.evaluate((wanted) => {
		const found = [...document.querySelectorAll<HTMLElement>('button, a')].find(
			(each) => each.textContent?.trim() === wanted
		);
		if (found === undefined) throw new Error(`Nothing to press says ${wanted}`);
		found.click();
	}, words);

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
	payloads = await get<Payload[]>('/api/payloads');
	rigs = await get<Gimbal[]>('/api/supports/gimbal');
});
afterAll(() => screen?.stop());

describe('units and lights', () => {
	it('belong to the person and stay with them over a reload', async () => {
		await go(page, `${screen.origin}/shelf`);
		const [first, second] = await page.$$eval('#who option', (options) =>
			options.map((option) => (option as HTMLOptionElement).value)
		);
		await page.click('[data-testid="units"]');
		await waitForText(page, '[data-testid="units"]', 'in · lb');
		await page.click('[data-testid="theme"]');
		await page.waitForSelector('html[data-theme="house"]');
		await waitForText(page, '[data-testid="theme"]', 'house');
		expect(await text(page, 'main')).toContain('1.46 lb');

		await page.select('#who', second!);
		await page.waitForSelector('html[data-theme="day"]');
		await waitForText(page, '[data-testid="units"]', 'mm · g');
		expect(await text(page, 'main')).toContain('660 g');
		await page.reload();
		await ready(page);
		expect(await page.$eval('#who', (select) => (select as HTMLSelectElement).value)).toBe(second);

		await page.select('#who', first!);
		await page.waitForSelector('html[data-theme="house"]');
		await waitForText(page, '[data-testid="units"]', 'in · lb');
		await page.click('[data-testid="units"]');
		await page.click('[data-testid="theme"]');
		await page.waitForSelector('html[data-theme="blackout"]');
		await page.click('[data-testid="theme"]');
		await page.waitForSelector('html[data-theme="day"]');
	});

	it('change what is read and typed, and not what the gimbal’s scales have printed on them', async () => {
		const wide = payloadLike('wide');
		await go(page, `${screen.origin}/payload/${wide.id}`);
		await page.click('[data-testid="units"]');
		await waitForText(page, '[data-testid="mass"]', '2.84 lb');
		await fill(page, '[data-testid="forward-Compact body"]', '-1 1/4');
		await page.keyboard.press('Tab');
		await waitSaved(page);
		const saved = await get<Payload>(`/api/payloads/${wide.id}`);
		expect(saved.placements[0]!.positionM[0]).toBeCloseTo(-1.25 * 0.0254, 9);
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${wide.id}`);
		expect(await text(page, '[data-testid="slip-strong"]')).toMatch(/^(back|forward) [\d.]+ in$/);
		const readings = await page.$$eval('[data-testid^="reading-"]', (fields) =>
			fields.map((field) => (field as HTMLInputElement).value)
		);
		expect(readings.every((value) => Number(value) >= 10)).toBe(true);
		await page.click('[data-testid="units"]');
		await waitForText(page, '[data-testid="units"]', 'mm · g');
	});
});

describe('the shelf', () => {
	it('changes a part in place, and every payload that holds it weighs otherwise', async () => {
		await go(page, `${screen.origin}/shelf`);
		await page.click('[aria-label="Change 35 mm prime"]');
		await fill(page, '#part-mass', '400');
		await page.click('form button[type="submit"]');
		await page.waitForFunction(() => document.querySelector('form[aria-label]') === null);
		const parts = await get<Part[]>('/api/parts');
		expect(parts.find(({ name }) => name === '35 mm prime')!.massKg).toBeCloseTo(0.4, 12);
		await go(page, `${screen.origin}/payload/${payloadLike('monitor').id}`);
		await waitForText(page, '[data-testid="mass"]', '1.45 kg');
	});

	it('does not let go of a part that is in use, and says where', async () => {
		await go(page, `${screen.origin}/shelf`);
		await page.click('[aria-label="Change Matte box"]');
		await clickText(page, 'Take Matte box off the shelf');
		await waitForText(page, '.trouble', 'Still part of Cine build, 25–120');
	});

	it('says that a name is taken, at the name', async () => {
		await go(page, `${screen.origin}/shelf`);
		await clickText(page, 'New part');
		await fill(page, '#part-name', 'Matte box');
		for (const field of ['mass', 'length', 'width', 'height']) await fill(page, `#part-${field}`, '50');
		await page.click('form button[type="submit"]');
		await waitForText(page, '#part-name-problem', 'taken');
		expect(await page.$eval('#part-name', (field) => (field as HTMLInputElement).value)).toBe('Matte box');
	});
});

describe('a gimbal out of travel', () => {
	it('can be carried on with, knowingly, and is logged as not poised', async () => {
		const tele = payloadLike('tele');
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${tele.id}`);
		await page.click('[data-testid="waive"]');
		for (let count = 0; count < 8 && (await page.$('[data-testid="accept"]')); count += 1)
			await page.click('[data-testid="accept"]');
		await waitForText(page, '.answer', 'Placed, but not poised');
		await page.click('[data-testid="log"]');
		await page.waitForSelector('[data-testid="open-log"]');
		const [newest] = await get<LoggedBalance[]>('/api/balances');
		expect([newest!.payloadName, newest!.poised]).toEqual([tele.name, false]);
	});

	it('is cured by what the slip says: everything moved as asked, in one step that can be undone', async () => {
		const tele = payloadLike('tele');
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${tele.id}`);
		await clickText(page, 'Back to what would cure it').catch(() => undefined);
		await page.click('[data-testid="change-payload"]');
		await page.waitForSelector('[data-testid="move-all"]');
		expect(await text(page, '[data-testid="move-all"]')).toBe('Move it 12 mm back');
		await page.click('[data-testid="move-all"]');
		await page.waitForFunction(() => !location.search.includes('forward'));
		await waitSaved(page);
		const moved = await get<Payload>(`/api/payloads/${tele.id}`);
		moved.placements.forEach(({ positionM }, index) =>
			expect(positionM[0]).toBeCloseTo(tele.placements[index]!.positionM[0] - 0.012, 9)
		);
		await page.click('[aria-label="Undo"]');
		await waitSaved(page);
		expect((await get<Payload>(`/api/payloads/${tele.id}`)).placements).toEqual(tele.placements);
		await page.click('[aria-label="Redo"]');
		await waitSaved(page);

		await page.click('[data-testid="balance"]');
		await page.waitForSelector('[data-testid="accept"]');
		for (let count = 0; count < 8 && (await page.$('[data-testid="accept"]')); count += 1)
			await page.click('[data-testid="accept"]');
		await letGoOfAll(page);
		await waitForText(page, '[data-testid="slip-strong"]', 'Poised');
	});
});

describe('the day line', () => {
	it('leads back to what is on the bench and shows its true state', async () => {
		const monitor = payloadLike('monitor');
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${monitor.id}`);
		await clickText(page, 'Start over');
		const tube = '[data-station="balance"] [role="img"]';
		await page.waitForSelector(`${tube}[aria-label="not in place yet"]`);
		for (let count = 0; count < 8 && (await page.$('[data-testid="accept"]')); count += 1)
			await page.click('[data-testid="accept"]');
		await page.waitForSelector(`${tube}[aria-label="in place, not let go yet"]`);
		await letGoOfAll(page);
		await page.waitForSelector(`${tube}[aria-label="poised"]`);
		await page.click('[data-testid="log"]');
		await page.waitForSelector('[data-testid="open-log"]');
		await page.waitForSelector('[data-station="logbook"] [aria-label="logged"]');
		await go(page, `${screen.origin}/logbook`);
		expect(await page.$(`${tube}[aria-label="poised"]`)).not.toBeNull();
		await page.click('[data-station="balance"]');
		await page.waitForFunction((id) => location.pathname.endsWith(id), {}, monitor.id);
	});
});

describe('a payload', () => {
	it('is deleted only when asked twice, and the logbook keeps its copy', async () => {
		const monitor = payloadLike('monitor');
		await go(page, `${screen.origin}/payload/${monitor.id}`);
		await clickText(page, 'Delete payload');
		await clickText(page, 'Keep it');
		expect((await send(screen.origin, 'GET', `/api/payloads/${monitor.id}`)).status).toBe(200);
		await clickText(page, 'Delete payload');
		await clickText(page, 'Delete it');
		await page.waitForFunction(() => location.pathname === '/payload');
		expect((await send(screen.origin, 'GET', `/api/payloads/${monitor.id}`)).status).toBe(404);
		const kept = (await get<LoggedBalance[]>('/api/balances')).find(({ payloadName }) => payloadName === monitor.name)!;
		await go(page, `${screen.origin}/logbook/${kept.id}`);
		expect(await text(page, 'h1')).toBe(monitor.name);
		expect(parseFloat(await text(page, '[data-testid="logged-plate"]'))).toBeGreaterThan(0);
	});

	it('needs a name, says so, and keeps the rest until it has one', async () => {
		const wide = payloadLike('wide');
		await go(page, `${screen.origin}/payload/${wide.id}`);
		await fill(page, '#payload-name', ' ');
		await waitForText(page, '#payload-name-problem', 'Give the payload a name');
		await fill(page, '#payload-name', 'Cine build, 25–120');
		await waitForText(page, '#payload-name-problem', 'taken');
		await fill(page, '#payload-name', 'Wide again');
		await waitSaved(page);
		expect((await get<Payload>(`/api/payloads/${wide.id}`)).name).toBe('Wide again');
	});
});

describe('with a thumb, on a phone', () => {
	it('walks a balance by taps and drags a part on the drawing', async () => {
		const phone = await screen.newPage(390, 844);
		const wide = payloadLike('wide');
		await go(phone, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${wide.id}`);
		await clickText(phone, 'Start over');
		for (let count = 0; count < 8 && (await phone.$('[data-testid="accept"]')); count += 1) {
			const box = (await (await phone.$('[data-testid="accept"]'))!.boundingBox())!;
			expect(box.height).toBeGreaterThanOrEqual(44);
			expect(box.y + box.height).toBeLessThanOrEqual(844);
			await phone.tap('[data-testid="accept"]');
		}
		await letGoOfAll(phone);
		await waitForText(phone, '[data-testid="slip-strong"]', 'Poised');

		await go(phone, `${screen.origin}/payload/${wide.id}`);
		const before = await text(phone, '[data-testid="cg"]');
		const lens = (await phone.waitForSelector('[data-part="Wide zoom 16–35"][data-view="side"]'))!;
		await lens.evaluate((element) => element.scrollIntoView({ block: 'center' }));
		const box = (await lens.boundingBox())!;
		const touch = await phone.touchscreen.touchStart(box.x + box.width / 2, box.y + box.height / 2);
		await touch.move(box.x + box.width / 2 + 15, box.y + box.height / 2);
		await touch.move(box.x + box.width / 2 + 30, box.y + box.height / 2);
		await touch.end();
		await waitSaved(phone);
		expect(await text(phone, '[data-testid="cg"]')).not.toBe(before);
		await phone.close();
	});
});

describe('who is working', () => {
	it('stands in the logbook under what they log', async () => {
		const wide = payloadLike('wide');
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${wide.id}`);
		const people = await page.$$eval('#who option', (options) =>
			options.map((option) => ({ id: (option as HTMLOptionElement).value, name: option.textContent }))
		);
		const now = await page.$eval('#who', (select) => (select as HTMLSelectElement).value);
		const other = people.find(({ id }) => id !== now)!;
		await Promise.all([
			page.waitForResponse((response) => response.url().endsWith('/api/me') && response.ok()),
			page.select('#who', other.id)
		]);
		await clickText(page, 'Start over');
		for (let count = 0; count < 8 && (await page.$('[data-testid="accept"]')); count += 1)
			await page.click('[data-testid="accept"]');
		await page.$eval('textarea', (note) => note.closest('details')?.setAttribute('open', ''));
		await page.type('textarea', 'Taken over by somebody else');
		await page.click('[data-testid="log"]');
		await page.waitForSelector('[data-testid="open-log"]');
		const [entry] = await get<LoggedBalance[]>('/api/balances?search=taken+over');
		expect(entry!.personName).toBe(other.name);
	});
});

describe('the console', () => {
	it('has stayed quiet through all of this', () => expect(complaints).toEqual([]));
});
