<script lang="ts">
	import { allowed } from '$lib/sheet/units/allowed';
	import { sledLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { sledShots } from './model';
	import { dropAdvice, shotAdvice } from './advice';
	import type { SledBench } from './sledBench.svelte';

	/** The shots of the day, the drop time they advise with its reason, and the one that is wanted. */
	interface Props {
		bench: SledBench;
	}
	let { bench }: Props = $props();
	const wishes = $derived(bench.state);
	const advice = $derived(dropAdvice(wishes.shots));
</script>

<div class="chips" role="group" aria-label="Shots of the day">
	{#each sledShots as shot (shot)}
		<Button
			class="chip"
			aria-pressed={wishes.shots.includes(shot)}
			onclick={() => bench.toggleShot(shot)}
			data-testid="shot-{shot}">{shotAdvice[shot].words}</Button
		>
	{/each}
</div>
<p class="quiet" data-testid="drop-advice">
	{advice.reason}
	{#if Math.abs(advice.dropTimeS - wishes.dropTimeS) > 0.04}
		<Button class="link" onclick={() => bench.change({ dropTimeS: advice.dropTimeS })} data-testid="take-advice"
			>Take {advice.dropTimeS.toFixed(1)} s</Button
		>
	{/if}
</p>
<QuantityField
	label="Drop time wanted"
	value={wishes.dropTimeS}
	quantity="time"
	units={bench.units}
	check={allowed(sledLimits.dropTime, 'time')}
	onvalue={(dropTimeS) => bench.change({ dropTimeS }, 'drop wish')}
	oncommit={() => bench.document.settle()}
	testId="drop-wish"
/>

<style>
	.quiet {
		font-size: 14px;
	}
	.quiet > :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
</style>
