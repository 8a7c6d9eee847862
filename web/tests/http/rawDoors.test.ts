import { connect, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import WebSocket from 'ws';
import { rounds, send, serve, type Served } from '../application';

/* The first bytes of every connection, and more of them than anybody sends: nothing that comes over the wire ends the application. */
let served: Served;
let port: number;
let begun: string;
const instance = async () => ((await (await fetch(`${served.origin}/health`)).json()) as { instance: string }).instance;
beforeAll(async () => {
	served = await serve();
	port = Number(new URL(served.origin).port);
	begun = await instance();
});
afterAll(async () => {
	await served.stop();
});

/** Many at once, each with its number; the same numbers draw the same bytes. */
async function many(count: number, atOnce: number, each: (k: number) => Promise<void>): Promise<void> {
	let next = 0;
	await Promise.all(
		Array.from({ length: atOnce }, async () => {
			while (next < count) await each(next++);
		})
	);
}
function drawn(seed: number): () => number {
	let state = (seed * 2_654_435_761 + 1) >>> 0;
	return () => {
		state = (Math.imul(state ^ (state >>> 15), 2_246_822_507) + 0x9e3779b9) >>> 0;
		return ((state ^ (state >>> 13)) >>> 0) / 2 ** 32;
	};
}
const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('a connection', () => {
	it.each(['//', '/%', '/\\', 'http://[', '/live/socket', '/live/socket//', '/elsewhere'])(
		'opened as a socket on %s, from any page, ends nothing',
		async (path) => {
			await new Promise<void>((resolve) => {
				const socket = connect(port, '127.0.0.1', () =>
					socket.write(
						`GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nOrigin: http://elsewhere.example\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n`
					)
				);
				let said = '';
				socket.on('data', (data) => (said += String(data)));
				socket.on('error', () => {});
				socket.on('close', () => {
					// Answered, and closed at once.
					expect(said).toMatch(/^HTTP\/1\.1 4\d\d /);
					resolve();
				});
			});
			expect(await instance()).toBe(begun);
		}
	);

	it('that is no request, half of one, reset at once, closed, or kept silent ends nothing: thousands of them', async () => {
		const hosts = [`127.0.0.1:${port}`, 'elsewhere.example', '', `localhost:${port}`];
		const paths = [
			'/',
			'//',
			'/live/socket',
			'/live/socket?x',
			'/payload',
			'/\u0000',
			'/%zz',
			'*',
			'',
			'http://x/',
			'/..//',
			'/live/sockets'
		];
		const lines = [
			'Upgrade: websocket',
			'Connection: Upgrade',
			'Sec-WebSocket-Version: 13',
			'Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==',
			'Sec-WebSocket-Key: x',
			'Expect: 100-continue',
			'Content-Length: -1',
			'Transfer-Encoding: chunked',
			'Cookie: person=%',
			'Origin: null',
			'Origin: ::'
		];
		await many(rounds(10_000, 4000), 60, async (k) => {
			const random = drawn(k + 1);
			const chosen = lines.filter(() => random() < 0.6);
			const head = `${pick(random, ['GET', 'POST', 'CONNECT', 'OPTIONS', 'get', 'G\u0000T', ''])} ${pick(random, paths)} HTTP/${pick(random, ['1.1', '1.0', '9', ''])}\r\nHost: ${pick(random, hosts)}\r\n${chosen.join('\r\n')}\r\n\r\n`;
			const text = random() < 0.3 ? head.slice(0, Math.floor(random() * head.length)) : head;
			const how = pick(random, ['reset', 'reset', 'end', 'destroy', 'wait'] as const);
			await new Promise<void>((resolve) => {
				const socket: Socket = connect(port, '127.0.0.1');
				socket.on('error', () => {});
				socket.on('close', () => resolve());
				socket.on('data', () => {});
				socket.on('connect', () => {
					socket.write(text, 'latin1');
					const go = () => {
						if (how === 'reset') socket.resetAndDestroy();
						else if (how === 'end') socket.end();
						else socket.destroy();
					};
					if (how === 'wait') setTimeout(() => socket.destroy(), 30);
					else if (random() < 0.5) setTimeout(go, 2 * random());
					else go();
					if (how === 'end') setTimeout(() => socket.destroy(), 200);
				});
			});
		});
		expect(await instance()).toBe(begun);
	}, 300_000);

	it('as a socket that says nonsense, halves and far too much is closed or passed over', async () => {
		await many(rounds(400, 120), 20, async (k) => {
			const random = drawn(k + 77);
			const socket = new WebSocket(`ws://127.0.0.1:${port}/live/socket`);
			socket.on('error', () => {});
			await new Promise((resolve) => {
				socket.once('open', resolve);
				socket.once('close', resolve);
			});
			const words = [
				'{',
				'{}',
				'[]',
				'null',
				'{"type":"hello"}',
				'{"type":"hello","v":3,"secret":"x","slot":0}',
				JSON.stringify({ type: 'hello', v: 3, secret: 'x'.repeat(40), slot: 9 }),
				'\u0000',
				'{"type":"many","count":1e999,"said":[]}'
			];
			for (let n = 0; n < 8 && socket.readyState === socket.OPEN; n += 1)
				socket.send(
					random() < 0.2 ? Buffer.from(Array.from({ length: 50 }, () => 256 * random())) : pick(random, words)
				);
			if (random() < 0.3 && socket.readyState === socket.OPEN) socket.send('x'.repeat(70_000));
			await pause(5 * random());
			socket.terminate();
		});
		expect(await instance()).toBe(begun);
	}, 120_000);
});

describe('asked for whatever', () => {
	it('answers what is wrong with it, and never that something broke: every address, bent', async () => {
		const { body: payloads } = await send(served.origin, 'GET', '/api/payloads');
		const known = [payloads[0].id, payloads[1]?.id ?? payloads[0].id] as string[];
		const routes = (await import('../routes')).allRoutes();
		const odd = [
			'',
			'%00',
			'%',
			'%zz',
			'..',
			'null',
			'constructor',
			'__proto__',
			'0',
			'-1',
			'9'.repeat(400),
			'𝒳',
			'%F0%28',
			'\'"<>',
			'a'.repeat(2000),
			'00000000-0000-0000-0000-000000000000'
		];
		const broken: string[] = [];
		await many(rounds(12_000, 2500), 24, async (k) => {
			const random = drawn(k + 12_345);
			const filled = pick(random, routes).replace(/\[[^\]]+\]/g, () =>
				random() < 0.4 ? pick(random, known) : encodeURI(pick(random, odd))
			);
			const query =
				random() < 0.4
					? `?${pick(random, ['search', 'before', 'choose', 'all', 'q', 'at', 'x'])}=${pick(random, odd)}`
					: '';
			const method = filled.startsWith('/api')
				? pick(random, ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])
				: pick(random, ['GET', 'GET', 'HEAD', 'POST']);
			if (method === 'DELETE' && known.some((id) => filled.includes(id))) return;
			const body = pick(random, [
				'{',
				'{}',
				'[]',
				'7',
				'null',
				'{"name":7}',
				'{"id":"constructor","version":-1}',
				JSON.stringify({ name: 'x'.repeat(500), version: 1e9, values: { a: null } })
			]);
			const init: RequestInit = {
				method,
				redirect: 'manual',
				...(['GET', 'HEAD'].includes(method)
					? {}
					: {
							body,
							headers: {
								'content-type': pick(random, ['application/json', 'text/plain', 'application/x-www-form-urlencoded'])
							}
						})
			};
			let status: number;
			try {
				const answer = await fetch(served.origin + filled + query, init);
				await answer.arrayBuffer();
				({ status } = answer);
			} catch {
				// An address that is none: the client itself does not send it.
				return;
			}
			if (status >= 500) broken.push(`${status} ${method} ${filled}${query}`);
		});
		expect([...new Set(broken)].slice(0, 20)).toEqual([]);
		expect(await instance()).toBe(begun);
	}, 600_000);

	it('of a head that nobody knows there is nothing, and of a character that is none nothing is searched', async () => {
		const status = async (path: string) => (await fetch(served.origin + path)).status;
		expect(await status('/live/heads/00000000-0000-4000-8000-000000000000')).toBe(404);
		expect(await status('/logbook?search=%00')).toBe(400);
		expect(await status('/api/payloads?x=%00')).toBe(400);
	});

	it('by two hundred at once answers, or says when to come again; no save is lost and nothing breaks', async () => {
		const { body: payloads } = await send(served.origin, 'GET', '/api/payloads');
		const tallies = new Map<number, number>();
		const note = (status: number) => tallies.set(status, (tallies.get(status) ?? 0) + 1);
		const saves = Array.from({ length: 20 }, (_, k) => k);
		let kept = 0;
		await Promise.all([
			many(rounds(800, 400), 200, async (k) => {
				const path = pick(drawn(k), [
					'/payload',
					'/shelf',
					'/logbook',
					`/payload/${payloads[0].id}`,
					'/moves',
					'/venues',
					'/live'
				]);
				const response = await fetch(`${served.origin}${path}?all=${k}`, { redirect: 'manual' });
				await response.arrayBuffer();
				note(response.status);
				if (response.status === 503) expect(Number(response.headers.get('retry-after'))).toBeGreaterThan(0);
			}),
			...saves.map(async (k) => {
				// As a page saves: what was not taken is sent again.
				for (let tries = 0; tries < 40; tries += 1) {
					const answer = await send(served.origin, 'PATCH', '/api/me', { theme: k % 2 === 0 ? 'day' : 'house' });
					if (answer.status === 200) {
						kept += 1;
						return;
					}
					expect(answer.status).toBe(503);
					await pause(200);
				}
			})
		]);
		expect(kept).toBe(20);
		for (const status of tallies.keys()) expect([200, 307, 503]).toContain(status);
		expect(tallies.get(200)! + (tallies.get(307) ?? 0)).toBeGreaterThan(100);
		expect(await instance()).toBe(begun);
	}, 120_000);
});
