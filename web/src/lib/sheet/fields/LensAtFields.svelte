<script lang="ts">
	import type { DrawnCamera } from '$lib/model/drawnCamera';
	import { type LensAt, lensAtLimit, lensMeasured, lensOffset } from '$lib/model/lensAt';
	import type { UnitSystem } from '$lib/model/person';
	import { allowed } from '$lib/sheet/units/allowed';
	import Choice from './Choice.svelte';
	import QuantityField from './QuantityField.svelte';

	/** Where the lens is from where pan and tilt cross: taken to be there, as a payload is drawn, or measured. */
	interface Props {
		readonly lens: LensAt | null | undefined;
		/** Payloads whose drawing shows a lens. */
		readonly drawn: readonly DrawnCamera[];
		readonly units: UnitSystem;
		readonly onlens: (lens: LensAt | null, about: string) => void;
		readonly oncommit: () => void;
	}
	let { lens, drawn, units, onlens, oncommit }: Props = $props();
	const withLens = $derived(drawn.filter(({ lensM }) => lensM !== null));
	const words = ['ahead of the axes', 'to its left', 'above them'] as const;
	function chosen(how: string) {
		const found = withLens.find(({ id }) => id === how)?.lensM ?? null;
		if (found !== null) onlens({ atM: found, from: 'drawing' }, 'lens');
		else onlens(how === 'measured' ? { atM: lensOffset(lens), from: 'measured' } : null, 'lens');
		oncommit();
	}
</script>

<div class="lens">
	<label class="stack"
		>where the lens is
		<Choice
			value={lens == null ? '' : lens.from}
			onchange={(event) => chosen(event.currentTarget.value)}
			data-testid="lens-from"
		>
			<option value="">taken to be where pan and tilt cross</option>
			<option value="measured">measured</option>
			{#if lens?.from === 'drawing'}<option value="drawing">as the payload is drawn</option>{/if}
			{#if withLens.length > 0}
				<optgroup label="As a payload is drawn, balanced on its head">
					{#each withLens as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</optgroup>
			{/if}
		</Choice></label
	>
	{#if lens != null}
		{#each words as label, k (label)}
			<QuantityField
				{label}
				value={lensOffset(lens)[k]!}
				quantity="length"
				{units}
				check={allowed(lensAtLimit, 'length')}
				onvalue={(metres) => onlens(lensMeasured(lens, k, metres), `lens ${k}`)}
				{oncommit}
				testId="lens-{k}"
			/>
		{/each}
	{/if}
	<p class="quiet" data-testid="lens-words">
		{#if lens == null}Nobody has measured it: near subjects stand beside the middle of the picture, and focus is off by
			as much.
		{:else if lens.from === 'drawing'}From the middle of the drawn lens to the payload’s centre of gravity, which a
			balanced head holds where its axes cross. Measure it on the head for near subjects.
		{:else}As the camera stands on a table, from where pan and tilt cross to the middle of the lens.{/if}
	</p>
</div>

<style>
	.stack {
		display: grid;
		gap: 2px;
		font-size: 14px;
	}
	.lens {
		margin-top: 8px;
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	.lens :global(.field) {
		width: 134px;
		font-size: 13px;
	}
	.quiet {
		flex-basis: 100%;
		color: var(--quiet);
		font-size: 14px;
	}
</style>
