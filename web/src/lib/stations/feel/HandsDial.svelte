<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { TurningAxis } from '$lib/model/turning';
	import { dialAt, dialView } from './dial';

	/** Hand and camera as two hands of one dial: from above for pan, from the side for tilt, from behind for roll. */
	interface Props {
		axis: TurningAxis;
		handRad: number;
		cameraRad: number;
		/** As it is set now, drawn thin; null: it is the one drawn bold. */
		nowRad: number | null;
		deadbandRad: number;
	}
	let { axis, handRad, cameraRad, nowRad, deadbandRad }: Props = $props();

	const [cx, cy, r] = [150, 152, 118];
	const at = (angle: number, far: number): readonly [number, number] => {
		const [right, up] = dialAt(axis, angle);
		return [cx + far * right, cy - far * up];
	};
	const point = (angle: number, far: number) => at(angle, far).join(' ');
	const wedge = $derived(
		`M${cx} ${cy} L${[-1, -0.5, 0, 0.5, 1].map((share) => point(handRad + share * deadbandRad, r - 6)).join(' L')} Z`
	);
	const behind = $derived(handRad - cameraRad);
	const degrees = $derived(Math.abs(degFromRad(behind)));
	const arc = $derived(
		`M${Array.from({ length: 13 }, (_, k) => point(cameraRad + (behind * k) / 12, r * 0.62)).join(' L')}`
	);
	/** Between the hands, or beside them where they are too near to each other. */
	const label = $derived(
		degrees >= 24
			? at(cameraRad + behind / 2, r * 0.62 + 24)
			: at(cameraRad + behind / 2 + (axis === 'tilt' ? -0.55 : -0.7), r * 0.72)
	);
	const words = $derived(`${degrees < 9.75 ? degrees.toFixed(1) : degrees.toFixed(0)}° behind`);
	const named = (angle: number) => at(angle, r + 17);
</script>

<svg
	viewBox="0 0 300 290"
	role="img"
	aria-label="{dialView[axis]}: hand and camera, the camera {words}"
	data-testid="hands"
>
	<text class="view" x="4" y="16">{dialView[axis]}</text>
	{#each Array.from({ length: 36 }, (_, k) => k) as k (k)}
		{@const turn = (k * Math.PI) / 18}
		{@const [x1, y1] = at(turn, k % 3 === 0 ? r - 7 : r - 4)}
		{@const [x2, y2] = at(turn, r)}
		<line class="tick" {x1} {y1} {x2} {y2} />
	{/each}
	{#if deadbandRad > 0}<path class="wedge" d={wedge} />{/if}
	<line class="hand" x1={cx} y1={cy} x2={at(handRad, r)[0]} y2={at(handRad, r)[1]} />
	{#if nowRad !== null}
		<line class="now" x1={cx} y1={cy} x2={at(nowRad, r - 12)[0]} y2={at(nowRad, r - 12)[1]} />
	{/if}
	<line class="camera" x1={cx} y1={cy} x2={at(cameraRad, r)[0]} y2={at(cameraRad, r)[1]} />
	{#if degrees >= 1}
		<path class="behind" d={arc} />
		<text class="behind-words" x={label[0]} y={label[1]} text-anchor="middle" dominant-baseline="middle">{words}</text>
	{/if}
	<circle class="hub" {cx} {cy} r="13" />
	<text class="hand-words" x={named(handRad)[0]} y={named(handRad)[1]} text-anchor="middle" dominant-baseline="middle"
		>hand</text
	>
	{#if degrees >= 14}
		<text
			class="camera-words"
			x={named(cameraRad)[0]}
			y={named(cameraRad)[1]}
			text-anchor="middle"
			dominant-baseline="middle">camera</text
		>
	{/if}
</svg>

<style>
	svg {
		width: 100%;
		height: 100%;
		display: block;
		overflow: visible;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
	}
	.view {
		font-weight: 700;
	}
	.tick {
		stroke: var(--edge);
		stroke-width: 1;
	}
	.wedge {
		fill: var(--rule);
		stroke: var(--edge);
		stroke-width: 1;
	}
	.hand {
		stroke: var(--ink);
		stroke-width: 2.4;
		stroke-dasharray: 7 5;
	}
	.now {
		stroke: var(--quiet);
		stroke-width: 2;
	}
	.camera {
		stroke: var(--press);
		stroke-width: 5;
		stroke-linecap: round;
	}
	.hub {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2.4;
	}
	.behind {
		fill: none;
		stroke: var(--clay);
		stroke-width: 2.4;
	}
	.behind-words {
		fill: var(--clay);
		font-weight: 700;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 5px;
	}
	.camera-words {
		fill: var(--press);
		font-weight: 700;
	}
</style>
