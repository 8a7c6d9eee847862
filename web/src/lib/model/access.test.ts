import type { DeskVerb } from '@poise/desk';
import { describe, expect, it } from 'vitest';
import { allowed, roles, type Verb, verbs } from './access';

const mayOf = (role: (typeof roles)[number]) => verbs.filter((verb) => allowed(role, verb));

describe('what a role may', () => {
	it('is everything for a lead, and less for each after', () => {
		expect(mayOf('lead')).toEqual([...verbs]);
		for (const [k, role] of roles.entries()) {
			const before = roles[k - 1];
			if (before !== undefined) expect(mayOf(before), role).toEqual(expect.arrayContaining(mayOf(role)));
		}
		expect(roles.map((role) => mayOf(role).length).every((count, k, all) => k === 0 || count < all[k - 1]!)).toBe(true);
	});
	it('is for a watcher to see, to stop everything, and to be themselves', () => {
		expect(mayOf('watcher')).toEqual(['see', 'stop', 'beOneself']);
	});
	it('is for an assistant to log and to hold, not to set, to claim, or to clear a stop', () => {
		expect(mayOf('assistant')).toEqual(['see', 'stop', 'beOneself', 'log', 'drive']);
	});
	it('is all of an operator’s but taking a head from whoever drives it', () => {
		expect(verbs.filter((verb) => !allowed('operator', verb))).toEqual(['lead']);
	});
	it('is nothing for a role that nobody knows, and nobody’s where the verb is none', () => {
		expect(verbs.filter((verb) => allowed('owner' as 'lead', verb))).toEqual([]);
		expect(() => allowed('lead', 'fly' as Verb)).toThrow();
	});
	it('knows every verb the desk asks by', () => {
		const asked: readonly DeskVerb[] = ['see', 'stop', 'drive', 'record', 'claim', 'clear', 'lead'];
		expect(asked.filter((verb) => !verbs.includes(verb))).toEqual([]);
	});
});
