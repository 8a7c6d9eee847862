import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, state } from '../places.mjs';
import { startThrowAwayCluster } from '../postgres.mjs';
import { needBuild, needModules, needPackage } from '../prerequisites.mjs';
import { run, step, Stop } from '../steps.mjs';

const reports = join(state, 'reports');

const script = (/** @type {string} */ what, /** @type {string} */ name) =>
	step(what, () => run('npm', ['run', name], { cwd: root }));
const needSync = () => run('npm', ['run', 'sync', '-w', 'web'], { cwd: root });
const rules = () => script('Lint: rules', 'lint:rules');
const shape = () => script('Lint: shape', 'lint:shape');
const types = () => script('Types', 'check');

/** Each takes one core: all of them at once; those that fail are told together. */
async function atOnce(/** @type {(() => Promise<unknown>)[]} */ ...works) {
	await needSync();
	const outcomes = await Promise.allSettled(works.map((work) => work()));
	const failed = outcomes.flatMap((outcome) => (outcome.status === 'rejected' ? [outcome.reason] : []));
	if (failed.length === 0) return;
	if (failed.some((each) => !(each instanceof Stop))) throw failed[0];
	throw new Stop(failed.map((each) => each.message).join('\n\n'));
}

/** Every part of the tests by the name `--only` knows it by. */
const parts = {
	lint: () => atOnce(rules, shape),
	types: () => atOnce(types),
	unit: async () => {
		for (const workspace of ['core', 'link', 'desk', 'head-sim', 'demo', 'web'])
			await suite(`${workspace} unit tests`, workspace, 'vitest.config.ts');
	},
	served: async () => {
		await needPackage('postgresql');
		await needPackage('chromium');
		await needPackage('poppler-utils');
		await needBuild();
		const cluster = await startThrowAwayCluster();
		try {
			await suite('Server and browser tests', 'web', 'vitest.served.config.ts', {
				POISE_TEST_DATABASE: cluster.address
			});
		} finally {
			await cluster.stop();
		}
	}
};

/** @type {{ passed: number, failed: number, skipped: number }} */
const counts = { passed: 0, failed: 0, skipped: 0 };

/** @param {{ only?: string, long?: boolean }} options */
export default async function test({ only, long = false }) {
	if (long) process.env.POISE_LONG = '1';
	if (only !== undefined && !(only in parts))
		throw new Stop(`--only takes ${Object.keys(parts).join(', ')}; got "${only}".`);
	await needModules();
	rmSync(reports, { recursive: true, force: true });
	mkdirSync(reports, { recursive: true });

	/** @type {unknown[]} */
	const failures = [];
	const { lint, types: typed, ...others } = parts;
	const chosen =
		only === undefined
			? { 'lint and types': () => atOnce(rules, types, shape), ...others }
			: { lint, types: typed, ...others };
	for (const [name, part] of Object.entries(chosen)) {
		if (only !== undefined && only !== name) continue;
		await part().catch((thrown) => {
			failures.push(thrown);
			console.error(thrown instanceof Stop ? thrown.message : thrown);
		});
	}
	console.log(`${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
	if (failures.length > 0 || counts.failed > 0) process.exitCode = 1;
	else if (only === undefined && counts.passed === 0) throw new Stop('No test ran.');
}

/** Runs one suite, shows what failed, and counts from its report: a suite that loads no test is a failure too. */
async function suite(
	/** @type {string} */ what,
	/** @type {string} */ workspace,
	/** @type {string} */ config,
	/** @type {Record<string, string>} */ env = {}
) {
	const folder = join(root, workspace);
	const report = join(reports, `${workspace}-${config}.json`);
	const present = existsSync(join(folder, config)) ? ['--config', config] : [];
	const args = ['vitest', 'run', ...present, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
	const outcome = await step(what, () => run('npx', args, { cwd: folder, env: { ...process.env, ...env } })).catch(
		(thrown) => thrown
	);
	const read = existsSync(report)
		? JSON.parse(readFileSync(report, 'utf8'))
		: { numPassedTests: 0, numFailedTests: 0, numPendingTests: 0 };
	counts.passed += read.numPassedTests;
	counts.failed += read.numFailedTests;
	counts.skipped += read.numPendingTests;
	console.log(`  ${what}: ${read.numPassedTests} passed, ${read.numFailedTests} failed`);
	if (outcome instanceof Error) throw outcome;
	if (read.numPassedTests === 0) throw new Stop(`${what}: no test ran.`);
}
