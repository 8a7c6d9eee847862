<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import { type PlanKind, planKinds, type PlanShape, type VenuePlan } from '$lib/model/venue';
	import {
		changedShape,
		isArea,
		kindWords,
		leastPoints,
		ofKind,
		onPlan,
		withMorePoint,
		withoutPoint,
		withPoint
	} from './plan';

	/** What is chosen on a plan: its name, its kind, its heights and its points. */
	interface Props {
		plan: VenuePlan;
		shape: PlanShape;
		units: UnitSystem;
		onchange: (next: VenuePlan, about?: string | null) => void;
		onsettle: () => void;
		ondrop: () => void;
	}
	let { plan, shape, units, onchange, onsettle, ondrop }: Props = $props();
	const height = (words: string, value: number) => (value >= 0 && value <= 200 ? null : `${words}: 0 to 200 m.`);
	const heights = $derived.by(() => {
		const { kind, bottomM, topM, id } = shape;
		const put = (next: Partial<PlanShape>, about: string) => onchange(changedShape(plan, id, next), about);
		if (kind === 'keepOut') return [];
		if (kind === 'line')
			return [
				{
					label: 'above the floor',
					value: topM,
					testId: 'shape-top',
					check: (value: number) => height('The line', value),
					put: (value: number) => put({ topM: value, bottomM: value }, 'top')
				}
			];
		return [
			{
				label: kind === 'people' ? 'heads up to' : 'top',
				value: topM,
				testId: 'shape-top',
				check: (value: number) => (value < bottomM ? 'Not under its bottom.' : height('The top', value)),
				put: (value: number) => put({ topM: value }, 'top')
			},
			{
				label: 'bottom',
				value: bottomM,
				testId: 'shape-bottom',
				check: (value: number) => (value > topM ? 'Not over its top.' : height('The bottom', value)),
				put: (value: number) => put({ bottomM: value }, 'bottom')
			}
		];
	});
</script>

<h2>{kindWords[shape.kind]}</h2>
<label class="stack"
	>Name
	<TextInput
		maxlength={80}
		value={shape.label}
		oninput={(event) => onchange(changedShape(plan, shape.id, { label: event.currentTarget.value }), 'label')}
		onblur={onsettle}
		data-testid="shape-label"
	/></label
>
<div class="row">
	<label class="stack"
		>It is
		<Choice
			value={shape.kind}
			onchange={(event) => onchange(ofKind(plan, shape, event.currentTarget.value as PlanKind))}
			data-testid="shape-kind"
		>
			{#each planKinds.filter((kind) => shape.pointsM.length >= leastPoints(kind)) as kind (kind)}<option value={kind}
					>{kindWords[kind]}</option
				>{/each}
		</Choice></label
	>
	{#each heights as { label, value, testId, check, put } (testId)}
		<QuantityField {label} {value} quantity="distance" {units} {check} onvalue={put} oncommit={onsettle} {testId} />
	{/each}
</div>
<div class="points">
	{#each shape.pointsM as point, index (index)}
		<div class="point">
			<span class="quiet">{index + 1}</span>
			{#each ['across', 'up the sheet'] as way, k (way)}
				<QuantityField
					hideLabel
					label="Point {index + 1} {way}"
					value={point[k as 0 | 1]}
					quantity="distance"
					{units}
					check={onPlan}
					onvalue={(value) =>
						onchange(withPoint(plan, shape, index, k === 0 ? [value, point[1]] : [point[0], value]), `point ${index}`)}
					oncommit={onsettle}
					testId="{k === 0 ? 'x' : 'y'}-{index}"
				/>
			{/each}
			{#if index < shape.pointsM.length - 1 || isArea(shape.kind)}
				<Button
					class="tool small"
					onclick={() => onchange(withMorePoint(plan, shape, index))}
					aria-label="Another point after point {index + 1}">+</Button
				>
			{/if}
			{#if shape.pointsM.length > leastPoints(shape.kind)}
				<Button
					class="tool small"
					onclick={() => onchange(withoutPoint(plan, shape, index))}
					aria-label="Take point {index + 1} out">−</Button
				>
			{/if}
		</div>
	{/each}
</div>
<div class="actions">
	<Button class="tool" onclick={ondrop} data-testid="drop-shape">Take it off the plan</Button>
</div>

<style>
	.points {
		max-height: 300px;
		overflow-y: auto;
		margin-top: 8px;
	}
	.point > .quiet {
		width: 18px;
	}
	.point {
		display: flex;
		gap: 6px;
		align-items: center;
		margin-bottom: 4px;
	}
	.point :global(.field),
	.row :global(.field) {
		width: 104px;
	}
	.point > :global(.small) {
		min-width: 44px;
		padding: 0 8px;
	}
</style>
