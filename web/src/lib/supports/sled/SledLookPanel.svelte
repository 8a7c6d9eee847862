<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { radFromDeg, type SledPlane } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { showLength, together } from '$lib/sheet/units/display';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import type { NewSeen, SledBench } from './sledBench.svelte';

	/** What the sled does when it is let go: which way it leans, by how much, in degrees or lines of the bubble. */
	interface Props {
		bench: SledBench;
	}
	let { bench }: Props = $props();

	let way = $state<'buttons' | 'angle' | 'bubble'>('buttons');
	let plane = $state<SledPlane>('fore');
	let angleRad = $state(0);
	let lines = $state(0);
	let lineRad = $state(radFromDeg(0.5));
	const report = $derived(bench.figures?.report);
	/** An angle read off a phone or a protractor is good to about half a degree; a bubble to half of one of its lines. */
	const leanRad = $derived(way === 'bubble' ? lines * lineRad : angleRad);
	const sigmaRad = $derived(way === 'bubble' ? Math.max(0.002, lineRad / 2) : radFromDeg(0.5));
	const words = $derived(
		plane === 'fore' ? (['forward', 'back', 'Fore-aft'] as const) : (['left', 'right', 'Side to side'] as const)
	);
	/** What that lean says at the drop height as it is known now. */
	const offsetM = $derived(
		report === undefined || report.dropHeightM <= 0 ? null : report.dropHeightM * Math.tan(leanRad)
	);
	function saw(...looks: readonly NewSeen[]) {
		bench.look(...looks);
		void showAnswer();
	}
	const take = () => {
		saw({ kind: 'rest', plane, leanRad, sigmaRad });
		angleRad = lines = 0;
		way = 'buttons';
	};
	const sees: readonly (readonly [string, SledPlane, -1 | 0 | 1])[] = [
		['Leans back', 'fore', -1],
		['Leans forward', 'fore', 1],
		['Leans left', 'side', 1],
		['Leans right', 'side', -1]
	];
	function stands() {
		saw({ kind: 'way', plane: 'fore', way: 0 }, { kind: 'way', plane: 'side', way: 0 });
	}
</script>

<section class="look" aria-label="What it does">
	<p class="ask">Steady the post upright, open your fingers, keep them round it. What does it do?</p>
	{#if way === 'buttons'}
		<div class="sees">
			{#each sees as [text, on, side] (text)}
				<Button onclick={() => saw({ kind: 'way', plane: on, way: side })}>{text}</Button>
			{/each}
			<Button class="stands" onclick={stands} data-testid="stands">Stands</Button>
		</div>
		<p class="ways">
			<Button class="link" onclick={() => (way = 'angle')}>By how many degrees</Button>
			<Button class="link" onclick={() => (way = 'bubble')}>By lines of the bubble</Button>
		</p>
	{:else}
		<div class="row">
			<label>
				<span>Plane</span>
				<Choice bind:value={plane} data-testid="lean-plane">
					<option value="fore">fore-aft</option>
					<option value="side">side to side</option>
				</Choice>
			</label>
			{#if way === 'angle'}
				<QuantityField
					label="leans {words[0]}"
					value={angleRad}
					quantity="angle"
					units={bench.units}
					check={(value) => (Math.abs(value) < 1.4 ? null : 'Less than 80°.')}
					onvalue={(value) => (angleRad = value)}
					testId="lean-angle"
				/>
			{:else}
				<QuantityField
					label="lines {words[1]} of the middle"
					value={lines}
					quantity="count"
					units={bench.units}
					check={(value) => (Math.abs(value) <= 20 ? null : 'Up to 20 lines.')}
					onvalue={(value) => (lines = value)}
					testId="bubble-lines"
				/>
				<QuantityField
					label="one line is"
					value={lineRad}
					quantity="angle"
					units={bench.units}
					check={(value) => (value > 0.0005 && value < 0.3 ? null : 'More than 0 and less than 17°.')}
					onvalue={(value) => (lineRad = value)}
				/>
			{/if}
		</div>
		<p class="quiet">
			{#if leanRad === 0}{way === 'bubble'
					? `The bubble floats to the light side: off to the ${words[1]} means heavy ${words[0]}. Minus is the other way.`
					: `Minus is ${words[1]}.`}
			{:else if offsetM === null}It hangs top-heavy: time a drop with the gimbal higher first.
			{:else}At {together(showLength(report?.dropHeightM ?? 0, bench.units))} of drop height that is {together(
					showLength(Math.abs(offsetM), bench.units)
				)} heavy {offsetM > 0 ? words[0] : words[1]}.{/if}
		</p>
		<p class="ways">
			<Button class="take" onclick={take} data-testid="take-lean">Take this</Button>
			<Button class="link" onclick={() => (way = 'buttons')}>Back</Button>
		</p>
	{/if}
</section>

<style>
	.look {
		border-top: 1px solid var(--rule);
		padding-top: 12px;
		display: grid;
		gap: 10px;
	}
	.sees {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px;
	}
	.sees :global(button),
	.ways > :global(.take) {
		min-height: 50px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		font-size: 16px;
		padding: 0 14px;
	}
	.sees :global(.stands) {
		grid-column: 1 / 3;
		background: var(--fill);
		border-color: var(--spirit-line);
		color: var(--fill-ink);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
	}
	.row :global(.field) {
		width: 150px;
		font-size: 13px;
	}
	label {
		display: grid;
		gap: 3px;
		font-size: 13px;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0 18px;
		align-items: center;
	}
	.ways > :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
	.quiet {
		font-size: 14px;
	}
</style>
