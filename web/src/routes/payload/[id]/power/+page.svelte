<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Meanwhile from '$lib/shell/Meanwhile.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { beforeNavigate } from '$app/navigation';
	import { limits } from '$lib/model/limits';
	import { powerColumns, type PowerList } from '$lib/stations/payload/powerColumns';
	import { allowed } from '$lib/sheet/units/allowed';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { standingParts } from '$lib/model/payload';
	import { freshPower, powerFigures } from '$lib/stations/payload/powerSheet';
	import { payloadSheets } from '$lib/stations/payload/sheets';
	import Edits from '$lib/shell/Edits.svelte';
	import { PaperKeeper } from '$lib/keeping/paperKeeper.svelte';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { showDuration, showShare, together, inNumber } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { onMount } from 'svelte';
	import { v7 as newId } from 'uuid';

	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const standing = standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part])));
	// One payload's sheet for the life of this page.
	// svelte-ignore state_referenced_locally
	const keeper = new PaperKeeper(data.payload.id, 'power', data.paper ?? freshPower(standing, newId));
	const paper = $derived(keeper.paper);
	const figures = $derived(powerFigures(paper));
	const units = $derived(data.person.units);

	onMount(() => {
		keeper.restore();
		return () => keeper.stop();
	});
	beforeNavigate(() => void keeper.save());

	function set(list: PowerList, id: string, field: string, value: string | number) {
		keeper.change(
			{ [list]: paper[list].map((each) => (each.id === id ? { ...each, [field]: value } : each)) },
			`${list} ${id} ${field}`
		);
	}
	const drop = (list: PowerList, id: string) => keeper.change({ [list]: paper[list].filter((each) => each.id !== id) });
	const usedTaps = $derived(new Set(paper.loads.map(({ tapId }) => tapId)));
	const usedSources = $derived(new Set(paper.taps.map(({ sourceId }) => sourceId)));
	const addSource = () =>
		keeper.change({
			sources: [
				...paper.sources,
				{ id: newId(), name: 'Battery', capacityWh: 50, voltageV: 14.4, count: 2, atOnce: 1, ageFactor: 0.9 }
			]
		});
	const addTap = () =>
		keeper.change({
			taps: [
				...paper.taps,
				{ id: newId(), name: 'Tap', sourceId: paper.sources[0]?.id ?? '', voltageV: 12, limitA: 3, efficiency: 0.92 }
			]
		});
	const addLoad = () =>
		keeper.change({
			loads: [...paper.loads, { id: newId(), name: 'Accessory', tapId: paper.taps[0]?.id ?? '', drawW: 5 }]
		});

	const columns = $derived(powerColumns(paper, figures, set));

	const worst = $derived(
		figures?.plan.sources
			.filter(({ setRunTimeS }) => setRunTimeS !== null)
			.sort((a, b) => (a.totalRunTimeS ?? 0) - (b.totalRunTimeS ?? 0))[0]
	);
	const missing = $derived(figures?.plan.sources.reduce((sum, { missing: each }) => sum + each, 0) ?? 0);
	const nameOf = (id: string) => paper.sources.find((each) => each.id === id)?.name ?? '';
	const stepsText = $derived(paper.indicator.map((share) => Math.round(share * 100)).join(', '));
	let stepsTyped = $state<string | null>(null);
	let stepsProblem = $state('');
	function readSteps(text: string) {
		stepsTyped = text;
		const shares = text
			.split(/[\s,;%]+/)
			.filter((each) => each !== '')
			.map((each) => Number(each) / 100);
		const rising = shares.every((share, k) => share >= 0 && share < 1 && (k === 0 || share > (shares[k - 1] ?? 0)));
		if (shares.length === 0 || shares.length > 10 || !rising || shares.some((share) => !Number.isFinite(share))) {
			stepsProblem = 'One to ten rising percentages below 100, such as 0, 25, 50, 75.';
			return;
		}
		stepsProblem = '';
		keeper.change({ indicator: shares, lit: Math.min(paper.lit, shares.length) }, 'indicator');
	}
</script>

