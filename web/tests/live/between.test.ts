import { createSocket } from 'node:dgram';
import { EventEmitter } from 'node:events';
import { Desk } from '@poise/desk';
import { addressOf, commitTo, freshKeyPair, freshNonce, fromBytes, toBytes, type ToDesk } from '@poise/link';
import { afterEach, describe, expect, it } from 'vitest';
import { HeadLink } from '../../../desk/src/headLink';
import { SimHead } from '../../../head-sim/src/simHead';
import { freeUdpPort } from '../../../scripts/heads.mjs';

/* A desk's link and a head, word for word and without a network: everything that passes can be seen, kept, bent and said again. */

const place = { address: '10.0.0.7', port: 7010 };
const elsewhere = { address: '10.0.0.66', port: 666 };
type Between = (bytes: Buffer, way: 'toHead' | 'toDesk') => readonly (readonly [Buffer, 'toHead' | 'toDesk'])[];
const through: Between = (bytes, way) => [[bytes, way]];

function pair(between: () => Between = () => through, key: string | null = null) {
	let now = 0;
	const passed: { readonly bytes: Buffer; readonly way: 'toHead' | 'toDesk' }[] = [];
	const queue: { readonly bytes: Buffer; readonly way: 'toHead' | 'toDesk' }[] = [];
	const put = (bytes: Uint8Array, way: 'toHead' | 'toDesk') => {
		passed.push({ bytes: Buffer.from(bytes), way });
		for (const [each, to] of between()(Buffer.from(bytes), way)) queue.push({ bytes: each, way: to });
	};
	let link = new HeadLink('h-1', freshNonce(), (bytes) => put(bytes, 'toHead'));
	let flash = key;
	const head = new SimHead(
		{ id: 'h-1', name: 'One', pattern: 'small' },
		{ key },
		{ out: (bytes) => put(bytes, 'toDesk'), keep: (kept) => (flash = kept.key) }
	);
	const pass = (ms: number) => {
		for (const until = now + ms; now < until;) {
			head.tick((now += 5));
			link.greet(now);
			for (const { bytes, way } of queue.splice(0))
				if (way === 'toHead') head.receive(bytes);
				else link.receive(bytes, now, place);
		}
	};
	return {
		head,
		link: () => link,
		pass,
		passed,
		now: () => now,
		flash: () => flash,
		/** The desk of tomorrow, on whatever clock. */
		anotherDesk: () => {
			const kept = Buffer.from(flash!, 'hex');
			link = new HeadLink('h-1', freshNonce(), (bytes) => put(bytes, 'toHead'));
			link.useKey(kept);
		}
	};
}
const code = (head: SimHead) => head.face().code;

describe('a claim', () => {
	it('both ends show the same digits, and only those make it the crew’s', () => {
		for (const typed of ['right', 'wrong', 'none yet'] as const) {
			const { head, link, pass, flash } = pair();
			pass(1100);
			expect(link().free).toBe(true);
			expect(link().claim(1100)).toBe(true);
			if (typed === 'none yet') expect(link().confirm('0000000')).toBe('wait');
			pass(100);
			const shown = code(head)!;
			expect(shown).toMatch(/^\d{7}$/);
			// Nothing is the crew's until somebody has said so.
			expect([flash(), head.face().claimed]).toEqual([null, false]);
			const said = typed === 'wrong' ? String((Number(shown) + 1) % 1e7).padStart(7, '0') : shown;
			const key = link().confirm(said);
			pass(600);
			if (typed === 'wrong') {
				expect(key).toBeNull();
				expect(link().claiming).toBe(false);
				expect(link().isHere(1800)).toBe(false);
				expect(flash()).toBeNull();
				// One try: the right digits come too late.
				expect(link().confirm(shown)).toBeNull();
			} else {
				expect(flash()).toBe(Buffer.from(key as Uint8Array).toString('hex'));
				expect([link().isHere(1800), head.face().claimed, code(head)]).toEqual([true, true, null]);
			}
		}
	});

	it('an own program between them, which knows all of this, is seen: never the same digits at both ends', () => {
		let alike = 0;
		for (let tries = 0; tries < 200; tries += 1) {
			// To each end it is the other one: it binds itself, shows its half, answers.
			const [toDesk, toHead] = [freshKeyPair(), freshKeyPair()].map(({ publicKey }) => ({
				publicKey,
				nonce: freshNonce()
			}));
			const say = (way: 'toHead' | 'toDesk', message: Parameters<typeof toBytes>[2]) =>
				[toBytes(way, 'h-1', message, null), way] as const;
			const between: Between = (bytes, way) => {
				switch (addressOf(bytes)?.type) {
					case 'claim':
						return [say('toHead', { type: 'claim', version: 2, commit: commitTo(toHead!) })];
					case 'pledge':
						return [say('toDesk', { type: 'pledge', commit: commitTo(toDesk!) })];
					case 'reveal':
						return [say('toHead', { type: 'reveal', ...toHead! })];
					case 'half':
						return [say('toDesk', { type: 'half', ...toDesk! })];
					default:
						return [[bytes, way]];
				}
			};
			const { head, link, pass } = pair(() => between);
			pass(1005);
			link().claim(1005);
			pass(60);
			const key = link().confirm(code(head)!);
			if (key !== null) alike += 1;
		}
		expect(alike).toBe(0);
	});

	it('whoever shows another half than they had bound themselves to is not heard', () => {
		for (const end of ['half', 'reveal'] as const) {
			const other = { publicKey: freshKeyPair().publicKey, nonce: freshNonce() };
			const between: Between = (bytes, way) =>
				addressOf(bytes)?.type === end
					? [[toBytes(way, 'h-1', { type: end, ...other } as ToDesk, null), way]]
					: [[bytes, way]];
			const { head, link, pass, now } = pair(() => between);
			pass(1005);
			link().claim(now());
			pass(2000);
			expect(link().confirm('1234567')).toBe('wait');
			if (end === 'reveal') expect(code(head)).toBeNull();
		}
	});

	it('no half is shown before both ends are bound', () => {
		const { link, pass, passed, now } = pair();
		pass(1005);
		link().claim(now());
		pass(200);
		const order = passed.map(({ bytes }) => addressOf(bytes)!.type).filter((type) => type !== 'announce');
		const first = (type: string) => order.indexOf(type);
		expect(first('claim')).toBeLessThan(first('pledge'));
		expect(first('pledge')).toBeLessThan(first('reveal'));
		expect(first('reveal')).toBeLessThan(first('half'));
		// What an announcement shows is nothing of a key.
		expect(JSON.stringify(fromBytes('toDesk', passed[0]!.bytes, null))).not.toMatch(/publicKey|nonce/);
	});
});

