<script lang="ts">
	/* eslint-disable max-lines -- one form on one document. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { mmFromM, type Vec3 } from '@poise/core';
	import GimbalDrawing from './GimbalDrawing.svelte';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { carriedOn } from '$lib/supports/carried';
	import type { Gimbal } from './model';
	import { benchPath, editorLinks, onwardFrom, supportGear } from '../address';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import { lengthsOf, orderOf, withLength, withOrder } from './lengths';
	import { axisOrders } from './patterns';
	import { axisColumns, partColumns, slideColumns } from './gimbalColumns';
	import { GimbalKeeper } from './gimbalKeeper.svelte';

	interface Props {
		data: {
			readonly support: Gimbal;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another gimbal.
	// svelte-ignore state_referenced_locally
	const keeper = new GimbalKeeper(data.support);
	const units = $derived(data.person.units);
	const draft = $derived(keeper.draft);
	const geometry = $derived(draft.geometry);
	const lengths = $derived(lengthsOf(geometry));
	const order = $derived(orderOf(geometry));
	let width = $state(700);
	/** A payload drawn in the cradle, so that the arms can be judged by eye. */
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const carried = $derived(carriedOn(draft, data.payloads, byId, data.person.payloadId));
	const shown = $derived(carried ?? data.payloads[0]);
	const parts = $derived(shown === undefined ? [] : standingParts(shown, byId));

	const lengthWords = [
		['reachM', 'Roll motor behind the tilt axis'],
		['halfWidthM', 'Arm beside the payload'],
		['baseM', 'Base below the tilt axis'],
		['dropM', 'Pan joint from the tilt axis']
	] as const;
	const orderWords = {
		'pan-roll-tilt': 'pan, roll, tilt',
		'pan-tilt-roll': 'pan, tilt, roll',
		'two-axis': 'roll, tilt (two-axis)'
	};
	const within = (least: number, greatest: number, words: string) => (value: number) =>
		value >= least && value <= greatest ? null : words;
	const alternatives = $derived(geometry.alternatives ?? []);
	function addHole() {
		const count = alternatives.length + 1;
		keeper.shape({
			alternatives: [
				...alternatives,
				{
					id: `other${count}${Math.round(mmFromM(lengths.reachM))}`,
					kind: 'useHole',
					label: `another hole, 20 mm further back`,
					shiftM: [-0.02, 0, 0],
					moves: ['payload']
				}
			]
		});
	}
	const setShift = (index: number, shiftM: Vec3) =>
		keeper.shape(
			{ alternatives: alternatives.map((each, k) => (k === index ? { ...each, shiftM } : each)) },
			`hole ${index}`
		);
</script>

<GearFrame
	place={supportGear('gimbal')}
	id={keeper.id}
	document={keeper.document}
	links={[
		...editorLinks('gimbal', keeper.id),
		...(shown === undefined
			? []
			: [{ href: benchPath({ kind: 'gimbal', supportId: keeper.id, payloadId: shown.id }), words: 'Bench' }])
	]}
	goesToo="its benches and its horizon log"
	onward={onwardFrom('gimbal', keeper.id, carried, data.payloads)}
