import { createHash } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { kept, root, state } from './places.mjs';
import { needPackage, openToOthers, postgresBin, whoCanRunPostgres } from './prerequisites.mjs';
import { run, step, Stop } from './steps.mjs';

/**
 * @typedef {{ address: string, stop: () => Promise<void>, crash: () => void, again: () => Promise<void>, lives: () => boolean }} Cluster
 */

/** The application's own cluster: kept between runs, under `.poise/`. @returns {Promise<Cluster>} */
export async function startOwnCluster({ fresh = false } = {}) {
	await needPackage('postgresql');
	const folder = clusterFolder();
	if (fresh && existsSync(folder)) {
		if (await isRunning(folder)) await control(folder, ['stop', '-m', 'fast', '-w']);
		rmSync(folder, { recursive: true, force: true });
	}
	return startCluster(folder, { durable: true });
}

/**
 * A cluster for one run, gone afterwards. Tests skip the disk's own patience; measurements keep it.
 * @returns {Promise<Cluster>}
 */
export async function startThrowAwayCluster({ durable = false } = {}) {
	await needPackage('postgresql');
	const folder = join(tmpdir(), `poise-test-${process.pid}-${Date.now().toString(36)}`);
	const cluster = await startCluster(folder, { durable });
	return {
		...cluster,
		stop: async () => {
			await cluster.stop();
			rmSync(folder, { recursive: true, force: true });
		}
	};
}

/**
 * PostgreSQL refuses to run as root, so root hands the cluster to an unprivileged user. Where that user cannot walk into
 * the checkout (a home folder closed to others), the cluster stands in /var/tmp and `.poise/cluster` says where.
 */
function clusterFolder() {
	mkdirSync(kept, { recursive: true });
	const inside = join(kept, 'postgres');
	if (process.getuid?.() !== 0 || openToOthers(kept)) return inside;
	const of = kept === state ? root : kept;
	const folder = join('/var/tmp', `poise-${createHash('sha256').update(of).digest('hex').slice(0, 12)}`);
	writeFileSync(join(kept, 'cluster'), `${folder}\n`);
	return folder;
}

/** @returns {Promise<Cluster>} */
async function startCluster(/** @type {string} */ folder, /** @type {{ durable: boolean }} */ { durable }) {
	const data = join(folder, 'data');
	if (!existsSync(join(data, 'PG_VERSION'))) {
		mkdirSync(folder, { recursive: true });
		giveAway(folder);
		// Made beside and then put in its place: half a cluster, of one that was ended while it was made, is never taken for one.
		const making = join(folder, 'making');
		rmSync(making, { recursive: true, force: true });
		await step('Making a private PostgreSQL cluster', () =>
			asServer([join(bin(), 'initdb'), '-D', making, '-U', 'poise', '--auth=trust', '-E', 'UTF8', '--locale=C.UTF-8'])
		);
		rmSync(data, { recursive: true, force: true });
		renameSync(making, data);
	}
	const start = (/** @type {number} */ at) => {
		const settings = durable ? [] : ['-c fsync=off', '-c full_page_writes=off', '-c synchronous_commit=off'];
		const options = [`-p ${at}`, `-k ${folder}`, '-h 127.0.0.1', ...settings].join(' ');
		return control(folder, ['start', '-w', '-l', join(folder, 'log'), '-o', options]);
	};
	if (!(await isRunning(folder))) {
		for (let tries = 0; ; tries += 1) {
			const free = await freePort(55432 + tries);
			writeFileSync(join(folder, 'port'), String(free));
			const started = await start(free).then(
				() => true,
				() => false
			);
			if (started) break;
			const log = join(folder, 'log');
			const told = existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-4).join('\n  ') : 'nothing';
			// Another Poise, started in the same moment, was there first.
			if (tries < 10 && (told.includes('could not create any TCP/IP sockets') || !(await isFree(free)))) continue;
			throw new Stop(
				`The private database in ${folder} does not start. It says:\n  ${told}\nNothing was changed. Mend it, or begin anew without what it holds: ./poise demo --fresh`
			);
		}
	}
	const port = Number(readFileSync(join(folder, 'port'), 'utf8'));
	const made = await asServer([...psql(port), '-c', "select 1 from pg_database where datname = 'poise'"]);
	if (!made.includes('1')) await asServer([...psql(port), '-c', 'create database poise']);
	return {
		address: `postgres://poise@127.0.0.1:${port}/poise`,
		/** As a power cut would: not a word to anybody. */
		crash: () => {
			process.kill(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
		},
		/** After a crash, on the same port. What the dead server's own children still hold is waited for. */
		again: async () => {
			for (let tries = 0; ; tries += 1) {
				try {
					return void (await start(port));
				} catch (thrown) {
					if (tries >= 40) throw thrown;
					await new Promise((resolve) => setTimeout(resolve, 150));
				}
			}
		},
		lives: () => {
			try {
				return alive(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]));
			} catch {
				return false;
			}
		},
		/** What is saved is on the disk: one that does not end in time is ended, and mends itself at the next start. */
		stop: async () => {
			if (!(await isRunning(folder))) return;
			await control(folder, ['stop', '-m', 'fast', '-w', '-t', '2']).catch(() =>
				control(folder, ['stop', '-m', 'immediate', '-w', '-t', '2'])
			);
		}
	};
}

