import { moveInWords } from '$lib/supports/gimbal/benchSlip';
import { printedReading } from '$lib/supports/gimbal/reading';
import { countedLooks, craneFigures } from '$lib/supports/crane/figures';
import { platesInWords } from '$lib/supports/crane/slip';
import { settledOn as settledCrane } from '$lib/supports/crane/standing';
import { freshCraneState } from '$lib/supports/crane/state';
import { craneBuilds, swapSteps, swapStepWords } from '$lib/supports/crane/swap';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { UnitSystem } from '$lib/model/person';
import { swapBuilds, swapMoves } from '$lib/stations/payload/swap';
import { offMiddle } from '$lib/stations/payload/words';
import { lineInWords } from '$lib/supports/sled/slip';
import { itemAt } from '$lib/supports/sled/standing';
import { freshSledState } from '$lib/supports/sled/state';
import { sledBuilds, swapLines } from '$lib/supports/sled/swap';
import { showMass, showMove, showTurns, together } from '$lib/sheet/units/display';
import { findCrane, findCraneBench } from '../db/cranes';
import { findRig } from '../db/rigs';
import { findSled, findSledBench } from '../db/sleds';
import { Refusal } from '../refusal';
import type { SwapSheet } from './swapSheet';

/** What every kind of swap sheet is asked with. */
export interface SwapAsked {
	readonly crewId: string;
	readonly supportId: string;
	readonly payload: Payload;
	readonly payloads: readonly Payload[];
	readonly shelf: readonly Part[];
	readonly units: UnitSystem;
	/** Of a crane: other heads, and the build that is swapped to. */
	readonly heads: readonly number[];
	readonly to: string;
}

const caution = 'Figures are aids; the maker’s manual, local rules and the responsible person decide.';
const today = () => new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
/** A hand sets nothing finer. */
const still = 0.0003;

export async function gimbalSwap({ crewId, supportId, payloads, shelf, units }: SwapAsked): Promise<SwapSheet> {
	const rig = await findRig(crewId, supportId);
	const builds = swapBuilds(payloads, shelf, rig);
	const { slides } = rig.geometry;
	const nameOf = (id: string) => builds.find(({ payload }) => payload.id === id)?.payload.name ?? '';
	const signed = (kg: number) => `${kg >= 0 ? '+' : '−'}${together(showMass(Math.abs(kg), units))}`;
	return {
		title: `Swap sheet: ${rig.name}`,
		lead: `Where every slide belongs for each build, and how far it goes from one to another. Computed, ${today()}.`,
		head: ['Build', 'mass', 'centre over the plate', ...slides.map(({ label }) => label)],
		rows: builds.map(({ payload, massKg, cgM, targetsM, fits }) => [
			fits ? payload.name : `${payload.name} (does not balance here)`,
			together(showMass(massKg, units)),
			offMiddle(cgM[0], 'forward', 'back', units) ?? 'in the middle',
			...slides.map((slide) => printedReading(slide, targetsM[slide.id] ?? 0))
		]),
		under: 'Readings are in the millimetres printed on the scales.',
		ways: swapMoves(builds).map(({ fromId, toId, massKg, cgM, movesM }) => ({
			title: `${nameOf(fromId)} → ${nameOf(toId)}`,
			lines: [
				`${signed(massKg)}, centre ${offMiddle(cgM[0], 'forward', 'back', units) ?? 'unmoved'}`,
				...slides.flatMap((slide) => {
					const by = movesM[slide.id] ?? 0;
					if (Math.abs(by) < still) return [];
					const turns = slide.knobPitchM === null ? null : showTurns(by, slide.knobPitchM);
					return [`${slide.label} ${moveInWords(slide, by, units)}${turns === null ? '' : `, ${turns}`}`];
				})
			]
		})),
		caution
	};
}

