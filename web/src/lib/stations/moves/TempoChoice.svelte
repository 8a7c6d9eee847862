<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { type Tempo, tempos } from './model';
	import { sharedMove } from './moveBench.svelte';
	import { lawOf } from './tempo';
	import { tempoWords } from './words';

	/** The shapes of the speed, each drawn as what it is: over its time, all to one scale. */
	const bench = sharedMove();
	const move = $derived(bench.move);
	const [width, height, most] = [76, 30, 2.1];
	/** Of a stretch as long as the whole move: the speed over the even one. */
	const speedOf = (tempo: Tempo, share: number): number =>
		tempo === 'smooth'
			? 6 * share * (1 - share)
			: lawOf({ ...move, tempo }, Math.max(0.1, (bench.figures?.lastsS ?? 6) - 1e-9)).at(share)[1];
	const area = (tempo: Tempo): string => {
		const points = Array.from({ length: 61 }, (_, k) => {
			const share = k / 60;
			return `L${(2 + share * (width - 4)).toFixed(1)} ${(height - 2 - (speedOf(tempo, share) / most) * (height - 4)).toFixed(1)}`;
		});
		return `M2 ${height - 2}${points.join('')}L${width - 2} ${height - 2}Z`;
	};
	function choose(tempo: Tempo) {
		bench.set({ ...move, tempo });
		bench.settle();
	}
</script>

<div class="tempos" role="group" aria-label="How its speed goes" data-testid="tempo">
	{#each tempos as each (each)}
		<Button class="tempo" aria-pressed={move.tempo === each} onclick={() => choose(each)} data-testid="tempo-{each}">
			<svg {width} {height} aria-hidden="true"><path d={area(each)} /></svg>
			{tempoWords[each]}
		</Button>
	{/each}
</div>

<style>
	.tempos {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.tempos > :global(.tempo) {
		display: grid;
		justify-items: start;
		gap: 2px;
		min-height: 44px;
		padding: 6px 10px;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--panel);
		font-size: 14px;
	}
	.tempos > :global(.tempo[aria-pressed='true']) {
		border-color: var(--ink);
		font-weight: 700;
		background: var(--hover);
	}
	path {
		fill: color-mix(in srgb, var(--spirit) 60%, transparent);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
</style>
