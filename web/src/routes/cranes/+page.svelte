<script lang="ts">
	import '$lib/state/sheet.css';
	import { goto } from '$app/navigation';
	import { ask } from '$lib/api';
	import type { CraneRig } from '$lib/model/crane';
	import { craneFromPattern, type CranePattern, cranePatterns } from '$lib/crane/patterns';
	import CraneDrawing from '$lib/crane/CraneDrawing.svelte';
	import { bareSetting } from '$lib/crane/standing';
	import { showMass, together } from '$lib/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
	let trouble = $state('');
	let busy = $state(false);

	async function start(pattern: CranePattern) {
		const taken = new Set(data.cranes.map(({ name }) => name));
		const names = [pattern.name, ...[2, 3, 4, 5, 6, 7, 8, 9].map((count) => `${pattern.name} ${count}`)];
		const name = names.find((each) => !taken.has(each)) ?? `${pattern.name} again`;
		busy = true;
		const outcome = await ask<CraneRig>('POST', '/api/cranes', craneFromPattern(pattern, name));
		busy = false;
		if (outcome.ok) await goto(`/cranes/${outcome.value.id}`);
		else trouble = outcome.error.message;
	}
	const range = (least: number, greatest: number) =>
		`${together(showMass(least, units))} to ${together(showMass(greatest, units))}`;
</script>

<svelte:head><title>Cranes · Poise</title></svelte:head>
<div class="sheet">
	<h1>Cranes</h1>
	<div class="cards">
		{#each data.cranes as crane (crane.id)}
			<a class="card" href="/cranes/{crane.id}" data-crane={crane.name}>
				<strong>{crane.name}</strong>
				<span class="quiet">carries {range(crane.leastPayloadKg, crane.greatestPayloadKg)}</span>
			</a>
		{/each}
	</div>
	<h2>A new crane, from a pattern</h2>
	<p class="lead">Generic cranes to scale; every figure is then yours to change.</p>
	<div class="cards">
		{#each cranePatterns as pattern (pattern.id)}
			<div class="card">
				<div class="preview" aria-hidden="true">
					<CraneDrawing
						geometry={pattern.geometry}
						setting={bareSetting(pattern.geometry)}
						payload={[]}
						arm={null}
						{units}
						width={330}
						height={200}
						bare
					/>
				</div>
				<strong>{pattern.name}</strong>
				<span class="quiet">{pattern.words} · {range(...pattern.payloadKg)}</span>
				<button
					type="button"
					class="second"
					disabled={busy}
					onclick={() => start(pattern)}
					data-testid="start-{pattern.id}">Start from this</button
				>
			</div>
		{/each}
	</div>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
</div>

<style>
	.cards {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
		gap: 14px;
	}
	.card {
		display: grid;
		gap: 4px;
		text-decoration: none;
		color: var(--ink);
		align-content: start;
	}
	a.card:hover {
		border-color: var(--press);
	}
	strong {
		font-size: 18px;
	}
	.quiet {
		font-size: 14px;
	}
	.preview {
		height: 200px;
		overflow: hidden;
	}
</style>
