<script lang="ts">
	import '$lib/state/sheet.css';
	import { page } from '$app/state';
	import CraneEditor from '$lib/crane/CraneEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.crane.name} · Poise</title></svelte:head>
{#key page.params.id}<CraneEditor {data} />{/key}
