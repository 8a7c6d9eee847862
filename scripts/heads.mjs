import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createSocket } from 'node:dgram';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './places.mjs';
import { freePort } from './postgres.mjs';
import { Stop } from './steps.mjs';

/**
 * The process of simulated heads, and what the application has to know of them.
 * @typedef {{ env: Record<string, string>, process: () => import('node:child_process').ChildProcess, control: string,
 *   restart: () => Promise<void>, watched: () => Promise<{ ended: Promise<unknown>, stop: () => Promise<void> }>, stop: () => Promise<void> }} Heads
 */

/**
 * Starts the simulated heads. `claimed`: their keys are made beforehand and handed to the demo's loader, as if somebody had claimed
 * them one by one. Made once for a folder: later starts find the keys the heads have kept.
 * @param {{ folder: string, fresh?: boolean, claimed?: boolean, desk?: { host: string, port: number } }} settings
 * @returns {Promise<Heads>}
 */
export async function startHeads({ folder, fresh = false, claimed = true, desk }) {
	if (fresh) rmSync(folder, { recursive: true, force: true });
	// Whoever has a head's key can move it: for the eyes of one alone.
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const boxes = join(root, 'demo', 'src', 'boxes.json');
	const keys = join(folder, 'keys');
	if (claimed && !existsSync(keys)) {
		/** @type {Record<string, string>} */
		const made = {};
		for (const { id } of /** @type {{ id: string }[]} */ (JSON.parse(readFileSync(boxes, 'utf8')))) {
			made[id] = randomBytes(32).toString('hex');
			writeFileSync(join(folder, `${id}.json`), JSON.stringify({ key: made[id] }), { mode: 0o600 });
		}
		writeFileSync(keys, JSON.stringify(made), { mode: 0o600 });
	}
	const port = await freeUdpPort();
	const control = await freePort(27_000 + Math.floor(Math.random() * 900));
	const start = () =>
		/** @type {Promise<import('node:child_process').ChildProcess>} */ (
			new Promise((resolve, reject) => {
				const child = spawn(
					process.execPath,
					[
						...['--import', 'tsx', 'head-sim/src/main.ts', '--heads', boxes, '--flash', folder],
						...['--desk', `${desk?.host ?? '127.0.0.1'}:${desk?.port ?? port}`, '--control', String(control)]
					],
					{ cwd: root, stdio: ['ignore', 'pipe', 'inherit', 'ipc'] }
				);
				child.stdout?.on('data', (chunk) => String(chunk).includes('heads ready') && resolve(child));
				child.once('close', () => reject(new Stop('The simulated heads did not start.')));
			})
		);
	let child = await start();
	const ended = async () => {
		if (child.exitCode !== null || child.signalCode !== null) return;
		child.kill('SIGTERM');
		const late = setTimeout(() => child.kill('SIGKILL'), 1500);
		await new Promise((resolve) => child.once('close', resolve));
		clearTimeout(late);
	};
	return {
		env: {
			POISE_HEADS_PORT: String(port),
			POISE_HEADS_CONTROL: String(control),
			...(claimed ? { POISE_DEMO_HEADS: keys } : {})
		},
		control: `http://127.0.0.1:${control}`,
		process: () => child,
		restart: async () => {
			await ended();
			child = await start();
		},
		/** As something that ends and is started again. */
		watched: async () => {
			if (child.exitCode !== null || child.signalCode !== null) child = await start();
			const mine = child;
			return { ended: new Promise((resolve) => mine.once('close', (code, how) => resolve(how ?? code))), stop: ended };
		},
		stop: ended
	};
}

/** A port that no datagrams come to yet. */
export function freeUdpPort() {
	return /** @type {Promise<number>} */ (
		new Promise((resolve, reject) => {
			const socket = createSocket('udp4');
			socket.once('error', reject);
			socket.bind(0, '127.0.0.1', () => {
				const { port } = socket.address();
				socket.close(() => resolve(port));
			});
		})
	);
}
