<script lang="ts">
	import SledSwapView from '$lib/supports/sled/SledSwapView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Swap sheet: {data.sled.name} · Poise</title></svelte:head>
<SledSwapView {data} />
