<script lang="ts">
	import SledBenchView from '$lib/supports/sled/SledBenchView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
<SledBenchView {data} />
