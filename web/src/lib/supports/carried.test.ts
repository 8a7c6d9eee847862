import { describe, expect, it } from 'vitest';
import { payload, shelf } from '$lib/testing/scenario';
import { carriedOn } from './carried';

const byId = new Map(shelf.map((part) => [part.id, part]));
const builds = ['wide', 'monitor', 'Cine'].map((word, index) => ({ ...payload(word), id: `p${index}` }));
const on = (leastPayloadKg: number, greatestPayloadKg: number, preferred: string | null) =>
	carriedOn({ leastPayloadKg, greatestPayloadKg }, builds, byId, preferred)?.id;

describe('what a support is drawn with', () => {
	it('is the one on the bench where it carries that, else the first that it carries', () => {
		expect(on(0, 100, 'p1')).toBe('p1');
		expect(on(0, 100, null)).toBe('p0');
		expect(on(0, 100, 'elsewhere')).toBe('p0');
		expect(on(5, 100, 'p0')).toBe('p2');
	});
	it('is none where all are too light or too heavy', () => {
		expect(on(40, 100, 'p2')).toBeUndefined();
		expect(on(0, 0.1, 'p0')).toBeUndefined();
	});
});
