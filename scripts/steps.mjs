import { spawn } from 'node:child_process';
import { appendFileSync } from 'node:fs';

/** An expected end: a sentence for the person at the terminal, without a stack. */
export class Stop extends Error {}

const terminal = process.stderr.isTTY;

/**
 * Names a step while it runs: a running clock on a terminal, a line at start and end elsewhere.
 * @template T
 * @param {string} what
 * @param {() => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function step(what, work) {
	const started = Date.now();
	const seconds = () => ((Date.now() - started) / 1000).toFixed(0);
	const clock = terminal ? setInterval(() => process.stderr.write(`\r  ${what} … ${seconds()} s `), 500) : undefined;
	if (!terminal) process.stderr.write(`  ${what} …\n`);
	try {
		const result = await work();
		clearInterval(clock);
		process.stderr.write(`${terminal ? '\r' : ''}✓ ${what}, ${seconds()} s${terminal ? '      ' : ''}\n`);
		return result;
	} catch (thrown) {
		clearInterval(clock);
		process.stderr.write(`${terminal ? '\r' : ''}✗ ${what}, ${seconds()} s${terminal ? '      ' : ''}\n`);
		throw thrown;
	}
}

/**
 * Runs a program to its end; its output is kept and shown only if it fails.
 * @param {string} program
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnOptions & { show?: boolean }} [options]
 * @returns {Promise<string>}
 */
export function run(program, args, { show = false, ...options } = {}) {
	return new Promise((resolve, reject) => {
		const child = spawn(program, args, { ...options, stdio: show ? 'inherit' : ['ignore', 'pipe', 'pipe'] });
		let output = '';
		child.stdout?.on('data', (chunk) => (output += chunk));
		child.stderr?.on('data', (chunk) => (output += chunk));
		child.on('error', (cause) => reject(new Stop(`${program} cannot be started: ${cause.message}`)));
		child.on('close', (code) => {
			if (code === 0) return resolve(output);
			const command = [program, ...args].join(' ');
			reject(new Stop(`${show ? '' : `${output.slice(-6000)}\n`}${command} ended with ${code}.`));
		});
	});
}

/** Notes that a server or a browser is started, for whoever counts them (`countStarts` in `ground.mjs`). */
export function noteStart(/** @type {'server' | 'browser'} */ what) {
	if (process.env.POISE_STARTS) appendFileSync(process.env.POISE_STARTS, `${what}\n`);
}
