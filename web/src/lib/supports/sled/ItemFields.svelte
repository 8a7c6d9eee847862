<script lang="ts">
	import { allowed } from '$lib/sheet/units/allowed';
	import { limits } from '$lib/model/limits';
	import { endRule } from './ends';
	import { sledLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import { type SledItem, sledItemKinds } from './model';
	import { type Mounting, mounted, mountingOf } from './shape';

	/** Everything about one thing on the post, in figures. */
	interface Props {
		item: SledItem;
		units: UnitSystem;
		onchange: (next: Partial<SledItem>, about: string) => void;
		onsettle: () => void;
		ondrop: () => void;
	}
	let { item, units, onchange, onsettle, ondrop }: Props = $props();

	const kindWords = {
		monitor: 'monitor',
		battery: 'battery',
		electronics: 'electronics',
		accessory: 'accessory',
		cable: 'cable'
	};
	const mountingWords: Readonly<Record<Mounting, string>> = {
		fixed: 'fixed',
		slide: 'one, on a slide',
		pair: 'two, side by side',
		swing: 'two, on swing arms'
	};
	const sizes = ['length', 'width', 'height'] as const;
	const places = ['forward', 'left', 'up'] as const;
	const travels = [
		['foreM', 'fore-aft', 'back', 'forward'],
		['sideM', 'side', 'right', 'left'],
		['upM', 'up and down', 'down', 'up']
	] as const;
	const replaced = <T extends readonly number[]>(list: T, index: number, value: number): T =>
		list.map((old, k) => (k === index ? value : old)) as unknown as T;
</script>

<fieldset data-testid="item-fields">
	<legend>{item.label}</legend>
	<div class="row">
		<label class="stack grow"
			>Name
			<TextInput
				value={item.label}
				maxlength={80}
				oninput={(event) => onchange({ label: event.currentTarget.value }, 'name')}
				onblur={onsettle}
			/>
		</label>
		<label class="stack"
			>What
			<Choice
				value={item.kind}
				onchange={(event) => onchange({ kind: event.currentTarget.value as SledItem['kind'] }, 'kind')}
			>
				{#each sledItemKinds as kind (kind)}<option value={kind}>{kindWords[kind]}</option>{/each}
			</Choice>
		</label>
		<label class="stack"
			>Held
			<Choice
				value={mountingOf(item)}
				onchange={(event) => onchange(mounted(item, event.currentTarget.value as Mounting), 'mounting')}
				data-testid="mounting"
			>
				{#each Object.entries(mountingWords) as [value, words] (value)}<option {value}>{words}</option>{/each}
			</Choice>
		</label>
		<QuantityField
			label={item.pair ? 'mass of one' : 'mass'}
			value={item.massKg}
			quantity="mass"
			{units}
			check={allowed(limits.partMass, 'mass')}
			onvalue={(massKg) => onchange({ massKg }, 'mass')}
			oncommit={onsettle}
			testId="item-mass"
		/>
		<label class="tilts"
			><Tick
				checked={item.tilts === true}
				onchange={(event) => onchange({ tilts: event.currentTarget.checked }, 'tilts')}
			/> tilts</label
		>
	</div>
	<div class="row">
		{#each sizes as words, index (words)}
			<QuantityField
				label={words}
				value={item.sizeM[index] ?? 0}
				quantity="length"
				{units}
				check={allowed(sledLimits.itemSide, 'length')}
				onvalue={(value) => onchange({ sizeM: replaced(item.sizeM, index, value) }, `size ${index}`)}
				oncommit={onsettle}
			/>
		{/each}
		{#each places as words, index (words)}
			<QuantityField
				label="its middle, {words}"
				value={item.atM[index] ?? 0}
				quantity="length"
				{units}
				check={allowed(limits.onPlate, 'length')}
				onvalue={(value) => onchange({ atM: replaced(item.atM, index, value) }, `at ${index}`)}
				oncommit={onsettle}
				testId="item-at-{index}"
			/>
		{/each}
		{#if item.swingM != null}
			<QuantityField
				label="arm’s length"
				value={item.swingM}
				quantity="length"
				{units}
				check={allowed(sledLimits.swingArm, 'length')}
				onvalue={(swingM) => onchange({ swingM }, 'swing')}
				oncommit={onsettle}
			/>
		{/if}
	</div>
	<div class="row">
		{#each travels as [field, words, minus, plus] (field)}
			{@const travel = item[field]}
			{#if !(field === 'sideM' && item.pair)}
				<label class="tilts"
					><Tick
						checked={travel !== null}
						onchange={(event) =>
							onchange({ [field]: event.currentTarget.checked ? [-0.05, 0.05] : null }, `slide ${field}`)}
					/>
					slides {words}</label
				>
				{#if travel !== null}
					{#each [0, 1] as const as which (which)}
						<QuantityField
							label={which === 0 ? `to ${minus}` : `to ${plus}`}
							value={travel[which]}
							quantity="length"
							{units}
							check={endRule(travel, which, sledLimits.travel)}
							onvalue={(value) => onchange({ [field]: replaced(travel, which, value) }, `${field} ${which}`)}
							oncommit={onsettle}
							testId="item-{field}-{which}"
						/>
					{/each}
				{/if}
			{/if}
		{/each}
		<Button class="tool" onclick={ondrop} data-testid="item-drop">Take it off the sled</Button>
	</div>
</fieldset>

<style>
	fieldset {
		border: 1px solid var(--rule);
		background: var(--panel);
		padding: 8px 14px 14px;
		display: grid;
		gap: 10px;
	}
	legend {
		font-weight: 700;
		padding: 0 6px;
	}
	.row :global(.field) {
		width: 112px;
		font-size: 13px;
	}
	.grow {
		flex: 1 1 180px;
	}
	.tilts {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 15px;
	}
</style>
