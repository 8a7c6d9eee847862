<script lang="ts">
	import Range from '$lib/sheet/fields/Range.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { OwnScaleSheet, SettingName } from './model';
	import { settingWords } from './scales';
	import { ownFigure } from './words';

	/** One setting on the gimbal's own scale: dragged, nudged or typed. */
	interface Props {
		name: SettingName;
		scale: OwnScaleSheet;
		value: number;
		/** As it is set on the gimbal. */
		now: number;
		disabled?: boolean;
		onvalue: (value: number) => void;
		onsettle: () => void;
	}
	let { name, scale, value, now, disabled = false, onvalue, onsettle }: Props = $props();
	const words = $derived(settingWords[name]);
	const within = (figure: number) =>
		figure >= scale.least && figure <= scale.most
			? null
			: `Between ${ownFigure(scale.least)} and ${ownFigure(scale.most)} on this gimbal.`;
</script>

<div class="row" data-setting={name}>
	<span class="names"><strong>{words.name}</strong><small>“{scale.name}”</small></span>
	<span class="line">
		<Range
			min={scale.least}
			max={scale.most}
			step={1}
			{value}
			{disabled}
			aria-label="{words.name}, {scale.name}"
			oninput={(event) => onvalue(Number(event.currentTarget.value))}
			onchange={onsettle}
			data-testid="setting-{name}"
		/>
		<small class="ends"
			><span>{words.ends[0]}</span>{#if now !== value}<span class="was">set: {ownFigure(now)}</span>{/if}<span
				>{words.ends[1]}</span
			></small
		>
	</span>
	<QuantityField
		label={words.name}
		hideLabel
		quantity="count"
		units="metric"
		{value}
		{disabled}
		check={within}
		{onvalue}
		oncommit={onsettle}
		testId="figure-{name}"
	/>
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: 116px 1fr 74px;
		align-items: center;
		gap: 2px 12px;
	}
	.names {
		display: grid;
		line-height: 1.2;
	}
	small {
		font-size: 12px;
		color: var(--quiet);
	}
	.line {
		display: grid;
		min-width: 0;
	}
	.ends {
		display: flex;
		justify-content: space-between;
		margin-top: -14px;
		pointer-events: none;
	}
	.was {
		color: var(--ink);
	}
	.row :global(.field input) {
		font-size: 20px;
		font-weight: 700;
		padding-right: 10px;
	}
	@media (max-width: 420px) {
		.row {
			grid-template-columns: 96px 1fr 66px;
		}
	}
</style>
