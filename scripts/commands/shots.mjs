import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../application.mjs';
import { startBrowser } from '../browser.mjs';
import { startHeads } from '../heads.mjs';
import { root } from '../places.mjs';
import { freePort, startThrowAwayCluster } from '../postgres.mjs';
import { needBuild, needModules, needPackage } from '../prerequisites.mjs';
import { step } from '../steps.mjs';

const folder = join(root, 'docs', 'screenshots');

/** Every picture of docs/screenshots, from the demo data alone, so that anyone gets the same ones. */
export default async function shots() {
	await needModules();
	await needPackage('postgresql');
	await needPackage('chromium');
	await needBuild();
	const cluster = await startThrowAwayCluster();
	const heads = await startHeads({ folder: mkdtempSync(join(tmpdir(), 'heads-')) });
	const application = await startApplication({
		databaseUrl: cluster.address,
		port: await freePort(26_000),
		env: heads.env,
		quiet: true
	});
	const { browser, stop } = await startBrowser();
	try {
		mkdirSync(folder, { recursive: true });
		for (const old of readdirSync(folder)) if (old.endsWith('.png')) rmSync(join(folder, old));
		const { origin } = application;
		const get = async (/** @type {string} */ path) => (await fetch(origin + path)).json();
		const idOf = (/** @type {{ id: string, name: string }[]} */ list, /** @type {string} */ word) =>
			/** @type {{ id: string }} */ (list.find(({ name }) => name.includes(word))).id;
		const [payloads, rigs, log] = [
			await get('/api/payloads'),
			await get('/api/supports/gimbal'),
			await get('/api/balances')
		];
		const [sleds, cranes] = [await get('/api/supports/sled'), await get('/api/supports/crane')];
		const [small, large] = [idOf(rigs, 'Small'), idOf(rigs, 'Large')];
		const [wide, cine] = [idOf(payloads, 'wide'), idOf(payloads, 'Cine')];
		const screenOut = idOf(payloads, 'screen');
		const [heavy, light] = [idOf(sleds, 'Heavy'), idOf(sleds, 'Light')];
		const hall = `/balance/crane/${idOf(cranes, 'Hall')}/${cine}`;
		const onSled = `/balance/sled/${heavy}/${cine}`;
		const oldest = log.filter((/** @type {{ kind: string }} */ { kind }) => kind === 'gimbal').at(-1).id;

		/** @type {import('puppeteer-core').Page} */
		const page = await browser.newPage();
		const take = async (
			/** @type {string} */ name,
			/** @type {string} */ path,
			/** @type {{ phone?: boolean, theme?: string, before?: () => Promise<unknown> }} */ {
				phone = false,
				theme = 'day',
				before
			} = {}
		) =>
			step(`Picture of ${name}`, async () => {
				await fetch(`${origin}/api/me`, {
					method: 'PATCH',
					headers: { 'content-type': 'application/json' },
					body: JSON.stringify({ theme })
				});
				await page.setViewport(
					phone ? { width: 390, height: 844, isMobile: true, hasTouch: true } : { width: 1280, height: 800 }
				);
				await page.goto(origin + path, { waitUntil: 'networkidle0' });
				await page.waitForSelector('main[data-hydrated="true"]');
				await before?.();
				await page.evaluate(() => document.fonts.ready);
				// A bubble takes half a second to come to rest.
				await new Promise((resolve) => setTimeout(resolve, 900));
				await page.screenshot({ path: join(folder, `${name}.png`) });
			});
		const click =
			(/** @type {string[]} */ ...selectors) =>
			async () => {
				for (const selector of selectors) await page.click(selector);
			};
		const accept = (/** @type {number} */ times) => async () => {
			for (let count = 0; count < times; count += 1) await page.click('[data-testid="accept"]');
		};

		await take('payload-cine', `/payload/${cine}`, {
			before: click('[data-part="Cine zoom 25–120"][data-view="side"]')
		});
		await take('balance-day', `/balance/gimbal/${small}/${wide}`);
		await take('balance-house', `/balance/gimbal/${large}/${cine}`, { theme: 'house', before: accept(2) });
		await take('guide-phone', `/balance/gimbal/${small}/${screenOut}/guide`, {
			phone: true,
			before: click('[data-testid="motors-off"]')
		});
		await take('sled-bench', onSled);
		await take('sled-drop-phone', `/balance/sled/${light}/${wide}/drop`, { phone: true });
		await take('crane-weights', hall, { before: accept(1) });
		await take('crane-stability', `${hall}/stand`, { theme: 'house' });
		await take('crane-venue', `${hall}/venue`, {
			before: async () => {
				await page.select('[data-testid="venue"]', idOf(await get('/api/venues'), 'Tidewater'));
				for (const [field, value] of [
					['at-x', '8'],
					['at-y', '4.5']
				]) {
					const place = await page.waitForSelector(`[data-testid="${field}"]`);
					await place?.click({ count: 3 });
					await page.type(`[data-testid="${field}"]`, String(value));
				}
				await page.keyboard.press('Tab');
				await page.waitForSelector('[data-testid="set-limits"]:not([disabled])');
			}
		});
		const found = () => page.waitForSelector('.slip [data-testid="binding"]');
		await take('feel-day', `/feel/${large}/${cine}`, { before: found });
		await take('feel-stiffness', `/feel/${large}/${cine}/stiffness`, { theme: 'house' });
		await take('feel-phone', `/feel/${small}/${wide}`, { phone: true, before: found });
		const moves = await get('/api/moves');
		const moveOf = (/** @type {string} */ word) =>
			moves.find((/** @type {{ move: { name: string } }} */ { move }) => move.name.startsWith(word)).id;
		/** Tried against the room, at one of its knots. */
		const atKnot = (/** @type {string} */ knot) => async () => {
			await page.waitForSelector('canvas[data-drawn="true"]');
			await page.waitForSelector('[data-testid="clear-state"][data-state="tried"]');
			await page.evaluate((id) => {
				const element = document.querySelector(`[data-testid="knot-${id}"]`);
				element?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
			}, knot);
			await new Promise((resolve) => setTimeout(resolve, 900));
		};
		/** A head in hand, its link known, and one of its shots picked. */
		const inHand = (/** @type {string} */ head, /** @type {'1' | '2'} */ key) => async () => {
			await page.waitForSelector(`[data-head="${head}"][data-link="here"]`);
			await page.$eval(`[data-head="${head}"] button`, (each) => /** @type {HTMLElement} */ (each).click());
			await page.waitForSelector('[data-testid="take-it"]');
			await page.$eval('[data-testid="take-it"]', (each) => /** @type {HTMLElement} */ (each).click());
			await page.waitForFunction(() => document.querySelector('[data-testid="hold"]')?.textContent?.includes('Let go'));
			await page.keyboard.press(key);
			await page.waitForFunction(() =>
				document.querySelector('[data-testid="live-answer"]')?.textContent?.includes('Hold to move')
			);
		};
		await take('live-house', '/live', {
			theme: 'house',
			before: async () => {
				await inHand('h-202', '2')();
				await page.keyboard.down('Space');
				await page.waitForSelector('[data-testid="hold"][data-state="held"]');
			}
		});
		await page.keyboard.up('Space');
		await take('live-phone', '/live', { phone: true, theme: 'house', before: inHand('h-203', '1') });
		await take('moves-day', `/moves/${moveOf('Salute')}`, { before: atKnot('k2') });
		await take('moves-slider', `/moves/${moveOf('Hold')}`, { theme: 'house', before: atKnot('k2') });
		await take('measure', `/payload/${wide}/measure`, { before: click('[data-testid="way-scales"]') });
		await take('logbook', '/logbook');
		await take('logbook-compare', `/logbook/${oldest}?with=${wide}`);
		console.log(`Pictures are in docs/screenshots.`);
	} finally {
		await stop();
		await application.stop();
		await heads.stop();
		await cluster.stop();
	}
}