<svelte:head><title>Power: {data.payload.name} · Poise</title></svelte:head>
<SheetLinks label="Sheets of this payload" links={payloadSheets(data.payload.id)} />
<div class="sheet">
	<h1>Power for {data.payload.name}</h1>
	{#if figures === null}
		<p class="problem" role="status">
			Something below cannot be worked out yet: every tap needs a battery, every load a tap.
		</p>
	{:else if worst === undefined}
		<p class="big">Nothing draws yet</p>
	{:else}
		<p class="big" data-testid="power-answer">
			{#if figures.plan.lastsTheJob}The batteries <strong>last the job</strong>, {showDuration(
					(worst.totalRunTimeS ?? 0) - paper.jobS
				)} to spare{:else}Bring <strong>{missing} more {inNumber(missing, nameOf(worst.id).toLowerCase())}</strong>{/if}
		</p>
		<div class="vial">
			<span>short</span>
			<Vial
				size="large"
				offset={Math.max(-6, Math.min(6, (((worst.totalRunTimeS ?? 0) - paper.jobS) / Math.max(paper.jobS, 1)) * 4)) -
					1}
				label="Battery time against the job"
			/>
			<span>to spare</span>
		</div>
		<ul class="plan">
			{#each figures.plan.sources as { id, drawW, setRunTimeS, swapsS } (id)}
				{#if setRunTimeS !== null}
					<li data-testid="plan-{nameOf(id)}">
						<strong>{nameOf(id)}</strong>: {drawW.toFixed(1)} W, {showDuration(setRunTimeS)} a set.
						{swapsS.length === 0
							? 'No swap within the job.'
							: `Swap at ${swapsS.map((swapS) => showDuration(swapS)).join(', ')}.`}
					</li>
				{/if}
			{/each}
			{#each figures.plan.taps.filter(({ overloaded }) => overloaded) as { id, currentA } (id)}
				{@const tap = paper.taps.find((each) => each.id === id)}
				<li class="problem" data-testid="overload">
					{tap?.name} is asked for {currentA.toFixed(1)} A and gives {tap?.limitA} A: move a load to another tap.
				</li>
			{/each}
		</ul>
	{/if}

	<div class="two">
		<div>
			<h2>The job</h2>
			<div class="row">
				<QuantityField
					label="Lasts, in hours"
					value={paper.jobS / 3600}
					quantity="count"
					{units}
					check={(value) => (value >= 0 && value <= 48 ? null : 'Between 0 and 48 hours.')}
					onvalue={(hours) => keeper.change({ jobS: hours * 3600 }, 'job')}
					oncommit={() => keeper.settle()}
					testId="job-hours"
				/>
				<QuantityField
					label="Margin left unused"
					value={paper.marginShare}
					quantity="share"
					{units}
					check={allowed(limits.marginShare, 'share')}
					onvalue={(marginShare) => keeper.change({ marginShare }, 'margin')}
					oncommit={() => keeper.settle()}
					testId="margin"
				/>
			</div>
		</div>
		<div>
			<h2>The indicator says</h2>
			<div class="row">
				<label class="stack"
					>Steps come on at, %
					<TextInput
						value={stepsTyped ?? stepsText}
						oninput={(event) => readSteps(event.currentTarget.value)}
						onblur={() => {
							if (stepsProblem === '') stepsTyped = null;
						}}
						aria-invalid={stepsProblem !== ''}
						data-testid="steps"
					/>
				</label>
				<div class="lamps" role="group" aria-label="Steps that are lit">
					{#each paper.indicator as _, step (step)}
						<Button
							aria-pressed={step < paper.lit}
							aria-label="{step + 1} lit"
							onclick={() => keeper.change({ lit: paper.lit === step + 1 ? step : step + 1 })}
							data-testid="lamp-{step}"
							class={[step < paper.lit && 'lit']}
						></Button>
					{/each}
				</div>
			</div>
			{#if stepsProblem !== ''}<p class="problem" role="alert">{stepsProblem}</p>{/if}
			{#if figures?.charge}
				<p data-testid="charge">
					<strong
						>{together(showShare(figures.charge.shares[0]))} to {together(showShare(figures.charge.shares[1]))}</strong
					>: {showDuration(figures.charge.seconds[0])} to {showDuration(figures.charge.seconds[1])} left down to the margin.
				</p>
			{/if}
		</div>
	</div>

	<h2>Batteries</h2>
	<FigureTable
		rows={paper.sources}
		columns={columns.sources}
		{units}
		onsettle={() => keeper.settle()}
		ondrop={({ id }) => drop('sources', id)}
		mayDrop={({ id }) => !usedSources.has(id)}
	/>
	<Button class="tool screen" onclick={addSource}>Another battery</Button>

	<h2>Taps</h2>
	<FigureTable
		rows={paper.taps}
		columns={columns.taps}
		{units}
		onsettle={() => keeper.settle()}
		ondrop={({ id }) => drop('taps', id)}
		mayDrop={({ id }) => !usedTaps.has(id)}
	/>
	<Button class="tool screen" onclick={addTap} disabled={paper.sources.length === 0}>Another tap</Button>

	<h2>What draws</h2>
	<FigureTable
		rows={paper.loads}
		columns={columns.loads}
		{units}
		onsettle={() => keeper.settle()}
		ondrop={({ id }) => drop('loads', id)}
	/>
	<div class="screen">
		<Edits document="paper/{data.payload.id}/power" onback={(paper) => keeper.change(paper as typeof keeper.paper)} />
	</div>
	<div class="actions screen">
		<Button class="tool" onclick={addLoad} disabled={paper.taps.length === 0}>Another load</Button>
		<Button class="tool" onclick={() => keeper.undo()} disabled={!keeper.canUndo}>Undo</Button>
	</div>
	<Meanwhile document={keeper.document} />
	{#if keeper.trouble !== ''}<p class="problem" role="alert">{keeper.trouble}</p>{/if}
	<p class="caution">
		Lithium cells: the right way round, undamaged, watched while they charge; a dented, swollen or hot one goes nowhere
		near the gimbal. The maker’s manual decides.
	</p>
	<p class="lead">
		Constant draw at room temperature. Cold, recording peaks and a tired cell’s sagging voltage are what the margin is
		for. The draws it begins with are rough: type the maker’s figures over them.
	</p>
</div>

<style>
	.vial {
		display: grid;
		grid-template-columns: auto 1fr auto;
		max-width: 640px;
		gap: 10px;
		align-items: center;
		font-size: 14px;
		color: var(--quiet);
	}
	.plan {
		font-size: 18px;
		margin-top: 8px;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 10px 40px;
	}
	.lamps {
		display: flex;
		gap: 6px;
	}
	.lamps :global(button) {
		width: 44px;
		height: 44px;
		border: 1.5px solid var(--ink);
		border-radius: 4px;
		background: var(--panel);
	}
	.lamps :global(.lit) {
		background: var(--spirit);
	}
	@media (max-width: 800px) {
		.two {
			grid-template-columns: 1fr;
		}
	}
</style>
