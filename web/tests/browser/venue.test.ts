import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CraneRig } from '../../src/lib/supports/crane/model';
import type { Payload } from '../../src/lib/model/payload';
import type { Venue } from '../../src/lib/model/venue';
import { send } from '../application';
import { drag, fill, go, ready, type Screen, serveScreen, text, waitForText } from '../browser';

const complaints: string[] = [];
let screen: Screen;
let page: Page;
let venues: Venue[];
const ask = (method: string, path: string, body?: unknown) => send(screen.origin, method, path, body);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
const id = (name: string) => `[data-testid="${name}"]`;
const venue = (word: string) => venues.find(({ name }) => name.includes(word))!;
const folder = mkdtempSync(join(tmpdir(), 'poise-plans-'));
const saved = () => page.waitForSelector('[data-testid="venue-save"][data-state="saved"]');
const shapes = () => page.$$eval('[data-shape]', (all) => all.length);

function file(name: string, content: string | Buffer): string {
	const path = join(folder, name);
	writeFileSync(path, content);
	return path;
}
async function choose(testId: string, path: string) {
	const input = (await page.$(id(testId))) as ElementHandle<HTMLInputElement>;
	await input.uploadFile(path);
}
const line = (x1: number, y1: number, x2: number, y2: number) =>
	`0\nLINE\n8\nWalls\n10\n${x1}\n20\n${y1}\n30\n0\n11\n${x2}\n21\n${y2}\n31\n0\n`;
const room = `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${line(0, 0, 14000, 0)}${line(14000, 0, 14000, 9000)}${line(14000, 9000, 0, 9000)}${line(0, 9000, 0, 0)}0\nCIRCLE\n8\nPillar\n10\n4000\n20\n4500\n40\n350\n0\nENDSEC\n0\nEOF\n`;

/** Taps the plan so many pixels from its corner. */
async function tap(...points: readonly (readonly [number, number])[]) {
	const box = await (await page.waitForSelector(id('plan')))!.boundingBox();
	for (const [x, y] of points) await page.mouse.click(box!.x + x, box!.y + y);
}

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
	venues = await get('/api/venues');
});
afterAll(() => screen?.stop());

