import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Payload } from '../../src/lib/model/payload';
import type { SledRig } from '../../src/lib/supports/sled/model';
import { send } from '../application';
import { drag, fill, go, ready, type Screen, serveScreen, text, waitForText } from '../browser';

const complaints: string[] = [];
let screen: Screen;
let page: Page;
let payloads: Payload[];
let sleds: SledRig[];
const get = async <T>(path: string): Promise<T> => (await send(screen.origin, 'GET', path)).body as T;
const id = (name: string) => `[data-testid="${name}"]`;
const payload = (word: string) => payloads.find(({ name }) => name.includes(word))!;
const sled = (word: string) => sleds.find(({ name }) => name.includes(word))!;
const bench = (on: string, with_: string, sheet = '') =>
	`${screen.origin}/balance/sled/${sled(on).id}/${payload(with_).id}${sheet === '' ? '' : `/${sheet}`}`;

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
	payloads = await get('/api/payloads');
	sleds = await get('/api/supports/sled');
});
afterAll(() => screen?.stop());

describe('the rigging sequence', () => {
	it('goes from the stand to the arm by one button, who holds what in every step, and is kept', async () => {
		await go(page, bench('Light', 'monitor', 'guide'));
		expect(await text(page, '.heading')).toContain('Step 1 of 11');
		let steps = 0;
		for (; steps < 40 && (await page.$(id('rig-log'))) === null; steps += 1) {
			const heading = await text(page, '.heading');
			expect(await text(page, '.slip dl')).toMatch(/Operator .*Assistant/);
			if (heading.includes('Drop time')) expect(await text(page, '.slip')).toContain('Clear of faces');
			const was = await text(page, '.slip');
			await page.click(id('rig-done'));
			await page.waitForFunction(
				(before) => (document.querySelector('.slip')?.textContent ?? '').replace(/\s+/g, ' ').trim() !== before,
				{},
				was
			);
			if (steps === 4) {
				await page.reload();
				await ready(page);
				await waitForText(page, '.heading', 'Step 6 of 11');
			}
		}
		expect(steps).toBeLessThan(20);
		expect(await text(page, '.answer')).toMatch(/^On the arm, in place as computed$/);
		await page.click(id('rig-log'));
		await waitForText(page, '.heading', 'In place, as computed');
	});
	it('goes back to any step, and leaves one as it is only knowingly', async () => {
		await go(page, bench('Light', 'wide', 'guide'));
		await page.click(id('step-drop'));
		await waitForText(page, '.heading', 'Drop time');
		expect(await page.$(id('rig-leave'))).not.toBeNull();
		await page.click(id('step-mark'));
		await waitForText(page, '.answer', 'Mark the balance point');
	});
});

describe('reach', () => {
	it('weighs pan inertia against balance, and re-balances in one go', async () => {
		await go(page, bench('Light', 'monitor', 'reach'));
		await page.waitForSelector('.charts .apexcharts-svg');
		await page.focus(id('reach-pick'));
		await page.keyboard.press('End');
		await waitForText(page, '.answer', 'Monitor 60 mm forward: pan inertia +');
		await page.click(id('reach-take'));
		await waitForText(page, '.answer', 'as it stands');
		await go(page, bench('Light', 'monitor'));
		expect(await page.$eval(id('monitor-foreM'), (field) => (field as HTMLInputElement).value)).toBe('60');
	});
	it('tells how near the sled comes to the leg, keeps the stance, and refuses one of no body', async () => {
		await go(page, bench('Light', 'monitor', 'reach'));
		await fill(page, id('stance-standOffM'), '350');
		await waitForText(page, id('legs'), 'strikes the leading leg');
		await new Promise((resolve) => setTimeout(resolve, 900));
		await page.reload();
		await ready(page);
		expect(await page.$eval(id('stance-standOffM'), (field) => (field as HTMLInputElement).value)).toBe('350');
		await fill(page, id('stance-hipHeightM'), '3000');
		await waitForText(page, '.legs', 'Between 400 mm and 1400 mm.');
	});
});

