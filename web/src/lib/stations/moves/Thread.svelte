<script lang="ts">
	/* eslint-disable max-lines -- one drawing: time, its knots, and under them how near each axis runs to what it can do. */
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { movedInTime, without } from './knots';
	import type { MoveBench } from './moveBench.svelte';
	import type { Axis } from './model';
	import { pictureSign } from './supports/stance';
	import { percent, placeWords, rateWords, seconds } from './words';

	/** Time as a thread with knots, a knot a key; the plumb line marks the moment. */
	interface Props {
		bench: MoveBench;
		width: number;
		playing: 1 | -1 | 0;
		onplay: (way: 1 | -1 | 0) => void;
	}
	let { bench, width, playing, onplay }: Props = $props();
	const move = $derived(bench.move);
	const [left, right, threadY, ticksY, bandsY, bandTall] = [68, 70, 40, 80, 92, 33];
	const startS = $derived(Math.min(0, move.knots[0]?.tS ?? 0));
	const endS = $derived.by(() => {
		const last = move.knots[move.knots.length - 1];
		return Math.max(startS + 1, last === undefined ? 1 : last.tS + last.dwellS);
	});
	/** While a knot is pulled the scale stands still under the hand. */
	let heldEndS = $state<number | null>(null);
	const shownEndS = $derived(heldEndS ?? endS * 1.04);
	const x = (tS: number) => left + ((tS - startS) / (shownEndS - startS)) * (width - left - right);
	const timeAt = (px: number) => startS + ((px - left) / (width - left - right)) * (shownEndS - startS);
	const bands = $derived(bench.figures?.bands ?? []);
	const sign = $derived(pictureSign(bench.move.support));
	/** Where everything that moves stands at the moment looked at. */
	const places = $derived.by((): (readonly [Axis, string])[] => {
		const { now } = bench;
		if (now === null) return [];
		return bands
			.filter(({ axis }) => now[axis] !== undefined)
			.map(({ axis, words }) => [axis, `${words} ${placeWords(axis, now[axis]!, bench.units, sign)}`] as const);
	});
	const height = $derived(bandsY + Math.max(1, bands.length) * bandTall + 8);
	/** The thread hangs a little between its knots. */
	const hang = (k: number) => threadY + (k % 2 === 0 ? 0 : 7);
	const thread = $derived(
		move.knots
			.map((knot, k) => {
				const [ax, ay] = [x(knot.tS), hang(k)];
				const before = move.knots[k - 1];
				if (before === undefined) return `M${ax} ${ay}`;
				const [bx, by] = [x(before.tS + before.dwellS), hang(k - 1)];
				const middle = (ax + bx) / 2;
				return `M${bx} ${by}C${middle} ${by} ${middle} ${ay} ${ax} ${ay}`;
			})
			.join('')
	);
	const step = $derived(
		[0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600].find(
			(each) => (shownEndS - startS) / each <= Math.max(3, (width - left - right) / 56)
		) ?? 1800
	);
	const ticks = $derived(
		Array.from({ length: 14 }, (_, k) => Math.ceil(startS / step) * step + k * step).filter((tS) => tS <= shownEndS)
	);
	const area = (curve: readonly number[], k: number) => {
		const sampled = bench.figures!.sampled.atS;
		const foot = bandsY + (k + 1) * bandTall - 6;
		const tall = bandTall - 10;
		return `M${x(sampled[0]!)} ${foot}${curve
			.map((share, index) => `L${x(sampled[index]!).toFixed(1)} ${(foot - Math.min(1.25, share) * tall).toFixed(1)}`)
			.join('')}L${x(sampled[sampled.length - 1]!)} ${foot}Z`;
	};

	/** The name of the knot in hand, and those that have room beside it. */
	const named = (k: number) => {
		const here = move.knots[k]!;
		if (here.id === bench.chosenId) return true;
		const wide = here.name.length * 7;
		return move.knots.every((other, j) => {
			if (j === k || (j > k && other.id !== bench.chosenId)) return true;
			return Math.abs(x(other.tS) - x(here.tS)) > (wide + other.name.length * 7) / 2 + 6;
		});
	};

	const pullKnot = new Pull<string>({
		start: (id) => {
			heldEndS = shownEndS;
			bench.choose(id);
		},
		pull: (id, { at }) => {
			const next = movedInTime(move, id, Math.round(timeAt(at.x) * 20) / 20);
			bench.set(next, `time ${id}`);
			bench.choose(id);
		},
		settle: () => {
			heldEndS = null;
			bench.settle();
		}
	});
	const scrub = new Pull<'time'>({
		start: (_, at) => {
			onplay(0);
			bench.look(timeAt(at.x));
		},
		pull: (_, { at }) => bench.look(timeAt(at.x)),
		settle: () => {}
	});
	function keys(event: KeyboardEvent, id: string) {
		const knot = move.knots.find((each) => each.id === id)!;
		if (event.key === 'Delete' || event.key === 'Backspace') {
			event.preventDefault();
			bench.set(without(move, id));
			bench.settle();
			return;
		}
		if (event.key === 'Enter') {
			event.preventDefault();
			bench.choose(id);
			return;
		}
		const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
		if (by === 0) return;
		event.preventDefault();
		bench.set(movedInTime(move, id, knot.tS + by * (event.shiftKey ? 1 : 0.1)), `time ${id}`);
		bench.choose(id);
	}
	function scrubKeys(event: KeyboardEvent) {
		const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -10, PageDown: 10 }[event.key] ?? 0;
		if (event.key === 'Home') bench.look(startS);
		else if (event.key === 'End') bench.look(endS);
		else if (by !== 0) bench.look(bench.nowS + by * (event.shiftKey ? 1 : 0.1));
		else return;
		event.preventDefault();
	}
	function wheel(event: WheelEvent) {
		if (event.ctrlKey) return;
		event.preventDefault();
		bench.look(bench.nowS + Math.sign(event.deltaY + event.deltaX) * ((shownEndS - startS) / 80));
	}
	const knotPath = 'M0 -12C9 -12 12 -3 8 3C5 8 3 10 0 10C-3 10 -5 8 -8 3C-12 -3 -9 -12 0 -12Z';
