<script lang="ts">
	import { onMount } from 'svelte';
	import { on } from 'svelte/events';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import { isTyping } from '$lib/sheet/keys';
	import { centred, type Deflection, fromKeys, onPad, readPads } from '$lib/sheet/pad';
	import { sharedLive, stickEveryMs } from './liveBench.svelte';

	/** Pan and tilt under a thumb, the arrow keys or a controller. It moves something only while the hold is down. */
	const bench = sharedLive();
	let byHand = $state.raw<Deflection>(centred);
	let shown = $state.raw<Deflection>(centred);
	let padId = $state<string | null>(null);
	const down = new Set<string>();
	const padRings = { zoom: 0, focus: 0 };
	const radius = 56;
	const pull = new Pull<'stick'>({
		pull: (_, { by }) => {
			byHand = onPad(by.x / radius, -by.y / radius);
			bench.stick('hand', byHand);
		},
		settle: () => {
			byHand = centred;
			bench.stick('hand', centred);
		}
	});
	function keyed(event: KeyboardEvent, isDown: boolean) {
		if (!event.key.startsWith('Arrow') || (isDown && isTyping(event))) return;
		if (isDown) {
			down.add(event.key);
			event.preventDefault();
		} else down.delete(event.key);
		bench.stick('keys', fromKeys(down, event.shiftKey));
	}
	function letGo() {
		down.clear();
		byHand = centred;
		bench.letGo();
	}
	onMount(() => {
		const step = () => {
			const read = readPads(navigator.getGamepads?.() ?? []);
			if (read?.id !== padId) padId = read?.id ?? null;
			bench.stick('pad', read?.at ?? centred);
			// Its right stick: up and down zooms, across pulls focus.
			const right = readPads(navigator.getGamepads?.() ?? [], 2)?.at ?? centred;
			for (const [axis, value] of [
				['zoom', right.y],
				['focus', right.x]
			] as const)
				if (value !== padRings[axis]) {
					padRings[axis] = value;
					bench.ring(axis, value);
				}
			const at = [byHand, read?.at ?? centred, fromKeys(down, false)].find(({ x, y }) => x !== 0 || y !== 0) ?? centred;
			// Drawn anew only where it has gone somewhere: every drawing takes time from the hold.
			if (at.x !== shown.x || at.y !== shown.y) shown = at;
		};
		// By the clock and not by frames: looking at the controller is no reason to draw.
		const looks = setInterval(step, stickEveryMs);
		return () => clearInterval(looks);
	});
</script>

<svelte:window onkeydown={(event) => keyed(event, true)} onkeyup={(event) => keyed(event, false)} onblur={letGo} />

<div class="stick" data-testid="sticks">
	<svg width="136" height="136" viewBox="-68 -68 136 136" role="group" aria-label="Stick: pan and tilt">
		<circle class="rim" r={radius + 10} />
		<path class="cross" d="M-{radius} 0H{radius}M0 -{radius}V{radius}" />
		<circle
			class="ball"
			cx={shown.x * radius}
			cy={-shown.y * radius}
			r="24"
			data-testid="stick-ball"
			{@attach (ball: SVGElement) => on(ball, 'touchend', (event) => event.preventDefault())}
			{@attach pull.hold(() => (bench.mine ? 'stick' : null))}
		/>
	</svg>
	<p>{padId === null ? 'pan, tilt · arrow keys' : 'controller'}</p>
</div>

<style>
	.stick {
		display: grid;
		justify-items: center;
	}
	p {
		font-size: 13px;
		color: var(--quiet);
		text-align: center;
	}
	svg {
		touch-action: none;
	}
	.rim {
		fill: var(--panel);
		stroke: var(--edge);
		stroke-width: 1.5;
	}
	.cross {
		stroke: var(--rule);
		fill: none;
	}
	.ball {
		fill: var(--press);
		cursor: grab;
	}
</style>
