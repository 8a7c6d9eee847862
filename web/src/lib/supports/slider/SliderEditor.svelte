<script lang="ts">
	/* eslint-disable max-lines -- one form on one document. */
	import { allowed } from '$lib/sheet/units/allowed';
	import { type Limit, limits } from '$lib/model/limits';
	import { sliderLimits } from './limits';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { editGear } from '$lib/keeping/editGear';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { flexOf } from '$lib/model/flex';
	import GivesField from '$lib/sheet/fields/GivesField.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Quantity } from '$lib/sheet/units/display';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import { carriedOn } from '../carried';
	import { benchPath, editorLinks, onwardFrom, supportGear } from '../address';
	import { tryFigures } from '../tryFigures';
	import { sliderFigures } from './figures';
	import type { Slider, SliderDraft, SliderGeometry } from './model';
	import SliderDrawing from './SliderDrawing.svelte';
	import { freshSetting } from './standing';

	interface Props {
		data: {
			readonly support: Slider;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another slider.
	// svelte-ignore state_referenced_locally
	const { id } = data.support;
	// svelte-ignore state_referenced_locally
	const kept = editGear<SliderDraft>(supportGear('slider'), data.support);

	const units = $derived(data.person.units);
	const draft = $derived(kept.value);
	const geometry = $derived(draft.geometry);
	let width = $state(760);
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const shown = $derived(carriedOn(draft, data.payloads, byId, data.person.payloadId));
	const bodies = $derived(shown === undefined ? [] : mountedBodies(standingParts(shown, byId)));
	const setting = $derived(freshSetting(geometry));
	const centre = $derived(bodies.length < 2 ? null : tryFigures(() => sliderFigures(draft, bodies, setting, [])));
	const wrong = $derived(
		geometry.carriage.travelM[1] > geometry.rail.lengthM
			? 'The carriage’s travel ends beyond the rail. Shorten the travel, or lengthen the rail.'
			: null
	);

	const set = (next: Partial<SliderDraft>, about: string) => kept.set({ ...draft, ...next }, about);
	const shape = (next: Partial<SliderGeometry>, about: string) => set({ geometry: { ...geometry, ...next } }, about);
	const rail = (next: Partial<SliderGeometry['rail']>, about: string) =>
		shape({ rail: { ...geometry.rail, ...next } }, about);
	const carriage = (next: Partial<SliderGeometry['carriage']>, about: string) =>
		shape({ carriage: { ...geometry.carriage, ...next } }, about);

	/** Its ends go with it: a travel past the rail's end would be nowhere. */
	const lengthOf = (lengthM: number) => {
		const { travelM } = geometry.carriage;
		const over = geometry.rail.lengthM - travelM[1];
		const to = Math.max(travelM[0], lengthM - over);
		shape(
			{ rail: { ...geometry.rail, lengthM }, carriage: { ...geometry.carriage, travelM: [travelM[0], to] } },
			'length'
		);
	};

	interface Field {
		readonly id: string;
		readonly label: string;
		readonly quantity: Quantity;
		readonly value: number;
		readonly within: Limit;
		readonly onvalue: (value: number) => void;
	}
	const fields = $derived<readonly Field[]>([
		{
			id: 'length',
			label: 'Rail, end to end',
			quantity: 'length',
			value: geometry.rail.lengthM,
			within: sliderLimits.rail,
			onvalue: (lengthM) => rail({ lengthM }, 'length')
		},
		{
			id: 'rail-mass',
			label: 'Rail weighs',
			quantity: 'mass',
			value: geometry.rail.massKg,
			within: limits.partMass,
			onvalue: (massKg) => rail({ massKg }, 'rail mass')
		},
		{
			id: 'carriage-mass',
			label: 'Carriage weighs',
			quantity: 'mass',
			value: geometry.carriage.massKg,
			within: limits.partMass,
			onvalue: (massKg) => carriage({ massKg }, 'carriage mass')
		},
		{
			id: 'plate',
			label: 'Plate above the rail',
			quantity: 'length',
			value: geometry.carriage.plateM,
			within: sliderLimits.plate,
			onvalue: (plateM) => carriage({ plateM }, 'plate')
		},
		{
			id: 'travel-from',
			label: 'Travel from',
			quantity: 'length',
			value: geometry.carriage.travelM[0],
			within: { ...sliderLimits.alongRail, most: geometry.carriage.travelM[1] },
			onvalue: (from) => carriage({ travelM: [from, geometry.carriage.travelM[1]] }, 'travel from')
		},
		{
			id: 'travel-to',
			label: 'Travel to',
			quantity: 'length',
			value: geometry.carriage.travelM[1],
			within: { ...sliderLimits.alongRail, least: geometry.carriage.travelM[0], most: geometry.rail.lengthM },
			onvalue: (to) => carriage({ travelM: [geometry.carriage.travelM[0], to] }, 'travel to')
		}
	]);
	const drive = $derived(geometry.carriage.drive ?? null);
	const said = $derived([
		{
			id: 'holds',
			label: 'Its drive holds',
			quantity: 'force' as const,
			value: geometry.carriage.holdsN,
			within: sliderLimits.driveHolds,
			set: (holdsN: number | null) => carriage({ holdsN }, 'holds')
		},
		{
			id: 'bears',
			label: 'A support bears',
			quantity: 'force' as const,
			value: geometry.supportBearsN,
			within: sliderLimits.supportBears,
			set: (supportBearsN: number | null) => shape({ supportBearsN }, 'bears')
		},
		{
			id: 'clamp',
			label: 'A clamp alone holds',
			quantity: 'torque' as const,
			value: geometry.clampHoldsNm,
			within: sliderLimits.clampHolds,
			set: (clampHoldsNm: number | null) => shape({ clampHoldsNm }, 'clamp')
		}
	]);
</script>

<GearFrame
	place={supportGear('slider')}
	{id}
	document={kept}
	links={[
		...editorLinks('slider', id),
		...(shown === undefined
			? []
			: [{ href: benchPath({ kind: 'slider', supportId: id, payloadId: shown.id }), words: 'Loads' }])
	]}
	{wrong}
	goesToo="its benches"
	onward={onwardFrom('slider', id, shown, data.payloads)}
>
	{#snippet first()}
		<QuantityField
			label="rail, end to end"
			value={geometry.rail.lengthM}
			quantity="length"
			{units}
			check={allowed(sliderLimits.rail, 'length')}
			onvalue={lengthOf}
			oncommit={() => kept.settle()}
			testId="first-length"
		/>
		<QuantityField
			label="rail weighs"
			value={geometry.rail.massKg}
			quantity="mass"
			{units}
			check={allowed(limits.partMass, 'mass')}
			onvalue={(massKg) => rail({ massKg }, 'rail mass')}
			oncommit={() => kept.settle()}
			testId="first-rail-mass"
		/>
		<QuantityField
			label="carries at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) =>
				value > draft.leastPayloadKg && value <= sliderLimits.payload.most
					? null
					: `More than the least, up to ${sliderLimits.payload.most} kg.`}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={() => kept.settle()}
			testId="first-greatest"
		/>
	{/snippet}
	{#snippet drawn()}
		<div class="drawn" bind:clientWidth={width}>
			<SliderDrawing {geometry} {setting} centre={null} {units} {width} height={260} />
		</div>
	{/snippet}

	<div class="drawn" bind:clientWidth={width}>
		<SliderDrawing
			{geometry}
			{setting}
			{centre}
			parts={shown === undefined ? [] : standingParts(shown, byId)}
			{units}
			{width}
			height={300}
		/>
	</div>
	<div class="row">
		{#each fields as { id: field, label, quantity, value, within, onvalue } (field)}
			<QuantityField
				{label}
				{value}
				{quantity}
				{units}
				check={allowed(within, quantity)}
				{onvalue}
				oncommit={() => kept.settle()}
				testId={field}
			/>
		{/each}
		<QuantityField
			label="carries at least"
			value={draft.leastPayloadKg}
			quantity="mass"
			{units}
			check={(value) => (value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.')}
			onvalue={(leastPayloadKg) => set({ leastPayloadKg }, 'least')}
			oncommit={() => kept.settle()}
			testId="least-payload"
		/>
		<QuantityField
			label="at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) =>
				value > draft.leastPayloadKg && value <= sliderLimits.payload.most
					? null
					: 'More than the least, up to 100 kg.'}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={() => kept.settle()}
			testId="greatest-payload"
		/>
	</div>
	<GivesField
		flex={flexOf(geometry.givesM, {
			by: 'rail',
			lengthM: geometry.rail.lengthM,
			supportsM: setting.supportsM,
			reachM: setting.reachM
		})}
		{units}
		onvalue={(givesM) => shape({ givesM }, 'gives')}
		oncommit={() => kept.settle()}
	/>
	<h2>As its makers say</h2>
	<p class="lead">What nobody has said is not checked against.</p>
	<div class="row">
		{#each said as { id: limit, label, quantity, value, within, set: say } (limit)}
			<label class="line"
				><Tick
					checked={value !== null}
					onchange={(event) => say(event.currentTarget.checked ? 100 : null)}
					data-testid="says-{limit}"
				/>
				{label}</label
			>
			{#if value !== null}
				<QuantityField
					{label}
					hideLabel
					{value}
					{quantity}
					{units}
					check={allowed(within, quantity)}
					onvalue={say}
					oncommit={() => kept.settle()}
					testId={limit}
				/>
			{/if}
		{/each}
		<label class="line"
			><Tick
				checked={drive !== null}
				onchange={(event) =>
					carriage({ drive: event.currentTarget.checked ? { maxRate: 0.25, maxAccel: 0.4 } : null }, 'drive')}
				data-testid="says-drive"
			/> A motor drives it</label
		>
		{#if drive !== null}
			<QuantityField
				label="at most"
				value={drive.maxRate}
				quantity="slow"
				{units}
				check={allowed(sliderLimits.driveSpeed, 'slow')}
				onvalue={(maxRate) => carriage({ drive: { ...drive, maxRate } }, 'drive speed')}
				oncommit={() => kept.settle()}
				testId="drive-speed"
			/>
			<QuantityField
				label="and gains a second"
				value={drive.maxAccel}
				quantity="slow"
				{units}
				check={allowed(sliderLimits.driveAccel, 'slow')}
				onvalue={(maxAccel) => carriage({ drive: { ...drive, maxAccel } }, 'drive acceleration')}
				oncommit={() => kept.settle()}
				testId="drive-accel"
			/>
		{/if}
		<label class="line"
			><Tick
				checked={geometry.clampsDown}
				onchange={(event) => shape({ clampsDown: event.currentTarget.checked }, 'clamps down')}
				data-testid="clamps-down"
			/> the supports clamp the rail, so that it cannot lift off them</label
		>
	</div>
</GearFrame>

<style>
	.drawn {
		margin-top: 8px;
	}
	.line {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 44px;
	}
	.row :global(.field) {
		width: 160px;
	}
</style>
