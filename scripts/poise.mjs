import { parseArgs } from 'node:util';
import { Stop } from './steps.mjs';

/** What each command does, and where it lives. A command is loaded only when it is called. */
const commands = {
	demo: ['start Poise with the demo data and print its address', () => import('./commands/demo.mjs')],
	test: ['lint, check types, run every test against real servers, close with the counts', () => import('./commands/test.mjs')],
	dev: ['start the development server with hot reload', () => import('./commands/dev.mjs')],
	shots: ['take every picture of docs/screenshots from the demo data', () => import('./commands/shots.mjs')],
	bench: ['measure speed and print one JSON line a figure', () => import('./commands/bench.mjs')],
	help: ['list the commands', async () => ({ default: async () => help() })]
};

const options = /** @type {const} */ ({
	port: { type: 'string' },
	host: { type: 'string' },
	fresh: { type: 'boolean', default: false },
	only: { type: 'string' },
	help: { type: 'boolean', short: 'h', default: false }
});

function help() {
	console.log('Usage: ./poise <command> [options]\n');
	for (const [name, [what]] of Object.entries(commands)) console.log(`  ${name.padEnd(8)}${what}`);
	console.log(`
Options of demo and dev
  --port N    port of the application (4600)
  --host H    address to listen on (127.0.0.1)
  --fresh     throw the private database away and start over
Options of test
  --only X    one of lint, types, unit, served
Environment
  DATABASE_URL  use this PostgreSQL server instead of a private one
  CHROMIUM      path of the browser for tests and pictures`);
}

try {
	const { values, positionals } = parseArgs({ options, allowPositionals: true });
	const name = values.help ? 'help' : (positionals[0] ?? 'help');
	const command = commands[/** @type {keyof typeof commands} */ (name)];
	if (command === undefined) throw new Stop(`There is no command "${name}". ./poise help lists them.`);
	const { default: execute } = await command[1]();
	await execute(values);
} catch (thrown) {
	const expected = thrown instanceof Stop || (thrown instanceof Error && 'code' in thrown && String(thrown.code).startsWith('ERR_PARSE_ARGS'));
	console.error(expected ? `\n${thrown.message}` : thrown);
	process.exitCode = 1;
}
