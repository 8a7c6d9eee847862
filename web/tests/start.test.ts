import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { startApplication } from '../../scripts/application.mjs';
import { freeUdpPort } from '../../scripts/heads.mjs';
import { freePort } from '../../scripts/postgres.mjs';

/* What the application says when it cannot begin; and that it is gone when whoever started it is. */
const cluster = process.env.POISE_TEST_DATABASE!;
const start = async (databaseUrl: string) =>
	startApplication({
		...{ databaseUrl, port: await freePort(26_100 + Math.floor(Math.random() * 800)), quiet: true },
		env: { POISE_HEADS_PORT: String(await freeUdpPort()) }
	});

it.each([
	['an address that is none', 'nonsense', /DATABASE_URL is not the address of a PostgreSQL database/],
	['another kind of address', 'http://127.0.0.1/x', /It looks like postgres:\/\/role@host:5432\/name/],
	['a database that is not there', cluster?.replace(/[^/]+$/, 'not_there'), /createdb not_there/],
	['a role that is not there', cluster?.replace(/\/\/[^@]+@/, '//stranger@'), /does not let “stranger” in/],
	['a machine that is not there', 'postgres://poise@nowhere.invalid/poise', /No machine is called nowhere\.invalid/]
])('says in a sentence that it cannot begin on %s', async (_what, databaseUrl, words) => {
	const said = await start(databaseUrl).then(
		async (application) => {
			await application.stop();
			return 'It began.';
		},
		(thrown: Error) => thrown.message
	);
	expect(said).toMatch(words);
	// A sentence, and no stack.
	expect(said).not.toMatch(/\n\s+at /);
});

it('is gone when whoever started it is killed, and leaves its port free', async () => {
	const launcher = fork(fileURLToPath(new URL('./fixtures/launcher.mjs', import.meta.url)), [cluster], {
		stdio: ['ignore', 'ignore', 'inherit', 'ipc']
	});
	const { origin, pid } = await new Promise<{ origin: string; pid: number }>((resolve, reject) => {
		launcher.once('message', (told) => resolve(told as { origin: string; pid: number }));
		launcher.once('exit', () => reject(new Error('The launcher ended first.')));
	});
	expect((await fetch(`${origin}/health`)).status).toBe(200);
	launcher.kill('SIGKILL');
	const lives = () => {
		try {
			process.kill(pid, 0);
			return true;
		} catch {
			return false;
		}
	};
	for (let tries = 0; lives() && tries < 200; tries += 1) await new Promise((resolve) => setTimeout(resolve, 50));
	expect(lives()).toBe(false);
	await expect(fetch(`${origin}/health`)).rejects.toThrow();
});
