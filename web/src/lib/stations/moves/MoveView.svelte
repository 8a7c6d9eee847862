<script lang="ts">
	import '$lib/shell/bench.css';
	import { pageKeys } from '$lib/sheet/keys';
	import { onMount } from 'svelte';
	import { Hand } from './hand.svelte';
	import HandWays from './HandWays.svelte';
	import LensPicture from './LensPicture.svelte';
	import MoveAnswer from './MoveAnswer.svelte';
	import MoveDetails from './MoveDetails.svelte';
	import MoveSlip from './MoveSlip.svelte';
	import { sharedMove } from './moveBench.svelte';
	import StageDrawing from './StageDrawing.svelte';
	import Thread from './Thread.svelte';
	import { far, focalWords } from './words';

	const bench = sharedMove();
	let stageWidth = $state(400);
	let workWidth = $state(760);
	let playing = $state<1 | -1 | 0>(0);
	let legsLeft = 0;
	const hand = new Hand(bench);

	onMount(() => {
		let last = 0;
		let frame = 0;
		const tick = (at: number) => {
			frame = requestAnimationFrame(tick);
			const passed = Math.min(0.1, (at - last) / 1000);
			last = at;
			const figures = bench.figures;
			if (playing === 0 || figures === null) return;
			const { startS, endS } = figures.run;
			const next = bench.nowS + playing * passed;
			bench.look(next);
			if (next < endS && next > startS) return;
			// There and back as often as it is to go; a rest is left out, nobody waits for one here.
			if (legsLeft > 0) {
				legsLeft -= 1;
				playing = next >= endS ? -1 : 1;
			} else playing = 0;
		};
		frame = requestAnimationFrame(tick);
		return () => cancelAnimationFrame(frame);
	});
	function play(to: 1 | -1 | 0) {
		legsLeft = to === 1 ? Math.max(0, bench.move.loops * 2 - 1) : 0;
		const figures = bench.figures;
		if (figures !== null && to !== 0) {
			const { startS, endS } = figures.run;
			if (to === 1 && bench.nowS >= endS - 0.01) bench.look(startS);
			if (to === -1 && bench.nowS <= startS + 0.01) bench.look(endS);
		}
		playing = to;
	}
	const keys = pageKeys({
		// Wherever the hand is but in a field: it plays, and presses no button on the way.
		outsideFields: { Space: () => play(playing === 0 ? 1 : 0) },
		outsideControls: {
			ArrowLeft: () => bench.look(bench.nowS - 0.1),
			ArrowRight: () => bench.look(bench.nowS + 0.1),
			k: () => bench.putHere()
		}
	});
	const focus = $derived.by(() => {
		const figures = bench.figures;
		if (figures === null) return null;
		const { atS } = figures.sampled;
		const k = atS.findIndex((tS) => tS >= bench.nowS - 1e-9);
		return figures.focus[k < 0 ? atS.length - 1 : k] ?? null;
	});
</script>

<svelte:window onkeydown={keys} />
<h1 class="sr-only">{bench.move.name}</h1>
<div class="bench moves">
	<section class="work" aria-label="The move" bind:clientWidth={workWidth}>
		<p class="verdict" data-testid="verdict"><MoveAnswer /></p>
		<div class="top">
			<div class="stage" bind:clientWidth={stageWidth}>
				<StageDrawing {bench} width={stageWidth} height={Math.round(Math.min(360, Math.max(280, stageWidth * 0.8)))} />
			</div>
			<div class="lens">
				<LensPicture {bench} onpull={hand.pull} onsettle={bench.settle} />
				<p class="under" data-testid="under-picture">
					{#if bench.now !== null}<span data-printed>{focalWords(bench.now.focalM)}</span> ·
					{/if}
					{#if focus !== null}sharp from {far(focus.nearM, bench.units)} to {focus.farM === null
							? 'the horizon'
							: far(focus.farM, bench.units)}{focus.sharp ? '' : ': the subject is not'}{/if}
				</p>
				<HandWays {hand} />
			</div>
		</div>
		<Thread {bench} width={workWidth} {playing} onplay={play} />
		<MoveDetails />
	</section>
	<section class="answer-column" aria-label="What it comes to">
		<MoveSlip />
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
	}
	.top {
		display: grid;
		grid-template-columns: minmax(0, 1.06fr) minmax(0, 1fr);
		border-bottom: 1px solid var(--rule);
	}
	.stage {
		min-width: 0;
		border-right: 1px solid var(--rule);
	}
	.lens {
		min-width: 0;
		padding: 8px 12px 6px;
	}
	.verdict {
		display: none;
	}
	.under {
		font-size: 14px;
		color: var(--quiet);
		min-height: 24px;
		padding-top: 3px;
	}
	@media print {
		/* What an eye needs beside the rig: the answer, the plan and the thread. The picture is for a screen. */
		.lens,
		.verdict {
			display: none !important;
		}
		.top {
			display: block !important;
			border: 0;
		}
		.stage {
			border: 0;
		}
		.work {
			overflow: visible;
			order: 0 !important;
		}
	}
	@media (max-width: 900px) {
		.top {
			grid-template-columns: minmax(0, 1fr);
		}
		.stage {
			border-right: 0;
		}
		/* The sentence stays in sight over plan and picture; what it hangs on comes after them. */
		.moves {
			display: flex;
			flex-direction: column;
		}
		.work {
			order: -1;
			overflow: visible;
		}
		.verdict {
			display: block;
			position: sticky;
			top: 0;
			z-index: 2;
			padding: 8px 14px;
			border-bottom: 1px solid var(--rule);
			background: var(--ground);
			font-size: 18px;
		}
	}
</style>
