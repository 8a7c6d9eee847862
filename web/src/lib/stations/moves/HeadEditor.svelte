<script lang="ts">
	import { editGear, headGear } from '$lib/keeping/editGear';
	import { type AxisFigures, type Head, type HeadDraft, type HeadFigures, headLimits } from '$lib/model/head';
	import type { Limit } from '$lib/model/limits';
	import type { Person } from '$lib/model/person';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import type { Quantity } from '$lib/sheet/units/display';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import HeadReach from './HeadReach.svelte';

	interface Props {
		data: { readonly head: Head; readonly person: Person };
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another head.
	// svelte-ignore state_referenced_locally
	const { id } = data.head;
	// svelte-ignore state_referenced_locally
	const kept = editGear<HeadDraft>(headGear, data.head);
	const units = $derived(data.person.units);
	const head = $derived(kept.value.head);
	const set = (next: Partial<HeadFigures>, about: string | null = null) =>
		kept.set({ ...kept.value, head: { ...head, ...next } }, about);
	const settle = () => kept.settle();

	interface Row {
		readonly id: string;
		readonly label: string;
		readonly value: number;
		readonly quantity: Quantity;
		readonly check: (value: number) => string | null;
		readonly put: (value: number) => void;
	}
	const axisRows = (key: 'pan' | 'tilt' | 'roll', axis: AxisFigures): Row[] => {
		const to = (next: Partial<AxisFigures>) => set({ [key]: { ...axis, ...next } }, `${key}`);
		const within = (limit: Limit, quantity: Quantity) => allowed(limit, quantity);
		return [
			...([0, 1] as const).map((k) => ({
				id: `${key}-${k}`,
				label: k === 0 ? 'from' : 'to',
				value: axis.range[k],
				quantity: 'angle' as const,
				check: (value: number) =>
					within(headLimits.turn, 'angle')(value) ??
					((k === 0 ? value < axis.range[1] : value > axis.range[0]) ? null : 'The one before the other.'),
				put: (value: number) => to({ range: k === 0 ? [value, axis.range[1]] : [axis.range[0], value] })
			})),
			{
				id: `${key}-rate`,
				label: 'at most',
				value: axis.maxRate,
				quantity: 'turnRate',
				check: within(headLimits.rate, 'turnRate'),
				put: (maxRate) => to({ maxRate })
			},
			{
				id: `${key}-accel`,
				label: 'gains a second',
				value: axis.maxAccel,
				quantity: 'turnRate',
				check: within(headLimits.accel, 'turnRate'),
				put: (maxAccel) => to({ maxAccel })
			}
		];
	};
	const motorRows = (key: 'focus' | 'zoom'): Row[] => {
		const motor = head[key];
		if (motor === null) return [];
		return [
			{
				id: `${key}-turns`,
				label: 'the ring, end to end, turns',
				value: motor.turns,
				quantity: 'count',
				check: allowed(headLimits.ringTurns, 'count'),
				put: (turns) => set({ [key]: { ...motor, turns } }, key)
			},
			{
				id: `${key}-rate`,
				label: 'turns a second',
				value: motor.maxTurnsPerS,
				quantity: 'count',
				check: allowed(headLimits.ringRate, 'count'),
				put: (maxTurnsPerS) => set({ [key]: { ...motor, maxTurnsPerS } }, key)
			}
		];
	};
	const rollFresh: AxisFigures = { range: [-0.7, 0.7], maxRate: 0.5, maxAccel: 1 };
</script>

{#snippet rows(of: readonly Row[])}
	<div class="row">
		{#each of as { id: field, label, value, quantity, check, put } (field)}
			<QuantityField {label} {value} {quantity} {units} {check} onvalue={put} oncommit={settle} testId={field} />
		{/each}
	</div>
{/snippet}

{#snippet weighs()}
	<QuantityField
		label="weighs"
		value={head.massKg}
		quantity="mass"
		{units}
		check={allowed(headLimits.mass, 'mass')}
		onvalue={(massKg) => set({ massKg }, 'mass')}
		oncommit={settle}
		testId="head-mass"
	/>
{/snippet}
{#snippet reach()}
	<div class="reach"><HeadReach {head} size={250} /></div>
{/snippet}

<GearFrame
	place={headGear}
	{id}
	document={kept}
	links={[]}
	goesToo="its figures; moves keep their own copy"
	onward={{ href: `/moves?all&head=${id}`, words: 'Plan a move with it' }}
	drawn={reach}
>
	{#snippet first()}
		{@render weighs()}
		{#each ['pan', 'tilt'] as const as key (key)}
			{@const { value, quantity, check, put } = axisRows(key, head[key])[2]!}
			<QuantityField
				label="{key}, at most"
				{value}
				{quantity}
				{units}
				{check}
				onvalue={put}
				oncommit={settle}
				testId="first-{key}-rate"
			/>
		{/each}
	{/snippet}
	<p class="lead">What its maker says its axes can do. Moves made with it are timed by these figures.</p>
	<div class="beside turned">
		{@render reach()}
		<div>
			<div class="row">{@render weighs()}</div>
			<h2>Pan</h2>
			{@render rows(axisRows('pan', head.pan))}
			<h2>Tilt</h2>
			{@render rows(axisRows('tilt', head.tilt))}
			<h2>Roll</h2>
			<label class="line"
				><Tick
					checked={head.roll !== null}
					onchange={(event) => set({ roll: event.currentTarget.checked ? rollFresh : null })}
					data-testid="has-roll"
				/> it rolls</label
			>
			{#if head.roll !== null}{@render rows(axisRows('roll', head.roll))}{/if}
			{#each ['focus', 'zoom'] as const as key (key)}
				<h2>{key === 'focus' ? 'Focus motor' : 'Zoom motor'}</h2>
				<label class="line"
					><Tick
						checked={head[key] !== null}
						onchange={(event) =>
							set({ [key]: event.currentTarget.checked ? { turns: 0.75, maxTurnsPerS: 0.6 } : null })}
						data-testid="has-{key}"
					/> it has one</label
				>
				{@render rows(motorRows(key))}
			{/each}
			<h2>Who holds it</h2>
			<label class="line"
				><Tick
					type="radio"
					name="hold"
					checked={head.hold === 'held'}
					onchange={() => set({ hold: 'held' })}
					data-testid="hold-held"
				/> it moves only while somebody holds: arms, cranes, anything that can hurt</label
			>
			<label class="line"
				><Tick
					type="radio"
					name="hold"
					checked={head.hold === 'watched'}
					onchange={() => set({ hold: 'watched' })}
					data-testid="hold-watched"
				/> it may run while somebody watches, in a zone that is marked</label
			>
			<p class="caution">A head moves without warning: mark its zone, keep hands and faces out of it.</p>
		</div>
	</div>
</GearFrame>

<style>
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	.row :global(.field) {
		width: 150px;
	}
	/* Its dials stay in sight beside the figures that turn them. */
	.turned {
		grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
	}
	.turned > .reach {
		order: 1;
		position: sticky;
		top: 12px;
		justify-self: center;
	}
	@media (max-width: 1000px) {
		.turned {
			grid-template-columns: minmax(0, 1fr);
		}
		.turned > .reach {
			order: 0;
			position: static;
		}
	}
</style>
