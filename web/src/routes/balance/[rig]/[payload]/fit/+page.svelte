<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import FitView from '$lib/supports/gimbal/FitView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Fit: {data.payload.name} · Poise</title></svelte:head>
{#key `${page.params.rig} ${page.params.payload} ${data.payload.version}`}
	<FitView {data} />
{/key}
