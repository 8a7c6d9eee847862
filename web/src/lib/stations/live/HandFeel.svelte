<script lang="ts">
	import { onMount } from 'svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import { Grip } from './grip.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { Surface } from './surface.svelte';

	/** How the hand is taken up, and other hands: folded away, set once a day. */
	const bench = sharedLive();
	const grip = new Grip(bench);
	const surface = new Surface(bench);
	onMount(() => () => {
		surface.end();
		grip.end();
	});
</script>

<details class="feel" data-testid="hand-feel">
	<summary>How the stick feels; grip, surface</summary>
	<label
		>taken up in <Range
			min={0}
			max={2}
			step={0.1}
			bind:value={bench.rampS}
			oninput={() => bench.shape()}
			data-testid="ramp"
		/><span>{bench.rampS.toFixed(1)} s</span></label
	>
	<label
		>of its speed <Range
			min={0.1}
			max={1}
			step={0.05}
			bind:value={bench.trim}
			oninput={() => bench.shape()}
			data-testid="trim"
		/><span>{Math.round(bench.trim * 100)} %</span></label
	>
	<label
		>dead zone <Range min={0} max={0.4} step={0.02} bind:value={bench.deadZone} /><span
			>{Math.round(bench.deadZone * 100)} %</span
		></label
	>
	<label
		>curve <Range min={0} max={1} step={0.05} bind:value={bench.curve} /><span>{Math.round(bench.curve * 100)} %</span
		></label
	>
	<div class="more">
		<Button class="find" onclick={() => surface.begin()} data-testid="midi">{surface.words}</Button>
		<Button
			class="find"
			onpointerdown={() => grip.press()}
			onpointerup={() => grip.release()}
			onpointercancel={() => grip.release()}
			data-testid="grip">{grip.words}</Button
		>
	</div>
	<label
		>hand : head
		<Range min={0.25} max={3} step={0.25} bind:value={grip.ratio} /><span>{grip.ratio.toFixed(2)}</span></label
	>
</details>

<style>
	summary {
		min-height: 44px;
		display: flex;
		align-items: center;
		font-weight: 700;
		font-size: 15px;
		cursor: pointer;
	}
	label {
		display: grid;
		grid-template-columns: 96px minmax(90px, 1fr) 60px;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		font-size: 14px;
		color: var(--quiet);
	}
	label span {
		font-variant-numeric: tabular-nums;
	}
	.more {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.more :global(.find) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--press);
		color: var(--press);
		border-radius: 6px;
		font-size: 14px;
		touch-action: manipulation;
	}
</style>
