<script lang="ts">
	import SpinView from '$lib/supports/sled/SpinView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Spin: {data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
<SpinView {data} />
