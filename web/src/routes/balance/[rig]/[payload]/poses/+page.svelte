<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import PosesView from '$lib/supports/gimbal/PosesView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Poses: {data.payload.name} · Poise</title></svelte:head>
{#key `${page.params.rig} ${page.params.payload} ${data.payload.version}`}
	<PosesView {data} />
{/key}
