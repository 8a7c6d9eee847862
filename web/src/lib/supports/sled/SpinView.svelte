<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import { type SpinRun, steadyLean } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { onMount } from 'svelte';
	import type { SledFigures } from './figures';
	import DayWishes from './DayWishes.svelte';
	import Movers from './Movers.svelte';
	import OtherCures from './OtherCures.svelte';
	import { fromPerMinute, perMinute } from './seen';
	import SledSeenBeside from './SledSeenBeside.svelte';
	import SledSeenRoll from './SledSeenRoll.svelte';
	import { sharedSledBench } from './sledBench.svelte';
	import { degrees, worstLean } from './slip';
	import { leanInWords, predictedSpins, spinExplained, spinRates } from './spin';
	import type { SpinAnswer, SpinQuestion } from './spin.worker';
	import SpinLook from './SpinLook.svelte';
	import { sceneOf } from './spinScene';
	import SpinStage from './SpinStage.svelte';

	interface Props {
		data: { readonly payload: Payload; readonly shelf: readonly Part[] };
	}
	let { data }: Props = $props();
	const bench = sharedSledBench();
	const figures = $derived(bench.figures as SledFigures);
	const slip = $derived(bench.slip);
	const geometry = $derived(bench.support.geometry);
	const parts = $derived(standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part]))));
	const scene = $derived(sceneOf(geometry, bench.setting, parts));
	const spins = $derived(predictedSpins(figures.sled));
	const why = $derived(spinExplained(figures.sled));
	const critical = $derived(steadyLean({ sled: figures.sled, spinRadPerS: 0, plane: 'fore' }).criticalRadPerS);

	let width = $state(740);
	let turns = $state<number>(spinRates[2].perMinute);
	let held = $state(false);
	let cured = $state(false);
	let slow = $state(false);
	let playing = $state(true);
	let run = $state.raw<SpinRun | null>(null);
	let problem = $state('');
	let worker = $state.raw<Worker | null>(null);
	let asked = 0;

	const shownSled = $derived(cured ? figures.cure.cured : figures.sled);
	onMount(() => {
		if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) playing = false;
		const made = new Worker(new URL('./spin.worker.ts', import.meta.url), { type: 'module' });
		made.onmessage = ({ data: answer }: MessageEvent<SpinAnswer>) => {
			if (answer.number !== asked) return;
			problem = 'problem' in answer ? answer.problem : '';
			run = 'run' in answer ? answer.run : null;
		};
		worker = made;
		return () => made.terminate();
	});
	$effect(() => {
		asked += 1;
		worker?.postMessage({
			number: asked,
			sled: $state.snapshot(shownSled) as SledFigures['sled'],
			spinRadPerS: fromPerMinute(turns),
			held
		} satisfies SpinQuestion);
	});
	const greatest = $derived(run === null ? null : degrees(run.greatestLeanRad));
	const height = $derived(Math.min(460, Math.max(320, width * 0.62)));
</script>

