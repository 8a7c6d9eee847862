<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { UnitSystem } from '$lib/model/person';
	import { showLength } from '$lib/sheet/units/display';
	import './board.css';
	import { type Sheet, scaleBarM } from './projection';
	import ScaleBar from './ScaleBar.svelte';

	interface Props {
		width: number;
		height: number;
		sheet: Sheet;
		units: UnitSystem;
		label: string;
		names: Readonly<Record<'side' | 'top' | 'front', string>>;
		/** Where the scale bar and the projection sign stand. */
		barAt?: { x: number; y: number };
		children: Snippet;
		/** How far above its view a name stands, px. */
		nameLift?: number;
		/** Without names and scale bar. */
		bare?: boolean;
		element?: SVGSVGElement | undefined;
		onpointerdown?: (event: PointerEvent) => void;
	}
	let {
		nameLift = 14,
		width,
		height,
		sheet,
		units,
		label,
		names,
		barAt = undefined,
		children,
		bare = false,
		element = $bindable(),
		onpointerdown = undefined
	}: Props = $props();

	const uid = $props.id();
	const barM = $derived(scaleBarM(sheet.pxPerM, 60, units === 'imperial'));
	const bar = $derived(barAt ?? { x: 28, y: height - 16 });
</script>

<svg
	bind:this={element}
	class="board"
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="group"
	aria-label={label}
	{onpointerdown}
>
	<defs>
		<pattern id="grid-{uid}" width="20" height="20" patternUnits="userSpaceOnUse">
			<path d="M20 0H0V20" fill="none" stroke="var(--grid)" stroke-width="1" />
		</pattern>
	</defs>
	<rect {width} {height} fill="url(#grid-{uid})" />
	{#each bare ? [] : sheet.places as { view, box } (view)}
		<text
			class="name"
			x={Math.max(14, view === 'front' ? box.x - 4 : box.x - 40)}
			y={view === 'front' && sheet.places.length > 2 ? Math.max(16, box.y - 40) : box.y - nameLift}
		>
			{names[view]}
		</text>
	{/each}
	{@render children()}
	{#if !bare}
		<ScaleBar
			x={bar.x}
			y={bar.y}
			px={barM * sheet.pxPerM}
			words="{Number(showLength(barM, units).figure)} {showLength(barM, units).unit} · 1 : {sheet.ratio}"
		/>
	{/if}
</svg>

<style>
	.name {
		font-size: 14px;
		font-weight: 700;
		fill: var(--ink);
	}
</style>
