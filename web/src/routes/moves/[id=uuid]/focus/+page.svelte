<script lang="ts">
	import FocusView from '$lib/stations/moves/FocusView.svelte';
</script>

<FocusView />
