<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { mFromIn } from '@poise/core';
	import '$lib/shell/bench.css';
	import StateRows from '../StateRows.svelte';
	import SlipRoll from '../SlipRoll.svelte';
	import SlipMessages from '$lib/supports/log/SlipMessages.svelte';
	import { benchLog } from '$lib/supports/log/benchLog.svelte';
	import LogBalance from '$lib/supports/log/LogBalance.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showMass, showMove, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import CraneDrawing from './CraneDrawing.svelte';
	import CraneLooks from './CraneLooks.svelte';
	import { type CraneFigures, warnReserve } from './figures';
	import { countsOf, type CraneSlip, platesInWords } from './slip';
	import { hungKg } from './standing';
	import WeightFields from './WeightFields.svelte';

	interface Props {
		data: {
			readonly checksOpen: number;
		};
	}
	let { data }: Props = $props();
	const { checksOpen } = $derived(data);
	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const figures = $derived(bench.figures as CraneFigures);
	const slip = $derived(bench.slip as CraneSlip);
	const setting = $derived(bench.setting);

	let width = $state(770);
	let height = $state(400);
	const { log, logIt, keys } = benchLog(bench);
	const grams = (kg: number) => `${kg < 0 ? '−' : ''}${together(showMass(Math.abs(kg), units))}`;
	const standing = $derived(slip.kind === 'move' ? figures.envelopeThen : figures.envelope);
	const rows = $derived([
		{
			id: 'nose',
			name: 'Nose, level',
			ends: ['weight back', 'forward'] as const,
			offset: -(figures.noseKg - bench.state.noseBiasKg) / figures.noseBandKg,
			now: `${together(showMass(Math.abs(figures.noseKg), units))} ${figures.noseKg >= 0 ? 'heavy' : 'light'}`,
			note: `wanted ${together(showMass(bench.state.noseBiasKg, units))}`
		},
		{
			id: 'drift',
			name: 'Over the boom range',
			ends: ['line up', 'down'] as const,
			offset:
				(Math.abs(figures.noseAtEndsKg[0]) > Math.abs(figures.noseAtEndsKg[1])
					? -figures.noseAtEndsKg[0]
					: figures.noseAtEndsKg[1]) / figures.noseBandKg,
			now: figures.staysThroughout
				? 'stays where it is put'
				: { seeks: 'comes back', runsAway: 'runs away', floats: 'floats', noseDown: 'sinks', noseUp: 'rises' }[
						figures.drift.kind
					],
			note: `${grams(figures.noseAtEndsKg[0])} low, ${grams(figures.noseAtEndsKg[1])} high`
		},
		{
			id: 'stand',
			name: 'Against tipping',
			ends: ['less', 'more'] as const,
			offset: standing.reserve < warnReserve ? (standing.reserve - warnReserve) * 8 : 0,
			now: `${(standing.reserve * 100).toFixed(0)} % reserve`,
			note: slip.kind === 'move' ? 'once these weights hang' : 'worst swing and boom'
		}
	]);
	const sensitivity = $derived(geometry.trim.massKg / figures.noseU);
</script>

<svelte:window onkeydown={keys} />

