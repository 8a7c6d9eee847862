<script lang="ts">
	import HeadsPage from '$lib/stations/moves/HeadsPage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Heads · Poise</title></svelte:head>
<HeadsPage {data} />
