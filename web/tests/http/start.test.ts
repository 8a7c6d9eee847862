import { execFileSync, fork, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { startApplication } from '../../../scripts/application.mjs';
import { freeUdpPort } from '../../../scripts/heads.mjs';
import { freePort } from '../../../scripts/postgres.mjs';

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
	const launcher = fork(fileURLToPath(new URL('../fixtures/launcher.mjs', import.meta.url)), [cluster], {
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

// Whoever owns everything reads past what may not be written: somebody else is asked to start it.
it.skipIf(process.getuid?.() !== 0)(
	'says in a sentence that its folder cannot be written, and leaves nothing in it',
	() => {
		const folder = mkdtempSync(path.join(tmpdir(), 'poise-theirs-'));
		try {
			execFileSync('cp', ['-r', 'poise', 'scripts', 'package.json', 'package-lock.json', folder], {
				cwd: fileURLToPath(new URL('../../..', import.meta.url))
			});
			execFileSync('chmod', ['-R', 'a+rX,go-w', folder]);
			const { status, stderr } = spawnSync(path.join(folder, 'poise'), ['demo', '--port', '1'], {
				...{ uid: 65_534, gid: 65_534, encoding: 'utf8', cwd: folder, timeout: 60_000 }
			});
			expect(status).toBe(1);
			expect(stderr).toContain(`${folder}/.poise cannot be written`);
			expect(stderr).toContain('clone it to where you may write');
			expect(stderr).not.toMatch(/\n\s+at /);
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
	}
);

/* A demo of its own, beside whatever runs here: what dies is started anew, and a polite kill ends all of it. */
it('a demo whose application or database dies starts it anew and says so, and ends within five seconds', async () => {
	const folder = mkdtempSync(path.join(tmpdir(), 'poise-demo-'));
	const port = await freePort(27_900 + Math.floor(Math.random() * 90));
	const demo = spawn(process.execPath, ['scripts/poise.mjs', 'demo', '--port', String(port)], {
		cwd: fileURLToPath(new URL('../../..', import.meta.url)),
		env: { ...process.env, DATABASE_URL: '', POISE_STATE: folder },
		stdio: ['ignore', 'pipe', 'pipe']
	});
	let said = '';
	for (const stream of [demo.stdout, demo.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
	const ended = new Promise<number | null>((resolve) => demo.once('close', resolve));
	const until = async (what: () => boolean | Promise<boolean>, words: string, forMs = 60_000) => {
		for (const giveUpAt = Date.now() + forMs; !(await what());) {
			if (Date.now() > giveUpAt) throw new Error(`Waited in vain until ${words}. It said:\n${said}`);
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
	};
	const answers = async () => (await fetch(`http://127.0.0.1:${port}/api/payloads`).catch(() => null))?.status === 200;
	/** Of its own children the one that is the application, as the system knows them. */
	const application = () =>
		readdirSync('/proc')
			.filter((name) => /^\d+$/.test(name))
			.find((pid) => {
				try {
					const parent = /^PPid:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
					return parent === String(demo.pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('serve.mjs');
				} catch {
					return false;
				}
			});
	try {
		await until(() => said.includes('Poise is at'), 'it runs', 120_000);
		expect(await answers()).toBe(true);
		process.kill(Number(application()), 'SIGKILL');
		await until(
			() => /The application ended by itself \(SIGKILL\)\. It is started anew in 1 s/.test(said),
			'it says so'
		);
		await until(answers, 'it answers again');
		const cluster = readdirSync(folder).includes('cluster')
			? readFileSync(path.join(folder, 'cluster'), 'utf8').trim()
			: path.join(folder, 'postgres');
		process.kill(Number(readFileSync(path.join(cluster, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
		await until(() => /The database ended by itself/.test(said), 'it says so of the database');
		await until(() => /The database runs again/.test(said), 'the database runs again');
		await until(answers, 'it answers from the database again');
		const told = Date.now();
		demo.kill('SIGTERM');
		expect(await ended).toBe(0);
		expect(Date.now() - told).toBeLessThan(5000);
		await expect(fetch(`http://127.0.0.1:${port}/health`)).rejects.toThrow();
		expect(said).toMatch(/Stopped\. Everything saved is kept\./);
		rmSync(cluster, { recursive: true, force: true });
	} finally {
		demo.kill('SIGKILL');
		rmSync(folder, { recursive: true, force: true });
	}
});
