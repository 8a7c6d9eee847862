<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { weightMover } from './figures';
	import type { SledBench } from './sledBench.svelte';

	/** What may move to cure a spin. */
	interface Props {
		bench: SledBench;
	}
	let { bench }: Props = $props();
	const movers = $derived([
		...bench.support.geometry.items
			.filter(({ foreM, sideM }) => foreM !== null || sideM !== null)
			.map(({ id, label }) => ({ id, label })),
		...(bench.support.geometry.places.length === 0 ? [] : [{ id: weightMover, label: 'An added weight' }])
	]);
</script>

<p class="quiet">To cure a spin may move, with the plate and the gimbal:</p>
<div class="chips" role="group" aria-label="What may move">
	{#each movers as { id, label } (id)}
		<Button
			class="chip"
			aria-pressed={bench.state.movers.includes(id)}
			onclick={() => bench.toggleMover(id)}
			data-testid="mover-{id}">{label}</Button
		>
	{/each}
</div>

<style>
	.quiet {
		font-size: 14px;
	}
</style>
