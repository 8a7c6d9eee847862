<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import RigEditor from '$lib/supports/gimbal/RigEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.rig.name} · Poise</title></svelte:head>
{#key page.params.id}<RigEditor {data} />{/key}
