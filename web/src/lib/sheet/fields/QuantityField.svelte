<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { onDestroy } from 'svelte';
	import { refused } from './refused.svelte';
	import { fieldText, fieldUnit, inUnits, type Quantity, readQuantity } from '$lib/sheet/units/display';

	interface Props {
		label: string;
		/** SI. */
		value: number;
		quantity: Quantity;
		units: UnitSystem;
		/** Called with SI for every readable change. */
		onvalue: (value: number) => void;
		/** Refuses a readable figure, in words. */
		check?: ((value: number) => string | null) | undefined;
		/** The label is there for readers of the screen only. */
		hideLabel?: boolean;
		/** Read off a scale that is printed in this unit, whatever a person likes. */
		printed?: boolean;
		disabled?: boolean;
		testId?: string | undefined;
		oncommit?: (() => void) | undefined;
	}
	let {
		label,
		value,
		quantity,
		units,
		onvalue,
		check = undefined,
		hideLabel = false,
		printed = false,
		disabled = false,
		testId = undefined,
		oncommit = undefined
	}: Props = $props();

	const uid = $props.id();
	/** While typing, the person's own text stands; otherwise the value's. */
	let typed = $state<string | null>(null);
	let problem = $state<string | null>(null);
	/** What stood before the first key: a figure that ends up refused leaves this, and not the part of it that could be read. */
	let before: number | null = null;
	const shown = $derived(typed ?? fieldText(value, quantity, units));

	function read(text: string) {
		before ??= value;
		typed = text;
		const result = readQuantity(text, quantity, units);
		const wrong = 'problem' in result ? null : (check?.(result.value) ?? null);
		problem = 'problem' in result ? result.problem : wrong === null ? null : inUnits(wrong, units);
		if (problem === null && 'value' in result) onvalue(result.value);
		else if (value !== before) onvalue(before);
		tell();
	}

	/** What is refused is not saved: the page says so, and undo takes it away. */
	function tell() {
		if (problem === null) refused.drop(uid);
		else refused.add(uid, () => (typed = problem = before = null));
	}
	onDestroy(() => refused.drop(uid));

	/** A figure that cannot be used stays in the field, with its message, until it is mended. */
	function leave() {
		if (problem === null) typed = before = null;
		oncommit?.();
	}

	function keys(event: KeyboardEvent) {
		const direction = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
		if (direction === 0 || quantity !== 'length') return;
		event.preventDefault();
		const next = value + direction * (event.shiftKey ? 0.01 : 0.001);
		if (check?.(next)) return;
		typed = problem = before = null;
		tell();
		onvalue(next);
	}
</script>

<span
	class="field"
	class:wrong={problem !== null}
	data-unit={fieldUnit(quantity, units)}
	data-printed={printed ? '' : undefined}
>
	<label for={uid} class:sr-only={hideLabel}>{label}</label>
	<span class="box">
		<input
			id={uid}
			type="text"
			inputmode="decimal"
			autocomplete="off"
			class="figure"
			value={shown}
			{disabled}
			data-testid={testId}
			aria-invalid={problem !== null}
			aria-describedby={problem === null ? undefined : `${uid}-problem`}
			oninput={(event) => read(event.currentTarget.value)}
			onblur={leave}
			onkeydown={keys}
		/>
		<span class="unit" aria-hidden="true">{fieldUnit(quantity, units)}</span>
	</span>
	{#if problem !== null}<span class="problem" id="{uid}-problem" role="alert">{problem}</span>{/if}
</span>

<style>
	.field {
		display: inline-flex;
		flex-direction: column;
		gap: 3px;
		font-size: 14px;
		position: relative;
	}
	.box {
		position: relative;
		display: block;
	}
	input {
		width: 100%;
		min-width: 64px;
		text-align: right;
		padding-left: 6px;
		padding-right: 34px;
		font-size: 16px;
	}
	.unit {
		position: absolute;
		right: 8px;
		top: 50%;
		transform: translateY(-50%);
		font-size: 13px;
		color: var(--quiet);
		pointer-events: none;
	}
	.wrong input {
		border-color: var(--clay);
		border-width: 2px;
	}
	.problem {
		color: var(--clay);
		font-size: 13px;
		max-width: 260px;
		white-space: normal;
	}
</style>
