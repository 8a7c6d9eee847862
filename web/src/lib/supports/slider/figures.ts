import { combineBodies, railLoads, type RailLoads } from '@poise/core';
import type { MountedBody } from '$lib/model/payload';
import type { Slider, SliderBenchState, SliderGeometry, SliderLook, SliderSetting } from './model';
import { apartM } from './standing';

/** Less than this on a support is as good as lifting: a hand on the camera does the rest. */
export const leastBearingN = 5;
/** Any clamp that is tight holds so much. */
const slightNm = 0.5;

/** What a slider's supports, clamps and carriage bear, at rest, over the whole travel. */
export interface SliderFigures {
	readonly payloadKg: number;
	readonly carriedKg: number;
	/** The load's centre past the carriage along the rail, and square to it. */
	readonly overhangM: number;
	readonly standoffM: number;
	/** With the carriage where it stands. */
	readonly now: RailLoads;
	/** With the carriage at either end of its travel. */
	readonly atStart: RailLoads;
	readonly atEnd: RailLoads;
	/** Least and most that each support bears over the travel, in the setting's order. */
	readonly spansN: readonly (readonly [least: number, most: number])[];
	/** The most a single clamp holds against turning, either way; null: two supports. */
	readonly momentNm: number | null;
	/** The travel over which no support lifts; null: one lifts wherever the carriage is. One clamp: all of it. */
	readonly keepsDownM: readonly [number, number] | null;
	/** Two supports that nothing lifts off, as near together as that allows; null: the rail is too short for it. */
	readonly widerM: readonly [number, number] | null;
	readonly wrong: readonly SliderTrouble[];
	readonly fit: 'tooLight' | 'within' | 'tooHeavy';
	/** As computed: nothing lifts and nothing bears more than it is said to. */
	readonly placed: boolean;
	/** As seen: the carriage was walked from end to end and the rail stayed. */
	readonly poised: boolean;
	/** What was last seen of the rail as it stands; null: nothing. */
	readonly seen: SliderLook['what'] | null;
}

export type SliderTrouble =
	| { readonly kind: 'lifts'; readonly support: number; readonly atM: number; readonly byN: number }
	| { readonly kind: 'bears'; readonly support: number; readonly byN: number; readonly mostN: number }
	| { readonly kind: 'turns'; readonly byNm: number; readonly mostNm: number }
	| { readonly kind: 'slides'; readonly byN: number; readonly mostN: number }
	/** It has to hold, and nobody has said how much it holds: that is no yes. */
	| { readonly kind: 'unsaid'; readonly what: 'clamp'; readonly byNm: number }
	| { readonly kind: 'unsaid'; readonly what: 'drive' | 'clamps'; readonly byN: number };

/** What of the looks speaks of the rail as it stands, with this build on it. */
export const countedLooks = (
	{ looks, setting }: Pick<SliderBenchState, 'looks' | 'setting'>,
	payloadVersion: number
): readonly SliderLook[] =>
	looks.filter(
		(look) => look.struck !== true && look.payloadVersion === payloadVersion && sameStand(look.setting, setting)
	);

/** The carriage is walked along the rail to look, so where it is says nothing. */
export const sameStand = (a: SliderSetting, b: SliderSetting): boolean =>
	a.supportsM.length === b.supportsM.length &&
	a.supportsM.every((u, index) => Math.abs(u - (b.supportsM[index] ?? 0)) < 0.002) &&
	Math.abs(a.inclineRad - b.inclineRad) < 0.002 &&
	Math.abs(a.reachM - b.reachM) < 0.002 &&
	a.hung === b.hung &&
	a.looks === b.looks;

/**
 * What the rail bears. The payload's bodies stand from the underside of their plate: forward is along the rail, or across it
 * with the start on the camera's left; hung, the camera is the other way up, its left and right changed over.
 *
 * Every load is linear in the carriage's place, so the ends of its travel hold the extremes.
 */
export function sliderFigures(
	{ geometry, leastPayloadKg, greatestPayloadKg }: Pick<Slider, 'geometry' | 'leastPayloadKg' | 'greatestPayloadKg'>,
	payload: readonly MountedBody[],
	setting: SliderSetting,
	looks: readonly SliderLook[]
): SliderFigures {
	const { rail, carriage } = geometry;
	const load = combineBodies({ bodies: payload.map(({ body }) => body) });
	const { overhangM, standoffM } = centreOn(geometry, setting, load);
	const carriedKg = load.massKg + carriage.massKg;
	const loads = (atM: number, supportsM: readonly number[] = setting.supportsM) =>
		railLoads({
			railKg: rail.massKg,
			lengthM: rail.lengthM,
			carriedKg,
			atM,
			overhangM,
			standoffM,
			supportsM,
			inclineRad: setting.inclineRad
		});
	const [from, to] = carriage.travelM;
	const [now, atStart, atEnd] = [loads(setting.atM), loads(from), loads(to)];
	const spansN = setting.supportsM.map((_, index) => {
		const ends = [atStart.supportsN[index] as number, atEnd.supportsN[index] as number] as const;
		return [Math.min(...ends), Math.max(...ends)] as const;
	});
	const momentNm =
		atStart.momentNm === null || atEnd.momentNm === null
			? null
			: Math.abs(atStart.momentNm) > Math.abs(atEnd.momentNm)
				? atStart.momentNm
				: atEnd.momentNm;
	const seen = looks[looks.length - 1]?.what ?? null;
	const fit =
		load.massKg < leastPayloadKg ? 'tooLight' : load.massKg > greatestPayloadKg ? 'tooHeavy' : ('within' as const);
	const wrong = troubles(geometry, spansN, momentNm, now.holdN, atStart);
	const placed = wrong.length === 0 && fit !== 'tooHeavy';
	return {
		payloadKg: load.massKg,
		carriedKg,
		overhangM,
		standoffM,
		now,
		atStart,
		atEnd,
		spansN,
		momentNm,
		keepsDownM: keepsDown(geometry, setting, loads),
		widerM: wider(geometry, setting, overhangM - standoffM * Math.tan(flattened(setting.inclineRad)), loads),
		wrong,
		fit,
		placed,
		poised: placed && seen === 'stays',
		seen
	};
}

