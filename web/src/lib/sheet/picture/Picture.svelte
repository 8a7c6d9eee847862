<script lang="ts">
	import type { CameraPose } from '@poise/core';
	import { onMount } from 'svelte';
	import { type Lens, type Scene, seen } from './scene';

	/** A scene as the lens sees it, on a canvas: drawn in the frame in which anything of it changes. */
	interface Props {
		scene: Scene;
		pose: CameraPose;
		lens: Lens;
		/** What the picture shows, in words. */
		label: string;
	}
	let { scene, pose, lens, label }: Props = $props();

	let canvas = $state<HTMLCanvasElement>();
	let widthPx = $state(0);
	/** Counts up when the lights change. */
	let lights = $state(0);
	const heightPx = $derived((widthPx * lens.sensorHeightM) / lens.sensorWidthM);

	onMount(() => {
		const watcher = new MutationObserver(() => (lights += 1));
		watcher.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme', 'style'] });
		return () => watcher.disconnect();
	});
	const inks = $derived.by(() => {
		void lights;
		if (canvas === undefined) return null;
		const style = getComputedStyle(document.documentElement);
		const of = (name: string) => style.getPropertyValue(name).trim();
		return {
			floor: of('--rule'),
			sky: of('--hover'),
			horizon: of('--edge'),
			far: of('--edge'),
			upright: of('--quiet'),
			wall: of('--edge'),
			subject: of('--panel'),
			ink: of('--ink')
		};
	});

	$effect(() => {
		const context = canvas?.getContext('2d');
		if (canvas === undefined || context == null || inks === null || widthPx === 0) return;
		const dots = window.devicePixelRatio;
		canvas.width = Math.round(widthPx * dots);
		canvas.height = Math.round(heightPx * dots);
		context.setTransform(dots, 0, 0, dots, 0, 0);
		context.fillStyle = inks.sky;
		context.fillRect(0, 0, widthPx, heightPx);
		context.lineJoin = 'round';
		for (const { as, points, closed, thick } of seen(scene, pose, lens)) {
			context.beginPath();
			points.forEach(([x, y], k) => context[k === 0 ? 'moveTo' : 'lineTo'](x * widthPx, y * heightPx));
			if (closed) context.closePath();
			if (as === 'subject') {
				context.fillStyle = inks.subject;
				context.fill();
				context.strokeStyle = inks.ink;
				context.lineWidth = 1.6;
			} else {
				context.strokeStyle = inks[as];
				context.lineWidth = Math.max(as === 'horizon' ? 1.6 : 1, Math.min(40, thick * widthPx));
			}
			context.stroke();
		}
	});
</script>

<div role="img" aria-label={label}>
	<canvas bind:this={canvas} bind:clientWidth={widthPx} style:aspect-ratio={lens.sensorWidthM / lens.sensorHeightM}
	></canvas>
</div>

<style>
	canvas {
		display: block;
		width: 100%;
		border: 2px solid var(--ink);
		background: var(--hover);
	}
</style>
