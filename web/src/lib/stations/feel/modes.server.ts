import { whyNoMode } from './modes';
import type { ModeSheet } from './model';
import { type TurningAxis, turningAxes } from '$lib/model/turning';
import type { FeelPaperOf } from './papers.server';
import { findSupport } from '$lib/server/db/supports';
import { Refusal } from '$lib/server/refusal';

/** A mode that the gimbal has no motor for is refused at its field. */
export async function refuseForeignModes(
	crewId: string,
	{ kind, supportId }: FeelPaperOf,
	content: unknown
): Promise<void> {
	if (kind !== 'sheet' || supportId === null) return;
	const { geometry } = await findSupport<{ readonly axes?: readonly { readonly id: string }[] }>(crewId, supportId);
	const ids = (geometry.axes ?? []).map(({ id }) => id);
	const motors = turningAxes.filter((axis: TurningAxis) => ids.includes(axis));
	const fields: Record<string, string> = {};
	(content as ModeSheet).modes.forEach((mode, index) => {
		const why = whyNoMode(mode.kind, motors);
		if (why !== null) fields[`content.modes.${index}.kind`] = why;
	});
	if (Object.keys(fields).length > 0) throw new Refusal('invalid', undefined, fields);
}