describe('a venue’s plan', () => {
	it('starts with a name, and says so when there is none', async () => {
		await go(page, `${screen.origin}/venues`);
		await page.click(id('venue-make'));
		await waitForText(page, '.sheet', 'Give the venue a name.');
		await page.type(id('venue-new-name'), 'Tidewater Hall');
		await page.click(id('venue-make'));
		await waitForText(page, '.sheet', 'That name is taken');
		await fill(page, id('venue-new-name'), 'Weaving studio');
		await page.click(id('venue-make'));
		await page.waitForSelector(id('plan'));
	});
	it('is drawn by tapping, undone, moved by the keys and by figures, and is there after a reload', async () => {
		await page.click(id('draw-people'));
		await tap([150, 150], [300, 150]);
		await page.keyboard.press('Enter');
		await waitForText(page, '.sheet', 'tap 3 points at least');
		await tap([300, 260]);
		await page.keyboard.press('Enter');
		await page.waitForSelector(id('point-2'));
		const across = () => page.$eval(id('x-0'), (field) => Number((field as HTMLInputElement).value));
		const before = await across();
		await page.$eval(id('point-0'), (point) => (point as SVGGElement).focus());
		await page.keyboard.press('ArrowRight');
		expect(await across()).toBeCloseTo(before + 0.1, 9);
		await page.keyboard.down('Control');
		await page.keyboard.press('z');
		await page.keyboard.up('Control');
		expect(await across()).toBeCloseTo(before, 9);
		await fill(page, id('x-0'), '2.5');
		await fill(page, id('shape-label'), 'Front rows');
		await fill(page, id('shape-top'), '1.4');
		await saved();
		await page.reload();
		await ready(page);
		await page.waitForSelector(id('plan'));
		expect(await text(page, '.list')).toContain('Front rows');
		const [kept] = (await get<Venue>(`/api${new URL(page.url()).pathname}`)).plan.shapes;
		expect(kept).toMatchObject({ kind: 'people', label: 'Front rows', topM: 1.4 });
		expect(kept!.pointsM[0]![0]).toBe(2.5);
	});
	it('is drawn without a pointer too', async () => {
		const before = await shapes();
		await page.focus(id('draw-wall'));
		await page.keyboard.press('Enter');
		await page.focus(id('draw-done'));
		await page.keyboard.press('Enter');
		await page.waitForSelector(id('shape-label'));
		expect(await shapes()).toBe(before + 1);
		await fill(page, id('y-0'), '0');
		await page.focus(id('drop-shape'));
		await page.keyboard.press('Enter');
		expect(await shapes()).toBe(before);
	});
	it('says at the field what a height may be, and keeps what was typed', async () => {
		await page.click('.pick');
		await fill(page, id('shape-bottom'), '3');
		await waitForText(page, '.aside', 'Not over its top.');
		expect(await page.$eval(id('shape-bottom'), (field) => (field as HTMLInputElement).value)).toBe('3');
		await fill(page, id('shape-bottom'), '0');
	});
	it('says in words what is no drawing and no picture, and loses nothing', async () => {
		await page.click(id('drop-shape'));
		await page.click('.tool[disabled], .sheet .top .tool');
		expect(await shapes()).toBe(1);
		await choose('drawing-file', file('letter.dxf', 'Dear crew,\nthe plan follows by post.\n'));
		await waitForText(page, id('file-trouble'), 'This is not a DXF drawing');
		await choose('drawing-file', file('letter.svg', '<p>no</p>'));
		await waitForText(page, id('file-trouble'), 'This is not an SVG drawing');
		await choose('drawing-file', file('plan.pdf', '%PDF-1.4'));
		await waitForText(page, id('file-trouble'), 'neither a DXF nor an SVG');
		await choose('picture-file', file('huge.png', Buffer.alloc(30 * 1024 * 1024, 1)));
		await waitForText(page, id('file-trouble'), 'has 30 MB; up to 20 MB can be taken');
		await choose('picture-file', file('torn.png', Buffer.from('not a picture')));
		await waitForText(page, id('file-trouble'), 'cannot be read as a picture');
		expect(await shapes()).toBe(1);
	});
	it('takes a drawing in at its own unit, and another', async () => {
		await choose('drawing-file', file('room.dxf', room));
		await waitForText(page, id('drawing-size'), '14.00 m × 9.00 m');
		await page.select(id('drawing-unit'), '0.01');
		await waitForText(page, id('drawing-size'), '140.00 m × 90.00 m');
		await page.select(id('drawing-unit'), '0.001');
		await page.click(id('put-in'));
		await waitForText(page, '.sheet', '2 lines of “room.dxf” are on the plan.');
		expect(await shapes()).toBe(3);
		await choose(
			'drawing-file',
			file('room.svg', '<svg viewBox="0 0 80 60"><rect width="80" height="60"/><text>Hall</text></svg>')
		);
		await waitForText(page, id('drawing-read'), 'Left out: 1 × text.');
	});
	it('lies over a picture that two points scale, and the picture comes back', async () => {
		const picture = join(import.meta.dirname, '../../../docs/screenshots/payload-cine.png');
		await choose('picture-file', file('plan.png', readFileSync(picture)));
		await page.waitForSelector('image');
		await tap([150, 200], [350, 200]);
		await fill(page, id('apart'), '8');
		const across = () => page.$eval('image', (image) => Number(image.getAttribute('width')));
		expect(await across()).toBeGreaterThan(100);
		await page.click(id('set-scale'));
		await page.waitForFunction(() => document.querySelector('[data-testid="apart"]') === null);
		await saved();
		const { underlay } = (await get<Venue>(`/api${new URL(page.url()).pathname}`)).plan;
		expect(underlay!.mPerPx * underlay!.widthPx).toBeGreaterThan(5);
		expect(underlay!.mPerPx).not.toBeCloseTo(20 / underlay!.widthPx, 6);
		const there = await fetch(`${screen.origin}/api${new URL(page.url()).pathname}/pictures/${underlay!.pictureId}`);
		expect(there.headers.get('content-type')).toBe('image/webp');
	});
	it('fits a phone', async () => {
		const phone = await screen.newPage(390, 844);
		for (const path of ['/venues', new URL(page.url()).pathname]) {
			await go(phone, screen.origin + path);
			expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
		}
		await phone.close();
	});
});

