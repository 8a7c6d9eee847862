<script lang="ts">
	import { axisWords } from './axes';
	import { sharedMove } from './moveBench.svelte';
	import { bodyWords, far, seconds } from './words';

	/** The one sentence that a move comes to. */
	const bench = sharedMove();
	const figures = $derived(bench.figures);
	const units = $derived(bench.units);
	const over = $derived(figures !== null && figures.scale > 1.000001);
	const beyond = $derived(figures?.beyond[0] ?? null);
	const worst = $derived(bench.strikes[0] ?? null);
	const short = $derived(
		figures === null || figures.shortestS === null || !over
			? ''
			: seconds(Math.ceil(figures.shortestS * 10 - 1e-6) / 10)
	);
</script>

{#if figures === null}{bench.problem?.words ?? ''}
{:else if figures.insideLensAtS !== null}The subject is <strong>inside the lens</strong>
{:else if beyond !== null}{axisWords[beyond.axis].words} goes <strong>past its end</strong>
{:else if over}It takes <strong>{short} at least</strong>
{:else if worst !== null && worst.clearanceM <= 0}It strikes <strong>{worst.label}</strong>{worst.bodyId === 'camera'
		? ''
		: `, ${bodyWords(worst.bodyId)}`}
{:else if worst !== null}It passes {worst.label} at <strong>{far(worst.clearanceM, units)}</strong>
{:else}It takes <strong>{seconds(figures.lastsS)}</strong>{/if}
