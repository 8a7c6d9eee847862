<script lang="ts">
	import '$lib/state/sheet.css';
	import { beforeNavigate } from '$app/navigation';
	import QuantityField from '$lib/fields/QuantityField.svelte';
	import { standingParts } from '$lib/model/payload';
	import { freshPower, powerFigures } from '$lib/payload/powerSheet';
	import { payloadSheets } from '$lib/payload/sheets';
	import { PaperKeeper } from '$lib/state/paperKeeper.svelte';
	import SheetLinks from '$lib/state/SheetLinks.svelte';
	import { showDuration, showShare, together } from '$lib/units/display';
	import Vial from '$lib/vial/Vial.svelte';
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

	type Lists = 'sources' | 'taps' | 'loads';
	function set(list: Lists, id: string, field: string, value: string | number) {
		keeper.change(
			{ [list]: paper[list].map((each) => (each.id === id ? { ...each, [field]: value } : each)) },
			`${list} ${id} ${field}`
		);
	}
	const drop = (list: Lists, id: string) => keeper.change({ [list]: paper[list].filter((each) => each.id !== id) });
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

	const positive = (value: number) => (value > 0 ? null : 'More than 0.');
	const whole = (least: number) => (value: number) =>
		Number.isInteger(value) && value >= least && value <= 99 ? null : `A whole number from ${least} to 99.`;
	const uptoAll = (value: number) => (value > 0 && value <= 1 ? null : 'More than 0 %, at most 100 %.');

	const worst = $derived(
		figures?.plan.sources
			.filter(({ setRunTimeS }) => setRunTimeS !== null)
			.sort((a, b) => (a.totalRunTimeS ?? 0) - (b.totalRunTimeS ?? 0))[0]
	);
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
				)} to spare{:else}Bring <strong
					>{figures.plan.sources.reduce((sum, { missing }) => sum + missing, 0)} more {nameOf(
						worst.id
					).toLowerCase()}</strong
				>{/if}
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
					check={(value) => (value >= 0 && value <= 0.9 ? null : 'Between 0 % and 90 %.')}
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
					<input
						type="text"
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
						<button
							type="button"
							class:lit={step < paper.lit}
							aria-pressed={step < paper.lit}
							aria-label="{step + 1} lit"
							onclick={() => keeper.change({ lit: paper.lit === step + 1 ? step : step + 1 })}
							data-testid="lamp-{step}"
						></button>
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
	<div class="scroll">
		<table>
			<thead
				><tr
					><th>Kind</th><th>capacity, each</th><th>voltage</th><th>how many</th><th>worn at once</th><th
						>age has left</th
					><th></th></tr
				></thead
			>
			<tbody>
				{#each paper.sources as source (source.id)}
					<tr>
						<td
							><input
								type="text"
								value={source.name}
								maxlength={120}
								aria-label="Battery"
								oninput={(event) => set('sources', source.id, 'name', event.currentTarget.value)}
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="Capacity of {source.name}"
								value={source.capacityWh}
								quantity="energy"
								{units}
								check={positive}
								onvalue={(value) => set('sources', source.id, 'capacityWh', value)}
								oncommit={() => keeper.settle()}
								testId="capacity"
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="Voltage of {source.name}"
								value={source.voltageV}
								quantity="voltage"
								{units}
								check={positive}
								onvalue={(value) => set('sources', source.id, 'voltageV', value)}
								oncommit={() => keeper.settle()}
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="Number of {source.name}"
								value={source.count}
								quantity="count"
								{units}
								check={whole(0)}
								onvalue={(value) => set('sources', source.id, 'count', value)}
								oncommit={() => keeper.settle()}
								testId="battery-count"
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="{source.name} worn at once"
								value={source.atOnce}
								quantity="count"
								{units}
								check={whole(1)}
								onvalue={(value) => set('sources', source.id, 'atOnce', value)}
								oncommit={() => keeper.settle()}
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="{source.name}, what age has left"
								value={source.ageFactor}
								quantity="share"
								{units}
								check={uptoAll}
								onvalue={(value) => set('sources', source.id, 'ageFactor', value)}
								oncommit={() => keeper.settle()}
							/></td
						>
						<td
							>{#if !usedSources.has(source.id)}<button
									type="button"
									class="tool"
									onclick={() => drop('sources', source.id)}>Take out</button
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<button type="button" class="tool screen" onclick={addSource}>Another battery</button>

	<h2>Taps</h2>
	<div class="scroll">
		<table>
			<thead
				><tr
					><th>Tap</th><th>of</th><th>gives</th><th>at most</th><th>efficiency</th><th class="number">asked for</th><th
					></th></tr
				></thead
			>
			<tbody>
				{#each paper.taps as tap (tap.id)}
					{@const asked = figures?.plan.taps.find(({ id }) => id === tap.id)}
					<tr>
						<td
							><input
								type="text"
								value={tap.name}
								maxlength={120}
								aria-label="Tap"
								oninput={(event) => set('taps', tap.id, 'name', event.currentTarget.value)}
							/></td
						>
						<td
							><select
								value={tap.sourceId}
								aria-label="{tap.name} is on"
								onchange={(event) => set('taps', tap.id, 'sourceId', event.currentTarget.value)}
								>{#each paper.sources as { id, name } (id)}<option value={id}>{name}</option>{/each}</select
							></td
						>
						<td
							><QuantityField
								hideLabel
								label="Voltage of {tap.name}"
								value={tap.voltageV}
								quantity="voltage"
								{units}
								check={positive}
								onvalue={(value) => set('taps', tap.id, 'voltageV', value)}
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="Limit of {tap.name}"
								value={tap.limitA}
								quantity="current"
								{units}
								check={positive}
								onvalue={(value) => set('taps', tap.id, 'limitA', value)}
								testId="tap-limit"
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="Efficiency of {tap.name}"
								value={tap.efficiency}
								quantity="share"
								{units}
								check={uptoAll}
								onvalue={(value) => set('taps', tap.id, 'efficiency', value)}
							/></td
						>
						<td class="number figure" class:problem={asked?.overloaded}
							>{asked === undefined ? '' : `${asked.currentA.toFixed(2)} A`}</td
						>
						<td
							>{#if !usedTaps.has(tap.id)}<button type="button" class="tool" onclick={() => drop('taps', tap.id)}
									>Take out</button
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<button type="button" class="tool screen" onclick={addTap} disabled={paper.sources.length === 0}>Another tap</button>

	<h2>What draws</h2>
	<div class="scroll">
		<table>
			<thead><tr><th>Load</th><th>from</th><th>draws</th><th></th></tr></thead>
			<tbody>
				{#each paper.loads as load (load.id)}
					<tr>
						<td
							><input
								type="text"
								value={load.name}
								maxlength={120}
								aria-label="Load"
								oninput={(event) => set('loads', load.id, 'name', event.currentTarget.value)}
							/></td
						>
						<td
							><select
								value={load.tapId}
								aria-label="{load.name} is on"
								onchange={(event) => set('loads', load.id, 'tapId', event.currentTarget.value)}
								>{#each paper.taps as { id, name } (id)}<option value={id}>{name}</option>{/each}</select
							></td
						>
						<td
							><QuantityField
								hideLabel
								label="Draw of {load.name}"
								value={load.drawW}
								quantity="power"
								{units}
								check={(value) => (value >= 0 ? null : 'Not below 0.')}
								onvalue={(value) => set('loads', load.id, 'drawW', value)}
								oncommit={() => keeper.settle()}
								testId="draw-{load.name}"
							/></td
						>
						<td><button type="button" class="tool" onclick={() => drop('loads', load.id)}>Take out</button></td>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<div class="actions screen">
		<button type="button" class="tool" onclick={addLoad} disabled={paper.taps.length === 0}>Another load</button>
		<button type="button" class="tool" onclick={() => keeper.undo()} disabled={!keeper.canUndo}>Undo</button>
	</div>
	{#if keeper.trouble !== ''}<p class="problem" role="alert">{keeper.trouble}</p>{/if}
	<p class="caution">
		Lithium cells: the right way round, undamaged, watched while they charge; a dented, swollen or hot one goes nowhere
		near the rig. The maker’s manual decides.
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
	.lamps button {
		width: 44px;
		height: 44px;
		border: 1.5px solid var(--ink);
		border-radius: 4px;
		background: var(--panel);
	}
	.lamps .lit {
		background: var(--spirit);
	}
	td :global(.field) {
		width: 110px;
	}
	td input[type='text'] {
		min-width: 150px;
	}
	@media (max-width: 800px) {
		.two {
			grid-template-columns: 1fr;
		}
	}
</style>
