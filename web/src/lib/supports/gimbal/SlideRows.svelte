<script lang="ts">
	import { positionAt, readingAt } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import type { Positions, Gimbal, RigSlide } from './model';
	import { fieldText, showTurns } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { moveInWords } from './benchSlip';
	import { printedReading } from '$lib/sheet/units/printed';
	import type { BenchFigures } from './figures';

	interface Props {
		rig: Gimbal;
		figures: BenchFigures;
		positionsM: Positions;
		units: UnitSystem;
		onread: (slideId: string, positionM: number) => void;
		onsettle: () => void;
	}
	let { rig, figures, positionsM, units, onread, onsettle }: Props = $props();

	function outside(slide: RigSlide, readingM: number): string | null {
		const ends = slide.rangeM.map((end) => readingAt(slide, end)) as [number, number];
		const [low, high] = [Math.min(...ends), Math.max(...ends)];
		// Half a millimetre of grace: a scale is read by eye.
		if (readingM >= low - 0.0005 && readingM <= high + 0.0005) return null;
		return `The scale runs from ${fieldText(low, 'length', 'metric')} to ${fieldText(high, 'length', 'metric')} mm.`;
	}
	const rows = $derived(
		figures.steps.map((step) => ({
			step,
			slide: rig.geometry.slides.find(({ id }) => id === step.slideId) as RigSlide,
			offset: -step.offsetM / step.bandM
		}))
	);
	/** Let go at the end of its travel, it still fell. */
	const ended = (slideId: string) =>
		figures.hunts.some((hunt) => hunt.slideId === slideId && hunt.nudge.outOfTravel !== null);
	/** The bubble runs to the light side; up and left are drawn to the right, like forward. */
	const vialWords = (slide: RigSlide, offset: number) =>
		Math.abs(offset) <= 1
			? `${slide.purpose}: within what friction holds`
			: `${slide.purpose}: heavy ${offset < 0 ? slide.plusWord : slide.minusWord}`;
</script>

<table>
	<caption class="sr-only"
		>Slides of {rig.name}: what the scale reads, where it belongs, and how its axis stands now</caption
	>
	<thead>
		<tr>
			<th scope="col">Slide</th>
			<th scope="col" class="number">{units === 'imperial' ? 'scale, as printed' : 'scale reads'}</th>
			<th scope="col" class="number">belongs</th>
			<th scope="col" class="tube">its axis now</th>
			<th scope="col">move</th>
		</tr>
	</thead>
	<tbody>
		{#each rows as { slide, step, offset } (slide.id)}
			{@const target = figures.targetsM[slide.id] ?? 0}
			{@const turns = slide.knobPitchM === null ? null : showTurns(step.moveM, slide.knobPitchM)}
			<tr class:next={figures.next?.slideId === slide.id} data-slide={slide.id}>
				<th scope="row"><span class="label">{slide.label}</span> <span class="quiet purpose">{slide.purpose}</span></th>
				<td class="read">
					<QuantityField
						label="{slide.label}, what its scale reads"
						hideLabel
						value={readingAt(slide, positionsM[slide.id] ?? 0)}
						quantity="length"
						units="metric"
						printed
						check={(reading) => outside(slide, reading)}
						onvalue={(reading) =>
							onread(slide.id, Math.min(slide.rangeM[1], Math.max(slide.rangeM[0], positionAt(slide, reading))))}
						oncommit={onsettle}
						testId="reading-{slide.id}"
					/>
				</td>
				<td class="figure target" data-testid="target-{slide.id}"
					><span aria-hidden="true">→</span> {printedReading(slide, target)}</td
				>
				<td class="tube"><Vial {offset} label={vialWords(slide, offset)} /></td>
				<td class="words">
					{#if figures.seen.has(slide.id)}<strong class="poised">seen to hold</strong>
					{:else if ended(slide.id)}<strong class="ended">falls at its end</strong>
					{:else if figures.seenOnce.has(slide.id)}<span>held once, once more</span>
					{:else if step.placed && Math.abs(offset) <= 1}<span>in place, not let go</span>
					{:else if step.placed}<span class="quiet">placed; waits</span>
					{:else}<strong>{moveInWords(slide, step.moveM, units)}</strong>{#if turns}<span class="quiet turns"
								>{turns}</span
							>{/if}{/if}
				</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		margin: 2px 0 6px;
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		text-align: left;
		padding: 4px 8px 0;
	}
	.ended {
		color: var(--clay);
	}
	.number {
		text-align: right;
	}
	th[scope='row'],
	thead th:first-child {
		padding-left: 26px;
		text-align: left;
		font-weight: 400;
		white-space: nowrap;
	}
	.label {
		font-size: 16px;
		display: inline-block;
		min-width: 76px;
	}
	.purpose {
		font-size: 13px;
	}
	td {
		padding: 2px 8px;
		vertical-align: middle;
	}
	.read {
		width: 104px;
	}
	.target {
		font-size: 17px;
		text-align: right;
		white-space: nowrap;
	}
	.tube {
		width: 26%;
	}
	.words {
		width: 176px;
		font-size: 16px;
		line-height: 1.15;
	}
	.turns {
		display: block;
		font-size: 13px;
	}
	.next th .label {
		font-weight: 700;
		color: var(--press);
	}
	.next {
		background: var(--press-wash);
	}
	@media (max-width: 700px) {
		thead {
			display: none;
		}
		tr {
			display: grid;
			grid-template-columns: 1fr 104px 76px;
			align-items: center;
			border-bottom: 1px solid var(--rule);
			padding: 6px 12px;
			gap: 2px 4px;
		}
		th[scope='row'] {
			padding-left: 0;
		}
		.purpose {
			display: block;
		}
		.tube {
			width: auto;
			grid-column: 1 / 2;
			padding-left: 0;
		}
		.words {
			width: auto;
			grid-column: 2 / 4;
		}
	}
</style>
