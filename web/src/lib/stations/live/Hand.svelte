<script lang="ts">
	import HoldPad from './HoldPad.svelte';
	import { sharedLive } from './liveBench.svelte';
	import Rings from './Rings.svelte';
	import Stick from './Stick.svelte';

	/** All that drives, in one place: a thumb on the hold, the other on the stick or a ring. */
	const bench = sharedLive();
</script>

<div class="hand" data-testid="hand">
	{#if bench.mine}<Stick />{/if}
	<HoldPad />
	{#if bench.mine}<div class="rings"><Rings /></div>{/if}
</div>

<style>
	.hand {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 6px 14px;
		align-items: start;
	}
	.rings {
		grid-column: 1 / -1;
	}
</style>
