<script lang="ts">
	/* eslint-disable max-lines -- one sheet: what the hand does on it and what is seen under the hand. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Handle from '$lib/sheet/drawing/Handle.svelte';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import type { PlanKind, PlanPoint, PlanShape, VenuePlan } from '$lib/model/venue';
	import { showDistance, together } from '$lib/sheet/units/display';
	import { boundsOfPlan, isArea, kindWords, leastPoints, snapped } from './plan';
	import PlanLayer from './PlanLayer.svelte';
	import { pinned, planBar, type PlanView, toPlan, toScreen, viewOf, zoomed } from './view';
	import { createGesture, dragAction, pinchAction } from '@use-gesture/vanilla';

	/** The plan being drawn: tap points, drag them, move it about. */
	interface Props {
		plan: VenuePlan;
		venueId: string;
		units: UnitSystem;
		width: number;
		height: number;
		selectedId: string | null;
		/** What taps on the sheet make; 'measure': two points for the picture's scale; null: nothing, they choose. */
		tool: PlanKind | 'measure' | null;
		/** The points tapped so far. */
		tapped: readonly PlanPoint[];
		onselect: (id: string | null) => void;
		ontap: (point: PlanPoint) => void;
		onfinish: () => void;
		onpoint: (shape: PlanShape, index: number, point: PlanPoint) => void;
		onmove: (shape: PlanShape, by: PlanPoint) => void;
		ondroppoint: (shape: PlanShape, index: number) => void;
		onsettle: () => void;
	}
	let {
		plan,
		venueId,
		units,
		width,
		height,
		selectedId,
		tool,
		tapped,
		onselect,
		ontap,
		onfinish,
		onpoint,
		onmove,
		ondroppoint,
		onsettle
	}: Props = $props();

	// The sheet lies still while it is drawn on: it is laid out anew only when asked.
	// svelte-ignore state_referenced_locally
	let view = $state.raw(viewOf(boundsOfPlan(plan), width, height));
	export function showAll() {
		view = viewOf(boundsOfPlan(plan), width, height);
	}
	let svg = $state<SVGSVGElement>();
	let cursor = $state.raw<PlanPoint | null>(null);
	const selected = $derived(plan.shapes.find(({ id }) => id === selectedId) ?? null);
	const at = (point: PlanPoint) => toScreen(view, width, height, point);
	function planPoint(clientX: number, clientY: number): PlanPoint {
		const box = svg!.getBoundingClientRect();
		return toPlan(view, width, height, clientX - box.left, clientY - box.top);
	}
	const underHand = (point: PlanPoint) => (tool === 'measure' ? point : snapped(point));

	const pullPoint = new Pull<number>({
		pull: (index, { at: { x, y } }) => {
			if (selected !== null) onpoint(selected, index, snapped(toPlan(view, width, height, x, y)));
		},
		settle: () => onsettle()
	});
	/** What the hand does on the sheet: it taps, moves the sheet or what is chosen, and with two fingers also how near it is. */
	function hands(element: SVGSVGElement) {
		const listen = createGesture([dragAction, pinchAction]);
		type Held = { readonly shape: PlanShape | null; fromM: PlanPoint };
		const gesture = listen(
			element,
			{
				onDrag: ({ first, last, tap: tapped, pinching, cancel, event, initial, xy, delta, memo }): Held | undefined => {
					const on = (event.target as Element).closest('[data-pull], [data-shape]');
					if (pinching === true || on?.hasAttribute('data-pull') === true) {
						cancel();
						return undefined;
					}
					const pressed =
						tool === null ? (plan.shapes.find(({ id }) => id === on?.getAttribute('data-shape')) ?? null) : null;
					if (tapped) {
						tap(planPoint(...xy), pressed);
						return undefined;
					}
					const held: Held = first
						? { shape: pressed?.id === selectedId ? pressed : null, fromM: planPoint(...initial) }
						: (memo as Held);
					if (held.shape === null)
						view = {
							...view,
							middleM: [view.middleM[0] - delta[0] / view.pxPerM, view.middleM[1] + delta[1] / view.pxPerM]
						};
					else if (selected !== null) {
						const here = planPoint(...xy);
						const by = snapped([here[0] - held.fromM[0], here[1] - held.fromM[1]]);
						if (by[0] !== 0 || by[1] !== 0) {
							held.fromM = [held.fromM[0] + by[0], held.fromM[1] + by[1]];
							onmove(selected, by);
						}
						if (last) onsettle();
					}
					return held;
				},
				onPinch: ({ first, origin: [x, y], movement: [factor], memo }) => {
					const box = element.getBoundingClientRect();
					const start = (first ? { view, at: planPoint(x, y) } : memo) as { view: PlanView; at: PlanPoint };
					view = pinned(zoomed(start.view, factor), start.at, width, height, x - box.left, y - box.top);
					return start;
				}
			},
			{ drag: { filterTaps: true, tapsThreshold: 6, threshold: 6, pointer: { keys: false } } }
		);
		return () => gesture.destroy();
	}
	function tap(point: PlanPoint, pressed: PlanShape | null) {
		if (tool === null) return onselect(pressed?.id ?? null);
		const first = tapped[0];
		if (tool !== 'measure' && first !== undefined && tapped.length >= leastPoints(tool)) {
			const [one, two] = [at(first), at(point)];
			// Tapping the first point again closes the outline.
			if (Math.hypot(one.x - two.x, one.y - two.y) < 16) return onfinish();
		}
		ontap(underHand(point));
	}
	function wheel(event: WheelEvent) {
		event.preventDefault();
		view = zoomed(view, Math.exp(-event.deltaY * 0.0016), planPoint(event.clientX, event.clientY));
	}
	function keys(event: KeyboardEvent, shape: PlanShape, index: number) {
		if (event.key === 'Delete' || event.key === 'Backspace') {
			event.preventDefault();
			return ondroppoint(shape, index);
		}
		const way = arrowStep(event, 0.1, 1);
		if (way === null) return;
		event.preventDefault();
		const [x, y] = shape.pointsM[index]!;
		onpoint(shape, index, [x + way[0], y + way[1]]);
	}
	const trail = $derived([...tapped, ...(cursor !== null && tool !== null ? [cursor] : [])]);
	const lengths = $derived.by(() => {
		const points = tool === null ? (selected?.pointsM ?? []) : trail;
		const closed = tool === null && selected !== null && isArea(selected.kind);
		if (points.length > 12) return [];
		return points.flatMap((from, index) => {
			const to = points[index + 1] ?? (closed ? points[0] : undefined);
			if (to === undefined) return [];
			const far = Math.hypot(to[0] - from[0], to[1] - from[1]);
			if (far * view.pxPerM < 56) return [];
			return [{ ...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]), words: together(showDistance(far, units)) }];
		});
	});
	const bar = $derived(planBar(view.pxPerM, 120, units));
