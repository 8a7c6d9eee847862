<script lang="ts">
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/sheet.css';
	import { goto } from '$app/navigation';
	import { printedReading } from '$lib/sheet/units/printed';
	import { moveInWords } from '$lib/supports/gimbal/benchSlip';
	import { payloadSheets } from '$lib/stations/payload/sheets';
	import { readingIn, swapBuilds, swapCaution, swapMoves } from '$lib/supports/gimbal/swap';
	import { offMiddle } from '$lib/sheet/words';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import AlsoWith from '$lib/supports/swap/AlsoWith.svelte';
	import SwapAlone from '$lib/supports/swap/SwapAlone.svelte';
	import SwapPdf from '$lib/supports/swap/SwapPdf.svelte';
	import { familyOf } from '$lib/supports/swap/family';
	import { showMass, showTurns, together } from '$lib/sheet/units/display';
	import { SvelteSet } from 'svelte/reactivity';

	let { data } = $props();
	const units = $derived(data.person.units);
	/** The build’s own variants to begin with; any other build can join. */
	const kin = $derived(familyOf(data.payload, data.payloads));
	const others = $derived(kin.others);
	const added = new SvelteSet<string>();
	const chosen = $derived(data.payloads.filter((each) => kin.family.includes(each) || added.has(each.id)));
	const builds = $derived(data.rig === null ? [] : swapBuilds(chosen, data.shelf, data.rig));
	const moves = $derived(swapMoves(builds));
	const moveOf = (fromId: string, toId: string) => moves.find((each) => each.fromId === fromId && each.toId === toId);
	const slides = $derived(data.rig?.geometry.slides ?? []);
	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const signedMass = (kg: number) => `${kg >= 0 ? '+' : '−'}${together(showMass(Math.abs(kg), units))}`;
	const still = 0.0003;
</script>

<svelte:head><title>Swap sheet: {data.payload.name} · Poise</title></svelte:head>
<SheetLinks label="Sheets of this payload" links={payloadSheets(data.payload.id)} />
<div class="sheet">
	<h1>Swap sheet</h1>
	<p class="lead">
		From the build in each row to the build in each column, on {data.rig?.name ?? 'a gimbal'}: what the slides have to
		do.
		{today}.
	</p>
	<div class="row screen">
		<label class="stack"
			>On
			<Choice
				value={data.rig?.id}
				onchange={(event) => goto(`?rig=${event.currentTarget.value}`, { replaceState: true, noScroll: true })}
				data-testid="swap-rig"
			>
				{#each data.rigs as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</Choice>
		</label>
		<AlsoWith legend="Also with" choices={others} ticked={added} />
		{#if data.rig !== null}
			<SwapPdf href="/api/prints/swap/{data.rig.id}/{data.payload.id}" also={[...added]} />
		{/if}
	</div>

	{#if builds.length < 2}
		<SwapAlone payload={data.payload} {others} />
	{/if}
	<h2>Where everything stands</h2>
	<div class="scroll">
		<table>
			<thead>
				<tr
					><th>Build</th><th class="number">mass</th><th>centre over the plate</th>
					{#each slides as slide (slide.id)}<th class="number">{slide.label}</th>{/each}</tr
				>
			</thead>
			<tbody>
				{#each builds as build (build.payload.id)}
					{@const { payload, massKg, cgM, fits } = build}
					<tr data-build={payload.name}>
						<th
							>{payload.name}{#if !fits}<small class="problem">does not balance here</small>{/if}</th
						>
						<td class="number figure">{together(showMass(massKg, units))}</td>
						<td>{offMiddle(cgM[0], 'forward', 'back', units) ?? 'in the middle'}</td>
						{#each slides as slide (slide.id)}<td class="number figure">{readingIn(build, slide)}</td>{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</div>

	{#if builds.length > 1}
		<h2>From … to</h2>
		<div class="scroll">
			<table class="matrix">
				<thead>
					<tr>
						<th></th>
						{#each builds as { payload } (payload.id)}<th>to {payload.name}</th>{/each}
					</tr>
				</thead>
				<tbody>
					{#each builds as from (from.payload.id)}
						<tr>
							<th>from {from.payload.name}</th>
							{#each builds as to (to.payload.id)}
								{@const move = moveOf(from.payload.id, to.payload.id)}
								<td data-swap="{from.payload.name} → {to.payload.name}">
									{#if move}
										<span class="quiet"
											>{signedMass(move.massKg)}, centre {offMiddle(move.cgM[0], 'forward', 'back', units) ??
												'unmoved'}</span
										>
										<ul>
											{#each slides as slide (slide.id)}
												{@const by = move.movesM[slide.id] ?? 0}
												{@const turns = slide.knobPitchM === null ? null : showTurns(by, slide.knobPitchM)}
												<li class:still={Math.abs(by) < still}>
													{slide.label}
													<strong>{Math.abs(by) < still ? 'stays' : moveInWords(slide, by, units)}</strong>
													{#if turns !== null && Math.abs(by) >= still}<small>{turns}</small>{/if}
													<small class="figure">→ {printedReading(slide, to.targetsM[slide.id] ?? 0)}</small>
												</li>
											{/each}
										</ul>
									{:else}<span class="quiet">{from === to ? '–' : 'does not balance here'}</span>{/if}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
	<p class="caution">{swapCaution}</p>
</div>

<style>
	.matrix td {
		vertical-align: top;
		min-width: 220px;
		font-size: 15px;
	}
	.matrix .quiet {
		font-size: 13px;
	}
	.matrix tbody th {
		max-width: 170px;
	}
	.problem {
		display: block;
	}
	small {
		font-size: 13px;
		color: var(--quiet);
	}
	.still {
		color: var(--quiet);
	}
	.still strong {
		font-weight: 400;
	}
</style>
