import { balanceGimbal, mountPayload, type Vec3 } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import { cgFromMiddleOf, type Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import { payload, record, rig, shelf } from '$lib/testing/scenario';
import { lessonFrom } from './lesson';

const small = rig('Small');
/** The shelf as it truly is: one part heavy elsewhere. */
const truly = (name: string, byM: Vec3): Part[] =>
	shelf.map((part) =>
		part.name === name
			? {
					...part,
					shape: {
						...part.shape,
						cgFromMiddleM: cgFromMiddleOf(part.shape).map((value, k) => value + byM[k]!) as unknown as Vec3
					}
				}
			: part
	);
const logged = (of: Payload, world: readonly Part[], id: string, zeroM = 0): GimbalRecord => {
	const bodies = mountedBodies(standingParts(of, new Map(world.map((part) => [part.id, part]))));
	const { slides } = balanceGimbal({ chain: mountPayload({ rig: small.geometry, payload: bodies }) });
	const positionsM = Object.fromEntries(
		slides.map(({ id: slide, positionM }) => [slide, positionM + (slide === 'panArm' ? zeroM : 0)])
	);
	return { ...record(of, small, positionsM), id };
};

describe('a lesson from the logbook', () => {
	it('says nothing without records, and nothing new where the shelf was right', () => {
		expect(lessonFrom([], shelf, [small])).toEqual({
			proposals: [],
			untold: [],
			used: 0,
			widenedBy: 1,
			outliers: [],
			without: []
		});
		const right = lessonFrom([logged(payload('wide'), shelf, 'a')], shelf, [small]);
		expect(right.used).toBe(1);
		for (const proposal of right.proposals)
			if (proposal.about === 'part')
				proposal.afterM.forEach((value, k) => expect(value).toBeCloseTo(proposal.beforeM[k]!, 3));
	});
	it('moves the lens that is really heavy further forward, most of the way, and is surer after', () => {
		const world = truly('35 mm prime', [0.008, 0, 0]);
		const records = [
			logged(payload('monitor'), world, 'a'),
			logged(payload('screen'), world, 'b'),
			logged(payload('wide'), world, 'c')
		];
		const { proposals, used } = lessonFrom(records, shelf, [small]);
		expect(used).toBe(3);
		const lens = proposals.find((each) => each.about === 'part' && each.part.name === '35 mm prime');
		if (lens?.about !== 'part') throw new Error('The lens is not among what was learned.');
		expect(lens.afterM[0] - lens.beforeM[0]).toBeGreaterThan(0.005);
		expect(lens.afterM[0] - lens.beforeM[0]).toBeLessThan(0.009);
		expect(lens.afterSigmaM[0]).toBeLessThan(lens.beforeSigmaM[0] / 1.5);
		// The most telling figure stands first.
		expect(proposals[0]).toBe(lens);
	});
	it('finds a scale whose zero is off from several builds that agree on it', () => {
		const records = ['wide', 'monitor', 'screen'].map((word, index) =>
			logged(payload(word), shelf, String(index), 0.003)
		);
		const zero = lessonFrom(records, shelf, [small]).proposals.find(
			(each) => each.about === 'zero' && each.slideId === 'panArm'
		);
		if (zero?.about !== 'zero') throw new Error('The pan arm’s zero is not among what was learned.');
		expect(zero.afterM - zero.beforeM).toBeGreaterThan(0.002);
		expect(zero.afterM - zero.beforeM).toBeLessThan(0.0031);
	});
	it.each([
		['only repeats what was computed', (one: GimbalRecord) => ({ ...one, found: [] })],
		['was struck out', (one: GimbalRecord) => ({ ...one, struck: true })],
		['stands on a gimbal that is gone', (one: GimbalRecord) => ({ ...one, supportId: 'gone' })],
		['had a weight on it', (one: GimbalRecord) => ({ ...one, weights: [{ placeId: 'plateRear', massKg: 0.1 }] })],
		[
			'holds a part that left the shelf',
			(one: GimbalRecord) => ({
				...one,
				snapshot: { ...one.snapshot, payload: { ...one.snapshot.payload, platePartId: 'gone' } }
			})
		]
	])('leaves out a record that %s', (_, change) =>
		expect(lessonFrom([change(logged(payload('wide'), shelf, 'a'))], shelf, [small]).used).toBe(0)
	);
	it('names what was only weighed together', () =>
		expect(lessonFrom([logged(payload('wide'), shelf, 'a')], shelf, [small]).untold.join()).toMatch(
			/Compact body, fore-aft/
		));
});

describe('a balance that does not fit', () => {
	const world = truly('35 mm prime', [0.004, 0, 0]);
	const words = ['wide', 'monitor', 'screen', 'wide', 'monitor', 'screen'];
	const records = words.map((word, index) => logged(payload(word), world, `r${index}`));
	const wrong = records.map((each) =>
		each.id === 'r3'
			? { ...each, positionsM: { ...each.positionsM, plate: (each.positionsM['plate'] ?? 0) + 0.02 } }
			: each
	);

	it('is named with all the others left to count, widens every ±, and left out it is said to be', () => {
		const right = lessonFrom(records, shelf, [small]);
		expect([right.widenedBy, right.outliers, right.without]).toEqual([1, [], []]);
		const told = lessonFrom(wrong, shelf, [small]);
		expect(told.used).toBe(6);
		expect(told.outliers.map(({ id }) => id)).toEqual(['r3']);
		expect(told.widenedBy).toBeGreaterThan(1);
		const without = lessonFrom(wrong, shelf, [small], ['r3']);
		expect([without.used, without.widenedBy, without.outliers]).toEqual([5, 1, []]);
		expect(without.without.map(({ id }) => id)).toEqual(['r3']);
	});
	it('an id that names none of them leaves nothing out', () => {
		expect(lessonFrom(records, shelf, [small], ['constructor', '']).used).toBe(6);
	});
});
