<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { CraneGeometry, CraneSetting, CraneStanding } from './model';
	import type { UnitSystem } from '$lib/model/person';
	import type { PlanPoint, VenuePlan } from '$lib/model/venue';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import Handle from '$lib/sheet/drawing/Handle.svelte';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import { showDistance, together } from '$lib/sheet/units/display';
	import { boundsOfPlan, snapped } from '$lib/places/plan';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import { planBar, toPlan, toScreen, viewOf } from '$lib/places/view';
	import { untrack } from 'svelte';
	import type { VenueReach } from './inVenue';
	import { countedFrom } from './passKeys';

	/** A crane on a venue's plan: drag its base, swing its nose; the ring shows where it is clear. */
	interface Props {
		plan: VenuePlan;
		venueId: string;
		geometry: CraneGeometry;
		setting: CraneSetting;
		standing: CraneStanding;
		/** Furthest that anything of it reaches from the pivot. */
		reachM: number;
		keepOutM: number;
		found: VenueReach | null;
		units: UnitSystem;
		width: number;
		height: number;
		onplace: (at: PlanPoint) => void;
		onswing: (swingRad: number) => void;
		onsettle: () => void;
	}
	let {
		plan,
		venueId,
		geometry,
		setting,
		standing,
		reachM,
		keepOutM,
		found,
		units,
		width,
		height,
		onplace,
		onswing,
		onsettle
	}: Props = $props();

	/** The venue, and all that the crane may reach beyond it; laid out anew only when it is let go, so that nothing runs away under the hand. */
	function whole(): readonly [PlanPoint, PlanPoint] {
		const [[x0, y0], [x1, y1]] = boundsOfPlan(plan);
		const [x, y] = standing.atM;
		const near = keepOutM * 0.9;
		return [
			[Math.min(x0, x - near), Math.min(y0, y - near)],
			[Math.max(x1, x + near), Math.max(y1, y + near)]
		];
	}
	const pull = new Pull<'base' | 'nose'>({
		pull: (what, { at: { x, y } }) => {
			if (what === 'base') onplace(snapped(toPlan(view, width, height, x, y)));
			else onswing(countedFrom(Math.atan2(pivot.y - y, x - pivot.x) - standing.headingRad, 0));
		},
		settle: () => onsettle()
	});
	let bounds = $state.raw(untrack(whole));
	$effect(() => {
		if (pull.pulled === null) bounds = whole();
	});
	const view = $derived(viewOf(bounds, width, height));
	const at = (point: PlanPoint) => toScreen(view, width, height, point);
	const pivot = $derived(at(standing.atM));
	const px = $derived(view.pxPerM);
	const heading = $derived(standing.headingRad + setting.swingRad);
	const along = (far: number, angle: number) => ({
		x: pivot.x + far * px * Math.cos(angle),
		y: pivot.y - far * px * Math.sin(angle)
	});
	const nose = $derived(along(reachM * Math.cos(setting.boomRad), heading));
	const tail = $derived(along(-geometry.rear.lengthM * Math.cos(setting.boomRad), heading));
	const feet = $derived(
		geometry.base.feetM.map(([x, y]) => {
			const [cos, sin] = [Math.cos(standing.headingRad), Math.sin(standing.headingRad)];
			return at([standing.atM[0] + x * cos - y * sin, standing.atM[1] + x * sin + y * cos]);
		})
	);
	function sector(fromRad: number, toRad: number): string {
		const [a, b] = [along(reachM, standing.headingRad + fromRad), along(reachM, standing.headingRad + toRad)];
		const large = toRad - fromRad > Math.PI ? 1 : 0;
		const r = reachM * px;
		return `M${pivot.x} ${pivot.y}L${a.x} ${a.y}A${r} ${r} 0 ${large} 0 ${b.x} ${b.y}Z`;
	}
	/** Neighbours alike are one sector, or the seams show. */
	const sectors = $derived.by(() => {
		const runs: { fromRad: number; toRad: number; kind: 'clear' | 'some' | 'none' }[] = [];
		for (const { fromRad, toRad, share } of found?.shares ?? []) {
			const kind = share === 1 ? 'clear' : share === 0 ? 'none' : 'some';
			const last = runs[runs.length - 1];
			// A whole turn has no sector: its ends are the same point.
			if (last?.kind === kind && toRad - last.fromRad < 6) last.toRad = toRad;
			else runs.push({ fromRad, toRad, kind });
		}
		return runs;
	});

	function keysBase(event: KeyboardEvent) {
		const way = arrowStep(event, 0.1, 1);
		if (way === null) return;
		event.preventDefault();
		onplace([standing.atM[0] + way[0], standing.atM[1] + way[1]]);
	}
	function keysNose(event: KeyboardEvent) {
		const way = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
		if (way === 0) return;
		event.preventDefault();
		onswing(setting.swingRad + way * (event.shiftKey ? 0.26 : 0.0436));
	}
	const worst = $derived(found?.findings.find(({ distanceM, wantedM }) => distanceM < wantedM) ?? null);
	const worstNose = $derived(
		worst === null ? null : along(reachM * Math.cos(worst.boomRad), standing.headingRad + worst.swingRad)
	);
	const bar = $derived(planBar(px, 120, units));
