import { balanceGimbal, mmFromM, mountPayload, readingAt } from '@poise/core';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { compareBalance } from '../../src/lib/supports/gimbal/compare';
import type { GimbalRecord } from '../../src/lib/supports/gimbal/model';
import type { Part } from '../../src/lib/model/part';
import { mountedBodies, type Payload, standingParts } from '../../src/lib/model/payload';
import type { Gimbal } from '../../src/lib/supports/gimbal/model';
import { send } from '../application';
import { drag, fill, go, letGoOfAll, ready, type Screen, serveScreen, text, waitForText, waitSaved } from '../browser';

const complaints: string[] = [];
let screen: Screen;
let page: Page;
const get = async <T>(path: string): Promise<T> => (await send(screen.origin, 'GET', path)).body as T;
const idInAddress = () => page.url().split('/').pop()!.split('?')[0]!;

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
});
afterAll(() => screen?.stop());

/** Where the core wants every slide, as a person reads it off the scale. */
async function expectedReadings(rigId: string, payloadId: string): Promise<Map<string, number>> {
	const [rigs, payload, parts] = [
		await get<Gimbal[]>('/api/supports/gimbal'),
		await get<Payload>(`/api/payloads/${payloadId}`),
		await get<Part[]>('/api/parts')
	];
	const rig = rigs.find(({ id }) => id === rigId)!;
	const bodies = mountedBodies(standingParts(payload, new Map(parts.map((part) => [part.id, part]))));
	const { slides } = balanceGimbal({ chain: mountPayload({ rig: rig.geometry, payload: bodies }) });
	return new Map(
		slides.map(({ id, positionM }) => [
			id,
			mmFromM(
				readingAt(
					rig.geometry.slides.find((slide) => slide.id === id)!,
					positionM
				)
			)
		])
	);
}

