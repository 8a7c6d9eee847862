import { EventEmitter } from 'node:events';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { WebSocket } from 'ws';
import { Desk } from './desk';
import type { FromPage } from './messages';
import { Page } from './page';
import { Station } from './station';

/*
 * The rules that guard whoever stands near a head, at the desk's own doors. Those of one head stand with its machine
 * (`core/src/live/station.test.ts`); that the desk feeds it everything, and sends what comes of it, is here.
 */

const ada = { page: 'page-ada', name: 'Ada' } as const;
const everything = () => true;

describe('a head at the desk', () => {
	it('hands what it hears and what is said of it to its machine, and what comes of it to the link', () => {
		const said: { readonly type: string }[] = [];
		const state = {
			...{ type: 'state' as const, headMs: 1000, phase: 'rest', holder: '', epoch: 0, heldSinceMs: 0, stoppedBy: '' },
			...{ stuckAxis: '', recording: 0, batteryPart: 1, ignored: 0, linkHolder: ada.page, linkSamples: 20 },
			...{ linkTripMs: 10, each: [{ axis: 'panRad', at: 0, rate: 0, ready: 1 }] }
		} as const;
		const each = [{ axis: 'panRad', from: -2, to: 2, maxRate: 1, maxAccel: 3, ring: 0 }];
		const key = new Uint8Array(32).fill(7);
		const used: (Uint8Array | null)[] = [];
		const station = new Station({
			...{ id: 'h1', state, toHeadMs: 0, free: false, hasKey: true, claiming: false, ignored: 0 },
			about: { name: 'h1', kind: 'test', each },
			useKey: (given: Uint8Array | null) => void used.push(given),
			greet: () => {},
			isHere: () => true,
			isAwake: () => true,
			say: (message: { readonly type: string }) => void said.push(message)
		});
		const axes = { panRad: { range: [-1, 1], maxRate: 0.5, maxAccel: 1 } } as const;
		station.know({ id: 'h1', headId: 'h1', name: 'Gallery', number: 1, key, watched: false, axes });
		expect(used).toEqual([key]);
		station.hear(state, 1000);
		station.tick(1005, null);
		expect(said).toContainEqual({
			...{ type: 'limits', watched: 0 },
			each: [{ axis: 'panRad', from: -1, to: 1, maxRate: 0.5, maxAccel: 1 }]
		});
		expect(station.heed({ head: 'h1', type: 'take' }, ada, 1010)).toBeNull();
		expect(station.driver).toEqual(ada);
		const asked = { head: 'h1', type: 'ask', press: 1 } as const;
		expect(station.heed({ ...asked, intent: { does: 'go', id: 'gone' } }, ada, 1020)).toEqual({
			...{ type: 'refused', head: 'h1', press: 1, why: 'changed' }
		});
		expect(station.heed({ ...asked, press: 2, intent: { does: 'steer' } }, ada, 1030)).toBeNull();
		expect(said.at(-1)).toEqual({ type: 'ask', holder: ada.page, press: 2, by: 'hand' });
		station.tick(1060, 'Ben');
		expect(said).toContainEqual({ type: 'stop', by: 'Ben' });
		station.gone(ada.page);
		expect(station.driver).toBeNull();
		expect(station.seen(1070, () => null)).toMatchObject({ link: 'here', name: 'Gallery', number: 1, watched: false });
	});
});

class FakeSocket extends EventEmitter {
	readonly OPEN = 1;
	readyState = 1;
	bufferedAmount = 0;
	readonly told: { readonly type: string; readonly stoppedBy?: string | null }[] = [];
	send(text: string | Buffer): void {
		this.told.push(JSON.parse(String(text)) as { readonly type: string });
	}
	terminate(): void {}
	says(message: object): void {
		this.emit('message', JSON.stringify(message));
	}
	get stoppedBy(): string | null | undefined {
		return this.told.findLast(({ type }) => type === 'heads')?.stoppedBy;
	}
}
const socket = () => new FakeSocket() as FakeSocket & WebSocket;

