<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
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
		sigmaM === null || sigmaM[index] < 0.0002 ? '' : `give or take ${together(showLength(sigmaM[index], units))}`;
	const rows = $derived([
		{
			id: 'fore',
			name: 'Static, fore-aft',
			minus: 'back',
			plus: 'forward',
			offset: -report.staticOffsetM.fore / figures.staticBandM,
			now: heavy(report.staticOffsetM.fore, 'forward', 'back'),
			note: give(0)
		},
		{
			id: 'side',
			name: 'Static, side',
			minus: 'right',
			plus: 'left',
			offset: -report.staticOffsetM.side / figures.staticBandM,
			now: heavy(report.staticOffsetM.side, 'left', 'right'),
			note: give(1)
		},
		{
			id: 'drop',
			name: 'Drop time',
			minus: 'gimbal down',
			plus: 'up',
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
			minus: 'low weight back',
			plus: 'forward',
			offset: report.dynamic.foreLeanRad / figures.toleranceRad,
			now: lean(report.dynamic.foreLeanRad, 'forward', 'back'),
			note: `forgiven ${degrees(figures.toleranceRad)}`
		},
		{
			id: 'spinSide',
			name: 'Spin, side',
			minus: 'low weight right',
			plus: 'left',
			offset: report.dynamic.sideLeanRad / figures.toleranceRad,
			now: lean(report.dynamic.sideLeanRad, 'left', 'right'),
			note: ''
		}
	]);
</script>

<ul class="states">
	{#each rows as { id, name, minus, plus, offset, now, note } (id)}
		<li data-state={id} data-good={Math.abs(offset) <= 1}>
			<span class="name">{name}</span>
			<span class="end">{minus}</span>
			<Vial {offset} label="{name}: {now}" />
			<span class="end">{plus}</span>
			<span class="now"
				><strong>{now}</strong>{#if note}<small>{note}</small>{/if}</span
			>
		</li>
	{/each}
</ul>

<style>
	.states {
		padding: 4px 18px 4px 26px;
	}
	li {
		display: grid;
		grid-template-columns: 118px 96px minmax(80px, 1fr) 60px minmax(170px, 1.25fr);
		align-items: center;
		gap: 10px;
		min-height: 34px;
	}
	.name {
		font-weight: 700;
		font-size: 15px;
	}
	.end {
		font-size: 12.5px;
		color: var(--quiet);
	}
	.end:first-of-type,
	li > .end:nth-child(2) {
		text-align: right;
	}
	.now {
		font-size: 15px;
		line-height: 1.15;
	}
	.now strong {
		white-space: nowrap;
	}
	small {
		color: var(--quiet);
		font-size: 12.5px;
		margin-left: 8px;
	}
	@media (max-width: 700px) {
		.states {
			padding: 4px 12px;
		}
		li {
			grid-template-columns: 1fr 1fr;
			padding: 6px 0;
		}
		.end {
			display: none;
		}
		.now {
			grid-column: 1 / 3;
			grid-row: 2;
		}
	}
</style>
