import { describe, expect, it } from 'vitest';
import type { Listener } from '../db/listening';
import { Revisions } from './revisions';

function bench() {
	const line = { isHeard: false, asked: [] as string[] };
	let listener: Listener | null = null;
	const revisions = new Revisions();
	revisions.listenTo('', (_address, given) => {
		listener = given;
		return {
			get isHeard() {
				return line.isHeard;
			},
			stop: async () => {}
		};
	});
	const connection = { query: async (words: string) => void line.asked.push(words) };
	return {
		...{ revisions, line },
		hear: (crewId: string) => listener!.hear(crewId),
		begin: async () => {
			expect(await listener!.begin(connection as never)).toBe(true);
			line.isHeard = true;
		},
		lose: () => {
			listener!.lose();
			line.isHeard = false;
		}
	};
}

describe('the revision of a crew', () => {
	it('is not known before the database is heard, nor while it is not', async () => {
		const it = bench();
		expect(it.revisions.of('a')).toBeNull();
		await it.begin();
		expect(it.line.asked).toEqual(['listen poise_revisions']);
		expect(it.revisions.of('a')).not.toBeNull();
		it.lose();
		expect(it.revisions.of('a')).toBeNull();
	});
	it('is another one after every write, heard or made here, of that crew alone', async () => {
		const it = bench();
		await it.begin();
		const known = [it.revisions.of('a'), it.revisions.of('b')];
		it.hear('a');
		expect(it.revisions.of('a')).not.toBe(known[0]);
		expect(it.revisions.of('b')).toBe(known[1]);
		const heard = it.revisions.of('b');
		it.revisions.raise('b');
		expect(it.revisions.of('b')).not.toBe(heard);
	});
	it('is another one for everybody where a write may have been missed', async () => {
		const it = bench();
		await it.begin();
		const known = [it.revisions.of('a'), it.revisions.of('b')];
		it.lose();
		await it.begin();
		expect([it.revisions.of('a') === known[0], it.revisions.of('b') === known[1]]).toEqual([false, false]);
	});
});
