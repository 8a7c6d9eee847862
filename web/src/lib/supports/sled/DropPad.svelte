<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { isTyping } from '$lib/sheet/keys';
	import { onMount } from 'svelte';
	import { readyTimer, stepTimer, type DropTimer, type TimerEvent } from './dropTimer';

	/** One large place for one thumb: press and hold, let go, tap. The space bar is its twin. */
	interface Props {
		onrun: (seconds: number) => void;
		/** The moment of letting go, page clock in seconds. */
		onfall?: (atS: number) => void;
		/** The fall ended without a run, or with one. */
		onrest?: () => void;
		count: number;
	}
	let { onrun, onfall = undefined, onrest = undefined, count }: Props = $props();

	let timer = $state.raw<DropTimer>(readyTimer);
	let goneS = $state(0);

	function step(event: TimerEvent) {
		const before = timer.phase;
		const { timer: next, runS } = stepTimer(timer, event);
		timer = next;
		if (next.phase === 'falling' && before === 'held') onfall?.(next.sinceS);
		if (next.phase === 'ready' && before === 'falling') onrest?.();
		if (runS !== null) onrun(runS);
	}
	// The event's own clock: when the finger moved, not when the page got round to it.
	const at = (event: Event) => event.timeStamp / 1000;
	function down(event: PointerEvent) {
		if (event.button !== 0) return;
		event.preventDefault();
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		step({ kind: 'down', atS: at(event) });
	}
	function key(event: KeyboardEvent, kind: 'down' | 'up') {
		if (event.key !== ' ' || isTyping(event)) return;
		event.preventDefault();
		if (!event.repeat) step({ kind, atS: at(event) });
	}
	onMount(() => {
		let frame = requestAnimationFrame(function beat() {
			const nowS = performance.now() / 1000;
			if (timer.phase === 'falling') {
				goneS = nowS - timer.sinceS;
				step({ kind: 'tick', atS: nowS });
			}
			frame = requestAnimationFrame(beat);
		});
		return () => cancelAnimationFrame(frame);
	});
	const words = $derived(
		timer.phase === 'held'
			? ['Let go with the sled', 'thumb up the moment it starts to fall']
			: timer.phase === 'falling'
				? ['Tap at vertical', 'as the post passes upright']
				: [
						count === 0 ? 'Press and hold, post level' : 'Again: press and hold',
						'then let thumb and sled go together; tap at vertical'
					]
	);
</script>

<svelte:window
	onkeydown={(event) => key(event, 'down')}
	onkeyup={(event) => key(event, 'up')}
	onblur={() => step({ kind: 'cancel', atS: 0 })}
/>
<Button
	class="drop-pad"
	data-phase={timer.phase}
	data-testid="drop-pad"
	onpointerdown={down}
	onpointerup={(event) => step({ kind: 'up', atS: at(event) })}
	onpointercancel={(event) => step({ kind: 'cancel', atS: at(event) })}
	oncontextmenu={(event) => event.preventDefault()}
>
	<strong>{words[0]}</strong>
	<span>{timer.phase === 'falling' ? `${goneS.toFixed(1)} s · ${words[1]}` : words[1]}</span>
	<kbd>space</kbd>
</Button>
{#if timer.phase === 'ready' && timer.word !== null}<p class="word" role="status">{timer.word}</p>{/if}

<style>
	:global(.drop-pad) {
		position: relative;
		display: grid;
		align-content: center;
		gap: 4px;
		width: 100%;
		min-height: 168px;
		border-radius: 12px;
		border: 2px solid var(--press);
		background: var(--press-wash);
		color: var(--ink);
		text-align: center;
		touch-action: none;
		user-select: none;
		-webkit-user-select: none;
	}
	:global(.drop-pad strong) {
		font-size: 28px;
		line-height: 1.15;
	}
	:global(.drop-pad span) {
		font-size: 16px;
		color: var(--quiet);
	}
	:global(.drop-pad[data-phase='held']) {
		background: var(--fill);
		color: var(--fill-ink);
	}
	:global(.drop-pad[data-phase='falling']) {
		background: var(--press);
		color: var(--press-ink);
	}
	:global(.drop-pad[data-phase='held'] span),
	:global(.drop-pad[data-phase='falling'] span) {
		color: inherit;
	}
	kbd {
		position: absolute;
		right: 12px;
		bottom: 8px;
		font-size: 13px;
		opacity: 0.7;
	}
	.word {
		color: var(--clay);
		font-size: 15px;
		margin-top: 6px;
	}
	@media (hover: none) {
		kbd {
			display: none;
		}
	}
</style>
