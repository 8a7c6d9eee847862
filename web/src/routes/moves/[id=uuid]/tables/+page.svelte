<script lang="ts">
	import TablesView from '$lib/stations/moves/TablesView.svelte';
</script>

<TablesView />
