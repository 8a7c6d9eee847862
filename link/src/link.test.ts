import { describe, expect, it } from 'vitest';
import {
	challengeOf,
	codeOf,
	commitTo,
	freshKeyPair,
	freshNonce,
	fromBytes,
	greeting,
	type Half,
	hear,
	noneHeard,
	type Session,
	sharedKey,
	toBytes
} from './index';

const session: Session = { key: new Uint8Array(32).fill(7), head: 'aa11', desk: 'bb22' };
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
			...{ type: 'announce' as const, version: 2, name: 'North', kind: 'small', claimed: 0 },
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
		expect(fromBytes('toHead', bytes, { ...session, head: 'aa12' })).toBe('foreign');
		expect(fromBytes('toHead', bytes, { ...session, desk: 'bb23' })).toBe('foreign');
		expect(fromBytes('toHead', bytes, { ...session, key: new Uint8Array(32) })).toBe('foreign');
		// Two words that make the same letters are not the same two words.
		expect(fromBytes('toHead', bytes, { ...session, head: 'aa1', desk: '1/bb22' })).toBe('foreign');
		expect(fromBytes('toHead', bytes, greeting(session.key))).toBe('foreign');
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
	const side = () => {
		const own = freshKeyPair();
		return { own, half: { publicKey: own.publicKey, nonce: freshNonce() } satisfies Half };
	};
	it('is the same at both ends, and another for every head, every pair and every word drawn', () => {
		const [head, desk, other] = [side(), side(), side()];
		const both = { desk: desk.half, head: head.half, headId: 'h-1' };
		const key = sharedKey(head.own, both);
		expect(sharedKey(desk.own, both)).toEqual(key);
		expect(sharedKey(desk.own, { ...both, headId: 'h-2' })).not.toEqual(key);
		expect(sharedKey(other.own, { ...both, desk: other.half })).not.toEqual(key);
		expect(sharedKey(desk.own, { ...both, head: { ...head.half, nonce: freshNonce() } })).not.toEqual(key);
		for (const bad of [
			{ ...head.half, publicKey: new Uint8Array(5) },
			{ ...head.half, nonce: new Uint8Array(5) }
		])
			expect(() => sharedKey(desk.own, { ...both, head: bad })).toThrow(/32 and 16 bytes/);
	});
	it('is told by seven digits, which any other key changes, and all of which are used', () => {
		const codes = Array.from({ length: 2000 }, (_, k) => codeOf(Buffer.from(String(k).padStart(32))));
		for (const code of codes) expect(code).toMatch(/^\d{7}$/);
		expect(new Set(codes).size).toBeGreaterThan(1995);
		for (let place = 0; place < 7; place += 1) expect(new Set(codes.map((code) => code[place])).size).toBe(10);
	});
	it('what binds an end to its half binds it to all of it', () => {
		const { half } = side();
		expect(commitTo(half)).toEqual(commitTo({ ...half }));
		for (const name of ['publicKey', 'nonce'] as const) {
			const bent = Buffer.from(half[name]);
			bent[0]! ^= 1;
			expect(commitTo({ ...half, [name]: bent })).not.toEqual(commitTo(half));
		}
	});
	it('a head’s word is another for every desk, every session and every time it has power', () => {
		const [secret, desk] = [freshNonce(), freshNonce()];
		expect(challengeOf(secret, desk, 1)).toEqual(challengeOf(secret, desk, 1));
		const others = [
			challengeOf(freshNonce(), desk, 1),
			challengeOf(secret, freshNonce(), 1),
			challengeOf(secret, desk, 2)
		];
		for (const other of others) expect(other).not.toEqual(challengeOf(secret, desk, 1));
	});
});
