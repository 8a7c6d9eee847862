<script lang="ts">
	import OrderView from '$lib/supports/crane/OrderView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Loading: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<OrderView />
