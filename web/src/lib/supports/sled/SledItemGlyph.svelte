<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { View } from '$lib/sheet/drawing/projection';
	import type { SledItem } from './model';

	/** One thing on the post, drawn about its middle: a hatched box, and the finer lines that tell what it is. */
	interface Props {
		item: SledItem;
		view: View;
		pxPerM: number;
		tiltRad: number;
		chosen?: boolean;
	}
	let { item, view, pxPerM, tiltRad, chosen = false }: Props = $props();

	const [x, y, z] = $derived(item.sizeM.map((edge) => edge * pxPerM) as [number, number, number]);
	const tall = $derived(Math.abs(z * Math.cos(tiltRad)) + Math.abs(x * Math.sin(tiltRad)));
	const deep = $derived(Math.abs(x * Math.cos(tiltRad)) + Math.abs(z * Math.sin(tiltRad)));
	const [width, height] = $derived(view === 'side' ? [x, z] : view === 'front' ? [y, tall] : [deep, y]);
	const turn = $derived(view === 'side' && tiltRad !== 0 ? `rotate(${degFromRad(-tiltRad)})` : undefined);
	const detail = $derived.by(() => {
		const [w, h] = [width / 2, height / 2];
		if (item.kind === 'monitor') {
			// Its screen looks back at the operator.
			if (view === 'side') return `M${-w + 2} ${-h + 2}V${h - 2}M${-w - 3} ${-h - 2}l3 2`;
			if (view === 'front') return `M${-w + 4} ${-h + 4}h${width - 8}v${height - 8}h${8 - width}z`;
			return `M${-w + 2} ${-h + 3}V${h - 3}`;
		}
		if (item.kind === 'battery') {
			if (view === 'top') return `M${-w + 3} 0h${width - 6}M0 ${-h + 3}v${height - 6}`;
			return `M${-w * 0.4} ${-h}v${-3}h${w * 0.8}v3M${-w * 0.5} ${-h * 0.4}h${w}M0 ${-h * 0.4 - w * 0.5}v${w}`;
		}
		if (item.kind === 'electronics') return `M${-w + 3} ${h - 4}h${width - 6}M${-w + 3} ${h - 7}h${width - 6}`;
		return '';
	});
</script>

<g transform={turn} class:chosen>
	{#if item.kind === 'cable'}
		<path
			class="cable"
			d={view === 'top'
				? 'M-3 0a3 3 0 1 0 6 0a3 3 0 1 0 -6 0'
				: `M0 ${height / 2}c${width} ${-height / 4} ${-width} ${(-height * 3) / 4} 0 ${-height}`}
		/>
	{:else}
		<rect class="shape" x={-width / 2} y={-height / 2} {width} {height} rx="1.5" />
		<path class="detail" d={detail} />
	{/if}
</g>

<style>
	.shape {
		fill: url(#hatch);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.detail {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.8;
		stroke-opacity: 0.7;
	}
	.cable {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-linecap: round;
		stroke-opacity: 0.75;
	}
	.chosen .shape {
		stroke: var(--press);
		stroke-width: 2.2;
		fill: url(#hatch-chosen);
	}
</style>