<div class="bench">
	<section class="work" aria-label="The spin">
		<div class="stage" bind:clientWidth={width}>
			<SpinStage {scene} {run} {width} {height} {playing} speed={slow ? 0.25 : 1} />
			<p class="told" data-testid="spin-told">
				{#if problem !== ''}{problem}
				{:else if run === null}Working it out …
				{:else}<strong>{greatest}</strong> at the furthest, {leanInWords(run.meanForeLeanRad, run.meanSideLeanRad)} in the
					mean{/if}
			</p>
		</div>
		<div class="controls">
			<div class="chips" role="group" aria-label="How fast">
				{#each spinRates as rate (rate.id)}
					<Button
						class="chip"
						aria-pressed={turns === rate.perMinute}
						onclick={() => {
							turns = rate.perMinute;
							held = rate.id !== 'hand';
						}}
						data-testid="rate-{rate.id}">{rate.words}</Button
					>
				{/each}
				<QuantityField
					label="turns a minute"
					value={turns}
					quantity="count"
					units={bench.units}
					check={(value) => (value > 0 && value <= 120 ? null : 'More than 0, up to 120.')}
					onvalue={(value) => (turns = value)}
					testId="spin-rate"
				/>
			</div>
			<div class="chips">
				<Button class="chip" aria-pressed={held} onclick={() => (held = !held)} data-testid="spin-held"
					>{held ? 'Led by fingers' : 'Let go'}</Button
				>
				<Button class="chip" aria-pressed={cured} onclick={() => (cured = !cured)} data-testid="spin-cured"
					>{cured ? 'As the slip will leave it' : 'As it stands'}</Button
				>
				<Button class="chip" aria-pressed={slow} onclick={() => (slow = !slow)}>A quarter of the speed</Button>
				<Button class="chip" onclick={() => (playing = !playing)} data-testid="spin-play"
					>{playing ? 'Hold still' : 'Turn'}</Button
				>
			</div>
			<table>
				<thead><tr><th>Turned steadily</th><th class="number">turns a minute</th><th>the post leans</th></tr></thead>
				<tbody>
					{#each spins as { id, words, perMinute: rate, foreRad, sideRad } (id)}
						<tr data-spin={id}
							><th>{words}</th><td class="number figure">{rate}</td><td>{leanInWords(foreRad, sideRad)}</td></tr
						>
					{/each}
				</tbody>
			</table>
		</div>
	</section>
	<div class="answer-column">
		<Slip
			heading="Spin, {figures.seen.spin ? 'as seen' : 'as computed'} · this day forgives {degrees(
				figures.toleranceRad
			)}"
		>
			{#snippet answer()}
				{#if figures.spinGood}Spins true, <strong data-testid="spin-strong"
						>{unbroken(degrees(worstLean(figures.report)))} off</strong
					>
				{:else if slip?.kind === 'move' && slip.lines[0]}{slip.lines[0].lead}<strong data-testid="spin-strong"
						>{unbroken(slip.lines[0].strong)}</strong
					>
				{:else}As near as <strong data-testid="spin-strong">this plan comes</strong>{/if}
			{/snippet}
			{#each [['Fore-aft', figures.report.dynamic.foreLeanRad, 'back', 'forward'], ['Side', figures.report.dynamic.sideLeanRad, 'right', 'left']] as const as [name, lean, minus, plus] (name)}
				<div class="tube">
					<span>low weight {minus}</span>
					<Vial offset={lean / figures.toleranceRad} label="{name}: {degrees(lean)}" />
					<span>{plus}</span>
				</div>
			{/each}
			{#if !figures.spinGood && slip?.kind === 'move'}
				{#if slip.lines[0]?.detail}<p class="quiet">{slip.lines[0].detail}</p>{/if}
				<ol class="lines" data-testid="spin-lines">
					{#each slip.lines.slice(1) as line (line.id)}
						<li>
							{line.lead}<strong>{unbroken(line.strong)}</strong>{#if line.detail}<small>{line.detail}</small>{/if}
						</li>
					{/each}
				</ol>
				{#if slip.short !== null}<p class="warning">{slip.short}</p>{/if}
				<Button class="go" onclick={() => bench.accept()} data-testid="spin-accept"
					>{slip.lines.length === 1 ? 'It is done' : `All ${slip.lines.length} are done`}</Button
				>
				<OtherCures {bench} {figures} />
				{#if bench.state.cureId}<Button class="link" onclick={() => bench.change({ cureId: null })}
						>Back to the best way</Button
					>{/if}
			{:else if figures.spinGood && !figures.placed}
				<p>
					Static balance or drop time is still out: <a href="/balance/sled/{bench.support.id}/{bench.payloadId}"
						>back to the bench</a
					>.
				</p>
			{/if}
			<p>{why[0]} {why[1]}</p>
			{#if critical !== null}<p class="quiet">
					It changes over at {perMinute(critical).toFixed(1)} turns a minute. A wild wobble can be a small fault: it is little
					heavier to pan than to tilt.
				</p>{/if}
			<h2>What you saw</h2>
			<SpinLook {bench} criticalPerMinute={critical === null ? null : perMinute(critical)} />
			<SledSeenBeside {bench} kinds={['spin']} />
			<SledSeenRoll {bench} kinds={['spin']} />
			<h2>What may move, and for which shots</h2>
			<Movers {bench} />
			<DayWishes {bench} />
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.stage {
		position: relative;
		flex: none;
		border-bottom: 1px solid var(--rule);
	}
	.told {
		position: absolute;
		left: 26px;
		top: 12px;
		font-size: 15px;
		max-width: 300px;
	}
	.told strong {
		font-size: 24px;
		display: block;
	}
	.controls {
		padding: 12px 22px 20px 26px;
		display: grid;
		gap: 12px;
	}
	.chips {
		align-items: end;
	}
	.chips :global(.field) {
		width: 130px;
		font-size: 13px;
	}
	table {
		border-collapse: collapse;
		font-size: 16px;
	}
	th,
	td {
		text-align: left;
		padding: 5px 10px 5px 0;
		border-top: 1px solid var(--rule);
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		border: 0;
	}
	.number {
		text-align: right;
		padding-right: 22px;
	}
	.tube {
		display: grid;
		grid-template-columns: 108px 1fr 56px;
		align-items: center;
		gap: 10px;
		font-size: 13px;
		color: var(--quiet);
	}
	.tube span:first-child {
		text-align: right;
	}
	.lines {
		display: grid;
		gap: 8px;
		font-size: 20px;
		line-height: 1.2;
		border-left: 4px solid var(--spirit);
		padding-left: 14px;
	}
	.lines:empty {
		display: none;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
</style>
