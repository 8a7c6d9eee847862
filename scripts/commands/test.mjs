import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { loadavg } from 'node:os';
import { join } from 'node:path';
import { countStarts, layGround } from '../ground.mjs';
import { laneOf, servedLanes, workspaces } from '../lanes.mjs';
import { root } from '../places.mjs';
import { needModules } from '../prerequisites.mjs';
import { run, step, Stop } from '../steps.mjs';
import { Tally } from '../suites.mjs';

/** @typedef {keyof typeof servedLanes} ServedLane */
/** @typedef {Awaited<ReturnType<typeof layGround>>} Ground */

const script = (/** @type {string} */ what, /** @type {string} */ name) =>
	step(what, () => run('npm', ['run', name], { cwd: root }));
const lint = [
	() => script('Lint: rules', 'lint:rules'),
	() => script('Lint: shape', 'lint:shape'),
	() => script('Lint: arrows, and what nobody uses', 'lint:arrows')
];
const types = [() => script('Types', 'check')];
const parts = ['lint', 'types', 'unit', ...Object.keys(servedLanes)];

/** @param {{ only?: string, long?: boolean, changed?: boolean, files?: readonly string[] }} options */
export default async function test({ only, long = false, changed = false, files = [] }) {
	if (long) process.env.POISE_LONG = '1';
	if (only !== undefined && !parts.includes(only)) throw new Stop(`--only takes ${parts.join(', ')}; got "${only}".`);
	await needModules();
	await run('npm', ['run', 'sync', '-w', 'web'], { cwd: root });
	const tally = new Tally();
	if (changed) await whatChanged(tally);
	else if (files.length > 0) await theseFiles(tally, files);
	else if (only !== undefined) await onePart(tally, only);
	else await everything(tally);
	tally.close();
	if (only === undefined && tally.passed === 0) throw new Stop('No test ran.');
}

/** Types; the build beside the rules; what only computes on every core; two lanes beside each other; what is about moments alone. */
async function everything(/** @type {Tally} */ tally) {
	const began = Date.now();
	// The build writes anew what the types of the pages are read from: not while they are read.
	await timed('types', async () => {
		for (const work of types) await tally.of(work);
	});
	const ground = layGround();
	// Whoever stands on it says why there is none.
	ground.catch(() => {});
	await timed('build and rules', async () => {
		for (const work of lint) await tally.of(work);
		await ground.catch(() => {});
	});
	await timed('units', () => units(tally));
	const lane = (/** @type {ServedLane} */ name) =>
		timed(name, () => tally.of(async () => servedLane(tally, name, await ground)));
	await Promise.all([lane('browser'), lane('http')]);
	await lane('live');
	await ground.then(
		({ stop }) => stop(),
		() => {}
	);
	const [one, , fifteen] = loadavg();
	const minutes = ((Date.now() - began) / 60_000).toFixed(1);
	console.log(
		`The whole took ${minutes} minutes; load ${one?.toFixed(1)}, over a quarter of an hour ${fifteen?.toFixed(1)}.`
	);
}

async function onePart(/** @type {Tally} */ tally, /** @type {string} */ only) {
	if (only === 'lint') for (const work of lint) await tally.of(work);
	else if (only === 'types') for (const work of types) await tally.of(work);
	else if (only === 'unit') await units(tally);
	else await onGround(tally, (ground) => servedLane(tally, /** @type {ServedLane} */ (only), ground));
}

async function theseFiles(/** @type {Tally} */ tally, /** @type {readonly string[]} */ files) {
	const known = files.map((file) => {
		const found = existsSync(join(root, file)) ? laneOf(file) : null;
		if (found === null) throw new Stop(`${file} is no file of tests. Name it as from the root of the repository.`);
		return found;
	});
	for (const workspace of workspaces) {
		const args = known
			.filter((each) => each.lane === 'unit' && each.workspace === workspace)
			.map(({ within }) => within);
		if (args.length > 0) await tally.of(() => tally.suite(`${workspace} unit tests`, { workspace, args }));
	}
	const served = known.filter(({ lane }) => lane !== 'unit').map(({ within }) => within);
	if (served.length === 0) return;
	await onGround(tally, ({ env }) =>
		tally.suite('Server and browser tests', { workspace: 'web', config: 'vitest.served.config.ts', args: served, env })
	);
}

/** What is not committed, or else the last commit: its rules, types, and the unit tests that come to it. */
async function whatChanged(/** @type {Tally} */ tally) {
	const git = (/** @type {string[]} */ ...args) =>
		execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n');
	const open = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
	const named = open.some((file) => file !== '') ? open : git('diff', '--name-only', 'HEAD~1');
	const touched = named.filter((file) => file !== '' && existsSync(join(root, file)));
	const source = touched.filter((file) => /\.(ts|mjs|js|svelte)$/.test(file));
	if (source.length === 0) throw new Stop('No source has changed.');
	const cache = (/** @type {string} */ of) => [
		'--cache',
		'--cache-location',
		`.poise/cache/${of}`,
		'--cache-strategy',
		'content'
	];
	await Promise.all([
		tally.of(() => step('Lint: rules', () => run('npx', ['eslint', ...cache('eslint'), ...source], { cwd: root }))),
		tally.of(() =>
			step('Lint: shape', () => run('npx', ['prettier', '--check', ...cache('prettier'), ...source], { cwd: root }))
		),
		tally.of(() => script('Types', source.some((file) => file.endsWith('.svelte')) ? 'check' : 'check:plain'))
	]);
	for (const workspace of workspaces) {
		const args = source
			.filter((file) => file.startsWith(`${workspace}/src/`))
			.map((file) => file.slice(workspace.length + 1));
		if (args.length > 0)
			await tally.of(() =>
				tally.suite(`${workspace} unit tests`, { workspace, args: ['related', '--run', ...args], mayBeNone: true })
			);
	}
	const served = source.filter((file) => (laneOf(file)?.lane ?? 'unit') !== 'unit');
	console.log(
		served.length === 0
			? 'The lanes browser, HTTP and live did not run.'
			: `Not run, and changed: ${served.join(' ')}. ./poise test with their names runs them.`
	);
}

async function units(/** @type {Tally} */ tally) {
	for (const workspace of workspaces) await tally.of(() => tally.suite(`${workspace} unit tests`, { workspace }));
}

async function servedLane(/** @type {Tally} */ tally, /** @type {ServedLane} */ lane, /** @type {Ground} */ ground) {
	const { folders, most } = servedLanes[lane];
	const starts = countStarts();
	const config = { workspace: 'web', config: 'vitest.served.config.ts', args: [...folders] };
	await tally.suite(`Lane ${lane}`, { ...config, env: { ...ground.env, ...starts.env } }).finally(() => {
		const started = starts.counted();
		console.log(`  Lane ${lane} started ${started.server} servers and ${started.browser} browsers of its own`);
		tally.bounds(lane, started, process.env.POISE_LONG === '1' ? {} : most);
	});
}

async function onGround(/** @type {Tally} */ tally, /** @type {(ground: Ground) => Promise<unknown>} */ work) {
	const ground = await layGround();
	await tally.of(() => work(ground));
	await ground.stop();
}

async function timed(/** @type {string} */ lane, /** @type {() => Promise<unknown>} */ work) {
	const began = Date.now();
	await work();
	console.log(`— ${lane}: ${Math.round((Date.now() - began) / 1000)} s`);
}
