<script lang="ts">
	import MovesPage from '$lib/stations/moves/MovesPage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Moves · Poise</title></svelte:head>
<MovesPage {data} />
