import { balanceGimbal, mountPayload, type Vec3 } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import { cgFromMiddleOf, type Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import { foretoldSigmasM } from '$lib/supports/gimbal/figures';
import { learnedOf } from '$lib/supports/gimbal/taught';
import { payload, record, rig, shelf } from '$lib/testing/scenario';
import { withFigures } from './learnedFigures';
import type { TaughtChange } from '$lib/model/measurement';
import { lessonFrom as lessonOf } from './lesson';

const lessonFrom = (...given: Parameters<typeof lessonOf>) => lessonOf(...given).sheet;

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
			beside: 0,
			foretold: null,
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
		const without = lessonFrom(wrong, shelf, [small], { leftOut: ['r3'] });
		expect([without.used, without.widenedBy, without.outliers]).toEqual([5, 1, []]);
		expect(without.without.map(({ id }) => id)).toEqual(['r3']);
	});
	it('an id that names none of them leaves nothing out', () => {
		expect(lessonFrom(records, shelf, [small], { leftOut: ['constructor', ''] }).used).toBe(6);
	});
});

describe('figures taken over from a lesson', () => {
	const world = truly('35 mm prime', [0.006, 0, 0]);
	const records = ['wide', 'monitor', 'screen'].map((word, index) =>
		logged(payload(word), world, `r${index}`, index === 9 ? 0 : 0.002)
	);
	/** The gear with those of the lesson's figures taken over that `take` names, and the changes that the book keeps of it. */
	const takenOver = (
		{ figures }: ReturnType<typeof lessonOf>,
		take: (key: string) => boolean = () => true,
		lessonId = 'one',
		at = '2026-03-01T10:00:00.000Z'
	) => {
		const taken = figures.filter(({ proposal }) => take(proposal.key));
		const { rig: on } = withFigures(taken, small, []);
		const now = shelf.map((part) => {
			const after = taken.find(({ subjectId, about }) => about === 'part' && subjectId === part.id)?.after;
			return after === undefined ? part : { ...part, shape: { ...part.shape, ...after } };
		}) as readonly Part[];
		const changes = taken.map(({ about, subjectId, slideId, after, taught }): TaughtChange => ({
			...{ about, subjectId, slideId, after, at },
			taught: { ...taught, lessonId }
		}));
		return { shelf: now, rig: on, changes };
	};
	const sigmasOf = (of: ReturnType<typeof takenOver>, word = 'monitor') => {
		const byId = new Map(of.shelf.map((part) => [part.id, part]));
		const standing = standingParts(payload(word), byId);
		const learned = learnedOf(
			standing.map(({ part }) => part),
			of.rig,
			of.changes
		);
		return Object.values(foretoldSigmasM(of.rig, mountedBodies(standing), learned));
	};

	it('teach nothing a second time: no balance counts twice', () => {
		const first = lessonOf(records, shelf, [small]);
		expect(first.figures.length).toBeGreaterThan(first.sheet.proposals.length);
		expect(first.sheet.beside).toBe(first.figures.length - first.sheet.proposals.length);
		const then = takenOver(first);
		const again = lessonOf(records, then.shelf, [then.rig], { changes: then.changes });
		expect([again.sheet.proposals, again.sheet.beside, again.sheet.used]).toEqual([[], 0, 3]);
		// Without the book of what was taken over they would count again, and make everything surer than it is.
		expect(lessonOf(records, then.shelf, [then.rig]).figures.length).toBeGreaterThan(0);
	});
	it('come out the same in two lessons as in one, in whatever order they were taken', () => {
		const early = takenOver(lessonOf(records.slice(0, 1), shelf, [small]));
		const late = lessonOf(records, early.shelf, [early.rig], { changes: early.changes });
		const atOnce = lessonOf(records, shelf, [small]);
		const told = new Map(atOnce.figures.map((each) => [each.proposal.key, each]));
		expect(late.figures.length).toBeGreaterThan(0);
		for (const { proposal, after } of late.figures) expect(after).toEqual(told.get(proposal.key)?.after);
	});
	it('foretell a build that was balanced as surely as it was read, and no more surely with some of them left', () => {
		const lesson = lessonOf(records, shelf, [small]);
		const untold = sigmasOf({ shelf, rig: small, changes: [] });
		const all = sigmasOf(takenOver(lesson));
		const apart = sigmasOf({ ...takenOver(lesson), changes: [] });
		all.forEach((sigma, s) => {
			expect(sigma).toBeLessThan(0.0009);
			expect(sigma).toBeLessThan(untold[s]!);
		});
		expect(Math.max(...apart)).toBeGreaterThan(2 * Math.max(...all));
		const lens = lesson.sheet.proposals.find((each) => each.about === 'part')!.key;
		const some = sigmasOf(takenOver(lesson, (key) => key !== lens));
		some.forEach((sigma, s) => expect(sigma).toBeGreaterThan(all[s]! - 1e-9));
		expect(lesson.sheet.foretold?.thenM).toBeCloseTo(Math.max(...sigmasOf(takenOver(lesson), 'wide')), 9);
		expect(lesson.sheet.foretold?.todayM).toBeCloseTo(
			Math.max(...sigmasOf({ shelf, rig: small, changes: [] }, 'wide')),
			9
		);
	});
	it('a figure that was measured since is its own, and shares nothing with what the lesson said', () => {
		const lesson = lessonOf(records, shelf, [small]);
		const then = takenOver(lesson);
		const measured = then.shelf.map((part) =>
			part.name === '35 mm prime'
				? {
						...part,
						shape: { ...part.shape, cgFromMiddleM: [0.006, 0, 0] as Vec3, cgSigmaM: [0.0004, 0.0004, 0.0004] as Vec3 }
					}
				: part
		);
		const standing = standingParts(payload('monitor'), new Map(measured.map((part) => [part.id, part])));
		const parts = standing.map(({ part }) => part);
		const { keys, square } = learnedOf(parts, then.rig, then.changes)!;
		const lens = parts.find(({ name }) => name === '35 mm prime')!;
		const x = keys.indexOf(`part:${lens.id}.x`);
		square[x]!.forEach((value, j) => expect(value).toBeCloseTo(j === x ? 0.0004 ** 2 : 0, 14));
		// And the next lesson believes the rod.
		const next = lessonOf(records, measured, [then.rig], { changes: then.changes });
		const told = next.figures.find(({ subjectId }) => subjectId === lens.id);
		if (told !== undefined) expect(told.taught.untaught).toMatchObject({ cgFromMiddleM: [0.006, 0, 0] });
	});
	it('are believed apart again once they were taken back', () => {
		const then = takenOver(lessonOf(records, shelf, [small]));
		const standing = standingParts(payload('wide'), new Map(shelf.map((part) => [part.id, part])));
		expect(
			learnedOf(
				standing.map(({ part }) => part),
				small,
				then.changes
			)
		).toBeNull();
		expect(
			learnedOf(
				standing.map(({ part }) => part),
				small,
				[]
			)
		).toBeNull();
	});
	it('a zero is moved the way its scale reads, and balances that come to disagree make what was taken over less sure again', () => {
		const lesson = lessonOf(records, shelf, [small]);
		const zero = lesson.figures.find(({ about, slideId }) => about === 'zero' && slideId === 'panArm')!;
		const was = small.geometry.slides.find(({ id }) => id === 'panArm')!.scale.readingAtZeroM;
		expect('readingAtZeroM' in zero.after && zero.after.readingAtZeroM - was).toBeGreaterThan(0.001);
		const then = takenOver(lesson);
		expect(then.rig.geometry.slides.find(({ id }) => id === 'panArm')!.scale.readingAtZeroM - was).toBeGreaterThan(
			0.001
		);
		const wrong = [
			...records,
			{
				...records[0]!,
				id: 'wrong',
				positionsM: Object.fromEntries(Object.entries(records[0]!.positionsM).map(([id, at]) => [id, at + 0.03]))
			}
		];
		const later = lessonOf(wrong, then.shelf, [then.rig], { changes: then.changes });
		expect(later.sheet.widenedBy).toBeGreaterThan(2);
		const again = later.figures.find(({ subjectId, slideId }) => subjectId === zero.subjectId && slideId === 'panArm')!;
		expect(again.proposal.about === 'zero' && again.proposal.afterSigmaM > again.proposal.beforeSigmaM).toBe(true);
	});
});
