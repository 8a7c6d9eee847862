import { describe, expect, it } from 'vitest';
import { Driving } from './driving';

const [ada, ben, cem] = ['Ada', 'Ben', 'Cem'].map((name) => ({ page: name, name })) as [
	{ page: string; name: string },
	{ page: string; name: string },
	{ page: string; name: string }
];
const driven = () => {
	const driving = new Driving();
	driving.take(ada, 0, false);
	return driving;
};
const of = (driving: Driving, atMs: number, held = false) => driving.seen(atMs, held);

describe('who drives a head', () => {
	it('a head of nobody’s is taken by a press; one of somebody’s is not, and nothing is asked by trying', () => {
		const driving = driven();
		expect(of(driving, 1).driver).toEqual(ada);
		expect(driving.take(ben, 1, false)).toBe(false);
		expect(of(driving, 1)).toMatchObject({ driver: ada, askedBy: null, taken: null });
	});
	it('asked for, it passes by nothing but its driver’s hand for fifteen seconds, and by another press after', () => {
		const driving = driven();
		driving.ask(ben, 1000);
		expect(of(driving, 1000).askedBy).toEqual({ page: 'Ben', name: 'Ben', mayTakeInS: 15 });
		expect(driving.take(ben, 15_999, false)).toBe(false);
		expect(of(driving, 60_000).driver).toEqual(ada);
		expect(driving.take(cem, 60_000, false)).toBe(false);
		expect(driving.take(ben, 16_000, true)).toBe(false);
		expect(driving.take(ben, 16_000, false)).toBe(true);
		expect(of(driving, 16_000)).toMatchObject({
			driver: ben,
			askedBy: null,
			taken: { by: 'Ben', from: 'Ada', as: 'silence' }
		});
		expect(of(driving, 37_000).taken).toBeNull();
	});
	it('whoever does something with it was not silent', () => {
		const driving = driven();
		driving.ask(ben, 0);
		driving.active(10_000);
		expect(driving.take(ben, 24_999, false)).toBe(false);
		expect(of(driving, 20_000).askedBy!.mayTakeInS).toBe(5);
		expect(of(driving, 20_000, true).askedBy!.mayTakeInS).toBe(15);
		expect(driving.take(ben, 25_000, false)).toBe(true);
	});
	it('kept, whoever asked is told and asks anew; given, it is theirs; given to nobody, it is nobody’s', () => {
		const driving = driven();
		driving.ask(ben, 0);
		driving.ask(cem, 1);
		expect(of(driving, 1).askedBy!.page).toBe('Ben');
		driving.keep('Ben', 2);
		expect(of(driving, 2).askedBy).not.toBeNull();
		driving.keep('Ada', 2);
		expect(of(driving, 3)).toMatchObject({ askedBy: null, keptFrom: 'Ben', driver: ada });
		expect(driving.take(ben, 100_000, false)).toBe(false);
		driving.ask(ben, 100_000);
		expect(of(driving, 100_000).keptFrom).toBeNull();
		expect(driving.give('Ben')).toBe(false);
		expect(driving.give('Ada')).toBe(true);
		expect(of(driving, 100_001).driver).toEqual(ben);
		expect(driving.give('Ben')).toBe(true);
		expect(of(driving, 100_002).driver).toBeNull();
	});
	it('a lead takes it at once, held or not, by name; whoever drives it already takes nothing', () => {
		const driving = driven();
		expect(driving.lead(ada, 1)).toBe(false);
		expect(driving.lead(ben, 2)).toBe(true);
		expect(of(driving, 2)).toMatchObject({ driver: ben, taken: { by: 'Ben', from: 'Ada', as: 'lead' } });
	});
	it('a page that is gone drives and asks no more', () => {
		const driving = driven();
		driving.ask(ben, 0);
		expect(driving.gone('Ben')).toBe(false);
		expect(of(driving, 1).askedBy).toBeNull();
		driving.ask(cem, 1);
		expect(driving.gone('Ada')).toBe(true);
		expect(of(driving, 2)).toMatchObject({ driver: null, askedBy: null });
	});
});
