<script lang="ts">
	import DropView from '$lib/supports/sled/DropView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Drop time: {data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
<DropView person={data.person} />
