import { showMass, showTurns, together } from '$lib/sheet/units/display';
import { printedOn, type SwapSheet, swapSheet, usualCaution } from '$lib/server/sheets/swapSheet';
import type { PrintAsked, Standing } from '$lib/server/supportKind';
import { readingIn, swapBuilds, swapCaution, swapMoves } from './swap';
import { offMiddle } from '$lib/sheet/words';
import { moveInWords } from './benchSlip';
import type { BenchState, GimbalGeometry } from './model';

/** A hand sets nothing finer. */
const still = 0.0003;

/** The swap sheet of a payload and its kin, on paper. */
export function gimbalSwap(
	{ support }: Standing<GimbalGeometry, BenchState>,
	{ payloads, shelf, units, paper }: PrintAsked
) {
	const builds = swapBuilds(payloads, shelf, support);
	const { slides } = support.geometry;
	const nameOf = (id: string) => builds.find(({ payload }) => payload.id === id)?.payload.name ?? '';
	const signed = (kg: number) => `${kg >= 0 ? '+' : '−'}${together(showMass(Math.abs(kg), units))}`;
	const sheet: SwapSheet = {
		title: `Swap sheet: ${support.name}`,
		lead: `Where every slide belongs for each build, and how far it goes from one to another. Computed, ${printedOn()}.`,
		head: ['Build', 'mass', 'centre over the plate', ...slides.map(({ label }) => label)],
		rows: builds.map((build) => [
			build.fits ? build.payload.name : `${build.payload.name} (does not balance here)`,
			together(showMass(build.massKg, units)),
			offMiddle(build.cgM[0], 'forward', 'back', units) ?? 'in the middle',
			...slides.map((slide) => readingIn(build, slide))
		]),
		under: 'Readings are in the millimetres printed on the scales.',
		ways: swapMoves(builds).map(({ fromId, toId, massKg, cgM, movesM }) => ({
			title: `${nameOf(fromId)} to ${nameOf(toId)}`,
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
		caution: `${swapCaution} ${usualCaution}`
	};
	return swapSheet(sheet, paper);
}
