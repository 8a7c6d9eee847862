<script lang="ts">
	import ClaimPage from '$lib/stations/live/ClaimPage.svelte';
</script>

<svelte:head><title>Claim a head · Poise</title></svelte:head>
<ClaimPage />
