<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { HeadFigures, Reach } from '$lib/model/head';
	import { panPoint, reachPath, tiltPoint } from './headReach';

	/** How far a head turns: pan from above, tilt from its right side, each as far as its figures say. */
	interface Props {
		head: Pick<HeadFigures, 'pan' | 'tilt'>;
		/** Of one dial, in dots. */
		size: number;
	}
	let { head, size }: Props = $props();
	const half = $derived(size / 2);
	const radius = $derived(half * 0.62);
	const whole = (rad: number) => Math.round(Math.abs(degFromRad(rad)));
	const ends = ([from, to]: Reach, low: string, high: string) => {
		const words = [...(from < 0 ? [`${whole(from)}° ${low}`] : []), ...(to > 0 ? [`${whole(to)}° ${high}`] : [])];
		return words.length === 0 ? '0°' : words.join(', ');
	};
	const dials = $derived([
		{
			key: 'pan',
			words: `pan ${ends(head.pan.range, 'right', 'left')}`,
			path: reachPath(head.pan.range, panPoint, radius, size * 0.05),
			ends: head.pan.range.map((rad) => panPoint(rad, radius)),
			ahead: panPoint(0, half * 0.86)
		},
		{
			key: 'tilt',
			words: `tilt ${ends(head.tilt.range, 'down', 'up')}`,
			path: reachPath(head.tilt.range, tiltPoint, radius, size * 0.05),
			ends: head.tilt.range.map((rad) => tiltPoint(rad, radius)),
			ahead: tiltPoint(0, half * 0.86)
		}
	]);
	/** The camera's box, seen from above or from the side. */
	const body = $derived({ long: size * 0.26, wide: size * 0.15, lens: size * 0.1 });
</script>

<div class="dials">
	{#each dials as { key, words, path, ends: stops, ahead } (key)}
		<figure>
			<svg viewBox="{-half} {-half} {size} {size}" width={size} height={size} aria-hidden="true">
				<circle class="round" r={radius} />
				<path class="ahead" d="M0 0L{ahead.x} {ahead.y}" />
				{#each stops as { x, y }, k (k)}<path class="stop" d="M{x * 0.86} {y * 0.86}L{x * 1.14} {y * 1.14}" />{/each}
				<path class="reach" d={path} />
				<g transform={key === 'pan' ? 'rotate(-90)' : undefined}>
					<rect class="body" x={-body.long / 2} y={-body.wide / 2} width={body.long} height={body.wide} />
					<rect class="body" x={body.long / 2} y={-body.lens / 2} width={body.lens} height={body.lens} />
				</g>
			</svg>
			<figcaption>{words}</figcaption>
		</figure>
	{/each}
</div>

<style>
	.dials {
		display: flex;
		flex-wrap: wrap;
		gap: 0 20px;
	}
	figure {
		display: grid;
		justify-items: center;
	}
	figcaption {
		font-size: 14px;
		color: var(--quiet);
	}
	.round {
		fill: var(--panel);
		stroke: var(--rule);
		stroke-width: 1.2;
	}
	.ahead {
		stroke: var(--quiet);
		stroke-width: 1;
		stroke-dasharray: 2 4;
	}
	.stop {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.reach {
		fill: none;
		stroke: var(--press);
		stroke-width: 3;
		stroke-linecap: round;
	}
	.body {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
</style>