describe('from an empty plate to next week, by mouse', () => {
	let payloadId: string;
	let rigId: string;

	it('puts parts on a plate, drags one, and the figures follow', async () => {
		await go(page, `${screen.origin}/`);
		await page.click('[data-testid="new-payload"]');
		await page.waitForSelector('#payload-name');
		payloadId = idInAddress();
		await fill(page, '#payload-name', 'Browser build');
		await page.click('[data-add="Compact body"]');
		await page.click('[data-add="35 mm prime"]');
		await waitForText(page, '[data-testid="mass"]', '1.11 kg');
		await waitSaved(page);

		const before = (await get<Payload>(`/api/payloads/${payloadId}`)).placements[0]!.positionM;
		const cgBefore = await text(page, '[data-testid="cg"]');
		await drag(page, '[data-part="Compact body"][data-view="side"]', -40, 0);
		await waitSaved(page);
		const saved = await get<Payload>(`/api/payloads/${payloadId}`);
		expect(saved.name).toBe('Browser build');
		expect(saved.placements).toHaveLength(2);
		const moved = saved.placements[0]!.positionM;
		expect(moved[0]).toBeLessThan(before[0] - 0.005);
		expect(moved.slice(1)).toEqual(before.slice(1));
		expect(await text(page, '[data-testid="cg"]')).not.toBe(cgBefore);
		expect(
			Number(await page.$eval('[data-testid="forward-Compact body"]', (field) => (field as HTMLInputElement).value))
		).toBeCloseTo(mmFromM(moved[0]), 1);

		await page.click('[aria-label="Undo"]');
		await page.waitForFunction(
			(old) => document.querySelector('[data-testid="cg"]')?.textContent?.includes(old),
			{},
			cgBefore.slice(20, 40)
		);
		await page.click('[aria-label="Redo"]');
		await waitSaved(page);
		expect((await get<Payload>(`/api/payloads/${payloadId}`)).placements[0]!.positionM).toEqual(moved);
	});

	it('takes a new part, says at the field what is wrong with it, and loses nothing over a reload', async () => {
		await page.evaluate(() =>
			[...document.querySelectorAll('button')].find((button) => button.textContent === 'New part')!.click()
		);
		await fill(page, '#part-name', 'Top handle');
		await page.select('#part-kind', 'other');
		await fill(page, '#part-mass', '-120');
		await fill(page, '#part-length', 'long');
		await page.reload();
		await ready(page);
		await page.evaluate(() =>
			[...document.querySelectorAll('button')].find((button) => button.textContent === 'New part')!.click()
		);
		await page.waitForFunction(
			() => (document.querySelector('#part-name') as HTMLInputElement | null)?.value === 'Top handle'
		);

		await page.click('form button[type="submit"]');
		await waitForText(page, '#part-mass-problem', 'more than 0');
		expect(await text(page, '#part-length-problem')).toContain('not a number');
		expect(await text(page, '#part-width-problem')).toContain('Type a number');
		expect(await page.$eval('#part-mass', (field) => (field as HTMLInputElement).value)).toBe('-120');
		for (const [field, value] of [
			['mass', '120'],
			['length', '110'],
			['width', '24'],
			['height', '0.4 m']
		] as const)
			await fill(page, `#part-${field}`, value);
		await fill(page, '#part-height', '30');
		await page.click('form button[type="submit"]');
		await page.waitForSelector('[data-row="Top handle"]');
		await waitForText(page, '[data-testid="mass"]', '1.23 kg');
		await fill(page, '[data-testid="up-Top handle"]', '100');
		await page.keyboard.press('Tab');
		await waitSaved(page);
	});

	it('keeps a figure that cannot be read in its field, with its message, and goes on without it', async () => {
		const before = await get<Payload>(`/api/payloads/${payloadId}`);
		await fill(page, '[data-testid="left-Top handle"]', 'middle');
		await page.keyboard.press('Tab');
		await waitForText(page, '[data-row="Top handle"]', 'not a number');
		expect(await page.$eval('[data-testid="left-Top handle"]', (field) => (field as HTMLInputElement).value)).toBe(
			'middle'
		);
		expect((await get<Payload>(`/api/payloads/${payloadId}`)).placements).toEqual(before.placements);
		// On its way to what cannot be read it could be read twice, as 1 and as 12: what stood before the first key stays.
		await fill(page, '[data-testid="left-Top handle"]', '12 and a bit');
		await page.keyboard.press('Tab');
		await waitForText(page, '[data-row="Top handle"]', 'not a number');
		await page.reload();
		await page.waitForSelector('[data-testid="left-Top handle"]');
		expect((await get<Payload>(`/api/payloads/${payloadId}`)).placements).toEqual(before.placements);
		await fill(page, '[data-testid="left-Top handle"]', '0');
		await page.keyboard.press('Tab');
		await waitSaved(page);
	});

	it('shows every slide where the core wants it, and walks them in order until all is poised', async () => {
		await page.click('[data-testid="balance"]');
		await page.waitForSelector('[data-testid="target-plate"]');
		rigId = page.url().split('/').at(-2)!;
		const expected = await expectedReadings(rigId, payloadId);
		for (const [slideId, reading] of expected) {
			const shown = Number((await text(page, `[data-testid="target-${slideId}"]`)).replace(/[^\d.-]/g, ''));
			// Shown to half a millimetre.
			expect(Math.abs(shown - reading)).toBeLessThanOrEqual(0.25 + 1e-9);
		}
		const order: string[] = [];
		while (await page.$('[data-testid="accept"]')) {
			order.push(await page.$eval('tr.next', (row) => (row as HTMLElement).dataset.slide!));
			await page.click('[data-testid="accept"]');
			await new Promise((resolve) => setTimeout(resolve, 50));
			expect(order.length).toBeLessThan(9);
		}
		expect(order).toEqual([...expected.keys()].filter((id) => order.includes(id)));
		expect(await text(page, '.heading')).toMatch(/^In place, as computed · 0 of 4 seen to hold/);
		await letGoOfAll(page);
		expect(await text(page, '[data-testid="slip-strong"]')).toBe('Poised');
		expect(await text(page, '[data-testid="share-tilt"]')).toMatch(/^(0|<1|1) %$/);
	});

	it('notices a slide that was knocked, by dragging its mark, and takes it back', async () => {
		await drag(page, '[data-rule="plate"] .reach', 40, 0);
		await page.waitForSelector('[data-testid="accept"]');
		expect(await text(page, '[data-testid="slip-strong"]')).toContain('back');
		await page.click('[data-testid="accept"]');
		// Back where it was seen to hold, to the half millimetre: that still counts.
		await waitForText(page, '[data-testid="slip-strong"]', 'Poised');
	});

	it('logs it, survives a reload, is found by a word, and opens again', async () => {
		await page.type('textarea', 'Lantern yard, first try');
		await page.click('[data-testid="log"]');
		await page.waitForSelector('[data-testid="open-log"]');
		await go(page, `${screen.origin}/logbook`);
		await page.reload();
		await ready(page);
		const all = (await page.$$('[data-entry]')).length;
		await page.type('#log-search', 'lantern');
		await page.waitForFunction((before) => document.querySelectorAll('[data-entry]').length < before, {}, all);
		expect(
			await page.$$eval('[data-entry]', (entries) => entries.map((entry) => (entry as HTMLElement).dataset.entry))
		).toEqual(['Browser build']);
		await page.click('[data-entry="Browser build"]');
		await page.waitForSelector('[data-testid="compare-with"]');
		await waitForText(page, '.answer', 'as logged');
	});

	it('compares with another payload: the moves are those of the core', async () => {
		const payloads = await get<Payload[]>('/api/payloads');
		const other = payloads.find(({ name }) => name === 'Compact body, wide zoom')!;
		await page.select('[data-testid="compare-with"]', other.id);
		await waitForText(page, '.parts', 'Wide zoom 16–35 added');
		const record = await get<GimbalRecord>(`/api/balances/${idInAddress()}`);
		const rig = (await get<Gimbal[]>('/api/supports/gimbal')).find(({ id }) => id === rigId)!;
		const { slides } = compareBalance(record, rig, other, await get<Part[]>('/api/parts'));
		expect(slides).toHaveLength(4);
		for (const { slideId, predictedM } of slides) {
			const slide = rig.geometry.slides.find(({ id }) => id === slideId)!;
			expect(Number(await text(page, `[data-testid="predicted-${slideId}"]`))).toBeCloseTo(
				Math.round(mmFromM(readingAt(slide, predictedM)) * 2) / 2,
				9
			);
		}
		expect(slides.some(({ moveM }) => Math.abs(moveM) > 0.003)).toBe(true);
	});
});

