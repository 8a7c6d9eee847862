<script lang="ts">
	import type { Look } from '$lib/model/balance';
	import type { Rig } from '$lib/model/rig';
	import { fallsWord } from './benchSlip';
	import type { GimbalBench } from './gimbalBench.svelte';
	import { printedReading } from './reading';

	/** Everything seen so far, the newest first; each can be struck out, and counts again when it is put back. */
	let { bench, rig }: { bench: GimbalBench; rig: Rig } = $props();

	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
	function words(look: Look): string {
		if (look.kind === 'measured') return `${labelOf(look.axisId)}: ${look.how}`;
		const slide = rig.geometry.slides.find(({ id }) => id === look.slideId);
		if (slide === undefined) return 'a slide this rig no longer has';
		const did = { holds: 'holds', 'falls+': fallsWord(slide, 1), 'falls-': fallsWord(slide, -1) };
		return `${slide.label} at ${printedReading(slide, look.positionsM[slide.id] ?? 0)}: ${did[look.observation]}`;
	}
	const looked = $derived(
		bench.looks.map((look, index) => ({ index, text: words(look), struck: look.struck === true })).reverse()
	);
</script>

{#if looked.length > 0}
	<ol class="looked" aria-label="Seen so far">
		{#each looked as { index, text, struck } (index)}
			<li data-testid="seen">
				<span class:struck>{text}</span>
				<button type="button" class="link" onclick={() => bench.strike(index, !struck)}
					>{struck ? 'Count it' : 'Strike out'}<span class="sr-only">: {text}</span></button
				>
			</li>
		{/each}
	</ol>
{/if}

<style>
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 10px;
	}
	.struck {
		text-decoration: line-through;
		opacity: 0.75;
	}
	.link {
		min-height: 44px;
		flex: none;
		color: var(--press);
		text-decoration: underline;
	}
</style>
