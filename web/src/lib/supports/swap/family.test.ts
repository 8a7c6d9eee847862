import { describe, expect, it } from 'vitest';
import { payload } from '$lib/testing/scenario';
import { familyOf } from './family';

const lenses = ['wide', 'Cine', 'tele'].map((word, index) => ({ ...payload(word), id: `p${index}` }));
const [wide, cine, tele] = lenses as [(typeof lenses)[0], (typeof lenses)[0], (typeof lenses)[0]];

describe('a build’s family', () => {
	it('is the build and its variants, in the order given', () => {
		const all = [tele, cine, wide].map((each) => ({ ...each, familyId: each === cine ? 'other' : 'lenses' }));
		const { family, others } = familyOf({ id: wide.id, familyId: 'lenses' }, all);
		expect(family.map(({ id }) => id)).toEqual([tele.id, wide.id]);
		expect(others.map(({ id }) => id)).toEqual([cine.id]);
	});
	it('is the build alone where it has no family, however many others have none', () => {
		const all = lenses.map((each) => ({ ...each, familyId: null }));
		expect(familyOf({ id: cine.id, familyId: null }, all).family.map(({ id }) => id)).toEqual([cine.id]);
	});
});