function alive(/** @type {number} */ pid) {
	try {
		process.kill(pid, 0);
		return true;
	} catch (thrown) {
		return /** @type {NodeJS.ErrnoException} */ (thrown).code === 'EPERM';
	}
}

const psql = (/** @type {number} */ port) => [
	join(bin(), 'psql'),
	...['-h', '127.0.0.1', '-p', String(port), '-U', 'poise', '-d', 'postgres', '-tA']
];

function bin() {
	const found = postgresBin();
	if (found === null) throw new Stop('PostgreSQL is not installed. As root: apt-get install -y postgresql');
	return found;
}

function giveAway(/** @type {string} */ folder) {
	chmodSync(folder, 0o700);
	if (process.getuid?.() !== 0) return;
	const user = whoCanRunPostgres();
	const id = (/** @type {string} */ flag) => Number(execFileSync('id', [flag, user], { encoding: 'utf8' }));
	chownSync(folder, id('-u'), id('-g'));
}

const control = (/** @type {string} */ folder, /** @type {string[]} */ args) =>
	asServer([join(bin(), 'pg_ctl'), '-D', join(folder, 'data'), ...args]);

async function isRunning(/** @type {string} */ folder) {
	if (!existsSync(join(folder, 'data', 'postmaster.pid'))) return false;
	return control(folder, ['status']).then(
		() => true,
		() => false
	);
}

/** Runs a server program as an unprivileged user, from a folder that user can stand in. */
function asServer(/** @type {string[]} */ [program, ...args]) {
	const where = { cwd: '/' };
	if (process.getuid?.() !== 0) return run(/** @type {string} */ (program), args, where);
	return run('runuser', ['-u', whoCanRunPostgres(), '--', /** @type {string} */ (program), ...args], where);
}

/**
 * The first port from `first` on that nobody listens on. Callers that start something later begin below 32768: above it
 * the system may hand the port to an outgoing connection in between.
 */
export async function freePort(/** @type {number} */ first, host = '127.0.0.1') {
	for (let port = first; port < first + 200; port += 1) if (await isFree(port, host)) return port;
	throw new Stop(`No free port between ${first} and ${first + 200}.`);
}

/** @returns {Promise<boolean>} */
export const isFree = async (/** @type {number} */ port, host = '127.0.0.1') => (await whyNot(port, host)) === null;

/** Why nothing can listen there, as the system calls it; null: it can. @returns {Promise<string | null>} */
export function whyNot(/** @type {number} */ port, /** @type {string} */ host) {
	return new Promise((resolve) => {
		const probe = createServer();
		probe.once('error', (error) => resolve(/** @type {NodeJS.ErrnoException} */ (error).code ?? error.message));
		probe.listen(port, host, () => probe.close(() => resolve(null)));
	});
}
