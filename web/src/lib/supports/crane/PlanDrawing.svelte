<script lang="ts">
	import { degFromRad, kgFromWeight } from '@poise/core';
	import type { stabilityRose } from '@poise/core';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import { pxPerMetreFullSize, ratios } from '$lib/sheet/drawing/projection';
	import type { CraneGeometry, CraneSetting } from './model';
	import type { UnitSystem } from '$lib/model/person';
	import { showMass, together } from '$lib/sheet/units/display';
	import { leastReserve, warnReserve } from './figures';
	import { noseU } from './standing';

	/** The crane from above: its feet, the arm at its swing, and the reserve against tipping as a rose round it. */
	interface Props {
		geometry: CraneGeometry;
		setting: CraneSetting;
		rose: ReturnType<typeof stabilityRose>;
		/** Newtons on each foot. */
		loadsN: readonly number[];
		units: UnitSystem;
		width: number;
		height: number;
		onswing?: ((swingRad: number) => void) | undefined;
		onsettle?: (() => void) | undefined;
	}
	let {
		geometry,
		setting,
		rose,
		loadsN,
		units,
		width,
		height,
		onswing = undefined,
		onsettle = undefined
	}: Props = $props();

	const reach = $derived(noseU(geometry, setting));
	const feet = $derived(geometry.base.feetM);
	const spread = $derived(Math.max(...feet.map(([x, y]) => Math.hypot(x, y))));
	/** The rose stands on a scale of its own: its outermost ring is a reserve of 1. */
	const roseM = $derived(Math.max(spread * 1.5, 1));
	const px = $derived.by(() => {
		const fitting = Math.min(width, height) / (2 * Math.max(roseM * 1.2, spread * 1.6));
		const ratio = ratios.find((each) => pxPerMetreFullSize / each <= fitting) ?? 100;
		return pxPerMetreFullSize / ratio;
	});
	const middle = $derived({ x: width / 2, y: height / 2 });
	const at = (x: number, y: number) => `${middle.x + x * px} ${middle.y - y * px}`;
	const shape = $derived(
		`M${rose
			.map(({ swingRad, reserve }) => {
				const r = Math.max(0, Math.min(1, reserve)) * roseM;
				return at(r * Math.cos(swingRad), r * Math.sin(swingRad));
			})
			.join('L')}Z`
	);
	const ring = (share: number) => share * roseM * px;
	const outside = $derived(reach * px > Math.min(width, height) / 2 - 20);
	const armLength = $derived(outside ? Math.min(width, height) / 2 / px - 0.2 : reach);

	const pull = new Pull<'arm'>({
		pull: (_, { at: { x, y } }) => onswing?.(Math.atan2(middle.y - y, x - middle.x)),
		settle: () => onsettle?.()
	});
	function keys(event: KeyboardEvent) {
		const way = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
		if (way === 0 || onswing === undefined) return;
		event.preventDefault();
		onswing(setting.swingRad + way * (event.shiftKey ? 0.26 : 0.0436));
	}
	const end = $derived({
		x: middle.x + armLength * Math.cos(setting.swingRad) * px,
		y: middle.y - armLength * Math.sin(setting.swingRad) * px
	});
	const tail = $derived({
		x: middle.x - geometry.rear.lengthM * Math.cos(setting.swingRad) * px,
		y: middle.y + geometry.rear.lengthM * Math.sin(setting.swingRad) * px
	});
</script>

<Board {width} {height} label="Plan of the crane with its reserve against tipping">
	{#each [1, 0.5] as share (share)}<circle class="ring" cx={middle.x} cy={middle.y} r={ring(share)} />{/each}
	<circle class="warn" cx={middle.x} cy={middle.y} r={ring(warnReserve)} />
	<circle class="least" cx={middle.x} cy={middle.y} r={ring(leastReserve)} />
	<path class="rose" d={shape} data-testid="rose" />
	<path class="feet" d="M{feet.map(([x, y]) => at(x, y)).join('L')}Z" />
	{#each feet as [x, y], index (index)}
		<circle class="foot" cx={middle.x + x * px} cy={middle.y - y * px} r="7" />
		<text
			class="load"
			x={middle.x + x * px * 1.16}
			y={middle.y - y * px * 1.16 + (y < 0 ? 14 : -6)}
			text-anchor={x < -0.1 ? 'end' : x > 0.1 ? 'start' : 'middle'}
			>{(loadsN[index] ?? 0) <= 0 ? 'lifts' : together(showMass(kgFromWeight(loadsN[index] ?? 0), units))}</text
		>
	{/each}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<g
		class="arm"
		class:still={onswing === undefined}
		role={onswing === undefined ? 'img' : 'slider'}
		tabindex={onswing === undefined ? undefined : 0}
		aria-label="Arm, swing {degFromRad(setting.swingRad).toFixed(0)} degrees"
		aria-valuenow={onswing === undefined ? undefined : Math.round(degFromRad(setting.swingRad))}
		aria-valuemin={onswing === undefined ? undefined : -180}
		aria-valuemax={onswing === undefined ? undefined : 180}
		data-testid="swing"
		{@attach pull.hold(() => (onswing === undefined ? null : 'arm'))}
		onkeydown={keys}
		onkeyup={() => onsettle?.()}
	>
		<path class="touch" d="M{tail.x} {tail.y}L{end.x} {end.y}" />
		<path class="tube" d="M{tail.x} {tail.y}L{end.x} {end.y}" />
		<circle class="end" cx={end.x} cy={end.y} r="9" />
		<rect class="weights" x={tail.x - 8} y={tail.y - 8} width="16" height="16" />
	</g>
	<circle class="pivot" cx={middle.x} cy={middle.y} r="6" />
	<text class="note" x={middle.x + ring(1) * 0.72} y={middle.y - ring(1) * 0.72}>reserve 1</text>
	<text class="note" x="14" y={height - 12}>{outside ? 'the arm reaches past this sheet' : ''}</text>
</Board>

<style>
	.ring {
		fill: none;
		stroke: var(--rule);
	}
	.warn {
		fill: none;
		stroke: var(--clay);
		stroke-dasharray: 5 4;
		opacity: 0.7;
	}
	.least {
		fill: var(--clay-wash);
		stroke: var(--clay);
	}
	.rose {
		fill: var(--spirit);
		fill-opacity: 0.35;
		stroke: var(--spirit-line);
		stroke-width: 1.4;
	}
	.feet {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
		stroke-dasharray: 2 3;
	}
	.foot {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.8;
	}
	.tube {
		stroke: var(--ink);
		stroke-width: 7;
		stroke-linecap: round;
	}
	.touch {
		stroke: transparent;
		stroke-width: 36;
	}
	.end,
	.pivot {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.weights {
		fill: url(#hatch);
		stroke: var(--ink);
	}
	.arm {
		cursor: grab;
		touch-action: none;
	}
	.arm.still {
		cursor: default;
	}
	.arm:focus {
		outline: none;
	}
	.arm:focus-visible .end {
		stroke-width: 5;
	}
	.load {
		font-size: 13px;
		font-weight: 700;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.note {
		font-size: 12.5px;
		fill: var(--quiet);
	}
</style>
