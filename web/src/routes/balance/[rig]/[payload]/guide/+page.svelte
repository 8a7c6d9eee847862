<script lang="ts">
	import { page } from '$app/state';
	import GuideView from '$lib/supports/gimbal/GuideView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Guide: {data.payload.name} · Poise</title></svelte:head>
{#key `${page.params.rig} ${page.params.payload} ${data.payload.version}`}
	<GuideView {data} />
{/key}
