<script lang="ts">
	import ReachView from '$lib/supports/crane/ReachView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Reach: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<ReachView />
