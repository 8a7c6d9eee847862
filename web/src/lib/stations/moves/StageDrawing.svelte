<script lang="ts">
	/* eslint-disable max-lines -- one drawing: what stands in the room, what moves through it, and what a hand takes hold of. */
	import { degFromRad, type Vec3 } from '@poise/core';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Handle from '$lib/sheet/drawing/Handle.svelte';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import { showDistance, together } from '$lib/sheet/units/display';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import { isArea } from '$lib/places/plan';
	import { planBar, type PlanView, toPlan, toScreen, zoomed } from '$lib/places/view';
	import { untrack } from 'svelte';
	import { carriedTo } from './carry';
	import type { MoveBench } from './moveBench.svelte';
	import { poseOf } from './path';
	import { extentOf, fromSide, onSide, type Side, sides, sideWords, viewOn, wedgeOf } from './stage';
	import { behaves } from './supports';

	/** The room to scale, from above or from two sides, with two handles: where the camera is, and what it looks at. */
	interface Props {
		bench: MoveBench;
		width: number;
		height: number;
	}
	let { bench, width, height }: Props = $props();
	let side = $state<Side>('plan');
	let whole = $state(false);
	const move = $derived(bench.move);
	const how = $derived(behaves(move.support));
	const knotPoses = $derived(move.knots.map((knot) => ({ knot, pose: poseOf(move, knot.values) })));
	const strokes = $derived(bench.now === null ? [] : how.strokes(move.support, bench.now));
	const placings = $derived(how.placings(move.support));
	/** The knot whose camera is taken hold of: the one in hand, else the nearest in time. */
	const held = $derived(
		bench.chosen ??
			move.knots.reduce((best, each) => (Math.abs(each.tS - bench.nowS) < Math.abs(best.tS - bench.nowS) ? each : best))
	);
	const heldPose = $derived(poseOf(move, held.values));

	let view = $state.raw<PlanView>({ middleM: [0, 0], pxPerM: 60 });
	function showAll() {
		const points: Vec3[] = [
			move.subject.atM,
			...knotPoses.map(({ pose }) => pose.centreM),
			...strokes.flatMap(({ fromM, toM }) => [fromM, toM]),
			...wedge
		];
		view = viewOn(extentOf(side, points, bench.venue?.plan ?? null, whole), width, height);
	}
	// Laid out anew when asked, by another side, or by another size; never under the hand.
	$effect(() => {
		void [side, whole, width, height, bench.venue?.id];
		untrack(showAll);
	});
	const at = (point: Vec3) => {
		const [a, b] = onSide(side, point);
		return toScreen(view, width, height, [a, b]);
	};
	const path = (points: readonly Vec3[], closed = false) =>
		points.length === 0
			? ''
			: `M${points
					.map((point) => {
						const { x, y } = at(point);
						return `${x.toFixed(1)} ${y.toFixed(1)}`;
					})
					.join('L')}${closed ? 'Z' : ''}`;
	const way = $derived(bench.figures?.poses.map(({ centreM }) => centreM) ?? []);
	const wedge = $derived.by(() => {
		const { pose, now } = bench;
		if (pose === null || now === null) return [];
		const far = Math.max(0.3, Math.hypot(...pose.positionM.map((v, k) => v - move.subject.atM[k]!)) * 1.12);
		return [pose.positionM, ...wedgeOf(move, pose, now.focalM, far, side)];
	});
	/** Upright things from the side: their extent, from bottom to top. */
	const blocks = $derived(
		side === 'plan'
			? []
			: (bench.venue?.plan.shapes ?? []).map((shape) => {
					const along = shape.pointsM.map(([x, y]) => (side === 'front' ? x : y));
					const [a, b] = [Math.min(...along), Math.max(...along)];
					const { x: left, y: top } = toScreen(view, width, height, [a, Math.min(shape.topM, 12)]);
					const { x: right, y: low } = toScreen(view, width, height, [b, shape.bottomM]);
					return { shape, left, top, wide: Math.max(1, right - left), tall: Math.max(1, low - top) };
				})
	);
	const floorY = $derived(side === 'plan' ? null : toScreen(view, width, height, [0, 0]).y);
	const ceilingY = $derived.by(() => {
		const ceiling = bench.venue?.plan.ceilingM ?? null;
		return side === 'plan' || ceiling === null ? null : toScreen(view, width, height, [0, ceiling]).y;
	});

	function carry(to: Vec3) {
		const { move: next, reached } = carriedTo(move, held.id, to);
		bench.told =
			reached.why === null
				? ''
				: `${reached.why} It stays ${together(showDistance(reached.missM, bench.units))} short.`;
		bench.set(next, `camera ${held.id}`);
	}
	const look = (to: Vec3) => bench.change({ subject: { ...move.subject, atM: to } }, 'subject');
	function place(id: string, to: Vec3) {
		const placing = placings.find((each) => each.id === id);
		if (placing === undefined) return;
		bench.change({ support: placing.put(to) }, `place ${id}`);
	}
	type Held =
		| { readonly what: 'camera'; readonly was: Vec3 }
		| { readonly what: 'subject'; readonly was: Vec3 }
		| { readonly what: 'place'; readonly id: string; readonly was: Vec3 };
	const room = (x: number, y: number, was: Vec3): Vec3 => {
		const [a, b] = toPlan(view, width, height, x, y);
		return fromSide(side, [a, side === 'plan' ? b : Math.max(0, b)], was);
	};
	const pull = new Pull<Held>({
		pull: (what, { at: { x, y } }) => {
			const to = room(x, y, what.was);
			if (what.what === 'camera') carry(to);
			else if (what.what === 'subject') look(to);
			else place(what.id, to);
		},
		settle: () => bench.settle()
	});
	function nudge(event: KeyboardEvent, from: Vec3, put: (to: Vec3) => void) {
		const by = arrowStep(event, 0.01, 0.1);
		if (by === null) return;
		event.preventDefault();
		const [a, b] = onSide(side, from);
		put(fromSide(side, [a + by[0], b + by[1]], from));
	}
	function wheel(event: WheelEvent) {
		event.preventDefault();
		const box = (event.currentTarget as Element).getBoundingClientRect();
		view = zoomed(
			view,
			Math.exp(-event.deltaY * 0.0016),
			toPlan(view, width, height, event.clientX - box.left, event.clientY - box.top)
		);
	}
	/** The sheet itself, moved about. */
	const pan = new Pull<'sheet'>({
		start: () => (from = view),
		pull: (_, { by }) => {
			view = { ...from, middleM: [from.middleM[0] - by.x / from.pxPerM, from.middleM[1] + by.y / from.pxPerM] };
		},
		settle: () => {}
	});
	// svelte-ignore state_referenced_locally
	let from: PlanView = view;
	/** The longest round length that takes up a fifth of the drawing. */
	const bar = $derived(planBar(view.pxPerM, width / 4, bench.units));
	const subjectAt = $derived(at(move.subject.atM));
	const cameraAt = $derived(at(heldPose.centreM));
	const nowAt = $derived(bench.pose === null ? null : at(bench.pose.centreM));
	const words = (point: Vec3) => point.map((each) => each.toFixed(2)).join(', ');
