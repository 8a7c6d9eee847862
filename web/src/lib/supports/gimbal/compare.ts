import { combineBodies, type Vec3 } from '@poise/core';
import { solveBench } from './figures';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import type { Part } from '$lib/model/part';
import { mountedBodies, type PayloadDraft, type StandingPart, standingParts } from '$lib/model/payload';
import type { Gimbal } from './model';

/** One slide: where it stood when logged, and where the present payload wants it. */
interface SlideChange {
	readonly slideId: string;
	readonly loggedM: number;
	readonly predictedM: number;
	readonly moveM: number;
	/** How far past the end of its travel the prediction lies; 0 inside. */
	readonly pastEndM: number;
}

export interface Comparison {
	readonly slides: readonly SlideChange[];
	readonly massChangeKg: number;
	readonly cgChangeM: Vec3;
	readonly parts: readonly PartChange[];
}

interface PartChange {
	readonly name: string;
	readonly change: 'added' | 'removed' | 'moved' | 'reweighed';
	/** Mass gained or lost with it, or by weighing anew. */
	readonly massChangeKg: number;
	readonly moveM: Vec3 | null;
}

/** Closer than this a part has not moved: a drag sets half millimetres. */
const samePlaceM = 0.0004;
const sameMassKg = 0.0005;

/**
 * From a logged balance to the present payload on the present gimbal.
 *
 * The logged readings are the truth about that gimbal with that payload, whatever the figures said of it; so the change of
 * the computed balance, then to now, is added to them. What the figures had wrong about the parts that stayed cancels.
 */
export function compareBalance(
	record: GimbalRecord,
	rig: Gimbal,
	payload: PayloadDraft,
	shelf: readonly Part[]
): Comparison {
	const then = standingParts(record.snapshot.payload, byId(record.snapshot.parts));
	const now = standingParts(payload, byId(shelf));
	const before = solveBench(record.support, mountedBodies(then));
	const after = solveBench(rig, mountedBodies(now));

	const slides = rig.geometry.slides.flatMap(({ id, rangeM }): SlideChange[] => {
		const loggedM = record.positionsM[id];
		const was = before.slides.find((slide) => slide.id === id);
		const is = after.slides.find((slide) => slide.id === id);
		if (loggedM === undefined || was === undefined || is === undefined) return [];
		const wantedM = loggedM + (is.positionM - was.positionM);
		const predictedM = Math.min(rangeM[1], Math.max(rangeM[0], wantedM));
		return [
			{ slideId: id, loggedM, predictedM, moveM: predictedM - loggedM, pastEndM: Math.abs(wantedM - predictedM) }
		];
	});

	const [thenTotal, nowTotal] = [then, now].map((parts) =>
		combineBodies({ bodies: mountedBodies(parts).map(({ body }) => body) })
	) as [ReturnType<typeof combineBodies>, ReturnType<typeof combineBodies>];
	return {
		slides,
		massChangeKg: nowTotal.massKg - thenTotal.massKg,
		cgChangeM: difference(nowTotal.cgM, thenTotal.cgM),
		parts: partChanges(then, now)
	};
}

const byId = (parts: readonly Part[]) => new Map(parts.map((part) => [part.id, part]));
const difference = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

/** A part is the same one if it has the same place id; else one of the same name that is left over on both sides. */
function partChanges(then: readonly StandingPart[], now: readonly StandingPart[]): PartChange[] {
	const left = [...now];
	const take = (match: (part: StandingPart) => boolean) => {
		const index = left.findIndex(match);
		return index < 0 ? undefined : left.splice(index, 1)[0];
	};
	const pairs = then.map((old) => ({ old, is: take((each) => each.id === old.id && each.part.id === old.part.id) }));
	const matched = pairs.map(({ old, is }) => ({ old, is: is ?? take((each) => each.part.name === old.part.name) }));
	const changes = matched.flatMap(({ old, is }): PartChange[] => {
		const { name, massKg } = old.part;
		if (is === undefined) return [{ name, change: 'removed', massChangeKg: -massKg, moveM: null }];
		const moveM = difference(is.positionM, old.positionM);
		const massChangeKg = is.part.massKg - massKg;
		const found: PartChange[] = [];
		if (Math.abs(massChangeKg) > sameMassKg) found.push({ name, change: 'reweighed', massChangeKg, moveM: null });
		if (Math.hypot(...moveM) > samePlaceM) found.push({ name, change: 'moved', massChangeKg: 0, moveM });
		return found;
	});
	const added = left.map(({ part }): PartChange => ({
		name: part.name,
		change: 'added',
		massChangeKg: part.massKg,
		moveM: null
	}));
	return [...changes, ...added];
}
