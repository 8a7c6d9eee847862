import type { RequestEvent } from '@sveltejs/kit';
import { describe, expect, it } from 'vitest';
import { KeptPages } from './keptPages';
import { noteQuery } from './readSet';

const seam = Symbol.for('poise.keptPage');
type Given = { status: number; headers: readonly (readonly [string, string])[]; body: Uint8Array | null } | null;

/** Pages of one server, the door that it asks at first, and how somebody comes to a page of it the long way. */
function serving() {
	const pages = new KeptPages(() => ({ tables: new Set(['parts']) }) as never);
	const shared: Record<symbol, unknown> = {};
	pages.openTo(shared);
	const door = shared[seam] as (method: string, path: string, headers: Record<string, string>) => Given;
	let made = 0;
	const visit = (path: string, headers: Record<string, string> = {}, person = '') =>
		pages.of(
			{
				request: new Request(`https://desk.local${path}`, { headers: { host: 'desk.local', ...headers } }),
				cookies: { get: (name: string) => (name === 'person' ? person : undefined) },
				isDataRequest: false
			} as unknown as RequestEvent,
			async () => {
				noteQuery('select "id", "name" from "parts" where "parts"."crew_id" = $1', ['a']);
				made += 1;
				return new Response(`page ${made}`, { headers: { etag: `"${made}"`, 'content-type': 'text/html' } });
			}
		);
	return { pages, door, visit };
}
const words = (given: Given) => (given?.body == null ? null : new TextDecoder().decode(given.body));
const asked = { host: 'desk.local' };

describe('a kept page', () => {
	it('is given out at the door once it was made, and to those alone who would be given the same', async () => {
		const { door, visit } = serving();
		expect(door('GET', '/shelf?a=1', asked)).toBeNull();
		await visit('/shelf?a=1', {}, 'maren');
		const cookie = 'theme=night; person=maren';
		expect(words(door('GET', '/shelf?a=1', { ...asked, cookie }))).toBe('page 1');
		expect(door('GET', '/shelf?a=1', { ...asked, cookie })?.headers).toContainEqual(['server-timing', 'kept']);
		for (const [method, path, headers] of [
			['HEAD', '/shelf?a=1', { cookie }],
			['POST', '/shelf?a=1', { cookie }],
			['GET', '/shelf?a=2', { cookie }],
			['GET', '/shelf', { cookie }],
			['GET', '/shelf/__data.json?a=1', { cookie }],
			['GET', '/shelf?a=1', {}],
			['GET', '/shelf?a=1', { cookie: 'person=joss' }],
			['GET', '/shelf?a=1', { cookie: 'otherperson=maren' }],
			['GET', '/shelf?a=1', { cookie: 'person=joss; person=maren' }],
			['GET', '/shelf?a=1', { cookie, host: 'other.local' }],
			['GET', '/shelf?a=1', { cookie, 'accept-encoding': 'gzip, br' }]
		] as const)
			expect([method, path, headers, door(method, path, { ...asked, ...headers })]).toEqual([
				method,
				path,
				headers,
				null
			]);
	});
	it('is not sent to whoever has it, and is gone when a row of it is written', async () => {
		const { pages, door, visit } = serving();
		await visit('/shelf');
		expect(door('GET', '/shelf', { ...asked, 'if-none-match': '"1"' })).toMatchObject({ status: 304, body: null });
		expect(words(door('GET', '/shelf', { ...asked, 'if-none-match': '"0"' }))).toBe('page 1');
		pages.written({ table: 'venues', changed: null, ids: new Map([['crew_id', 'a']]) });
		expect(words(door('GET', '/shelf', asked))).toBe('page 1');
		pages.written({ table: 'parts', changed: null, ids: new Map([['crew_id', 'a']]) });
		expect(door('GET', '/shelf', asked)).toBeNull();
		expect(await (await visit('/shelf')).text()).toBe('page 2');
		expect(words(door('GET', '/shelf', asked))).toBe('page 2');
		pages.forgetAll();
		expect(door('GET', '/shelf', asked)).toBeNull();
	});
	it('is read from a cookie as the application reads it, and from none that cannot be', async () => {
		const { door, visit } = serving();
		await visit('/shelf', {}, 'a b');
		expect(words(door('GET', '/shelf', { ...asked, cookie: 'person=a%20b' }))).toBe('page 1');
		expect(door('GET', '/shelf', { ...asked, cookie: 'person=%E0%A4%A' })).toBeNull();
	});
});
