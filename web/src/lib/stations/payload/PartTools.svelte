<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { radFromDeg } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { cgSigmaOf } from '$lib/model/part';
	import type { StandingPart } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, together } from '$lib/sheet/units/display';
	import type { PayloadEditor } from './payloadEditor.svelte';

	/** What can be done with the part in hand: turn, mirror, copy, extend, put on an arm, let it move with another. */
	interface Props {
		editor: PayloadEditor;
		standing: StandingPart;
		units: UnitSystem;
	}
	let { editor, standing, units }: Props = $props();

	const { id } = $derived(standing);
	const attitude = $derived(standing.attitude);
	const others = $derived(editor.parts.filter((each) => each.id !== 'plate' && each.id !== id));
	const partner = $derived(
		attitude.group === null ? '' : (others.find((each) => each.attitude.group === attitude.group)?.id ?? '')
	);
	const canReach = $derived(
		standing.part.kind === 'monitor' || standing.part.kind === 'other' || attitude.arm !== null
	);
	const turns = [
		[2, 'Turn'],
		[1, 'Tip'],
		[0, 'Roll']
	] as const;
	const startArm = { lengthM: 0.12, aboutUpRad: Math.PI / 2, riseRad: 0, massKg: 0.06 };
	const sigma = $derived(Math.max(...cgSigmaOf(standing.part)));
</script>

<div class="tools" role="group" aria-label="What to do with {standing.part.name}">
	<div class="line">
		<Button onclick={() => editor.duplicate(id)} data-testid="duplicate">Duplicate</Button>
		<Button onclick={() => editor.mirror(id)} data-testid="mirror">Mirror</Button>
		{#each turns as [axis, words] (axis)}
			<Button onclick={() => editor.quarterTurn(id, axis)} data-testid="turn-{axis}">{words} 90°</Button>
		{/each}
		<label class="with">
			Moves with
			<Choice
				value={partner}
				onchange={(event) => editor.groupWith(id, event.currentTarget.value || null)}
				data-testid="moves-with"
			>
				<option value="">nothing</option>
				{#each others as other (other.id)}<option value={other.id}>{other.part.name}</option>{/each}
			</Choice>
		</label>
		<a href="/payload/{editor.id}/measure?part={standing.part.id}">
			{standing.part.shape.cgFromMiddleM === null
				? `Measure: ± ${together(showLength(sigma, units))}`
				: `Measured: ± ${together(showLength(sigma, units))}`}
		</a>
	</div>
	<div class="line">
		{#if standing.part.shape.extensionM > 0}
			<label class="extend">
				Extended
				<TextInput
					type="range"
					min={0}
					max={100}
					value={Math.round(attitude.extended * 100)}
					oninput={(event) =>
						editor.setAttitude(id, { extended: Number(event.currentTarget.value) / 100 }, `extend ${id}`)}
					onchange={() => editor.settle()}
					data-testid="extended"
				/>
				<span class="figure"
					>{together(showLength(standing.part.shape.extensionM * attitude.extended, units))} of {together(
						showLength(standing.part.shape.extensionM, units)
					)}</span
				>
			</label>
		{/if}
		<span class="narrow">
			<QuantityField
				label="Turned"
				value={attitude.aboutUpRad}
				quantity="angle"
				{units}
				check={(value) => (Math.abs(value) > radFromDeg(180) ? 'Between −180° and 180°.' : null)}
				onvalue={(aboutUpRad) => editor.setAttitude(id, { aboutUpRad }, `about ${id}`)}
				oncommit={() => editor.settle()}
				testId="about-up"
			/>
		</span>
		{#if attitude.arm !== null}
			{@const arm = attitude.arm}
			<span class="narrow"
				><QuantityField
					label="Arm reaches"
					value={arm.lengthM}
					quantity="length"
					{units}
					check={(value) => (value > 0 && value <= 2 ? null : 'More than 0, at most 2 m.')}
					onvalue={(lengthM) => editor.setAttitude(id, { arm: { ...arm, lengthM } }, `arm ${id}`)}
					oncommit={() => editor.settle()}
					testId="arm-length"
				/></span
			>
			<span class="narrow"
				><QuantityField
					label="out to the left"
					value={arm.aboutUpRad}
					quantity="angle"
					{units}
					check={(value) => (Math.abs(value) > radFromDeg(180) ? 'Between −180° and 180°.' : null)}
					onvalue={(aboutUpRad) => editor.setAttitude(id, { arm: { ...arm, aboutUpRad } }, `arm turn ${id}`)}
					oncommit={() => editor.settle()}
				/></span
			>
			<span class="narrow"
				><QuantityField
					label="and up"
					value={arm.riseRad}
					quantity="angle"
					{units}
					check={(value) => (Math.abs(value) > radFromDeg(90) ? 'Between −90° and 90°.' : null)}
					onvalue={(riseRad) => editor.setAttitude(id, { arm: { ...arm, riseRad } }, `arm rise ${id}`)}
					oncommit={() => editor.settle()}
				/></span
			>
			<span class="narrow"
				><QuantityField
					label="weighs"
					value={arm.massKg}
					quantity="mass"
					{units}
					check={(value) => (value >= 0 && value <= 5 ? null : 'Between 0 and 5 kg.')}
					onvalue={(massKg) => editor.setAttitude(id, { arm: { ...arm, massKg } }, `arm mass ${id}`)}
					oncommit={() => editor.settle()}
				/></span
			>
			<Button onclick={() => editor.setAttitude(id, { arm: null })}>Take the arm off</Button>
		{:else if canReach}
			<Button onclick={() => editor.setAttitude(id, { arm: startArm })} data-testid="arm">Put it on an arm</Button>
		{/if}
	</div>
</div>

<style>
	.tools {
		display: grid;
		gap: 4px;
		padding: 8px 18px 8px 26px;
		background: var(--press-wash);
		border-bottom: 1px solid var(--rule);
		font-size: 14px;
	}
	.tools :global(input) {
		min-height: 40px;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 8px;
		align-items: end;
	}
	.line > :global(button) {
		min-height: 40px;
		padding: 0 9px;
		border: 1px solid var(--edge);
		border-radius: 6px;
		background: var(--panel);
	}
	.line > :global(button:hover) {
		border-color: var(--press);
		color: var(--press);
	}
	.with,
	.extend {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 44px;
	}
	.with :global(select) {
		max-width: 128px;
		min-height: 40px;
		font-size: 14px;
	}
	.extend :global(input) {
		width: 130px;
		accent-color: var(--press);
		min-height: 44px;
	}
	.narrow :global(.field) {
		width: 98px;
	}
	a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		margin-left: auto;
	}
	@media (max-width: 700px) {
		.with,
		a {
			margin-left: 0;
		}
	}
</style>
