<script lang="ts">
	import { degFromRad } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import type { ItemSetting, Travel } from './model';
	import { showLength, together } from '$lib/sheet/units/display';
	import type { SledBench } from './sledBench.svelte';
	import { gimbalTravel, itemAt, swingRad } from './standing';

	/** Where everything stands, in figures; every one can be typed. */
	interface Props {
		bench: SledBench;
		units: UnitSystem;
		selectedId: string | null;
	}
	let { bench, units, selectedId }: Props = $props();

	const geometry = $derived(bench.support.geometry);
	const setting = $derived(bench.setting);
	const within = (travel: Travel) => (value: number) =>
		value >= travel[0] - 1e-9 && value <= travel[1] + 1e-9
			? null
			: `Its travel is ${together(showLength(travel[0], units))}${travel[0] < 0 ? ' back' : ''} to ${together(showLength(travel[1], units))}.`;
	const ways = [
		['foreM', 'forward'],
		['sideM', 'left'],
		['upM', 'up']
	] as const satisfies readonly (readonly [keyof ItemSetting, string])[];
	const moving = $derived(geometry.items.filter((item) => item.foreM ?? item.sideM ?? item.upM ?? item.tilts));
	const settle = () => bench.document.settle();
</script>

<div class="fields" data-testid="sled-settings">
	<fieldset class:chosen={selectedId === 'gimbal'}>
		<legend>Gimbal and post</legend>
		<QuantityField
			label="above the foot"
			value={setting.gimbalM}
			quantity="length"
			{units}
			check={within(gimbalTravel(geometry, setting.pulledOutM))}
			onvalue={(gimbalM) => bench.stands({ gimbalM }, 'field gimbal')}
			oncommit={settle}
			testId="gimbal-height"
		/>
		<QuantityField
			label="pulled out"
			value={setting.pulledOutM}
			quantity="length"
			{units}
			check={within([0, geometry.pullOutM])}
			onvalue={(pulledOutM) => bench.stands({ pulledOutM }, 'field post')}
			oncommit={settle}
			testId="pulled-out"
		/>
	</fieldset>
	<fieldset class:chosen={selectedId === 'camera'}>
		<legend>Camera plate</legend>
		<QuantityField
			label="clamp, forward"
			value={setting.coarseForeM}
			quantity="length"
			{units}
			check={within(geometry.stage.coarseForeM)}
			onvalue={(coarseForeM) => bench.stands({ coarseForeM }, 'field coarse')}
			oncommit={settle}
			testId="plate-coarse"
		/>
		<QuantityField
			label="knob, forward"
			value={setting.fineForeM}
			quantity="length"
			{units}
			check={within(geometry.stage.fineForeM)}
			onvalue={(fineForeM) => bench.stands({ fineForeM }, 'field fine')}
			oncommit={settle}
			testId="plate-fine"
		/>
		<QuantityField
			label="knob, left"
			value={setting.fineSideM}
			quantity="length"
			{units}
			check={within(geometry.stage.fineSideM)}
			onvalue={(fineSideM) => bench.stands({ fineSideM }, 'field side')}
			oncommit={settle}
			testId="plate-side"
		/>
	</fieldset>
	{#each moving as item (item.id)}
		{@const now = itemAt(setting, item.id)}
		<fieldset class:chosen={selectedId === item.id}>
			<legend>{item.label}</legend>
			{#each ways as [field, word] (field)}
				{@const travel = item[field]}
				{#if travel !== null}
					<QuantityField
						label={item.swingM && field === 'foreM'
							? `forward, ${degFromRad(swingRad(item.swingM, now.foreM)).toFixed(0)}° out`
							: word}
						value={now[field]}
						quantity="length"
						{units}
						check={within(travel)}
						onvalue={(value) => bench.itemStands(item.id, { [field]: value }, `field ${item.id} ${field}`)}
						oncommit={settle}
						testId="{item.id}-{field}"
					/>
				{/if}
			{/each}
			{#if item.tilts}
				<QuantityField
					label="tipped back"
					value={now.tiltRad}
					quantity="angle"
					{units}
					check={(value) => (Math.abs(value) <= 1.4 ? null : 'Between −80° and 80°.')}
					onvalue={(tiltRad) => bench.itemStands(item.id, { tiltRad }, `field ${item.id} tilt`)}
					oncommit={settle}
					testId="{item.id}-tilt"
				/>
			{/if}
		</fieldset>
	{/each}
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 22px;
		padding: 8px 18px 14px 26px;
		border-top: 1px solid var(--rule);
	}
	fieldset {
		display: flex;
		gap: 10px;
		align-items: start;
	}
	fieldset :global(.field) {
		width: 108px;
		color: var(--quiet);
		font-size: 13px;
	}
	legend {
		font-weight: 700;
		font-size: 14px;
		padding: 0;
	}
	.chosen legend {
		color: var(--press);
		text-decoration: underline;
	}
	@media (max-width: 700px) {
		.fields {
			padding: 8px 12px;
		}
		fieldset {
			flex-wrap: wrap;
		}
	}
</style>
