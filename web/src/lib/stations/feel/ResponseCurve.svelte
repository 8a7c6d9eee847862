<script lang="ts">
	import { degFromRad } from '@poise/core';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { Response } from './figures';
	import { isWalk } from './shots';

	/** Hand, camera as it is set and camera as tried, over time; the plumb line marks the moment that is looked at. */
	interface Props {
		aim: Response;
		now: Response | null;
		atS: number;
		ontime: (atS: number) => void;
	}
	let { aim, now, atS, ontime }: Props = $props();

	let [widthPx, heightPx] = $state([700, 220]);
	const [left, right, top, bottom] = [46, 14, 10, 26];
	const endS = $derived(aim.atS[aim.atS.length - 1] ?? 1);
	/** Turned so that the way the hand goes is up the page. */
	const sense = $derived(Math.sign(aim.handleRad[aim.handleRad.length - 1] ?? 1) || 1);
	const shown = $derived(aim.gesture === 'tiltDown' || isWalk(aim.gesture) ? 1 : sense);
	const all = $derived(
		[...aim.handleRad, ...aim.cameraRad, ...(now?.cameraRad ?? [])].map((each) => degFromRad(each) * shown)
	);
	/** Never less than six degrees: below that is a hand's own trembling. */
	const range = $derived.by(() => {
		const [low, high] = [Math.min(0, ...all), Math.max(0, ...all)];
		const short = Math.max(0, 6 - (high - low)) / 2;
		const room = Math.max(high - low, 6) * 0.06;
		return [low - short - room, high + short + room] as const;
	});
	const x = (t: number) => left + (t / endS) * (widthPx - left - right);
	const y = (degrees: number) => top + ((range[1] - degrees) / (range[1] - range[0])) * (heightPx - top - bottom);
	const line = (times: readonly number[], angles: readonly number[]) =>
		times
			.map((t, k) => `${k === 0 ? 'M' : 'L'}${x(t).toFixed(1)} ${y(degFromRad(angles[k]!) * shown).toFixed(1)}`)
			.join('');
	const step = $derived([1, 2, 5, 10, 15, 30, 45, 60].find((each) => (range[1] - range[0]) / each <= 5.5) ?? 90);
	const rules = $derived(
		Array.from({ length: 13 }, (_, k) => (Math.ceil(range[0] / step) + k) * step).filter((each) => each <= range[1])
	);
	/** A turn is counted from where it began, whichever way it goes; steps and a tilt have their sides. */
	const shownDegrees = (degrees: number) =>
		String(isWalk(aim.gesture) || aim.gesture === 'tiltDown' ? degrees : Math.abs(degrees)).replace('-', '−');
	const seconds = $derived(Array.from({ length: Math.floor(endS) + 1 }, (_, k) => k));

	const pull = new Pull<'time'>({
		start: () => {},
		pull: (_, { at }) => ontime(Math.min(endS, Math.max(0, ((at.x - left) / (widthPx - left - right)) * endS))),
		settle: () => {}
	});
</script>

<div class="curve" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
	<svg
		width={widthPx}
		height={heightPx}
		role="img"
		aria-label="Hand and camera over time"
		{@attach pull.hold(() => 'time')}
	>
		<rect class="ground" x="0" y="0" width={widthPx} height={heightPx} />
		{#each rules as degrees (degrees)}
			<line class="rule" x1={left} x2={widthPx - right} y1={y(degrees)} y2={y(degrees)} />
			<text x={left - 8} y={y(degrees) + 4} text-anchor="end">{shownDegrees(degrees)}°</text>
		{/each}
		{#each seconds as t (t)}
			<text x={x(t)} y={heightPx - 6} text-anchor="middle">{t} s</text>
		{/each}
		<path class="hand" d={line(aim.atS, aim.handleRad)} />
		{#if now !== null}<path class="now" d={line(now.atS, now.cameraRad)} />{/if}
		<path class="aim" d={line(aim.atS, aim.cameraRad)} />
		<path class="reference" d={line(aim.atS, aim.referenceRad)} />
		<line class="plumb" x1={x(atS)} x2={x(atS)} y1={top} y2={heightPx - bottom} />
	</svg>
</div>
<p class="key">
	<span><i class="hand"></i> hand</span><span><i class="reference"></i> where the motor wants it</span><span
		><i class="aim"></i> camera{now === null ? '' : ', tried'}</span
	>{#if now !== null}<span><i class="now"></i> camera, as it is set</span>{/if}
</p>

<style>
	.curve {
		flex: 1 1 150px;
		min-height: 130px;
		position: relative;
	}
	svg {
		position: absolute;
		inset: 0;
		cursor: ew-resize;
		touch-action: pan-y;
	}
	.ground {
		fill: transparent;
	}
	text {
		font-family: var(--font-mono);
		font-size: 12px;
		fill: var(--quiet);
	}
	.rule {
		stroke: var(--rule);
	}
	path {
		fill: none;
	}
	path.hand {
		stroke: var(--ink);
		stroke-width: 1.8;
		stroke-dasharray: 6 4;
	}
	path.reference {
		stroke: var(--clay);
		stroke-width: 1.4;
		stroke-dasharray: 2 3;
	}
	path.now {
		stroke: var(--quiet);
		stroke-width: 1.8;
	}
	path.aim {
		stroke: var(--press);
		stroke-width: 3.4;
	}
	.plumb {
		stroke: var(--clay);
		stroke-width: 1.4;
	}
	.key {
		display: flex;
		flex-wrap: wrap;
		gap: 0 18px;
		font-size: 13px;
		color: var(--quiet);
		padding-left: 46px;
	}
	.key span {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.key i {
		width: 24px;
		border-top: 3.4px solid var(--press);
	}
	.key i.hand {
		border-top: 1.8px dashed var(--ink);
	}
	.key i.reference {
		border-top: 1.4px dotted var(--clay);
	}
	.key i.now {
		border-top: 1.8px solid var(--quiet);
	}
</style>