describe('trim', () => {
	it('says the plate for a held tilt and what it costs, and undoes it', async () => {
		await go(page, bench('Light', 'monitor', 'trim'));
		await fill(page, id('trim-tilt'), '6');
		await waitForText(page, '.answer', 'forward');
		expect(await text(page, id('trim-drop'))).toMatch(/^[+−]0\.\d{3} s$/);
		await page.click(id('nose-up'));
		await waitForText(page, '.answer', 'back');
		await page.click(id('trim-take'));
		await waitForText(page, '.answer', 'holds so already');
		await page.evaluate(() => (document.activeElement as HTMLElement).blur());
		await page.keyboard.down('Control');
		await page.keyboard.press('z');
		await page.keyboard.up('Control');
		await waitForText(page, '.answer', 'back');
		await fill(page, id('trim-tilt'), '95');
		await waitForText(page, '.controls', 'Between 0 and 45°.');
	});
});

describe('arm and vest', () => {
	it('logs a drift, says the turn from the last count, and mirrors it on the left', async () => {
		await go(page, bench('Heavy', 'Cine', 'arm'));
		await fill(page, id('threads-inOut'), '7');
		await fill(page, id('threads-side'), '5');
		await page.click(id('drift-right'));
		await waitForText(page, '.answer', 'Side screw one thread out');
		expect(await page.$eval(id('threads-side'), (field) => (field as HTMLInputElement).value)).toBe('6');
		await page.click(id('arm-left'));
		await waitForText(page, '.answer', 'Side screw one thread in');
		await page.click(id('arm-right'));
		await page.click(id('drift-left'));
		await waitForText(page, '.answer', 'Side screw half a thread in');
		await page.click(id('drift-stays'));
		await waitForText(page, '.answer', 'it stays');
		expect(await text(page, id('arm-log'))).toContain('in-out 7, side 5: goes right');
		await fill(page, id('threads-side'), '44');
		await waitForText(page, '.answer-column', 'Between 0 and 20.');
	});
	it('sets the lift from two known points, and keeps a third look as one of them', async () => {
		await go(page, bench('Heavy', 'Cine', 'arm'));
		expect(Number(await text(page, id('lift-upper')))).toBeGreaterThan(6);
		await page.click(id('lies-upper-droops'));
		await waitForText(page, id('lift-advice-upper'), 'up 0.75 turns');
		await fill(page, id('stands-upper'), '15');
		await page.click(id('lies-upper-level'));
		await page.click(id('keep-upper'));
		await page.waitForFunction(
			(css) => document.querySelector(css)?.textContent === '15',
			{ timeout: 15_000 },
			id('lift-upper')
		);
		const kept = (await get<SledRig[]>('/api/supports/sled')).find(({ name }) => name.includes('Heavy'))!;
		expect(kept.geometry.arm.sections[0]!.points[1].setting).toBe(15);
	});
	it('ticks the vest’s fit, times a spell over a reload, and asks for rest as a rule of thumb', async () => {
		await go(page, bench('Heavy', 'Cine', 'arm'));
		await page.click(id('fit-release'));
		await page.click(id('vest-on'));
		await new Promise((resolve) => setTimeout(resolve, 900));
		await page.reload();
		await ready(page);
		await page.waitForSelector(id('vest-clock'));
		expect(await page.$eval(id('fit-release'), (box) => (box as HTMLInputElement).checked)).toBe(true);
		await page.click(id('vest-off'));
		await waitForText(page, id('vest-advice'), 'Rest');
		expect(await text(page, '.slip')).toContain('A rule of thumb, not medicine');
		await fill(page, id('vest-minutes'), '0');
		await waitForText(page, '.slip', 'More than 0, up to 600.');
	});
});