export async function sledSwap({ crewId, supportId, payload, payloads, shelf, units }: SwapAsked): Promise<SwapSheet> {
	const sled = await findSled(crewId, supportId);
	const state = (await findSledBench(crewId, sled.id, payload.id)) ?? freshSledState(sled);
	const builds = sledBuilds(sled, payloads, shelf, state);
	const moving = sled.geometry.items.filter(({ foreM, sideM }) => foreM !== null || sideM !== null);
	const move = (metres: number) => `${metres < -0.00005 ? '−' : ''}${together(showMove(metres, units))}`;
	return {
		title: `Swap sheet: ${sled.name}`,
		lead: `Everything in place, as computed, for a drop of ${state.dropTimeS.toFixed(1)} s. ${today()}.`,
		head: ['Build', 'mass', 'clamp', 'knob', 'side knob', 'gimbal', ...moving.map(({ label }) => label)],
		rows: builds.map(({ payload: { name }, payloadKg, setting, poised }) => [
			poised ? name : `${name} (not in place even so)`,
			together(showMass(payloadKg, units)),
			move(setting.coarseForeM),
			move(setting.fineForeM),
			move(setting.fineSideM),
			move(setting.gimbalM),
			...moving.map(({ id }) => move(itemAt(setting, id).foreM))
		]),
		under:
			'Forward, left and up positive; plate and batteries from the middle of their travel, the gimbal from the foot.',
		ways: builds.flatMap((from) =>
			builds
				.filter((to) => to !== from)
				.map((to) => ({
					title: `${from.payload.name} → ${to.payload.name}`,
					lines: swapLines(sled, from, to, units).map(lineInWords)
				}))
		),
		caution
	};
}

export async function craneSwap({
	crewId,
	supportId,
	payload,
	payloads,
	shelf,
	units,
	heads,
	to: toId
}: SwapAsked): Promise<SwapSheet> {
	const crane = await findCrane(crewId, supportId);
	const { geometry } = crane;
	const kept = (await findCraneBench(crewId, crane.id, payload.id)) ?? freshCraneState(geometry);
	const bench = { ...kept, setting: settledCrane(geometry, kept.setting) };
	const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
	if (bodies.length < 2) throw new Refusal('invalid', 'This payload holds nothing to weigh yet.');
	const { freeLimitNm, noseBandKg } = craneFigures(crane, bodies, bench, countedLooks(bench, payload.version));
	const builds = craneBuilds(crane, [payload, ...payloads.filter(({ id }) => id !== payload.id)], shelf, bench, heads);
	const called = ({ payload: { name }, head }: (typeof builds)[number]) =>
		heads.length === 0 ? name : `${name}, ${head.name.toLowerCase()}`;
	const kg = (mass: number) => together(showMass(mass, units));
	const from = builds.find(({ payload: { id }, head }) => id === payload.id && head.index === 0);
	const to = builds.find(({ id }) => id === toId && id !== from?.id) ?? builds.find((each) => each !== from);
	const swap = from === undefined || to === undefined ? null : swapSteps(from, to, freeLimitNm);
	return {
		title: `Swap sheet: ${crane.name}`,
		lead: `Plates and trim before and after, and the order in which to do it. Computed, ${today()}.`,
		head: ['Build', 'mass', 'plates', 'trim behind the pivot'],
		rows: builds.map((build) => [
			Math.abs(build.shortKg) > noseBandKg
				? `${called(build)} (${kg(Math.abs(build.shortKg))} ${build.shortKg > 0 ? 'heavy' : 'light'} even so)`
				: called(build),
			kg(build.payloadKg),
			platesInWords(geometry, build.setting.hung, units),
			together(showMove(-build.setting.trimU, units))
		]),
		under: 'The arm is held throughout; nobody under it.',
		ways:
			swap === null || from === undefined || to === undefined
				? []
				: [
						{
							title: `${called(from)} → ${called(to)}`,
							lines: swap.steps.map(
								({ id, held, holdKg, momentNm, ok }, index) =>
									`${index + 1}. ${swapStepWords(geometry, from, to, swap, id, units)}: ${
										held
											? `then ${kg(holdKg)} to hold at the ${momentNm > 0 ? 'nose' : 'tail'}`
											: ok
												? 'it stays'
												: 'it would swing: not to be done'
									}`
							)
						}
					],
		caution: `An arm whips when its load comes off: weights off before the camera, as the steps say, somebody holding. ${caution}`
	};
}

export const swapSheets = { gimbal: gimbalSwap, sled: sledSwap, crane: craneSwap } as const;
