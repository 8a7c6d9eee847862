<script lang="ts">
	import ArmView from '$lib/supports/sled/ArmView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Arm and vest: {data.sled.name} · Poise</title></svelte:head>
{#key data.person.id}<ArmView person={data.person} worn={data.worn} entries={data.entries} />{/key}
