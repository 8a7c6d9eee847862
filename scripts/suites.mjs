import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, state } from './places.mjs';
import { run, step, Stop } from './steps.mjs';

const reports = join(state, 'reports');

/** What ran and how it ended, counted over every suite of a run. */
export class Tally {
	passed = 0;
	failed = 0;
	skipped = 0;
	/** @type {unknown[]} */
	failures = [];

	constructor() {
		rmSync(reports, { recursive: true, force: true });
		mkdirSync(reports, { recursive: true });
	}

	/** Work whose failure is told, and holds nothing else back. */
	async of(/** @type {() => Promise<unknown>} */ work) {
		await work().catch((thrown) => {
			this.failures.push(thrown);
			console.error(thrown instanceof Stop ? thrown.message : thrown);
		});
	}

	/**
	 * Runs one suite of a workspace, or what `args` choose of it; counts from its report: one that loads no test is a failure too.
	 * @param {string} what
	 * @param {{ workspace: string, config?: string, args?: readonly string[], env?: Record<string, string>, mayBeNone?: boolean }} suite
	 */
	async suite(what, { workspace, config = 'vitest.config.ts', args = [], env = {}, mayBeNone = false }) {
		const folder = join(root, workspace);
		const report = join(reports, `${what.replace(/\W+/g, '-')}.json`);
		const chosen = args[0] === 'related' ? args : ['run', ...args];
		const command = [
			...['vitest', ...chosen],
			...(existsSync(join(folder, config)) ? ['--config', config] : []),
			...['--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
			...(mayBeNone ? ['--passWithNoTests'] : [])
		];
		const outcome = await step(what, () => run('npx', command, { cwd: folder, env: { ...process.env, ...env } })).catch(
			(thrown) => thrown
		);
		const read = existsSync(report)
			? JSON.parse(readFileSync(report, 'utf8'))
			: { numPassedTests: 0, numFailedTests: 0, numPendingTests: 0 };
		this.passed += read.numPassedTests;
		this.failed += read.numFailedTests;
		this.skipped += read.numPendingTests;
		console.log(`  ${what}: ${read.numPassedTests} passed, ${read.numFailedTests} failed`);
		if (outcome instanceof Error) throw outcome;
		if (read.numPassedTests === 0 && !mayBeNone) throw new Stop(`${what}: no test ran.`);
	}

	/** The lane started no more servers and browsers than `lanes.mjs` says. One test among the others. */
	bounds(
		/** @type {string} */ lane,
		/** @type {Record<string, number>} */ started,
		/** @type {Record<string, number>} */ most
	) {
		const over = Object.entries(most).filter(([what, number]) => (started[what] ?? 0) > number);
		if (over.length === 0) return void (this.passed += 1);
		this.failed += 1;
		for (const [what, number] of over)
			console.error(`The lane ${lane} started ${started[what]} of ${what}; scripts/lanes.mjs allows ${number}.`);
	}

	close() {
		console.log(`${this.passed} passed, ${this.failed} failed, ${this.skipped} skipped`);
		if (this.failures.length > 0 || this.failed > 0) process.exitCode = 1;
	}
}
