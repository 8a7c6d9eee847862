<script lang="ts">
	import '$lib/state/sheet.css';
	import { goto } from '$app/navigation';
	import { ask } from '$lib/api';
	import type { SledRig } from '$lib/model/sled';
	import { sledFromPattern, type SledPattern, sledPatterns } from '$lib/sled/patterns';
	import SledDrawing from '$lib/sled/SledDrawing.svelte';
	import { dockedSetting } from '$lib/sled/standing';
	import { showMass, together } from '$lib/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
	let trouble = $state('');
	let busy = $state(false);

	async function start(pattern: SledPattern) {
		const taken = new Set(data.sleds.map(({ name }) => name));
		const names = [pattern.name, ...[2, 3, 4, 5, 6, 7, 8, 9].map((count) => `${pattern.name} ${count}`)];
		const name = names.find((each) => !taken.has(each)) ?? `${pattern.name} again`;
		busy = true;
		const outcome = await ask<SledRig>('POST', '/api/sleds', sledFromPattern(pattern, name));
		busy = false;
		if (outcome.ok) await goto(`/sleds/${outcome.value.id}`);
		else trouble = outcome.error.message;
	}
	const range = (least: number, greatest: number) =>
		`${together(showMass(least, units))} to ${together(showMass(greatest, units))}`;
</script>

<svelte:head><title>Sleds · Poise</title></svelte:head>
<div class="sheet">
	<h1>Sleds</h1>
	<div class="cards">
		{#each data.sleds as sled (sled.id)}
			<a class="card" href="/sleds/{sled.id}" data-sled={sled.name}>
				<strong>{sled.name}</strong>
				<span class="quiet">carries {range(sled.leastPayloadKg, sled.greatestPayloadKg)} on its plate</span>
			</a>
		{/each}
	</div>
	<h2>A new sled, from a pattern</h2>
	<p class="lead">Generic sleds to scale; every figure is then yours to change.</p>
	<div class="cards">
		{#each sledPatterns as pattern (pattern.id)}
			<div class="card">
				<div class="preview" aria-hidden="true">
					<SledDrawing
						geometry={pattern.geometry}
						setting={dockedSetting(pattern.geometry)}
						parts={[]}
						report={null}
						{units}
						width={330}
						height={270}
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
		height: 270px;
		overflow: hidden;
	}
</style>
