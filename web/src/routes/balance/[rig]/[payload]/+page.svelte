<script lang="ts">
	import { page } from '$app/state';
	import GimbalBenchView from '$lib/supports/gimbal/GimbalBenchView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.payload.name} on {data.rig.name} · Poise</title></svelte:head>
<!-- A bench begins anew when its payload or rig is another, or was saved anew. -->
{#key `${page.params.rig} ${page.params.payload} ${data.payload.version}`}
	<GimbalBenchView {data} />
{/key}
