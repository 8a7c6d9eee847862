<script lang="ts">
	import type { PagePoint } from './projection';

	interface Props {
		at: PagePoint;
		/** Foot of the plumb line, px down the page; absent: no line (seen from above nothing falls). */
		plumbToY?: number | null;
		radius?: number;
	}
	let { at, plumbToY = null, radius = 9 }: Props = $props();
</script>

<g class="cg" aria-hidden="true">
	{#if plumbToY !== null && plumbToY > at.y + radius}
		<path class="line" d="M{at.x} {at.y + radius}V{plumbToY - 9}" />
		<path class="bob" d="M{at.x - 4.5} {plumbToY - 9}h9l-1.5 5l-3 8l-3 -8z" />
	{/if}
	<circle cx={at.x} cy={at.y} r={radius} class="disc" />
	<path
		class="quarters"
		d="M{at.x} {at.y}V{at.y - radius}A{radius} {radius} 0 0 1 {at.x + radius} {at.y}zM{at.x} {at.y}V{at.y +
			radius}A{radius} {radius} 0 0 1 {at.x - radius} {at.y}z"
	/>
</g>

<style>
	.cg {
		pointer-events: none;
	}
	.disc {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.quarters {
		fill: var(--ink);
	}
	.line {
		stroke: var(--clay);
		stroke-width: 1.25;
		fill: none;
	}
	.bob {
		fill: var(--clay);
	}
</style>
