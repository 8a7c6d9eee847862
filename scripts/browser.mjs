import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { root } from './places.mjs';
import { chromiumPath } from './prerequisites.mjs';
import { noteStart, Stop } from './steps.mjs';

/** Resolved from the web workspace, wherever npm has hoisted it. */
export async function loadPuppeteer() {
	const require = createRequire(join(root, 'web', 'package.json'));
	/** @type {import('puppeteer-core').PuppeteerNode} */
	const puppeteer = (await import(pathToFileURL(require.resolve('puppeteer-core')).href)).default;
	return puppeteer;
}

/** Debian's Chromium, headless, with nothing that would reach for the network. */
export async function startBrowser() {
	const executablePath = chromiumPath();
	if (executablePath === null) throw new Stop('Chromium is missing. As root: apt-get install -y chromium');
	noteStart('browser');
	const puppeteer = await loadPuppeteer();
	const userDataDir = mkdtempSync(join(tmpdir(), 'poise-browser-'));
	/** @type {import('puppeteer-core').Browser} */
	const browser = await puppeteer.launch({
		executablePath,
		headless: true,
		userDataDir,
		args: [
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			'--force-color-profile=srgb',
			'--font-render-hinting=none'
		]
	});
	return {
		browser,
		stop: async () => {
			await browser.close();
			rmSync(userDataDir, { recursive: true, force: true });
		}
	};
}
