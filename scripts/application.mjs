import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { root } from './places.mjs';
import { isFree } from './postgres.mjs';
import { noteStart, Stop } from './steps.mjs';

/** Somebody else was first on the port. */
export class PortTaken extends Stop {}

/**
 * @typedef {{ origin: string, process: import('node:child_process').ChildProcess, ended: Promise<unknown>, stop: () => Promise<void> }} Application
 */
/** So long a busy machine is given to start, and so long it is given to end. */
const [startMs, endMs] = [120_000, 3200];

/**
 * Starts the built application and waits until it answers.
 * @param {{ databaseUrl: string, port: number, host?: string, env?: Record<string, string>, quiet?: boolean, signal?: AbortSignal }} settings
 * @returns {Promise<Application>}
 */
export async function startApplication({ databaseUrl, port, host = '127.0.0.1', env = {}, quiet = false, signal }) {
	const instance = randomUUID();
	noteStart('server');
	const child = spawn(process.execPath, ['serve.mjs'], {
		cwd: join(root, 'web'),
		// Over the channel it hears when whoever started it is gone, and ends too: nothing is left behind on the port.
		stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit', 'ipc'],
		env: {
			...process.env,
			NODE_ENV: 'production',
			DATABASE_URL: databaseUrl,
			HOST: host,
			PORT: String(port),
			// The application counts the bytes itself, to answer in its own words.
			BODY_SIZE_LIMIT: 'Infinity',
			SHUTDOWN_TIMEOUT: '2',
			POISE_INSTANCE: instance,
			POISE_MIGRATIONS: join(root, 'web', 'drizzle'),
			...env
		}
	});
	let output = '';
	child.stdout?.on('data', (chunk) => (output += chunk));
	child.stderr?.on('data', (chunk) => (output += chunk));
	const ended = new Promise((resolve) => child.once('close', (code, how) => resolve(how ?? code)));
	let running = true;
	void ended.then(() => (running = false));

	const reachable = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
	const origin = `http://${reachable}:${port}`;
	const giveUpAt = Date.now() + startMs;
	while (running && Date.now() < giveUpAt && signal?.aborted !== true) {
		const health = await fetch(`${origin}/health`, { signal: AbortSignal.timeout(2000) }).catch(() => null);
		const told = health?.ok ? await health.json().catch(() => null) : null;
		// Another program on the port, or another Poise, is not taken for this one.
		if (told?.application === 'poise' && told.instance === instance)
			return {
				origin,
				process: child,
				ended,
				stop: async () => {
					if (running) child.kill('SIGTERM');
					const late = setTimeout(() => child.kill('SIGKILL'), endMs);
					await ended;
					clearTimeout(late);
				}
			};
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	child.kill('SIGKILL');
	await ended;
	// What it said may have gone straight to the terminal: whether somebody sits on the port is asked of the port.
	if (signal?.aborted !== true && (output.includes('EADDRINUSE') || !(await isFree(port, host))))
		throw new PortTaken(`Another program has taken port ${port} in the meantime. Start again; a free one is chosen.`);
	throw new Stop(`The application did not start.${output === '' ? '' : `\n${output.slice(-4000)}`}`);
}
