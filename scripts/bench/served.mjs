/* eslint-disable max-lines -- one figure a function, each on the built application. */
import { randomUUID } from 'node:crypto';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { startBrowser } from '../browser.mjs';
import { root } from '../places.mjs';

/** Figures of the running application; each prints one JSON line. */

const print = (/** @type {string} */ figure, /** @type {object} */ values) =>
	console.log(JSON.stringify({ figure, ...values }));
const sorted = (/** @type {number[]} */ values) => [...values].sort((a, b) => a - b);
const share = (/** @type {number[]} */ values, /** @type {number} */ part) =>
	Number(sorted(values)[Math.min(values.length - 1, Math.floor(values.length * part))].toPrecision(3));
const spread = (/** @type {number[]} */ values) => ({
	p50: share(values, 0.5),
	p95: share(values, 0.95),
	p99: share(values, 0.99),
	max: share(values, 1),
	count: values.length
});

/** Saves of a whole payload through the server, beside bare INSERTs through the same driver, taken in turns. */
export async function savesBesideInserts(/** @type {string} */ origin, /** @type {string} */ databaseUrl) {
	const require = createRequire(join(root, 'web', 'package.json'));
	const { default: pg } = await import(pathToFileURL(require.resolve('pg')).href);
	const client = new pg.Client({ connectionString: databaseUrl });
	await client.connect();
	await client.query('create table bench_rows (id uuid primary key, body jsonb not null)');
	const payloads = await (await fetch(`${origin}/api/payloads`)).json();
	let payload = payloads.find((/** @type {{ placements: unknown[] }} */ each) => each.placements.length >= 7);

	/** @type {number[]} */
	const saves = [];
	/** @type {number[]} */
	const inserts = [];
	for (let round = 0; round < 420; round += 1) {
		const { name, platePartId, placements, version } = payload;
		const body = { name, platePartId, placements, version };
		const beforeSave = performance.now();
		const response = await fetch(`${origin}/api/payloads/${payload.id}`, {
			method: 'PUT',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		});
		payload = await response.json();
		const afterSave = performance.now();
		if (!response.ok) throw new Error(JSON.stringify(payload));
		await client.query('insert into bench_rows (id, body) values ($1, $2)', [randomUUID(), JSON.stringify(body)]);
		const afterInsert = performance.now();
		// The first twenty warm both sides up.
		if (round < 20) continue;
		saves.push(afterSave - beforeSave);
		inserts.push(afterInsert - afterSave);
	}
	await client.query('drop table bench_rows');
	await client.end();
	print('server save of a payload of 7 parts', { unit: 'ms', ...spread(saves) });
	print('bare INSERT through the same driver', { unit: 'ms', ...spread(inserts) });
}

/**
 * From a pointer's move to the figures on the page and to the painted frame, while something is dragged. `watched` is what
 * each move changes, `handle` what is pulled, `way` where to, from its middle, step by step.
 *
 * @param {string} figure
 * @param {string} address
 * @param {{ watched: string, handle: string, way: (step: number) => readonly [number, number], slower?: number }} dragged
 */
async function drag(figure, address, { watched, handle, way, slower = 1 }) {
	const { browser, stop } = await startBrowser();
	try {
		const page = await browser.newPage();
		await page.setViewport({ width: 1280, height: 800 });
		await page.goto(address);
		await page.waitForSelector('main[data-hydrated="true"]');
		await page.waitForSelector(watched);
		if (slower > 1) {
			await page.emulateCPUThrottling(slower);
			await new Promise((resolve) => setTimeout(resolve, 3000));
		}
		await page.evaluate((selector) => {
			const times = /** @type {{ script: number[], frame: number[] }} */ ({ script: [], frame: [] });
			Object.assign(window, { times });
			let moved = 0;
			addEventListener('pointermove', () => (moved = performance.now()), { capture: true });
			const shown = /** @type {Element} */ (document.querySelector(selector));
			new MutationObserver(() => {
				if (moved === 0) return;
				const start = moved;
				moved = 0;
				times.script.push(performance.now() - start);
				// The task after the next frame callback starts once style, layout and paint are done.
				requestAnimationFrame(() => {
					const { port1, port2 } = new MessageChannel();
					port1.onmessage = () => times.frame.push(performance.now() - start);
					port2.postMessage(null);
				});
			}).observe(shown, { characterData: true, subtree: true, childList: true, attributes: true });
		}, watched);
		const pulled = await page.waitForSelector(handle);
		const box = /** @type {import('puppeteer-core').BoundingBox} */ (await pulled?.boundingBox());
		const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
		await page.mouse.move(x, y);
		await page.mouse.down();
		for (let step = 0; step < 240; step += 1) {
			const [dx, dy] = way(step);
			await page.mouse.move(x + dx, y + dy);
		}
		await page.mouse.up();
		const { script, frame } = await page.evaluate(
			() => /** @type {{ times: { script: number[], frame: number[] } }} */ (/** @type {unknown} */ (window)).times
		);
		if (script.length < 60) throw new Error(`${figure}: the drag moved nothing that was watched.`);
		print(`${figure}: pointer move to updated figures`, {
			unit: 'ms',
			budget: slower > 1 ? 33 : 16,
			...spread(script.slice(10))
		});
		print(`${figure}: pointer move to painted frame, waiting for the frame included`, {
			unit: 'ms',
			...spread(frame.slice(10))
		});
	} finally {
		await stop();
	}
}

