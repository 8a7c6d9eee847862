import { randomUUID } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LoggedBalance } from '../../src/lib/model/balance';
import type { CraneRecord } from '../../src/lib/supports/crane/model';
import type { CraneDraft, CraneRig } from '../../src/lib/supports/crane/model';
import type { Payload } from '../../src/lib/model/payload';
import { freshCraneState } from '../../src/lib/supports/crane/state';
import { send } from '../application';
import { drag, fill, go, ready, type Screen, serveScreen, text, waitForText } from '../browser';

const complaints: string[] = [];
let screen: Screen;
let page: Page;
let payloads: Payload[];
let cranes: CraneRig[];
const ask = (method: string, path: string, body?: unknown) => send(screen.origin, method, path, body);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
const id = (name: string) => `[data-testid="${name}"]`;
const payload = (word: string) => payloads.find(({ name }) => name.includes(word))!;
const crane = (word: string) => cranes.find(({ name }) => name.includes(word))!;
const bench = (on: string, with_: string, sheet = '') =>
	`${screen.origin}/balance/crane/${crane(on).id}/${payload(with_).id}${sheet === '' ? '' : `/${sheet}`}`;
const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: CraneRig): CraneDraft => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
});
/** Rows glide to their new place; a hand waits for them too. */
const glided = () => new Promise((resolve) => setTimeout(resolve, 300));
const boom = () => page.$eval(id('nose'), (nose) => Number(nose.getAttribute('aria-valuenow')));

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
	payloads = await get('/api/payloads');
	cranes = await get('/api/supports/crane');
});
afterAll(() => screen?.stop());

