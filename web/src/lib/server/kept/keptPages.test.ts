import { describe, expect, it } from 'vitest';
import { type Asked, KeptPages } from './keptPages';

const first: Asked = {
	...{ revision: '1.1', crewId: 'crew', personId: 'maren', host: 'desk.local', path: '/shelf?a=1' },
	...{ isData: false, isGzip: false, known: null }
};
/** Pages of one server, and how somebody comes to one. */
function serving(answers: (count: number) => Response | Promise<Response> = () => new Response('a page')) {
	const pages = new KeptPages();
	let made = 0;
	const visit = async (asked: Partial<Asked> = {}) => {
		const response = await pages.of({ ...first, ...asked }, async () => answers((made += 1)));
		return {
			...{ status: response.status, text: await response.text(), cookie: response.headers.get('set-cookie') },
			isKept: response.headers.get('server-timing') === 'kept'
		};
	};
	return {
		visit,
		get made() {
			return made;
		}
	};
}
const numbered = (count: number) => new Response(`page ${count}`, { headers: { etag: `"${count}"` } });

describe('a kept page', () => {
	it('is given again while nothing of the crew was written, and made anew after', async () => {
		const it = serving(numbered);
		expect(await it.visit()).toMatchObject({ text: 'page 1', isKept: false });
		expect(await it.visit()).toMatchObject({ text: 'page 1', isKept: true });
		expect(await it.visit({ revision: '1.2' })).toMatchObject({ text: 'page 2', isKept: false });
		expect(await it.visit({ revision: '1.2' })).toMatchObject({ text: 'page 2', isKept: true });
	});
	it.each([
		['somebody else', { personId: 'joss' }],
		['another crew', { crewId: 'other' }],
		['another address', { path: '/shelf?a=2' }],
		['another name of the machine', { host: 'other.local' }],
		['the data of it', { isData: true }],
		['who takes it compressed', { isGzip: true }]
	] as const)('is not given to %s', async (_who, asked) => {
		const it = serving(numbered);
		await it.visit();
		expect(await it.visit(asked)).toMatchObject({ text: 'page 2', isKept: false });
		expect(await it.visit()).toMatchObject({ text: 'page 1', isKept: true });
	});
	it('is neither kept nor given while the database is not heard', async () => {
		const it = serving(numbered);
		await it.visit();
		expect(await it.visit({ revision: null })).toMatchObject({ text: 'page 2', isKept: false });
		expect(await it.visit({ revision: null })).toMatchObject({ text: 'page 3', isKept: false });
	});
	it('that sets a cookie is made for each who asks, also at the same moment', async () => {
		const it = serving((count) => new Response('hello', { headers: { 'set-cookie': `person=${count}` } }));
		const all = await Promise.all([it.visit(), it.visit(), it.visit()]);
		expect(all.map(({ cookie }) => cookie).sort()).toEqual(['person=1', 'person=2', 'person=3']);
		expect((await it.visit()).cookie).toBe('person=4');
	});
	it.each([404, 302, 503])('with %d is not kept', async (status) => {
		const it = serving(() => new Response(status === 302 ? null : 'no', { status }));
		await it.visit();
		expect(await it.visit()).toMatchObject({ status, isKept: false });
	});
	it('is made once for many at the same moment; what fails is tried again by the next', async () => {
		let go: () => void = () => {};
		const it = serving(async (count) => {
			if (count === 1) await new Promise<void>((resolve) => (go = resolve));
			if (count === 2) throw new Error('broken');
			return numbered(count);
		});
		const many = Array.from({ length: 5 }, () => it.visit());
		await new Promise((resolve) => setTimeout(resolve, 0));
		go();
		expect((await Promise.all(many)).map(({ text }) => text)).toEqual(Array(5).fill('page 1'));
		await expect(it.visit({ path: '/other' })).rejects.toThrow('broken');
		expect(await it.visit({ path: '/other' })).toMatchObject({ text: 'page 3', isKept: false });
		expect(it.made).toBe(3);
	});
	it('is not sent to whoever has it', async () => {
		const it = serving(numbered);
		await it.visit();
		expect(await it.visit({ known: '"1"' })).toMatchObject({ status: 304, text: '' });
		expect(await it.visit({ known: '"0"' })).toMatchObject({ status: 200, text: 'page 1' });
	});
});
