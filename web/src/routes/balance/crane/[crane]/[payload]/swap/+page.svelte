<script lang="ts">
	import CraneSwapView from '$lib/supports/crane/CraneSwapView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Swap sheet: {data.crane.name} · Poise</title></svelte:head>
<CraneSwapView {data} />
