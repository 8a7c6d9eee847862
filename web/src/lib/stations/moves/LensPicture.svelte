<script lang="ts">
	import { frameOf } from '@poise/core';
	import { onMount, untrack } from 'svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { MoveBench } from './moveBench.svelte';
	import { inksNow } from '$lib/places/inks';
	import type { Room } from '$lib/places/room3d';
	import { beforeLens } from '$lib/places/beforeLens';
	import { behaves } from './supports';
	import { far } from './words';

	/** The room as the lens sees it at the moment looked at. The solids arrive when the page is there. */
	interface Props {
		bench: MoveBench;
		/** A hand on the picture, in dots of the page from where it took hold. */
		onpull: (across: number, up: number, first: boolean) => void;
		onsettle: () => void;
	}
	let { bench, onpull, onsettle }: Props = $props();
	let canvas = $state<HTMLCanvasElement>();
	let room = $state.raw<Room | null>(null);
	let none = $state(false);
	let widthPx = $state(0);
	let lights = $state(0);
	const camera = $derived(bench.move.camera);
	const aspect = $derived(camera.sensorWidthM / camera.sensorHeightM);
	const heightPx = $derived(Math.round(widthPx / aspect));

	onMount(() => {
		let gone = false;
		let made: Room | null = null;
		const watcher = new MutationObserver(() => (lights += 1));
		watcher.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme', 'style'] });
		void import('$lib/places/room3d').then(({ Room: RoomOf }) => {
			if (gone || canvas === undefined) return;
			try {
				made = new RoomOf(canvas, inksNow());
				room = made;
			} catch {
				none = true;
			}
		});
		return () => {
			gone = true;
			cancelAnimationFrame(frame);
			watcher.disconnect();
			made?.dispose();
		};
	});
	// A count, so that what was made anew is drawn in the same frame.
	let made = $state(0);
	$effect(() => {
		void lights;
		room?.venue(bench.venue?.plan ?? null, inksNow());
		untrack(() => (made += 1));
	});
	$effect(() => {
		void lights;
		room?.subject(bench.move.subject);
		untrack(() => (made += 1));
	});
	const strokes = $derived(
		bench.now === null ? [] : behaves(bench.move.support).strokes(bench.move.support, bench.now)
	);
	// In the frame in which anything of it changes, once, however often it did.
	let frame = 0;
	$effect(() => {
		void made;
		const { pose, now } = bench;
		if (room === null || pose === null || now === null || widthPx === 0) return;
		const [shown, lens, tall] = [strokes, { focalM: now.focalM, sensorHeightM: camera.sensorHeightM }, heightPx];
		const [drawn, wide] = [room, widthPx];
		cancelAnimationFrame(frame);
		frame = requestAnimationFrame(() => {
			drawn.gear(shown);
			drawn.draw(pose, lens, wide, tall, devicePixelRatio);
		});
	});
	/** Where the world is level, across the picture; null: it is not in it. */
	const horizon = $derived.by(() => {
		const { pose, now } = bench;
		if (pose === null || now === null) return null;
		const lens = { focalM: now.focalM, sensorWidthM: camera.sensorWidthM, sensorHeightM: camera.sensorHeightM };
		const far = (turn: number) => {
			const [x, y, z] = pose.positionM;
			const [cos, sin] = [Math.cos(pose.headingRad + turn), Math.sin(pose.headingRad + turn)];
			return frameOf({ pose, pointM: [x + 1e5 * cos, y + 1e5 * sin, z], ...lens });
		};
		const [one, two] = [far(-0.05), far(0.05)];
		if (one.xWidths === null || two.xWidths === null || one.yHeights === null || two.yHeights === null) return null;
		const across = two.xWidths - one.xWidths;
		if (Math.abs(across) < 1e-6) return null;
		const slope = (two.yHeights - one.yHeights) / across;
		const at = (x: number) => 0.5 - (one.yHeights! + slope * (x - one.xWidths!));
		return { left: at(-0.5), right: at(0.5) };
	});
	/** What hides the subject, or fills the picture where the subject is not in it: a picture of one grey says what it is of. */
	const hidden = $derived.by(() => {
		const { pose, now, move } = bench;
		if (pose === null || now === null) return '';
		const { sensorWidthM, sensorHeightM } = camera;
		const lens = { focalM: now.focalM, sensorWidthM, sensorHeightM };
		const sees = frameOf({ pose, pointM: move.subject.atM, ...lens }).inFrame;
		const subjectM = Math.hypot(...pose.positionM.map((value, axis) => value - move.subject.atM[axis]!));
		const before = beforeLens(bench.venue?.plan ?? null, pose);
		if (before !== null && (!sees || before.farM < subjectM - 0.05))
			return `${before.label} stands before the lens, ${far(before.farM, bench.units)} off${sees ? `, and hides the ${move.subject.name}` : ''}.`;
		return sees ? '' : `Nothing of the plan before the lens, and the ${move.subject.name} is not in the picture.`;
	});
	const pull = new Pull<'picture'>({
		start: () => onpull(0, 0, true),
		pull: (_, { by }) => onpull(by.x, -by.y, false),
		settle: () => onsettle()
	});
</script>

<div class="picture" role="img" aria-label="Through the lens at {bench.nowS.toFixed(1)} s" data-testid="lens-picture">
	<canvas bind:this={canvas} bind:clientWidth={widthPx} style:aspect-ratio={aspect} data-drawn={room !== null}></canvas>
	<svg viewBox="0 0 300 {300 / aspect}" aria-hidden="true" {@attach pull.hold(() => 'picture')}>
		<rect width="300" height={300 / aspect} class="hand" />
		<path class="lines" d="M100 0V{300 / aspect}M200 0V{300 / aspect}M0 {100 / aspect}H300M0 {200 / aspect}H300" />
		{#if horizon !== null}
			<path class="horizon" d="M0 {(horizon.left * 300) / aspect}L300 {(horizon.right * 300) / aspect}" />
		{/if}
		<path class="cross" d="M144 {150 / aspect}H156M150 {150 / aspect - 6}V{150 / aspect + 6}" />
	</svg>
	{#if hidden !== ''}<p data-testid="before-lens">{hidden}</p>{/if}
	{#if none}<p>This browser draws no solids. Plan, figures and thread are as good without them.</p>{/if}
</div>

<style>
	.picture {
		position: relative;
		border: 2px solid var(--ink);
		background: var(--hover);
		line-height: 0;
	}
	canvas {
		display: block;
		width: 100%;
	}
	svg {
		overflow: hidden;
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		touch-action: none;
		cursor: move;
	}
	.hand {
		fill: transparent;
	}
	.lines {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.4;
		opacity: 0.4;
	}
	.horizon {
		fill: none;
		stroke: var(--press);
		stroke-width: 0.8;
		stroke-dasharray: 6 3;
	}
	.cross {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.7;
	}
	p {
		position: absolute;
		inset: auto 0 0;
		padding: 8px 12px;
		line-height: 1.3;
		background: var(--panel);
		font-size: 14px;
	}
</style>
