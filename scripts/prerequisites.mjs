import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { state, root } from './places.mjs';
import { run, step, Stop } from './steps.mjs';

/** Debian's packages, by the program that shows they are there. */
const packages = {
	postgresql: { installed: () => postgresBin() !== null, needed: 'PostgreSQL 15 or newer' },
	chromium: { installed: () => chromiumPath() !== null, needed: 'Chromium, for the browser tests and pictures' },
	'poppler-utils': {
		installed: () => existsSync('/usr/bin/pdftotext'),
		needed: 'pdftotext, to read the printed sheets'
	}
};

/** Where the server programs of the newest installed PostgreSQL are, or null. */
export function postgresBin() {
	const base = '/usr/lib/postgresql';
	const versions = existsSync(base)
		? readdirSync(base)
				.map(Number)
				.filter((version) => version >= 13)
		: [];
	const newest = versions.sort((a, b) => b - a).find((version) => existsSync(`${base}/${version}/bin/initdb`));
	return newest === undefined ? null : `${base}/${newest}/bin`;
}

export function chromiumPath() {
	return (
		process.env.CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path)) ?? null
	);
}

/** Installs a Debian package when it is missing, or says what to install when it cannot. */
export async function needPackage(/** @type {keyof typeof packages} */ name) {
	const { installed, needed } = packages[name];
	if (installed()) return;
	const byHand = `Missing: ${needed}. Install it as root with: apt-get install -y ${name}`;
	if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) throw new Stop(byHand);
	const quiet = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
	await step(`Installing ${name} from Debian's packages`, async () => {
		await run('apt-get', ['update'], quiet);
		await run('apt-get', ['install', '-y', '--no-install-recommends', name], quiet);
	});
	if (!installed()) throw new Stop(byHand);
}

/** `npm ci` when the lock file has changed since the last one. */
export async function needModules() {
	const lock = hashOf([join(root, 'package-lock.json')]);
	if (existsSync(join(root, 'node_modules')) && readMark('modules') === lock) return;
	// Half an install, or half a build, is none: the mark comes back when it is whole.
	dropMark('modules');
	await step('Installing packages (npm ci)', () => run('npm', ['ci', '--no-audit', '--no-fund'], { cwd: root }));
	writeMark('modules', lock);
}

/** Builds the application when any of its sources has changed since the last build. */
export async function needBuild() {
	const folders = ['core/src', 'link/src', 'desk/src', 'demo/src', 'web/src', 'web/static'].map((folder) =>
		join(root, folder)
	);
	const files = ['package-lock.json', 'web/svelte.config.js', 'web/vite.config.ts'].map((file) => join(root, file));
	const sources = hashOf([...files, ...folders.flatMap(filesUnder)].filter((path) => !path.endsWith('.test.ts')));
	if (existsSync(join(root, 'web/build/index.js')) && readMark('build') === sources) return;
	dropMark('build');
	await step('Building the application', () => run('npm', ['run', 'build', '-w', 'web'], { cwd: root }));
	writeMark('build', sources);
}

/** @returns {string[]} */
function filesUnder(/** @type {string} */ folder) {
	return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
		entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)]
	);
}

function hashOf(/** @type {string[]} */ paths) {
	const hash = createHash('sha256');
	// By what lies in it, wherever the checkout lies.
	for (const path of paths.sort()) hash.update(relative(root, path)).update(readFileSync(path));
	return hash.digest('hex');
}

function readMark(/** @type {string} */ name) {
	const path = join(state, `${name}.mark`);
	return existsSync(path) ? readFileSync(path, 'utf8') : null;
}

const dropMark = (/** @type {string} */ name) => rmSync(join(state, `${name}.mark`), { force: true });

function writeMark(/** @type {string} */ name, /** @type {string} */ value) {
	mkdirSync(state, { recursive: true });
	writeFileSync(join(state, `${name}.mark`), value);
}

/** Whether another user than root can walk into a folder. */
export function openToOthers(/** @type {string} */ folder) {
	for (let path = folder; ; path = join(path, '..')) {
		if (existsSync(path) && (statSync(path).mode & 0o001) === 0) return false;
		if (path === '/') return true;
	}
}

export const whoCanRunPostgres = () => {
	try {
		execFileSync('id', ['-u', 'postgres'], { stdio: 'ignore' });
		return 'postgres';
	} catch {
		return 'nobody';
	}
};
