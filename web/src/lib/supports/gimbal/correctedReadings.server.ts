import { PhysicsInputError } from '@poise/core';
import { benchFigures } from './figures';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { GimbalRecordDetail, Positions } from './model';
import { Refusal } from '$lib/server/refusal';

/**
 * A gimbal's record with other readings, its figures worked out anew from its own copy of payload and rig. Which slides were
 * seen to hold stays: the hand saw that, and only the figure was written down wrong.
 */
export function withReadings(
	detail: GimbalRecordDetail,
	positionsM: Positions
): { readonly detail: GimbalRecordDetail; readonly placed: boolean } {
	const { slides } = detail.support.geometry;
	const fields = Object.fromEntries(
		slides.flatMap(({ id, label, rangeM }) => {
			const at = positionsM[id];
			if (at === undefined) return [[`positionsM.${id}`, `The reading of the ${label.toLowerCase()} is missing.`]];
			// Half a millimetre of grace: a scale is read by eye.
			return at < rangeM[0] - 0.0005 || at > rangeM[1] + 0.0005
				? [[`positionsM.${id}`, `The ${label.toLowerCase()} does not reach that far.`]]
				: [];
		})
	) as Record<string, string>;
	if (Object.keys(fields).length > 0) throw new Refusal('invalid', undefined, fields);
	const known = Object.fromEntries(slides.map(({ id }) => [id, positionsM[id] as number]));
	const { payload, parts } = detail.snapshot;
	const bodies = mountedBodies(
		standingParts(payload as Payload, new Map((parts as readonly Part[]).map((part) => [part.id, part])))
	);
	try {
		const { axes, placed } = benchFigures(detail.support, bodies, known);
		return { detail: { ...detail, positionsM: known, axes }, placed };
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			throw new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`);
		throw thrown;
	}
}
