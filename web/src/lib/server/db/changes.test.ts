import { EventEmitter } from 'node:events';
import { afterEach, describe, expect, it, vi } from 'vitest';

/** A database that answers, or hangs: the same words in the same order as the real one. */
let hangs = false;
const clients: FakeClient[] = [];
class FakeClient extends EventEmitter {
	readonly connection = { stream: { destroy: () => this.emit('end') } };
	constructor() {
		super();
		clients.push(this);
	}
	async connect() {}
	async query(words: string) {
		if (hangs) return new Promise(() => {});
		return words.includes('tgrelid') ? { rows: [{ name: 'payloads' }] } : { rows: [] };
	}
	async end() {
		this.emit('end');
	}
}
vi.mock('pg', () => ({ default: { Client: FakeClient } }));
const { listenToChanges } = await import('./changes');
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('an ear', () => {
	let stop = async () => {};
	afterEach(async () => {
		hangs = false;
		await stop();
		clients.length = 0;
	});

	it('says that something may have been missed before it says that it listens', async () => {
		const order: string[] = [];
		const ear = listenToChanges('', { written: () => {}, deaf: () => order.push(`deaf, ${ear.tables === null}`) });
		stop = () => ear.stop();
		await pause(20);
		expect(order).toEqual(['deaf, true']);
		expect(ear.tables).toEqual(new Set(['payloads']));
	});

	it('that hangs is deaf within two seconds, whoever asks, and begins anew', async () => {
		let deaf = 0;
		const ear = listenToChanges('', { written: () => {}, deaf: () => (deaf += 1) });
		stop = () => ear.stop();
		await pause(700);
		expect(ear.tables).not.toBeNull();
		hangs = true;
		const before = deaf;
		await pause(2600);
		expect(ear.tables).toBeNull();
		await pause(400);
		expect(deaf).toBeGreaterThan(before);
		hangs = false;
		await pause(1600);
		expect(ear.tables).not.toBeNull();
		expect(clients.length).toBe(2);
	}, 20_000);

	it('that hangs keeps nobody who saves waiting for longer than two seconds', async () => {
		const ear = listenToChanges('', { written: () => {}, deaf: () => {} });
		stop = () => ear.stop();
		await pause(50);
		hangs = true;
		const begun = performance.now();
		await ear.caughtUp();
		expect(performance.now() - begun).toBeLessThan(3000);
		expect(ear.tables).toBeNull();
	}, 20_000);
});
