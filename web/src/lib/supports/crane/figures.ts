import {
	chooseCounterweights,
	type CounterweightChoice,
	type CraneArm,
	craneDrift,
	type CraneDrift,
	craneMoment,
	standardGravityMPerS2,
	stabilityEnvelope,
	type StabilityEnvelope,
	weightLineCure,
	type WeightLineCure
} from '@poise/core';
import type { CraneBenchState, CraneGeometry, CraneLook, CraneSetting } from './model';
import { armOf, envelopeOf, hungKg, loadedArm, type MountedBody, noseU } from './standing';

/** No hand feels less at the nose. */
const finestKg = 0.01;
/** Reserves below these are warned of, and refused. */
export const warnReserve = 0.3;
export const leastReserve = 0.1;

export interface CraneFigures {
	readonly arm: CraneArm;
	readonly payloadKg: number;
	/** On the pivot. */
	readonly armKg: number;
	readonly noseU: number;
	readonly uKgM: number;
	readonly vKgM: number;
	/** How heavy the nose is, level. */
	readonly noseKg: number;
	/** What counts as right at the nose, either way. */
	readonly noseBandKg: number;
	/** What the pivot holds by itself, N·m. */
	readonly frictionNm: number;
	/** What may be left while nobody holds: the nose as heavy as it is wanted, and what the pivot holds. */
	readonly freeLimitNm: number;
	/** As computed, with what was seen reckoned in. */
	readonly balanced: boolean;
	/** The last look with everything hanging as it hangs now; null: nobody has let it go so. */
	readonly seen: CraneLook['what'] | null;
	/** As computed, and seen to stay. */
	readonly poised: boolean;
	/** What looks say the arm carries that nobody wrote down: so much at the nose (below 0: at the tail); 0: nothing. */
	readonly unwrittenKg: number;
	readonly drift: CraneDrift;
	/** Heaviness of the nose at both ends of the boom range beside what is wanted, kg. */
	readonly noseAtEndsKg: readonly [number, number];
	/** It stays at every boom within what friction holds. */
	readonly staysThroughout: boolean;
	readonly choices: readonly CounterweightChoice[];
	readonly choice: CounterweightChoice;
	readonly cure: WeightLineCure;
	readonly envelope: StabilityEnvelope;
	/** With the weights of the choice hung. */
	readonly envelopeThen: StabilityEnvelope;
	readonly fit: 'within' | 'tooLight' | 'tooHeavy';
}

const sameHung = (a: CraneSetting, b: CraneSetting): boolean =>
	JSON.stringify([a.fitted, a.hung]) === JSON.stringify([b.fitted, b.hung]) &&
	Math.abs(a.trimU - b.trimU) <= 0.0015 &&
	Math.abs(a.pulledOutM - b.pulledOutM) <= 0.001;

/** What counts of the looks: of this build, nothing struck out, nothing while the drawing is believed. */
export const countedLooks = (
	{ looks = [], believeDrawing }: Pick<CraneBenchState, 'looks' | 'believeDrawing'>,
	payloadVersion: number
): readonly CraneLook[] =>
	believeDrawing === true ? [] : looks.filter((look) => look.payloadVersion === payloadVersion && look.struck !== true);

/**
 * What the arm must carry unwritten for the last look that stayed to be true, as so much at the nose, below 0 at the tail.
 * Within the push that moves it the look says nothing; at another length of the arm it says nothing of this one.
 */
function unwrittenAtNoseKg(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	looks: readonly CraneLook[],
	noseBiasKg: number,
	bandKg: number
): number {
	const last = looks.findLast(
		({ what, setting: then }) =>
			what === 'stays' &&
			JSON.stringify(then.fitted) === JSON.stringify(setting.fitted) &&
			Math.abs(then.pulledOutM - setting.pulledOutM) <= 0.001
	);
	if (last === undefined) return 0;
	const written = armOf(geometry, last.setting, payload).parts.reduce((sum, { massKg, uM }) => sum + massKg * uM, 0);
	const kg = noseBiasKg - written / noseU(geometry, last.setting);
	return Math.abs(kg) <= bandKg ? 0 : kg;
}

/** The same as a part: at the nose, or as far behind the pivot. */
const unwrittenPart = (kg: number, reach: number): CraneArm['parts'] =>
	kg === 0 ? [] : [{ id: 'unwritten', massKg: Math.abs(kg), uM: Math.sign(kg) * reach, vM: 0 }];

/** What was searched for lately: most changes on a sheet ask for the very same weights again. */
const searched = new Map<string, readonly CounterweightChoice[]>();
const mostSearched = 24;