</script>

<Board {width} {height} label="The crane on the venue’s plan">
	<PlanLayer nameless={px < 9} {plan} {venueId} {view} {width} {height} />
	{#each sectors as { fromRad, toRad, kind } (fromRad)}<path class="sector {kind}" d={sector(fromRad, toRad)} />{/each}
	<circle class="keep" cx={pivot.x} cy={pivot.y} r={keepOutM * px} />
	<text class="note" x={pivot.x} y={pivot.y - keepOutM * px + 16} text-anchor="middle"
		>nobody within {together(showDistance(keepOutM, units))}</text
	>
	{#if worstNose !== null}<path class="worst" d="M{pivot.x} {pivot.y}L{worstNose.x} {worstNose.y}" />{/if}
	<path class="feet" d="M{feet.map(({ x, y }) => `${x} ${y}`).join('L')}Z" />
	<path class="tube" d="M{tail.x} {tail.y}L{nose.x} {nose.y}" />
	<rect class="weights" x={tail.x - 7} y={tail.y - 7} width="14" height="14" />
	<Handle
		x={nose.x}
		y={nose.y}
		r={9}
		label="Swing {degFromRad(setting.swingRad).toFixed(0)} degrees"
		testId="venue-nose"
		slider={{ now: Math.round(degFromRad(setting.swingRad)), least: -180, most: 180 }}
		hold={pull.hold(() => 'nose')}
		onkeydown={keysNose}
		{onsettle}
	/>
	<Handle
		x={pivot.x}
		y={pivot.y}
		label="Base of the crane at {together(showDistance(standing.atM[0], units))} across, {together(
			showDistance(standing.atM[1], units)
		)} up the sheet; arrows move it"
		testId="venue-base"
		hold={pull.hold(() => 'base')}
		onkeydown={keysBase}
		{onsettle}
	/>
	<path class="cross" d="M{pivot.x - 5} {pivot.y}H{pivot.x + 5}M{pivot.x} {pivot.y - 5}V{pivot.y + 5}" />
	<ScaleBar x={20} y={height - 16} px={bar.lengthM * px} words={bar.words} thick={0.2} />
</Board>

<style>
	.sector {
		stroke: none;
	}
	.clear {
		fill: var(--spirit);
		fill-opacity: 0.34;
	}
	.some {
		fill: var(--spirit);
		fill-opacity: 0.12;
	}
	.none {
		fill: var(--clay);
		fill-opacity: 0.2;
	}
	.keep {
		fill: none;
		stroke: var(--clay);
		stroke-width: 1.4;
		stroke-dasharray: 8 5;
	}
	.worst {
		stroke: var(--clay);
		stroke-width: 3;
		stroke-dasharray: 3 5;
	}
	.feet {
		fill: var(--panel);
		fill-opacity: 0.7;
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.tube {
		stroke: var(--ink);
		stroke-width: 6;
		stroke-linecap: round;
	}
	.weights {
		fill: url(#hatch);
		stroke: var(--ink);
	}
	.cross {
		pointer-events: none;
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.note {
		font-size: 12.5px;
		fill: var(--clay);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
</style>
