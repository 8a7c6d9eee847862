<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import type { Part } from '$lib/model/part';
	import type { UnitSystem } from '$lib/model/person';
	import { showMass, together } from '$lib/sheet/units/display';

	interface Props {
		shelf: readonly Part[];
		units: UnitSystem;
		onadd: (part: Part) => void;
		onnew: () => void;
	}
	let { shelf, units, onadd, onnew }: Props = $props();
	let search = $state('');
	/** A list that a hand can go through; what is not in it is found by its name. */
	const mostShown = 80;

	const order = [
		'camera',
		'lens',
		'filter',
		'adapter',
		'battery',
		'monitor',
		'motor',
		'microphone',
		'cage',
		'weight',
		'other'
	];
	const found = $derived(
		shelf
			.filter(({ kind }) => kind !== 'plate')
			.filter(({ name, kind }) => `${name} ${kind}`.toLowerCase().includes(search.trim().toLowerCase()))
			.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || a.name.localeCompare(b.name))
	);
</script>

<div class="picker">
	<div class="head">
		<label for="shelf-search">From the shelf</label>
		<TextInput id="shelf-search" type="search" bind:value={search} placeholder="lens, battery …" autocomplete="off" />
		<Button class="new" onclick={onnew}>New part</Button>
	</div>
	<ul>
		{#each found.slice(0, mostShown) as part (part.id)}
			<li>
				<Button onclick={() => onadd(part)} data-add={part.name} title="Put on the plate">
					<span class="plus" aria-hidden="true">+</span><span class="sr-only">Put on the plate:</span>
					<span class="name">{part.name}</span>
					<span class="figure quiet">{together(showMass(part.massKg, units))}</span>
				</Button>
			</li>
		{:else}
			<li class="none quiet">
				Nothing on the shelf matches. <Button class="link" onclick={onnew}>Add it as a new part</Button>
			</li>
		{/each}
		{#if found.length > mostShown}
			<li class="none quiet" data-testid="more-parts">
				{found.length - mostShown} more on the shelf. Type a part of the name to find one.
			</li>
		{/if}
	</ul>
</div>

<style>
	.picker {
		display: flex;
		flex-direction: column;
		gap: 8px;
		min-width: 0;
	}
	.head {
		display: flex;
		align-items: center;
		gap: 10px;
	}
	label {
		font-weight: 700;
		font-size: 15px;
		white-space: nowrap;
	}
	.head > :global(input) {
		flex: 1;
		min-width: 0;
		font-size: 15px;
	}
	.head > :global(.new) {
		min-height: 44px;
		padding: 0 14px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		white-space: nowrap;
	}
	ul {
		max-height: 228px;
		overflow-y: auto;
		border-block: 1px solid var(--rule);
		scrollbar-width: thin;
	}
	li :global(button:not(.link)) {
		display: flex;
		align-items: center;
		gap: 12px;
		width: 100%;
		position: relative;
		min-height: 44px;
		text-align: left;
		padding: 0 8px;
		border-bottom: 1px solid var(--rule);
	}
	li:last-child :global(button) {
		border-bottom: 0 !important;
	}
	li :global(button:hover) {
		background: var(--hover);
	}
	.plus {
		font-size: 22px;
		color: var(--press);
		font-weight: 700;
		width: 18px;
		text-align: center;
	}
	.name {
		flex: 1;
	}
	.none {
		padding: 12px 8px;
	}
	.none > :global(.link) {
		text-decoration: underline;
		color: var(--press);
	}
</style>
