<script lang="ts">
	import WeightsView from '$lib/supports/crane/WeightsView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<WeightsView checksOpen={data.checksOpen} />
