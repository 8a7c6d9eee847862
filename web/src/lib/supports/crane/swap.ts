import { loadingSequence, type LoadingStep, standardGravityMPerS2 } from '@poise/core';
import { tryFigures } from '$lib/supports/tryFigures';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { CraneBenchState, CraneGeometry, CraneRig, CraneSetting, Hung } from './model';
import { choicesFor } from './figures';
import { headsOf, type NamedHead, withHead } from './heads';
import type { UnitSystem } from '$lib/model/person';
import { showMass, showMove, showTorque, together } from '$lib/sheet/units/display';
import { platesInWords, targetOf } from './slip';
import { bareParts, cameraPart, headPart, hungKg, type MountedBody, noseU, plateParts, trimPart } from './standing';

/** One build on the crane, under one of its heads: which plates hang and where the trim stands. */
export interface CraneBuild {
	readonly id: string;
	readonly payload: Payload;
	readonly payloadKg: number;
	readonly bodies: readonly MountedBody[];
	/** The crane with this build's head on. */
	readonly geometry: CraneGeometry;
	readonly head: NamedHead;
	readonly setting: CraneSetting;
	/** What the plates at hand leave at the nose. */
	readonly shortKg: number;
}

export function craneBuilds(
	crane: CraneRig,
	payloads: readonly Payload[],
	shelf: readonly Part[],
	state: Pick<CraneBenchState, 'setting' | 'noseBiasKg'>,
	/** Which heads besides the one that is on. */
	heads: readonly number[] = []
): CraneBuild[] {
	const byId = new Map(shelf.map((part) => [part.id, part]));
	return payloads.flatMap((payload) => {
		const parts = standingParts(payload, byId);
		if (parts.length < 2) return [];
		const bodies = mountedBodies(parts);
		return headsOf(crane.geometry)
			.filter(({ index }) => index === 0 || heads.includes(index))
			.flatMap((head): CraneBuild[] => {
				const geometry = withHead(crane.geometry, head.index);
				const [choice] = tryFigures(() => choicesFor(geometry, state.setting, bodies, state.noseBiasKg, 1)) ?? [];
				if (choice === undefined) return [];
				return [
					{
						id: `${payload.id} ${head.index}`,
						payload,
						payloadKg: bodies.reduce((sum, { body }) => sum + body.massKg, 0),
						bodies,
						geometry,
						head,
						setting: targetOf(geometry, state.setting, choice),
						shortKg: choice.remainingUKgM / noseU(geometry, state.setting)
					}
				];
			});
	});
}

export interface SwapStep {
	readonly id: 'hold' | 'off' | 'cameraOff' | 'headOff' | 'headOn' | 'cameraOn' | 'on' | 'trim' | 'free';
	readonly held: boolean;
	readonly momentNm: number;
	/** To hold it at the nose, or at the tail. */
	readonly holdKg: number;
	readonly ok: boolean;
}

/** What one person at the tail is asked to hold; past this, weights come off before the load does. */
const handfulKg = 25;

export interface Swap {
	readonly steps: readonly SwapStep[];
	/** What comes off before anything else, and what goes on at the end, by kind of plate. */
	readonly off: Hung;
	readonly on: Hung;
}

/**
 * From one camera, and head, to the other with the arm held throughout: plates that are not wanted any more off first, then
 * the camera, then the head where another is wanted, then the other camera, then the plates it needs, then the trim. Each
 * step reckoned. Where that would leave more in a hand than it holds, so many more plates come off first that the most
 * there is to hold is least.
 */
export function swapSteps(from: CraneBuild, to: CraneBuild, limitNm: number): Swap {
	const shared = from.setting.hung.map((count, index) => Math.min(count, to.setting.hung[index] ?? 0));
	const usual = reckoned(from, to, shared, limitNm);
	if (mostHeldKg(usual) <= handfulKg) return usual;
	return stacksWithin(shared).reduce((best, stays) => {
		const other = reckoned(from, to, stays, limitNm);
		return mostHeldKg(other) < mostHeldKg(best) - 1e-9 ? other : best;
	}, usual);
}

const mostHeldKg = ({ steps }: Swap) => Math.max(...steps.filter(({ held }) => held).map(({ holdKg }) => holdKg));

/** Every way to hang no more than these, those that take the fewest off first. */
function stacksWithin(counts: Hung): readonly Hung[] {
	const all = counts.reduce<Hung[]>(
		(stacks, count) => stacks.flatMap((stack) => Array.from({ length: count + 1 }, (_, k) => [...stack, count - k])),
		[[]]
	);
	const plates = (stack: Hung) => stack.reduce((sum, count) => sum + count, 0);
	// A crew would not sort through thousands of piles, and neither are they needed to come near the best.
	return all.sort((one, two) => plates(two) - plates(one)).slice(0, 3000);
}

