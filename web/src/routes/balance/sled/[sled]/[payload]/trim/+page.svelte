<script lang="ts">
	import TrimView from '$lib/supports/sled/TrimView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Trim: {data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
<TrimView {data} />
