<script lang="ts">
	import ResponseView from '$lib/stations/feel/ResponseView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Feel: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<ResponseView person={data.person} />
