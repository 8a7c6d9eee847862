<script lang="ts">
	import DriftView from '$lib/supports/crane/DriftView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Drift: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<DriftView />