describe('a session', () => {
	const key = 'ab'.repeat(32);
	const begun = () => {
		const all = pair(undefined, key);
		all.link().useKey(Buffer.from(key, 'hex'));
		all.pass(1500);
		expect(all.link().isHere(all.now())).toBe(true);
		return all;
	};
	const invented = (more: object = {}): Buffer =>
		toBytes(
			'toDesk',
			'h-1',
			{
				...{ type: 'announce', version: 2, name: 'Mine', kind: 'large', claimed: 0 },
				each: [{ axis: 'panRad', from: -99, to: 99, maxRate: 50, maxAccel: 99, ring: 0 }],
				...more
			} as ToDesk,
			null
		);

	it('is ended by no unsigned word, which changes neither what the head can do nor where it is spoken to', () => {
		const { link, pass, now, passed } = begun();
		const before = link().about!.each;
		for (let k = 0; k < 400; k += 1) {
			link().receive(invented(), now(), elsewhere);
			pass(5);
			expect(link().isHere(now())).toBe(true);
		}
		expect(link().about!.each).toEqual(before);
		expect(link().state).not.toBeNull();
		// Not one greeting: nothing had to begin anew.
		const since = passed.slice(passed.length - 300).map(({ bytes }) => addressOf(bytes)!.type);
		expect(since).not.toContain('hello');
	});

	it('begins anew at once when the head was without power, proven by its own answer', () => {
		const { head, link, pass, now } = begun();
		pass(3000);
		const oldMs = link().state!.headMs;
		head.handle({ powered: false });
		pass(700);
		expect(link().isHere(now())).toBe(false);
		head.handle({ powered: true });
		pass(600);
		expect(link().isHere(now())).toBe(true);
		expect(link().state!.headMs).toBeLessThan(oldMs);
	});

	it('takes no recording for a new start, of either end, however often it comes', () => {
		const { head, link, pass, passed, now, anotherDesk } = begun();
		head.handle({ powered: false });
		pass(600);
		head.handle({ powered: true });
		pass(600);
		anotherDesk();
		pass(600);
		expect(link().isHere(now())).toBe(true);
		const state = () => link().state!.headMs;
		const recorded = [...passed];
		for (const { bytes, way } of recorded) {
			if (way === 'toHead') head.receive(bytes);
			else link().receive(bytes, now(), elsewhere);
		}
		const before = state();
		pass(300);
		expect(link().isHere(now())).toBe(true);
		expect(state()).toBeGreaterThan(before + 200);
	});

	it('of a desk whose clock is years off, or that begins again and again, needs no clock', () => {
		const all = begun();
		for (let k = 0; k < 20; k += 1) {
			all.anotherDesk();
			all.pass(1300);
			expect(all.link().isHere(all.now()), `desk ${k}`).toBe(true);
		}
	});
});

describe('a desk among invented heads', () => {
	let desk: Desk | null = null;
	afterEach(() => desk?.end());

	it('is told of a new one though a thousand others announce themselves, and gives them up when they fall silent', async () => {
		const port = await freeUdpPort();
		desk = new Desk({ port, onClaimed: async () => {}, onUnclaimed: async () => {} });
		await desk.begin();
		let heads: readonly { readonly id: string }[] = [];
		const socket = Object.assign(new EventEmitter(), {
			...{ readyState: 1, OPEN: 1, bufferedAmount: 0, terminate: () => {}, close: () => {} },
			send: (data: string | Buffer) => {
				const message = JSON.parse(String(data)) as { type: string; heads?: typeof heads };
				if (message.type === 'heads') heads = message.heads!;
			}
		});
		desk.page({ page: 'p', name: 'Ada' }, () => true).add(0, socket as never);
		const out = createSocket('udp4');
		const announce = (id: string) =>
			new Promise((resolve) =>
				out.send(
					toBytes(
						'toDesk',
						id,
						{
							...{ type: 'announce', version: 2, name: id, kind: 'small', claimed: 0 },
							each: [{ axis: 'panRad', from: -1, to: 1, maxRate: 1, maxAccel: 1, ring: 0 }]
						},
						null
					),
					port,
					'127.0.0.1',
					resolve
				)
			);
		const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
		for (let k = 0; k < 2000; k += 1) {
			await announce(`invented-${k % 1000}`);
			if (k % 40 === 0) await pause(4);
		}
		// As a head does, more than once.
		for (let k = 0; k < 3; k += 1) {
			await pause(200);
			await announce('mine');
		}
		await pause(300);
		expect(heads.map(({ id }) => id)).toContain('mine');
		expect(heads.length).toBeLessThanOrEqual(40);
		out.close();
		await new Promise((resolve) => setTimeout(resolve, 4000));
		expect(heads).toEqual([]);
	}, 20_000);
});
