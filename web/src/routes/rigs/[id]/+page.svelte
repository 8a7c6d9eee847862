<script lang="ts">
	import '$lib/state/sheet.css';
	import { page } from '$app/state';
	import RigEditor from '$lib/rig/RigEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.rig.name} · Poise</title></svelte:head>
{#key page.params.id}<RigEditor {data} />{/key}
