<script lang="ts">
	import PassView from '$lib/supports/crane/PassView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Head rate: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<PassView />
