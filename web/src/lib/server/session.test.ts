import { beforeEach, describe, expect, it, vi } from 'vitest';

const crew = { id: 'crew', name: 'Crew', people: [{ id: 'ada' }, { id: 'ben' }] };
let stands: typeof crew | null = crew;
const asked = vi.fn(async () => {
	if (stands === null) throw new Error('away');
	return stands;
});
let revision: string | null = null;
vi.mock('./db/people', () => ({ crewWithPeople: asked }));
vi.mock('./kept/revisions', () => ({ revisions: { of: (id: string) => (id === 'crew' ? revision : null) } }));
let sessionOf: (typeof import('./session'))['sessionOf'];
const who = async (cookie: string | null = null) => (await sessionOf({ cookie }))?.person.id;

describe('who asks', () => {
	beforeEach(async () => {
		[stands, revision] = [crew, null];
		vi.resetModules();
		({ sessionOf } = await import('./session'));
		asked.mockClear();
	});
	it.each([
		[null, 'ada'],
		['person=ben', 'ben'],
		['theme=night; person=ben; person=ada', 'ben'],
		['otherperson=ben', 'ada'],
		['person=nobody', 'ada'],
		['person=', 'ada']
	])('with the cookies %s is %s', async (cookie, person) => {
		expect(await who(cookie)).toBe(person);
	});
	it('is asked of the database every time while nothing is known of writes', async () => {
		for (let k = 0; k < 3; k += 1) await who();
		expect(asked).toHaveBeenCalledTimes(3);
	});
	it('is asked once while nothing is written, by however many, and again after', async () => {
		revision = '1.0';
		await who();
		await who();
		asked.mockClear();
		await Promise.all([who(), who('person=ben'), who()]);
		expect(asked).not.toHaveBeenCalled();
		revision = '1.1';
		stands = { ...crew, people: [{ id: 'cas' }] };
		expect(await Promise.all([who(), who(), who()])).toEqual(['cas', 'cas', 'cas']);
		expect(asked).toHaveBeenCalledTimes(1);
		revision = null;
		await who();
		expect(asked).toHaveBeenCalledTimes(2);
	});
	it('is asked again after it could not be answered', async () => {
		revision = '1.0';
		await who();
		await who();
		[stands, revision] = [null, '1.1'];
		await expect(who()).rejects.toThrow('away');
		stands = crew;
		expect(await who()).toBe('ada');
	});
});
