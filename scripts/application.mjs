import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { root } from './places.mjs';
import { Stop } from './steps.mjs';

/**
 * @typedef {{ origin: string, process: import('node:child_process').ChildProcess, stop: () => Promise<void> }} Application
 */

/**
 * Starts the built application and waits until it answers.
 * @param {{ databaseUrl: string, port: number, host?: string, env?: Record<string, string>, quiet?: boolean }} settings
 * @returns {Promise<Application>}
 */
export async function startApplication({ databaseUrl, port, host = '127.0.0.1', env = {}, quiet = false }) {
	const instance = randomUUID();
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
			SHUTDOWN_TIMEOUT: '3',
			POISE_INSTANCE: instance,
			POISE_MIGRATIONS: join(root, 'web', 'drizzle'),
			...env
		}
	});
	let output = '';
	child.stdout?.on('data', (chunk) => (output += chunk));
	child.stderr?.on('data', (chunk) => (output += chunk));
	const ended = new Promise((resolve) => child.once('close', resolve));
	let running = true;
	void ended.then(() => (running = false));

	const reachable = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
	const origin = `http://${reachable}:${port}`;
	const giveUpAt = Date.now() + 30_000;
	while (running && Date.now() < giveUpAt) {
		const health = await fetch(`${origin}/health`, { signal: AbortSignal.timeout(2000) }).catch(() => null);
		const told = health?.ok ? await health.json().catch(() => null) : null;
		// Another program on the port, or another Poise, is not taken for this one.
		if (told?.application === 'poise' && told.instance === instance)
			return {
				origin,
				process: child,
				stop: async () => {
					if (running) child.kill('SIGTERM');
					await ended;
				}
			};
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	child.kill('SIGKILL');
	if (output.includes('EADDRINUSE'))
		throw new Stop(`Another program has taken port ${port} in the meantime. Start again; a free one is chosen.`);
	throw new Stop(`The application did not start.${output === '' ? '' : `\n${output.slice(-4000)}`}`);
}
