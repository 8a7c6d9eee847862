<script lang="ts">
	import ClaimPage from '$lib/stations/live/ClaimPage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Claim a head · Poise</title></svelte:head>
<ClaimPage standIns={data.standIns} />