describe('the server, of venues', () => {
	it('comes nearer under two fingers that part, goes off under two that close, and changes nothing of the plan', async () => {
		await go(page, `${screen.origin}/venues/${venue('Chapel').id}`);
		await ready(page);
		const before = (await get<Venue>(`/api/venues/${venue('Chapel').id}`)).version;
		const client = await page.createCDPSession();
		const plan = (await page.$(id('plan')))!;
		await plan.evaluate((each) => each.scrollIntoView({ block: 'center' }));
		const box = (await plan.boundingBox())!;
		const wide = () =>
			page.$eval('[data-shape] .drawn', (each) => (each as SVGPathElement).getBoundingClientRect().width);
		const fingers = async (from: number, to: number) => {
			const at = (far: number) =>
				[-1, 1].map((side, finger) => ({
					x: box.x + box.width / 2 + side * far,
					y: box.y + box.height / 2,
					id: finger + 1
				}));
			await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(from) });
			for (let step = 1; step <= 8; step += 1)
				await client.send('Input.dispatchTouchEvent', {
					type: 'touchMove',
					touchPoints: at(from + ((to - from) * step) / 8)
				});
			await client.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
		};
		await client.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
		await page.reload();
		await ready(page);
		const start = await wide();
		await fingers(40, 90);
		const near = await wide();
		expect(near).toBeGreaterThan(start * 1.3);
		await fingers(90, 40);
		expect(await wide()).toBeLessThan(near * 0.8);
		await client.send('Emulation.setTouchEmulationEnabled', { enabled: false });
		expect((await get<Venue>(`/api/venues/${venue('Chapel').id}`)).version).toBe(before);
	});
	it('refuses what is no plan, an older version and a picture that is none', async () => {
		const { id: venueId, version, name, plan } = venue('Chapel');
		const crossed = { ...plan.shapes[0]!, topM: -1 };
		const wrong = await ask('PUT', `/api/venues/${venueId}`, {
			name,
			version,
			plan: { ...plan, shapes: [crossed] }
		});
		expect(wrong.status).toBe(422);
		expect(Object.keys(wrong.body.error.fields)).toContain('plan.shapes.0.topM');
		expect((await ask('PUT', `/api/venues/${venueId}`, { name, version, plan })).status).toBe(200);
		expect((await ask('PUT', `/api/venues/${venueId}`, { name, version, plan })).body.error.code).toBe('stale');
		const post = (body: Buffer) =>
			fetch(`${screen.origin}/api/venues/${venueId}/pictures`, {
				method: 'POST',
				headers: { 'content-type': 'image/png' },
				body: new Uint8Array(body)
			});
		expect((await post(Buffer.from('<svg onload="x"/>'))).status).toBe(415);
		const large = await post(Buffer.alloc(5 * 1024 * 1024, 1));
		expect(large.status).toBe(413);
		expect((await large.json()).error.message).toContain('4 MiB');
	});
	it('says what stands in a venue before it is deleted, by name, and leads to a move there', async () => {
		const { id: hallId } = venue('Tidewater');
		await go(page, `${screen.origin}/venues/${hallId}`);
		await page.evaluate(() =>
			[...document.querySelectorAll('button')]
				.find((each) => /^Delete this venue/.test(each.textContent ?? ''))!
				.click()
		);
		await waitForText(page, id('delete-words'), 'the move “Salute, low to high”');
		expect(await text(page, id('delete-words'))).toMatch(
			/stands? there, and (is|are) tried against nothing without it/
		);
		await page.click(id('move-here'));
		await page.waitForSelector(id('move-new-venue'));
		expect(await page.$eval(id('move-new-venue'), (list) => (list as HTMLSelectElement).value)).toBe(hallId);
	});
	it('takes a venue away with its pictures', async () => {
		const made = (await ask('POST', '/api/venues', { name: 'For a day', plan: venue('Chapel').plan })).body as Venue;
		const png = readFileSync(join(import.meta.dirname, '../../../docs/screenshots/payload-cine.png'));
		const sent = await fetch(`${screen.origin}/api/venues/${made.id}/pictures`, {
			method: 'POST',
			headers: { 'content-type': 'image/png' },
			body: new Uint8Array(png)
		});
		const { id: pictureId } = (await sent.json()) as { id: string };
		const picture = `/api/venues/${made.id}/pictures/${pictureId}`;
		expect((await fetch(screen.origin + picture)).status).toBe(200);
		// Another venue does not hold it.
		expect((await ask('GET', `/api/venues/${venue('Hall').id}/pictures/${pictureId}`)).status).toBe(404);
		expect((await ask('DELETE', `/api/venues/${made.id}`)).status).toBe(200);
		expect((await ask('GET', picture)).status).toBe(404);
		expect((await ask('POST', `/api/venues/${made.id}/back`)).status).toBe(200);
		expect((await fetch(screen.origin + picture)).status).toBe(200);
		await ask('DELETE', `/api/venues/${made.id}`);
	});
});

