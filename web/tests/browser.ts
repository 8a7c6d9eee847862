import type { BrowserContext, Page } from 'puppeteer-core';
import { loadPuppeteer, startBrowser } from '../../scripts/browser.mjs';
import { type Served, serve } from './application';

export interface Screen extends Served {
	newPage(width?: number, height?: number): Promise<Page>;
}

/** The run's one browser, for one file: contexts have their own cookies and their own store, and go with the file. */
export interface TestBrowser {
	context(): Promise<BrowserContext>;
	stop(): Promise<void>;
}

/** `its own`: another machine, whose windows take nobody's focus here. */
export async function openBrowser(which: 'shared' | 'its own' = 'shared'): Promise<TestBrowser> {
	const endpoint = which === 'shared' ? process.env.POISE_TEST_BROWSER : undefined;
	const own = endpoint === undefined ? await startBrowser() : null;
	const browser = own?.browser ?? (await (await loadPuppeteer()).connect({ browserWSEndpoint: endpoint as string }));
	const opened: BrowserContext[] = [];
	return {
		context: async () => {
			const context = await browser.createBrowserContext();
			opened.push(context);
			return context;
		},
		stop: async () => {
			for (const context of opened) if (!context.closed) await context.close().catch(() => {});
			if (own === null) await browser.disconnect();
			else await own.stop();
		}
	};
}

/** The application and a browser in front of it. Whatever a page complains about in its console is collected. */
export async function serveScreen(complaints: string[]): Promise<Screen> {
	const [served, { context, stop }] = await Promise.all([serve(), openBrowser()]);
	const window = await context();
	return {
		...served,
		newPage: async (width = 1280, height = 800) => {
			const page = await window.newPage();
			await page.setViewport({ width, height, hasTouch: width < 600, isMobile: width < 600 });
			page.on('pageerror', (thrown) => complaints.push(String(thrown)));
			page.on('console', (message) => {
				const expected = /net::ERR_|status of 4\d\d|WebSocket connection to/.test(message.text());
				if (message.type() === 'error' && !expected) complaints.push(message.text());
			});
			return page;
		},
		stop: async () => {
			await stop();
			await served.stop();
		}
	};
}

/** Goes to an address and waits until the page answers to hands. */
export async function go(page: Page, address: string): Promise<void> {
	await page.goto(address, { waitUntil: 'load' });
	await ready(page);
}

export const ready = (page: Page) => page.waitForSelector('main[data-hydrated="true"]');

export const text = (page: Page, selector: string) =>
	page.$eval(selector, (element) => (element.textContent ?? '').replace(/\s+/g, ' ').trim());

/** Waits until something on the page reads like this. */
export async function waitForText(page: Page, selector: string, wanted: string): Promise<void> {
	await page.waitForFunction(
		(css: string, words: string) =>
			(document.querySelector(css)?.textContent ?? '').replace(/\s+/g, ' ').includes(words),
		{ timeout: 30_000 },
		selector,
		wanted
	);
}

export const waitSaved = (page: Page) => page.waitForSelector('[data-testid="save"][data-state="saved"]');

/** Replaces what stands in a field. */
export async function fill(page: Page, selector: string, value: string): Promise<void> {
	await page.waitForSelector(selector);
	await page.focus(selector);
	await page.$eval(selector, (element) => (element as HTMLInputElement).select());
	await page.keyboard.press('Backspace');
	await page.type(selector, value);
}

/** Drags the middle of an element by so many pixels, in steps as a hand does. */
export async function drag(page: Page, selector: string, dx: number, dy: number): Promise<void> {
	const box = await (await page.waitForSelector(selector))!.boundingBox();
	const [x, y] = [box!.x + box!.width / 2, box!.y + box!.height / 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
	await page.mouse.move(x + dx, y + dy, { steps: 4 });
	await page.mouse.up();
}

/** Every axis of a gimbal that is in place is let go, one after the other, and holds. */
export async function letGoOfAll(page: Page): Promise<void> {
	for (let count = 0; count < 8; count += 1) {
		const answer = await text(page, '.answer');
		if (!/^(Now|Once more,) let go/.test(answer)) return;
		await page.click('[data-testid="holds"]');
		await page.waitForFunction(
			(before: string) => (document.querySelector('.answer')?.textContent ?? '').replace(/\s+/g, ' ').trim() !== before,
			{ timeout: 10_000 },
			answer
		);
	}
}
