import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** A crew with gear and a logbook, at work. */

const files = mkdtempSync(join(tmpdir(), 'poise-journey-'));

/** A small picture as a camera would give one: a PNG of one grey. */
function photo(name: string): string {
	const [width, height] = [320, 240];
	const chunk = (type: string, data: Buffer) => {
		const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
		let crc = 0xffffffff;
		for (const byte of body) {
			crc ^= byte;
			for (let bit = 0; bit < 8; bit += 1) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
		}
		const framed = Buffer.alloc(body.length + 8);
		framed.writeUInt32BE(data.length, 0);
		body.copy(framed, 4);
		framed.writeUInt32BE((crc ^ 0xffffffff) >>> 0, body.length + 4);
		return framed;
	};
	const header = Buffer.alloc(13);
	header.writeUInt32BE(width, 0);
	header.writeUInt32BE(height, 4);
	header.set([8, 0, 0, 0, 0], 8);
	const rows = Buffer.alloc((width + 1) * height, 120);
	for (let row = 0; row < height; row += 1) rows[row * (width + 1)] = 0;
	const path = join(files, name);
	writeFileSync(
		path,
		Buffer.concat([
			Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
			chunk('IHDR', header),
			chunk('IDAT', deflateSync(rows)),
			chunk('IEND', Buffer.alloc(0))
		])
	);
	return path;
}

const onBench = (kind: 'Gimbals' | 'Sleds' | 'Cranes') => `tbody tr:first-child td[data-kind="${kind}"]`;
const benches = {
	Gimbals: /^\/balance\/gimbal\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/,
	Sleds: /^\/balance\/sled\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/,
	Cranes: /^\/balance\/crane\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/
} as const;

describe.each(waysToday(0))('a crew with %s', (way: Way) => {
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

	it('goes from a gimbal to a sled, on to a crane and back, on the benches themselves', async () => {
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.press(/./, onBench('Gimbals'));
		await person.arrives(benches.Gimbals);
		await person.picks('Support', /Light sled/);
		await person.arrives(benches.Sleds);
		await person.reads(/Sled|Slide|Set the gimbal|In place/);
		await person.picks('Support', /Chapel jib/);
		await person.arrives(benches.Cranes);
		await person.picks('Support', /Small single-handed gimbal/);
		await person.arrives(benches.Gimbals);
		// The sheet is kept where the next support has it too.
		await person.press('Fit', 'nav');
		await person.arrives(/\/fit$/);
		await person.picks('Support', /Large two-handed gimbal/);
		await person.arrives(/\/fit$/);
	});

	it('shows greyed, with why, what does not carry a payload', async () => {
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		const words = await person.words('table');
		expect(words).toMatch(/Large two-handed gimbal 1\.71 kg too light: wants 3\.00 kg at least/);
		expect(words).toMatch(/Small single-handed gimbal 7\.11 kg too heavy: carries 2\.00 kg at most/);
	});

	it('measures a hang with a photograph, and its policy blocks nothing', async () => {
		await person.press(/Payload$/, 'header');
		await person.press(/all payloads/, 'header');
		await person.arrives(/^\/payload$/);
		await person.press(/Compact body, wide zoom/, 'main');
		await person.arrives(/^\/payload\/[0-9a-f-]{36}$/);
		await person.press('Measure', 'nav');
		await person.arrives(/\/measure$/);
		await person.press('Hung from two points');
		const inputs = await person.page.$$('input[type="file"]');
		expect(inputs.length).toBeGreaterThan(0);
		await (inputs[0] as import('puppeteer-core').ElementHandle<HTMLInputElement>).uploadFile(photo('hanging.png'));
		await person.reads(/Tap its rear end/);
		// The picture is really there: it has the photograph's grey, and its shape.
		const painted = await person.page.$eval('[data-testid="photo"] canvas', (canvas) => {
			const { width, height } = canvas as HTMLCanvasElement;
			const pixel = (canvas as HTMLCanvasElement).getContext('2d')!.getImageData(width / 2, height / 2, 1, 1).data;
			return [width, height, pixel[0]];
		});
		expect(painted).toEqual([320, 240, 120]);
		if (way === 'keys') return;
		const box = (await (await person.page.$('[data-testid="photo"]'))!.boundingBox())!;
		const tap = async (x: number, y: number) => {
			if (way === 'thumb') await person.page.touchscreen.tap(box.x + x, box.y + y);
			else await person.page.mouse.click(box.x + x, box.y + y);
		};
		await person.page.$eval('[data-testid="photo"]', (photo) => photo.scrollIntoView({ block: 'center' }));
		const at = (await (await person.page.$('[data-testid="photo"]'))!.boundingBox())!;
		[box.x, box.y] = [at.x, at.y];
		// Rear low, front high: the front end is turned up by 45°, which is counter-clockwise and positive.
		await tap(40, 120);
		await person.reads(/Now its front end/);
		await tap(100, 60);
		await person.reads(/Read\./);
		const turned = await person.page.$$eval('input', (all) => all.map(({ value }) => value));
		expect(turned.some((value) => Math.abs(Number(value) - 45) < 1)).toBe(true);
		await (inputs[0] as import('puppeteer-core').ElementHandle<HTMLInputElement>).uploadFile(
			(writeFileSync(join(files, 'torn.png'), 'not a picture'), join(files, 'torn.png'))
		);
		await person.reads(/cannot read “torn\.png”/);
	});

	it('prints every swap sheet on both papers with every column, and the crane’s sheet', async () => {
		const printed = async (testId: string) => {
			const href = await person.page.$eval(`[data-testid="${testId}"]`, (link) => (link as HTMLAnchorElement).href);
			const response = await fetch(href);
			expect(response.headers.get('content-type')).toBe('application/pdf');
			const path = join(files, `${testId}.pdf`);
			writeFileSync(path, Buffer.from(await response.arrayBuffer()));
			const told = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
			return { told, size: execFileSync('pdfinfo', [path], { encoding: 'utf8' }) };
		};
		const papers = { 'pdf-A4': /841\.89|595\.28/, 'pdf-LETTER': /792|612/ } as const;
		for (const [kind, columns] of [
			['Gimbals', ['mass', 'Plate', 'Cradle', 'Crossbar', 'Pan arm']],
			['Sleds', ['mass', 'clamp', 'knob', 'side knob', 'gimbal']],
			['Cranes', ['mass', 'plates', 'trim behind the pivot']]
		] as const) {
			if (kind === 'Gimbals') {
				await person.press(/Payload$/, 'header');
				await person.press('Swap sheet', 'nav');
			} else {
				await person.press('Choose payload and support', 'header');
				await person.arrives(/^\/balance$/);
				await person.press(/./, onBench(kind));
				await person.arrives(benches[kind]);
				await person.press('Swap', 'nav');
			}
			await person.arrives(/\/swap$/);
			if (kind === 'Gimbals') {
				// The one on the bench is offered first.
				await person.picks(/^On/, /Small single-handed gimbal/);
				await person.reads(/on Small single-handed gimbal/);
			}
			for (const [testId, size] of Object.entries(papers)) {
				const sheet = await printed(testId);
				expect(sheet.size).toMatch(size);
				for (const column of columns) expect(sheet.told).toContain(column);
				expect(sheet.told).toMatch(/Swap sheet/);
				// No chrome of the page: neither day line nor person nor buttons.
				expect(sheet.told).not.toMatch(/Logbook|Shelf|Also with|mm · g/);
			}
		}
		await person.press('Weights', 'nav');
		await person.arrives(benches.Cranes);
		for (let slips = 0; slips < 3 && (await person.offers(/^(It is done|All \d are done)$/)); slips += 1)
			await person.press(/^(It is done|All \d are done)$/);
		const sheet = await printed('print');
		expect(sheet.told).toMatch(/Crane sheet|Hang/);
		expect(sheet.told).toMatch(/of sail/);
		expect(readFileSync(join(files, 'print.pdf')).length).toBeGreaterThan(5000);
	});

	it('leaves no chrome on paper where the browser itself prints', async () => {
		await person.press(/Logbook$/, 'header');
		await person.arrives(/^\/logbook$/);
		await person.press(/Compact body/, 'ol');
		await person.arrives(/^\/logbook\/[0-9a-f-]{36}$/);
		for (const format of ['A4', 'Letter'] as const) {
			const path = join(files, `record-${format}.pdf`);
			await person.page.pdf({ path, format });
			const told = execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' });
			expect(told).toMatch(/Compact body/);
			expect(told).not.toMatch(/Shelf|mm · g|Who is working/);
		}
	});

	it('works in inches and pounds throughout, and back', async () => {
		await person.press(/^Units:/, 'header');
		await person.reads(/in · lb/, 'header');
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.reads(/0\.88 lb to 4\.41 lb/);
		await person.press(/./, onBench('Cranes'));
		await person.arrives(benches.Cranes);
		expect(await person.words('.slip')).not.toMatch(/\d (mm|kg|g)\b/);
		await person.press(/^Units:/, 'header');
		await person.reads(/mm · g/, 'header');
	});
});

