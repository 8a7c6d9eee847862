<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import SledEditor from '$lib/supports/sled/SledEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.sled.name} · Poise</title></svelte:head>
{#key page.params.id}<SledEditor {data} />{/key}
