<script lang="ts">
	import { limits } from '$lib/model/limits';
	import type { UnitSystem } from '$lib/model/person';
	import Button from '$lib/sheet/fields/Button.svelte';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { endRule, withEnd } from './ends';
	import { sledLimits } from './limits';
	import type { SledGeometry } from './model';
	import { withNewSection } from './shape';
	import { sectionColumns } from './sledColumns';

	/** The post by its sections, and the stage on top of it. */
	interface Props {
		geometry: SledGeometry;
		units: UnitSystem;
		shape: (next: SledGeometry, about?: string | null) => void;
		settle: () => void;
	}
	let { geometry, units, shape, settle }: Props = $props();
	const stage = (next: Partial<SledGeometry['stage']>, about: string) =>
		shape({ ...geometry, stage: { ...geometry.stage, ...next } }, about);
	const stageTravels = [
		['coarseForeM', 'clamp', 'back', 'forward'],
		['fineForeM', 'fore-aft knob', 'back', 'forward'],
		['fineSideM', 'side knob', 'right', 'left']
	] as const;
</script>

<div class="two">
	<div>
		<h2>Post</h2>
		<FigureTable
			rows={geometry.sections}
			columns={sectionColumns(geometry, shape)}
			{units}
			onsettle={settle}
			mayDrop={() => geometry.sections.length > 1}
			ondrop={({ id: gone }) =>
				shape({ ...geometry, sections: geometry.sections.filter((section) => section.id !== gone) })}
		/>
		<Button class="tool" disabled={geometry.sections.length >= 4} onclick={() => shape(withNewSection(geometry))}
			>Another section</Button
		>
		<div class="row fields">
			<QuantityField
				label="pulls out by"
				value={geometry.pullOutM}
				quantity="length"
				{units}
				check={allowed(sledLimits.pullOut, 'length')}
				onvalue={(pullOutM) => shape({ ...geometry, pullOutM }, 'pull out')}
				oncommit={settle}
			/>
			{#each [0, 1] as const as which (which)}
				<QuantityField
					label={which === 0 ? 'gimbal clamp from' : 'to, above the foot'}
					value={geometry.gimbalM[which]}
					quantity="length"
					{units}
					check={endRule(geometry.gimbalM, which, sledLimits.alongPost)}
					onvalue={(value) =>
						shape({ ...geometry, gimbalM: withEnd(geometry.gimbalM, which, value) }, `gimbal ${which}`)}
					oncommit={settle}
					testId="clamp-{which}"
				/>
			{/each}
			<QuantityField
				label="docking pin at"
				value={geometry.dockM}
				quantity="length"
				{units}
				check={allowed(sledLimits.alongPost, 'length')}
				onvalue={(dockM) => shape({ ...geometry, dockM }, 'dock')}
				oncommit={settle}
			/>
		</div>
	</div>
	<div>
		<h2>Top stage</h2>
		<div class="row fields">
			{#each ['length', 'width', 'height'] as words, k (words)}
				<QuantityField
					label={words}
					value={geometry.stage.sizeM[k] ?? 0}
					quantity="length"
					{units}
					check={allowed(sledLimits.itemSide, 'length')}
					onvalue={(value) =>
						stage(
							{
								sizeM: geometry.stage.sizeM.map((old, i) =>
									i === k ? value : old
								) as unknown as SledGeometry['stage']['sizeM']
							},
							`stage size ${k}`
						)}
					oncommit={settle}
				/>
			{/each}
			{#each [['massKg', 'mass, fixed half'], ['plateKg', 'mass, moving plate']] as const as [field, words] (field)}
				<QuantityField
					label={words}
					value={geometry.stage[field]}
					quantity="mass"
					{units}
					check={allowed(limits.partMass, 'mass')}
					onvalue={(value) => stage({ [field]: value }, `stage ${field}`)}
					oncommit={settle}
				/>
			{/each}
		</div>
		<div class="row fields">
			{#each stageTravels as [field, words, minus, plus] (field)}
				{#each [0, 1] as const as which (which)}
					<QuantityField
						label="{words}, {which === 0 ? minus : plus}"
						value={geometry.stage[field][which]}
						quantity="length"
						{units}
						check={endRule(geometry.stage[field], which, sledLimits.travel)}
						onvalue={(value) =>
							stage({ [field]: withEnd(geometry.stage[field], which, value) }, `stage ${field} ${which}`)}
						oncommit={settle}
					/>
				{/each}
			{/each}
			{#each [['foreMPerTurn', 'a turn fore-aft is'], ['sideMPerTurn', 'a turn sideways is']] as const as [field, words] (field)}
				<QuantityField
					label={words}
					value={geometry.stage[field]}
					quantity="length"
					{units}
					check={allowed(sledLimits.pitch, 'length')}
					onvalue={(value) => stage({ [field]: value }, `stage ${field}`)}
					oncommit={settle}
					testId="pitch-{field}"
				/>
			{/each}
		</div>
	</div>
</div>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 10px 28px;
		align-items: start;
	}
	.fields {
		margin-top: 10px;
	}
	.row :global(.field) {
		width: 126px;
		font-size: 13px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
