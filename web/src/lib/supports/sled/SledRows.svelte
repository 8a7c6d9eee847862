<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, together, unbroken } from '$lib/sheet/units/display';
	import StateRows from '../StateRows.svelte';
	import { dropBandS, type SledFigures } from './figures';
	import { degrees, seconds } from './slip';

	/** How far static balance, drop and spin are from right, each in its vial. */
	interface Props {
		figures: SledFigures;
		wantedDropS: number;
		units: UnitSystem;
		/** How sure the drawing is of the centre, fore and side. */
		sigmaM: readonly [number, number] | null;
	}
	let { figures, wantedDropS, units, sigmaM }: Props = $props();

	const report = $derived(figures.report);
	const heavy = (value: number, plus: string, minus: string) =>
		Math.abs(value) < 0.00005
			? 'in the middle'
			: `${together(showLength(Math.abs(value), units))} heavy ${value > 0 ? plus : minus}`;
	const lean = (value: number, plus: string, minus: string) =>
		Math.abs(value) < 0.0009 ? 'spins about its post' : `${degrees(value)} ${value > 0 ? plus : minus}`;
	const give = (index: 0 | 1) =>
		sigmaM === null || sigmaM[index] < 0.0002 ? '' : `± ${together(showLength(sigmaM[index], units))}`;
	const rows = $derived([
		{
			id: 'fore',
			name: 'Static, fore-aft',
			ends: ['back', 'forward'] as const,
			offset: -report.staticOffsetM.fore / figures.staticBandM,
			now: heavy(report.staticOffsetM.fore, 'forward', 'back'),
			note: give(0)
		},
		{
			id: 'side',
			name: 'Static, side',
			ends: ['right', 'left'] as const,
			offset: -report.staticOffsetM.side / figures.staticBandM,
			now: heavy(report.staticOffsetM.side, 'left', 'right'),
			note: give(1)
		},
		{
			id: 'drop',
			name: 'Drop time',
			ends: ['gimbal down', 'up'] as const,
			offset: report.dropTimeS.fore === null ? 30 : (report.dropTimeS.fore - wantedDropS) / dropBandS,
			now:
				report.dropTimeS.fore === null
					? 'top-heavy'
					: unbroken(`${seconds(report.dropTimeS.fore)}, wanted ${seconds(wantedDropS)}`),
			note: report.dropHeightM > 0 ? `${together(showLength(report.dropHeightM, units))} over centre` : ''
		},
		{
			id: 'spinFore',
			name: 'Spin, fore-aft',
			ends: ['low weight back', 'forward'] as const,
			offset: report.dynamic.foreLeanRad / figures.toleranceRad,
			now: lean(report.dynamic.foreLeanRad, 'forward', 'back'),
			note: `forgiven ${degrees(figures.toleranceRad)}`
		},
		{
			id: 'spinSide',
			name: 'Spin, side',
			ends: ['low weight right', 'left'] as const,
			offset: report.dynamic.sideLeanRad / figures.toleranceRad,
			now: lean(report.dynamic.sideLeanRad, 'left', 'right'),
			note: ''
		}
	]);
</script>

<StateRows {rows} columns="118px 96px minmax(80px, 1fr) 60px minmax(170px, 1.25fr)" />
