<script lang="ts">
	import SledGuideView from '$lib/supports/sled/SledGuideView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Rigging: {data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
<SledGuideView checksOpen={data.checksOpen} />
