import { spawn } from 'node:child_process';
import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './application.mjs';
import { startBrowser } from './browser.mjs';
import { freeUdpPort } from './heads.mjs';
import { freePort, startThrowAwayCluster } from './postgres.mjs';
import { needBuild, needPackage, postgresBin } from './prerequisites.mjs';
import { step } from './steps.mjs';

/** What every database of the tests is a copy of: the crew of the demo, and a crew that owns nothing. */
export const filled = /** @type {const} */ (['demo', 'empty']);

/**
 * What the tests against the built application stand on, made once a run: a cluster, a filled database to copy for each crew,
 * and one browser. Whoever tests finds them by `env` (`web/tests/application.ts`, `web/tests/browser.ts`).
 * @returns {Promise<{ env: Record<string, string>, stop: () => Promise<void> }>}
 */
export async function layGround({ browser: withBrowser = true } = {}) {
	for (const name of /** @type {const} */ (['postgresql', 'chromium', 'poppler-utils'])) await needPackage(name);
	await needBuild();
	const cluster = await startThrowAwayCluster();
	await step('Filling what the tests copy', async () => {
		for (const scenario of filled) await fill(cluster.address, scenario);
	});
	const browser = withBrowser ? await startBrowser() : null;
	return {
		env: {
			POISE_TEST_DATABASE: cluster.address,
			...(browser === null ? {} : { POISE_TEST_BROWSER: browser.browser.wsEndpoint() })
		},
		stop: async () => {
			await browser?.stop();
			await cluster.stop();
		}
	};
}

/** A database as the application leaves it after its first start. */
async function fill(/** @type {string} */ cluster, /** @type {string} */ scenario) {
	const name = `filled_${scenario}`;
	await sql(cluster, `create database ${name}`);
	const application = await startApplication({
		databaseUrl: cluster.replace(/[^/]+$/, name),
		port: await freePort(26_000),
		quiet: true,
		env: { POISE_SCENARIO: scenario, POISE_HEADS_PORT: String(await freeUdpPort()) }
	});
	await application.stop();
	// A database is copied while nobody is in it, and nobody can come in any more.
	await sql(cluster, `alter database ${name} with allow_connections false`);
	await sql(cluster, `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}'`);
}

/** @returns {Promise<void>} */
function sql(/** @type {string} */ address, /** @type {string} */ statement) {
	return new Promise((resolve, reject) => {
		const child = spawn(join(String(postgresBin()), 'psql'), [address, '-qtAc', statement], { stdio: 'ignore' });
		child.once('error', reject);
		child.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`${statement} was refused.`))));
	});
}

/**
 * Counts how many servers and browsers something starts: they are most of what a run costs.
 * @returns {{ env: Record<string, string>, counted: () => { server: number, browser: number } }}
 */
export function countStarts() {
	const folder = mkdtempSync(join(tmpdir(), 'poise-starts-'));
	const file = join(folder, 'starts');
	appendFileSync(file, '');
	return {
		env: { POISE_STARTS: file },
		counted: () => {
			const started = readFileSync(file, 'utf8').split('\n');
			rmSync(folder, { recursive: true });
			const of = (/** @type {string} */ what) => started.filter((each) => each === what).length;
			return { server: of('server'), browser: of('browser') };
		}
	};
}