/** Plates as the core asks for them: the share on a second line changes V, never which to hang. */
export function choicesFor(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	noseBiasKg: number,
	most = 4,
	unwritten: CraneArm['parts'] = []
): readonly CounterweightChoice[] {
	const { hanger, trim, plates } = geometry;
	const line = hanger.secondVM === null ? hanger.vM : hanger.vM + setting.shareSecond * (hanger.secondVM - hanger.vM);
	const question = {
		arm: { parts: [...loadedArm(geometry, setting, payload).parts, ...unwritten] },
		plates,
		hanger: { uM: hanger.uM, vM: line },
		trim,
		noseBiasKg,
		noseU: noseU(geometry, setting),
		most
	};
	const key = JSON.stringify(question);
	const known = searched.get(key);
	if (known !== undefined) return known;
	const { choices } = chooseCounterweights(question);
	const [oldest] = searched.keys();
	if (oldest !== undefined && searched.size >= mostSearched) searched.delete(oldest);
	searched.set(key, choices);
	return choices;
}

export function craneFigures(
	crane: { readonly geometry: CraneGeometry; readonly leastPayloadKg: number; readonly greatestPayloadKg: number },
	payload: readonly MountedBody[],
	state: Pick<CraneBenchState, 'setting' | 'noseBiasKg' | 'pushMovesKg' | 'choice' | 'ground'>,
	/** The looks that count. */
	looks: readonly CraneLook[] = []
): CraneFigures {
	const { geometry } = crane;
	const { setting } = state;
	const reach = noseU(geometry, setting);
	const noseBandKg = Math.max(finestKg, state.pushMovesKg);
	const unwrittenKg = unwrittenAtNoseKg(geometry, setting, payload, looks, state.noseBiasKg, noseBandKg);
	const unwritten = unwrittenPart(unwrittenKg, reach);
	const arm = { parts: [...armOf(geometry, setting, payload).parts, ...unwritten] };
	const seen = looks.findLast((look) => sameHung(look.setting, setting))?.what ?? null;
	const moment = (boomRad: number) => craneMoment({ arm, boomRad }).momentNm[0] as number;
	const sum = (of: (part: CraneArm['parts'][number]) => number) =>
		arm.parts.reduce((total, part) => total + of(part), 0);
	const uKgM = sum(({ massKg, uM }) => massKg * uM);
	const vKgM = sum(({ massKg, vM }) => massKg * vM);
	const noseKg = uKgM / reach;
	const balanced = Math.abs(noseKg - state.noseBiasKg) <= noseBandKg;
	const frictionNm = state.pushMovesKg * standardGravityMPerS2 * reach;
	const drift = craneDrift({ arm, boomRangeRad: geometry.boomRangeRad });
	const atEnd = (boomRad: number) =>
		moment(boomRad) / (standardGravityMPerS2 * reach * Math.cos(boomRad)) - state.noseBiasKg;
	const noseAtEndsKg = [atEnd(geometry.boomRangeRad[0]), atEnd(geometry.boomRangeRad[1])] as const;
	const choices = choicesFor(geometry, setting, payload, state.noseBiasKg, 4, unwritten);
	const lines = geometry.hanger.secondVM === null ? null : ([geometry.hanger.vM, geometry.hanger.secondVM] as const);
	const plateKg = hungKg(geometry, setting.hung);
	const line =
		geometry.hanger.secondVM === null
			? geometry.hanger.vM
			: geometry.hanger.vM + setting.shareSecond * (geometry.hanger.secondVM - geometry.hanger.vM);
	const choice = choices[Math.min(state.choice, choices.length - 1)] as CounterweightChoice;
	const then = { ...setting, hung: choice.plates.map(({ count }) => count), trimU: choice.trimUM };
	const payloadKg = payload.reduce((total, { body }) => total + body.massKg, 0);
	return {
		arm,
		payloadKg,
		armKg: sum(({ massKg }) => massKg),
		noseU: reach,
		uKgM,
		vKgM,
		noseKg,
		noseBandKg,
		frictionNm,
		freeLimitNm: standardGravityMPerS2 * reach * (Math.abs(state.noseBiasKg) + noseBandKg),
		balanced,
		seen,
		poised: balanced && seen === 'stays',
		unwrittenKg,
		drift,
		noseAtEndsKg,
		staysThroughout: noseAtEndsKg.every((kg) => Math.abs(kg) <= noseBandKg),
		choices,
		choice,
		cure: weightLineCure({
			vKgM,
			plateKg,
			hangerVM: line,
			...(lines === null ? {} : { lines: lines[0] <= lines[1] ? lines : [lines[1], lines[0]] })
		}),
		envelope: stabilityEnvelope(envelopeOf(geometry, setting, payload, state.ground, arm)),
		envelopeThen: stabilityEnvelope(envelopeOf(geometry, then, payload, state.ground)),
		fit: payloadKg < crane.leastPayloadKg ? 'tooLight' : payloadKg > crane.greatestPayloadKg ? 'tooHeavy' : 'within'
	};
}

/** Heaviness of the nose over the boom range, for the chart: degrees and newton metres. */
export function driftCurve(figures: CraneFigures, geometry: CraneGeometry): (readonly [number, number])[] {
	const [low, high] = geometry.boomRangeRad;
	const booms = Array.from({ length: 41 }, (_, index) => low + ((high - low) * index) / 40);
	return craneMoment({ arm: figures.arm, boomRad: booms }).momentNm.map(
		(moment, index) => [booms[index] as number, moment] as const
	);
}
