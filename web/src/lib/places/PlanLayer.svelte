<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { PlanPoint, PlanShape, VenuePlan } from '$lib/model/venue';
	import { isArea } from './plan';
	import { gridM, type PlanView, toPlan, toScreen } from './view';

	/** A venue's plan as it lies on a drawing: grid, picture, and everything that stands there. */
	interface Props {
		plan: VenuePlan;
		/** Whose pictures; null: none are shown. */
		venueId: string | null;
		view: PlanView;
		width: number;
		height: number;
		selectedId?: string | null;
		/** Its shapes can be pressed. */
		takes?: boolean;
		/** Too small for names. */
		nameless?: boolean;
	}
	let { plan, venueId, view, width, height, selectedId = null, takes = false, nameless = false }: Props = $props();

	const at = (point: PlanPoint) => {
		const { x, y } = toScreen(view, width, height, point);
		return `${x.toFixed(1)} ${y.toFixed(1)}`;
	};
	const pathOf = ({ kind, pointsM }: PlanShape) => `M${pointsM.map(at).join('L')}${isArea(kind) ? 'Z' : ''}`;
	const step = $derived(gridM(view.pxPerM));
	const lines = $derived.by(() => {
		const [left, top] = toPlan(view, width, height, 0, 0);
		const [right, low] = toPlan(view, width, height, width, height);
		let [fine, heavy] = ['', ''];
		const add = (value: number, path: string) => {
			if (Math.round(value / step) % 5 === 0) heavy += path;
			else fine += path;
		};
		for (let x = Math.ceil(left / step) * step; x <= right; x += step)
			add(x, `M${toScreen(view, width, height, [x, 0]).x.toFixed(1)} 0V${height}`);
		for (let y = Math.ceil(low / step) * step; y <= top; y += step)
			add(y, `M0 ${toScreen(view, width, height, [0, y]).y.toFixed(1)}H${width}`);
		return { fine, heavy };
	});
	/** In the middle of an area, above one that is too thin to write in, along the first side of a line. */
	const nameAt = ({ pointsM, kind }: PlanShape) => {
		const points = (isArea(kind) ? pointsM : pointsM.slice(0, 2)).map((each) => toScreen(view, width, height, each));
		const middle = (k: 'x' | 'y') => points.reduce((sum, point) => sum + point[k], 0) / points.length;
		const top = Math.min(...points.map(({ y }) => y));
		const thin = !isArea(kind) || Math.max(...points.map(({ y }) => y)) - top < 24;
		return { x: middle('x'), y: thin ? (isArea(kind) ? top : middle('y')) - 7 : middle('y') + 4 };
	};
	/** Names only where there is room for them. */
	const named = $derived(
		nameless ? [] : plan.shapes.length <= 40 ? plan.shapes : plan.shapes.filter(({ id }) => id === selectedId)
	);
</script>

<rect class="paper" {width} {height} />
{#if plan.underlay !== null && venueId !== null}
	{@const { pictureId, widthPx, heightPx, mPerPx, atM, turnRad } = plan.underlay}
	{@const corner = toScreen(view, width, height, atM)}
	<image
		href="/api/venues/{venueId}/pictures/{pictureId}"
		width={widthPx * mPerPx * view.pxPerM}
		height={heightPx * mPerPx * view.pxPerM}
		preserveAspectRatio="none"
		opacity="0.55"
		transform="translate({corner.x} {corner.y}) rotate({degFromRad(-turnRad)}) translate(0 {-heightPx *
			mPerPx *
			view.pxPerM})"
	/>
{/if}
<path class="grid" d={lines.fine} />
<path class="grid heavy" d={lines.heavy} />
{#each plan.shapes as shape (shape.id)}
	<!-- Points and fields of what is chosen take the keyboard; a shape itself is chosen from the list. -->
	<g class={shape.kind} class:selected={shape.id === selectedId} class:takes data-shape={shape.id} role="presentation">
		<path class="touch" d={pathOf(shape)} />
		<path class="drawn" d={pathOf(shape)} />
	</g>
{/each}
{#each named as shape (shape.id)}
	{@const place = nameAt(shape)}
	<text class:faint={shape.id !== selectedId} x={place.x} y={place.y} text-anchor="middle">{shape.label}</text>
{/each}

<style>
	.paper {
		fill: var(--ground);
	}
	.grid {
		fill: none;
		stroke: var(--rule);
		stroke-width: 0.6;
		opacity: 0.7;
	}
	.grid.heavy {
		stroke-width: 1.2;
	}
	.drawn {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
		stroke-linejoin: round;
	}
	.touch {
		fill: none;
		stroke: transparent;
		stroke-width: 16;
	}
	.takes {
		cursor: pointer;
	}
	.wall .drawn {
		stroke-width: 4.5;
		stroke-linecap: square;
	}
	.obstacle .drawn {
		fill: url(#hatch);
	}
	.people .drawn {
		fill: var(--press-wash);
		stroke: var(--press);
	}
	.keepOut .drawn {
		fill: var(--clay-wash);
		stroke: var(--clay);
		stroke-dasharray: 8 5;
	}
	.line .drawn {
		stroke: var(--clay);
		stroke-width: 2.4;
		stroke-dasharray: 1 6;
		stroke-linecap: round;
	}
	.selected .drawn {
		stroke: var(--press);
		stroke-width: 3.4;
	}
	.selected.wall .drawn {
		stroke-width: 6;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
		pointer-events: none;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 3.5px;
	}
	.faint {
		fill: var(--quiet);
	}
</style>
