<script lang="ts">
	/** One build alone has nothing to swap with: what to tick, or where another comes from. */
	interface Props {
		payload: { readonly id: string; readonly name: string };
		/** What can be ticked above. */
		others: readonly { readonly name: string }[];
	}
	let { payload, others }: Props = $props();
	const some = $derived(
		others
			.slice(0, 2)
			.map(({ name }) => `“${name}”`)
			.join(' or ')
	);
</script>

<p class="hint" data-testid="swap-alone">
	{#if others.length > 0}Alone, {payload.name} has nothing to swap with: tick {some} under “Also with”, or make a
		<a href="/payload/{payload.id}">variant of it</a>, with another lens or without the monitor.
	{:else}Alone, {payload.name} has nothing to swap with: make a <a href="/payload/{payload.id}">variant of it</a>, with
		another lens or without the monitor, or <a href="/payload">another payload</a>. It then stands here to be ticked.{/if}
</p>