describe('the swap sheet', () => {
	it('has plate, gimbal and battery from each build to each other, and the way back', async () => {
		await go(page, bench('Light', 'wide', 'swap'));
		const [from, to] = [payload('wide').name, payload('monitor').name];
		const cell = await text(page, `[data-swap="${from} → ${to}"]`);
		expect(cell).toMatch(/battery (forward|back) .*camera plate (forward|back).*gimbal (up|down)/);
		expect(await page.$$(`[data-swap="${to} → ${from}"]`)).toHaveLength(1);
		await page.click(id('also-Cine build, 25–120'));
		await waitForText(page, `[data-build="Cine build, 25–120"]`, 'stays top-heavy');
		await page.emulateMediaType('print');
		expect(
			await page.$$eval('.sheet .screen', (all) => all.every((each) => getComputedStyle(each).display === 'none'))
		).toBe(true);
		await page.emulateMediaType('screen');
	});
});

describe('the sled’s own sheet', () => {
	let made: string;
	it('starts from a pattern, is pulled about, and every change comes back after a reload', async () => {
		await go(page, `${screen.origin}/sleds`);
		await page.click(id('start-medium'));
		await page.waitForSelector(id('sled-name'));
		await ready(page);
		await page.click(id('all-figures'));
		made = new URL(page.url()).pathname.replace('/sleds', '/supports/sled');
		await page.waitForSelector('[data-thing="battery"][data-view="side"] .shape');
		await drag(page, '[data-thing="battery"][data-view="side"] .shape', -30, 0);
		const at = await page.$eval(id('item-at-0'), (field) => Number((field as HTMLInputElement).value));
		expect(at).toBeLessThan(-200);
		await fill(page, id('item-mass'), '1350');
		await page.select(id('mounting'), 'swing');
		await page.click(id('add-battery'));
		await waitForText(page, id('item-fields'), 'Second battery');
		await page.waitForSelector('[data-testid="sled-save"][data-state="saved"]');
		await page.reload();
		await ready(page);
		await page.click(id('pick-battery'));
		expect(await page.$eval(id('item-mass'), (field) => (field as HTMLInputElement).value)).toBe('1350');
		expect(await page.$eval(id('mounting'), (field) => (field as HTMLSelectElement).value)).toBe('swing');
		expect(await page.$(id('pick-battery2'))).not.toBeNull();
	});
	it('says what is wrong at the field and of the whole, and keeps what was typed', async () => {
		const massNow = await page.$eval(id('item-mass'), (field) => (field as HTMLInputElement).value);
		await fill(page, id('item-mass'), '-5');
		await waitForText(page, id('item-fields'), 'More than 0, up to 60 kg.');
		await fill(page, id('clamp-1'), '1500');
		await waitForText(page, id('sled-wrong'), 'past the top of the post');
		await fill(page, id('clamp-1'), '700');
		await fill(page, id('sled-name'), '  ');
		await page.waitForSelector('[data-testid="sled-save"][data-state="refused"]');
		await fill(page, id('sled-name'), 'Sled of the store');
		// The mass is refused still, so not everything is saved.
		await waitForText(page, id('sled-save'), 'Not saved: one field is refused');
		await fill(page, id('item-mass'), massNow);
		await page.waitForSelector('[data-testid="sled-save"][data-state="saved"]');
	});
	it('says when somebody else saved meanwhile, and leaves the choice', async () => {
		const now = await get<SledRig>(`/api${made}`);
		const { id: _, kind: _kind, ...rest } = now as SledRig & { kind: string };
		expect((await send(screen.origin, 'PUT', `/api${made}`, { ...rest, name: 'Renamed elsewhere' })).status).toBe(200);
		await fill(page, id('sled-name'), 'Mine');
		await page.waitForSelector('[data-testid="sled-save"][data-state="stale"]');
		await page.evaluate(() =>
			[...document.querySelectorAll<HTMLButtonElement>('.caution button')]
				.find((each) => each.textContent!.includes('Save mine'))!
				.click()
		);
		await page.waitForSelector('[data-testid="sled-save"][data-state="saved"]');
		expect((await get<SledRig>(`/api${made}`)).name).toBe('Mine');
	});
	it('keeps what is typed without a link and sends it when the link is back', async () => {
		await page.setOfflineMode(true);
		await fill(page, id('sled-name'), 'Typed in the cellar');
		await page.waitForSelector('[data-testid="sled-save"][data-state="away"]');
		await page.setOfflineMode(false);
		await page.waitForSelector('[data-testid="sled-save"][data-state="saved"]', { timeout: 15_000 });
		expect((await get<SledRig>(`/api${made}`)).name).toBe('Typed in the cellar');
	});
	it('is deleted after being asked twice', async () => {
		await page.evaluate(() =>
			[...document.querySelectorAll<HTMLButtonElement>('.actions button')]
				.find((each) => each.textContent!.includes('Delete this sled'))!
				.click()
		);
		await page.click(id('delete-sled'));
		await page.waitForFunction(() => location.pathname === '/sleds');
		expect((await send(screen.origin, 'GET', `/api${made}`)).status).toBe(404);
	});
});

