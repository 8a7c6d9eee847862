import {
	gimbalHeightForDropTime,
	inertiaFromDrops,
	mFromMm,
	type Sled,
	type SledPlane,
	sledReport,
	type SledReport,
	type Spread,
	spreadOf
} from '@poise/core';
import type { Thumb } from '$lib/model/person';
import type { SledGeometry, SledSeen, SledSetting } from './model';
import { dropBandS } from './figures';
import { gimbalTravel } from './standing';

/** A thumb never measured: no lag to take off, and this unsure of it. */
const usualThumb = { lagS: 0, spreadS: 0.12, unsureS: 0.08 };
/** What repeated practice leaves unsure of a measured lag. */
const measuredUnsureS = 0.03;
/** The clock's and the touch screen's own step. */
const resolutionS = 0.02;
/** A lag far out of a person's own is a slip; fewer tries say too little. */
export const thumbTries = 5;

export interface TimedDrops extends Spread {
	/** The mean, less what the thumb is late by. */
	readonly dropTimeS: number;
	readonly sigmaS: number;
}

/** What the runs say together: slips of the thumb left out, its lag taken off. Null: none timed. */
export function timedDrops(runsS: readonly number[], thumb: Thumb | null): TimedDrops | null {
	if (runsS.length === 0) return null;
	const spread = spreadOf({ values: runsS, resolution: resolutionS });
	const lagS = thumb?.lagS ?? usualThumb.lagS;
	const unsureS = thumb === null ? usualThumb.unsureS : measuredUnsureS;
	const one = thumb === null ? usualThumb.spreadS : Math.max(resolutionS, thumb.spreadS);
	const kept = runsS.length - spread.dropped.length;
	// Two or three runs that agree by luck are no surer than a thumb is.
	const error = Math.max(spread.standardError ?? 0, one / Math.sqrt(kept));
	return { ...spread, dropTimeS: Math.max(0.2, spread.mean - lagS), sigmaS: Math.hypot(error, unsureS) };
}

/** A person's thumb from practice: how late it taps, and how much that varies. Null: too few tries. */
export function thumbFrom(lagsS: readonly number[]): Thumb | null {
	if (lagsS.length < thumbTries) return null;
	const { mean, spread } = spreadOf({ values: lagsS, resolution: resolutionS });
	return { lagS: mean, spreadS: spread ?? 0 };
}

export type DropPlan =
	| { readonly kind: 'right'; readonly nowS: number }
	| {
			readonly kind: 'move';
			readonly toM: number;
			/** Null: top-heavy as it stands. */
			readonly nowS: number | null;
			/** What it then falls in; the wish, or the nearest there is. */
			readonly thenS: number | null;
			readonly why: 'tooShort' | 'gimbalAtTop' | 'gimbalAtFoot' | null;
	  };

/** Where the gimbal goes for a wanted drop, all else left as it is; where it cannot be had, the nearest and why. */
export function dropPlan(geometry: SledGeometry, setting: SledSetting, sled: Sled, wantedS: number): DropPlan {
	const nowS = sledReport({ sled }).dropTimeS.fore;
	if (nowS !== null && Math.abs(nowS - wantedS) <= dropBandS) return { kind: 'right', nowS };
	const [foot, top] = gimbalTravel(geometry, setting.pulledOutM);
	const found = gimbalHeightForDropTime({ sled, dropTimeS: wantedS, plane: 'fore' });
	const cgM = sledReport({ sled }).cgM[2];
	const heightM = found.feasible ? found.gimbalHeightM : cgM + found.fastestDropHeightM;
	const toM = Math.min(top, Math.max(foot, heightM));
	const why = heightM > top ? 'gimbalAtTop' : heightM < foot ? 'gimbalAtFoot' : found.feasible ? null : 'tooShort';
	return { kind: 'move', toM, nowS, thenS: sledReport({ sled: { ...sled, gimbalHeightM: toM } }).dropTimeS.fore, why };
}

