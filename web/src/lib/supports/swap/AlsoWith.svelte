<script lang="ts" generics="Id extends string | number">
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import type { SvelteSet } from 'svelte/reactivity';

	/** What else a swap sheet is to count in; ticked ones are in the set. */
	interface Props {
		legend: string;
		choices: readonly { readonly id: Id; readonly name: string; readonly testId?: string }[];
		ticked: SvelteSet<Id>;
	}
	let { legend, choices, ticked }: Props = $props();
</script>

<fieldset>
	<legend>{legend}</legend>
	{#each choices as { id, name, testId } (id)}
		<label
			><Tick
				checked={ticked.has(id)}
				onchange={(event) => (event.currentTarget.checked ? ticked.add(id) : ticked.delete(id))}
				data-testid={testId ?? `also-${name}`}
			/>
			{name}</label
		>
	{/each}
</fieldset>

<style>
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0 16px;
		font-size: 14px;
		border: 0;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 44px;
	}
</style>
