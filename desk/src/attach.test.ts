import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { WebSocket } from 'ws';
import { attach, type Doors, livePath } from './attach';
import { Desk } from './desk';
import { pageProtocol } from './messages';

/* The door of the desk's sockets: from which page, for whom, and what the first word has to be. */

let server: Server;
let desk: Desk;
let at: string;
let identify: Doors['identify'];
const secret = 'a-secret-that-nobody-guesses-in-a-hundred-years';

beforeEach(async () => {
	identify = async () => ({ name: 'Ada', may: () => true });
	desk = new Desk({ port: 0, onClaimed: async () => {}, onUnclaimed: async () => {} });
	server = createServer();
	attach(server, {
		identify: (request) => identify(request),
		desk: () => desk,
		owner: async () => null,
		forward: () => {}
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	at = `127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(async () => {
	desk.end();
	await new Promise((resolve) => server.close(resolve));
});

/** What comes of opening a socket: the answer's number where it is refused, else what it is told first, or how it is closed. */
function opened(origin: string | undefined, first: unknown = { type: 'hello', v: pageProtocol, secret, slot: 0 }) {
	return new Promise<number | string>((resolve, reject) => {
		const socket = new WebSocket(`ws://${at}${livePath}`, origin === undefined ? {} : { origin });
		socket.on('unexpected-response', (_, { statusCode }) => {
			socket.terminate();
			resolve(statusCode!);
		});
		socket.on('open', () => socket.send(JSON.stringify(first)));
		socket.on('message', (data) => {
			socket.terminate();
			resolve(String(data));
		});
		socket.on('close', (code) => resolve(`closed ${code}`));
		socket.on('error', (thrown) => (/Unexpected server response/.test(thrown.message) ? undefined : reject(thrown)));
	});
}

describe('a socket to the desk', () => {
	it('is opened from the application’s own pages, and by what is no browser', async () => {
		expect(await opened(`http://${at}`)).toMatch(/"welcome"/);
		expect(await opened(undefined)).toMatch(/"welcome"/);
	});
	it.each(['https://elsewhere.example', 'http://127.0.0.1:1', 'null', 'http://['])(
		'from %s is refused',
		async (origin) => {
			expect(await opened(origin)).toBe(403);
		}
	);
	it('for nobody of this crew is refused, and where it is not known who asks', async () => {
		identify = async () => null;
		expect(await opened(`http://${at}`)).toBe(403);
		identify = async () => Promise.reject(new Error('no database'));
		expect(await opened(`http://${at}`)).toBe(403);
	});
	it.each([
		['an older page', { type: 'hello', v: pageProtocol - 1, secret, slot: 0 }],
		['a secret that can be guessed', { type: 'hello', v: pageProtocol, secret: 'short', slot: 0 }],
		['a word before hello', { type: 'stopAll' }]
	])('is closed on %s', async (_, first) => {
		expect(await opened(`http://${at}`, first)).toBe('closed 1002');
	});
	it('is known by a name that says nothing of its secret, the same each time', async () => {
		const told = await opened(`http://${at}`);
		const { page } = JSON.parse(String(told)) as { readonly page: string };
		expect(page).toMatch(/^[0-9a-f]{24}$/);
		expect(String(told)).not.toContain(secret);
		expect(await opened(`http://${at}`, { type: 'hello', v: pageProtocol, secret, slot: 1 })).toContain(page);
	});
});
