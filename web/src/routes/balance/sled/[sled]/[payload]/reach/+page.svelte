<script lang="ts">
	import ReachView from '$lib/supports/sled/ReachView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Reach: {data.payload.name} on {data.sled.name} · Poise</title></svelte:head>
{#key data.person.id}<ReachView person={data.person} worn={data.worn} />{/key}
