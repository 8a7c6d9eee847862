import { startApplication } from '../application.mjs';
import { freePort, startOwnCluster } from '../postgres.mjs';
import { needBuild, needModules } from '../prerequisites.mjs';
import { Stop } from '../steps.mjs';

const defaultPort = 4600;

/** @param {{ port?: string, host?: string, fresh: boolean }} options */
export default async function demo({ port, host = '127.0.0.1', fresh }) {
	const chosen = port === undefined ? undefined : readPort(port);
	if (fresh && process.env.DATABASE_URL)
		throw new Stop('--fresh only throws away the private database. Empty the one at DATABASE_URL yourself.');
	await needModules();
	await needBuild();
	const cluster = process.env.DATABASE_URL ? null : await startOwnCluster({ fresh });
	try {
		const application = await startApplication({
			databaseUrl: process.env.DATABASE_URL ?? /** @type {NonNullable<typeof cluster>} */ (cluster).address,
			port: chosen ?? (await freePort(defaultPort, host)),
			host
		});
		console.log(`\nPoise is at ${application.origin}\nStop it with Ctrl+C.`);
		await untilToldToStop(application);
		await application.stop();
	} finally {
		await cluster?.stop();
	}
	console.log('\nStopped. Everything saved is kept.');
}

export function readPort(/** @type {string} */ text) {
	const port = Number(text);
	if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`--port must be 1 to 65535; got "${text}".`);
	return port;
}

/** Ctrl+C, a polite kill, or the application ending by itself. */
function untilToldToStop(/** @type {import('../application.mjs').Application} */ application) {
	return new Promise((resolve, reject) => {
		for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
			process.once(signal, () => resolve(signal));
		application.process.once('close', (code, signal) =>
			code === 0 || signal === 'SIGINT' || signal === 'SIGTERM'
				? resolve(signal)
				: reject(new Stop(`The application ended by itself (${signal ?? code}).`))
		);
	});
}
