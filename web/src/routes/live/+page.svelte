<script lang="ts">
	import LivePage from '$lib/stations/live/LivePage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Live · Poise</title></svelte:head>
<LivePage {data} />
