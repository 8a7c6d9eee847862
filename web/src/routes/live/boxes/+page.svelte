<script lang="ts">
	import BoxesPage from '$lib/stations/live/BoxesPage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Simulated heads · Poise</title></svelte:head>
<BoxesPage boxes={data.boxes} run={data.run} />
