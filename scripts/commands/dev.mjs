import { spawn } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { root } from '../places.mjs';
import { lockCheckout } from '../lock.mjs';
import { startOwnCluster } from '../postgres.mjs';
import { needModules } from '../prerequisites.mjs';
import { readPort } from './demo.mjs';

/** @param {{ port?: string, host?: string, fresh: boolean }} options */
export default async function dev({ port = '4601', host = '127.0.0.1', fresh }) {
	readPort(port);
	const lock = process.env.DATABASE_URL ? null : lockCheckout('dev');
	/** @type {Awaited<ReturnType<typeof startOwnCluster>> | null} */
	let cluster = null;
	try {
		await needModules();
		cluster = process.env.DATABASE_URL ? null : await startOwnCluster({ fresh });
		lock?.at(`http://${host}:${port}`);
		// Started without npm in between, which would not pass the stop on.
		const vite = join(
			dirname(createRequire(join(root, 'web', 'package.json')).resolve('vite/package.json')),
			'bin',
			'vite.js'
		);
		const server = spawn(process.execPath, [vite, 'dev', '--port', port, '--host', host], {
			cwd: join(root, 'web'),
			stdio: 'inherit',
			env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster?.address }
		});
		for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM'])) process.on(signal, () => server.kill('SIGTERM'));
		await new Promise((resolve) => server.once('close', resolve));
	} finally {
		await cluster?.stop();
		lock?.release();
	}
}