</script>

<div class="thread">
	<div class="line">
		<strong>Thread</strong>
		<span class="now figure" data-testid="now">{seconds(bench.nowS)}</span>
		<span class="places figure" data-testid="places"
			>{#each places as [axis, words] (axis)}<span data-printed={axis === 'focalM' ? '' : undefined}>{words}</span
				>{/each}</span
		>
		<span class="plays">
			<Button
				class="play"
				aria-pressed={playing === -1}
				onclick={() => onplay(playing === -1 ? 0 : -1)}
				data-testid="play-back">◂ Backwards</Button
			>
			<Button class="play" aria-pressed={playing === 1} onclick={() => onplay(playing === 1 ? 0 : 1)} data-testid="play"
				>{playing === 1 ? 'Stop' : 'Play ▸'}</Button
			>
		</span>
	</div>
	<svg
		{width}
		{height}
		role="group"
		aria-label="Thread of the move, with a knot for each key"
		onwheel={wheel}
		data-testid="thread"
	>
		<g
			class="scrub"
			role="slider"
			tabindex="0"
			aria-label="Moment of the move"
			aria-valuemin={startS}
			aria-valuemax={Number(endS.toFixed(2))}
			aria-valuenow={Number(bench.nowS.toFixed(2))}
			aria-valuetext={seconds(bench.nowS)}
			data-testid="scrub"
			onkeydown={scrubKeys}
			{@attach scrub.hold(() => 'time')}
		>
			<rect class="ground" x={left - 12} y="0" width={Math.max(0, width - left - right + 24)} {height} />
		</g>
		<path class="string" d={thread} />
		{#each move.knots as knot, k (knot.id)}
			{#if knot.dwellS > 0}
				<path class="rest" d="M{x(knot.tS)} {hang(k)}H{x(knot.tS + knot.dwellS)}" />
				{#if x(knot.tS + knot.dwellS) - x(knot.tS) > 96}
					<text class="quiet" x={(x(knot.tS) + x(knot.tS + knot.dwellS)) / 2} y={hang(k) - 8} text-anchor="middle"
						>rests {seconds(knot.dwellS)}</text
					>
				{/if}
			{/if}
		{/each}
		{#each ticks as tS (tS)}
			<text class="tick" x={x(tS)} y={ticksY + 8} text-anchor="middle">{Number(tS.toFixed(1))} s</text>
		{/each}
		{#each bands as band, k (band.axis)}
			{@const foot = bandsY + (k + 1) * bandTall - 6}
			{@const over = band.share !== null && band.share > 1.000001}
			<line class="limit" x1={left} x2={width - right} y1={foot - bandTall + 10} y2={foot - bandTall + 10} />
			<path class="band" class:over class:near={!over && (band.share ?? 0) > 0.9} d={area(band.curve, k)} />
			<text x="8" y={foot - 4}>{band.words}</text>
			<text class="share figure" class:bad={over} x={width - 6} y={foot - 4} text-anchor="end" data-band={band.axis}
				>{band.share === null ? rateWords(band, bench.units) : percent(band.share)}</text
			>
		{:else}
			<text class="quiet" x={left} y={bandsY + 20}>Nothing moves yet.</text>
		{/each}
		<path class="plumb" d="M{x(bench.nowS)} 6V{height - 12}" />
		<path class="bob" d="M{x(bench.nowS) - 7} {height - 14}h14l-7 13z" />
		{#each move.knots as knot, k (knot.id)}
			<g
				class="knot"
				class:here={knot.id === bench.chosenId}
				transform="translate({x(knot.tS)} {hang(k)})"
				role="slider"
				tabindex="0"
				aria-label="Knot {knot.name}, at {seconds(knot.tS)}"
				aria-valuenow={Number(knot.tS.toFixed(2))}
				aria-valuemin="0"
				aria-valuemax={7200}
				data-testid="knot-{knot.id}"
				onkeydown={(event) => keys(event, knot.id)}
				onkeyup={bench.settle}
				{@attach pullKnot.hold(() => knot.id)}
			>
				<circle r="22" class="room" />
				<path d={knotPath} />
				{#if named(k)}<text y={k % 2 === 0 ? 26 : 22} text-anchor="middle">{knot.name}</text>{/if}
			</g>
		{/each}
	</svg>
</div>

<style>
	.thread {
		padding: 4px 0 0;
	}
	.line {
		display: flex;
		align-items: center;
		gap: 14px;
		padding: 0 12px 0 18px;
		min-height: 44px;
		font-size: 15px;
	}
	.now,
	.plays > :global(.play) {
		white-space: nowrap;
	}
	.now {
		color: var(--clay);
		font-weight: 700;
	}
	.places {
		display: flex;
		flex-wrap: wrap;
		gap: 0 12px;
		font-size: 13px;
		color: var(--quiet);
	}
	.plays {
		margin-left: auto;
		display: flex;
		gap: 6px;
	}
	.plays > :global(.play) {
		min-height: 44px;
		padding: 0 12px;
		color: var(--press);
		font-size: 15px;
	}
	.plays > :global(.play[aria-pressed='true']) {
		font-weight: 700;
		text-decoration: underline;
	}
	svg {
		display: block;
		user-select: none;
		-webkit-user-select: none;
	}
	.ground {
		fill: transparent;
	}
	.scrub {
		cursor: ew-resize;
		touch-action: pan-y;
	}
	.scrub:focus {
		outline: none;
	}
	.scrub:focus-visible .ground {
		stroke: var(--press);
		stroke-width: 2;
	}
	.string {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
		pointer-events: none;
	}
	.rest {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
		stroke-dasharray: 1.5 4;
		pointer-events: none;
	}
	.knot {
		cursor: ew-resize;
		touch-action: none;
	}
	.knot:focus {
		outline: none;
	}
	.knot path {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.8;
	}
	.knot.here path {
		fill: var(--spirit);
	}
	.knot:focus-visible path {
		stroke-width: 4;
		stroke: var(--press);
	}
	.knot .room {
		fill: transparent;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
		pointer-events: none;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 3px;
	}
	.tick {
		font-family: var(--font-mono);
		font-size: 12px;
		fill: var(--quiet);
	}
	text.quiet {
		fill: var(--quiet);
	}
	.limit {
		stroke: var(--edge);
		stroke-dasharray: 3 4;
		pointer-events: none;
	}
	.band {
		fill: color-mix(in srgb, var(--spirit) 60%, transparent);
		stroke: var(--ink);
		stroke-width: 1;
		pointer-events: none;
	}
	.band.near {
		fill: var(--spirit);
	}
	.band.over {
		fill: color-mix(in srgb, var(--clay) 60%, transparent);
	}
	.share.bad {
		fill: var(--clay);
		font-weight: 700;
	}
	.plumb {
		stroke: var(--clay);
		stroke-width: 1.8;
		fill: none;
		pointer-events: none;
	}
	.bob {
		fill: var(--clay);
		pointer-events: none;
	}
</style>
