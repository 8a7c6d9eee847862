<script lang="ts">
	import RunRecord from '$lib/stations/moves/RunRecord.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.run.moveName} · Logbook · Poise</title></svelte:head>
<RunRecord run={data.run} units={data.person.units} />