/** A rail that stands upright presses on nothing square to it: its tangent is kept finite. */
const flattened = (rad: number) => Math.min(1.5, Math.max(-1.5, rad));

/** Where payload and carriage together weigh, past the carriage's middle along the rail and off its line. */
function centreOn(
	{ carriage }: SliderGeometry,
	{ hung, looks, reachM }: SliderSetting,
	load: { readonly massKg: number; readonly cgM: readonly [number, number, number] }
) {
	const [forward, left, up] = load.cgM;
	// Across the rail the camera's right is towards the far end; upside down its left is.
	const along = looks === 'along' ? forward : hung ? left : -left;
	const off = (hung ? -1 : 1) * (carriage.plateM + up);
	const share = load.massKg / (load.massKg + carriage.massKg);
	return { overhangM: (reachM + along) * share, standoffM: off * share };
}

function troubles(
	{ clampsDown, supportBearsN, clampHoldsNm, carriage }: SliderGeometry,
	spansN: SliderFigures['spansN'],
	momentNm: number | null,
	holdN: number,
	atStart: RailLoads
): SliderTrouble[] {
	const lifts = spansN.flatMap(([leastN], support): SliderTrouble[] => {
		if (spansN.length === 1 || clampsDown || leastN >= leastBearingN) return [];
		const atM = (atStart.supportsN[support] as number) === leastN ? carriage.travelM[0] : carriage.travelM[1];
		return [{ kind: 'lifts', support, atM, byN: -leastN }];
	});
	const bears = spansN.flatMap(([leastN, mostN], support): SliderTrouble[] => {
		const byN = Math.max(Math.abs(leastN), Math.abs(mostN));
		return supportBearsN === null || byN <= supportBearsN
			? []
			: [{ kind: 'bears', support, byN, mostN: supportBearsN }];
	});
	const turns: SliderTrouble[] =
		momentNm === null || clampHoldsNm === null || Math.abs(momentNm) <= clampHoldsNm
			? []
			: [{ kind: 'turns', byNm: momentNm, mostNm: clampHoldsNm }];
	const slides: SliderTrouble[] =
		carriage.holdsN === null || Math.abs(holdN) <= carriage.holdsN
			? []
			: [{ kind: 'slides', byN: Math.abs(holdN), mostN: carriage.holdsN }];
	const leastN = Math.min(...spansN.map(([least]) => least));
	const unsaid: SliderTrouble[] = [
		...(momentNm !== null && clampHoldsNm === null && Math.abs(momentNm) > slightNm
			? [{ kind: 'unsaid', what: 'clamp', byNm: momentNm } as const]
			: []),
		...(carriage.holdsN === null && Math.abs(holdN) > leastBearingN
			? [{ kind: 'unsaid', what: 'drive', byN: Math.abs(holdN) } as const]
			: []),
		...(spansN.length === 2 && clampsDown && supportBearsN === null && leastN < 0
			? [{ kind: 'unsaid', what: 'clamps', byN: -leastN } as const]
			: [])
	];
	return [...lifts, ...turns, ...slides, ...bears, ...unsaid];
}

/** The part of the travel over which both supports bear: each one's load is a straight line in the carriage's place. */
function keepsDown(
	{ carriage }: SliderGeometry,
	{ supportsM }: SliderSetting,
	loads: (atM: number) => RailLoads
): readonly [number, number] | null {
	let [from, to] = carriage.travelM;
	if (supportsM.length === 1) return [from, to];
	const [start, end] = [loads(from), loads(to)];
	const [a, b] = [from, to];
	for (const index of supportsM.keys()) {
		const [atA, atB] = [start.supportsN[index] as number, end.supportsN[index] as number];
		if (atA < leastBearingN && atB < leastBearingN) return null;
		if (atA >= leastBearingN && atB >= leastBearingN) continue;
		const atM = a + ((leastBearingN - atA) / (atB - atA)) * (b - a);
		if (atA < leastBearingN) from = Math.max(from, atM);
		else to = Math.min(to, atM);
	}
	return from <= to ? [from, to] : null;
}

/** Supports under the ends of what the load's centre travels lift nowhere, since the rail's own weight lies between them. */
function wider(
	{ rail, carriage }: SliderGeometry,
	{ supportsM }: SliderSetting,
	shiftM: number,
	loads: (atM: number, supportsM: readonly number[]) => RailLoads
): readonly [number, number] | null {
	const near = Math.min(carriage.travelM[0] + shiftM - marginM, supportsM[0]);
	const far = Math.max(carriage.travelM[1] + shiftM + marginM, supportsM[1] ?? supportsM[0]);
	if (far - near < apartM) return null;
	// No further than the rail goes; whether that is far enough is then tried.
	const outM = [
		Math.max(0, Math.floor(near * 1000) / 1000),
		Math.min(rail.lengthM, Math.ceil(far * 1000) / 1000)
	] as const;
	const bears = carriage.travelM.every((atM) => loads(atM, outM).supportsN.every((n) => n >= leastBearingN));
	return bears ? outM : null;
}

/** So much further out than the load's centre goes: the least that both supports then bear is more than nothing. */
const marginM = 0.02;
