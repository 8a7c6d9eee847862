<script lang="ts">
	import type { AxisState } from '@poise/core';
	import type { UnitSystem } from '$lib/model/person';
	import type { Gimbal } from './model';
	import { showMass, showShare, showTorque, together } from '$lib/sheet/units/display';

	let { rig, axes, massKg, units }: { rig: Gimbal; axes: readonly AxisState[]; massKg: number; units: UnitSystem } =
		$props();
	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
	/** Innermost first, as they are balanced. */
	const rows = $derived([...axes].reverse());
</script>

<dl>
	<div>
		<dt>Payload</dt>
		<dd class="figure">{together(showMass(massKg, units))}</dd>
	</div>
	{#each rows as { id, motorShare, residualTorqueNm } (id)}
		<div
			class:hot={motorShare !== null && motorShare > 0.1}
			title="{together(showTorque(residualTorqueNm, units))} in the worst pose"
		>
			<dt>{labelOf(id)} motor</dt>
			<dd class="figure" data-testid="share-{id}">{together(showShare(motorShare))}</dd>
		</div>
	{/each}
</dl>

<style>
	/* The title strip of a workshop drawing. */
	dl {
		display: flex;
		background: var(--panel);
		border: 1.2px solid var(--ink);
	}
	dl div {
		flex: 1 0 auto;
		padding: 2px 12px 3px;
		min-width: 78px;
	}
	dl div + div {
		border-left: 1px solid var(--rule);
	}
	dt {
		font-size: 12.5px;
		color: var(--quiet);
		line-height: 1.2;
	}
	dd {
		font-weight: 700;
		font-size: 16px;
		line-height: 1.2;
		white-space: nowrap;
	}
	.hot dd {
		color: var(--clay);
	}
</style>
