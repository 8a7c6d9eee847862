<script lang="ts">
	import StandView from '$lib/supports/crane/StandView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Stability: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<StandView />
