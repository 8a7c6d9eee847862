import { mmFromM } from '@poise/core';
import type { Part } from '$lib/model/part';
import type { PayloadDraft, Placement } from '$lib/model/payload';

/** Two people's builds put together, and what both had changed at once, where mine was kept. */
export interface Merged {
	readonly draft: PayloadDraft;
	readonly clashes: readonly string[];
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * What I changed since `base` laid over what they saved: each part by itself, so that one person moving the lens and
 * another adding a monitor lose nothing. Where both changed the same thing, mine stands and the clash is named. A part that
 * one took off and the other changed stays on.
 */
export function merge(
	base: PayloadDraft,
	mine: PayloadDraft,
	theirs: PayloadDraft,
	nameOf: (partId: string) => string
): Merged {
	const clashes: string[] = [];
	const pick = <T>(was: T, my: T, their: T, what: string): T => {
		if (same(my, their) || same(their, was)) return my;
		if (same(my, was)) return their;
		clashes.push(what);
		return my;
	};
	const byId = (list: readonly Placement[]) => new Map(list.map((each) => [each.id, each]));
	const [was, my, their] = [byId(base.placements), byId(mine.placements), byId(theirs.placements)];
	const ids = [...new Set([...theirs.placements, ...mine.placements].map(({ id }) => id))];
	const placements = ids.flatMap((id) => {
		const [old, own, other] = [was.get(id), my.get(id), their.get(id)];
		const name = nameOf((own ?? other ?? old)?.partId ?? '');
		if (own !== undefined && other !== undefined) return [pick(old ?? own, own, other, name)];
		const left = own ?? other;
		// On one side only: new there, or taken off on the other.
		if (left === undefined) return [];
		if (old === undefined) return [left];
		if (same(left, old)) return [];
		clashes.push(name);
		return [left];
	});
	return {
		draft: {
			name: pick(base.name, mine.name, theirs.name, 'the name'),
			platePartId: pick(base.platePartId, mine.platePartId, theirs.platePartId, 'the plate'),
			placements,
			correction: pick(
				base.correction ?? null,
				mine.correction ?? null,
				theirs.correction ?? null,
				'the measured centre'
			)
		},
		clashes
	};
}

/** How theirs differs from mine, one line a part, in words. */
export function differences(mine: PayloadDraft, theirs: PayloadDraft, shelf: ReadonlyMap<string, Part>): string[] {
	const nameOf = (partId: string) => shelf.get(partId)?.name ?? 'a part new on the shelf';
	const lines: string[] = [];
	if (mine.name !== theirs.name) lines.push(`They call it “${theirs.name}”.`);
	if (mine.platePartId !== theirs.platePartId)
		lines.push(`They have it on the ${nameOf(theirs.platePartId).toLowerCase()}.`);
	for (const their of theirs.placements) {
		const my = mine.placements.find(({ id }) => id === their.id);
		if (my === undefined) lines.push(`${nameOf(their.partId)}: only on theirs.`);
		else if (my.partId !== their.partId) lines.push(`${nameOf(my.partId)}: theirs has ${nameOf(their.partId)} there.`);
		else if (!same(my.positionM, their.positionM)) {
			const apartMm = mmFromM(Math.hypot(...my.positionM.map((value, k) => value - (their.positionM[k] ?? 0))));
			lines.push(`${nameOf(their.partId)}: ${apartMm.toFixed(apartMm < 10 ? 1 : 0)} mm apart.`);
		} else if (!same(my.attitude, their.attitude)) lines.push(`${nameOf(their.partId)}: turned or set otherwise.`);
	}
	for (const my of mine.placements)
		if (!theirs.placements.some(({ id }) => id === my.id)) lines.push(`${nameOf(my.partId)}: only on yours.`);
	return lines;
}
