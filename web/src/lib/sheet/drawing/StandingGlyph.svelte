<script lang="ts">
	import type { StandingPart } from '$lib/model/payload';
	import PartGlyph from './PartGlyph.svelte';
	import type { PagePoint, View } from './projection';
	import { laid } from './standing';

	/** A part as it stands: turned, extended, on its arm. */
	interface Props {
		standing: Pick<StandingPart, 'part' | 'positionM' | 'attitude'>;
		view: View;
		pxPerM: number;
		/** Where its foot stands on the page, px. */
		at?: PagePoint;
		chosen?: boolean;
	}
	let { standing, view, pxPerM, at = { x: 0, y: 0 }, chosen = false }: Props = $props();
	const drawn = $derived(laid(standing, view, pxPerM));
</script>

<g transform="translate({at.x} {at.y})">
	{#if drawn.arm !== null}
		<path class="arm" d="M{drawn.arm.from.x} {drawn.arm.from.y}L{drawn.arm.to.x} {drawn.arm.to.y}" />
		<circle class="joint" cx={drawn.arm.from.x} cy={drawn.arm.from.y} r="3.5" />
		<circle class="joint" cx={drawn.arm.to.x} cy={drawn.arm.to.y} r="3.5" />
	{/if}
	<g transform={drawn.matrix ?? undefined}>
		<PartGlyph part={standing.part} view={drawn.view} {pxPerM} {chosen} extended={standing.attitude.extended} />
	</g>
</g>

<style>
	.arm {
		stroke: var(--ink);
		stroke-width: 4;
		stroke-linecap: round;
	}
	.joint {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
</style>