describe('a crew whose server goes away', () => {
	let crew: Crew;
	let person: Person;
	beforeAll(async () => {
		crew = await crewWith('demo');
		person = await crew.person('mouse');
		person.expects = /ERR_CONNECTION_REFUSED|ERR_EMPTY_RESPONSE|ERR_CONNECTION_RESET|Failed to fetch|status of 50\d/;
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('follows a link, is told to wait on the page that is open, keeps what is typed, and arrives when it is back', async () => {
		await person.press(/Compact body, wide zoom/, 'main');
		await person.arrives(/^\/payload\/[0-9a-f-]{36}$/);
		const at = person.path;
		await crew.away(async () => {
			await person.types('Name of the payload', 'Typed while away');
			const link = await person.page.$('header a[href="/logbook"]');
			await link!.click();
			await person.page.waitForSelector('[data-testid="away"]', { timeout: 15_000 });
			expect(person.path).toBe(at);
			expect(await person.words('[data-testid="away"]')).toMatch(/Waiting for the server.*kept in this browser/);
			await person.press('Stay on this page', '[data-testid="away"]');
			expect(await person.page.$('[data-testid="away"]')).toBeNull();
			expect(await person.page.$eval('#payload-name', (field) => (field as HTMLInputElement).value)).toBe(
				'Typed while away'
			);
			await link!.click();
			await person.page.waitForSelector('[data-testid="away"]', { timeout: 15_000 });
		});
		await person.arrives(/^\/logbook$/);
		await person.page.waitForFunction(
			async () =>
				((await (await fetch('/api/payloads')).json()) as { name: string }[]).some(
					({ name }) => name === 'Typed while away'
				),
			{ timeout: 15_000 }
		);
	});
});
