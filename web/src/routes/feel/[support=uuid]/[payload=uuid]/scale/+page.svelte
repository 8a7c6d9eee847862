<script lang="ts">
	import ScaleView from '$lib/stations/feel/ScaleView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Scale: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<ScaleView person={data.person} />
