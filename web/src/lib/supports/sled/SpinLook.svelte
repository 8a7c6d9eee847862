<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { radFromDeg } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import { fromPerMinute } from './seen';
	import type { SledBench } from './sledBench.svelte';

	/** What a spin by hand was seen to do: which way the post leaned, about how far, about how fast. */
	interface Props {
		bench: SledBench;
		/** Where its critical rate lies: a slower turn says nothing of the spin. */
		criticalPerMinute: number | null;
	}
	let { bench, criticalPerMinute }: Props = $props();

	const ways = [
		['forward', 'fore', 1],
		['back', 'fore', -1],
		['left', 'side', 1],
		['right', 'side', -1]
	] as const;
	let way = $state<(typeof ways)[number][0] | 'true'>('back');
	let leanRad = $state(radFromDeg(4));
	let turns = $state(30);
	/** An eye is good to about half a degree and a sixth of what it sees. */
	const sigmaRad = (seenRad: number) => Math.hypot(radFromDeg(0.5), seenRad / 6);

	function take() {
		const spinRadPerS = fromPerMinute(turns);
		const found = ways.find(([words]) => words === way);
		if (found === undefined) {
			for (const plane of ['fore', 'side'] as const)
				bench.look({ kind: 'spin', plane, leanRad: 0, sigmaRad: sigmaRad(0), spinRadPerS });
			void showAnswer();
			return;
		}
		const [, plane, sign] = found;
		bench.look({ kind: 'spin', plane, leanRad: sign * leanRad, sigmaRad: sigmaRad(leanRad), spinRadPerS });
		void showAnswer();
	}
</script>

<div class="seen">
	<p>Spin it by hand, let go, wait a turn or two. The top of the post leans, as the camera looks:</p>
	<div class="chips" role="group" aria-label="It leans">
		{#each [...ways.map(([words]) => words), 'true' as const] as words (words)}
			<Button class="chip" aria-pressed={way === words} onclick={() => (way = words)} data-testid="spun-{words}"
				>{words === 'true' ? 'spins true' : words}</Button
			>
		{/each}
	</div>
	<div class="row">
		{#if way !== 'true'}
			<QuantityField
				label="about"
				value={leanRad}
				quantity="angle"
				units={bench.units}
				check={(value) => (value > 0 && value < 1.2 ? null : 'More than 0 and less than 69°.')}
				onvalue={(value) => (leanRad = value)}
				testId="spun-lean"
			/>
		{/if}
		<QuantityField
			label="turns a minute"
			value={turns}
			quantity="count"
			units={bench.units}
			check={(value) => (value >= 1 && value <= 300 ? null : 'Between 1 and 300.')}
			onvalue={(value) => (turns = value)}
			testId="spun-rate"
		/>
		<Button class="take" onclick={take} data-testid="take-spin">Use this</Button>
	</div>
	{#if criticalPerMinute !== null && turns < 1.5 * criticalPerMinute}
		<p class="quiet">
			Near or below {criticalPerMinute.toFixed(0)} turns a minute gravity still has the say: spin it at {Math.ceil(
				(2 * criticalPerMinute) / 5
			) * 5} or more for a surer look.
		</p>
	{/if}
</div>

<style>
	.seen {
		display: grid;
		gap: 10px;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: end;
	}
	.row :global(.field) {
		width: 120px;
	}
	.row > :global(.take) {
		min-height: 44px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		padding: 0 18px;
	}
	.quiet {
		font-size: 14px;
	}
</style>