describe('by keyboard alone', () => {
	const press = async (...keys: Parameters<Page['keyboard']['press']>[0][]) => {
		for (const key of keys) await page.keyboard.press(key);
	};
	/** Presses Tab until what has the focus is described so. */
	async function tabTo(wanted: string) {
		for (let count = 0; count < 120; count += 1) {
			await page.keyboard.press('Tab');
			const focused = await page.evaluate(() => {
				const element = document.activeElement as HTMLElement | null;
				return `${element?.getAttribute('aria-label') ?? ''} ${element?.id ?? ''} ${element?.dataset.testid ?? ''} ${(element?.textContent ?? '').replace(/\s+/g, ' ')}`;
			});
			if (focused.includes(wanted)) return;
		}
		throw new Error(`Nothing described as ${wanted} can be reached with Tab.`);
	}

	it('builds, nudges, balances, logs and finds', async () => {
		await go(page, `${screen.origin}/payload`);
		await tabTo('New payload');
		await press('Enter');
		await page.waitForSelector('#payload-name');
		const payloadId = idInAddress();
		await tabTo('Put on the plate: Compact body');
		await press('Enter');
		await tabTo('Put on the plate: 35 mm prime');
		await press('Enter');
		await waitForText(page, '[data-testid="mass"]', '1.11 kg');
		await page.evaluate(() => (document.activeElement as HTMLElement).blur());
		await page.focus('main');
		await tabTo('Compact body, side view');
		await press('ArrowLeft', 'ArrowLeft');
		await page.keyboard.down('Shift');
		await press('ArrowRight');
		await page.keyboard.up('Shift');
		await waitSaved(page);
		const { placements } = await get<Payload>(`/api/payloads/${payloadId}`);
		expect(placements[0]!.positionM[0]).toBeCloseTo(0.008, 9);
		await page.keyboard.down('Control');
		await press('z');
		await page.keyboard.up('Control');
		await waitSaved(page);
		expect((await get<Payload>(`/api/payloads/${payloadId}`)).placements[0]!.positionM[0]).toBeCloseTo(-0.002, 9);

		await tabTo('Balance it');
		await press('Enter');
		await page.waitForSelector('[data-testid="accept"]');
		await page.focus('main');
		for (let count = 0; count < 8 && (await page.$('[data-testid="accept"]')); count += 1) await press('Enter');
		for (let count = 0; count < 4; count += 1) {
			const answer = await text(page, '.answer');
			expect(answer).toMatch(/^Now let go/);
			await tabTo('Holds');
			await press('Enter');
			await page.waitForFunction(
				(was) => (document.querySelector('.answer')?.textContent ?? '').replace(/\s+/g, ' ').trim() !== was,
				{},
				answer
			);
		}
		await waitForText(page, '[data-testid="slip-strong"]', 'Poised');
		await press('Enter');
		await page.waitForSelector('[data-testid="open-log"]');
		await press('6');
		await page.waitForSelector('#log-search');
		await press('/');
		await page.waitForFunction(() => document.activeElement?.id === 'log-search');
		await page.keyboard.type('New payload');
		await page.waitForFunction(() => document.querySelectorAll('[data-entry]').length === 1);
		await press('Tab', 'Enter');
		await page.waitForSelector('[data-testid="compare-with"]');
	});

	it('changes units, opens the key card, and visits every station', async () => {
		await page.focus('main');
		await press('u');
		await waitForText(page, '[data-testid="units"]', 'in · lb');
		await press('u');
		await waitForText(page, '[data-testid="units"]', 'mm · g');
		await press('?');
		await page.waitForSelector('dialog[open]');
		await press('Escape');
		await page.waitForSelector('dialog:not([open])');
		for (const [key, address] of [
			['1', '/payload/'],
			['2', '/balance/'],
			['g', '/shelf'],
			['6', '/logbook']
		] as const) {
			await press(key);
			await page.waitForFunction((part) => location.pathname.includes(part), {}, address);
		}
	});
});

