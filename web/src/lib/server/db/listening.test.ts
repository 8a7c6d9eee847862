import { EventEmitter } from 'node:events';
import { afterEach, describe, expect, it, vi } from 'vitest';

/** A database that answers, hangs, or is not there. */
let hangs = false;
let isAway = false;
const clients: FakeClient[] = [];
class FakeClient extends EventEmitter {
	readonly connection = { stream: { destroy: () => this.emit('end') } };
	constructor() {
		super();
		clients.push(this);
	}
	async connect() {
		if (isAway) throw new Error('away');
	}
	async query() {
		return hangs ? new Promise(() => {}) : { rows: [] };
	}
	async end() {
		this.emit('end');
	}
}
vi.mock('pg', () => ({ default: { Client: FakeClient } }));
const { listenToDatabase } = await import('./listening');
const pass = async (ms: number) => {
	await vi.advanceTimersByTimeAsync(ms);
	for (let turns = 0; turns < 6; turns += 1) await new Promise((resolve) => setImmediate(resolve));
};

describe('a connection that listens', () => {
	const said: string[] = [];
	let stop = async () => {};
	const begun = (begin: () => Promise<boolean> = async () => true) => {
		vi.useFakeTimers({ toFake: ['performance', 'setTimeout', 'clearTimeout'] });
		const listening = listenToDatabase('', {
			begin,
			hear: (words) => said.push(words),
			lose: () => said.push('lost'),
			trouble: (thrown) => said.push((thrown as Error).message),
			patienceMs: 2000
		});
		stop = () => listening.stop();
		return listening;
	};
	afterEach(async () => {
		[hangs, isAway] = [false, false];
		const stopping = stop();
		if (vi.isFakeTimers()) await pass(600);
		await stopping;
		vi.useRealTimers();
		said.length = clients.length = 0;
	});

	it('counts from when it has begun, and hands on what is said', async () => {
		const listening = begun();
		expect(listening.isHeard).toBe(false);
		await pass(20);
		expect(listening.isHeard).toBe(true);
		clients[0]!.emit('notification', { payload: 'crew' });
		await pass(10_000);
		expect([listening.isHeard, clients.length, ...said]).toEqual([true, 1, 'crew']);
	});
	it('that ends is lost at once, once, and begun again within two seconds', async () => {
		const listening = begun();
		await pass(600);
		clients[0]!.emit('end');
		await pass(20);
		expect([listening.isHeard, ...said]).toEqual([false, 'lost']);
		await pass(1500);
		expect([listening.isHeard, clients.length, ...said]).toEqual([true, 2, 'lost']);
	});
	it('that hangs is not heard after two seconds, and is begun again', async () => {
		const listening = begun();
		await pass(700);
		hangs = true;
		await pass(2600);
		expect(listening.isHeard).toBe(false);
		await pass(700);
		expect(said).toEqual(['lost']);
		hangs = false;
		await pass(2500);
		expect([listening.isHeard, clients.length]).toEqual([true, 2]);
	});
	it('that does not begin, or is not there, is tried every second, and none was lost', async () => {
		let tries = 0;
		const listening = begun(async () => (tries += 1) >= 3);
		await pass(500);
		expect([listening.isHeard, ...said]).toEqual([false]);
		isAway = true;
		await pass(1000);
		isAway = false;
		await pass(3000);
		expect([listening.isHeard, ...said]).toEqual([true, 'away']);
	});
	it('that is stopped is begun no more', async () => {
		begun();
		await pass(20);
		const stopping = stop();
		await pass(600);
		await stopping;
		const { length } = clients;
		await pass(5000);
		expect(clients.length).toBe(length);
	});
});
