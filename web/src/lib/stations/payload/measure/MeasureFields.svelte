<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { when } from '$lib/sheet/when';
	import type { GimbalRecord } from '$lib/supports/gimbal/model';
	import { measuringWays } from '$lib/model/measurement';
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, together } from '$lib/sheet/units/display';
	import MeasureDrawing from './MeasureDrawing.svelte';
	import type { MeasureForm } from './measureForm.svelte';
	import PhotoAngle from './PhotoAngle.svelte';
	import type { Subject } from './subject';
	import { axisWords, wayWords } from './words';

	/** The way of measuring, how it is done, and the fields for what was read. */
	interface Props {
		form: MeasureForm;
		subject: Subject;
		records: readonly GimbalRecord[];
		units: UnitSystem;
	}
	let { form, subject, records, units }: Props = $props();
</script>

<div class="actions" role="group" aria-label="Way of measuring">
	{#each measuringWays as each (each)}
		<Button class="tool" aria-pressed={form.way === each} onclick={() => (form.way = each)} data-testid="way-{each}"
			>{wayWords[each]}</Button
		>
	{/each}
</div>
<MeasureDrawing way={form.way} />
{#if form.way === 'rod' || form.way === 'scales'}
	<div class="actions" role="group" aria-label="Direction">
		{#each axisWords as words, which (words)}
			<Button
				class="tool"
				aria-pressed={form.axis === which}
				onclick={() => (form.axis = which as 0 | 1 | 2)}
				data-testid="axis-{which}">{words}</Button
			>
		{/each}
	</div>
{:else if form.way !== 'balance'}
	<div class="actions" role="group" aria-label="Seen from">
		{#each ['side', 'front'] as const as each (each)}
			<Button class="tool" aria-pressed={form.plane === each} onclick={() => (form.plane = each)}
				>seen from the {each}</Button
			>
		{/each}
	</div>
{/if}
{#if form.way === 'rod'}
	<div class="row">
		<QuantityField
			label="Balances this far from {form.endWords}"
			value={form.reading}
			quantity="length"
			{units}
			check={(value) => (value >= 0 ? null : 'Counted from the end: not negative.')}
			onvalue={(value) => (form.reading = value)}
			testId="rod-reading"
		/>
		<Button class="tool" onclick={() => form.takeAgain()} data-testid="again">Take it again</Button>
	</div>
	{#if form.list.length > 0}<p class="quiet">
			So far {form.list.map((each) => together(showLength(each, units))).join(', ')}
		</p>{/if}
{:else if form.way === 'scales'}
	<div class="row">
		<QuantityField
			label="Edge A is from {form.endWords}"
			value={form.edgeA}
			quantity="length"
			{units}
			onvalue={(value) => (form.edgeA = value)}
		/>
		<QuantityField
			label="Edges apart"
			value={form.span}
			quantity="length"
			{units}
			check={(value) => (value > 0 ? null : 'More than 0.')}
			onvalue={(value) => (form.span = value)}
			testId="span"
		/>
		<QuantityField
			label="A shows"
			value={form.pair[0]}
			quantity="mass"
			{units}
			check={(value) => (value >= 0 ? null : 'Not below 0.')}
			onvalue={(value) => (form.pair = [value, form.pair[1]])}
			testId="scale-a"
		/>
		<QuantityField
			label="B shows"
			value={form.pair[1]}
			quantity="mass"
			{units}
			check={(value) => (value >= 0 ? null : 'Not below 0.')}
			onvalue={(value) => (form.pair = [form.pair[0], value])}
			testId="scale-b"
		/>
		<Button class="tool" onclick={() => form.weighAgain()}>Weigh again</Button>
	</div>
	{#if form.pairs.length > 0}<p class="quiet">{form.pairs.length} weighed so far</p>{/if}
{:else if form.way === 'hang'}
	{#each form.hangs as hang, index (index)}
		<div class="row">
			<QuantityField
				label="{index === 0 ? 'First' : 'Second'} point, {form.plane === 'side' ? 'forward' : 'left'}"
				value={hang.acrossM}
				quantity="length"
				{units}
				onvalue={(value) => (hang.acrossM = value)}
			/>
			<QuantityField
				label="and up"
				value={hang.upM}
				quantity="length"
				{units}
				onvalue={(value) => (hang.upM = value)}
			/>
			<QuantityField
				label="{form.plane === 'side' ? 'nose up' : 'left side up'} by"
				value={hang.turn}
				quantity="angle"
				{units}
				onvalue={(value) => (hang.turn = value)}
				testId="hang-{index}"
			/>
			<Button class="tool" onclick={() => form.hangAgain(index as 0 | 1)}
				>Again{hang.turns.length > 0 ? ` (${hang.turns.length})` : ''}</Button
			>
		</div>
		<PhotoAngle onangle={(turnRad) => (hang.turn = turnRad)} />
	{/each}
	<p class="quiet">Points {subject.from}. Hold the camera level for a photo.</p>
{:else if form.way === 'swing'}
	<div class="row">
		<QuantityField
			label="Pin, {form.plane === 'side' ? 'forward' : 'left'}"
			value={form.pin.acrossM}
			quantity="length"
			{units}
			onvalue={(value) => (form.pin.acrossM = value)}
		/>
		<QuantityField
			label="and up"
			value={form.pin.upM}
			quantity="length"
			{units}
			onvalue={(value) => (form.pin.upM = value)}
		/>
		<QuantityField
			label="hangs {form.plane === 'side' ? 'nose up' : 'left side up'} by"
			value={form.reading}
			quantity="angle"
			{units}
			onvalue={(value) => (form.reading = value)}
		/>
		<QuantityField
			label="swings to each side"
			value={form.amplitude}
			quantity="angle"
			{units}
			check={(value) => (value > 0 && value < Math.PI ? null : 'More than 0°, less than 180°.')}
			onvalue={(value) => (form.amplitude = value)}
		/>
		<QuantityField
			label="there and back takes"
			value={form.period}
			quantity="time"
			{units}
			check={(value) => (value > 0 && value < 30 ? null : 'More than 0, less than 30 s.')}
			onvalue={(value) => (form.period = value)}
			testId="swing-period"
		/>
		<Button class="tool" onclick={() => form.swingAgain()}
			>Swing again{form.periods.length > 0 ? ` (${form.periods.length})` : ''}</Button
		>
	</div>
	<Button class="second tapper" onclick={() => form.tap(performance.now() / 1000)}
		>{form.taps.length === 0 ? 'Tap in time with the swing' : `${form.taps.length} taps`}</Button
	>
{:else}
	<label class="stack"
		>Logged balance
		<Choice bind:value={form.recordId} data-testid="record">
			<option value="">pick one</option>
			{#each records as each (each.id)}
				<option value={each.id}>{each.payloadName} on {each.supportName}, {when(each.loggedAt)}</option>
			{/each}
		</Choice>
	</label>
{/if}

<style>
	.row :global(.field) {
		width: 150px;
	}
	:global(.second.tapper) {
		width: 100%;
		min-height: 72px;
		touch-action: manipulation;
	}
</style>
