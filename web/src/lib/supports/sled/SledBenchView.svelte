<script lang="ts">
	import '$lib/shell/bench.css';
	import { benchLog } from '$lib/supports/log/benchLog.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import { showInertia, showMass, together } from '$lib/sheet/units/display';
	import SledAnswer from './SledAnswer.svelte';
	import { sharedSledBench } from './sledBench.svelte';
	import SledDrawing from './SledDrawing.svelte';
	import SledRows from './SledRows.svelte';
	import SledSettings from './SledSettings.svelte';

	interface Props {
		data: {
			readonly payload: Payload;
			readonly shelf: readonly Part[];
			readonly checksOpen: number;
		};
	}
	let { data }: Props = $props();
	const bench = sharedSledBench();
	const parts = $derived(standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part]))));

	let width = $state(770);
	let height = $state(440);
	let selectedId = $state<string | null>(null);
	const { log, logIt, keys } = benchLog(bench);

	const figures = $derived(bench.figures);
	const slip = $derived(bench.slip);
	const sigmaM = $derived.by(() => {
		if (bench.estimate === null || figures === null) return null;
		const [x, y] = bench.estimate.sigma.firstMomentKgM;
		return [x / figures.massKg, y / figures.massKg] as const;
	});
</script>

<svelte:window onkeydown={keys} />

{#if figures !== null && slip !== null}
	<div class="bench">
		<section class="work" aria-label="Sled bench">
			<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
				<SledDrawing
					geometry={bench.support.geometry}
					setting={bench.setting}
					{parts}
					report={figures.report}
					units={bench.units}
					{width}
					{height}
					target={slip.kind === 'move' ? slip.target : null}
					{selectedId}
					onselect={(id) => (selectedId = id)}
					onstand={(next, about) => bench.stands(next, about)}
					onsettle={() => bench.document.settle()}
				/>
				<dl class="block">
					<div>
						<dt>On the gimbal</dt>
						<dd class="figure">{together(showMass(figures.massKg, bench.units))}</dd>
					</div>
					<div>
						<dt>Pan inertia</dt>
						<dd class="figure">{showInertia(figures.report.panInertiaKgM2, bench.units)}</dd>
					</div>
				</dl>
			</div>
			<div class="rows">
				<SledRows {figures} wantedDropS={bench.state.dropTimeS} units={bench.units} {sigmaM} />
				<SledSettings {bench} units={bench.units} {selectedId} />
			</div>
		</section>
		<div class="answer-column">
			<SledAnswer
				{bench}
				{figures}
				{slip}
				payloadHref="/payload/{bench.payloadId}"
				sledHref="/sleds/{bench.support.id}"
				checksOpen={data.checksOpen}
				{log}
				onlog={logIt}
			/>
		</div>
	</div>
{/if}

<style>
	.block {
		position: absolute;
		right: 14px;
		bottom: 10px;
		display: flex;
		border: 1.25px solid var(--ink);
		background: var(--ground);
	}
	.block div {
		padding: 3px 12px;
	}
	.block div + div {
		border-left: 1px solid var(--rule);
	}
	dt {
		font-size: 13px;
		color: var(--quiet);
	}
	dd {
		font-size: 16px;
		font-weight: 700;
	}
	@media (min-width: 901px) {
		.rows {
			max-height: 38% !important;
		}
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 560px;
		}
	}
</style>
