import { type ChildProcess, spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { freeUdpPort } from '../../../scripts/heads.mjs';
import { serve, type Served } from '../application';
import { TestPage, until } from './page';

/** The head of docs/heads.md, in plain Node: claimed, held, driven and led like any other; what it does not know it does not do. */
let served: Served;
let page: TestPage;
let head: ChildProcess;
let said = '';
const id = 'my-head';

beforeAll(async () => {
	const port = await freeUdpPort();
	served = await serve({ POISE_SCENARIO: 'empty', POISE_HEADS_PORT: String(port) });
	const root = fileURLToPath(new URL('../../..', import.meta.url));
	head = spawn(process.execPath, ['head-sim/examples/head.mjs', '--desk', `127.0.0.1:${port}`], { cwd: root });
	head.stdout?.on('data', (chunk) => (said += String(chunk)));
	page = await TestPage.open(served.origin);
});
afterAll(async () => {
	page.vanish();
	head.kill('SIGKILL');
	await served.stop();
});

it('is claimed by the digits it shows, and by no others', async () => {
	await until(() => page.head(id)?.link === 'free', 'it announces itself');
	page.say({ type: 'claim', head: id });
	await until(() => /shows \d{7}/.test(said) && page.head(id)?.link === 'claiming', 'it shows its digits');
	const wrong = String((Number(/shows (\d{7})/.exec(said)![1]) + 1) % 1e7).padStart(7, '0');
	await new Promise((resolve) => setTimeout(resolve, 200));
	page.say({ type: 'confirm', head: id, code: wrong });
	await until(() => page.said.some((each) => each.type === 'claimed' && !each.ok), 'it is refused');
	await until(() => page.head(id)?.link === 'free', 'it is free again');
	said = '';
	page.say({ type: 'claim', head: id });
	await until(() => /shows \d{7}/.test(said), 'it shows others');
	await new Promise((resolve) => setTimeout(resolve, 200));
	page.say({ type: 'confirm', head: id, code: /shows (\d{7})/.exec(said)![1]! });
	await until(() => page.head(id)?.link === 'here', 'it is here');
});

it('moves while it is held, goes to a pose, and brakes by itself when the page is gone', async () => {
	page.take(id);
	await until(() => page.head(id)?.linkPage === page.id && page.head(id)!.linkSamples >= 20, 'its link is known');
	const leg = { kind: 'pose' as const, name: 'there', to: { panRad: 0.8, tiltRad: -0.3 }, wantedS: null, restS: 0 };
	await page.standBy(id, { kind: 'pose', id: 'there', name: 'there', legs: [leg], laps: 1 });
	// A busy machine lets go, as it must: somebody who wants it there presses again.
	const held = setInterval(() => ['up', 'ended'].includes(page.hold(id)!.phase) && page.press(id), 100);
	await until(() => page.head(id)?.task?.phase === 'done', 'it is there');
	expect(page.head(id)!.at.panRad!).toBeCloseTo(0.8, 1);
	expect(page.head(id)!.at.tiltRad!).toBeCloseTo(-0.3, 1);
	const watcher = await TestPage.open(served.origin);
	const driving = setInterval(() => page.steer(id, { panRad: -0.6 }), 30);
	await until(() => (watcher.head(id)?.rates.panRad ?? 0) < -0.3, 'it is driven');
	clearInterval(driving);
	clearInterval(held);
	page.vanish();
	await until(() => watcher.head(id)?.phase === 'rest', 'it rests', 2000);
	expect(Math.abs(watcher.head(id)!.rates.panRad!)).toBeLessThan(1e-3);
	watcher.vanish();
});
