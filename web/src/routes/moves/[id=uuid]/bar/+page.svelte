<script lang="ts">
	import BarView from '$lib/stations/moves/BarView.svelte';
</script>

<BarView />
