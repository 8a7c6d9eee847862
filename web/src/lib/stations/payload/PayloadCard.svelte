<script lang="ts">
	import { combineBodies } from '@poise/core';
	import CgMark from '$lib/sheet/drawing/CgMark.svelte';
	import StandingGlyph from '$lib/sheet/drawing/StandingGlyph.svelte';
	import { boundsOf, depth, layOut, onSheet, type ViewPlace } from '$lib/sheet/drawing/projection';
	import type { Part } from '$lib/model/part';
	import { bodyOf, cornersM, type Payload, standingParts } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import { showMass, together } from '$lib/sheet/units/display';

	let { payload, shelf, units }: { payload: Payload; shelf: ReadonlyMap<string, Part>; units: UnitSystem } = $props();

	const width = 320;
	const height = 176;
	const parts = $derived(standingParts(payload, shelf));
	const totals = $derived(combineBodies({ bodies: parts.map(bodyOf) }));
	const bounds = $derived(boundsOf(parts.flatMap((standing) => cornersM(standing))));
	const sheet = $derived(
		layOut(bounds, ['side'], width, height, { left: 24, right: 24, top: 20, bottom: 34, between: 0 })
	);
	const place = $derived(sheet.places[0] as ViewPlace);
	const ordered = $derived([...parts].sort((a, b) => depth(b.positionM, 'side') - depth(a.positionM, 'side')));
</script>

<a class="card" href="/payload/{payload.id}">
	<svg viewBox="0 0 {width} {height}" aria-hidden="true">
		{#each ordered as standing (standing.id)}
			<StandingGlyph
				{standing}
				view="side"
				pxPerM={sheet.pxPerM}
				at={onSheet(standing.positionM, place, sheet.pxPerM)}
			/>
		{/each}
		<CgMark at={onSheet(totals.cgM, place, sheet.pxPerM)} plumbToY={place.box.y + place.box.height + 24} radius={7} />
	</svg>
	<span class="name">{payload.name}</span>
	<span class="figures"
		><span class="figure">{together(showMass(totals.massKg, units))}</span>
		<span class="quiet"
			>{payload.placements.length} {payload.placements.length === 1 ? 'part' : 'parts'} · 1 : {sheet.ratio}</span
		></span
	>
</a>

<style>
	.card {
		height: 100%;
		align-content: start;
		display: grid;
		gap: 2px;
		background: var(--panel);
		border: 1px solid var(--rule);
		color: var(--ink);
		text-decoration: none;
		padding: 4px 18px 14px;
	}
	.card:hover {
		border-color: var(--press);
	}
	svg {
		width: 100%;
		height: auto;
	}
	.name {
		font-weight: 700;
		font-size: 18px;
	}
	.figures {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		font-size: 14px;
	}
	.figure {
		font-size: 18px;
	}
</style>
