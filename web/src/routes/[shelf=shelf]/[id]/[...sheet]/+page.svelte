<script lang="ts">
	import '$lib/shell/sheet.css';

	let { data } = $props();
	const about = $derived(data.sheet.path === '' ? '' : `${data.sheet.words}: `);
</script>

<svelte:head><title>{about}{data.support.name} · Poise</title></svelte:head>
{#key data.support.id}<data.View {data} />{/key}
