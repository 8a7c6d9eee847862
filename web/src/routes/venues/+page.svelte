<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { goto, invalidateAll } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import type { VenueDraft } from '$lib/model/venue';
	import { showDistance, together } from '$lib/sheet/units/display';
	import { boundsOfPlan } from '$lib/places/plan';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import { viewOf } from '$lib/places/view';
	import { when } from '$lib/sheet/when';

	let { data } = $props();
	const units = $derived(data.person.units);
	let name = $state('');
	let trouble = $state('');
	let busy = $state(false);
	const [width, height] = [320, 190];

	async function make(event: SubmitEvent) {
		event.preventDefault();
		trouble = '';
		if (name.trim() === '') {
			trouble = 'Give the venue a name.';
			return;
		}
		busy = true;
		const draft: VenueDraft = { name: name.trim(), plan: { ceilingM: null, shapes: [], underlay: null } };
		const outcome = await ask<{ readonly id: string }>('POST', '/api/venues', draft);
		busy = false;
		if (outcome.ok) await goto(`/venues/${outcome.value.id}`);
		else trouble = outcome.error.fields?.['name'] ?? outcome.error.message;
	}
	let backTrouble = $state('');
	async function bringBack(id: string) {
		const outcome = await ask('POST', `/api/venues/${id}/back`);
		backTrouble = outcome.ok ? '' : outcome.error.message;
		await invalidateAll();
	}
</script>

<svelte:head><title>Venues · Poise</title></svelte:head>
<div class="sheet">
	<h1>Venues</h1>
	<p class="lead">Where you work, drawn to scale: walls, obstacles, people and places to keep out of.</p>
	<div class="cards">
		{#each data.venues as { id, name: called, plan } (id)}
			{@const [from, to] = boundsOfPlan(plan)}
			<a class="card" href="/venues/{id}">
				<svg viewBox="0 0 {width} {height}" aria-hidden="true"
					><PlanLayer nameless {plan} venueId={null} view={viewOf([from, to], width, height)} {width} {height} /></svg
				>
				<strong>{called}</strong>
				<span class="quiet"
					>{together(showDistance(to[0] - from[0], units))} × {together(
						showDistance(to[1] - from[1], units)
					)}{plan.ceilingM === null ? '' : `, ceiling ${together(showDistance(plan.ceilingM, units))}`}</span
				>
			</a>
		{:else}
			<p class="hint">No venue yet. Name the first one.</p>
		{/each}
	</div>
	{#if data.deleted.length > 0}
		<h2>Deleted lately</h2>
		<ul class="deleted" data-testid="deleted-venues">
			{#each data.deleted as { id, name: called, at } (id)}
				<li>
					<span>{called} <span class="quiet">{when(at)}</span></span>
					<Button class="tool" onclick={() => bringBack(id)}>Bring {called} back</Button>
				</li>
			{/each}
		</ul>
		{#if backTrouble !== ''}<p class="problem" role="alert">{backTrouble}</p>{/if}
	{/if}
	<h2>A new venue</h2>
	<form class="row" onsubmit={make}>
		<label class="stack"
			>Name
			<TextInput maxlength={120} bind:value={name} data-testid="venue-new-name" /></label
		>
		<Button type="submit" class="second" disabled={busy} data-testid="venue-make">Draw its plan</Button>
	</form>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
</div>

<style>
	.deleted li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 4px 14px;
		max-width: 640px;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	.card svg {
		width: 100%;
		height: auto;
	}
</style>