describe('when things go wrong', () => {
	it('keeps working without a link and sends everything when it is back', async () => {
		const [payload] = (await get<Payload[]>('/api/payloads')).filter(({ name }) => name === 'Browser build');
		await go(page, `${screen.origin}/payload/${payload!.id}`);
		await page.setOfflineMode(true);
		await fill(page, '[data-testid="forward-Top handle"]', '33');
		await page.waitForSelector('[data-testid="save"][data-state="away"]');
		expect((await get<Payload>(`/api/payloads/${payload!.id}`)).version).toBe(payload!.version);
		await page.setOfflineMode(false);
		await waitSaved(page);
		const handle = (await get<Payload>(`/api/payloads/${payload!.id}`)).placements[2]!;
		expect(handle.positionM[0]).toBeCloseTo(0.033, 9);
	});

	it('takes up an unsaved change after a reload', async () => {
		const [payload] = (await get<Payload[]>('/api/payloads')).filter(({ name }) => name === 'Browser build');
		await go(page, `${screen.origin}/payload/${payload!.id}`);
		await page.setRequestInterception(true);
		const refuse = (request: { method(): string; abort(): Promise<void>; continue(): Promise<void> }) =>
			void (request.method() === 'PUT' ? request.abort() : request.continue());
		page.on('request', refuse);
		await fill(page, '[data-testid="forward-Top handle"]', '21');
		await page.waitForSelector('[data-testid="save"][data-state="away"]');
		page.off('request', refuse);
		await page.setRequestInterception(false);
		await page.reload();
		await ready(page);
		await waitSaved(page);
		expect((await get<Payload>(`/api/payloads/${payload!.id}`)).placements[2]!.positionM[0]).toBeCloseTo(0.021, 9);
	});

	it('overwrites nobody: the second to save sees it and chooses', async () => {
		const [payload] = (await get<Payload[]>('/api/payloads')).filter(({ name }) => name === 'Browser build');
		await go(page, `${screen.origin}/payload/${payload!.id}`);
		const { id, version, ...theirs } = payload!;
		const saved = await send(screen.origin, 'PUT', `/api/payloads/${id}`, {
			name: theirs.name,
			platePartId: theirs.platePartId,
			placements: theirs.placements.slice(0, 2),
			version
		});
		expect(saved.status).toBe(200);
		await fill(page, '[data-testid="forward-Top handle"]', '7');
		await page.waitForSelector('.stale');
		expect(await text(page, '.stale')).toContain('Yours has 3 parts, theirs 2');
		expect((await get<Payload>(`/api/payloads/${id}`)).version).toBe(version + 1);
		await page.evaluate(() =>
			[...document.querySelectorAll('button')].find((each) => each.textContent === 'Save mine over it')!.click()
		);
		await waitSaved(page);
		const now = await get<Payload>(`/api/payloads/${id}`);
		expect(now.placements).toHaveLength(3);
		expect(now.placements[2]!.positionM[0]).toBeCloseTo(0.007, 9);
	});

	it('says plainly that a long lens runs out of travel and what would help least', async () => {
		const payloads = await get<Payload[]>('/api/payloads');
		const rigs = await get<Gimbal[]>('/api/supports/gimbal');
		const tele = payloads.find(({ name }) => name === 'Compact body, tele zoom')!;
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${tele.id}`);
		expect(await text(page, '.answer')).toBe('Move the camera on its plate back 12 mm');
		expect(await text(page, '.slip')).toContain('Or fix 145 g at the rear end of the plate');
		const cine = payloads.find(({ name }) => name === 'Cine build, 25–120')!;
		await go(page, `${screen.origin}/balance/gimbal/${rigs[0]!.id}/${cine.id}`);
		expect(await text(page, '.answer')).toContain('7.1');
	});

	it('names the end of a scale that a typed reading runs past', async () => {
		const [rig] = await get<Gimbal[]>('/api/supports/gimbal');
		const [payload] = await get<Payload[]>('/api/payloads');
		await go(page, `${screen.origin}/balance/gimbal/${rig!.id}/${payload!.id}`);
		await fill(page, '[data-testid="reading-plate"]', '900');
		await waitForText(page, '[data-slide="plate"]', 'The scale runs from 0 to 100 mm');
	});
});

describe('on a phone', () => {
	it('fits the width of the screen on every view', async () => {
		const phone = await screen.newPage(390, 844);
		const [payload] = await get<Payload[]>('/api/payloads');
		const [rig] = await get<Gimbal[]>('/api/supports/gimbal');
		const [logged] = await get<GimbalRecord[]>('/api/balances');
		for (const path of [
			'/payload',
			`/payload/${payload!.id}`,
			`/balance/gimbal/${rig!.id}/${payload!.id}`,
			'/logbook',
			`/logbook/${logged!.id}`,
			'/shelf'
		]) {
			await go(phone, screen.origin + path);
			expect(await phone.evaluate(() => document.documentElement.scrollWidth), path).toBe(390);
		}
		await phone.close();
	});
});

describe('the console', () => {
	it('has stayed quiet through all of this', () => expect(complaints).toEqual([]));
});
