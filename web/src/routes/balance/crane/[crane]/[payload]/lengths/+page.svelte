<script lang="ts">
	import LengthsView from '$lib/supports/crane/LengthsView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Lengths: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<LengthsView />
