<script lang="ts">
	import { degFromRad, type PassKey, type PassSample } from '@poise/core';
	import type { Span } from '$lib/model/crane';

	/** The boom over the time of a pass; pull its poses along the time and up. */
	interface Props {
		samples: readonly PassSample[];
		keys: readonly PassKey[];
		durationS: number;
		boomRangeRad: Span;
		chosen: number;
		width: number;
		height: number;
		onchoose: (index: number) => void;
		onkey: (index: number, next: Partial<PassKey>) => void;
		ondrop: (index: number) => void;
		onsettle: () => void;
	}
	let { samples, keys, durationS, boomRangeRad, chosen, width, height, onchoose, onkey, ondrop, onsettle }: Props =
		$props();

	const [left, right, top, low] = [52, 18, 10, 22];
	const across = $derived(width - left - right);
	const up = $derived(height - top - low);
	const [least, most] = $derived(boomRangeRad);
	const x = (share: number) => left + share * across;
	const y = (boomRad: number) => top + ((most - boomRad) / (most - least)) * up;
	const curve = $derived(
		samples.length === 0 ? '' : `M${samples.map(({ atS, boomRad }) => `${x(atS / durationS)} ${y(boomRad)}`).join('L')}`
	);
	let svg = $state<SVGSVGElement>();
	let drag = $state<number | null>(null);
	function move(event: PointerEvent) {
		if (drag === null) return;
		const box = svg!.getBoundingClientRect();
		const boom = most - ((event.clientY - box.top - top) / up) * (most - least);
		onkey(drag, {
			share: Math.min(1, Math.max(0, (event.clientX - box.left - left) / across)),
			boomRad: Math.min(most, Math.max(least, Math.round(degFromRad(boom)) * (Math.PI / 180)))
		});
	}
	function letGo() {
		if (drag === null) return;
		drag = null;
		onsettle();
	}
	function keysOn(event: KeyboardEvent, index: number) {
		const key = keys[index]!;
		const step = event.shiftKey ? 5 : 1;
		if (event.key === 'Delete' || event.key === 'Backspace') ondrop(index);
		else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
			const boom = key.boomRad + (event.key === 'ArrowUp' ? step : -step) * (Math.PI / 180);
			onkey(index, { boomRad: Math.min(most, Math.max(least, boom)) });
		} else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
			onkey(index, { share: key.share + (event.key === 'ArrowRight' ? step : -step) * 0.01 });
		else return;
		event.preventDefault();
	}
	const marks = $derived([least, 0, most].filter((value) => value >= least && value <= most));
</script>

<svg
	bind:this={svg}
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="group"
	aria-label="Boom over the time of the pass"
	onpointermove={move}
	onpointerup={letGo}
	onpointercancel={letGo}
>
	<path class="axis" d="M{left} {top}V{top + up}H{left + across}" />
	{#each marks as value (value)}
		<path class="mark" d="M{left} {y(value)}H{left + across}" />
		<text x={left - 6} y={y(value) + 4} text-anchor="end">{degFromRad(value).toFixed(0)}°</text>
	{/each}
	<text x={left} y={height - 4}>0 s</text>
	<text x={left + across} y={height - 4} text-anchor="end">{durationS.toFixed(1)} s</text>
	<text x={left + across / 2} y={height - 4} text-anchor="middle">boom over time: pull the poses</text>
	<path class="curve" d={curve} />
	{#each keys as { share, swingRad, boomRad }, index (index)}
		<g
			class="key"
			class:chosen={index === chosen}
			role="slider"
			tabindex="0"
			aria-label="Pose {index + 1}: {(share * durationS).toFixed(1)} s, boom {degFromRad(boomRad).toFixed(
				0
			)}°, swing {degFromRad(swingRad).toFixed(0)}°"
			aria-valuenow={Math.round(degFromRad(boomRad))}
			aria-valuemin={Math.round(degFromRad(least))}
			aria-valuemax={Math.round(degFromRad(most))}
			data-testid="key-{index}"
			onpointerdown={(event) => {
				if (event.button !== 0) return;
				onchoose(index);
				drag = index;
				svg!.setPointerCapture(event.pointerId);
				event.preventDefault();
			}}
			onfocus={() => onchoose(index)}
			onkeydown={(event) => keysOn(event, index)}
			onkeyup={onsettle}
		>
			<circle class="touch" cx={x(share)} cy={y(boomRad)} r="20" />
			<circle class="dot" cx={x(share)} cy={y(boomRad)} r="8" />
		</g>
	{/each}
</svg>

<style>
	svg {
		display: block;
		touch-action: pan-y;
		user-select: none;
		-webkit-user-select: none;
	}
	.axis {
		fill: none;
		stroke: var(--ink);
	}
	.mark {
		stroke: var(--rule);
		stroke-dasharray: 4 4;
	}
	.curve {
		fill: none;
		stroke: var(--press);
		stroke-width: 2.4;
	}
	text {
		font-size: 12.5px;
		fill: var(--quiet);
	}
	.key {
		cursor: grab;
		touch-action: none;
	}
	.key:focus {
		outline: none;
	}
	.touch {
		fill: transparent;
	}
	.dot {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.chosen .dot {
		fill: var(--spirit);
	}
	.key:focus-visible .dot {
		stroke-width: 5;
	}
</style>