describe('at the door of a page', () => {
	afterEach(() => vi.useRealTimers());
	it('what stops everything is cleared by somebody with a name only', () => {
		const whole = new Desk({ port: 0, onClaimed: async () => {}, onUnclaimed: async () => {} });
		const [named, nameless] = [socket(), socket()];
		whole.page(ada, everything).add(0, named);
		whole.page({ page: 'page-nobody', name: '' }, everything).add(0, nameless);
		nameless.says({ type: 'stopAll' });
		expect(named.stoppedBy).toBe('');
		nameless.says({ type: 'clear' });
		expect(named.stoppedBy).toBe('');
		named.says({ type: 'clear' });
		expect(named.stoppedBy).toBeNull();
		whole.end();
	});
	it('what stands by of any head is gone when everything is stopped; who left drives nothing', () => {
		vi.useFakeTimers({ toFake: ['performance', 'setTimeout', 'clearTimeout'] });
		const whole = new Desk({ port: 0, onClaimed: async () => {}, onUnclaimed: async () => {} });
		whole.know([{ id: 'h1', headId: 'h1', name: 'One', number: 1, key: null, watched: false, axes: {} }]);
		const [one, other] = [socket(), socket()];
		whole.page(ada, everything).add(0, one);
		whole.page({ page: 'page-ben', name: 'Ben' }, everything).add(0, other);
		type Told = {
			readonly heads: readonly { readonly next: object | null; readonly driver: { name: string } | null }[];
		};
		const head = () => (other.told.findLast(({ type }) => type === 'heads') as unknown as Told).heads[0]!;
		one.says({ type: 'take', head: 'h1' });
		const legs = [{ kind: 'pose', name: 'x', to: { panRad: 1 }, wantedS: null, restS: 0 }];
		one.says({ type: 'standBy', head: 'h1', next: { kind: 'pose', id: 'w', name: 'x', legs, laps: 1 } });
		expect(head()).toMatchObject({ driver: { name: 'Ada' }, next: { id: 'w' } });
		other.says({ type: 'stopAll' });
		expect(head()).toMatchObject({ driver: { name: 'Ada' }, next: null });
		one.emit('close');
		vi.advanceTimersByTime(1000);
		other.says({ type: 'clear' });
		expect(head().driver).toBeNull();
		whole.end();
	});
	it('a page that says more than two thousand things a second is not heeded beyond', () => {
		vi.useFakeTimers({ toFake: ['performance'] });
		let heeded = 0;
		const page = new Page(ada, everything, { heed: () => (heeded += 1), gone: () => {} });
		const one = socket();
		page.add(0, one);
		vi.advanceTimersByTime(2000);
		for (let k = 0; k < 2500; k += 1) one.says({ type: 'take', head: 'h1' });
		expect(heeded).toBe(2000);
		vi.advanceTimersByTime(1100);
		one.says({ type: 'take', head: 'h1' });
		expect(heeded).toBe(2001);
		page.close();
	});
	it('what is no message is not heeded', () => {
		const heeded: FromPage[] = [];
		const page = new Page(ada, everything, { heed: (message) => void heeded.push(message), gone: () => {} });
		const one = socket();
		page.add(0, one);
		one.emit('message', '{');
		one.says({ type: 'stick', head: 'h1', rates: { panRad: null } });
		one.says({ type: 'stick', head: 'h1', rates: { panRad: 1e99 } });
		one.says({ type: 'nothing', head: 'h1' });
		expect(heeded).toEqual([]);
		page.close();
	});
	it('what has not changed is told again once a second; what has, what did not get through, and to whoever comes, at once', async () => {
		vi.useFakeTimers({ toFake: ['performance', 'setInterval', 'clearInterval'] });
		const whole = new Desk({ port: 0, onClaimed: async () => {}, onUnclaimed: async () => {} });
		await whole.begin();
		const [one, other] = [socket(), socket()];
		const heads = (of: FakeSocket) => of.told.splice(0).filter(({ type }) => type === 'heads').length;
		const pass = (ms: number) => vi.advanceTimersByTime(ms);
		whole.page(ada, everything).add(0, one);
		pass(100);
		expect(heads(one)).toBe(1);
		pass(900);
		expect(heads(one)).toBe(0);
		pass(2100);
		expect(heads(one)).toBe(2);
		whole.page({ page: 'page-ben', name: 'Ben' }, everything).add(0, other);
		pass(100);
		expect([heads(one), heads(other)]).toEqual([1, 1]);
		one.bufferedAmount = 1e9;
		other.says({ type: 'stopAll' });
		pass(200);
		expect(one.stoppedBy).toBeUndefined();
		one.bufferedAmount = 0;
		pass(100);
		expect(one.stoppedBy).toBe('Ben');
		whole.end();
	});
});
