<script lang="ts">
	import '$lib/shell/sheet.css';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { cameraFields } from './fields';
	import Fields from './Fields.svelte';
	import { circleOf, ringAt } from './lens';
	import { sharedMove } from './moveBench.svelte';
	import { far, focalWords, seconds } from './words';

	/** How far the subject is along the move, what is sharp there, and the marks of a focus puller. */
	const bench = sharedMove();
	const move = $derived(bench.move);
	const units = $derived(bench.units);
	const figures = $derived(bench.figures);
	const rows = $derived.by(() => {
		if (figures === null) return [];
		const { atS, values } = figures.sampled;
		const every = Math.max(1, Math.floor((atS.length - 1) / 8));
		return atS.flatMap((tS, k) =>
			k % every === 0 || k === atS.length - 1 ? [{ tS, focalM: values.focalM![k]!, ...figures.focus[k]! }] : []
		);
	});
	const soft = $derived(figures?.focus.findIndex(({ sharp }) => !sharp) ?? -1);
	const motor = $derived(move.head.figures.focus);
	const least = $derived(
		figures === null ? 0 : Math.min(...figures.focus.map(({ nearM, farM }) => (farM ?? Infinity) - nearM))
	);
	const chart = $derived(
		figures === null
			? []
			: [
					{
						name: 'subject',
						as: 'line' as const,
						points: figures.focus.map(({ subjectM }, k) => [figures.sampled.atS[k]!, subjectM] as const)
					},
					{
						name: 'sharp from',
						as: 'broken' as const,
						points: figures.focus.map(({ nearM }, k) => [figures.sampled.atS[k]!, nearM] as const)
					},
					{
						name: 'sharp to',
						as: 'broken' as const,
						points: figures.focus.map(
							({ farM, subjectM }, k) => [figures.sampled.atS[k]!, Math.min(farM ?? Infinity, subjectM * 3)] as const
						)
					}
				]
	);
</script>

<div class="sheet">
	<h1>Focus</h1>
	{#if figures === null}
		<p class="problem" role="alert">{bench.problem?.words}</p>
	{:else}
		<div class="beside">
			<div>
				<p class="big" data-testid="focus-answer">
					{#if figures.tooCloseAtS !== null}At {seconds(figures.tooCloseAtS)} it is
						<strong>nearer than the lens focuses</strong>
					{:else if soft >= 0}The subject goes soft <strong>at {seconds(figures.sampled.atS[soft]!)}</strong>
					{:else}Sharp all the way as reckoned, <strong
							>{Number.isFinite(least) ? `${far(least, units)} deep at least` : 'to the horizon'}</strong
						>{/if}
				</p>
				<h2 class="screen">Camera and lens</h2>
				<Fields fields={cameraFields(move)} about="camera" />
				<p class="lead">
					Blur that counts as sharp: a 1200th of the sensor’s width, <span data-printed
						>{(circleOf(move.camera) * 1000).toFixed(3)} mm</span
					>. The ring is taken to go evenly in 1/distance from the closest focus to infinity; where your lens’ marks say
					otherwise, believe the marks.
				</p>
				<Button class="tool screen" onclick={() => window.print()}>Print the marks</Button>
			</div>
			<div>
				<Chart
					label="Distance to the subject and what is sharp, along the move"
					xTitle="time, s"
					yTitle="distance, m"
					xDecimals={1}
					yDecimals={2}
					yLeast={0.4}
					height={260}
					lines={chart}
				/>
				<table class="folds" data-testid="marks">
					<thead
						><tr
							><th scope="col">At</th><th scope="col">Subject</th><th scope="col">Focus mark</th>{#if motor !== null}<th
									scope="col">Ring</th
								>{/if}<th scope="col">Sharp from</th><th scope="col">to</th><th scope="col">Lens</th></tr
						></thead
					>
					<tbody>
						{#each rows as { tS, subjectM, focusM, nearM, farM, sharp, focalM } (tS)}
							<tr class:soft={!sharp}>
								<th scope="row">{seconds(tS)}</th>
								<td class="figure number">{far(subjectM, units)}</td>
								<td class="figure number">{far(focusM, units)}</td>
								{#if motor !== null}<td class="figure number"
										>{ringAt(move.camera, motor.turns, focusM).toFixed(3)} turns</td
									>{/if}
								<td class="figure number">{far(nearM, units)}</td>
								<td class="figure number">{farM === null ? 'horizon' : far(farM, units)}</td>
								<td class="figure number" data-printed>{focalWords(focalM)}</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
	{/if}
</div>

<style>
	thead th:not(:first-child) {
		text-align: right;
	}
	.big {
		font-size: 26px;
		margin: 8px 0 12px;
	}
	.soft td,
	.soft th {
		color: var(--clay);
	}
	@media print {
		.sheet :global(.fields),
		.sheet :global(.screen) {
			display: none;
		}
	}
</style>
