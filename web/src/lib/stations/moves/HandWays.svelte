<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { ways } from './carry';
	import { type Hand, wayWords } from './hand.svelte';
	import { sharedMove } from './moveBench.svelte';

	/** What a hand on the picture does, how far it takes the camera, and the same by presses. */
	let { hand }: { hand: Hand } = $props();
	const bench = sharedMove();
</script>

<div class="hand" role="group" aria-label="What a hand on the picture does">
	{#each ways as each (each)}
		<Button class="small" aria-pressed={hand.way === each} onclick={() => (hand.way = each)} data-testid="way-{each}"
			>{wayWords[each]}</Button
		>
	{/each}
	<label
		>hand : camera
		<Choice
			value={String(hand.ratio)}
			onchange={(event) => (hand.ratio = Number(event.currentTarget.value))}
			data-testid="ratio"
		>
			<option value="10">1 : 10</option>
			<option value="5">1 : 5</option>
			<option value="2">1 : 2</option>
			<option value="1">1 : 1</option>
			<option value="0.5">2 : 1</option>
		</Choice></label
	>
	{#if bench.move.support.kind === 'arm' && bench.move.support.track !== null}
		<label
			>with
			<Choice bind:value={hand.by} data-testid="carry-by">
				<option value="both">arm and base</option>
				<option value="arm">arm only</option>
				<option value="base">base only</option>
			</Choice></label
		>
	{/if}
	<span class="nudges">
		<Button class="small" onclick={() => hand.press(-1, 0)} aria-label="{wayWords[hand.way]}, to the left">←</Button>
		<Button class="small" onclick={() => hand.press(1, 0)} aria-label="{wayWords[hand.way]}, to the right">→</Button>
		<Button class="small" onclick={() => hand.press(0, 1)} aria-label="{wayWords[hand.way]}, up or in">↑</Button>
		<Button class="small" onclick={() => hand.press(0, -1)} aria-label="{wayWords[hand.way]}, down or out">↓</Button>
	</span>
</div>

<style>
	.hand {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 6px;
		align-items: center;
		font-size: 13px;
	}
	.hand :global(.small) {
		min-height: 40px;
		min-width: 40px;
		padding: 0 8px;
		border: 1px solid var(--rule);
		border-radius: 6px;
		font-size: 14px;
		background: var(--panel);
	}
	.hand :global(.small[aria-pressed='true']) {
		font-weight: 700;
		border-color: var(--ink);
	}
	.hand label {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		color: var(--quiet);
	}
	.hand :global(select) {
		min-height: 40px;
		padding-block: 0;
		font-size: 14px;
	}
	.nudges {
		display: inline-flex;
		gap: 4px;
	}
	@media (max-width: 900px) {
		.hand :global(.small) {
			min-height: 44px;
			min-width: 44px;
		}
	}
</style>
