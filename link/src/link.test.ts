import { describe, expect, it } from 'vitest';
import { blinksOf, freshKeyPair, fromBytes, hear, noneHeard, type Session, sharedKey, toBytes } from './index';

const session: Session = { key: new Uint8Array(32).fill(7), headBootMs: 11, deskBootMs: 22 };
const follow = {
	...{ type: 'follow' as const, epoch: 5, sequence: 9, dueMs: 123_456, pace: 0.5 },
	each: [
		{ axis: 'panRad', at: -1.25, rate: 0.5 },
		{ axis: 'tiltRad', at: 0.25, rate: -0.125 }
	]
};

describe('a datagram', () => {
	it('says what was said, to the bit', () => {
		const bytes = toBytes('toHead', 'h-1', follow, { session, counter: 3 });
		expect(bytes.length % 4).toBe(0);
		expect(fromBytes('toHead', bytes, session)).toEqual({ headId: 'h-1', counter: 3, message: follow });
		const announce = {
			...{ type: 'announce' as const, version: 1, name: 'North', kind: 'small', claimed: 0, bootMs: 4 },
			publicKey: new Uint8Array(32).fill(3),
			each: [{ axis: 'panRad', from: -3, to: 3, maxRate: 1, maxAccel: 2, ring: 0 }]
		};
		const heard = fromBytes('toDesk', toBytes('toDesk', 'h-1', announce, null), null);
		expect(heard).toMatchObject({ counter: 0, message: { name: 'North', each: announce.each } });
	});

	it('with any one bit turned over, of another session, the other way or cut short is foreign or none', () => {
		const bytes = toBytes('toHead', 'h-1', follow, { session, counter: 3 });
		for (let bit = 0; bit < bytes.length * 8; bit += 1) {
			const bent = Buffer.from(bytes);
			bent[bit >> 3]! ^= 1 << (bit & 7);
			expect(['foreign', 'malformed', 'unsigned']).toContain(fromBytes('toHead', bent, session));
		}
		for (let length = 0; length < bytes.length; length += 1)
			expect(typeof fromBytes('toHead', bytes.subarray(0, length), session)).toBe('string');
		expect(fromBytes('toHead', bytes, { ...session, headBootMs: 12 })).toBe('foreign');
		expect(fromBytes('toHead', bytes, { ...session, deskBootMs: 23 })).toBe('foreign');
		expect(fromBytes('toHead', bytes, { ...session, key: new Uint8Array(32) })).toBe('foreign');
		expect(fromBytes('toHead', bytes, null)).toBe('foreign');
		const released = toBytes('toHead', 'h-1', { type: 'release', holder: 'a', epoch: 1 }, { session, counter: 1 });
		expect(fromBytes('toDesk', released, session)).toBe('malformed');
	});

	it('unsigned it says nothing that moves', () => {
		for (const message of [follow, { type: 'stop' as const, by: 'me' }])
			expect(fromBytes('toHead', toBytes('toHead', 'h-1', message, null), session)).toBe('foreign');
	});

	it('no figure that is none goes out', () => {
		const bent = { ...follow, each: [{ axis: 'panRad', at: NaN, rate: 0 }] };
		expect(() => toBytes('toHead', 'h-1', bent, { session, counter: 1 })).toThrow(/at must be a number/);
	});
});

describe('a counter', () => {
	it('is heard once, in any order, and not again after the window', () => {
		let counters = noneHeard;
		for (const counter of [1, 5, 3, 2, 4]) counters = hear(counters, counter)!;
		for (const counter of [1, 2, 3, 4, 5, 0, -1, 1.5]) expect(hear(counters, counter)).toBeNull();
		for (let counter = 6; counter < 5000; counter += 1) counters = hear(counters, counter)!;
		expect(counters.seen.size).toBeLessThan(600);
		expect(hear(counters, 4000)).toBeNull();
		expect(hear(counters, 4999)).toBeNull();
		expect(hear(counters, 5001)).not.toBeNull();
	});
});

describe('the key', () => {
	it('is the same at both ends, another for every head and every pair, and blinks so', () => {
		const [head, desk, other] = [freshKeyPair(), freshKeyPair(), freshKeyPair()];
		const key = sharedKey(head, desk.publicKey, 'h-1');
		expect(sharedKey(desk, head.publicKey, 'h-1')).toEqual(key);
		expect(sharedKey(desk, head.publicKey, 'h-2')).not.toEqual(key);
		expect(sharedKey(other, head.publicKey, 'h-1')).not.toEqual(key);
		expect(blinksOf(key)).toBeGreaterThanOrEqual(2);
		expect(blinksOf(key)).toBeLessThanOrEqual(9);
		expect(() => sharedKey(head, new Uint8Array(5), 'h-1')).toThrow(/32 bytes/);
	});
});
