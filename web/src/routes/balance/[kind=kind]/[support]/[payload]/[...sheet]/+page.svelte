<script lang="ts">
	let { data } = $props();
	const about = $derived(data.sheet.path === '' ? '' : `${data.sheet.words}: `);
</script>

<svelte:head><title>{about}{data.payload.name} on {data.support.name} · Poise</title></svelte:head>
{#key data.sheet.ofPerson === true ? data.person.id : ''}<data.View {data} />{/key}
