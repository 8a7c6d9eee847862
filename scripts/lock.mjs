import { existsSync, linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { kept } from './places.mjs';
import { Stop } from './steps.mjs';

/**
 * Who has the private database of this checkout: one process at a time, since whoever ends it stops the database.
 * @typedef {{ pid: number, command: string, origin: string | null }} Holder
 */
const path = join(kept, 'running.json');

/**
 * Takes the checkout for this process, or stops with where Poise runs already. A lock whose process is gone, or whose
 * number now belongs to something else, is taken over.
 */
export function lockCheckout(/** @type {string} */ command) {
	mkdirSync(kept, { recursive: true });
	write({ pid: process.pid, command, origin: null });
	return {
		/** Said to whoever tries to start a second one. */
		at: (/** @type {string} */ origin) => {
			writeFileSync(path, JSON.stringify({ pid: process.pid, command, origin }));
		},
		release: () => {
			if (holder()?.pid === process.pid) rmSync(path, { force: true });
		}
	};
}

function write(/** @type {Holder} */ mine) {
	const draft = `${path}.${process.pid}`;
	writeFileSync(draft, JSON.stringify(mine));
	try {
		for (let tries = 0; ; tries += 1) {
			try {
				// Linking a whole file is all or nothing: two that start at once cannot both have it.
				return linkSync(draft, path);
			} catch (thrown) {
				if (/** @type {NodeJS.ErrnoException} */ (thrown).code !== 'EEXIST' || tries > 3) throw thrown;
			}
			const other = holder();
			if (other !== null && isPoise(other.pid)) throw new Stop(alreadyRuns(other));
			rmSync(path, { force: true });
		}
	} finally {
		rmSync(draft, { force: true });
	}
}

const alreadyRuns = (/** @type {Holder} */ { pid, command, origin }) =>
	`Poise already runs here (./poise ${command}, process ${pid})${origin === null ? ' and is still starting' : `, at ${origin}`}.
Open it there, or stop it with Ctrl+C where it was started. Nothing was changed.`;

/** @returns {Holder | null} */
function holder() {
	if (!existsSync(path)) return null;
	try {
		const { pid, command, origin } = JSON.parse(readFileSync(path, 'utf8'));
		return Number.isInteger(pid) && pid > 0 ? { pid, command: String(command), origin: origin ?? null } : null;
	} catch {
		return null;
	}
}

/** Whether that process lives and is one of these commands: numbers are given out anew after a restart. */
function isPoise(/** @type {number} */ pid) {
	try {
		process.kill(pid, 0);
	} catch (thrown) {
		return /** @type {NodeJS.ErrnoException} */ (thrown).code === 'EPERM';
	}
	const told = `/proc/${pid}/cmdline`;
	return !existsSync(told) || readFileSync(told, 'utf8').includes('poise.mjs');
}