</script>

<div class="stage">
	<div class="above">
		<div class="sides" role="group" aria-label="Drawn from">
			{#each sides as each (each)}
				<Button class="side" aria-pressed={side === each} onclick={() => (side = each)} data-testid="side-{each}"
					>{sideWords[each]}</Button
				>
			{/each}
		</div>
		<div class="zoom">
			<Button class="side" onclick={() => (view = zoomed(view, 1.5))} aria-label="Closer">+</Button>
			<Button class="side" onclick={() => (view = zoomed(view, 1 / 1.5))} aria-label="Further off">−</Button>
			<Button
				class="side"
				onclick={() => {
					whole = !whole && bench.venue !== null;
					showAll();
				}}
				aria-pressed={whole}>{whole ? 'Move' : 'All'}</Button
			>
		</div>
	</div>
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="group"
		aria-label="{sideWords[side]} of the move"
		data-testid="stage"
		onwheel={wheel}
	>
		{#if side === 'plan'}
			<PlanLayer
				plan={bench.venue?.plan ?? { ceilingM: null, shapes: [], underlay: null }}
				venueId={bench.venue?.id ?? null}
				{view}
				{width}
				{height}
			/>
		{:else}
			<rect class="paper" {width} {height} />
			{#each blocks as { shape, left, top, wide, tall } (shape.id)}
				<rect class="block {shape.kind}" class:area={isArea(shape.kind)} x={left} y={top} width={wide} height={tall} />
				{#if wide > 50 && shape.kind !== 'wall'}<text class="quiet" x={left + 6} y={top + 15}>{shape.label}</text>{/if}
			{/each}
			<line class="floor" x1="0" x2={width} y1={floorY} y2={floorY} />
			{#if ceilingY !== null}<line class="floor" x1="0" x2={width} y1={ceilingY} y2={ceilingY} />{/if}
		{/if}
		<rect class="sheet" {width} {height} {@attach pan.hold(() => 'sheet')} />
		<path class="wedge" d={path(wedge, true)} />
		{#each strokes as { as, fromM, toM, thickM }, index (index)}
			<path
				class="stroke {as}"
				d={path([fromM, toM])}
				stroke-width={Math.max(as === 'rail' ? 3 : 2, Math.min(26, thickM * view.pxPerM))}
			/>
			{#if as === 'rail'}<path class="ties" d={path([fromM, toM])} />{/if}
		{/each}
		<path class="way" d={path(way)} />
		{#each knotPoses as { knot, pose } (knot.id)}
			{@const { x, y } = at(pose.centreM)}
			<circle class="dot" class:here={knot.id === held.id} cx={x} cy={y} r="5" />
		{/each}
		{#each placings as { id, words: called, atM } (id)}
			{@const { x, y } = at(atM)}
			{#if id !== 'foot'}
				<Handle
					{x}
					{y}
					r={5}
					label="Move {called}: {words(atM)} m"
					testId="place-{id}"
					hold={pull.hold(() => ({ what: 'place', id, was: atM }))}
					onkeydown={(event) => nudge(event, atM, (to) => place(id, to))}
					onsettle={bench.settle}
				/>
			{/if}
		{/each}
		{#if bench.pose !== null && nowAt !== null}
			{@const turned = at([
				bench.pose.positionM[0] + Math.cos(bench.pose.elevationRad) * Math.cos(bench.pose.headingRad),
				bench.pose.positionM[1] + Math.cos(bench.pose.elevationRad) * Math.sin(bench.pose.headingRad),
				bench.pose.positionM[2] + Math.sin(bench.pose.elevationRad)
			])}
			{@const turn = degFromRad(Math.atan2(turned.y - nowAt.y, turned.x - nowAt.x))}
			<g class="camera" transform="translate({nowAt.x} {nowAt.y}) rotate({turn})" data-testid="camera-now">
				<rect x="-14" y="-10" width="22" height="20" rx="2" />
				<path d="M8 -6L16 -9V9L8 6Z" />
			</g>
		{/if}
		<g class="subject">
			<circle cx={subjectAt.x} cy={subjectAt.y} r="11" />
			<circle class="core" cx={subjectAt.x} cy={subjectAt.y} r="3" />
			<text x={subjectAt.x + 17} y={subjectAt.y + 5}>{move.subject.name}</text>
		</g>
		<Handle
			x={subjectAt.x}
			y={subjectAt.y}
			r={11}
			label="{move.subject.name}, what the camera looks at: {words(move.subject.atM)} m"
			testId="subject"
			hold={pull.hold(() => ({ what: 'subject', was: move.subject.atM }))}
			onkeydown={(event) => nudge(event, move.subject.atM, look)}
			onsettle={bench.settle}
		/>
		<Handle
			x={cameraAt.x}
			y={cameraAt.y}
			r={9}
			chosen
			label="Camera at {held.name}: {words(heldPose.centreM)} m"
			testId="camera"
			hold={pull.hold(() => ({ what: 'camera', was: heldPose.centreM }))}
			onkeydown={(event) => nudge(event, heldPose.centreM, carry)}
			onsettle={bench.settle}
		/>
		<ScaleBar x={18} y={height - 16} px={bar.lengthM * view.pxPerM} words={bar.words} thick={0.2} />
	</svg>
	{#if bench.told !== ''}<p class="told" role="status" data-testid="told">{bench.told}</p>{/if}
</div>

<style>
	.stage {
		position: relative;
	}
	svg {
		display: block;
		touch-action: none;
		user-select: none;
		-webkit-user-select: none;
	}
	.paper {
		fill: var(--ground);
	}
	.sheet {
		fill: transparent;
		cursor: grab;
	}
	.wedge {
		fill: color-mix(in srgb, var(--spirit) 38%, transparent);
		stroke: var(--spirit);
		stroke-width: 1.4;
		pointer-events: none;
	}
	.stroke {
		fill: none;
		stroke: var(--quiet);
		stroke-linecap: round;
		pointer-events: none;
	}
	.stroke.rail {
		stroke: color-mix(in srgb, var(--spirit) 55%, var(--ground));
		stroke-linecap: butt;
	}
	.ties {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
		pointer-events: none;
	}
	.stroke.arm {
		stroke: var(--ink);
		opacity: 0.75;
	}
	.stroke.tail {
		stroke: var(--clay);
		opacity: 0.7;
	}
	.way {
		fill: none;
		stroke: var(--press);
		stroke-width: 2;
		stroke-dasharray: 5 4;
		pointer-events: none;
	}
	.dot {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
		pointer-events: none;
	}
	.dot.here {
		fill: var(--spirit);
	}
	.camera {
		pointer-events: none;
	}
	.camera rect,
	.camera path {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	.subject {
		pointer-events: none;
	}
	.subject circle {
		fill: none;
		stroke: var(--clay);
		stroke-width: 2.4;
	}
	.subject .core {
		fill: var(--clay);
	}
	text {
		font-size: 13px;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.subject text {
		fill: var(--clay);
		font-weight: 700;
	}
	text.quiet {
		fill: var(--quiet);
		pointer-events: none;
	}
	/* The subject's own ring is drawn above; its handle is only there to be held. */
	.stage :global([data-testid='subject'] .ring) {
		fill: transparent;
		stroke: transparent;
	}
	.stage :global([data-testid='subject']:focus-visible .ring) {
		stroke: var(--press);
	}
	.block {
		fill: none;
		stroke: var(--edge);
		stroke-width: 1;
	}
	.block.area {
		fill: color-mix(in srgb, var(--rule) 60%, transparent);
	}
	.block.people {
		fill: var(--press-wash);
		stroke: var(--press);
	}
	.block.keepOut {
		fill: var(--clay-wash);
		stroke: var(--clay);
		stroke-dasharray: 8 5;
	}
	.floor {
		stroke: var(--ink);
		stroke-width: 2.4;
	}
	.told {
		position: absolute;
		left: 8px;
		right: 8px;
		bottom: 30px;
		width: fit-content;
		max-width: calc(100% - 16px);
		padding: 4px 12px;
		border-left: 4px solid var(--clay);
		background: var(--clay-wash);
		color: var(--clay);
		font-size: 15px;
		pointer-events: none;
	}
	.above {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		border-bottom: 1px solid var(--rule);
		padding: 0 6px;
	}
	.sides,
	.zoom {
		display: flex;
	}
	.above :global(.side) {
		min-height: 44px;
		min-width: 36px;
		padding: 0 8px;
		font-size: 14px;
		border-bottom: 3px solid transparent;
	}
	.above :global(.side[aria-pressed='true']) {
		font-weight: 700;
		border-bottom-color: var(--spirit);
	}
</style>