/** A part on a payload, and the nose of a crane. */
export async function dragLatency(/** @type {string} */ origin) {
	const get = async (/** @type {string} */ path) => (await fetch(origin + path)).json();
	const [payloads, cranes] = [await get('/api/payloads'), await get('/api/supports/crane')];
	const payload = payloads.find((/** @type {{ placements: unknown[] }} */ each) => each.placements.length >= 7);
	await drag('drag', `${origin}/payload/${payload.id}`, {
		watched: '[data-testid="cg"]',
		handle: '[data-part="Cine body"][data-view="side"]',
		way: (step) => [40 * Math.sin(step / 9), 12 * Math.cos(step / 7)]
	});
	const crane = cranes.find((/** @type {{ name: string }} */ { name }) => name.includes('Hall'));
	await drag('drag of a crane’s nose', `${origin}/balance/crane/${crane.id}/${payload.id}`, {
		watched: '[data-testid="nose"]',
		handle: '[data-testid="nose"]',
		way: (step) => [0, -60 * Math.sin(step / 9)]
	});
}

/** A setting of Feel: from the pointer's move to hand, camera, picture and curve, at full speed and at a quarter of it. */
export async function dragOfSetting(/** @type {string} */ origin) {
	const get = async (/** @type {string} */ path) => (await fetch(origin + path)).json();
	const [payloads, gimbals] = [await get('/api/payloads'), await get('/api/supports/gimbal')];
	const on = (/** @type {{ name: string }[]} */ list, /** @type {string} */ word) =>
		/** @type {{ id: string }} */ (/** @type {unknown} */ (list.find(({ name }) => name.includes(word)))).id;
	const address = `${origin}/feel/${on(gimbals, 'Large')}/${on(payloads, '25–120')}`;
	for (const slower of [1, 4])
		await drag(`drag of a setting of Feel${slower > 1 ? ' at a quarter of the speed' : ''}`, address, {
			watched: '[data-testid="hands"]',
			handle: '[data-testid="setting-follow"]',
			way: (step) => [60 * Math.sin(step / 9), 0],
			slower
		});
}

/** The camera of a crane's move at its knot: from the pointer's move to picture, bands and figures, at full speed and at a quarter of it. */
export async function dragOfMove(/** @type {string} */ origin) {
	const moves = await (await fetch(`${origin}/api/moves`)).json();
	const { id } = moves.find((/** @type {{ move: { name: string } }} */ { move }) => move.name.startsWith('Salute'));
	for (const slower of [1, 4])
		await drag(`drag of a move's camera${slower > 1 ? ' at a quarter of the speed' : ''}`, `${origin}/moves/${id}`, {
			watched: '[data-testid="stage"] .way',
			handle: '[data-testid="camera"]',
			way: (step) => [30 * Math.sin(step / 9), 12 * Math.cos(step / 7)],
			slower
		});
}