describe('a crane in a venue', () => {
	const strong = id('venue-strong');
	const at = async (sheet: string) => {
		const cranes = await get<CraneRig[]>('/api/supports/crane');
		const payloads = await get<Payload[]>('/api/payloads');
		const of = <T extends { name: string; id: string }>(list: T[], word: string) =>
			list.find(({ name }) => name.includes(word))!.id;
		return `${screen.origin}/balance/crane/${of(cranes, 'Hall')}/${of(payloads, 'Cine')}/${sheet}`;
	};
	it('is put on the plan, told its limits, and clear once they are set', async () => {
		await go(page, await at('venue'));
		await waitForText(page, '.answer', 'Choose a venue');
		await page.select(id('venue'), venue('Tidewater').id);
		await fill(page, id('at-x'), '8');
		await fill(page, id('at-y'), '4.5');
		await page.waitForSelector(`${id('set-limits')}:not([disabled])`);
		expect(await text(page, '.slip')).toContain('strikes');
		await page.click(id('set-limits'));
		await waitForText(page, strong, 'between the stops');
		expect(await page.$(id('under'))).toBeNull();
		// The sheet that is taped to the base tells them too.
		const stops = await Promise.all(
			['stop-from', 'stop-to'].map((each) =>
				page.$eval(id(each), (field) => Math.round(Number((field as HTMLInputElement).value)))
			)
		);
		await new Promise((resolve) => setTimeout(resolve, 1200));
		const [on, with_] = new URL(page.url()).pathname.split('/').slice(3);
		const sheet = await fetch(`${screen.origin}/api/prints/sheet/${on}/${with_}`);
		const pdf = file('sheet.pdf', Buffer.from(await sheet.arrayBuffer()));
		const printed = execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' }).replaceAll('−', '-');
		expect(printed).toMatch(new RegExp(`Swing only\\s+${stops[0]}° to ${stops[1]}°`));
		expect(execFileSync('pdfinfo', [pdf], { encoding: 'utf8' })).toMatch(/Pages:\s+1\n/);
		await page.click(id('no-stops'));
		await page.waitForSelector(`${id('set-limits')}:not([disabled])`);
	});
	it('moves with its base, and is tried again where it is let go', async () => {
		const x = () => page.$eval(id('at-x'), (field) => Number((field as HTMLInputElement).value));
		const before = await x();
		await drag(page, `${id('venue-base')} .ring`, 60, 0);
		expect(await x()).toBeGreaterThan(before + 0.5);
		await page.$eval(id('venue-base'), (base) => (base as SVGGElement).focus());
		const moved = await x();
		await page.keyboard.press('ArrowLeft');
		expect(await x()).toBeCloseTo(moved - 0.1, 2);
	});
	it('keeps from over people, and warns of them when the house lets it', async () => {
		await fill(page, id('at-x'), '12');
		await fill(page, id('at-y'), '6');
		await page.waitForSelector('[data-finding="s3"]');
		// Nobody is under it where the advice is followed; without following it, somebody is.
		await waitForText(page, id('under'), 'under the arm');
		await page.click(id('over-people'));
		await fill(page, id('boom-from'), '20');
		await waitForText(page, id('under'), 'under the arm');
	});
	it('comes back as it was left, and says what a stop may be', async () => {
		await fill(page, id('stop-from'), '400');
		await waitForText(page, '.fields', 'Before the other stop');
		await new Promise((resolve) => setTimeout(resolve, 900));
		await page.reload();
		await ready(page);
		expect(await page.$eval(id('venue'), (list) => (list as HTMLSelectElement).value)).toBe(venue('Tidewater').id);
		expect(await page.$eval(id('at-x'), (field) => (field as HTMLInputElement).value)).toBe('12');
		expect(await page.$eval(id('over-people'), (box) => (box as HTMLInputElement).checked)).toBe(true);
	});
	it('stands nowhere once its venue is gone, and says what to do', async () => {
		expect((await ask('DELETE', `/api/venues/${venue('Tidewater').id}`)).status).toBe(200);
		await page.reload();
		await ready(page);
		await waitForText(page, '.answer', 'Choose a venue');
	});
});

it('leaves nothing in the console', () => expect(complaints).toEqual([]));
