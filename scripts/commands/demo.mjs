import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../application.mjs';
import { startHeads } from '../heads.mjs';
import { lockCheckout } from '../lock.mjs';
import { state } from '../places.mjs';
import { freePort, isFree, startOwnCluster, whyNot } from '../postgres.mjs';
import { needBuild, needModules } from '../prerequisites.mjs';
import { Stop } from '../steps.mjs';

const defaultPort = 4600;

/** @param {{ port?: string, host?: string, fresh: boolean, empty: boolean }} options */
export default async function demo({ port, host = '127.0.0.1', fresh, empty }) {
	const chosen = port === undefined ? undefined : readPort(port);
	const own = !process.env.DATABASE_URL;
	if (fresh && !own)
		throw new Stop('--fresh only throws away the private database. Empty the one at DATABASE_URL yourself.');
	const lock = own ? lockCheckout('demo') : null;
	try {
		await needHost(host);
		const at = await portFor(chosen, host);
		await needModules();
		await needBuild();
		const cluster = own ? await startOwnCluster({ fresh }) : null;
		try {
			const heads = await startHeads({ folder: join(state, 'heads'), fresh, claimed: !empty });
			const application = await startApplication({
				databaseUrl: process.env.DATABASE_URL ?? /** @type {NonNullable<typeof cluster>} */ (cluster).address,
				port: at,
				host,
				env: { ...heads.env, ...(empty ? { POISE_SCENARIO: 'empty' } : {}) }
			}).catch(async (thrown) => {
				await heads.stop();
				throw thrown;
			});
			lock?.at(application.origin);
			console.log(`\nPoise is at ${application.origin}\nStop it with Ctrl+C.`);
			await untilToldToStop(application);
			await application.stop();
			await heads.stop();
		} finally {
			await cluster?.stop();
		}
	} finally {
		lock?.release();
	}
	console.log('\nStopped. Everything saved is kept.');
}

/** That this machine can be found under that address at all. */
async function needHost(/** @type {string} */ host) {
	const reason = await whyNot(0, host);
	if (reason === null) return;
	const own = Object.values(networkInterfaces()).flatMap((each) => (each ?? []).map(({ address }) => address));
	throw new Stop(
		`This machine cannot be found at ${host} (${reason}). --host takes 0.0.0.0 for all of its addresses, or one of them: ${own.join(', ')}.`
	);
}

/** The port asked for, where it is free; without one asked for, the first that is. */
export async function portFor(/** @type {number | undefined} */ chosen, /** @type {string} */ host) {
	if (chosen !== undefined) {
		if (await isFree(chosen, host)) return chosen;
		const other = await freePort(chosen < 65_000 ? chosen + 1 : defaultPort, host);
		throw new Stop(`Port ${chosen} is in use by another program. ${other} is free: ./poise demo --port ${other}`);
	}
	const found = await freePort(defaultPort, host);
	if (found !== defaultPort) console.log(`Port ${defaultPort} is in use by another program; taking ${found}.`);
	return found;
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
