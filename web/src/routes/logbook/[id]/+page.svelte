<script lang="ts">
	import { when } from '$lib/sheet/when';

	let { data } = $props();
</script>

<svelte:head><title>{data.record.payloadName}, {when(data.record.loggedAt)} · Poise</title></svelte:head>
{#key data.record.id}<data.View {data} />{/key}
