<script lang="ts">
	import { radFromDeg } from '@poise/core';
	import type { LivePlace } from '$lib/model/liveHead';
	import type { Venue } from '$lib/model/venue';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import { type PlanView, toPlan, toScreen, viewOf } from '$lib/places/view';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';

	/** Where one head stands and looks, on its venue's plan: both are pulled, or pushed with the arrows. */
	interface Props {
		place: LivePlace;
		venue: Venue | null;
		/** How far it goes along its rail; null: it is on none, or has not been heard. */
		railM: readonly [number, number] | null;
		onput: (next: Partial<LivePlace>, about: string) => void;
		onsettle: () => void;
		/** Nobody moves a place past its limits. */
		within: (metres: number) => number;
	}
	let { place, venue, railM, onput, onsettle, within }: Props = $props();
	let width = $state(0);
	const height = 300;
	const handlePx = 64;
	const [stepM, longerM, stepRad, longerRad] = [0.1, 1, radFromDeg(1), radFromDeg(15)];
	const plan = $derived(venue?.plan ?? { ceilingM: null, shapes: [], underlay: null });
	const rail = $derived(
		railM === null || place.stands !== 'rail'
			? null
			: railM.map((u): readonly [number, number] => [
					place.atM[0] + u * Math.cos(place.headingRad),
					place.atM[1] + u * Math.sin(place.headingRad)
				])
	);
	// The drawing stands still while a hand has it.
	let held = $state.raw<PlanView | null>(null);
	const view = $derived.by((): PlanView => {
		if (held !== null) return held;
		const points = [
			...plan.shapes.flatMap(({ pointsM }) => pointsM),
			[place.atM[0], place.atM[1]] as const,
			...(rail ?? [])
		];
		const of = (k: 0 | 1) => points.map((point) => point[k]);
		return viewOf(
			[
				[Math.min(...of(0)) - 1, Math.min(...of(1)) - 1],
				[Math.max(...of(0)) + 1, Math.max(...of(1)) + 1]
			],
			width,
			height
		);
	});
	const spot = $derived(toScreen(view, width, height, [place.atM[0], place.atM[1]]));
	const looks = $derived({
		x: spot.x + handlePx * Math.cos(place.headingRad),
		y: spot.y - handlePx * Math.sin(place.headingRad)
	});
	const turnWords = $derived(
		place.stands === 'rail'
			? 'the way the rail runs'
			: place.stands === 'arm'
				? 'where swing 0 points'
				: 'where pan 0 looks'
	);
	const pull = new Pull<'spot' | 'turn'>({
		start: () => (held = view),
		pull: (what, { at: { x, y } }) => {
			if (what === 'turn') onput({ headingRad: Math.atan2(spot.y - y, x - spot.x) }, 'heading');
			else {
				const [a, b] = toPlan(view, width, height, x, y);
				move(a, b);
			}
		},
		settle: () => {
			held = null;
			onsettle();
		}
	});
	function move(x: number, y: number) {
		const to = (metres: number) => within(Math.round(metres * 100) / 100);
		onput({ atM: [to(x), to(y), place.atM[2]] }, 'at');
	}
	function nudge(event: KeyboardEvent) {
		const step = arrowStep(event, stepM, longerM);
		if (step === null) return;
		event.preventDefault();
		move(place.atM[0] + step[0], place.atM[1] + step[1]);
		onsettle();
	}
	function turn(event: KeyboardEvent) {
		const step = arrowStep(event, stepRad, longerRad);
		if (step === null) return;
		event.preventDefault();
		const to = place.headingRad - step[0] + step[1];
		onput({ headingRad: Math.atan2(Math.sin(to), Math.cos(to)) }, 'heading');
		onsettle();
	}
</script>

<p class="quiet">Pull the ring to where it stands, the small one to {turnWords}.</p>
<div class="plan" bind:clientWidth={width}>
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="group"
		aria-label="Plan with this head"
		data-testid="head-plan"
	>
		<PlanLayer {plan} venueId={venue?.id ?? null} {view} {width} {height} />
		{#if rail !== null}
			{@const [from, to] = rail.map((end) => toScreen(view, width, height, [...end]))}
			<path class="rail" d="M{from!.x} {from!.y}L{to!.x} {to!.y}" data-testid="head-rail" />
		{/if}
		<path class="looks" d="M{spot.x} {spot.y}L{looks.x} {looks.y}" />
		<g
			class="handle"
			role="button"
			tabindex="0"
			aria-label="Where it stands; arrows move it"
			transform="translate({spot.x} {spot.y})"
			onkeydown={nudge}
			data-testid="head-spot"
			{@attach pull.hold(() => 'spot')}
		>
			<circle class="touch" r="24" />
			<circle r="13" />
		</g>
		<g
			class="handle"
			role="button"
			tabindex="0"
			aria-label="{turnWords}; arrows turn it"
			transform="translate({looks.x} {looks.y})"
			onkeydown={turn}
			data-testid="head-turn"
			{@attach pull.hold(() => 'turn')}
		>
			<circle class="touch" r="24" />
			<circle r="8" />
		</g>
	</svg>
</div>

<style>
	.plan {
		border: 1px solid var(--rule);
		border-radius: 6px;
		overflow: hidden;
		max-width: 880px;
	}
	svg {
		display: block;
		touch-action: none;
	}
	.looks {
		stroke: var(--press);
		stroke-width: 3;
	}
	.rail {
		stroke: var(--ink);
		stroke-width: 5;
	}
	.handle {
		cursor: grab;
	}
	.handle:focus-visible {
		outline: none;
	}
	.handle circle {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 3;
	}
	.handle:focus-visible circle:not(.touch) {
		stroke-width: 6;
	}
	.handle .touch {
		fill: transparent;
		stroke: none;
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
</style>
