<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import SeenList from '$lib/sheet/slip/SeenList.svelte';
	import { showForce, showMove, together } from '$lib/sheet/units/display';
	import type { SliderFigures } from './figures';
	import type { SliderLook } from './model';
	import type { SliderBench } from './sliderBench.svelte';

	/** What the rail does when the carriage is walked along it: what the figures had, what was seen, what counts now. */
	interface Props {
		bench: SliderBench;
		figures: SliderFigures;
	}
	let { bench, figures }: Props = $props();
	const words: Readonly<Record<SliderLook['what'], string>> = {
		stays: 'Stays',
		startLifts: 'Start lifts',
		endLifts: 'Far end lifts',
		slides: 'Carriage slides'
	};
	const last = $derived(bench.counted[bench.counted.length - 1]);
	const stood = ({ setting }: SliderLook) =>
		`${setting.supportsM.map((u) => together(showMove(u, bench.units))).join(' and ')}`;
	const seen = $derived(
		[...bench.state.looks].reverse().map((look) => ({
			text: `${words[look.what]}, supports at ${stood(look)}`,
			struck: look.struck === true,
			strike: (struck: boolean) => bench.strike(look, struck)
		}))
	);
	const least = $derived(Math.min(...figures.spansN.map(([n]) => n)));
</script>

<div class="looks" role="group" aria-label="What the rail does">
	<p class="ask">
		A hand under the camera, power off: walk the carriage slowly from end to end. What does the rail do?
	</p>
	<div class="four">
		{#each ['stays', 'startLifts', 'endLifts', 'slides'] as const as what (what)}
			<Button
				onclick={() => {
					bench.look(what);
					void showAnswer();
				}}
				data-testid="rail-{what}">{words[what]}</Button
			>
		{/each}
	</div>
	{#if last !== undefined}
		<dl data-testid="beside">
			<div>
				<dt>The figures have</dt>
				<dd>
					{figures.wrong.length === 0 ? 'it staying' : 'it not staying'}; the least on a support is
					{least < 0 ? '−' : ''}{together(showForce(Math.abs(least), bench.units))}
				</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd>{words[last.what].toLowerCase()}, supports at {stood(last)}</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd>
					<strong
						>{last.what === 'stays'
							? figures.wrong.length === 0
								? 'as written'
								: 'as written: what lifts in the figures may lift under another hand'
							: 'it does not stay, until it stands otherwise'}</strong
					>
				</dd>
			</div>
		</dl>
	{/if}
	<SeenList {seen} />
</div>

<style>
	.looks {
		display: grid;
		gap: 8px;
	}
	.four {
		display: grid;
		grid-template-columns: repeat(2, 1fr);
		gap: 8px;
	}
	.four :global(button) {
		min-height: 56px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		font-size: 16px;
	}
	dl {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		font-size: 15px;
	}
	dl div {
		display: grid;
		grid-template-columns: 124px 1fr;
	}
	dt {
		color: var(--quiet);
	}
</style>
