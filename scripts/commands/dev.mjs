import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from '../places.mjs';
import { startOwnCluster } from '../postgres.mjs';
import { needModules } from '../prerequisites.mjs';
import { readPort } from './demo.mjs';

/** @param {{ port?: string, host?: string, fresh: boolean }} options */
export default async function dev({ port = '4601', host = '127.0.0.1', fresh }) {
	readPort(port);
	await needModules();
	const cluster = process.env.DATABASE_URL ? null : await startOwnCluster({ fresh });
	try {
		const server = spawn('npm', ['run', 'dev', '--', '--port', port, '--host', host], {
			cwd: join(root, 'web'),
			stdio: 'inherit',
			env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster?.address }
		});
		for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM'])) process.on(signal, () => server.kill(signal));
		await new Promise((resolve) => server.once('close', resolve));
	} finally {
		await cluster?.stop();
	}
}
