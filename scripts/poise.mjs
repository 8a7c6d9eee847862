import { parseArgs } from 'node:util';
import { Stop } from './steps.mjs';

/**
 * What each command does, and where it lives. A command is loaded only when it is called.
 * @type {Record<string, { what: string, load: () => Promise<{ default: (options: any) => Promise<void> | void }> }>}
 */
const commands = {
	demo: { what: 'start Poise with the demo data and print its address', load: () => import('./commands/demo.mjs') },
	test: {
		what: 'lint, check types, run every test against real servers, close with the counts',
		load: () => import('./commands/test.mjs')
	},
	dev: { what: 'start the development server with hot reload', load: () => import('./commands/dev.mjs') },
	shots: {
		what: 'take every picture of docs/screenshots from the demo data',
		load: () => import('./commands/shots.mjs')
	},
	bench: { what: 'measure speed and print one JSON line a figure', load: () => import('./commands/bench.mjs') },
	mutants: {
		what: 'make faults in the files named, one at a time, and count those the unit tests notice',
		load: () => import('./commands/mutants.mjs')
	},
	help: { what: 'list the commands', load: async () => ({ default: async () => help() }) }
};

const options = /** @type {const} */ ({
	port: { type: 'string' },
	host: { type: 'string' },
	fresh: { type: 'boolean', default: false },
	empty: { type: 'boolean', default: false },
	only: { type: 'string' },
	long: { type: 'boolean', default: false },
	changed: { type: 'boolean', default: false },
	help: { type: 'boolean', short: 'h', default: false }
});

function help() {
	console.log('Usage: ./poise <command> [options]\n');
	for (const [name, { what }] of Object.entries(commands)) console.log(`  ${name.padEnd(8)}${what}`);
	console.log(`
Options of demo and dev
  --port N    port of the application (4600)
  --host H    address to listen on (127.0.0.1)
  --fresh     throw the private database away and start over
  --empty     start an empty database with a crew that owns nothing, instead of the demo data
Options of test
  FILE …      these files of tests alone
  --changed   what the change in hand touches: its rules, its types, the unit tests that come to it
  --only X    one of lint, types, unit, browser, http, live
  --long      every hand, every seed, and every round of what is lost: heads, desk, database
Environment
  DATABASE_URL  use this PostgreSQL server instead of a private one
  CHROMIUM      path of the browser for tests and pictures
  POISE_HOSTS   names besides its own addresses that the application answers to, with commas between`);
}

try {
	const { values, positionals } = parseArgs({ options, allowPositionals: true });
	const name = values.help ? 'help' : (positionals[0] ?? 'help');
	const command = commands[name];
	if (command === undefined) throw new Stop(`There is no command "${name}". ./poise help lists them.`);
	const { default: execute } = await command.load();
	await execute({ ...values, files: positionals.slice(1) });
} catch (thrown) {
	const expected =
		thrown instanceof Stop ||
		(thrown instanceof Error && 'code' in thrown && String(thrown.code).startsWith('ERR_PARSE_ARGS'));
	console.error(expected ? `\n${thrown.message}` : (aboutFiles(thrown) ?? thrown));
	process.exitCode = 1;
}

/** A folder that cannot be written, or a disk that is full, in a sentence with a way out; null: something else. */
function aboutFiles(/** @type {unknown} */ thrown) {
	const { code, path } = /** @type {NodeJS.ErrnoException} */ (thrown instanceof Error ? thrown : {});
	if (path === undefined) return null;
	if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS')
		return `\n${path} cannot be written. Poise keeps its packages, its build and its database in its own folder: clone it to where you may write, or give yourself the right to.`;
	return code === 'ENOSPC' ? `\nThe disk is full: ${path} could not be written. Make room and start again.` : null;
}
