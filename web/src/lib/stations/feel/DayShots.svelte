<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { v7 as newId } from 'uuid';
	import { feelPath } from './address';
	import type { FeelBench } from './feelBench.svelte';
	import { most } from './limits';
	import { allShots, shotOf } from './shots';

	/** The shots of the day, each with the recipe that is pinned to it. */
	interface Props {
		bench: FeelBench;
		/** Recipes that can be pinned, the newest first; absent: they are pinned elsewhere. */
		recipes?: readonly { readonly id: string; readonly words: string }[] | undefined;
	}
	let { bench, recipes = undefined }: Props = $props();
	const day = $derived(bench.shots.day);
	let words = $state('');
	const change = (id: string, next: object) =>
		bench.changeShots({ day: day.map((line) => (line.id === id ? { ...line, ...next } : line)) }, `day ${id}`);
	function add(event: SubmitEvent) {
		event.preventDefault();
		if (words.trim() === '') return;
		bench.changeShots({ day: [...day, { id: newId(), words: words.trim(), shotId: bench.shot.id, recipeId: null }] });
		bench.settle();
		words = '';
	}
</script>

<h2>Shots of the day</h2>
<ol data-testid="day-shots">
	{#each day as line (line.id)}
		<li>
			<span class="words">{line.words}</span>
			<Choice
				value={line.shotId}
				aria-label="Shot for {line.words}"
				onchange={(event) => change(line.id, { shotId: event.currentTarget.value })}
			>
				{#each allShots(bench.shots) as shot (shot.id)}<option value={shot.id}>{shot.name}</option>{/each}
			</Choice>
			{#if recipes === undefined}
				<a href={feelPath(bench.data.support.id, bench.data.payload.id, 'recipes')}
					>{line.recipeId === null ? 'pin a recipe' : 'recipe pinned'}</a
				>
			{:else}
				<Choice
					value={line.recipeId ?? ''}
					aria-label="Recipe for {line.words}"
					onchange={(event) =>
						change(line.id, { recipeId: event.currentTarget.value === '' ? null : event.currentTarget.value })}
					data-testid="pin"
				>
					<option value="">no recipe yet</option>
					{#each recipes as recipe (recipe.id)}<option value={recipe.id}>{recipe.words}</option>{/each}
					{#if line.recipeId !== null && !recipes.some(({ id }) => id === line.recipeId)}<option value={line.recipeId}
							>a recipe not in this list</option
						>{/if}
				</Choice>
			{/if}
			<Button
				class="link"
				aria-label="Take {line.words} off the day"
				onclick={() => bench.changeShots({ day: day.filter(({ id }) => id !== line.id) })}>✕</Button
			>
		</li>
	{:else}
		<li class="quiet">None yet. {shotOf(bench.shots, bench.shot.id).name} is chosen for the next one.</li>
	{/each}
</ol>
<form onsubmit={add} class="screen">
	<TextInput
		bind:value={words}
		maxlength={120}
		placeholder="The couple comes down the aisle"
		aria-label="Another shot of the day"
		data-testid="day-words"
	/>
	<Button type="submit" class="chip" disabled={words.trim() === '' || day.length >= most.day}>Add it</Button>
</form>

<style>
	h2 {
		font-size: 15px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 3px 0;
	}
	.words {
		flex: 1 1 180px;
		min-width: 0;
		overflow-wrap: anywhere;
	}
	li :global(select) {
		min-height: 44px;
		max-width: 230px;
	}
	li a,
	li :global(.link) {
		min-height: 44px;
		min-width: 44px;
		display: inline-flex;
		align-items: center;
	}
	form {
		display: flex;
		gap: 8px;
	}
	form > :global(input) {
		flex: 1;
		min-width: 0;
	}
</style>
