<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { degFromRad, type GimbalChain, periodFromTaps } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import type { Positions, Gimbal, RigSlide } from './model';
	import { showAngle, showLength, showMass, showMove, together } from '$lib/sheet/units/display';
	import type { NewLook } from './gimbalBench.svelte';
	import { fallsWord, poseFor } from './benchSlip';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import { lookAt, type Measured } from './lookAt';

	/** What the loose axis does: three big buttons, or rest and swing, or a pocket scale. */
	interface Props {
		rig: Gimbal;
		chain: GimbalChain;
		positionsM: Positions;
		slide: RigSlide;
		units: UnitSystem;
		onlook: (look: NewLook) => void;
		/** It was just seen to hold here: the middle of where it holds can be looked for. */
		canSeek?: boolean;
	}
	let { rig, chain, positionsM, slide, units, onlook: tell, canSeek = false }: Props = $props();
	function onlook(look: NewLook) {
		tell(look);
		void showAnswer();
	}

	let way = $state<'buttons' | 'swing' | 'scale'>('buttons');
	const axisId = $derived(slide.balances);
	const axisName = $derived((rig.geometry.axes.find(({ id }) => id === axisId)?.label ?? axisId).toLowerCase());
	const restWords: Readonly<Record<string, readonly [string, string]>> = {
		tilt: ['Rests nose up', 'Minus is nose down, 180° is upside down.'],
		roll: ['Rests clockwise', 'As seen from behind the camera; minus is the other way.'],
		pan: ['Rests lens up', 'Gimbal laid on its left side, pan axis level; minus is lens down.']
	};
	const [restLabel, restHint] = $derived(restWords[axisId] ?? ['Rests at', '']);

	let restA = $state<number | null>(null);
	let restB = $state<number | null>(null);
	let taps = $state.raw<readonly number[]>([]);
	let typedPeriodS = $state<number | null>(null);
	let amplitudeRad = $state((25 * Math.PI) / 180);
	let readings = $state.raw<readonly number[]>([]);
	let readingKg = $state(0);
	let leverM = $state(0.12);
	let side = $state<1 | -1>(1);

	const timed = $derived(taps.length >= 3 ? periodFromTaps({ tapsS: taps }) : null);
	const periodS = $derived(typedPeriodS ?? timed?.periodS ?? 0);
	const measured = $derived<Measured>(
		way === 'scale'
			? { way: 'scale', slideId: slide.id, side, readingsKg: readings.length > 0 ? readings : [readingKg], leverM }
			: { way: 'swing', restRad: [restA, restB].filter((each) => each !== null), periodS, amplitudeRad }
	);
	const started = $derived(way === 'scale' ? readingKg > 0 || readings.length > 0 : restA !== null || periodS > 0);
	const result = $derived(lookAt(rig, chain, positionsM, axisId, measured));

	function tap() {
		const now = performance.now() / 1000;
		const last = taps[taps.length - 1];
		// Nothing on a gimbal takes half a minute to swing: the person has begun again.
		taps = last !== undefined && now - last > 20 ? [now] : [...taps, now];
		typedPeriodS = null;
	}
	function clear() {
		taps = [];
		readings = [];
		restA = restB = typedPeriodS = null;
		readingKg = 0;
	}
	function take() {
		if (!('seen' in result)) return;
		const how =
			way === 'scale'
				? `pocket scale ${together(showMass((readings[0] ?? readingKg) as number, units))} at ${together(showLength(leverM, units))}`
				: `rest ${[restA, restB]
						.filter((each) => each !== null)
						.map((each) => `${degFromRad(each).toFixed(0)}°`)
						.join(' and ')}, swing ${periodS.toFixed(2)} s`;
		onlook({ axisId, kind: 'measured', how, seen: result.seen });
		clear();
		way = 'buttons';
	}
	const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
	const slideOf = (id: string) => rig.geometry.slides.find((each) => each.id === id) as RigSlide;
	const heavy = (id: string, offsetM: number) =>
		`${together(showMove(offsetM, units))} heavy ${offsetM > 0 ? slideOf(id).plusWord : slideOf(id).minusWord}`;
