<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import type { SledGeometry, SledSetting, WornSetup } from './model';
	import { showPlace, together } from '$lib/sheet/units/display';
	import type { Legs } from './carry';
	import { postLengthM } from './standing';

	/** The operator's leading leg beside the sweep of the sled, seen from the side, to scale. */
	interface Props {
		legs: Legs;
		stance: WornSetup['stance'];
		geometry: SledGeometry;
		setting: SledSetting;
		units: UnitSystem;
	}
	let { legs, stance, geometry, setting, units }: Props = $props();

	/** One metre on the page, px. */
	const m = 150;
	/** The gimbal stands over 0; the floor is at 0 with up negative. */
	const hipX = $derived(-stance.standOffM * m);
	const hipY = $derived(-stance.hipHeightM * m);
	const footX = $derived(hipX + (stance.strideM / 2) * m);
	const rearX = $derived(hipX - (stance.strideM / 2) * m);
	const postLow = $derived(-(stance.carryHeightM - setting.gimbalM) * m);
	const postHigh = $derived(postLow - postLengthM(geometry, setting.pulledOutM) * m);
	const cornerY = $derived(-legs.cornerHeightM * m);
	const r = $derived(legs.cornerRadiusM * m);
	const left = $derived(Math.min(rearX, hipX) - 34);
	const right = $derived(Math.max(r, 30) + 30);
	const top = $derived(Math.min(postHigh, hipY - 0.75 * m) - 14);
	const legX = $derived(hipX + (legs.legReachM - 0.09) * m);
</script>

<svg
	viewBox="{left} {top} {right - left} {-top + 22}"
	role="img"
	aria-label="The sled beside the operator’s leading leg"
>
	<path class="floor" d="M{left} 0H{right}" />
	<path class="leg" d="M{hipX} {hipY}L{rearX} 0M{hipX} {hipY}L{footX} 0" />
	<path class="body" d="M{hipX} {hipY}V{hipY - 0.52 * m}" />
	<circle class="head" cx={hipX} cy={hipY - 0.64 * m} r={0.1 * m} />
	<path class="centre" d="M0 {top + 4}V0" />
	<path class="post" d="M0 {postLow}V{postHigh}" />
	<circle class="gimbal" cx="0" cy={-stance.carryHeightM * m} r="6" />
	{#if legs.cornerIndex >= 0}
		<path class="sweep" d="M{-r} {cornerY - 6}v12M{r} {cornerY - 6}v12M{-r} {cornerY}H{r}" />
		<path class="gap" class:bad={legs.clearanceM < 0.03} d="M{-r} {cornerY}H{Math.min(-r, legX + 0.09 * m)}" />
		<text x={(-r + legX) / 2} y={cornerY - 10} text-anchor="middle" class:bad={legs.clearanceM < 0.03}
			>{legs.clearanceM < 0 ? 'strikes' : together(showPlace(legs.clearanceM, units))}</text
		>
	{/if}
</svg>

<style>
	svg {
		width: 100%;
		height: 270px;
	}
	.floor {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.leg,
	.body {
		stroke: var(--quiet);
		stroke-width: 26;
		stroke-linecap: round;
		stroke-opacity: 0.35;
		fill: none;
	}
	.body {
		stroke-width: 40;
	}
	.head {
		fill: var(--quiet);
		fill-opacity: 0.35;
	}
	.centre {
		stroke: var(--press);
		stroke-dasharray: 10 3 2 3;
		opacity: 0.6;
	}
	.post {
		stroke: var(--ink);
		stroke-width: 6;
	}
	.gimbal {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2.4;
	}
	.sweep {
		stroke: var(--press);
		stroke-width: 2;
	}
	.gap {
		stroke: var(--ink);
		stroke-width: 1.4;
		stroke-dasharray: 3 3;
	}
	text {
		font-size: 13px;
		font-weight: 700;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.bad {
		fill: var(--clay);
		stroke: var(--clay);
	}
	text.bad {
		stroke: var(--ground);
	}
</style>
