<script lang="ts">
	import BackwardsView from '$lib/stations/moves/BackwardsView.svelte';
</script>

<BackwardsView />
