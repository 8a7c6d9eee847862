<script lang="ts">
	import '$lib/state/sheet.css';
	import { goto } from '$app/navigation';
	import { ask } from '$lib/api';
	import RigDrawing from '$lib/balance/RigDrawing.svelte';
	import type { Rig } from '$lib/model/rig';
	import { type Pattern, patterns, rigFromPattern } from '$lib/rig/patterns';
	import { showMass, together } from '$lib/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
	let trouble = $state('');
	let busy = $state(false);

	async function start(pattern: Pattern) {
		const taken = new Set(data.rigs.map(({ name }) => name));
		const name = [pattern.name, ...[2, 3, 4, 5, 6, 7, 8, 9].map((count) => `${pattern.name} ${count}`)].find(
			(each) => !taken.has(each)
		);
		busy = true;
		const outcome = await ask<Rig>('POST', '/api/rigs', rigFromPattern(pattern, name ?? `${pattern.name} again`));
		busy = false;
		if (outcome.ok) await goto(`/rigs/${outcome.value.id}`);
		else trouble = outcome.error.message;
	}
	const range = (least: number, greatest: number) =>
		`${together(showMass(least, units))} to ${together(showMass(greatest, units))}`;
</script>

<svelte:head><title>Rigs · Poise</title></svelte:head>
<div class="sheet">
	<h1>Rigs</h1>
	<div class="cards">
		{#each data.rigs as rig (rig.id)}
			<a class="card" href="/rigs/{rig.id}" data-rig={rig.name}>
				<strong>{rig.name}</strong>
				<span class="quiet"
					>{rig.geometry.axes.map(({ label }) => label.toLowerCase()).join(', ')} · {range(
						rig.leastPayloadKg,
						rig.greatestPayloadKg
					)}</span
				>
			</a>
		{/each}
	</div>
	<h2>A new rig, from a pattern</h2>
	<p class="lead">Generic arms to scale; every figure is then yours to change.</p>
	<div class="cards">
		{#each patterns as pattern (pattern.id)}
			{@const rig = { id: pattern.id, ...rigFromPattern(pattern, pattern.name) }}
			<div class="card pattern">
				<div class="preview" aria-hidden="true">
					<RigDrawing
						{rig}
						parts={[]}
						axes={[]}
						positionsM={{}}
						targetsM={null}
						nextId={null}
						{units}
						width={300}
						height={230}
						plain
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
		grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
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
		height: 230px;
		overflow: hidden;
	}
</style>
