<script lang="ts">
	import WhichView from '$lib/stations/feel/WhichView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Which mode: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<WhichView person={data.person} />
