<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import type { Rig, RigSlide } from '$lib/model/rig';
	import { seenInWords } from './benchSlip';
	import type { BenchFigures } from './figures';
	import type { GimbalBench } from './gimbalBench.svelte';

	/** Whenever somebody looked: what the drawing had, what was seen, what is reckoned now; and the choice between them. */
	interface Props {
		bench: GimbalBench;
		rig: Rig;
		figures: BenchFigures;
		units: UnitSystem;
		slide: RigSlide;
	}
	let { bench, rig, figures, units, slide }: Props = $props();
	const words = $derived(seenInWords(rig, slide, figures, bench.counted, units));
	const kept = $derived(bench.looks.filter(({ struck }) => struck !== true).length);
</script>

{#if bench.believeDrawing && kept > 0}
	<div class="beside" data-testid="believed">
		<p>
			The drawing is believed; {kept === 1 ? 'one look is' : `${kept} looks are`} kept and {kept === 1 ? 'does' : 'do'} not
			count.
		</p>
		<button type="button" class="link" onclick={() => bench.believe(false)} data-testid="believe-looks"
			>Count what was seen</button
		>
	</div>
{:else if words !== null}
	<div class="beside" data-testid="beside">
		<dl>
			<div>
				<dt>The drawing has</dt>
				<dd>{words.drawing}</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd data-testid="beside-seen">{words.seen}</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd><strong>{words.reckoned}</strong></dd>
			</div>
		</dl>
		{#if words.beyond}<p>
				What was seen lies beyond what the drawing can have wrong. It counts; the drawing does not.
			</p>{/if}
		<button type="button" class="link" onclick={() => bench.believe(true)} data-testid="believe-drawing"
			>Believe the drawing</button
		>
	</div>
{/if}

<style>
	.beside {
		border-left: 4px solid var(--spirit);
		padding: 2px 0 2px 12px;
		font-size: 15px;
		display: grid;
		gap: 2px;
	}
	dl {
		display: grid;
		gap: 2px;
	}
	dl div {
		display: grid;
		grid-template-columns: 118px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	.link {
		justify-self: start;
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
</style>
