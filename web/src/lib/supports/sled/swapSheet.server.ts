import { showMass, showMove, together } from '$lib/sheet/units/display';
import { printedOn, type SwapSheet, swapSheet, usualCaution } from '$lib/server/sheets/swapSheet';
import type { PrintAsked, Standing } from '$lib/server/supportKind';
import type { SledBenchState, SledGeometry } from './model';
import { lineInWords } from './slip';
import { itemAt } from './standing';
import { sledBuilds, swapLines } from './swap';

/** The swap sheet of a payload and its kin, on paper. */
export function sledSwap(
	{ support: sled, state }: Standing<SledGeometry, SledBenchState>,
	{ payloads, shelf, units, paper }: PrintAsked
) {
	const builds = sledBuilds(sled, payloads, shelf, state);
	const moving = sled.geometry.items.filter(({ foreM, sideM }) => foreM !== null || sideM !== null);
	const move = (metres: number) => `${metres < -0.00005 ? '−' : ''}${together(showMove(metres, units))}`;
	const sheet: SwapSheet = {
		title: `Swap sheet: ${sled.name}`,
		lead: `Everything in place, as computed, for a drop of ${state.dropTimeS.toFixed(1)} s. ${printedOn()}.`,
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
					title: `${from.payload.name} to ${to.payload.name}`,
					lines: swapLines(sled, from, to, units).map(lineInWords)
				}))
		),
		caution: usualCaution
	};
	return swapSheet(sheet, paper);
}
