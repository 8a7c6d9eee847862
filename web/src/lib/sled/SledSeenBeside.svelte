<script lang="ts">
	import type { SledSeen } from '$lib/model/sled';
	import { seenBeside } from './seen';
	import type { SledBench } from './sledBench.svelte';

	/** Whenever somebody looked: what the drawing had, what was seen, what is reckoned now; and the choice between them. */
	interface Props {
		bench: SledBench;
		/** Of these kinds alone; absent: of any. */
		kinds?: readonly SledSeen['kind'][];
	}
	let { bench, kinds }: Props = $props();
	const last = $derived(bench.counted.findLast(({ kind }) => kinds === undefined || kinds.includes(kind)));
	const beside = $derived(
		last === undefined || bench.estimate === null
			? null
			: seenBeside(bench.sled.geometry, bench.bodies, last, bench.estimate)
	);
	const kept = $derived(bench.seen.filter(({ struck }) => struck !== true).length);
</script>

{#if bench.state.believeDrawing === true && kept > 0}
	<div class="beside" data-testid="believed">
		<p>
			The drawing is believed; {kept === 1 ? 'what was seen is kept and does' : `${kept} things seen are kept and do`} not
			count.
		</p>
		<button type="button" class="link" onclick={() => bench.believe(false)} data-testid="believe-looks"
			>Count what was seen</button
		>
	</div>
{:else if beside !== null}
	<div class="beside" data-testid="beside">
		<dl>
			<div>
				<dt>The drawing has</dt>
				<dd data-testid="beside-drawing">{beside.drawing}</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd data-testid="beside-seen">{beside.seen}</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd data-testid="beside-reckoned"><strong>{beside.reckoned}</strong></dd>
			</div>
		</dl>
		{#if beside.looksClash}
			<p class="clash">What was seen does not fit together. Strike out what was a slip, or look once more.</p>
		{:else if beside.beyond}
			<p>What was seen lies beyond what the drawing can have wrong. It counts; the drawing does not.</p>
		{/if}
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
	.clash {
		color: var(--clay);
	}
	.link {
		justify-self: start;
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
</style>
