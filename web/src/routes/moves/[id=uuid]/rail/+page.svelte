<script lang="ts">
	import RailView from '$lib/stations/moves/RailView.svelte';
</script>

<RailView />
