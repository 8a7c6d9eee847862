<script lang="ts">
	import { goto } from '$app/navigation';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { ask } from '$lib/keeping/ask';
	import type { Head } from '$lib/model/head';
	import type { Person } from '$lib/model/person';
	import { showMass, showTurnRate, together } from '$lib/sheet/units/display';
	import { headPatterns } from './headPatterns';
	import HeadReach from './HeadReach.svelte';

	interface Props {
		data: { readonly heads: readonly Head[]; readonly person: Person };
	}
	let { data }: Props = $props();
	let name = $state('');
	let trouble = $state('');
	let busy = $state(false);

	async function make(id: string) {
		const pattern = headPatterns.find((each) => each.id === id)!;
		trouble = '';
		busy = true;
		const called = name.trim() === '' ? pattern.name : name.trim();
		const outcome = await ask<{ readonly id: string }>('POST', '/api/heads', { name: called, head: pattern.head });
		busy = false;
		if (outcome.ok) await goto(`/heads/${outcome.value.id}?fresh`);
		else trouble = outcome.error.fields?.['name'] ?? outcome.error.message;
	}
</script>

<div class="sheet">
	<h1>Heads</h1>
	<p class="lead">
		What turns a camera on a tripod, a rail or an arm: how far its axes go, how fast, and who has to hold it.
	</p>
	<div class="cards">
		{#each data.heads as { id, name: called, head } (id)}
			<a class="card" href="/heads/{id}">
				<strong>{called}</strong>
				<div class="dials"><HeadReach {head} size={112} /></div>
				<span class="quiet"
					>pan {together(showTurnRate(head.pan.maxRate))}, tilt {together(showTurnRate(head.tilt.maxRate))}, {head.hold ===
					'held'
						? 'moves only while held'
						: 'may run while watched'}</span
				>
			</a>
		{:else}
			<p class="hint">No head yet. Make the first one from a pattern, and put in what its maker says.</p>
		{/each}
	</div>
	<h2>A new head, from a pattern</h2>
	<div class="row">
		<label class="stack"
			>Name
			<TextInput maxlength={120} bind:value={name} data-testid="head-new-name" /></label
		>
	</div>
	<div class="cards">
		{#each headPatterns as { id, name: called, head } (id)}
			<div class="card">
				<strong>{called}</strong>
				<div class="dials"><HeadReach {head} size={112} /></div>
				<span class="quiet"
					>{together(showMass(head.massKg, data.person.units))}, pan {together(showTurnRate(head.pan.maxRate))}, tilt {together(
						showTurnRate(head.tilt.maxRate)
					)}</span
				>
				<Button class="second" disabled={busy} onclick={() => make(id)} data-testid="head-make-{id}"
					>Start from this</Button
				>
			</div>
		{/each}
	</div>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
</div>

<style>
	/* Its name is read first, its dials are seen first. */
	.dials {
		order: -1;
	}
	.row {
		margin-bottom: 10px;
	}
</style>
