import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { PortTaken, startApplication } from '../application.mjs';
import { startHeads } from '../heads.mjs';
import { lockCheckout } from '../lock.mjs';
import { kept } from '../places.mjs';
import { freePort, isFree, startOwnCluster, whyNot } from '../postgres.mjs';
import { needBuild, needModules } from '../prerequisites.mjs';
import { Stop } from '../steps.mjs';
import { supervise } from '../supervise.mjs';

const defaultPort = 4600;

/** @param {{ port?: string, host?: string, fresh: boolean, empty: boolean }} options */
export default async function demo({ port, host = '127.0.0.1', fresh, empty }) {
	const chosen = port === undefined ? undefined : readPort(port);
	const own = !process.env.DATABASE_URL;
	if (fresh && !own)
		throw new Stop('--fresh only throws away the private database. Empty the one at DATABASE_URL yourself.');
	const lock = own ? lockCheckout('demo') : null;
	const quitting = toldToStop();
	const { signal } = quitting;
	try {
		await needHost(host);
		// Asked for, it is said now, and not after the build.
		let at = await portFor(chosen, host);
		await needModules();
		await needBuild();
		if (signal.aborted) return;
		const cluster = own ? await startOwnCluster({ fresh }) : null;
		/** @type {{ stop: () => Promise<void> }[]} */
		const supervised = [];
		try {
			if (cluster !== null)
				supervised.push(await supervise('The database', { signal, start: () => watched(cluster, signal) }));
			const heads = await startHeads({ folder: join(kept, 'heads'), fresh, claimed: !empty });
			supervised.push(await supervise('The simulated heads', { signal, start: () => heads.watched() }));
			const start = () =>
				startApplication({
					databaseUrl: cluster?.address ?? String(process.env.DATABASE_URL),
					port: at,
					host,
					signal,
					env: { ...heads.env, ...(empty ? { POISE_SCENARIO: 'empty' } : {}) }
				});
			const first = await onFreePort(start, async (thrown) => {
				if (chosen !== undefined) throw thrown;
				at = await portFor(chosen, host);
			});
			lock?.at(first.origin);
			/** @type {typeof first | null} */
			let begun = first;
			supervised.push(
				await supervise('The application', {
					signal,
					start: async () => {
						const again = begun ?? (await start());
						begun = null;
						return again;
					}
				})
			);
			console.log(`\nPoise is at ${first.origin}\nStop it with Ctrl+C.`);
			await quitting.told;
		} catch (thrown) {
			if (!signal.aborted) throw thrown;
		} finally {
			quitting.stop();
			await Promise.all(supervised.slice(cluster === null ? 0 : 1).map((each) => each.stop()));
			await cluster?.stop();
		}
	} finally {
		quitting.stop();
		lock?.release();
	}
	console.log('\nStopped. Everything saved is kept.');
}

/** The private database as something that ends and is started again, on the port it had. */
async function watched(/** @type {import('../postgres.mjs').Cluster} */ cluster, /** @type {AbortSignal} */ signal) {
	if (!cluster.lives()) await cluster.again();
	const ended = new Promise((resolve) => {
		const look = setInterval(() => {
			if (cluster.lives() && !signal.aborted) return;
			clearInterval(look);
			resolve('its process is gone');
		}, 500);
	});
	return { ended, stop: () => cluster.stop() };
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

/**
 * Started, and again on the next port where another Poise was started in the same moment and was there first.
 * @template T
 * @param {() => Promise<T>} start
 * @param {(thrown: unknown) => Promise<void>} takeAnother
 */
export async function onFreePort(start, takeAnother) {
	for (let tries = 0; ; tries += 1) {
		try {
			return await start();
		} catch (thrown) {
			if (!(thrown instanceof PortTaken) || tries >= 10) throw thrown;
			await takeAnother(thrown);
		}
	}
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

/** Ctrl+C or a polite kill, from the first moment on. */
function toldToStop() {
	const controller = new AbortController();
	const stop = () => controller.abort();
	for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) process.once(signal, stop);
	/** @type {Promise<void>} */
	const told = new Promise((resolve) => controller.signal.addEventListener('abort', () => resolve(), { once: true }));
	return { signal: controller.signal, told, stop };
}
