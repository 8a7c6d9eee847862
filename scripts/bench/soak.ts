/*
 * Five heads held for minutes by five pages over a poor link between real processes: how often a hold lets go by itself. Beside it one page that
 * holds all five.
 *
 *   tsx scripts/bench/soak.ts ORIGIN HEADS_PORT MINUTES
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TestPage, until } from '../../web/tests/live/page';
import { startHeads } from '../heads.mjs';
import { linkProxy } from './linkProxy';

const [origin = '', port = '', minutes = '2'] = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'poise-soak-'));
const proxy = await linkProxy({ origin, udpPort: Number(port) });
const heads = await startHeads({ folder, claimed: false, desk: { host: '127.0.0.1', port: proxy.udpPort } });
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const ids = ['h-201', 'h-202', 'h-203', 'h-204', 'h-205'];

async function soak(how: string, pages: ReadonlyMap<string, TestPage>, lossPart: number): Promise<void> {
	proxy.set({ delayMs: 8, jitterMs: 25, lossPart, burst: 1, duplicatePart: 0.01 });
	for (const [id, page] of pages) page.take(id);
	await until(
		() => [...pages].every(([id, page]) => page.head(id)?.linkPage === page.id && page.head(id)!.linkSamples >= 20),
		'their links are known'
	);
	const steering = setInterval(() => {
		for (const [id, page] of pages) page.steer(id, { panRad: 0.1 * Math.sin(performance.now() / 700) });
	}, 20);
	const downSince = new Map<string, number>();
	let [stops, heldMs] = [0, 0];
	const why = new Map<string, number>();
	const giveUpMs = performance.now() + Number(minutes) * 60_000;
	while (performance.now() < giveUpMs) {
		const nowMs = performance.now();
		for (const [id, page] of pages) {
			const hold = page.hold(id)!;
			const since = downSince.get(id);
			if (hold.phase === 'down' && since === undefined && page.head(id)?.phase === 'armed') downSince.set(id, nowMs);
			if (hold.phase !== 'down' && since !== undefined) {
				downSince.delete(id);
				heldMs += nowMs - since;
				stops += 1;
				why.set(hold.why ?? '', (why.get(hold.why ?? '') ?? 0) + 1);
			}
			if (hold.phase === 'up' || hold.phase === 'ended') page.press(id);
		}
		await pause(10);
	}
	clearInterval(steering);
	for (const since of downSince.values()) heldMs += performance.now() - since;
	const hours = heldMs / 3_600_000;
	console.log(
		JSON.stringify({
			what: `false stops an hour at ${lossPart * 100} % loss, real processes through a proxy, ${how}`,
			...{ anHour: Number((stops / hours).toFixed(2)), stops, heldHours: Number(hours.toFixed(3)) },
			why: Object.fromEntries(why),
			tripsMs: [...pages].map(([id, page]) => Math.round(page.head(id)?.linkTripMs ?? NaN))
		})
	);
	for (const [id, page] of pages) page.release(id);
	await pause(1500);
}

try {
	const claimer = await TestPage.open(proxy.origin);
	for (const id of ids) {
		await until(() => claimer.head(id)?.link === 'free', `${id} is free`);
		claimer.say({ type: 'claim', head: id });
		let code: string | null = null;
		await until(async () => {
			const faces = (await (await fetch(heads.control)).json()) as { id: string; code: string | null }[];
			code = faces.find((face) => face.id === id)?.code ?? null;
			return code !== null;
		}, `${id} shows its digits`);
		await new Promise((resolve) => setTimeout(resolve, 200));
		claimer.say({ type: 'confirm', head: id, code: code! });
		await until(() => claimer.head(id)?.link === 'here', `${id} is here`);
	}
	claimer.vanish();
	const each = await Promise.all(ids.map(async (id) => [id, await TestPage.open(proxy.origin)] as const));
	for (const lossPart of [0, 0.01, 0.02]) await soak('five pages', new Map(each), lossPart);
	for (const [, page] of each) page.vanish();
	const all = await TestPage.open(proxy.origin);
	await soak('one page with five heads', new Map(ids.map((id) => [id, all])), 0.02);
	all.vanish();
} finally {
	await heads.stop();
	proxy.close();
	rmSync(folder, { recursive: true, force: true });
}
process.exit(0);
