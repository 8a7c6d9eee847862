<script lang="ts">
	import type { AxisState } from '@poise/core';
	import type { UnitSystem } from '$lib/model/person';
	import type { Rig } from '$lib/model/rig';
	import { showMass, showShare, together } from '$lib/units/display';

	let { rig, axes, massKg, units }: { rig: Rig; axes: readonly AxisState[]; massKg: number; units: UnitSystem } = $props();
	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
	/** Innermost first, as they are balanced. */
	const rows = $derived([...axes].reverse());
</script>

<table>
	<caption>{rig.name}</caption>
	<tbody>
		<tr>
			<th scope="row">Payload</th>
			<td class="figure">{together(showMass(massKg, units))}</td>
		</tr>
		{#each rows as { id, motorShare, residualTorqueNm } (id)}
			<tr class:hot={motorShare !== null && motorShare > 0.1}>
				<th scope="row">{labelOf(id)} motor</th>
				<td class="figure" title="{residualTorqueNm.toFixed(3)} N·m in the worst pose, power on" data-testid="share-{id}"
					>{together(showShare(motorShare))}</td
				>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		background: var(--panel);
		border: 1.2px solid var(--ink);
		font-size: 14px;
		min-width: 176px;
	}
	caption {
		text-align: left;
		font-weight: 700;
		background: var(--panel);
		border: 1.2px solid var(--ink);
		border-bottom: 0;
		padding: 3px 8px;
	}
	th {
		text-align: left;
		font-weight: 400;
		color: var(--quiet);
		padding: 2px 8px;
	}
	td {
		text-align: right;
		padding: 2px 8px;
		font-weight: 700;
	}
	tr + tr {
		border-top: 1px solid var(--rule);
	}
	.hot td {
		color: var(--clay);
	}
</style>