<div class="bench">
	<section class="work" aria-label="Crane bench">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<CraneDrawing
				{geometry}
				{setting}
				payload={bench.bodies}
				arm={figures.arm}
				{units}
				{width}
				{height}
				target={slip.kind === 'move' ? slip.target : null}
				onboom={(boomRad) => bench.stands({ boomRad }, 'boom')}
				onsettle={() => bench.document.settle()}
			/>
		</div>
		<div class="rows">
			<StateRows {rows} />
			<WeightFields />
		</div>
	</section>
	<div class="answer-column">
		<Slip heading={slip.heading}>
			{#snippet answer()}
				{#if slip.kind === 'poised'}<strong data-testid="slip-strong">Poised</strong>{slip.pulls === null
						? ''
						: ' level'}
				{:else if slip.kind === 'placed'}In place{slip.pulls === null ? '' : ', level'}:
					<strong data-testid="slip-strong">open the hands</strong>
				{:else if slip.kind === 'tips'}In place, <strong data-testid="slip-strong">not safe as drawn</strong>
				{:else if slip.kind === 'tooHeavy'}Take <strong data-testid="slip-strong">a stronger crane</strong>
				{:else if slip.kind === 'short'}Short of <strong data-testid="slip-strong">plates</strong>
				{:else if slip.lines[0]}{slip.lines[0].lead}<strong data-testid="slip-strong"
						>{unbroken(slip.lines[0].strong)}</strong
					>{/if}
			{/snippet}
			{#if slip.danger !== null}<p class="danger" role="alert" data-testid="danger">{slip.danger}</p>{/if}
			{#if slip.pulls !== null}<p class="danger" role="alert" data-testid="pulls">{unbroken(slip.pulls)}</p>{/if}
			{#if slip.lines[0]?.detail}<p class="detail">{slip.lines[0].detail}</p>{/if}
			{#if slip.lines.length > 1}
				<ol class="lines" data-testid="slip-lines">
					{#each slip.lines.slice(1) as line (line.id)}
						<li>
							{line.lead}<strong>{unbroken(line.strong)}</strong>{#if line.detail}<small>{line.detail}</small>{/if}
						</li>
					{/each}
				</ol>
			{/if}
			{#if slip.kind === 'poised'}<Vial size="large" offset={0} label="Poised, as seen" />{/if}
			<p>{unbroken(slip.why)}</p>
			{#if slip.kind === 'placed' || slip.kind === 'poised'}<CraneLooks {bench} {figures} />{/if}
			<p class="quiet">
				{unbroken(
					`${units === 'imperial' ? 'A tenth of an inch' : 'One millimetre'} of the trim is ${grams(sensitivity * (units === 'imperial' ? mFromIn(0.1) : 0.001))} at the nose; a push of ${grams(figures.noseBandKg)} moves it.`
				)}
			</p>
			{#if checksOpen > 0}<p class="checks">
					<a href="/payload/{bench.payloadId}/checklist"
						>{checksOpen} {checksOpen === 1 ? 'check is' : 'checks are'} still open</a
					> before this payload is lifted.
				</p>{/if}
			{#if slip.kind === 'move'}
				<p class="caution">
					Weights on and off only while somebody holds the arm; nobody under it, no fingers between plates.
				</p>
				<Button class="go" onclick={() => bench.accept()} data-testid="accept"
					>{slip.lines.length === 1 ? 'It is done' : `All ${slip.lines.length} are done`}</Button
				>
				{#if figures.choices.length > 1}
					<h2>Or, next best</h2>
					{#each figures.choices as choice, index (index)}
						{#if choice !== figures.choice}
							<p class="other">
								{platesInWords(geometry, countsOf(choice), units)}, trim {together(showMove(-choice.trimUM, units))}
								<span class="quiet"
									>({Math.abs(choice.remainingUKgM / figures.noseU) < 0.0005
										? 'exact'
										: `${grams(Math.abs(choice.remainingUKgM / figures.noseU))} off`})</span
								>
								<Button class="link" onclick={() => bench.change({ choice: index })} data-testid="choice-{index}"
									>Take this</Button
								>
							</p>
						{/if}
					{/each}
				{/if}
			{:else if slip.kind === 'tooHeavy'}
				<a class="go" href="/payload/{bench.payloadId}">Change the payload</a>
			{:else}
				<LogBalance {log} placeholder="Where, which floor, who held the arm" onlog={logIt} />
				<a
					class="second"
					href="/api/prints/sheet/{bench.support.id}/{bench.payloadId}"
					data-testid="print"
					target="_blank">Crane sheet as PDF, to tape to the base</a
				>
			{/if}
			<SlipMessages {log} document={bench.document} />
			<SlipRoll slips={bench.state.slips} {units} />
			<p class="count">
				<span
					>{together(showMass(hungKg(geometry, setting.hung), units))} hung, {together(showMass(figures.armKg, units))} on
					the pivot</span
				>
				<Button class="link" onclick={() => bench.document.undo()} disabled={!bench.document.canUndo}>Undo</Button>
				<Button class="link" onclick={() => bench.startOver()}>Start over</Button>
			</p>
			<p class="quiet">
				Figures are aids: the maker’s manual, local rules and whoever is licensed decide. Keep well away from overhead
				lines.
			</p>
		</Slip>
	</div>
</div>

<style>
	h2 {
		font-size: 15px;
	}
	.other {
		font-size: 15px;
		margin: -6px 0;
	}
	@media (min-width: 901px) {
		.rows {
			max-height: 44% !important;
		}
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 320px;
		}
	}
</style>
