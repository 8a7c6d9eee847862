import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import WebSocket from 'ws';
import { hostNames, isHost } from '../../hosts.mjs';
import { type Served, serve } from '../application';

let served: Served;
beforeAll(async () => {
	served = await serve({ POISE_HOSTS: 'poise.example, Desk.Example' });
});
afterAll(() => served?.stop());

interface Told {
	readonly status: number;
	readonly text: string;
	readonly headers: NodeJS.Dict<string | string[]>;
}
const get = (path: string, host?: string, method = 'GET') =>
	new Promise<Told>((resolve, reject) => {
		const { hostname, port } = new URL(served.origin);
		const asked = request({ hostname, port, path, method, headers: host === undefined ? {} : { host } }, (response) => {
			let text = '';
			response.on('data', (chunk) => (text += String(chunk)));
			response.on('end', () => resolve({ status: response.statusCode ?? 0, text, headers: response.headers }));
		});
		asked.on('error', reject);
		asked.end();
	});

describe('the names it answers to', () => {
	it('are its own: the loopback’s, with any port, and those it was given', async () => {
		for (const host of ['localhost', 'localhost:1', '127.0.0.1:4600', '[::1]:9', 'poise.example', 'DESK.example:80'])
			expect((await get('/api/me', host)).status, host).not.toBe(421);
	});
	it('another’s is refused, for pages, files, writes and the desk’s sockets', async () => {
		const asset = /\/_app\/[^"]+\.js/.exec((await get('/shelf')).text)![0];
		for (const [path, method] of [
			['/', 'GET'],
			['/api/payloads', 'GET'],
			['/api/payloads', 'POST'],
			[asset, 'GET'],
			['/health', 'GET']
		] as const) {
			const { status, text } = await get(path, 'evil.example', method);
			expect(status, path).toBe(421);
			expect(text).toMatch(/POISE_HOSTS/);
			expect(text).not.toMatch(/payload/);
		}
		const socket = new WebSocket(`${served.origin.replace('http', 'ws')}/live/socket`, {
			headers: { host: 'evil.example' }
		});
		expect(await new Promise((resolve) => socket.once('error', (thrown) => resolve(thrown.message)))).toMatch(/421/);
	});
	it.each([
		'',
		'localhost@evil.example',
		'evil.example:80:80',
		'localhost.evil.example',
		'127.0.0.1.evil.example',
		'[::1',
		'localhost evil'
	])('“%s” is none of them', (host) => expect(isHost(hostNames({}), host)).toBe(false));
	it('listening on everything it answers to the machine’s own addresses too, and still to no name of another', () => {
		const names = hostNames({ HOST: '0.0.0.0' });
		expect(names.size).toBeGreaterThanOrEqual(3);
		expect(isHost(names, 'evil.example')).toBe(false);
		expect(isHost(hostNames({ HOST: 'stage-left' }), 'stage-left:4600')).toBe(true);
	});
});

describe('files', () => {
	it('carry the same headers as pages', async () => {
		const page = await get('/shelf');
		const asset = /\/_app\/[^"]+\.js/.exec(page.text)![0];
		const file = await get(asset);
		expect(file.status).toBe(200);
		for (const name of ['x-content-type-options', 'x-frame-options', 'referrer-policy', 'cross-origin-opener-policy'])
			expect(file.headers[name], name).toBe(page.headers[name]);
		expect(file.headers['x-content-type-options']).toBe('nosniff');
	});
	it('a body of 20 MB is too large, and said so', async () => {
		const response = await fetch(`${served.origin}/api/payloads`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: `"${'x'.repeat(20 * 1024 * 1024)}"`
		});
		expect(response.status).toBe(413);
		expect(((await response.json()) as { error: { code: string } }).error.code).toBe('tooLarge');
	});
	it('says which start of Poise it is', async () => {
		const { text } = await get('/health');
		expect(JSON.parse(text)).toMatchObject({
			application: 'poise',
			instance: expect.stringMatching(/^[0-9a-f-]{36}$/)
		});
	});
});
