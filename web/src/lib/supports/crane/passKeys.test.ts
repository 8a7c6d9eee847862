import { describe, expect, it } from 'vitest';
import { craneBenchState } from './schemas.server';
import { crane, craneState } from '$lib/testing/crane';
import { countedFrom, firstThatDoes, keysOf, mostVia, withAnother, withKey, withoutKey } from './passKeys';

const state = craneState(crane('sectional'));
const { pass } = state;
const accepted = (next: typeof pass) => craneBenchState.validate({ ...state, pass: next }).error?.message ?? null;

describe('a drawn pass', () => {
	it('has a start and an end, and takes poses between them in order of time', () => {
		expect(keysOf(pass).map(({ share }) => share)).toEqual([0, 1]);
		let more = pass;
		for (let count = 0; count < 20; count += 1) more = withAnother(more);
		const shares = keysOf(more).map(({ share }) => share);
		expect(shares).toHaveLength(mostVia + 2);
		expect([...shares].sort((a, b) => a - b)).toEqual(shares);
		expect(accepted(more)).toBeNull();
		expect(withAnother(more)).toBe(more);
	});
	it('puts the first new pose in the middle of the way', () => {
		const [, middle] = keysOf(withAnother(pass));
		expect(middle).toEqual({
			share: 0.5,
			swingRad: (pass.fromSwingRad + pass.toSwingRad) / 2,
			boomRad: (pass.fromBoomRad + pass.toBoomRad) / 2
		});
	});
	it('never lets a pose overtake its neighbours, nor start and end leave their time', () => {
		const two = withAnother(withAnother(pass));
		const pulled = withKey(two, 1, { share: 0.99, boomRad: 0.4 });
		const shares = keysOf(pulled).map(({ share }) => share);
		expect(shares[1]).toBeLessThan(shares[2]!);
		expect(pulled.via![0]!.boomRad).toBe(0.4);
		expect(accepted(pulled)).toBeNull();
		expect(keysOf(withKey(two, 0, { share: 0.5, swingRad: -1 }))[0]).toMatchObject({ share: 0, swingRad: -1 });
		expect(keysOf(withKey(two, 3, { share: 0.5, boomRad: 0.2 }))[3]).toMatchObject({ share: 1, boomRad: 0.2 });
	});
	it('takes a pose out again', () => {
		expect(withoutKey(withAnother(pass), 1).via).toEqual([]);
	});
	it('is refused at the door out of order, with the pass as typed kept by whoever sent it', () => {
		const key = (share: number) => ({ share, swingRad: 0, boomRad: 0 });
		expect(accepted({ ...pass, via: [key(0.6), key(0.4)] })).not.toBeNull();
		expect(accepted({ ...pass, via: [key(1)] })).not.toBeNull();
	});
	it('counts a swing on past the half turn', () => {
		expect(countedFrom(-3, 3)).toBeCloseTo(2 * Math.PI - 3, 12);
		expect(countedFrom(0.2, 0.1)).toBeCloseTo(0.2, 12);
	});
});

describe('the first step that does', () => {
	it('is found wherever it begins, with few asks', () => {
		for (let from = 1; from <= 60; from += 1) {
			let asks = 0;
			const found = firstThatDoes(60, (count) => {
				asks += 1;
				return count >= from;
			});
			expect(found).toBe(from);
			expect(asks).toBeLessThanOrEqual(7);
		}
	});
	it('is none where not even the last does', () => expect(firstThatDoes(19, () => false)).toBeNull());
	it('does itself, after one that does not, where more does not always help', () => {
		const does = (count: number) => count % 3 === 0;
		const found = firstThatDoes(60, does)!;
		expect([does(found), does(found - 1)]).toEqual([true, false]);
	});
});
