import { describe, expect, it } from 'vitest';
import { agreedLooks } from '../index';

describe('looks that have to agree', () => {
	it('are one where friction forgives a hand, two where it does not, and where nobody knows', () => {
		expect([0.01, 0.001, 0.0004].map((bandM) => agreedLooks({ bandM }))).toEqual([1, 1, 1]);
		expect([0.00039, 0.0001, 0].map((bandM) => agreedLooks({ bandM }))).toEqual([2, 2, 2]);
	});
	it('refuse a band below nothing', () => expect(() => agreedLooks({ bandM: -0.001 })).toThrow('bandM'));
});