</script>

<div class="sheetlike" class:drawing={tool !== null}>
	<svg
		bind:this={svg}
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="group"
		aria-label="Plan of the venue"
		data-testid="plan"
		{@attach hands}
		onpointermove={({ clientX, clientY }) => {
			if (tool !== null) cursor = underHand(planPoint(clientX, clientY));
		}}
		onpointerleave={() => (cursor = null)}
		onwheel={wheel}
	>
		<PlanLayer {plan} {venueId} {view} {width} {height} {selectedId} takes />
		{#if trail.length > 0}
			<path
				class="trail"
				d="M{trail
					.map((point) => {
						const { x, y } = at(point);
						return `${x} ${y}`;
					})
					.join('L')}"
			/>
			{#each tapped as point, index (index)}
				{@const { x, y } = at(point)}
				<circle class="tapped" class:first={index === 0} cx={x} cy={y} r="6" />
			{/each}
		{/if}
		{#if selected !== null && tool === null}
			{#each selected.pointsM as point, index (index)}
				{@const { x, y } = at(point)}
				<Handle
					{x}
					{y}
					r={7}
					label="Point {index + 1} of {selected.label}: {point[0].toFixed(2)} m, {point[1].toFixed(2)} m"
					testId="point-{index}"
					hold={pullPoint.hold(() => (tool === null ? index : null))}
					onkeydown={(event) => keys(event, selected, index)}
					{onsettle}
				/>
			{/each}
		{/if}
		{#each lengths as { x, y, words }, index (index)}<text class="length" {x} y={y - 6} text-anchor="middle"
				>{words}</text
			>{/each}
		<ScaleBar x={20} y={height - 16} px={bar.lengthM * view.pxPerM} words={bar.words} thick={0.2} />
	</svg>
	<div class="zoom">
		<Button onclick={() => (view = zoomed(view, 1.5))} aria-label="Closer">+</Button>
		<Button onclick={() => (view = zoomed(view, 1 / 1.5))} aria-label="Further off">−</Button>
		<Button onclick={showAll}>All</Button>
	</div>
	{#if tool !== null}
		<p class="help" role="status">
			{#if tool === 'measure'}Tap two points of the picture that you know the distance between.
			{:else}{kindWords[tool]}: tap {isArea(tool) ? 'its corners' : 'along it'}; <kbd>Enter</kbd> or “Done” ends it,
				<kbd>Esc</kbd> gives up.{/if}
		</p>
	{/if}
</div>

<style>
	.sheetlike {
		position: relative;
	}
	svg {
		display: block;
		touch-action: none;
		user-select: none;
		-webkit-user-select: none;
	}
	.drawing svg {
		cursor: crosshair;
	}
	.trail {
		fill: none;
		stroke: var(--press);
		stroke-width: 3;
		stroke-dasharray: 7 4;
		pointer-events: none;
	}
	.tapped {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2;
		pointer-events: none;
	}
	.first {
		fill: var(--spirit);
	}
	.length {
		font-size: 13px;
		fill: var(--press);
		font-weight: 700;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
		pointer-events: none;
	}
	.zoom {
		position: absolute;
		right: 8px;
		top: 8px;
		display: grid;
		gap: 4px;
	}
	.zoom :global(button) {
		width: 44px;
		height: 44px;
		border: 1px solid var(--edge);
		border-radius: 6px;
		background: var(--panel);
		font-size: 17px;
	}
	.zoom :global(button:hover) {
		border-color: var(--press);
		color: var(--press);
	}
	.help {
		position: absolute;
		left: 12px;
		top: 10px;
		right: 64px;
		margin: 0;
		width: fit-content;
		background: var(--panel);
		border-left: 4px solid var(--spirit);
		padding: 6px 12px;
		font-size: 15px;
		pointer-events: none;
	}
	kbd {
		font-family: var(--font-mono);
		font-size: 13px;
	}
</style>
