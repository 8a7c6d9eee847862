<script lang="ts">
	import Range from '$lib/sheet/fields/Range.svelte';
	import type { OwnScaleSheet } from './model';
	import { ownFigure } from './words';

	/** One tube from sag to buzz: marks where either begins, the bubble where it is set. */
	interface Props {
		label: string;
		scale: OwnScaleSheet;
		value: number;
		/** Below this it sags. */
		sagging: number;
		/** Above this its margin is used up. */
		best: number;
		/** From here it buzzes; null: not on this scale. */
		buzzing: number | null;
		onvalue: (value: number) => void;
		onsettle: () => void;
	}
	let { label, scale, value, sagging, best, buzzing, onvalue, onsettle }: Props = $props();
	const percent = (setting: number) => `${(100 * (setting - scale.least)) / (scale.most - scale.least)}%`;
	const words = $derived(
		value < sagging
			? 'it sags'
			: buzzing !== null && value >= buzzing
				? 'it buzzes'
				: value > best
					? 'near to buzzing'
					: 'between sag and buzz'
	);
</script>

<div class="tube" data-words={words}>
	<span class="soft" style:width={percent(sagging)}></span>
	<span
		class="near"
		style:left={percent(best)}
		style:right={buzzing === null ? '0' : `calc(100% - ${percent(buzzing)})`}
	></span>
	{#if buzzing !== null}
		<span class="buzz" style:left={percent(buzzing)}></span>
	{/if}
	<span class="mark" style:left={percent(sagging)}></span>
	<span class="mark" style:left={percent(best)}></span>
	<Range
		min={scale.least}
		max={scale.most}
		step={1}
		{value}
		aria-label="Stiffness of {label}, {scale.name}"
		aria-valuetext="{ownFigure(value)}: {words}"
		oninput={(event) => onvalue(Number(event.currentTarget.value))}
		onchange={onsettle}
		data-testid="stiffness-{label}"
	/>
</div>
<p class="ends"><span>sags</span><strong>{ownFigure(value)}: {words}, as reckoned</strong><span>buzzes</span></p>

<style>
	.tube {
		position: relative;
		height: 40px;
		border: 1.5px solid var(--spirit-line);
		border-radius: 999px;
		background: linear-gradient(var(--spirit-lit) 0 28%, var(--spirit) 28%);
		overflow: hidden;
	}
	.soft,
	.near,
	.buzz,
	.mark {
		position: absolute;
		top: 0;
		bottom: 0;
	}
	/* Drooping lines on the soft side, a tight zigzag on the stiff one: told apart without colour. */
	.soft {
		left: 0;
		background: repeating-linear-gradient(160deg, transparent 0 9px, var(--spirit-line) 9px 10px);
		opacity: 0.45;
	}
	.near {
		background: repeating-linear-gradient(90deg, transparent 0 7px, var(--spirit-line) 7px 8px);
		opacity: 0.35;
	}
	.buzz {
		right: 0;
		background: repeating-linear-gradient(90deg, transparent 0 2px, var(--spirit-line) 2px 3.4px);
		opacity: 0.7;
	}
	.mark {
		width: 1.5px;
		background: var(--spirit-line);
	}
	.tube > :global(input) {
		position: absolute;
		inset: -3px 0;
		width: 100%;
	}
	.tube > :global(input::-webkit-slider-runnable-track) {
		background: transparent;
		height: 26px;
	}
	.tube > :global(input::-webkit-slider-thumb) {
		clip-path: none;
		width: 48px;
		height: 26px;
		margin-top: 0;
		border-radius: 50%;
		border: 1.5px solid var(--spirit-line);
		background: var(--bubble);
	}
	.ends {
		display: flex;
		justify-content: space-between;
		font-size: 13px;
		color: var(--quiet);
	}
	.ends strong {
		color: var(--ink);
	}
</style>