</script>

<div class="looks" role="group" aria-label="What the loose axis does">
	<p class="ask">
		Unlock only the <strong>{axisName}</strong> axis, {poseFor(slide)}, hands a finger away from it. What does it do?
	</p>
	<div class="three">
		<Button
			data-testid="falls-minus"
			onclick={() => onlook({ axisId, kind: 'way', slideId: slide.id, observation: 'falls-' })}
			>{capital(fallsWord(slide, -1))}</Button
		>
		<Button
			class="holds"
			data-testid="holds"
			onclick={() => onlook({ axisId, kind: 'way', slideId: slide.id, observation: 'holds' })}>Holds</Button
		>
		<Button
			data-testid="falls-plus"
			onclick={() => onlook({ axisId, kind: 'way', slideId: slide.id, observation: 'falls+' })}
			>{capital(fallsWord(slide, 1))}</Button
		>
	</div>
	{#if canSeek}
		<Button
			class="seek"
			data-testid="seek"
			onclick={() => onlook({ axisId, kind: 'way', slideId: slide.id, observation: 'holds', seek: true })}
			>It holds: find both edges and the middle between them</Button
		>
	{/if}
	<div class="ways">
		<Button
			aria-expanded={way === 'swing'}
			data-testid="way-swing"
			onclick={() => (way = way === 'swing' ? 'buttons' : 'swing')}>It swings: rest and time</Button
		>
		<Button
			aria-expanded={way === 'scale'}
			data-testid="way-scale"
			onclick={() => (way = way === 'scale' ? 'buttons' : 'scale')}>It meets a stop: pocket scale</Button
		>
	</div>

	{#if way === 'swing'}
		<p class="hint">
			Let it settle from one side, then from the other: the mean cancels friction. {restHint} Then swing it and tap each time
			it comes back to the same side.
		</p>
		<div class="fields">
			<QuantityField
				label="{restLabel}, first"
				value={restA ?? 0}
				quantity="angle"
				{units}
				check={(value) => (Math.abs(value) > Math.PI ? 'Between −180° and 180°.' : null)}
				onvalue={(value) => (restA = value)}
				testId="rest-a"
			/>
			<QuantityField
				label="from the other side"
				value={restB ?? 0}
				quantity="angle"
				{units}
				check={(value) => (Math.abs(value) > Math.PI ? 'Between −180° and 180°.' : null)}
				onvalue={(value) => (restB = value)}
				testId="rest-b"
			/>
			<QuantityField
				label="swings to each side"
				value={amplitudeRad}
				quantity="angle"
				{units}
				check={(value) => (value > 0 && value < Math.PI ? null : 'More than 0°, less than 180°.')}
				onvalue={(value) => (amplitudeRad = value)}
			/>
			<QuantityField
				label="there and back takes"
				value={periodS}
				quantity="time"
				{units}
				check={(value) => (value > 0 && value < 30 ? null : 'More than 0, less than 30 s.')}
				onvalue={(value) => (typedPeriodS = value)}
				testId="period"
			/>
		</div>
		<Button class="tap" onclick={tap} data-testid="tap">
			{taps.length === 0 ? 'Tap in time with the swing' : `${taps.length} taps`}
			{#if timed !== null}<small
					>{timed.periodS.toFixed(2)} s there and back{timed.standardError === null
						? ''
						: `, ± ${timed.standardError.toFixed(2)} s`}{timed.dropped.length > 0
						? `, ${timed.dropped.length} left out`
						: ''}{timed.missed > 0 ? `, ${timed.missed} missed` : ''}</small
				>{/if}
		</Button>
	{:else if way === 'scale'}
		<p class="hint">
			Hold the axis level with the scale at a known distance from it. Lift it slowly and lower it slowly; take both
			readings.
		</p>
		<div class="fields">
			<label class="stack"
				>Presses on the scale
				<Choice bind:value={side}>
					<option value={1}>{slide.plusWord} side</option>
					<option value={-1}>{slide.minusWord} side</option>
				</Choice>
			</label>
			<QuantityField
				label="scale shows"
				value={readingKg}
				quantity="mass"
				{units}
				check={(value) => (value >= 0 ? null : 'A scale cannot read below 0.')}
				onvalue={(value) => (readingKg = value)}
				testId="scale-reads"
			/>
			<QuantityField
				label="that far from the axis"
				value={leverM}
				quantity="length"
				{units}
				check={(value) => (value > 0 ? null : 'More than 0.')}
				onvalue={(value) => (leverM = value)}
				testId="lever"
			/>
			<Button class="more" onclick={() => ((readings = [...readings, readingKg]), (readingKg = 0))}
				>Take another {readings.length > 0 ? `(${readings.length} so far)` : ''}</Button
			>
		</div>
	{/if}
	{#if way !== 'buttons' && started}
		{#if 'seen' in result}
			<p class="told" data-testid="told">
				{#each result.seen as { slideId, offsetM } (slideId)}<span>{heavy(slideId, offsetM)}</span>{/each}
				{#if result.spreadRad !== null && result.spreadRad > 0.0349}<span class="quiet"
						>the two rests lie {together(showAngle(result.spreadRad * 2))} apart: friction</span
					>{/if}
			</p>
			<Button class="take" onclick={take} data-testid="take-look">Use this look</Button>
		{:else}
			<p class="problem" role="status">{result.problem}</p>
		{/if}
	{/if}
</div>

<style>
	.looks {
		display: grid;
		gap: 10px;
		border-top: 1px solid var(--rule);
		padding-top: 12px;
	}
	.ask {
		font-size: 15px;
	}
	.three {
		display: grid;
		grid-template-columns: 1fr 1fr 1fr;
		gap: 8px;
	}
	.three :global(button) {
		min-height: 60px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		font-weight: 700;
		font-size: 16px;
		line-height: 1.15;
		color: var(--press);
		padding: 4px;
	}
	.three :global(.holds) {
		background: var(--fill);
		border-color: var(--spirit-line);
		color: var(--fill-ink);
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0 18px;
	}
	.looks > :global(.seek) {
		min-height: 44px;
		text-align: left;
		text-decoration: underline;
		color: var(--press);
		font-size: 15px;
	}
	.ways :global(button) {
		min-height: 44px;
		text-decoration: underline;
		color: var(--press);
		font-size: 15px;
	}
	.hint {
		font-size: 14px;
		color: var(--quiet);
	}
	.fields {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 12px;
		align-items: end;
	}
	.stack {
		display: grid;
		gap: 3px;
		font-size: 14px;
	}
	.looks > :global(.tap) {
		min-height: 84px;
		border-radius: 6px;
		background: var(--press-wash);
		border: 1.5px dashed var(--press);
		font-size: 19px;
		font-weight: 700;
		touch-action: manipulation;
	}
	.looks > :global(.tap small) {
		display: block;
		font-weight: 400;
		font-size: 14px;
	}
	.fields > :global(.more) {
		min-height: 44px;
		border: 1px solid var(--edge);
		border-radius: 6px;
	}
	.told {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 16px;
		font-weight: 700;
		font-size: 17px;
	}
	.told .quiet {
		font-weight: 400;
		font-size: 14px;
	}
	.looks > :global(.take) {
		min-height: 52px;
		border-radius: 6px;
		background: var(--press);
		color: var(--press-ink);
		font-weight: 700;
		font-size: 18px;
	}
	.problem {
		color: var(--clay);
		font-size: 14px;
	}
</style>
