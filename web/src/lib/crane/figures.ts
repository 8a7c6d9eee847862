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
import type { CraneBenchState, CraneGeometry, CraneSetting } from '$lib/model/crane';
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
	readonly balanced: boolean;
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

/** Plates as the core asks for them: the share on a second line changes V, never which to hang. */
export function choicesFor(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	noseBiasKg: number,
	most = 4
): readonly CounterweightChoice[] {
	const { hanger, trim, plates } = geometry;
	const line = hanger.secondVM === null ? hanger.vM : hanger.vM + setting.shareSecond * (hanger.secondVM - hanger.vM);
	return chooseCounterweights({
		arm: loadedArm(geometry, setting, payload),
		plates,
		hanger: { uM: hanger.uM, vM: line },
		trim,
		noseBiasKg,
		noseU: noseU(geometry, setting),
		most
	}).choices;
}

export function craneFigures(
	crane: { readonly geometry: CraneGeometry; readonly leastPayloadKg: number; readonly greatestPayloadKg: number },
	payload: readonly MountedBody[],
	state: Pick<CraneBenchState, 'setting' | 'noseBiasKg' | 'pushMovesKg' | 'choice' | 'ground'>
): CraneFigures {
	const { geometry } = crane;
	const { setting } = state;
	const arm = armOf(geometry, setting, payload);
	const reach = noseU(geometry, setting);
	const moment = (boomRad: number) => craneMoment({ arm, boomRad }).momentNm[0] as number;
	const sum = (of: (part: CraneArm['parts'][number]) => number) =>
		arm.parts.reduce((total, part) => total + of(part), 0);
	const uKgM = sum(({ massKg, uM }) => massKg * uM);
	const vKgM = sum(({ massKg, vM }) => massKg * vM);
	const noseKg = uKgM / reach;
	const noseBandKg = Math.max(finestKg, state.pushMovesKg);
	const frictionNm = state.pushMovesKg * standardGravityMPerS2 * reach;
	const drift = craneDrift({ arm, boomRangeRad: geometry.boomRangeRad });
	const atEnd = (boomRad: number) =>
		moment(boomRad) / (standardGravityMPerS2 * reach * Math.cos(boomRad)) - state.noseBiasKg;
	const noseAtEndsKg = [atEnd(geometry.boomRangeRad[0]), atEnd(geometry.boomRangeRad[1])] as const;
	const choices = choicesFor(geometry, setting, payload, state.noseBiasKg);
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
		balanced: Math.abs(noseKg - state.noseBiasKg) <= noseBandKg,
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
