import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { root, state } from '../places.mjs';
import { needModules } from '../prerequisites.mjs';
import { run, step, Stop } from '../steps.mjs';

/**
 * Faults made by a machine, one at a time, in the files that are named: how many of them a file's own tests notice, those that carry its
 * name, else those of its folder. What survives is printed with its line. Without names, all groups are taken: where a fault hurts most. A
 * fault that only a test elsewhere would notice counts as survived: whoever changes a file runs the tests beside it.
 * @type {Record<string, { share: number, files: readonly string[] }>}
 */
const groups = {
	core: {
		share: 85,
		files: ['core/src/power/powerPlan.ts', 'core/src/crane/headPass.ts', 'core/src/sled/trimSled.ts']
	},
	desk: {
		share: 85,
		files: ['desk/src/attach.ts', 'desk/src/deal.ts', 'desk/src/page.ts', 'desk/src/messages.ts']
	},
	live: {
		share: 85,
		files: [
			'core/src/live/driving.ts',
			'core/src/live/hold.ts',
			'core/src/live/lease.ts',
			'core/src/live/station.ts',
			'core/src/live/watch.ts',
			'web/src/lib/stations/live/liveBench.svelte.ts',
			'web/src/lib/stations/live/steering.ts'
		]
	},
	moves: {
		share: 85,
		files: [
			'web/src/lib/stations/moves/loads.ts',
			'web/src/lib/stations/moves/panBar.ts',
			'web/src/lib/stations/moves/panTurn.ts',
			'web/src/lib/stations/moves/tables.ts',
			'web/src/lib/stations/moves/walkThrough.ts'
		]
	},
	benches: {
		share: 75,
		files: [
			'web/src/lib/supports/crane/figures.ts',
			'web/src/lib/supports/crane/order.ts',
			'web/src/lib/supports/crane/slip.ts',
			'web/src/lib/supports/gimbal/benchSlip.ts',
			'web/src/lib/supports/gimbal/figures.ts',
			'web/src/lib/supports/sled/figures.ts',
			'web/src/lib/supports/sled/slip.ts',
			'web/src/lib/supports/slider/figures.ts',
			'web/src/lib/supports/slider/slip.ts',
			'web/src/lib/stations/feel/figures.ts'
		]
	},
	keeping: {
		share: 75,
		files: [
			'web/src/lib/keeping/editGear.ts',
			'web/src/lib/keeping/history.ts',
			'web/src/lib/keeping/kept.ts',
			'web/src/lib/keeping/keptDocument.svelte.ts',
			'web/src/lib/keeping/paperKeeper.svelte.ts',
			'web/src/lib/keeping/unsent.ts'
		]
	}
};

/** @param {{ files: string[] }} options names of groups, or files */
export default async function mutants({ files: named }) {
	await needModules();
	await run('npm', ['run', '--silent', 'sync', '-w', 'web'], { cwd: root });
	/** @type {string[]} */
	const short = [];
	for (const [name, { share: least, files }] of Object.entries(chosen(named))) {
		let [killed, all] = [0, 0];
		for (const [workspace, mutate] of Object.entries(byWorkspace(files))) {
			const told = await mutated(workspace, mutate);
			killed += told.killed;
			all += told.all;
		}
		const share = all === 0 ? 0 : (killed / all) * 100;
		console.log(`${name}: ${killed} of ${all} faults noticed, ${share.toFixed(1)} % (at least ${least} % are wanted)`);
		if (share < least) short.push(name);
	}
	if (short.length > 0) throw new Stop(`Too few are noticed in ${short.join(' and ')}. What survived stands above.`);
}

/** @returns {typeof groups} */
function chosen(/** @type {readonly string[]} */ named) {
	if (named.length === 0) return groups;
	const known = named.filter((each) => Object.hasOwn(groups, each));
	const files = named
		.filter((each) => !known.includes(each))
		.map((file) => {
			const path = relative(root, resolve(file));
			if (!existsSync(join(root, path)))
				throw new Stop(`${file} is neither a file nor one of ${Object.keys(groups).join(', ')}.`);
			return path;
		});
	return {
		...Object.fromEntries(known.map((each) => [each, groups[each]])),
		...(files.length === 0 ? {} : { 'files named': { share: 75, files } })
	};
}

/** @returns {Record<string, string[]>} */
function byWorkspace(/** @type {readonly string[]} */ files) {
	/** @type {Record<string, string[]>} */
	const found = {};
	for (const path of files) {
		const [name = ''] = path.split('/');
		(found[name] ??= []).push(relative(name, path));
	}
	return found;
}

/** Which tests a file answers to. */
function testsOf(/** @type {string} */ name, /** @type {string} */ file) {
	const named = file.replace(/(\.svelte)?\.ts$/, '.test.ts');
	return existsSync(join(root, name, named)) ? named : `${dirname(file)}/*.test.ts`;
}

/** A run for each set of tests: those beside a file take seconds, all that reach it somehow would take hours. */
async function mutated(/** @type {string} */ name, /** @type {readonly string[]} */ files) {
	mkdirSync(state, { recursive: true });
	let [killed, all] = [0, 0];
	for (const tests of new Set(files.map((file) => testsOf(name, file)))) {
		const told = await judgedBy(
			name,
			tests,
			files.filter((file) => testsOf(name, file) === tests)
		);
		for (const [file, { source, mutants: made }] of Object.entries(told.files)) {
			const lines = source.split('\n');
			let [noticed, here] = [0, 0];
			for (const { status, replacement = '', location } of made) {
				if (status === 'Ignored' || status === 'CompileError' || status === 'RuntimeError') continue;
				here += 1;
				if (status === 'Killed' || status === 'Timeout') noticed += 1;
				else
					console.log(
						`${name}/${file}:${location.start.line} ${status.toLowerCase()}\n    ${lines[location.start.line - 1]?.trim()}\n  → ${replacement.split('\n')[0]?.slice(0, 120)}`
					);
			}
			console.log(`${name}/${file}: ${noticed} of ${here}`);
			killed += noticed;
			all += here;
		}
	}
	return { killed, all };
}

/** @returns {Promise<{ files: Record<string, { source: string, mutants: { status: string, replacement?: string, location: { start: { line: number } } }[] }> }>} */
async function judgedBy(
	/** @type {string} */ name,
	/** @type {string} */ tests,
	/** @type {readonly string[]} */ mutate
) {
	const [settings, report] = [join(state, `mutants-${name}.conf.json`), join(state, `mutants-${name}.json`)];
	writeFileSync(
		settings,
		JSON.stringify({
			...{ testRunner: 'vitest', plugins: ['@stryker-mutator/vitest-runner'], coverageAnalysis: 'perTest' },
			...{
				testFiles: [tests],
				mutate,
				concurrency: 2,
				timeoutMS: 20_000,
				ignoreStatic: true,
				symlinkNodeModules: true
			},
			// What a refusal calls a field is read by people; it is no figure that could be wrong.
			mutator: { excludedMutations: ['StringLiteral'] },
			...{ reporters: ['json'], jsonReporter: { fileName: report }, allowEmpty: true, disableTypeChecks: false },
			...{ tempDirName: '.stryker-tmp', cleanTempDir: 'always' },
			// What the framework makes is what its types stand on.
			ignorePatterns: ['build', '!.svelte-kit', '.svelte-kit/output', 'drizzle']
		})
	);
	await step(`Faults in ${name} by ${tests}`, () =>
		run('npx', ['stryker', 'run', settings], { cwd: join(root, name) })
	);
	return JSON.parse(readFileSync(report, 'utf8'));
}