>
	{#snippet first()}
		{#each lengthWords.slice(0, 2) as [which, words] (which)}
			<QuantityField
				label={words}
				value={lengths[which]}
				quantity="length"
				{units}
				check={within(0.01, 1.5, 'Between 10 mm and 1.5 m.')}
				onvalue={(value) => keeper.shape(withLength(geometry, which, value), `length ${which}`)}
				oncommit={() => keeper.settle()}
				testId="first-{which}"
			/>
		{/each}
		<QuantityField
			label="Carries at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) => (value > draft.leastPayloadKg && value <= 200 ? null : 'More than the least, up to 200 kg.')}
			onvalue={(greatestPayloadKg) => keeper.set({ greatestPayloadKg }, 'greatest')}
			oncommit={() => keeper.settle()}
			testId="first-greatest"
		/>
	{/snippet}
	{#snippet drawn()}
		<div class="drawn" bind:clientWidth={width}>
			<GimbalDrawing
				rig={keeper.rig}
				{parts}
				axes={[]}
				positionsM={{}}
				targetsM={null}
				nextId={null}
				{units}
				{width}
				height={300}
				plain
			/>
		</div>
	{/snippet}

	<div class="two">
		<div class="drawn" bind:clientWidth={width}>
			<GimbalDrawing
				rig={keeper.rig}
				{parts}
				axes={[]}
				positionsM={Object.fromEntries(geometry.slides.map(({ id, rangeM }) => [id, (rangeM[0] + rangeM[1]) / 2]))}
				targetsM={null}
				nextId={null}
				{units}
				{width}
				height={430}
				plain
			/>
			{#if shown}<p class="quiet small">Drawn with {shown.name}, every slide in the middle of its travel.</p>{/if}
		</div>
		<div>
			<h2>Arms</h2>
			<label class="stack"
				>Axes, outermost first
				<Choice
					value={order}
					onchange={(event) =>
						keeper.shape(withOrder(geometry, event.currentTarget.value as (typeof axisOrders)[number]))}
					data-testid="axis-order"
				>
					{#each axisOrders as each (each)}<option value={each}>{orderWords[each]}</option>{/each}
				</Choice>
			</label>
			<div class="grid">
				{#each lengthWords as [which, words] (which)}
					<QuantityField
						label={words}
						value={lengths[which]}
						quantity="length"
						{units}
						check={within(0.01, 1.5, 'Between 10 mm and 1.5 m.')}
						onvalue={(value) => keeper.shape(withLength(geometry, which, value), `length ${which}`)}
						oncommit={() => keeper.settle()}
						testId="length-{which}"
					/>
				{/each}
			</div>
			<h2>Carries</h2>
			<div class="grid">
				<QuantityField
					label="At least"
					value={draft.leastPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.'}
					onvalue={(leastPayloadKg) => keeper.set({ leastPayloadKg }, 'least')}
					oncommit={() => keeper.settle()}
					testId="least-payload"
				/>
				<QuantityField
					label="At most"
					value={draft.greatestPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value > draft.leastPayloadKg && value <= 200 ? null : 'More than the least, up to 200 kg.'}
					onvalue={(greatestPayloadKg) => keeper.set({ greatestPayloadKg }, 'greatest')}
					oncommit={() => keeper.settle()}
					testId="greatest-payload"
				/>
				{#each ['width', 'height', 'depth back'] as words, k (words)}
					{@const opening = geometry.openingM ?? [2 * lengths.halfWidthM, 2 * lengths.halfWidthM, lengths.reachM]}
					<QuantityField
						label="Clear {words}"
						value={opening[k] as number}
						quantity="length"
						{units}
						check={within(0.01, 3, 'Between 10 mm and 3 m.')}
						onvalue={(value) =>
							keeper.shape(
								{ openingM: opening.map((old, i) => (i === k ? value : old)) as unknown as Vec3 },
								`opening ${k}`
							)}
						oncommit={() => keeper.settle()}
					/>
				{/each}
			</div>
			<p class="quiet small">The maker’s manual has the last word on what a gimbal may carry.</p>
		</div>
	</div>

	<h2>Slides, in the order they are set</h2>
	<FigureTable rows={geometry.slides} columns={slideColumns(keeper)} {units} onsettle={() => keeper.settle()} />

	<div class="two">
		<div>
			<h2>Motors and friction</h2>
			<FigureTable rows={geometry.axes} columns={axisColumns(keeper)} {units} onsettle={() => keeper.settle()} />
			<h2>Other holes, and the cradle turned</h2>
			{#each alternatives as alternative, index (alternative.id)}
				<div class="row">
					<label class="stack grow"
						>{alternative.kind === 'useHole' ? 'Hole' : 'Cradle turned'}
						<TextInput
							value={alternative.label}
							maxlength={80}
							oninput={(event) =>
								keeper.shape(
									{
										alternatives: alternatives.map((each, k) =>
											k === index ? { ...each, label: event.currentTarget.value } : each
										)
									},
									`hole name ${index}`
								)}
						/>
					</label>
					{#each ['forward', 'left', 'up'] as words, k (words)}
						<QuantityField
							label={words}
							value={alternative.shiftM[k] as number}
							quantity="length"
							{units}
							check={within(-1, 1, 'Within 1 m.')}
							onvalue={(value) =>
								setShift(index, alternative.shiftM.map((old, i) => (i === k ? value : old)) as unknown as Vec3)}
							oncommit={() => keeper.settle()}
						/>
					{/each}
					<Button
						class="tool"
						onclick={() => keeper.shape({ alternatives: alternatives.filter((_, k) => k !== index) })}>Take out</Button
					>
				</div>
			{/each}
			<Button class="tool" onclick={addHole} data-testid="add-hole">Another hole</Button>
		</div>
		<div>
			<h2>Masses</h2>
			<FigureTable rows={geometry.parts} columns={partColumns(keeper)} {units} onsettle={() => keeper.settle()} />
			<h2>Modes</h2>
			<p>Its modes, and how each is reached, are on its <a href="/feel?choose">mode sheet at Feel</a>.</p>
		</div>
	</div>
</GearFrame>

<style>
	.grow {
		flex: 1 1 300px;
		min-width: 220px;
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
		gap: 10px 32px;
		align-items: start;
	}
	.drawn {
		border: 1px solid var(--rule);
	}
	.small {
		font-size: 13px;
		padding: 2px 8px;
	}
	.grid {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 14px;
		margin-top: 8px;
	}
	.row :global(.field) {
		width: 88px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
