<script lang="ts">
	import { beforeNavigate } from '$app/navigation';
	import '$lib/shell/bench.css';
	import { editingKeys, pageKeys } from '$lib/sheet/keys';
	import type { Person } from '$lib/model/person';
	import { showStation } from '$lib/shell/live.svelte';
	import { putOnBench } from '$lib/supports/onBench';
	import { onMount, type Snippet } from 'svelte';
	import { FeelBench, type FeelData, shareFeel } from './feelBench.svelte';
	import FeelHead from './FeelHead.svelte';
	import FeelSaved from './FeelSaved.svelte';
	import { searchFor } from './search.svelte';

	/** Round every sheet of Feel: what is set of one payload on one gimbal, saving, the keys, and the search in its worker. */
	interface Props {
		data: FeelData;
		person: Person;
		children: Snippet;
	}
	let { data, person, children }: Props = $props();

	// Another gimbal, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const bench = new FeelBench(data);
	shareFeel(() => bench);
	onMount(() => {
		for (const document of bench.documents) document.restore();
		return () => {
			for (const document of bench.documents) document.stop();
		};
	});
	beforeNavigate(() => void bench.save());
	searchFor(() => bench);
	$effect(() => void putOnBench(person, { supportId: data.support.id, payloadId: data.payload.id }));
	$effect(() => {
		if (bench.station !== null) return showStation('feel', bench.station);
	});
	const nothing = $derived(bench.axis === null);
	const keys = pageKeys(editingKeys(() => bench));
</script>

<svelte:window onkeydown={keys} />

<div class="shell">
	<FeelHead supportId={data.support.id} payloadId={data.payload.id} />
	<FeelSaved {bench} />
	{#if nothing}
		<h1 class="sr-only">Feel</h1>
		<p class="empty">
			{#if data.payload.bare}
				There is nothing on this plate yet that could follow a hand. <a href="/payload/{data.payload.id}"
					>Put the camera on it</a
				>.
			{:else}
				This gimbal has no motor that turns the camera. <a href="/gimbals/{data.support.id}">Look at its axes</a>.
			{/if}
		</p>
	{:else}
		{@render children()}
	{/if}
</div>

<style>
	.shell {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
		position: relative;
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (min-width: 901px) {
		.shell > :global(.saved) {
			position: absolute;
			right: 0;
			top: 4px;
			background: var(--ground);
		}
		/* The bench below keeps to what this header leaves of the window. */
		.shell :global(.bench) {
			height: calc(100dvh - 66px - 92px);
		}
	}
</style>
