<script lang="ts" generics="Row extends { readonly id: string }">
	import type { UnitSystem } from '$lib/model/person';
	import type { Column } from './columns';
	import QuantityField from './QuantityField.svelte';

	/** A table that is written in, described by its columns. */
	interface Props {
		rows: readonly Row[];
		columns: readonly Column<Row>[];
		units: UnitSystem;
		onsettle: () => void;
		/** Takes a row out; no button where it may not go. */
		ondrop?: ((row: Row) => void) | undefined;
		mayDrop?: (row: Row) => boolean;
	}
	let { rows, columns, units, onsettle, ondrop = undefined, mayDrop = () => true }: Props = $props();
</script>

<div class="scroll">
	<table>
		<thead
			><tr
				>{#each columns as { head } (head)}<th scope="col">{head}</th>{/each}{#if ondrop}<th scope="col"
						><span class="sr-only">Take out</span></th
					>{/if}</tr
			></thead
		>
		<tbody>
			{#each rows as row (row.id)}
				<tr data-row={row.id}>
					{#each columns as column (column.head)}
						{#if column.kind === 'name'}
							<th scope="row"
								>{column.get(row)}{#if column.under}<small class="quiet">{column.under(row)}</small>{/if}</th
							>
						{:else if column.kind === 'text'}
							<td
								><input
									type="text"
									class:narrow={column.narrow}
									value={column.get(row)}
									maxlength={column.most ?? 120}
									aria-label={column.label(row)}
									oninput={(event) => column.set(row, event.currentTarget.value)}
									onblur={onsettle}
								/></td
							>
						{:else if column.kind === 'choice'}
							<td
								><select
									value={column.get(row)}
									aria-label={column.label(row)}
									onchange={(event) => column.set(row, event.currentTarget.value)}
									data-testid={column.testId?.(row)}
									>{#each column.options(row) as [value, words] (value)}<option {value}>{words}</option>{/each}</select
								></td
							>
						{:else if column.kind === 'told'}
							<td class="number figure" class:bad={column.bad?.(row)}>{column.get(row)}</td>
						{:else}
							{@const value = column.get(row)}
							<td
								>{#if value === null}<span class="quiet">–</span>{:else}<QuantityField
										hideLabel
										label={column.label(row)}
										{value}
										quantity={column.quantity}
										{units}
										check={(typed) => column.check?.(row, typed) ?? null}
										onvalue={(typed) => column.set(row, typed)}
										oncommit={onsettle}
										testId={column.testId?.(row)}
									/>{/if}</td
							>
						{/if}
					{/each}
					{#if ondrop}
						<td
							>{#if mayDrop(row)}<button type="button" class="tool" onclick={() => ondrop(row)}>Take out</button
								>{/if}</td
						>
					{/if}
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	small {
		display: block;
		font-size: 12.5px;
		font-weight: 400;
	}
	td :global(.field) {
		width: 100px;
	}
	input {
		min-width: 150px;
	}
	.narrow {
		min-width: 0;
		width: 110px;
	}
	select {
		font-size: 15px;
	}
	.bad {
		color: var(--clay);
	}
</style>
