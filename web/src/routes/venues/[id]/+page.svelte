<script lang="ts">
	import '$lib/state/sheet.css';
	import { page } from '$app/state';
	import VenueEditor from '$lib/venue/VenueEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.venue.name} · Poise</title></svelte:head>
{#key page.params.id}<VenueEditor {data} />{/key}