/** One step of a swap, as the hand does it. */
export function swapStepWords(
	geometry: CraneGeometry,
	from: CraneBuild,
	to: CraneBuild,
	swap: Pick<Swap, 'off' | 'on'>,
	id: SwapStep['id'],
	units: UnitSystem
): string {
	if (id === 'hold') return 'Arm level, one holds it, pinned if it has a pin';
	if (id === 'off') return `Take off ${platesInWords(geometry, swap.off, units)}`;
	if (id === 'cameraOff') return `${from.payload.name} off`;
	if (id === 'headOff') return `${from.head.name} off`;
	if (id === 'headOn') return `${to.head.name} on, locked and tried`;
	if (id === 'cameraOn') return `${to.payload.name} on, locked and tried`;
	if (id === 'on') return `Hang ${platesInWords(geometry, swap.on, units)}`;
	if (id === 'trim') return `Trim to ${together(showMove(-to.setting.trimU, units))} behind the pivot`;
	return 'Let go, slowly';
}

/** What a step leaves, and so what somebody holds, and at which end. */
export const swapHoldWords = ({ held, holdKg, momentNm, ok }: SwapStep, units: UnitSystem): string => {
	if (!held)
		return ok ? 'it stays' : `it would swing: ${together(showTorque(momentNm, units))} are left, not to be done`;
	return `then ${together(showMass(holdKg, units))} to hold at the ${momentNm > 0 ? 'nose' : 'tail'}`;
};
/** What somebody at the arm heeds, by what these steps leave in the hand. */
export function swapCautions({ steps, off }: Pick<Swap, 'steps' | 'off'>, units: UnitSystem): readonly string[] {
	const most = steps
		.filter(({ held }) => held)
		.reduce<SwapStep | null>((best, each) => (best === null || each.holdKg > best.holdKg ? each : best), null);
	return [
		'An arm whips when its load comes off: somebody holds it throughout, and nobody stands under nose or tail.',
		...(most === null
			? []
			: [
					`At most ${together(showMass(most.holdKg, units))} to hold, at the ${most.momentNm > 0 ? 'nose' : 'tail'}: ${most.holdKg > handfulKg ? 'two people hold it' : 'one person, both hands'}.`
				]),
		...(off.some((count) => count > 0) ? ['The plates named come off before the camera does.'] : [])
	];
}

/** The swap with these plates left hanging through it. */
function reckoned(from: CraneBuild, to: CraneBuild, stays: Hung, limitNm: number): Swap {
	const { geometry } = from;
	const less = (hung: Hung) => hung.map((count, index) => count - (stays[index] ?? 0));
	const [off, on] = [less(from.setting.hung), less(to.setting.hung)];
	const pile = (hung: Hung, id: string) => plateParts(geometry, from.setting.shareSecond, hungKg(geometry, hung), id);
	const [leaving, coming] = [pile(off, 'leaving'), pile(on, 'coming')];
	const start = [
		...bareParts(geometry, from.setting),
		headPart(geometry, from.setting),
		{ ...cameraPart(geometry, from.setting, from.bodies), id: 'old' },
		trimPart(geometry, from.setting.trimU),
		...pile(stays, 'staying'),
		...leaving
	];
	const otherHead = from.head.index !== to.head.index;
	const steps: LoadingStep[] = [
		{ id: 'hold', held: true },
		...(leaving.length > 0 ? [{ id: 'off', remove: leaving.map(({ id }) => id), held: true }] : []),
		{ id: 'cameraOff', remove: ['old'], held: true },
		...(otherHead
			? [
					{ id: 'headOff', remove: ['head'], held: true },
					{ id: 'headOn', add: [{ ...headPart(to.geometry, to.setting), id: 'newHead' }], held: true }
				]
			: []),
		{ id: 'cameraOn', add: [{ ...cameraPart(to.geometry, to.setting, to.bodies), id: 'new' }], held: true },
		...(coming.length > 0 ? [{ id: 'on', add: coming, held: true }] : []),
		{ id: 'trim', remove: ['trim'], add: [{ ...trimPart(geometry, to.setting.trimU), id: 'trimNew' }], held: true },
		{ id: 'free', held: false }
	];
	const result = loadingSequence({ arm: { parts: start }, boomRad: 0, holdingLimitNm: limitNm, steps });
	const nose = noseU(geometry, from.setting);
	return {
		off,
		on,
		steps: result.steps.map(({ id, momentNm, ok }, index) => ({
			id: id as SwapStep['id'],
			held: steps[index]?.held ?? true,
			momentNm,
			holdKg: Math.abs(momentNm) / standardGravityMPerS2 / (momentNm > 0 ? nose : geometry.rear.lengthM),
			ok
		}))
	};
}
