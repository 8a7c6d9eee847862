<script lang="ts">
	import LevelView from '$lib/supports/crane/LevelView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Levelling: {data.payload.name} on {data.crane.name} · Poise</title></svelte:head>
<LevelView />
