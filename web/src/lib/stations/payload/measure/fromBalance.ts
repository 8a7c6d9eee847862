import { learnFromBalances, readingAt, type Vec3 } from '@poise/core';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import { cgFromMiddleOf } from '$lib/model/part';
import { bodyOf, middleM, mountedBodies, sigmaOf, standingParts } from '$lib/model/payload';
import { turnOfAttitude } from '$lib/model/attitude';
import { usualZeroSigmaM } from '$lib/supports/gimbal/taught';
import type { Evaluated } from './evaluate';

/** Wide enough that the balance alone decides. */
const knowNothingM: Vec3 = [0.1, 0.1, 0.1];

/**
 * Where a part, or the whole payload when `partId` is null, must be heavy for that logged balance to have been one. The
 * other parts and the scales are taken with their own uncertainty.
 */
export function fromBalance(record: GimbalRecord, partId: string | null): Evaluated | { readonly problem: string } {
	if ((record.found ?? []).length === 0)
		return { problem: 'In that balance no axis was seen to hold: its readings are computed and say nothing new.' };
	const parts = standingParts(
		{ ...record.snapshot.payload, correction: null },
		new Map(record.snapshot.parts.map((part) => [part.id, part]))
	);
	const { geometry } = record.support;
	const rig = {
		id: record.support.id,
		rig: geometry,
		zeroSigmaM: Object.fromEntries(geometry.slides.map(({ id, zeroSigmaM = usualZeroSigmaM }) => [id, zeroSigmaM]))
	};
	const readingsM = Object.fromEntries(
		geometry.slides.map((slide) => [slide.id, readingAt(slide, record.positionsM[slide.id] ?? 0)])
	);
	const balance = { rigId: rig.id, readingsM, readingSigmaM: 0.0007, foundSlideIds: record.found ?? [] };
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;

	if (partId === null) {
		const massKg = parts.reduce((sum, each) => sum + bodyOf(each).massKg, 0);
		const centre = mountedBodies(parts).reduce<Vec3>(
			(sum, { body }) => sum.map((value, k) => value + (body.massKg * (body.cgM[k] ?? 0)) / massKg) as unknown as Vec3,
			[0, 0, 0]
		);
		const lesson = learnFromBalances({
			rigs: [rig],
			parts: [{ id: 'whole', massKg, cgM: centre, sigmaM: knowNothingM }],
			balances: [{ ...balance, parts: [{ partId: 'whole', originM: [0, 0, 0] }] }]
		});
		return found(lesson.parts[0]?.cgM ?? [], [0, 0, -plateM]);
	}
	const wanted = parts.filter(({ part }) => part.id === partId);
	if (wanted.length !== 1) return { problem: 'That balance does not hold this part exactly once.' };
	// Each standing part by itself: two alike may differ, and each has its own place and turn.
	const lesson = learnFromBalances({
		rigs: [rig],
		parts: parts.map((each) => ({
			id: each.id,
			massKg: bodyOf(each).massKg,
			cgM: cgFromMiddleOf(each.part.shape, each.attitude.extended),
			sigmaM: each.part.id === partId ? knowNothingM : sigmaOf(each)
		})),
		balances: [
			{
				...balance,
				parts: parts.map((each) => {
					const [x, y, z] = middleM(each);
					return { partId: each.id, originM: [x, y, z + plateM] as const, turn: turnOfAttitude(each.attitude) };
				})
			}
		]
	});
	return found(lesson.parts.find(({ id }) => id === wanted[0]?.id)?.cgM ?? [], [0, 0, 0]);
}

function found(
	learned: readonly { readonly value: number; readonly sigma: number }[],
	shiftM: Vec3
): Evaluated | { readonly problem: string } {
	const told = learned.flatMap(({ value, sigma }, axis) =>
		// Left as unsure as before: the gimbal has no slide that tells of this direction.
		sigma > 0.05 ? [] : [{ axis: axis as 0 | 1 | 2, valueM: value + (shiftM[axis] ?? 0), sigmaM: sigma }]
	);
	return told.length === 0
		? { problem: 'That gimbal’s slides say nothing of this.' }
		: { found: told, notes: ['Friction, the scales and the other parts’ uncertainty are in the ±.'] };
}
