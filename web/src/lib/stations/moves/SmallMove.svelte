<script lang="ts">
	import type { VenuePlan } from '$lib/model/venue';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import type { Move } from './model';
	import { smallMove } from './smallMove';

	/** A move to scale in a few square centimetres, so that one is told from another by its way and not by its name. */
	interface Props {
		move: Move;
		plan?: VenuePlan | null;
		width: number;
		height: number;
	}
	let { move, plan = null, width, height }: Props = $props();
	const drawn = $derived(smallMove(move, plan, width, height));
</script>

<svg viewBox="0 0 {width} {height}" {width} {height} aria-hidden="true" data-side={drawn.side}>
	{#if plan !== null && drawn.side === 'plan'}
		<PlanLayer {plan} venueId={null} view={drawn.view} {width} {height} nameless />
	{/if}
	{#if drawn.floorY !== null}<path class="floor" d="M0 {drawn.floorY}H{width}" />{/if}
	<path class="sight" d={drawn.sights} />
	{#each drawn.strokes as { path, px, as }, k (k)}<path class="stroke {as}" d={path} stroke-width={px} />{/each}
	<path class="way" d={drawn.way} />
	{#each drawn.knots as { x, y }, k (k)}<circle class="knot" cx={x} cy={y} r="3.2" />{/each}
	<g transform="translate({drawn.knots[0]!.x} {drawn.knots[0]!.y}) rotate({drawn.looksDeg})">
		<path class="camera" d="M-7 -4H4V4H-7ZM4 -2.5L8 -4V4L4 2.5" />
	</g>
	<circle class="subject" cx={drawn.subject.x} cy={drawn.subject.y} r="5" />
</svg>

<style>
	svg {
		display: block;
		max-width: 100%;
		height: auto;
		background: var(--panel);
	}
	@media print {
		svg {
			max-height: 150px;
		}
	}
	path {
		fill: none;
	}
	.floor {
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.sight {
		stroke: var(--quiet);
		stroke-width: 1;
		stroke-dasharray: 2 4;
	}
	.stroke {
		stroke: var(--quiet);
		stroke-linecap: round;
	}
	.way {
		stroke: var(--press);
		stroke-width: 2.4;
		stroke-linejoin: round;
	}
	.camera {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.knot {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 1.8;
	}
	.subject {
		fill: var(--spirit);
		stroke: var(--spirit-line);
		stroke-width: 1.4;
	}
</style>
