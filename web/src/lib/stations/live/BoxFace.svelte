<script lang="ts">
	import { degFromRad } from '@poise/core';
	import type { StandIn } from '$lib/model/standIn';

	/** A small head, drawn from above and from the side, that moves as it moves. */
	interface Props {
		box: StandIn;
		/** As it says itself, oftener than it is looked at. */
		at: Readonly<Record<string, number>>;
	}
	let { box, at: said }: Props = $props();
	const at = (axis: string) => said[axis] ?? box.axes[axis]?.position ?? 0;
	const phases: Readonly<Record<string, string>> = {
		off: 'off',
		rest: 'rests',
		offered: 'is asked',
		armed: 'is held',
		stopping: 'brakes'
	};
	/** Read in two breaths. */
	const grouped = (code: string) => `${code.slice(0, 3)} ${code.slice(3)}`;
	const along = $derived.by(() => {
		const track = box.axes.trackM;
		return track === undefined ? 0 : ((at('trackM') - track.range[0]) / (track.range[1] - track.range[0]) - 0.5) * 120;
	});
</script>

<div class="face" class:off={!box.powered}>
	<svg
		viewBox="-150 -60 300 120"
		role="img"
		aria-label="{box.name}: pan {degFromRad(at('panRad')).toFixed(0)}°, tilt {degFromRad(at('tiltRad')).toFixed(0)}°"
	>
		<g transform="translate(-70 0)">
			{#if box.axes.trackM !== undefined}<path class="rail" d="M-66 34H66" />{/if}
			<g transform="translate({along} 0) rotate({-degFromRad(at('swingRad') + at('panRad')) - 90})">
				<rect x="-16" y="-13" width="34" height="26" rx="3" />
				<path d="M18 -7H32V7H18" />
			</g>
			<text x="0" y="56" text-anchor="middle">from above</text>
		</g>
		<g transform="translate(76 0)">
			<path class="stand" d="M0 6V42M-16 42H16" />
			<g transform="rotate({-degFromRad(at('tiltRad'))})">
				<rect x="-16" y="-13" width="34" height="26" rx="3" />
				<path d="M18 -7H32V7H18" />
			</g>
			<text x="0" y="56" text-anchor="middle">from the side</text>
		</g>
		<circle class="lamp" class:blinks={box.blinking} cx="0" cy="-40" r="9" data-testid="lamp" />
	</svg>
	<p>
		<strong>{box.name}</strong> <span class="quiet">{box.id}, {box.words}</span>
	</p>
	<p data-testid="box-state">
		{phases[box.phase] ?? box.phase}{box.recording ? ', records' : ''}{box.claimed
			? ''
			: ', is nobody’s'}{box.stoppedBy === null ? '' : `, stopped by ${box.stoppedBy}`}
	</p>
	<p class="code" role="status">
		{#if box.code !== null}It shows <strong data-testid="box-code">{grouped(box.code)}</strong>{/if}
	</p>
</div>

<style>
	.face.off {
		opacity: 0.55;
	}
	svg {
		width: 100%;
		background: var(--grid);
	}
	rect,
	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.rail {
		stroke-width: 4;
	}
	.lamp {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.lamp.blinks {
		fill: var(--clay);
		animation: blink 0.6s steps(2, jump-none) infinite;
	}
	@keyframes blink {
		from {
			fill: var(--clay);
		}
		to {
			fill: transparent;
		}
	}
	text {
		font-size: 12px;
		fill: var(--quiet);
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.code {
		min-height: 32px;
	}
	.code strong {
		font-family: var(--font-mono);
		font-size: 22px;
		letter-spacing: 0.08em;
	}
</style>
