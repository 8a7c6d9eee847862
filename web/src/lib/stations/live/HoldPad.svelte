<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { refusedWords } from './words';

	/** The dead-man: as long as it is down, and the head says so too, it moves; let go, it stops on its way. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const ready = $derived(bench.next.does !== 'nothing');
	const phase = $derived(bench.hold?.phase ?? 'up');
	/** Between the marks: held. To the right: not yet. */
	const offset = $derived(bench.armed ? 0 : phase === 'asked' ? 1.6 : ready ? 2.4 : null);
	const word = $derived(
		bench.armed ? 'held' : phase === 'asked' ? 'asks' : phase === 'ended' ? 'let go' : ready ? 'hold' : 'not yet'
	);
	function down(event: PointerEvent) {
		if (event.button !== 0) return;
		event.preventDefault();
		(event.currentTarget as Element).setPointerCapture?.(event.pointerId);
		bench.press();
	}
	/* A lifted finger is also a tap on whatever stands under it by then, unless touchend is prevented: the slip may have moved. */
	function up() {
		bench.release();
	}
</script>

<Button
	class="hold-pad {bench.armed ? 'down' : ''}"
	disabled={!ready && phase === 'up'}
	onpointerdown={down}
	onpointerup={up}
	onpointercancel={up}
	onlostpointercapture={up}
	ontouchend={(event: TouchEvent) => event.preventDefault()}
	oncontextmenu={(event: Event) => event.preventDefault()}
	aria-label="Hold to move (Space)"
	data-testid="hold"
	data-state={bench.armed ? 'held' : phase}
>
	<span class="row">
		<Vial {offset} size="large" label="The hold: {word}" />
		<span class="words">
			<strong data-testid="hold-word">{word}</strong>
			<span class="who" data-testid="hold-who"
				>{#if head !== null && head.phase === 'armed'}{head.holder}, {head.heldS.toFixed(1)} s{/if}</span
			>
		</span>
	</span>
	<small>
		{#if bench.hold?.phase === 'ended' && bench.hold.why !== null}{refusedWords(bench.hold.why)}
		{:else if bench.next.does === 'nothing' && bench.next.why === 'linkUnknown'}Getting to know its link, {Math.min(
				20,
				bench.head?.linkSamples ?? 0
			)} of 20.
		{:else}Let go and it stops on its way. Space, or this pad.{/if}
	</small>
</Button>

<style>
	:global(.hold-pad) {
		display: grid;
		align-content: center;
		gap: 8px;
		width: 100%;
		min-height: 136px;
		padding: 10px 14px;
		border: 2px solid var(--press);
		border-radius: 10px;
		background: var(--press-wash);
		text-align: left;
		touch-action: none;
		user-select: none;
		-webkit-user-select: none;
		cursor: pointer;
	}
	:global(.hold-pad.down) {
		outline: 3px solid var(--press);
	}
	:global(.hold-pad:disabled) {
		opacity: 0.6;
		border-color: var(--edge);
		cursor: default;
	}
	.row {
		display: grid;
		gap: 8px;
	}
	.words {
		display: flex;
		align-items: baseline;
		gap: 12px;
		white-space: nowrap;
		overflow: hidden;
	}
	strong {
		font-size: 24px;
	}
	.who {
		font-variant-numeric: tabular-nums;
		color: var(--quiet);
		font-size: 15px;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	small {
		font-size: 13.5px;
		line-height: 1.25;
		color: var(--quiet);
	}
</style>
