<script lang="ts">
	import Vial from '$lib/sheet/vial/Vial.svelte';

	/** How each thing that is balanced stands: its vial, and beside it the figure in words. */
	interface Row {
		readonly id: string;
		readonly name: string;
		/** What moves the bubble to the left and to the right. */
		readonly ends?: readonly [minus: string, plus: string];
		/** 1 and −1 are the ends of what is good. */
		readonly offset: number;
		readonly now: string;
		readonly note: string;
	}
	interface Props {
		rows: readonly Row[];
		/** Of the grid, where names or ends want other widths than usual. */
		columns?: string;
	}
	let { rows, columns }: Props = $props();
	const withEnds = $derived(rows.some(({ ends }) => ends !== undefined));
</script>

<ul class="states" class:ends={withEnds} style:--columns={columns}>
	{#each rows as { id, name, ends, offset, now, note } (id)}
		<li data-state={id} data-good={Math.abs(offset) <= 1}>
			<span class="name">{name}</span>{#if withEnds}<span class="end">{ends?.[0] ?? ''}</span>{/if}<Vial
				{offset}
				label="{name}: {now}"
			/>{#if withEnds}<span class="end">{ends?.[1] ?? ''}</span>{/if}<span class="now"
				><strong>{now}</strong> <small>{note}</small></span
			>
		</li>
	{/each}
</ul>

<style>
	.states {
		padding: 4px 18px 4px 26px;
	}
	li {
		display: grid;
		grid-template-columns: var(--columns, 150px minmax(80px, 1fr) minmax(220px, 1.4fr));
		align-items: center;
		gap: 10px;
		min-height: 34px;
	}
	.ends li {
		grid-template-columns: var(--columns, 150px 82px minmax(80px, 1fr) 60px minmax(190px, 1.25fr));
	}
	.name {
		font-weight: 700;
		font-size: 15px;
	}
	.end {
		font-size: 12.5px;
		color: var(--quiet);
	}
	.end:nth-child(2) {
		text-align: right;
	}
	strong {
		white-space: nowrap;
	}
	.now {
		font-size: 15px;
		line-height: 1.15;
	}
	small {
		color: var(--quiet);
		font-size: 12.5px;
		margin-left: 6px;
	}
	@media (max-width: 900px) {
		li,
		.ends li {
			grid-template-columns: 1fr 1fr;
			padding: 6px 0;
		}
		.end {
			display: none;
		}
		.now {
			grid-column: 1 / 3;
		}
	}
</style>
