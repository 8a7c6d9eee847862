<script lang="ts">
	import { page } from '$app/state';
	import MoveShell from '$lib/stations/moves/MoveShell.svelte';

	let { data, children } = $props();
</script>

<svelte:head><title>{data.move.name} · Moves · Poise</title></svelte:head>
{#key page.params.id}
	<MoveShell {data}>{@render children()}</MoveShell>
{/key}
