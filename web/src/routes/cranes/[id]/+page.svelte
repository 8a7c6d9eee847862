<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import CraneEditor from '$lib/supports/crane/CraneEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.crane.name} · Poise</title></svelte:head>
{#key page.params.id}<CraneEditor {data} />{/key}
