<script lang="ts">
	import { allowed } from '$lib/sheet/units/allowed';
	import { craneLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { showMove, together } from '$lib/sheet/units/display';
	import { sharedCraneBench } from './craneBench.svelte';
	import { plateInWords } from './slip';
	import { pullsOutM } from './standing';

	/** What hangs, how the arm is built, and how its nose is wanted; typed as it stands. */
	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const setting = $derived(bench.setting);
	const within = (least: number, greatest: number, words: string) => (value: number) =>
		value >= least && value <= greatest ? null : words;
	const toggle = (id: string) =>
		bench.stands(
			{ fitted: setting.fitted.includes(id) ? setting.fitted.filter((each) => each !== id) : [...setting.fitted, id] },
			`section ${id}`
		);
</script>

<div class="fields" data-testid="crane-settings">
	<fieldset>
		<legend>Plates hung</legend>
		{#each geometry.plates as plate, index (index)}
			<QuantityField
				label="× {plateInWords(plate.massKg, units)}"
				value={setting.hung[index] ?? 0}
				quantity="count"
				{units}
				check={(value) =>
					Number.isInteger(value) && value >= 0 && value <= plate.count ? null : `0 to ${plate.count} are at hand.`}
				onvalue={(value) =>
					bench.stands(
						{ hung: geometry.plates.map((_, k) => (k === index ? value : (setting.hung[k] ?? 0))) },
						`hung ${index}`
					)}
				oncommit={() => bench.document.settle()}
				testId="hung-{index}"
			/>
		{/each}
	</fieldset>
	<fieldset>
		<legend>Trim</legend>
		<QuantityField
			label="behind the pivot"
			value={-setting.trimU}
			quantity="length"
			{units}
			check={(value) =>
				-value >= geometry.trim.rangeU[0] - 1e-9 && -value <= geometry.trim.rangeU[1] + 1e-9
					? null
					: `Its travel is ${together(showMove(-geometry.trim.rangeU[1], units))} to ${together(showMove(-geometry.trim.rangeU[0], units))}.`}
			onvalue={(value) => bench.stands({ trimU: -value }, 'trim')}
			oncommit={() => bench.document.settle()}
			testId="trim"
		/>
	</fieldset>
	<fieldset>
		<legend>Arm</legend>
		{#each geometry.sections.slice(1) as { id, label } (id)}
			<Button
				class="chip"
				aria-pressed={setting.fitted.includes(id)}
				onclick={() => toggle(id)}
				data-testid="fitted-{id}">{label}</Button
			>
		{/each}
		{#if pullsOutM(geometry, setting.fitted) > 0}
			<QuantityField
				label="pulled out"
				value={setting.pulledOutM}
				quantity="length"
				{units}
				check={within(
					0,
					pullsOutM(geometry, setting.fitted),
					`Up to ${together(showMove(pullsOutM(geometry, setting.fitted), units))}.`
				)}
				onvalue={(pulledOutM) => bench.stands({ pulledOutM }, 'pulled')}
				oncommit={() => bench.document.settle()}
				testId="pulled-out"
			/>
		{/if}
		{#if geometry.pivotHeightM[1] > geometry.pivotHeightM[0]}
			<QuantityField
				label="pivot above the floor"
				value={setting.pivotHeightM}
				quantity="length"
				{units}
				check={within(
					geometry.pivotHeightM[0],
					geometry.pivotHeightM[1],
					`Between ${together(showMove(geometry.pivotHeightM[0], units))} and ${together(showMove(geometry.pivotHeightM[1], units))}.`
				)}
				onvalue={(pivotHeightM) => bench.stands({ pivotHeightM }, 'pivot')}
				oncommit={() => bench.document.settle()}
			/>
		{/if}
	</fieldset>
	<fieldset>
		<legend>Nose</legend>
		<QuantityField
			label="heavy by"
			value={bench.state.noseBiasKg}
			quantity="mass"
			{units}
			check={allowed(craneLimits.noseBias, 'mass')}
			onvalue={(noseBiasKg) => bench.change({ noseBiasKg, choice: 0 }, 'bias')}
			oncommit={() => bench.document.settle()}
			testId="nose-bias"
		/>
		<QuantityField
			label="moved by a push of"
			value={bench.state.pushMovesKg}
			quantity="mass"
			{units}
			check={allowed(craneLimits.pushMoves, 'mass')}
			onvalue={(pushMovesKg) => bench.change({ pushMovesKg }, 'push moves')}
			oncommit={() => bench.document.settle()}
			testId="push-moves"
		/>
	</fieldset>
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
		flex-wrap: wrap;
		gap: 10px;
		align-items: end;
	}
	fieldset :global(.field) {
		width: 104px;
		color: var(--quiet);
		font-size: 13px;
	}
	legend {
		font-weight: 700;
		font-size: 14px;
	}
</style>
