<script lang="ts">
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { MoveField } from './moveField';
	import { sharedMove } from './moveBench.svelte';

	/** A row of figures of the move; each is refused at its own field. */
	interface Props {
		fields: readonly MoveField[];
		/** A step of the history of its own, such as a knot's id. */
		about: string;
	}
	let { fields, about }: Props = $props();
	const bench = sharedMove();
</script>

<div class="fields">
	{#each fields as { id, label, value, quantity, check, put, printed } (`${about} ${id}`)}
		<QuantityField
			{label}
			{value}
			{quantity}
			units={printed === true ? 'metric' : bench.units}
			printed={printed === true}
			{check}
			onvalue={(next) => bench.set(put(next), `${about} ${id}`)}
			oncommit={bench.settle}
			testId={id}
		/>
	{/each}
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	.fields :global(.field) {
		width: 124px;
		font-size: 13px;
	}
</style>
