<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { showMass, showMove, together } from '$lib/sheet/units/display';
	import type { CraneLook } from './model';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import type { CraneBench } from './craneBench.svelte';
	import type { CraneFigures } from './figures';

	/** What the arm does when the hands are opened; what the figures had, what was seen, what is reckoned now. */
	let { bench, figures }: { bench: CraneBench; figures: CraneFigures } = $props();
	const words: Readonly<Record<CraneLook['what'], string>> = {
		sinks: 'Nose sinks',
		stays: 'Stays',
		rises: 'Nose rises'
	};
	const kg = (mass: number) => together(showMass(Math.abs(mass), bench.units));
	const looks = $derived([...bench.looks].reverse());
	const last = $derived(bench.counted[bench.counted.length - 1]);
</script>

<div class="looks" role="group" aria-label="What the arm does">
	<p class="ask">One at the tail, nobody under it: open the hands a finger’s breadth at level. What does the arm do?</p>
	<div class="three">
		{#each ['sinks', 'stays', 'rises'] as const as what (what)}
			<Button
				onclick={() => {
					bench.look(what);
					void showAnswer();
				}}
				data-testid="arm-{what}">{words[what]}</Button
			>
		{/each}
	</div>
	{#if bench.state.believeDrawing === true && looks.length > 0}
		<p>The figures are believed; what was seen is kept and does not count.</p>
		<Button class="link" onclick={() => bench.believe(false)}>Count what was seen</Button>
	{:else if last !== undefined}
		<dl data-testid="beside">
			<div>
				<dt>The figures have</dt>
				<dd>
					the nose {kg(figures.noseKg - figures.unwrittenKg)}
					{figures.noseKg - figures.unwrittenKg >= 0 ? 'heavy' : 'light'}
				</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd>
					{words[last.what].toLowerCase()}, trim {together(showMove(-last.setting.trimU, bench.units))} behind the pivot
				</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd>
					<strong
						>{figures.unwrittenKg === 0
							? 'as written'
							: `${kg(figures.unwrittenKg)} more at the ${figures.unwrittenKg > 0 ? 'nose' : 'tail'} than written`}</strong
					>
				</dd>
			</div>
		</dl>
		<Button class="link" onclick={() => bench.believe(true)}>Believe the figures</Button>
	{/if}
	{#each looks as look, index (index)}
		<p class="one">
			<span class:struck={look.struck}
				>{words[look.what]}, trim {together(showMove(-look.setting.trimU, bench.units))} behind the pivot</span
			>
			<Button class="link" onclick={() => bench.strike(look, look.struck !== true)}
				>{look.struck === true ? 'Count it' : 'Strike out'}</Button
			>
		</p>
	{/each}
</div>

<style>
	.looks {
		display: grid;
		gap: 8px;
	}
	.three {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 8px;
	}
	.three :global(button) {
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
	.one {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 10px;
		font-size: 14px;
		color: var(--quiet);
	}
	.struck {
		text-decoration: line-through;
		opacity: 0.75;
	}
	.looks :global(.link) {
		min-height: 44px;
		justify-self: start;
		color: var(--press);
		text-decoration: underline;
	}
</style>
