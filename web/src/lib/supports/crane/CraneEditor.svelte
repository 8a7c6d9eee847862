<script lang="ts">
	/* eslint-disable max-lines -- one form on one document. */
	import { allowed } from '$lib/sheet/units/allowed';
	import { craneLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { degFromRad } from '@poise/core';
	import { tryFigures } from '$lib/supports/tryFigures';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { baseKinds, type CraneDraft, type CraneGeometry, type CraneRig } from './model';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { carriedOn } from '$lib/supports/carried';
	import { editGear } from '$lib/keeping/editGear';
	import { benchPath, editorLinks, onwardFrom, supportGear } from '../address';
	import GivesField from '$lib/sheet/fields/GivesField.svelte';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import { showLength, together } from '$lib/sheet/units/display';
	import CraneDrawing from './CraneDrawing.svelte';
	import { footColumns, headColumns, plateColumns, sectionColumns, wrongWith } from './craneColumns';
	import { craneFieldGroups } from './craneFields';
	import { headsOf, withHead } from './heads';
	import { armOf, bareSetting, craneFlex, noseU } from './standing';

	interface Props {
		data: {
			readonly support: CraneRig;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another crane.
	// svelte-ignore state_referenced_locally
	const { id } = data.support;
	// svelte-ignore state_referenced_locally
	const kept = editGear<CraneDraft>(supportGear('crane'), data.support);

	const units = $derived(data.person.units);
	const draft = $derived(kept.value);
	const geometry = $derived(draft.geometry);
	const wrong = $derived(wrongWith(draft));
	const heads = $derived(headsOf(geometry));
	let width = $state(760);
	let boomRad = $state(0.15);
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const shown = $derived(carriedOn(draft, data.payloads, byId, data.person.payloadId));
	const bodies = $derived(shown === undefined ? [] : mountedBodies(standingParts(shown, byId)));
	const setting = $derived({ ...bareSetting(geometry), boomRad });
	const arm = $derived(bodies.length < 2 ? null : tryFigures(() => armOf(geometry, setting, bodies)));

	const set = (next: Partial<CraneDraft>, about: string | null = null) => kept.set({ ...draft, ...next }, about);
	const shape = (next: Partial<CraneGeometry>, about: string | null = null) =>
		set({ geometry: { ...geometry, ...next } }, about);
	const settle = () => kept.settle();
	const groups = $derived(craneFieldGroups(geometry, shape));
	/** What a tape takes first: both arms of the lever behind the pivot. */
	const firstFields = $derived([groups[0]!.fields[0]!, groups[0]!.fields[2]!]);
	const kindWords = { tripod: 'tripod', dolly: 'wheeled dolly', column: 'column on feet' };
</script>

<GearFrame
	place={supportGear('crane')}
	{id}
	document={kept}
	links={[
		...editorLinks('crane', id),
		...(shown === undefined
			? []
			: [{ href: benchPath({ kind: 'crane', supportId: id, payloadId: shown.id }), words: 'Weights' }])
	]}
	{wrong}
	goesToo="its benches"
	onward={onwardFrom('crane', id, shown, data.payloads)}
>
	{#snippet first()}
		{#each firstFields as field (field.label)}
			<QuantityField
				label={field.label}
				value={field.value}
				quantity={field.quantity}
				{units}
				check={field.check}
				onvalue={field.put}
				oncommit={settle}
				testId="first-{field.testId ?? 'hanger'}"
			/>
		{/each}
		<QuantityField
			label="carries at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) =>
				value > draft.leastPayloadKg && value <= craneLimits.payload.most
					? null
					: `More than the least, up to ${craneLimits.payload.most} kg.`}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={settle}
			testId="first-greatest"
		/>
	{/snippet}
	{#snippet drawn()}
		<div class="drawn" bind:clientWidth={width}>
			<CraneDrawing {geometry} {setting} payload={[]} arm={null} {units} {width} height={300} />
		</div>
	{/snippet}

	<div class="drawn" bind:clientWidth={width}>
		<CraneDrawing
			{geometry}
			{setting}
			payload={bodies}
			{arm}
			{units}
			{width}
			height={380}
			onboom={(boom) => (boomRad = Math.max(geometry.boomRangeRad[0], Math.min(geometry.boomRangeRad[1], boom)))}
		/>
	</div>
	<p class="quiet">
		{together(showLength(noseU(geometry, setting), units))} from pivot to nose with every section on, boom {degFromRad(
			boomRad
		).toFixed(0)}°; pull the nose.
	</p>
	<div class="row">
		<label class="stack"
			>What hangs on the nose
			<Choice
				value={geometry.nose.kept}
				onchange={(event) =>
					shape({ nose: { ...geometry.nose, kept: event.currentTarget.value as 'level' | 'fixed' } })}
				data-testid="nose-kept"
				><option value="level">is kept level</option><option value="fixed">turns with the arm</option></Choice
			>
		</label>
		<label class="stack"
			>Head
			<Choice
				value={geometry.nose.head}
				onchange={(event) =>
					shape({ nose: { ...geometry.nose, head: event.currentTarget.value as 'hung' | 'standing' } })}
				><option value="hung">hung</option><option value="standing">standing</option></Choice
			>
		</label>
		<label class="stack"
			>Base
			<Choice
				value={geometry.base.kind}
				onchange={(event) =>
					shape({ base: { ...geometry.base, kind: event.currentTarget.value as (typeof baseKinds)[number] } })}
				>{#each baseKinds as kind (kind)}<option value={kind}>{kindWords[kind]}</option>{/each}</Choice
			>
		</label>
		<QuantityField
			label="carries at least"
			value={draft.leastPayloadKg}
			quantity="mass"
			{units}
			check={(value) => (value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.')}
			onvalue={(leastPayloadKg) => set({ leastPayloadKg }, 'least')}
			oncommit={settle}
		/>
		<QuantityField
			label="at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) =>
				value > draft.leastPayloadKg && value <= craneLimits.payload.most ? null : 'More than the least, up to 100 kg.'}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={settle}
		/>
		<label class="line"
			><Tick
				checked={geometry.hanger.secondVM !== null}
				onchange={(event) =>
					shape({ hanger: { ...geometry.hanger, secondVM: event.currentTarget.checked ? -geometry.hanger.vM : null } })}
			/> a second weight line</label
		>
		{#if geometry.hanger.secondVM !== null}
			<QuantityField
				label="second line, up"
				value={geometry.hanger.secondVM}
				quantity="length"
				{units}
				check={allowed(craneLimits.weightLine, 'length')}
				onvalue={(secondVM) => shape({ hanger: { ...geometry.hanger, secondVM } }, 'second line')}
				oncommit={settle}
			/>
		{/if}
		<label class="line"
			><Tick
				checked={geometry.base.liftsKg !== null}
				onchange={(event) => shape({ base: { ...geometry.base, liftsKg: event.currentTarget.checked ? 60 : null } })}
				data-testid="has-lift"
			/> a counterbalanced column</label
		>
		{#if geometry.base.liftsKg !== null}
			<QuantityField
				label="set to lift"
				value={geometry.base.liftsKg}
				quantity="mass"
				{units}
				check={allowed(craneLimits.lift, 'mass')}
				onvalue={(liftsKg) => shape({ base: { ...geometry.base, liftsKg } }, 'lift')}
				oncommit={settle}
				testId="lifts"
			/>
		{/if}
	</div>
	<div class="two">
		<div>
			<h2>Sections, pivot first</h2>
			<FigureTable
				rows={geometry.sections}
				columns={sectionColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.sections.length > 1}
				ondrop={({ id: gone }) => shape({ sections: geometry.sections.filter((section) => section.id !== gone) })}
			/>
			<Button
				class="tool"
				disabled={geometry.sections.length >= 10}
				onclick={() => {
					let count = geometry.sections.length + 1;
					while (geometry.sections.some((section) => section.id === `section${count}`)) count += 1;
					shape({
						sections: [
							...geometry.sections,
							{ id: `section${count}`, label: `Section ${count}`, massKg: 3, lengthM: 1 }
						]
					});
				}}
				data-testid="add-section">Another section</Button
			>
			<h2>Plates at hand</h2>
			<FigureTable
				rows={geometry.plates.map((plate, index) => ({ id: `plate${index}`, index, ...plate }))}
				columns={plateColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.plates.length > 1}
				ondrop={({ index: gone }) => shape({ plates: geometry.plates.filter((_, index) => index !== gone) })}
			/>
			<Button
				class="tool"
				disabled={geometry.plates.length >= 8}
				onclick={() => shape({ plates: [...geometry.plates, { massKg: 2, count: 2 }] })}
				data-testid="add-plate">Another kind of plate</Button
			>
		</div>
		<div>
			<h2>Feet or wheels, counter-clockwise from above</h2>
			<FigureTable
				rows={geometry.base.feetM.map((foot, index) => ({ id: `foot${index}`, index, foot }))}
				columns={footColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.base.feetM.length > 3}
				ondrop={({ index: gone }) =>
					shape({ base: { ...geometry.base, feetM: geometry.base.feetM.filter((_, index) => index !== gone) } })}
			/>
			<Button
				class="tool"
				disabled={geometry.base.feetM.length >= 12}
				onclick={() => shape({ base: { ...geometry.base, feetM: [...geometry.base.feetM, [0.2, -0.8]] } })}
				>Another foot</Button
			>
		</div>
	</div>
	<h2>Heads</h2>
	<FigureTable
		rows={heads.map((each) => ({ id: `head${each.index}`, ...each }))}
		columns={headColumns(geometry, (next, about) => shape(next, about))}
		{units}
		onsettle={settle}
		mayDrop={({ index }) => index > 0}
		ondrop={({ index: gone }) =>
			shape({ otherHeads: (geometry.otherHeads ?? []).filter((_, index) => index !== gone - 1) })}
	/>
	<div class="row">
		<label class="stack"
			>On the crane now
			<Choice
				value={0}
				onchange={(event) => kept.set({ ...draft, geometry: withHead(geometry, Number(event.currentTarget.value)) })}
				data-testid="head-on"
				>{#each heads as { index, name } (index)}<option value={index}>{name}</option>{/each}</Choice
			></label
		>
		<Button
			class="tool"
			disabled={heads.length > 6}
			onclick={() =>
				shape({
					otherHeads: [...(geometry.otherHeads ?? []), { ...geometry.head, name: `Head ${heads.length + 1}` }]
				})}
			data-testid="add-head">Another head at hand</Button
		>
	</div>
	{#each groups as { title, fields } (title)}
		<h2>{title}</h2>
		<div class="row fields">
			{#each fields as field (field.label)}
				<QuantityField
					label={field.label}
					value={field.value}
					quantity={field.quantity}
					{units}
					check={field.check}
					onvalue={field.put}
					oncommit={settle}
					testId={field.testId}
				/>
			{/each}
		</div>
	{/each}
	<GivesField
		flex={craneFlex(geometry, setting)}
		{units}
		onvalue={(givesM) => shape({ givesM }, 'gives')}
		oncommit={settle}
	/>
	<p class="quiet">
		The maker’s manual has the last word on what a crane may carry and how high its weights may be stacked.
	</p>
</GearFrame>

<style>
	.drawn {
		border: 1px solid var(--rule);
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 10px 28px;
	}
	.row :global(.field) {
		width: 134px;
		font-size: 13px;
	}
	.line {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
