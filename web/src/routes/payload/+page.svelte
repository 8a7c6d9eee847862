<script lang="ts">
	import { goto } from '$app/navigation';
	import { ask } from '$lib/api';
	import type { Payload } from '$lib/model/payload';
	import PayloadCard from '$lib/payload/PayloadCard.svelte';

	let { data } = $props();
	const shelf = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	/** A new build starts on the lightest plate; most stay on it. */
	const plate = $derived(data.shelf.filter(({ kind }) => kind === 'plate').sort((a, b) => a.massKg - b.massKg)[0]);
	let trouble = $state('');
	let busy = $state(false);

	/** The first free name, so that starting never has to wait for one. */
	function freeName(): string {
		const taken = new Set(data.payloads.map(({ name }) => name));
		for (let count = 1; ; count += 1) {
			const name = count === 1 ? 'New payload' : `New payload ${count}`;
			if (!taken.has(name)) return name;
		}
	}

	async function start() {
		if (plate === undefined) return void (trouble = 'Put a plate on the shelf first: every payload stands on one.');
		busy = true;
		const outcome = await ask<Payload>('POST', '/api/payloads', {
			name: freeName(),
			platePartId: plate.id,
			placements: []
		});
		busy = false;
		if (outcome.ok) await goto(`/payload/${outcome.value.id}`);
		else trouble = outcome.error.message;
	}
</script>

<svelte:head><title>Payloads · Poise</title></svelte:head>

<section>
	<div class="head">
		<h1>What is on the plate today?</h1>
		<button type="button" onclick={start} disabled={busy} data-testid="new-payload">New payload</button>
	</div>
	{#if trouble !== ''}<p class="trouble" role="alert">{trouble}</p>{/if}
	<ul>
		{#each data.payloads as payload (payload.id)}
			<li><PayloadCard {payload} {shelf} units={data.person.units} /></li>
		{:else}
			<li class="empty">No payload yet. Press <strong>New payload</strong> and put a camera on its plate.</li>
		{/each}
	</ul>
</section>

<style>
	section {
		padding: 26px;
		max-width: 1400px;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 10px 26px;
		align-items: center;
		justify-content: space-between;
		margin-bottom: 20px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
	}
	button {
		background: var(--press);
		color: var(--press-ink);
		min-height: 52px;
		padding: 0 26px;
		border-radius: 6px;
		font-size: 18px;
		font-weight: 700;
	}
	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
		gap: 18px;
	}
	.trouble {
		color: var(--clay);
		margin-bottom: 12px;
	}
	.empty {
		font-size: 18px;
	}
</style>
