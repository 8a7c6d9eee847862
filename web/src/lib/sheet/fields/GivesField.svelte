<script lang="ts">
	import { type Flex, flexLimit } from '$lib/model/flex';
	import type { UnitSystem } from '$lib/model/person';
	import { allowed } from '$lib/sheet/units/allowed';
	import Button from './Button.svelte';
	import QuantityField from './QuantityField.svelte';

	/** How far what carries a camera gives: a careful guess until somebody types its figure. */
	interface Props {
		readonly flex: Flex;
		readonly units: UnitSystem;
		/** Null: guessed again. */
		readonly onvalue: (metres: number | null) => void;
		readonly oncommit: () => void;
	}
	let { flex, units, onvalue, oncommit }: Props = $props();
</script>

<div class="gives">
	<QuantityField
		label="gives under load"
		value={flex.m}
		quantity="length"
		{units}
		check={allowed(flexLimit, 'length')}
		{onvalue}
		{oncommit}
		testId="gives"
	/>
	{#if flex.guessed}<span class="quiet" data-testid="gives-from"
			>A careful guess by its kind. Loaded as it runs, measure how far it sinks, and type it.</span
		>
	{:else}<span class="quiet" data-testid="gives-from">Its own figure.</span>
		<Button
			class="small"
			onclick={() => {
				onvalue(null);
				oncommit();
			}}
			data-testid="gives-guess">Guess it by its kind</Button
		>{/if}
</div>

<style>
	.gives {
		margin-top: 8px;
		display: flex;
		flex-wrap: wrap;
		gap: 6px 12px;
		align-items: end;
	}
	.gives :global(.field) {
		width: 150px;
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
		max-width: 40ch;
		padding-bottom: 4px;
	}
	.gives :global(.small) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-size: 14px;
	}
</style>
