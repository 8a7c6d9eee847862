<script lang="ts">
	import { mmFromM } from '@poise/core';
	import { onMount } from 'svelte';
	import { inksNow } from '$lib/places/inks';
	import type { Room } from '$lib/places/room3d';
	import { sharedLive } from './liveBench.svelte';
	import { asPictured, focalOf, livePose } from './stand';
	import { axisWords, lookWords } from './words';

	/** What the driven head's camera would see of the plan, drawn; and where its axes stand. */
	const bench = sharedLive();
	let canvas = $state<HTMLCanvasElement>();
	let room = $state.raw<Room | null>(null);
	let none = $state(false);
	let widthPx = $state(0);
	const camera = $derived(
		bench.kept?.settings.camera ?? { focalM: [0.024, 0.12] as const, sensorWidthM: 0.036, sensorHeightM: 0.02025 }
	);
	const aspect = $derived(camera.sensorWidthM / camera.sensorHeightM);
	const focalM = $derived(
		focalOf(camera.focalM, bench.head?.ready.includes('zoom') === true ? bench.at.zoom : undefined)
	);
	onMount(() => {
		let gone = false;
		let made: Room | null = null;
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
			made?.dispose();
		};
	});
	let frame = 0;
	$effect(() => {
		room?.venue(bench.venue?.plan ?? null, inksNow());
	});
	$effect(() => {
		const { kept, at } = bench;
		if (room === null || kept === null || widthPx === 0) return;
		const pose = livePose(kept.settings, at);
		const lens = { focalM, sensorHeightM: camera.sensorHeightM };
		const [drawn, wide, tall] = [room, widthPx, Math.round(widthPx / aspect)];
		cancelAnimationFrame(frame);
		frame = requestAnimationFrame(() => drawn.draw(pose, lens, wide, tall, devicePixelRatio));
	});
	const sign = $derived(bench.kept === null ? 1 : asPictured(bench.kept.settings.place));
	const axes = $derived(Object.keys(bench.head?.axes ?? {}).filter((axis) => bench.head?.ready.includes(axis)));
</script>

<figure role="img" aria-label="What head {bench.head?.number} would see of the plan">
	<canvas bind:this={canvas} bind:clientWidth={widthPx} style:aspect-ratio={aspect} data-drawn={room !== null}></canvas>
	<figcaption>
		{none ? 'This browser draws no solids.' : 'Drawn from the plan, not a camera’s picture.'}
		{#if bench.head?.next != null && bench.head.next.kind !== 'ring'}<strong>Next: {bench.head.next.name}.</strong>{/if}
		<span data-printed>{mmFromM(focalM).toFixed(0)} mm</span>
	</figcaption>
</figure>
<dl data-testid="places">
	{#each axes as axis (axis)}
		<div>
			<dt>{axis === 'trackM' ? 'rail' : axisWords(axis)}</dt>
			<dd>{lookWords(axis, bench.at[axis] ?? 0, bench.data.person.units, sign)}</dd>
		</div>
	{/each}
</dl>

<style>
	canvas {
		display: block;
		width: 100%;
		border: 2px solid var(--ink);
		background: var(--hover);
	}
	figcaption {
		font-size: 13px;
		color: var(--quiet);
		padding: 4px 0 8px;
	}
	dl {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 2px 14px;
		font-size: 15px;
	}
	dl div {
		display: flex;
		justify-content: space-between;
	}
	dt {
		color: var(--quiet);
	}
	dd {
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
</style>
