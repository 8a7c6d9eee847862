import { showMass, showMove, together } from '$lib/sheet/units/display';
import { printedOn, type SwapSheet, swapSheet, usualCaution } from '$lib/server/sheets/swapSheet';
import type { PrintAsked, Standing } from '$lib/server/supportKind';
import { countedLooks, craneFigures } from './figures';
import type { CraneBenchState, CraneGeometry } from './model';
import { platesInWords } from './slip';
import { settledOn } from './standing';
import { craneBuilds, swapCautions, swapHoldWords, swapSteps, swapStepWords } from './swap';

/** The swap sheet of a payload and its kin, on paper. */
export function craneSwap(
	{ support: crane, payload, bodies, state }: Standing<CraneGeometry, CraneBenchState>,
	{ payloads, shelf, units, paper, query }: PrintAsked
) {
	const { geometry } = crane;
	const bench = { ...state, setting: settledOn(geometry, state.setting) };
	const heads = (query.get('heads') ?? '')
		.split(',')
		.filter((text) => /^\d{1,2}$/.test(text))
		.map(Number);
	const { freeLimitNm, noseBandKg } = craneFigures(crane, bodies, bench, countedLooks(bench, payload.version));
	const builds = craneBuilds(crane, [payload, ...payloads.filter(({ id }) => id !== payload.id)], shelf, bench, heads);
	const called = ({ payload: { name }, head }: (typeof builds)[number]) =>
		heads.length === 0 ? name : `${name}, ${head.name.toLowerCase()}`;
	const kg = (mass: number) => together(showMass(mass, units));
	/** Every pair, the present build's own first. */
	const ways = builds.flatMap((from) =>
		builds.filter((to) => to !== from).map((to) => ({ from, to, swap: swapSteps(from, to, freeLimitNm) }))
	);
	const sheet: SwapSheet = {
		title: `Swap sheet: ${crane.name}`,
		lead: `Plates and trim before and after, and the order in which to do it. Computed, ${printedOn()}.`,
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
		ways: ways.map(({ from, to, swap }) => ({
			title: `${called(from)} to ${called(to)}`,
			lines: [
				...swap.steps.map(
					(step, index) =>
						`${index + 1}. ${swapStepWords(geometry, from, to, swap, step.id, units)}: ${swapHoldWords(step, units)}`
				),
				...swapCautions(swap, units)
			]
		})),
		caution: usualCaution
	};
	return swapSheet(sheet, paper);
}
