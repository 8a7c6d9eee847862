import { degFromRad, kgFromWeight, stabilityAt } from '@poise/core';
import { craneFigures, leastReserve } from './figures';
import { checkedOrder, refusalInWords, tippingInWords } from './order';
import { craneSlip, dangerOf, platesInWords, pullsInWords, staysInWords } from './slip';
import { drawnAreaM2, envelopeOf, hungKg, type MountedBody, settledOn } from './standing';
import type { CraneBenchState, CraneRig, Span } from './model';
import type { UnitSystem } from '$lib/model/person';
import { showArea, showForce, showMass, showMove, showSpeed, together } from '$lib/sheet/units/display';
import type { PdfDocument } from '$lib/server/sheets/pdf';

/** One page that a crew can tape to the base: what hangs, in which order, who holds, what it must not do. */
export function craneSheet(
	crane: CraneRig,
	payload: { readonly name: string; readonly bodies: readonly MountedBody[] },
	kept: CraneBenchState,
	units: UnitSystem,
	printed: { readonly by: string; readonly at: Date }
): PdfDocument {
	const { geometry } = crane;
	const bench = { ...kept, setting: settledOn(geometry, kept.setting) };
	const now = craneFigures(crane, payload.bodies, bench);
	const slip = craneSlip(crane, bench, now, units);
	// The sheet is of what is to hang, which is what hangs once the slip is done.
	const setting = slip.kind === 'move' ? slip.target : bench.setting;
	const figures = craneFigures(crane, payload.bodies, { ...bench, setting });
	const kg = (mass: number) => together(showMass(Math.abs(mass), units));
	const danger = dangerOf(figures.envelope);
	const input = envelopeOf(geometry, setting, payload.bodies, bench.ground);
	const feet = stabilityAt({ ...input, swingRad: 0, boomRad: 0 }).footLoadsN;
	/** The steps of an order; one that is refused, or leaves less than the least reserve, is no step and stops the list. */
	const order = (loading: boolean) => {
		const steps = loading ? bench.loading : bench.unloading;
		const checked = checkedOrder(geometry, setting, payload.bodies, figures, steps, loading, units, bench.ground);
		const bad = checked.rows.findIndex(({ ok, reserve }) => !ok || reserve < leastReserve);
		const good = bad === -1 ? checked.rows : checked.rows.slice(0, bad);
		const stops = checked.rows[bad];
		return [
			...good.map(({ words, holds, reserve, letGo }, index) => ({
				text: [
					{ text: `${index + 1}. ${words}`, bold: true },
					`: ${holds}; `,
					`reserve\u00a0${(reserve * 100).toFixed(0)}\u00a0%${letGo < leastReserve ? ', tips if let go' : ''}`
				],
				margin: [0, 0, 0, 1]
			})),
			...(stops === undefined && checked.impossible === null
				? []
				: [
						{
							text:
								checked.impossible ??
								`Stop here. “${stops?.words}” is refused: ${stops?.ok === false ? refusalInWords(stops, units) : tippingInWords(checked)} Make another order before anything is lifted.`,
							bold: true,
							color: '#A4471F',
							margin: [0, 2, 0, 2]
						}
					])
		];
	};
	const row = (name: string, value: string) => [
		{ text: name, color: '#444' },
		{ text: value, font: 'Figures', bold: true }
	];
	const degrees = ([from, to]: Span) =>
		`${Math.round(degFromRad(from))}° to ${Math.round(degFromRad(to))}°`.replaceAll('-', '−');
	/** How far it is let move where it stands. */
	const limitsOf = ({ standing }: CraneBenchState) => [
		...(standing?.stopsRad ? [row('Swing only', `${degrees(standing.stopsRad)}, in the venue`)] : []),
		...(standing?.boomsRad ? [row('Boom only', `${degrees(standing.boomsRad)}, in the venue`)] : [])
	];
	const when = printed.at.toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
	return {
		title: `Crane sheet: ${crane.name}, ${payload.name}`,
		content: [
			{
				columns: [
					{ text: `${crane.name}`, fontSize: 22, bold: true },
					{ text: `${payload.name}\n${printed.by}, ${when}`, alignment: 'right', fontSize: 10, color: '#444' }
				]
			},
			{ text: `Hang ${platesInWords(geometry, setting.hung, units)}`, fontSize: 25, bold: true, margin: [0, 10, 0, 0] },
			{
				text: `Trim weight ${together(showMove(-setting.trimU, units))} behind the pivot`,
				fontSize: 18,
				margin: [0, 2, 0, 6]
			},
			...(danger === null
				? []
				: [{ text: danger, bold: true, color: '#ffffff', background: '#A4471F', fontSize: 13, margin: [0, 4, 0, 8] }]),
			{
				table: {
					widths: [170, '*'],
					body: [
						row(
							'Nose',
							`${kg(figures.noseKg)} ${figures.noseKg >= 0 ? 'heavy' : 'light'}, wanted ${kg(bench.noseBiasKg)}`
						),
						row('Hung in all', kg(hungKg(geometry, setting.hung))),
						row('On the pivot', kg(figures.armKg)),
						row(
							'Boom',
							`${degFromRad(geometry.boomRangeRad[0]).toFixed(0)}° to ${degFromRad(geometry.boomRangeRad[1]).toFixed(0)}°`
						),
						...limitsOf(kept),
						row('Reserve against tipping', `${(figures.envelope.reserve * 100).toFixed(0)} %, worst swing and boom`),
						row('On the worst foot, level', kg(kgFromWeight(Math.max(...feet)))),
						row(
							'Reckoned with',
							`slope ${degFromRad(bench.ground.slopeRad).toFixed(1)}°, wind ${together(showSpeed(bench.ground.windMPerS, units))} on ${together(showArea(drawnAreaM2(geometry, setting) + bench.ground.moreAreaM2, units))} of sail, push ${together(showForce(bench.ground.pushN, units))}, ballast ${kg(bench.ground.ballastKg)}`
						)
					]
				},
				layout: 'lightHorizontalLines',
				margin: [0, 2, 0, 6]
			},
			{
				text: [pullsInWords(figures, units), staysInWords(figures, units)].filter((each) => each !== null).join(' '),
				margin: [0, 0, 0, 8]
			},
			{
				columns: [
					{ stack: [{ text: 'Loading', bold: true, fontSize: 13 }, ...order(true)] },
					{ stack: [{ text: 'Unloading: weights before the camera', bold: true, fontSize: 13 }, ...order(false)] }
				],
				columnGap: 18,
				fontSize: 10
			},
			{ text: 'If the load comes off', bold: true, fontSize: 13, margin: [0, 10, 0, 0] },
			{
				ol: [
					'Shout “clear”. Let the arm go: nobody catches a swinging arm.',
					'Stay out of its whole sweep until it has stopped by itself. Nobody goes under it.',
					'One person steadies the tail, low, from outside its sweep; weights off one by one; pin the arm.',
					'People first, then gear.'
				],
				fontSize: 10
			},
			{
				text: `Nobody under the arm. One hand on it while anything changes. Stop for wind, slopes, crowds and overhead lines, and ask who is licensed to decide. A reserve under ${(leastReserve * 100).toFixed(0)} % is refused here; no reserve is a promise. The maker’s manual, local rules and the responsible person decide.`,
				fontSize: 9,
				color: '#444',
				margin: [0, 10, 0, 0]
			}
		]
	};
}
