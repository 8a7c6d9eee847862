<script lang="ts">
	import type { Part } from '$lib/model/part';
	import { glyph } from './glyph';
	import type { PagePoint, View } from './projection';

	/** A part as a workshop drawing shows it: outline, hatching for mass, finer lines for what it is. */
	interface Props {
		part: Part;
		view: View;
		pxPerM: number;
		/** Where the middle of its foot stands on the page, px. */
		at?: PagePoint;
		/** The part in hand. */
		chosen?: boolean;
		/** How far a lens is extended, 0 to 1. */
		extended?: number;
	}
	let { part, view, pxPerM, at = { x: 0, y: 0 }, chosen = false, extended = 1 }: Props = $props();
	const drawn = $derived(glyph(part, view, pxPerM, extended));
</script>

<g transform="translate({at.x} {at.y})" class:chosen>
	<path class="shape" class:hatched={drawn.hatched} d={drawn.outline} />
	{#each drawn.details as detail, k (k)}<path class="detail" d={detail} />{/each}
</g>

<style>
	.shape {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
		stroke-linejoin: round;
		vector-effect: non-scaling-stroke;
	}
	.hatched {
		fill: url(#hatch);
	}
	.detail {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.8;
		stroke-opacity: 0.62;
	}
	.chosen .shape {
		stroke: var(--press);
		stroke-width: 2.2;
		fill: url(#hatch-chosen);
	}
</style>
