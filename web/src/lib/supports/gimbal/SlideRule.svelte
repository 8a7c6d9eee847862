<script lang="ts">
	import type { Pull } from '$lib/sheet/drawing/pull.svelte';
	import { mFromMm, mmFromM, positionAt, readingAt } from '@poise/core';
	import type { RigSlide } from './model';
	import type { Hunt } from './looks';
	import { printedReading } from '$lib/sheet/units/printed';

	/** A slide as a rule, to the drawing's scale: the open mark is where it stands, the full one where it belongs. */
	interface Props {
		slide: RigSlide;
		/** Page position of the slide's 0, px, and whether the rule runs along the page or up it. */
		at: { x: number; y: number };
		upright?: boolean;
		pxPerM: number;
		positionM: number;
		targetM: number | null;
		active: boolean;
		/** The search for the middle of its holding band, if one is on. */
		hunt?: Hunt | null;
		onread?: ((positionM: number) => void) | undefined;
		onsettle?: (() => void) | undefined;
		/** Given where the mark can be pulled: a page that only shows it need not load what pulling takes. */
		pulls?: typeof Pull | undefined;
	}
	let {
		slide,
		at,
		upright = false,
		pxPerM,
		positionM,
		targetM,
		active,
		hunt = null,
		onread,
		onsettle,
		pulls
	}: Props = $props();

	const direction = $derived(upright ? -1 : 1);
	const along = (metres: number) => direction * metres * pxPerM;
	/** Ticks fall on round readings, every 5 mm, longer every 10, figured where there is room. */
	const ticks = $derived.by(() => {
		const [a, b] = slide.rangeM.map((end) => mmFromM(readingAt(slide, end))) as [number, number];
		const [low, high] = [Math.min(a, b), Math.max(a, b)];
		const stepMm = pxPerM * 0.005 >= 3.5 ? 5 : 10;
		const list: { offset: number; long: boolean; mm: number }[] = [];
		for (let mm = Math.ceil(low / stepMm) * stepMm; mm <= high + 1e-6; mm += stepMm)
			list.push({ offset: along(positionAt(slide, mFromMm(mm))), long: mm % (stepMm * 2) === 0, mm });
		return list;
	});
	const figured = $derived([ticks[0], ticks[ticks.length - 1]].filter((tick) => tick !== undefined));

	const clamp = (value: number) => Math.min(slide.rangeM[1], Math.max(slide.rangeM[0], value));

	/** Held by the mark: from where it stood. */
	// svelte-ignore state_referenced_locally
	const pull =
		pulls &&
		new pulls<{ readonly fromM: number }>({
			pull: ({ fromM }, { by }) => {
				const moved = fromM + (direction * (upright ? by.y : by.x)) / pxPerM;
				const reading = Math.round(mmFromM(readingAt(slide, moved)) * 2) / 2000;
				onread?.(clamp(positionAt(slide, reading)));
			},
			settle: () => onsettle?.()
		});
	function keys(event: KeyboardEvent) {
		const sign = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
		if (sign === undefined) return;
		event.preventDefault();
		onread?.(clamp(positionM + sign * (event.shiftKey ? 0.01 : 0.001)));
	}
	const mark = (offset: number) => (upright ? `M-3 ${offset}l-13 -7v14z` : `M${offset} -3l-7 -13h14z`);
</script>

<g class="rule" class:active transform="translate({at.x} {at.y})">
	<path
		class="scale"
		d={upright
			? `M0 ${along(slide.rangeM[0])}V${along(slide.rangeM[1])}`
			: `M${along(slide.rangeM[0])} 0H${along(slide.rangeM[1])}`}
	/>
	{#each ticks as { offset, long, mm } (mm)}
		<path class="scale" d={upright ? `M0 ${offset}h${long ? 9 : 5}` : `M${offset} 0v${long ? 9 : 5}`} />
	{/each}
	{#each figured as { offset, mm } (mm)}
		<text
			class="reading"
			x={upright ? 13 : offset}
			y={upright ? offset + 4 : 21}
			text-anchor={upright ? 'start' : 'middle'}>{mm}</text
		>
	{/each}
	<text
		class="label"
		x={upright ? 0 : along(slide.rangeM[0]) - 12}
		y={upright ? along(slide.rangeM[1]) - 18 : 5}
		text-anchor={upright ? 'middle' : 'end'}>{slide.label}</text
	>
	{#if hunt !== null}
		{@const [from, to] = hunt.nudge.bracketM.map(along) as [number, number]}
		<path class="bracket" d={upright ? `M6 ${from}h-6V${to}h6` : `M${from} 6v-6H${to}v6`} />
		{#each hunt.history as tried, index (index)}
			<circle
				class={tried.observation === 'holds' ? 'held' : 'fell'}
				cx={upright ? -1 : along(tried.positionM)}
				cy={upright ? along(tried.positionM) : -1}
				r="3.5"
			/>
		{/each}
	{/if}
	{#if targetM !== null}
		{#if Math.abs(targetM - positionM) * pxPerM > 3}
			<path
				class="way"
				d={upright ? `M-10 ${along(positionM)}V${along(targetM)}` : `M${along(positionM)} -10H${along(targetM)}`}
			/>
		{/if}
		<path class="target" d={mark(along(targetM))} />
	{/if}
	<g
		class="now"
		role="slider"
		tabindex={onread === undefined ? -1 : 0}
		aria-label="{slide.label}, where it stands"
		aria-orientation={upright ? 'vertical' : 'horizontal'}
		aria-valuemin={mmFromM(Math.min(...slide.rangeM.map((end) => readingAt(slide, end))))}
		aria-valuemax={mmFromM(Math.max(...slide.rangeM.map((end) => readingAt(slide, end))))}
		aria-valuenow={Number(printedReading(slide, positionM))}
		aria-valuetext="reading {printedReading(slide, positionM)} mm"
		data-rule={slide.id}
		{@attach pull?.hold(() => (onread === undefined ? null : { fromM: positionM }))}
		onkeydown={keys}
		onkeyup={() => onsettle?.()}
	>
		<rect
			class="reach"
			x={upright ? -26 : along(positionM) - 22}
			y={upright ? along(positionM) - 22 : -26}
			width="44"
			height="44"
		/>
		<path class="stand" d={mark(along(positionM))} />
	</g>
</g>

<style>
	.scale {
		stroke: var(--ink);
		stroke-width: 1;
	}
	.label {
		font-size: 14px;
		font-weight: 700;
		fill: var(--ink);
	}
	.reading {
		font-family: var(--font-mono);
		font-size: 12px;
		fill: var(--quiet);
	}
	.bracket {
		fill: none;
		stroke: var(--spirit);
		stroke-width: 5;
	}
	.held {
		fill: var(--spirit);
		stroke: var(--ink);
	}
	.fell {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.target {
		fill: var(--press);
		stroke: var(--ground);
		stroke-width: 1;
	}
	.way {
		stroke: var(--press);
		stroke-width: 2;
	}
	.stand {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.6;
		stroke-linejoin: round;
		fill-opacity: 0.75;
	}
	.now {
		cursor: grab;
		touch-action: none;
	}
	.reach {
		fill: transparent;
	}
	.now:focus {
		outline: none;
	}
	.now:focus-visible .reach {
		stroke: var(--press);
		stroke-width: 2;
	}
	.active .label {
		fill: var(--press);
		text-decoration: underline;
	}
</style>
