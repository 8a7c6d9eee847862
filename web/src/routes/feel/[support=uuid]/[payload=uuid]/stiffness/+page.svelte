<script lang="ts">
	import StiffnessView from '$lib/stations/feel/StiffnessView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Stiffness: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<StiffnessView person={data.person} />
