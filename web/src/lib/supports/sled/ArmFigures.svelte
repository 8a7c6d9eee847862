<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import FigureTable from '$lib/sheet/fields/FigureTable.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { withEnd } from './ends';
	import { sledLimits } from './limits';
	import type { SledGeometry } from './model';
	import { armColumns } from './sledColumns';

	/** The arm by its sections, and its socket block. */
	interface Props {
		geometry: SledGeometry;
		units: UnitSystem;
		shape: (next: SledGeometry, about?: string | null) => void;
		settle: () => void;
	}
	let { geometry, units, shape, settle }: Props = $props();
</script>

<h2>Arm and socket block</h2>
<FigureTable
	rows={geometry.arm.sections}
	columns={armColumns(geometry, shape)}
	{units}
	onsettle={settle}
	mayDrop={() => geometry.arm.sections.length > 1}
	ondrop={({ id: gone }) =>
		shape({
			...geometry,
			arm: { ...geometry.arm, sections: geometry.arm.sections.filter((section) => section.id !== gone) }
		})}
/>
<div class="row fields">
	{#each [0, 1] as const as which (which)}
		<QuantityField
			label={which === 0 ? 'arm lifts from' : 'to'}
			value={geometry.arm.rangeKg[which]}
			quantity="mass"
			{units}
			check={allowed(sledLimits.armRange, 'mass')}
			onvalue={(value) =>
				shape(
					{ ...geometry, arm: { ...geometry.arm, rangeKg: withEnd(geometry.arm.rangeKg, which, value) } },
					`arm ${which}`
				)}
			oncommit={settle}
		/>
	{/each}
	<QuantityField
		label="gimbal and fittings"
		value={geometry.arm.gimbalKg}
		quantity="mass"
		{units}
		check={allowed(sledLimits.armGimbal, 'mass')}
		onvalue={(gimbalKg) => shape({ ...geometry, arm: { ...geometry.arm, gimbalKg } }, 'arm gimbal')}
		oncommit={settle}
	/>
	<label class="stack"
		>its setting counts
		<TextInput
			value={geometry.arm.unit}
			maxlength={20}
			oninput={(event) => shape({ ...geometry, arm: { ...geometry.arm, unit: event.currentTarget.value } }, 'arm unit')}
			onblur={settle}
		/>
	</label>
	{#each [0, 1] as const as which (which)}
		<QuantityField
			label={which === 0 ? 'threads from' : 'threads to'}
			value={geometry.arm.threads[which]}
			quantity="count"
			{units}
			check={allowed(sledLimits.threads, 'count')}
			onvalue={(value) =>
				shape(
					{ ...geometry, arm: { ...geometry.arm, threads: withEnd(geometry.arm.threads, which, value) } },
					`threads ${which}`
				)}
			oncommit={settle}
		/>
	{/each}
</div>

<style>
	.fields {
		margin-top: 10px;
	}
	.row :global(.field) {
		width: 126px;
		font-size: 13px;
	}
</style>