describe('one person on two screens', () => {
	it('what was ticked on the one stays while the arm changes sides on the other, which says so', async () => {
		const [here, there] = [await screen.newPage(), await screen.newPage()];
		for (const each of [here, there]) await go(each, bench('Light', 'monitor', 'arm'));
		const side = async (which: Page) =>
			(await which.$eval(id('arm-left'), (chip) => chip.getAttribute('aria-pressed'))) === 'true' ? 'left' : 'right';
		const other = (await side(here)) === 'left' ? 'right' : 'left';
		const saved = (which: Page) =>
			which.waitForResponse((answer) => answer.url().endsWith('/setup') && answer.request().method() === 'PATCH');
		await there.bringToFront();
		await Promise.all([saved(there), there.click(id('arm-reversed'))]);
		const reversed = await there.$eval(id('arm-reversed'), (chip) => chip.getAttribute('aria-pressed'));
		await here.bringToFront();
		await Promise.all([saved(here), here.click(id(`arm-${other}`))]);
		await waitForText(here, id('changed-meanwhile'), 'You changed this on another screen meanwhile');
		await waitForText(here, id('changed-meanwhile'), 'one figure as set there');
		expect(await here.$eval(id('arm-reversed'), (chip) => chip.getAttribute('aria-pressed'))).toBe(reversed);
		await there.bringToFront();
		await there.reload();
		await ready(there);
		expect(await side(there)).toBe(other);
		expect(await there.$eval(id('arm-reversed'), (chip) => chip.getAttribute('aria-pressed'))).toBe(reversed);
		await here.bringToFront();
		await here.click(`${id('changed-meanwhile')} button`);
		expect(await here.$(id('changed-meanwhile'))).toBeNull();
		await Promise.all([here.close(), there.close()]);
	});
});

describe('on a phone', () => {
	it('every sheet fits, the timer comes first, and a thumb sets it up', async () => {
		const phone = await screen.newPage(390, 844);
		for (const sheet of ['', 'guide', 'drop', 'spin', 'reach', 'trim', 'arm', 'swap']) {
			await go(phone, bench('Heavy', 'Cine', sheet));
			expect([sheet, await phone.evaluate(() => document.documentElement.scrollWidth)]).toEqual([sheet, 390]);
		}
		await go(phone, `${screen.origin}/sleds/${sled('Heavy').id}`);
		expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
		await go(phone, bench('Heavy', 'Cine', 'drop'));
		const pad = (await (await phone.$(id('drop-pad')))!.boundingBox())!;
		expect(pad.y + pad.height).toBeLessThan(844);
		expect(pad.height).toBeGreaterThan(100);
		// Press, hold, let go, tap, by touch.
		await phone.touchscreen.touchStart(pad.x + 100, pad.y + 60);
		await new Promise((resolve) => setTimeout(resolve, 350));
		await phone.touchscreen.touchEnd();
		await new Promise((resolve) => setTimeout(resolve, 800));
		await phone.touchscreen.tap(pad.x + 100, pad.y + 60);
		await phone.waitForSelector(`${id('runs')} .run`);
		await go(phone, bench('Heavy', 'Cine'));
		await phone.tap(id('accept'));
		await waitForText(phone, '.heading', 'In place, as computed');
		await phone.close();
	});
});

it('leaves nothing in the console', () => expect(complaints).toEqual([]));
