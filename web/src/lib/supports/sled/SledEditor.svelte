<script lang="ts">
	/* eslint-disable max-lines -- one form on one document. */
	import ArmFigures from './ArmFigures.svelte';
	import PostAndStage from './PostAndStage.svelte';
	import { endRule, withEnd } from './ends';
	import { sledLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { carriedOn } from '$lib/supports/carried';
	import { type SledDraft, type SledGeometry, sledItemKinds, type SledRig } from './model';
	import { tryFigures } from '$lib/supports/tryFigures';
	import { sledReport } from '@poise/core';
	import { editGear } from '$lib/keeping/editGear';
	import { benchPath, editorLinks, onwardFrom, supportGear } from '../address';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import { showMass, together } from '$lib/sheet/units/display';
	import ItemFields from './ItemFields.svelte';
	import { pulled, withItem, withNewItem, withNewPlace, withoutItem, wrongWith } from './shape';
	import { placeColumns } from './sledColumns';
	import SledDrawing from './SledDrawing.svelte';
	import { dockedSetting, sledOf } from './standing';

	interface Props {
		data: {
			readonly support: SledRig;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another sled.
	// svelte-ignore state_referenced_locally
	const { id } = data.support;
	// svelte-ignore state_referenced_locally
	const kept = editGear<SledDraft>(supportGear('sled'), data.support);

	const units = $derived(data.person.units);
	const draft = $derived(kept.value);
	const geometry = $derived(draft.geometry);
	const docked = $derived(dockedSetting(geometry));
	const wrong = $derived(wrongWith(draft));
	let width = $state(760);
	let selectedId = $state<string | null>(null);
	const selected = $derived(geometry.items.find((item) => item.id === selectedId));

	/** A payload drawn on the plate, so that the sled can be judged by eye. */
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const shown = $derived(carriedOn(draft, data.payloads, byId, data.person.payloadId));
	const parts = $derived(shown === undefined ? [] : standingParts(shown, byId));
	const report = $derived(tryFigures(() => sledReport({ sled: sledOf(geometry, docked, mountedBodies(parts)) })));
	const bareKg = $derived(
		geometry.sections.reduce((sum, { massKg }) => sum + massKg, 0) +
			geometry.items.reduce((sum, { massKg, pair }) => sum + massKg * (pair ? 2 : 1), 0) +
			geometry.stage.massKg +
			geometry.stage.plateKg
	);

	const set = (next: Partial<SledDraft>, about: string | null = null) => kept.set({ ...draft, ...next }, about);
	const shape = (next: SledGeometry, about: string | null = null) => set({ geometry: next }, about);
	const settle = () => kept.settle();
	/** The sled as it was when the hand took hold: a drag counts from there, an arrow key from now. */
	let held: SledGeometry | null = null;
	const addWords = {
		monitor: 'a monitor',
		battery: 'a battery',
		electronics: 'electronics',
		accessory: 'an accessory',
		cable: 'a cable'
	};
</script>

<GearFrame
	place={supportGear('sled')}
	{id}
	document={kept}
	links={[
		...editorLinks('sled', id),
		...(shown === undefined
			? []
			: [{ href: benchPath({ kind: 'sled', supportId: id, payloadId: shown.id }), words: 'Bench' }])
	]}
	{wrong}
	goesToo="its benches, thread counts and vest log"
	onward={onwardFrom('sled', id, shown, data.payloads)}
>
	{#snippet first()}
		{#each [0, 1] as const as which (which)}
			<QuantityField
				label={which === 0 ? 'gimbal clamp from' : 'to, above the foot'}
				value={geometry.gimbalM[which]}
				quantity="length"
				{units}
				check={endRule(geometry.gimbalM, which, sledLimits.alongPost)}
				onvalue={(value) => shape({ ...geometry, gimbalM: withEnd(geometry.gimbalM, which, value) }, `gimbal ${which}`)}
				oncommit={settle}
				testId="first-clamp-{which}"
			/>
		{/each}
		<QuantityField
			label="carries at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) =>
				value > draft.leastPayloadKg && value <= sledLimits.payload.most
					? null
					: `More than the least, up to ${sledLimits.payload.most} kg.`}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={settle}
			testId="first-greatest"
		/>
	{/snippet}
	{#snippet drawn()}
		<div class="drawn" bind:clientWidth={width}>
			<SledDrawing {geometry} setting={docked} {parts} report={null} {units} {width} height={380} bare />
		</div>
	{/snippet}

	<div class="two">
		<div class="drawn" bind:clientWidth={width}>
			<SledDrawing
				{geometry}
				setting={docked}
				{parts}
				{report}
				{units}
				{width}
				height={480}
				{selectedId}
				onselect={(each) => (selectedId = each)}
				onstand={(next, about) => {
					if (held === null || about.startsWith('keys')) held = geometry;
					shape(pulled(held, next), about);
				}}
				onsettle={() => {
					held = null;
					settle();
				}}
			/>
		</div>
		<div class="side">
			<h2>On the post</h2>
			<p class="quiet">
				Pull a thing in the drawing, or pick it here and type. {together(showMass(bareKg, units))} without the camera{shown
					? `; drawn with ${shown.name}`
					: ''}.
			</p>
			<div class="chips">
				{#each geometry.items as item (item.id)}
					<Button
						class="tool"
						aria-pressed={selectedId === item.id}
						onclick={() => (selectedId = item.id)}
						data-testid="pick-{item.id}">{item.label}</Button
					>
				{/each}
			</div>
			<h2>Put on</h2>
			<div class="chips">
				{#each sledItemKinds as kind (kind)}
					<Button
						class="tool"
						disabled={geometry.items.length >= 16}
						onclick={() => {
							const made = withNewItem(geometry, kind);
							shape(made.geometry);
							selectedId = made.id;
						}}
						data-testid="add-{kind}">{addWords[kind]}</Button
					>
				{/each}
			</div>
			<h2>Carries on its plate</h2>
			<div class="row">
				<QuantityField
					label="At least"
					value={draft.leastPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.'}
					onvalue={(leastPayloadKg) => set({ leastPayloadKg }, 'least')}
					oncommit={settle}
					testId="sled-least"
				/>
				<QuantityField
					label="At most"
					value={draft.greatestPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value > draft.leastPayloadKg && value <= sledLimits.payload.most
							? null
							: 'More than the least, up to 60 kg.'}
					onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
					oncommit={settle}
					testId="sled-greatest"
				/>
			</div>
			<p class="quiet small">The maker’s manual has the last word on what a sled and its arm may carry.</p>
		</div>
	</div>
	{#if selected !== undefined}
		<ItemFields
			item={selected}
			{units}
			onchange={(next, about) => shape(withItem(geometry, selected.id, next), `${about} ${selected.id}`)}
			onsettle={settle}
			ondrop={() => {
				shape(withoutItem(geometry, selected.id));
				selectedId = null;
			}}
		/>
	{/if}

	<PostAndStage {geometry} {units} {shape} {settle} />
	<ArmFigures {geometry} {units} {shape} {settle} />
	<h2>Where a weight may be fixed</h2>
	<FigureTable
		rows={geometry.places}
		columns={placeColumns(geometry, shape)}
		{units}
		onsettle={settle}
		ondrop={({ id: gone }) => shape({ ...geometry, places: geometry.places.filter((place) => place.id !== gone) })}
	/>
	<Button class="tool" disabled={geometry.places.length >= 8} onclick={() => shape(withNewPlace(geometry))}
		>Another place</Button
	>
</GearFrame>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
		gap: 10px 28px;
		align-items: start;
	}
	.drawn {
		border: 1px solid var(--rule);
		margin-bottom: 10px;
	}
	.chips {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.row :global(.field) {
		width: 126px;
		font-size: 13px;
	}
	.small {
		font-size: 13px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
