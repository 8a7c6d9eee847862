<script lang="ts">
	import { degFromRad, type PassKey, type PassSample, radFromDeg } from '@poise/core';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import Handle from '$lib/sheet/drawing/Handle.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { Span } from './model';

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
	const pull = new Pull<number>({
		start: (index) => onchoose(index),
		pull: (index, { at }) => {
			const boom = most - ((at.y - top) / up) * (most - least);
			onkey(index, {
				share: Math.min(1, Math.max(0, (at.x - left) / across)),
				boomRad: Math.min(most, Math.max(least, radFromDeg(Math.round(degFromRad(boom)))))
			});
		},
		settle: () => onsettle()
	});
	function keysOn(event: KeyboardEvent, index: number) {
		const key = keys[index]!;
		const step = event.shiftKey ? 5 : 1;
		if (event.key === 'Delete' || event.key === 'Backspace') ondrop(index);
		else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
			const boom = key.boomRad + radFromDeg(event.key === 'ArrowUp' ? step : -step);
			onkey(index, { boomRad: Math.min(most, Math.max(least, boom)) });
		} else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
			onkey(index, { share: key.share + (event.key === 'ArrowRight' ? step : -step) * 0.01 });
		else return;
		event.preventDefault();
	}
	const marks = $derived([least, 0, most].filter((value) => value >= least && value <= most));
</script>

<Board {width} {height} label="Boom over the time of the pass">
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
		<Handle
			x={x(share)}
			y={y(boomRad)}
			chosen={index === chosen}
			label="Pose {index + 1}: {(share * durationS).toFixed(1)} s, boom {degFromRad(boomRad).toFixed(
				0
			)}°, swing {degFromRad(swingRad).toFixed(0)}°"
			testId="key-{index}"
			slider={{
				now: Math.round(degFromRad(boomRad)),
				least: Math.round(degFromRad(least)),
				most: Math.round(degFromRad(most))
			}}
			hold={pull.hold(() => index)}
			onfocus={() => onchoose(index)}
			onkeydown={(event) => keysOn(event, index)}
			{onsettle}
		/>
	{/each}
</Board>

<style>
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
</style>
