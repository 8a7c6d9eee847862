<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { ask } from '$lib/keeping/ask';
	import { v7 as newId } from 'uuid';
	import { feelPath } from './address';
	import type { FeelBench } from './feelBench.svelte';
	import type { NewRecipe, Recipe } from './model';

	/** Writes what is set into the book of recipes. Sent twice after a lost answer it is logged once. */
	interface Props {
		bench: FeelBench;
		onlogged?: (() => void) | undefined;
	}
	let { bench, onlogged = undefined }: Props = $props();
	let note = $state('');
	let id = $state(newId());
	let said = $state('');
	let trouble = $state('');
	let busy = $state(false);
	const { support, payload } = $derived(bench.data);

	async function log() {
		const detail = bench.recipe();
		if (detail === null) return;
		busy = true;
		await bench.save();
		const draft: NewRecipe = { id, supportId: support.id, payloadId: payload.id, note: note.trim(), detail };
		const outcome = await ask<Recipe>('POST', '/api/recipes', draft);
		busy = false;
		trouble = outcome.ok ? '' : (Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message);
		if (!outcome.ok) return;
		said = `Logged: ${detail.shotName}, as it is set.`;
		note = '';
		id = newId();
		onlogged?.();
	}
</script>

<div class="log">
	<TextInput
		bind:value={note}
		maxlength={2000}
		placeholder="A note for next time"
		aria-label="Note for the recipe"
		data-testid="recipe-note"
	/>
	<Button class="second" onclick={log} disabled={busy || bench.axis === null} data-testid="log-recipe"
		>Log this feel</Button
	>
</div>
{#if said !== ''}
	<p role="status" data-testid="recipe-logged">
		{said} <a href={feelPath(support.id, payload.id, 'recipes')}>See the recipes</a>
	</p>
{/if}
{#if trouble !== ''}<p class="bad" role="alert">{trouble} Press again: it is logged once.</p>{/if}

<style>
	.log {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 8px;
	}
	.log > :global(input) {
		min-width: 0;
	}
</style>