/** The picture of a move that is played: frames a second, and how long its drawing takes of each. */
export async function playOfMove(/** @type {string} */ origin) {
	const moves = await (await fetch(`${origin}/api/moves`)).json();
	const { id } = moves.find((/** @type {{ move: { name: string } }} */ { move }) => move.name.startsWith('Salute'));
	const { browser, stop } = await startBrowser();
	try {
		const page = await browser.newPage();
		await page.setViewport({ width: 1280, height: 800 });
		await page.goto(`${origin}/moves/${id}`);
		await page.waitForSelector('canvas[data-drawn="true"]');
		await new Promise((resolve) => setTimeout(resolve, 1500));
		await page.click('[data-testid="play"]');
		const frames = await page.evaluate(
			() =>
				/** @type {Promise<number>} */ (
					new Promise((resolve) => {
						let count = 0;
						const start = performance.now();
						const tick = (/** @type {number} */ now) => {
							count += 1;
							if (now - start > 4000) resolve((count / (now - start)) * 1000);
							else requestAnimationFrame(tick);
						};
						requestAnimationFrame(tick);
					})
				)
		);
		const renderer = await page.evaluate(() => {
			const context = document.createElement('canvas').getContext('webgl2');
			const told = context?.getExtension('WEBGL_debug_renderer_info');
			return told == null ? 'unknown' : String(context?.getParameter(told.UNMASKED_RENDERER_WEBGL));
		});
		print('picture of a move that plays', {
			unit: 'frames a second',
			budget: 50,
			median: Math.round(frames),
			drawn: /swiftshader|llvmpipe|software/i.test(renderer) ? 'in software' : 'by the machine'
		});
	} finally {
		await stop();
	}
}

/**
 * What a slow machine feels: the same drag of a part with the processor at a quarter of its speed, as the browser's own long
 * tasks, from the press to the release.
 */
export async function dragOnSlowMachine(/** @type {string} */ origin) {
	const payloads = await (await fetch(`${origin}/api/payloads`)).json();
	const payload = payloads.find((/** @type {{ placements: unknown[] }} */ each) => each.placements.length >= 7);
	const { browser, stop } = await startBrowser();
	try {
		const page = await browser.newPage();
		await page.setViewport({ width: 1280, height: 800 });
		await page.goto(`${origin}/payload/${payload.id}`);
		await page.waitForSelector('main[data-hydrated="true"]');
		await page.emulateCPUThrottling(4);
		await new Promise((resolve) => setTimeout(resolve, 3000));
		const pulled = await page.waitForSelector('[data-part="Cine body"][data-view="side"]');
		const box = /** @type {import('puppeteer-core').BoundingBox} */ (await pulled?.boundingBox());
		const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
		await page.mouse.move(x, y);
		await page.evaluate(() => {
			const tasks = /** @type {number[]} */ ([]);
			Object.assign(window, { tasks });
			new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => tasks.push(duration))).observe({
				type: 'longtask'
			});
		});
		await page.mouse.down();
		for (let step = 0; step < 120; step += 1) {
			await page.mouse.move(x + 40 * Math.sin(step / 9), y + 12 * Math.cos(step / 7));
			await new Promise((resolve) => setTimeout(resolve, 16));
		}
		await page.mouse.up();
		await new Promise((resolve) => setTimeout(resolve, 2000));
		const tasks = await page.evaluate(() => /** @type {{ tasks: number[] }} */ (/** @type {unknown} */ (window)).tasks);
		print('drag at a quarter of the speed: tasks over 50 ms', {
			unit: 'ms',
			count: tasks.length,
			worst: Math.max(0, ...tasks),
			all: tasks
		});
	} finally {
		await stop();
	}
}

/** JavaScript that a first visit to each route loads, gzip. */
export async function firstLoads(/** @type {string} */ origin) {
	const get = async (/** @type {string} */ path) => (await fetch(origin + path)).json();
	const [payloads, rigs, logged] = [
		await get('/api/payloads'),
		await get('/api/supports/gimbal'),
		await get('/api/balances')
	];
	const routes = {
		'/payload': '/payload',
		'/payload/[id]': `/payload/${payloads[0].id}`,
		'/balance/[rig]/[payload]': `/balance/gimbal/${rigs[0].id}/${payloads[0].id}`,
		'/logbook': '/logbook',
		'/logbook/[id]': `/logbook/${logged[0].id}`,
		'/shelf': '/shelf'
	};
	for (const [route, path] of Object.entries(routes)) {
		const { browser, stop } = await startBrowser();
		const page = await browser.newPage();
		/** @type {Promise<number>[]} */
		const sizes = [];
		page.on('response', (response) => {
			if (!new URL(response.url()).pathname.endsWith('.js')) return;
			sizes.push(response.buffer().then((body) => gzipSync(body).byteLength));
		});
		await page.goto(origin + path, { waitUntil: 'networkidle0' });
		const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
		print(`first-load JavaScript ${route}`, {
			unit: 'kB gzip',
			value: Number((total / 1000).toFixed(1)),
			files: sizes.length
		});
		await stop();
	}
}
