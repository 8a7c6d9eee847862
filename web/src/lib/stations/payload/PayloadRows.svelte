<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import type { Vec3 } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { StandingPart } from '$lib/model/payload';
	import { limits } from '$lib/model/limits';
	import type { UnitSystem } from '$lib/model/person';
	import { showMass, together } from '$lib/sheet/units/display';

	interface Props {
		parts: readonly StandingPart[];
		units: UnitSystem;
		selectedId: string | null;
		onselect: (id: string | null) => void;
		onmove: (id: string, positionM: Vec3, about: string) => void;
		onremove: (id: string) => void;
		onsettle: () => void;
	}
	let { parts, units, selectedId, onselect, onmove, onremove, onsettle }: Props = $props();

	const directions = ['forward', 'left', 'up'] as const;
	const furthestM = limits.onPlate.most;
	const within = (value: number) =>
		Math.abs(value) > furthestM ? 'Further than 3 m from the plate. Check the unit.' : null;
	const moved = (position: Vec3, axis: number, value: number): Vec3 =>
		position.map((old, k) => (k === axis ? value : old)) as unknown as Vec3;
</script>

<table>
	<caption class="sr-only"
		>Parts on the plate, where the middle of each part’s foot stands from the middle of the plate’s top</caption
	>
	<thead>
		<tr>
			<th scope="col">On the plate</th>
			<th scope="col" class="mass">Mass</th>
			{#each directions as direction (direction)}<th scope="col">{direction}</th>{/each}
			<th scope="col"><span class="sr-only">Take off</span></th>
		</tr>
	</thead>
	<tbody>
		{#each parts as { id, part, positionM } (id)}
			<tr class:chosen={id === selectedId} data-row={part.name}>
				<th scope="row">
					<Button class="name" aria-pressed={id === selectedId} onclick={() => onselect(id === selectedId ? null : id)}>
						{part.name}
						{#if part.shape.cgFromMiddleM === null}<span
								class="assumed"
								title="Centre of gravity not measured: taken as the middle">CG assumed</span
							>{/if}
					</Button>
				</th>
				<td class="figure mass">{together(showMass(part.massKg, units))}</td>
				{#each directions as direction, axis (direction)}
					<td>
						<span class="axis" aria-hidden="true">{direction}</span>
						<QuantityField
							label="{part.name}, {direction}"
							hideLabel
							value={positionM[axis] as number}
							quantity="length"
							{units}
							check={within}
							onvalue={(value) => onmove(id, moved(positionM, axis, value), `field ${id} ${axis}`)}
							oncommit={onsettle}
							testId="{direction}-{part.name}"
						/>
					</td>
				{/each}
				<td>
					<Button
						class="off"
						onclick={() => onremove(id)}
						aria-label="Take {part.name} off the plate"
						title="Take off (Delete)"
					>
						<svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true"
							><path d="M2 2l10 10M12 2L2 12" stroke="currentColor" stroke-width="1.8" /></svg
						>
					</Button>
				</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	thead th {
		text-align: right;
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		padding: 6px 6px 2px;
		position: sticky;
		top: 0;
		background: var(--ground);
		z-index: 1;
	}
	thead th:first-child {
		text-align: left;
		padding-left: 26px;
	}
	th[scope='row'] {
		text-align: left;
		font-weight: 400;
		padding-left: 16px;
	}
	td {
		padding: 3px 5px;
		text-align: right;
		vertical-align: middle;
	}
	td:not(.mass):not(:last-child) {
		width: 112px;
	}
	td.mass {
		white-space: nowrap;
		font-size: 15px;
	}
	th > :global(.name) {
		min-height: 44px;
		padding: 0 10px;
		text-align: left;
		font-size: 16px;
		width: 100%;
	}
	.assumed {
		display: inline-block;
		margin-left: 6px;
		font-size: 12px;
		color: var(--quiet);
		border-bottom: 1px dotted var(--quiet);
	}
	.axis {
		display: none;
	}
	.chosen {
		background: var(--press-wash);
	}
	.chosen :global(.name) {
		font-weight: 700;
	}
	td > :global(.off) {
		width: 44px;
		height: 44px;
		display: grid;
		place-items: center;
		color: var(--quiet);
		border-radius: 6px;
	}
	td > :global(.off:hover) {
		color: var(--clay);
		background: var(--clay-wash);
	}
	@media (max-width: 700px) {
		thead {
			display: none;
		}
		tr {
			display: grid;
			grid-template-columns: repeat(3, minmax(0, 1fr)) 44px;
			border-bottom: 1px solid var(--rule);
			padding: 4px 8px;
			align-items: center;
		}
		th[scope='row'] {
			grid-column: 1 / 3;
			padding-left: 0;
		}
		td.mass {
			grid-column: 3 / 5;
			padding-right: 10px;
		}
		td:not(.mass):not(:last-child) {
			width: auto;
		}
		.axis {
			display: block;
			font-size: 13px;
			color: var(--quiet);
			text-align: left;
		}
	}
</style>
