<script lang="ts">
	import MoveView from '$lib/stations/moves/MoveView.svelte';
</script>

<MoveView />
