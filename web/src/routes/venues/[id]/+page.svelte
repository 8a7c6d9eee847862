<script lang="ts">
	import '$lib/shell/sheet.css';
	import { page } from '$app/state';
	import VenueEditor from '$lib/places/VenueEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.venue.name} · Poise</title></svelte:head>
{#key page.params.id}<VenueEditor {data} />{/key}