/** How much one millimetre more of gimbal height changes the drop, s; null: top-heavy. */
export function dropPerMm(sled: Sled): number | null {
	const now = sledReport({ sled }).dropTimeS.fore;
	const higher = sledReport({ sled: { ...sled, gimbalHeightM: sled.gimbalHeightM + mFromMm(1) } }).dropTimeS.fore;
	return now === null || higher === null ? null : higher - now;
}

/** About the centre of gravity, across the fall, kg·m², out of the figures about the gimbal. */
export function ownInertia(
	{ tiltInertiaKgM2, rollInertiaKgM2, massKg, dropHeightM, staticOffsetM }: SledReport,
	plane: SledPlane
): number {
	const about = plane === 'fore' ? tiltInertiaKgM2 : rollInertiaKgM2;
	return about - massKg * (dropHeightM ** 2 + staticOffsetM[plane] ** 2);
}

/** Drop time over gimbal height, from just above the centre of gravity to the top of the clamp. */
export function dropCurve(geometry: SledGeometry, setting: SledSetting, sled: Sled): (readonly [number, number])[] {
	const [foot, top] = gimbalTravel(geometry, setting.pulledOutM);
	const low = Math.max(foot, sledReport({ sled }).cgM[2] + 0.003);
	const points = Array.from({ length: 41 }, (_, index) => low + ((top - low) * index * index) / 1600);
	return points.flatMap((gimbalHeightM) => {
		const time = sledReport({ sled: { ...sled, gimbalHeightM } }).dropTimeS.fore;
		return time === null ? [] : [[gimbalHeightM, time] as const];
	});
}

const sameM = 0.001;
/** Everything but gimbal and plate stands alike: then only the drop height tells two drops apart. */
function sameBut(a: SledSetting, b: SledSetting): boolean {
	const near = (x: number, y: number) => Math.abs(x - y) <= sameM;
	const ids = new Set([...Object.keys(a.items), ...Object.keys(b.items)]);
	return (
		near(a.pulledOutM, b.pulledOutM) &&
		JSON.stringify(a.weights) === JSON.stringify(b.weights) &&
		[...ids].every((id) => {
			const [x, y] = [a.items[id], b.items[id]];
			if (x === undefined || y === undefined) return false;
			return near(x.foreM, y.foreM) && near(x.sideM, y.sideM) && near(x.upM, y.upM) && near(x.tiltRad, y.tiltRad);
		})
	);
}

export type TrueInertia =
	| { readonly kind: 'few'; readonly heights: number }
	| { readonly kind: 'no'; readonly reason: 'sameHeight' | 'notShorter' }
	| {
			readonly kind: 'found';
			readonly inertiaKgM2: number;
			readonly sigmaKgM2: number;
			readonly cgHeightM: number;
			readonly cgSigmaM: number;
			readonly drops: number;
	  };

/** What drops timed with the sled as it stands, at two gimbal heights or more, say of its true inertia. */
export function trueInertia(
	seen: readonly SledSeen[],
	setting: SledSetting,
	massKg: number,
	plane: SledPlane
): TrueInertia {
	const drops = seen.flatMap((each) =>
		each.kind === 'drop' && each.plane === plane && sameBut(each.setting, setting)
			? [{ gimbalHeightM: each.setting.gimbalM, dropTimeS: each.dropTimeS, sigmaS: each.sigmaS }]
			: []
	);
	const heights = new Set(drops.map(({ gimbalHeightM }) => Math.round(gimbalHeightM * 2000))).size;
	if (heights < 2) return { kind: 'few', heights };
	const fit = inertiaFromDrops({ massKg, drops });
	if (!fit.feasible) return { kind: 'no', reason: fit.reason };
	return {
		kind: 'found',
		inertiaKgM2: fit.inertiaCgKgM2,
		sigmaKgM2: fit.inertiaSigmaKgM2,
		cgHeightM: fit.cgHeightM,
		cgSigmaM: fit.cgHeightSigmaM,
		drops: drops.length
	};
}
