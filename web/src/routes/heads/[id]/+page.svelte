<script lang="ts">
	import HeadEditor from '$lib/stations/moves/HeadEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.head.name} · Heads · Poise</title></svelte:head>
{#key data.head.id}<HeadEditor {data} />{/key}