describe('a crane crew', () => {
	it('gets its weights, hangs them, is in place as computed, and poised once it was let go', async () => {
		await go(page, bench('Hall', 'Cine'));
		expect(await text(page, '.answer')).toMatch(/^Hang \d × 20 kg/);
		expect(await text(page, '.slip')).toContain('nobody under it');
		await page.click(id('accept'));
		await waitForText(page, '.answer', 'In place');
		expect(await text(page, '.answer')).not.toContain('Poised');
		// Right when level, and not at the top: said first, with the cure.
		expect(await text(page, id('pulls'))).toMatch(/At full height its nose pulls (up|down) with .*upper line/);
		await page.click(id('arm-stays'));
		await waitForText(page, '.answer', 'Poised');
		expect(await text(page, '[data-state="nose"] .now')).toMatch(/heavy/);
	});
	it('raises the arm by pulling the nose, and by the arrow keys, within its range', async () => {
		expect(await boom()).toBe(0);
		await drag(page, `${id('nose')} .touch`, 0, -90);
		const raised = await boom();
		expect(raised).toBeGreaterThan(5);
		await page.$eval(id('nose'), (nose) => (nose as SVGGElement).focus());
		await page.keyboard.press('ArrowDown');
		expect(await boom()).toBe(raised - 1);
		for (let step = 0; step < 30; step += 1) {
			await page.keyboard.down('Shift');
			await page.keyboard.press('ArrowUp');
			await page.keyboard.up('Shift');
		}
		expect(await boom()).toBe(50);
	});
	it('breaks the loading order, is refused with the reason, and mends it', async () => {
		await go(page, bench('Hall', 'Cine', 'order'));
		expect(await page.$(id('refused'))).toBeNull();
		await page.click(id('held-camera'));
		await waitForText(page, id('refused'), 'nobody holds the arm, and it swings');
		expect(await text(page, id('held-camera'))).toBe('held');
		await page.click(id('order-unloading'));
		await glided();
		await page.click(id('up-headOff'));
		await glided();
		await page.click(id('up-headOff'));
		await waitForText(page, id('refused'), 'camera still on it');
		await page.click(id('order-loading'));
		await glided();
		await page.click(id('down-head'));
		await page.waitForFunction(
			() => document.querySelectorAll('[data-testid="order"] li')[2]?.getAttribute('data-step') === 'head'
		);
		expect(await page.$(id('refused'))).toBeNull();
		for (let step = 0; step < 7; step += 1) await page.click(id('step-done'));
		expect(await text(page, id('order-strong'))).toBe('and let go');
		expect(await text(page, id('emergency'))).toContain('nobody catches a swinging arm');
	});
	it('drags a step by its handle', async () => {
		const order = () =>
			page.$$eval('[data-testid="order"] li', (all) => all.map((each) => each.getAttribute('data-step')));
		await glided();
		const before = await order();
		const grip = (await (await page.$('[data-step="trim"] .grip'))!.boundingBox())!;
		const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
		await page.mouse.move(x, y);
		await page.mouse.down();
		await page.mouse.move(x, y - 30, { steps: 6 });
		await page.mouse.move(x, y - 75, { steps: 10 });
		await new Promise((resolve) => setTimeout(resolve, 500));
		await page.mouse.up();
		await new Promise((resolve) => setTimeout(resolve, 600));
		expect(await order()).not.toEqual(before);
		await page.reload();
		await ready(page);
		expect(await order()).not.toEqual(before);
	});
	it('logs it, prints it, and finds it again', async () => {
		await go(page, bench('Hall', 'Cine'));
		await page.type('.note textarea', 'Piste side, by test.');
		await page.click(id('log'));
		await page.waitForSelector(id('open-log'));
		await page.click(id('open-log'));
		await page.waitForSelector(id('set-up'));
		expect(await text(page, '.answer')).toBe('Hang everything as logged');
		expect(await text(page, '.slip')).toContain('Piste side, by test.');
		await page.click(id('set-up'));
		await page.waitForFunction(() => location.pathname.startsWith('/balance/crane/'));
		await waitForText(page, '.answer', 'Poised');
	});
	it('has a sheet of one A4 page whose words are the crane’s own', async () => {
		const at = `${screen.origin}/api/prints/sheet/${crane('Hall').id}/${payload('Cine').id}`;
		const response = await fetch(at);
		expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/pdf']);
		const folder = mkdtempSync(join(tmpdir(), 'poise-sheet-'));
		const file = join(folder, 'sheet.pdf');
		writeFileSync(file, Buffer.from(await response.arrayBuffer()));
		const words = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
		expect(words).toMatch(/Hang \d × 20 kg/);
		expect(words).toMatch(/Trim weight \d+(\.\d)? mm behind the pivot/);
		expect(words).toContain('Unloading: weights before the camera');
		expect(words).toContain('nobody catches a swinging arm');
		expect(words).not.toContain('REFUSED');
		expect(execFileSync('pdfinfo', [file], { encoding: 'utf8' })).toMatch(/Pages:\s+1\n/);
		expect((await fetch(at.replace(crane('Hall').id, randomUUID()))).status).toBe(404);
	});
	it('swaps a camera: plates and trim before and after, in an order that holds', async () => {
		await go(page, bench('Hall', 'Cine', 'swap'));
		await page.click(id(`also-${payload('tele').name}`));
		await waitForText(page, id('swap-steps'), 'Take off');
		const steps = await text(page, id('swap-steps'));
		expect(steps).toMatch(/one holds it.*Take off.*off.*on, locked and tried.*Trim to.*Let go/);
		expect(steps).not.toContain('it would swing');
	});
	it('says the same on paper, line for line: every pair, who holds what and at which end, the cautions', async () => {
		const told = (text: string) => text.replace(/\s+/g, ' ').trim();
		const href = await page.$eval(id('pdf-A4'), (link) => (link as HTMLAnchorElement).href);
		const file = join(mkdtempSync(join(tmpdir(), 'poise-swap-')), 'swap.pdf');
		writeFileSync(file, Buffer.from(await (await fetch(href)).arrayBuffer()));
		// In the order in which it stands in the file: columns one after the other.
		const paper = told(execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' }));
		const builds = await page.$$eval('[data-build]', (rows) => rows.map((row) => (row as HTMLElement).dataset.build!));
		expect(builds.length).toBeGreaterThan(1);
		for (const from of builds)
			for (const to of builds.filter((each) => each !== from)) expect(paper).toContain(`${from} to ${to}`);
		const rows = await page.$$eval('[data-testid="swap-steps"] li', (all) =>
			all.map((row) => [row.querySelector('strong')!.textContent!, row.querySelector('span')!.textContent!])
		);
		expect(rows.length).toBeGreaterThan(4);
		for (const [step, holds] of rows) expect(paper).toContain(told(`${step}: ${holds}`));
		const cautions = await page.$$eval('.sheet > .caution', (all) => all.map((each) => each.textContent!));
		expect(cautions.join(' ')).toMatch(/somebody holds it throughout/);
		for (const words of cautions) expect(paper).toContain(told(words));
		expect(paper).not.toMatch(/[→\ufffd\u25a1]|weights off before the camera/);
	});
});

describe('stability', () => {
	it('falls with a push, says plainly “not safe as drawn”, and what would make it so', async () => {
		await go(page, bench('Hall', 'Cine', 'stand'));
		const reserve = async () => parseFloat(await text(page, id('stand-strong')));
		const level = await reserve();
		expect(level).toBeGreaterThan(50);
		await fill(page, id('ground-pushN'), '400');
		await page.waitForFunction(
			(css, was) => parseFloat(document.querySelector(css)?.textContent ?? '') < was - 5,
			{},
			id('stand-strong'),
			level
		);
		await fill(page, id('ground-pushN'), '1400');
		await waitForText(page, '.answer', 'Not safe as drawn');
		await waitForText(page, id('danger'), 'ballast');
		await page.click(id('put-ballast-35'));
		await page.waitForFunction(
			(css) => document.querySelector(css)?.textContent?.includes('35 %'),
			{},
			id('stand-strong')
		);
		expect(await text(page, '.slip')).toContain('never a promise');
	});
	it('refuses a hurricane and a cliff at the field, and keeps them there', async () => {
		await fill(page, id('ground-windMPerS'), '200');
		await waitForText(page, '.rows', 'Between 0 and 60 m/s');
		expect(await page.$eval(id('ground-windMPerS'), (field) => (field as HTMLInputElement).value)).toBe('200');
		await fill(page, id('ground-slopeRad'), '80');
		await waitForText(page, '.rows', 'Between 0 and 34°.');
	});
	it('turns the arm on the plan by mouse and key', async () => {
		const swing = () => page.$eval(id('swing'), (arm) => Number(arm.getAttribute('aria-valuenow')));
		await page.$eval(id('swing'), (arm) => (arm as SVGGElement).focus());
		await page.keyboard.press('ArrowLeft');
		await page.waitForFunction(
			(css) => document.querySelector(css)?.getAttribute('aria-valuenow') !== '0',
			{},
			id('swing')
		);
		expect(await swing()).toBeGreaterThan(0);
	});
});

describe('drift, levelling and head rate', () => {
	it('shares the plates between two lines until it stays everywhere', async () => {
		await go(page, bench('Hall', 'Cine', 'drift'));
		await fill(page, id('share-second'), '0');
		await waitForText(page, '.answer', 'of the plates on the upper line');
		await page.click(id('share-done'));
		await waitForText(page, '.answer', 'stays where it is put');
		const share = await page.$eval(id('share-second'), (field) => Number((field as HTMLInputElement).value));
		expect(share).toBeGreaterThan(10);
		expect(share).toBeLessThan(90);
	});
	it('finds a rod of wrong length from three levels', async () => {
		await go(page, bench('Hall', 'Cine', 'level'));
		for (const [boomDeg, tilt] of [
			[-30, '3.5'],
			[0, '0'],
			[40, '1.6']
		] as const) {
			await fill(page, id('level-boom'), String(boomDeg));
			await fill(page, id('level-tilt'), tilt);
			await page.click(id('take-level'));
		}
		await waitForText(page, '.answer', 'rod');
		expect(await text(page, id('tuned'))).toContain('Leave the rod');
		await fill(page, id('level-boom'), '89');
		await waitForText(page, '.pane', 'Between -40° and 50°.');
	});
	it('says the boom that keeps from ceiling and people at once, and who keeps out', async () => {
		await go(page, bench('Hall', 'Cine', 'reach'));
		await page.click(id('has-ceilingM'));
		await page.click(id('has-rowsFromM'));
		await waitForText(page, '.answer', 'Keep the boom');
		expect(await text(page, id('keep-out'))).toMatch(/^\d+\.\d\d m$/);
		await fill(page, id('room-ceilingM'), '2.3');
		await waitForText(page, '.answer', 'No boom is clear of it all');
		await fill(page, id('room-ceilingM'), '0.1');
		await waitForText(page, '.fields', 'Between 1 and 60 m.');
		await page.click(id('has-lineM'));
		await waitForText(page, '.slip', 'Ten metres from an overhead line');
	});
	it('says the fastest honest pass, and slows it down', async () => {
		await go(page, bench('Hall', 'Cine', 'pass'));
		await fill(page, id('pass-durationS'), '1.2');
		await waitForText(page, id('pass-short'), 'falls short by');
		expect(parseFloat(await text(page, id('pass-error')))).toBeGreaterThan(1);
		await page.click(id('pass-slower'));
		await waitForText(page, '.answer', 'keeps up');
		await fill(page, id('pass-durationS'), '0');
		await waitForText(page, '.fields', 'More than 0.1 s');
	});
	it('draws a pass: a pose on the way, pulled round and up, and taken out again', async () => {
		await go(page, bench('Hall', 'Cine', 'pass'));
		const path = () => page.$eval('path.way', (way) => way.getAttribute('d'));
		const straight = await path();
		await page.click(id('another-pose'));
		const told = () => page.$eval(id('key-1'), (key) => key.getAttribute('aria-label')!);
		const before = await told();
		await drag(page, `${id('key-1')} .ring`, -60, -20);
		await drag(page, `${id('pose-1')} .ring`, 0, 40);
		expect(await told()).not.toBe(before);
		expect(await path()).not.toBe(straight);
		await page.$eval(id('key-1'), (key) => (key as SVGGElement).focus());
		const boomOf = () => page.$eval(id('key-1'), (key) => Number(key.getAttribute('aria-valuenow')));
		const up = await boomOf();
		await page.keyboard.press('ArrowUp');
		expect(await boomOf()).toBe(up + 1);
		await page.click(id('drop-pose'));
		expect(await page.$(id('key-2'))).toBeNull();
		expect(await path()).toBe(straight);
	});
	it('balances every length of the arm, and builds it to one', async () => {
		await go(page, bench('Hall', 'Cine', 'lengths'));
		const rows = await page.$$eval('tbody tr', (all) => all.map((row) => row.textContent!.replace(/\s+/g, ' ')));
		expect(rows).toHaveLength(4);
		for (const row of rows) expect(row).toContain('as wanted');
		await page.click(`${id('sections1')} .tool`);
		await waitForText(page, id('sections1'), 'now');
		await go(page, bench('Hall', 'Cine'));
		await waitForText(page, '.answer', 'In place');
		expect(await text(page, '.roll')).toContain('Build it to 3.60 m');
	});
	it('swaps the head, the camera off before it', async () => {
		await go(page, bench('Hall', 'Cine', 'swap'));
		await page.click(id('head-1'));
		await waitForText(page, id('swap-steps'), 'Light remote head on');
		const steps = await page.$$eval(`${id('swap-steps')} li`, (all) => all.map((step) => step.textContent ?? ''));
		const index = (word: string) => steps.findIndex((step) => step.includes(word));
		expect(index('Cine build, 25–120 off')).toBeLessThan(index('three-axis off'));
		expect(index('three-axis off')).toBeLessThan(index('Light remote head on'));
		expect(index('Light remote head on')).toBeLessThan(index('Cine build, 25–120 on'));
	});
	it('is told what is left against tipping at every step, and where only a hand keeps it standing', async () => {
		await go(page, bench('Hall', 'Cine', 'order'));
		expect(await text(page, id('reserve-free'))).toMatch(/^\d+ %reserve$/);
		await go(page, bench('Hall', 'Cine', 'stand'));
		await fill(page, id('ground-pushN'), '2900');
		await go(page, bench('Hall', 'Cine', 'order'));
		await waitForText(page, id('order-tips'), 'after “');
	});
	it('lays two crane balances side by side', async () => {
		const log = (await get<LoggedBalance[]>('/api/balances')).filter(({ kind }) => kind === 'crane');
		await go(page, `${screen.origin}/logbook/compare?a=${log[0]!.id}&b=${log.at(-1)!.id}`);
		await waitForText(page, '[data-line="Hung in all"]', 'Hung in all');
		expect(await text(page, '[data-line="Pivot to nose"]')).toMatch(/\d+ mm/);
		await page.select(
			id('pick-b'),
			(await get<LoggedBalance[]>('/api/balances')).find(({ kind }) => kind === 'gimbal')!.id
		);
		await waitForText(page, '.sheet', 'another kind of support');
	});
});

describe('a crane of one’s own', () => {
	let made: string;
	it('starts from a pattern, is changed, and comes back after a reload', async () => {
		await go(page, `${screen.origin}/cranes`);
		await page.click(id('start-studioJib'));
		await page.waitForSelector(id('crane-name'));
		await ready(page);
		await page.click(id('all-figures'));
		made = new URL(page.url()).pathname.replace('/cranes', '/supports/crane');
		await fill(page, id('base-mass'), '92000');
		await page.click(id('add-plate'));
		await fill(page, id('lifts'), '72000');
		await page.click(id('add-head'));
		await fill(page, id('head-1-mass'), '2600');
		await page.select(id('head-on'), '1');
		await fill(page, id('crane-name'), 'Jib of the store');
		await page.waitForSelector('[data-testid="crane-save"][data-state="saved"]');
		await page.reload();
		await ready(page);
		expect(await page.$eval(id('base-mass'), (field) => (field as HTMLInputElement).value)).toBe('92000');
		const { geometry } = await get<CraneRig>(`/api${made}`);
		expect(geometry.plates).toHaveLength(5);
		expect(geometry.base.liftsKg).toBe(72);
		expect([geometry.head.massKg, geometry.otherHeads![0]!.massKg]).toEqual([2.6, 4.2]);
	});
	it('says what is wrong at the field and of the whole', async () => {
		await fill(page, id('plate0-mass'), '0');
		await waitForText(page, '.two', 'More than 0, up to 100 kg.');
		await fill(page, id('arm-length'), '0');
		await waitForText(page, '.two', 'Between 50 mm and 6 m.');
		await fill(page, id('foot0-0'), '-3000');
		await page.waitForSelector(id('crane-wrong'));
	});
	it('is refused by the server in the same words, and deleted', async () => {
		const hall = draftOf(crane('Hall'));
		const crossed = { ...hall.geometry.base, feetM: [0, 2, 1, 3].map((k) => hall.geometry.base.feetM[k]!) };
		const answer = await ask('POST', '/api/supports/crane', {
			...hall,
			name: 'Crossed',
			geometry: { ...hall.geometry, base: crossed }
		});
		expect(answer.status).toBe(422);
		expect(Object.values<string>(answer.body.error.fields)[0]).toMatch(/cross|counter-clockwise/i);
		expect((await ask('POST', '/api/supports/crane', hall)).body.error.code).toBe('nameTaken');
		expect((await ask('DELETE', `/api${made}`)).status).toBe(200);
		expect((await ask('GET', `/api${made}`)).status).toBe(404);
	});
});

describe('the server', () => {
	it('works a crane balance out itself, and logs it once however often it is sent', async () => {
		const entry = {
			id: randomUUID(),
			payloadId: payload('Cine').id,
			supportId: crane('Hall').id,
			payloadVersion: payload('Cine').version,
			state: freshCraneState(crane('Hall').geometry),
			note: 'Nothing hung.'
		};
		const [first, again] = [await ask('POST', '/api/balances', entry), await ask('POST', '/api/balances', entry)];
		expect([first.status, again.status]).toEqual([200, 200]);
		const record: CraneRecord = first.body;
		expect(record.poised).toBe(false);
		expect(record.figures.noseKg).toBeGreaterThan(10);
		expect(record.figures.reserve).toBeLessThan(0);
		const log = await get<LoggedBalance[]>('/api/balances');
		expect(log.filter(({ id: each }) => each === entry.id)).toHaveLength(1);
		expect((await ask('POST', '/api/balances', { ...entry, id: randomUUID(), payloadVersion: 99 })).status).toBe(409);
	});
	it('has the demo’s cranes balanced in the logbook', async () => {
		const own = (await get<LoggedBalance[]>('/api/balances')).filter(
			({ kind, note }) => kind === 'crane' && /Hall|Chapel/.test(note)
		);
		expect(own.map(({ poised }) => poised)).toEqual([true, true]);
	});
});

describe('on a phone', () => {
	it('every sheet fits', async () => {
		const phone = await screen.newPage(390, 844);
		for (const sheet of ['', 'order', 'stand', 'drift', 'lengths', 'reach', 'venue', 'level', 'pass', 'swap']) {
			await go(phone, bench('Hall', 'Cine', sheet));
			expect([sheet, await phone.evaluate(() => document.documentElement.scrollWidth)]).toEqual([sheet, 390]);
		}
		await go(phone, `${screen.origin}/cranes/${crane('Hall').id}`);
		expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
		await phone.close();
	});
});

it('leaves nothing in the console', () => expect(complaints).toEqual([]));
