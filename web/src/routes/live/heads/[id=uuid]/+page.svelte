<script lang="ts">
	import HeadSetup from '$lib/stations/live/HeadSetup.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.head.name} · Poise</title></svelte:head>
{#key data.head.id}<HeadSetup {data} />{/key}
