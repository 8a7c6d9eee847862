<script lang="ts">
	import VenueView from '$lib/supports/crane/VenueView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Venue: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<VenueView {data} />
