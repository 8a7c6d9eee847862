import { afterAll, beforeAll, expect, it } from 'vitest';
import { type Application, startApplication } from '../../../scripts/application.mjs';
import { freeUdpPort } from '../../../scripts/heads.mjs';
import { type Cluster, freePort, startThrowAwayCluster } from '../../../scripts/postgres.mjs';
import type { Payload } from '../../src/lib/model/payload';
import { rounds, send } from '../application';

/*
 * The database is killed without a word, again and again, while thirteen write to it. The application outlives it every time, says that it is away,
 * takes the link up again by itself, and has what it confirmed.
 */
let cluster: Cluster;
let application: Application;
const times = rounds(50, 16);
const writers = 13;

beforeAll(async () => {
	// As durable as the real one: what was confirmed must be there after a crash.
	cluster = await startThrowAwayCluster({ durable: true });
	application = await startApplication({
		...{ databaseUrl: cluster.address, port: await freePort(26_100), quiet: true },
		env: { POISE_HEADS_PORT: String(await freeUdpPort()) }
	});
}, 60_000);
afterAll(async () => {
	await application?.stop();
	await cluster?.stop();
});
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const ask = (method: string, path: string, body?: unknown) =>
	Promise.race([
		send(application.origin, method, path, body).catch((thrown: Error) => ({ status: 0, body: thrown.message })),
		pause(20_000).then(() => ({ status: -1, body: `${method} ${path} was never answered` }))
	]);

it(`outlives its database killed ${times} times under ${writers} writers, and loses nothing it confirmed`, async () => {
	let ended: string | null = null;
	application.process.once('close', (code, signal) => (ended = `${code} ${signal}`));
	const { body: made } = await ask('GET', '/api/payloads');
	const [first] = made as readonly Payload[];
	const mine = await Promise.all(
		Array.from({ length: writers }, async (_, k) => {
			const { platePartId, placements } = first!;
			const { body } = await ask('POST', '/api/payloads', { name: `Writer ${k}`, platePartId, placements });
			return (body as Payload).id;
		})
	);
	const confirmed = new Map<string, number>();
	const statuses = new Set<number>();
	let going = true;
	const writing = mine.map(async (id, k) => {
		for (let n = 1; going; n += 1) {
			const { status, body } = await ask('GET', `/api/payloads/${id}`);
			statuses.add(status);
			if (status !== 200) {
				await pause(20);
				continue;
			}
			const { platePartId, placements, version } = body as Payload;
			const saved = await ask('PUT', `/api/payloads/${id}`, {
				...{ name: `Writer ${k}, ${n}`, platePartId, placements, version }
			});
			statuses.add(saved.status);
			if (saved.status === 200) confirmed.set(id, (saved.body as Payload).version);
		}
	});
	try {
		for (let round = 0; round < times; round += 1) {
			await pause(60 + 240 * Math.random());
			cluster.crash();
			await pause(40);
			await cluster.again();
			expect(ended, `round ${round}`).toBeNull();
			for (let tries = 0; (await ask('GET', '/health')).status !== 200; tries += 1) {
				expect(tries, 'it takes the link up again').toBeLessThan(100);
				await pause(50);
			}
		}
	} finally {
		going = false;
		await Promise.all(writing);
	}
	expect(ended).toBeNull();
	// What could not be done was said as that, and as nothing else.
	expect([...statuses].filter((status) => ![200, 409, 503].includes(status))).toEqual([]);
	expect(statuses).toContain(503);
	for (const id of mine) {
		const { body } = await ask('GET', `/api/payloads/${id}`);
		expect((body as Payload).version).toBeGreaterThanOrEqual(confirmed.get(id) ?? 1);
	}
}, 400_000);
