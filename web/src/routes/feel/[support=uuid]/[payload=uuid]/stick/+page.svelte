<script lang="ts">
	import StickView from '$lib/stations/feel/StickView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Stick: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<StickView person={data.person} />
