<script lang="ts">
	import ModesView from '$lib/stations/feel/ModesView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Modes: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<ModesView person={data.person} />
