import { randomUUID } from 'node:crypto';
import postgres from 'postgres';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Application, PortTaken, startApplication } from '../../scripts/application.mjs';
import { filled } from '../../scripts/ground.mjs';
import { freeUdpPort, type Heads, startHeads } from '../../scripts/heads.mjs';
import { freePort } from '../../scripts/postgres.mjs';

/** How many rounds of a loss are tried: all of them with `./poise test --long`, else enough to see that it holds. */
export const rounds = (all: number, some: number): number => (process.env.POISE_LONG === '1' ? all : some);

/** A built application with a database of its own on the test cluster, filled with the demo scenario. */
export interface Served {
	readonly origin: string;
	readonly databaseUrl: string;
	/** Kills the process without a word, as a power cut would, and starts it again on the same database. */
	killAndRestart(): Promise<void>;
	/** Runs something while nothing listens on its address, then starts it again. */
	away(work: () => Promise<void>): Promise<void>;
	/** Kills the process without a word, and leaves it dead. */
	kill(): void;
	/** The process of the simulated heads; only where they were asked for. */
	readonly heads: Heads | null;
	/** Another process of the application, on the same database. */
	another(env?: Record<string, string>): Promise<Application>;
	stop(): Promise<void>;
}

/** An empty database, or a copy of one that is filled. */
async function newDatabase(cluster: string, copied: (typeof filled)[number] | undefined): Promise<string> {
	const name = `test_${randomUUID().replaceAll('-', '')}`;
	const admin = postgres(cluster, { max: 1, onnotice: () => {} });
	await admin.unsafe(`create database ${name}${copied === undefined ? '' : ` template filled_${copied}`}`);
	await admin.end();
	return cluster.replace(/[^/]+$/, name);
}

/** Two lanes look for ports at once: whoever comes second looks again. */
export async function onFreePort(settings: Omit<Parameters<typeof startApplication>[0], 'port'>): Promise<Application> {
	for (let tries = 0; ; tries += 1) {
		const port = await freePort(26_100 + Math.floor(Math.random() * 800));
		try {
			return await startApplication({ ...settings, port });
		} catch (thrown) {
			if (tries > 4 || !(thrown instanceof PortTaken)) throw thrown;
		}
	}
}

/** `heads`: with the process of simulated heads beside it, claimed already or not. */
export async function serve(
	env: Record<string, string> = {},
	{ heads: withHeads = null }: { readonly heads?: 'claimed' | 'free' | null } = {}
): Promise<Served> {
	const cluster = process.env.POISE_TEST_DATABASE;
	if (!cluster) throw new Error('POISE_TEST_DATABASE is not set; run ./poise test --only served');
	const scenario = env.POISE_SCENARIO ?? 'demo';
	// A copy of what the run has filled once; claimed heads are of the demo's own loading, and are filled anew.
	const copied = withHeads === 'claimed' ? undefined : filled.find((each) => each === scenario);
	const databaseUrl = await newDatabase(cluster, copied);
	const heads =
		withHeads === null
			? null
			: await startHeads({ folder: mkdtempSync(path.join(tmpdir(), 'heads-')), claimed: withHeads === 'claimed' });
	const live = heads?.env ?? { POISE_HEADS_PORT: String(await freeUdpPort()) };
	const quiet = process.env.POISE_TEST_LOUD === undefined;
	const settings = { databaseUrl, quiet, env: { ...live, ...env } };
	let application = await onFreePort(settings);
	const port = Number(new URL(application.origin).port);
	const start = () => startApplication({ ...settings, port });
	return {
		origin: application.origin,
		databaseUrl,
		killAndRestart: async () => {
			application.process.kill('SIGKILL');
			await application.stop();
			application = await start();
		},
		away: async (work) => {
			await application.stop();
			try {
				await work();
			} finally {
				application = await start();
			}
		},
		kill: () => void application.process.kill('SIGKILL'),
		heads,
		another: (more = {}) => onFreePort({ databaseUrl, quiet: true, env: { ...settings.env, ...more } }),
		stop: async () => {
			await application.stop();
			await heads?.stop();
		}
	};
}

export interface Answer {
	readonly status: number;
	// The tests read answers by the fields they are about; each assertion is the check.
	// eslint-disable-next-line @typescript-eslint/no-explicit-any
	readonly body: any;
	readonly headers: Headers;
}

export async function send(
	origin: string,
	method: string,
	path: string,
	body?: unknown,
	headers: Record<string, string> = {}
): Promise<Answer> {
	const response = await fetch(origin + path, {
		method,
		headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
		...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) })
	});
	const text = await response.text();
	return { status: response.status, body: text === '' ? null : JSON.parse(text), headers: response.headers };
}
