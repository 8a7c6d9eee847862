<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import { degFromRad } from '@poise/core';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/bench.css';
	import Meanwhile from '$lib/shell/Meanwhile.svelte';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Person } from '$lib/model/person';
	import type { WornSetup } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { axisOf, showDistance, showInertia, showPlace, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { onMount } from 'svelte';
	import { counterOf, legsOf, reachable, reachCurve, settingAt } from './carry';
	import { settable, type SledFigures } from './figures';
	import LegsDrawing from './LegsDrawing.svelte';
	import { sharedSledBench } from './sledBench.svelte';
	import { degrees, lineInWords, linesBetween } from './slip';
	import { settledOn } from './standing';
	import { keptWorn } from './worn.svelte';

	interface Props {
		data: {
			readonly person: Person;
			readonly worn: WornSetup | null;
		};
	}
	let { data }: Props = $props();
	// Another person mounts a new sheet.
	// svelte-ignore state_referenced_locally
	const { person, worn } = data;
	const bench = sharedSledBench();
	const geometry = $derived(bench.support.geometry);
	const units = $derived(bench.units);
	const figures = $derived(bench.figures as SledFigures);
	// The page mounts this sheet anew for another person or sled.
	const wearing = keptWorn(bench.support.id, person.id, worn);
	onMount(() => {
		wearing.restore();
		return () => {
			void wearing.save();
			wearing.stop();
		};
	});

	const choices = $derived(reachable(geometry));
	let chosenId = $state<string | null>(null);
	const part = $derived(
		choices.find(({ id }) => id === chosenId) ?? choices.find(({ kind }) => kind === 'monitor') ?? choices[0]
	);
	const counterId = $derived(part === undefined ? null : counterOf(geometry, part.id, bench.state.movers));
	const counter = $derived(geometry.items.find(({ id }) => id === counterId));
	const curve = $derived(
		part === undefined || counterId === null
			? []
			: reachCurve(geometry, bench.setting, figures.sled, bench.state.dropTimeS, part.id, counterId)
	);
	/** Nearest to where it stands, unless the hand has picked a place. */
	let picked = $state<number | null>(null);
	const standing = $derived(
		curve.reduce((best, { shiftM }, index) => (Math.abs(shiftM) < Math.abs(curve[best]?.shiftM ?? 9) ? index : best), 0)
	);
	const at = $derived(Math.min(curve.length - 1, picked ?? standing));
	const point = $derived(curve[at]);
	const inertiaNow = $derived(figures.report.panInertiaKgM2);
	/** Against the sled balanced where the part is now. */
	const change = $derived(
		point === undefined ? 0 : point.panInertiaKgM2 / (curve[standing]?.panInertiaKgM2 ?? inertiaNow) - 1
	);
	const target = $derived(
		point === undefined || part === undefined
			? null
			: settledOn(geometry, settable(geometry, settingAt(geometry, bench.setting, figures.sled, part.id, point)))
	);
	const lines = $derived(target === null ? [] : linesBetween(geometry, bench.setting, target, units));
	const legs = $derived(legsOf(geometry, target ?? bench.setting, wearing.value));
	const gone = $derived(point !== undefined && Math.abs(point.shiftM) >= 0.0005);
	/** As far out as the spin still forgives. */
	const furthest = $derived(
		curve.filter(
			({ foreLeanRad, foreOffsetM }) => Math.abs(foreLeanRad) <= figures.toleranceRad && Math.abs(foreOffsetM) < 0.0005
		)
	);
	const stanceWords = [
		['carryHeightM', 'gimbal above the floor', 0.4, 2],
		['standOffM', 'gimbal before the hips', 0.2, 1.5],
		['hipHeightM', 'hips above the floor', 0.4, 1.4],
		['strideM', 'stride', 0, 1.6]
	] as const;
	const signed = (metres: number) => `${metres < 0 ? '−' : '+'}${together(showPlace(metres, units))}`;
	function take() {
		if (target === null) return;
		bench.moveTo(target, lines.map(lineInWords));
		picked = null;
	}
	const legBandM = 0.06;
	const across = $derived(axisOf('length', bench.units));
	const inertia = $derived(axisOf('inertia', bench.units));
</script>

<div class="bench">
	<section class="work" aria-label="Reach and pan inertia">
		<div class="charts">
			{#if curve.length > 1 && part !== undefined}
				<Chart
					lines={[
						{
							name: 'pan inertia, balanced at every place',
							points: curve.map((each) => [across.of(each.shiftM), inertia.of(each.panInertiaKgM2)] as const),
							as: 'line'
						},
						{
							name: 'picked',
							points: point ? [[across.of(point.shiftM), inertia.of(point.panInertiaKgM2)]] : [],
							as: 'dots'
						}
					]}
					xTitle="{part.label} further forward than now, {across.unit}"
					xDecimals={bench.units === 'imperial' ? 1 : 0}
					yTitle="pan inertia, {inertia.unit}"
					yLeast={20}
					yDecimals={0}
					label="Pan inertia against reach"
					height={200}
				/>
				<Chart
					lines={[
						{
							name: 'lean that stays in a spin',
							points: curve.map((each) => [across.of(each.shiftM), degFromRad(each.foreLeanRad)] as const),
							as: 'line'
						},
						{
							name: 'picked',
							points: point ? [[across.of(point.shiftM), degFromRad(point.foreLeanRad)]] : [],
							as: 'dots'
						}
					]}
					xTitle="{part.label} further forward than now, {across.unit}"
					xDecimals={bench.units === 'imperial' ? 1 : 0}
					yTitle="lean, °"
					yLeast={1}
					label="What stays of the dynamic balance against reach"
					height={170}
				/>
				<label class="pick"
					>Pick a place
					<TextInput
						type="range"
						min={0}
						max={curve.length - 1}
						value={at}
						oninput={(event) => (picked = Number(event.currentTarget.value))}
						data-testid="reach-pick"
					/>
				</label>
			{/if}
		</div>
		<div class="legs">
			<LegsDrawing {legs} stance={wearing.value.stance} {geometry} setting={target ?? bench.setting} {units} />
			<div class="fields">
				{#each stanceWords as [field, words, least, most] (field)}
					<QuantityField
						label={words}
						value={wearing.value.stance[field]}
						quantity="length"
						{units}
						check={(value) =>
							value >= least && value <= most
								? null
								: `Between ${together(showPlace(least, units))} and ${together(showPlace(most, units))}.`}
						onvalue={(value) =>
							wearing.set({ ...wearing.value, stance: { ...wearing.value.stance, [field]: value } }, `stance ${field}`)}
						testId="stance-{field}"
					/>
				{/each}
			</div>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Pan inertia now {showInertia(inertiaNow, bench.units)}">
			{#snippet answer()}
				{#if part === undefined || counterId === null}Nothing on this sled <strong>slides fore and aft</strong>
				{:else if gone}{part.label}
					<strong data-testid="reach-strong"
						>{unbroken(
							`${together(showPlace(point?.shiftM ?? 0, units))} ${(point?.shiftM ?? 0) > 0 ? 'forward' : 'back'}`
						)}</strong
					>: pan inertia {change >= 0 ? '+' : '−'}{Math.abs(change * 100).toFixed(0)} %
				{:else}Pan inertia <strong data-testid="reach-strong">{unbroken(showInertia(inertiaNow, bench.units))}</strong> as
					it stands{/if}
			{/snippet}
			<div class="chips" role="group" aria-label="What is carried further out">
				{#each choices as item (item.id)}
					<Button
						class="chip"
						aria-pressed={part?.id === item.id}
						onclick={() => {
							chosenId = item.id;
							picked = null;
						}}
						data-testid="reach-{item.id}">{item.label}</Button
					>
				{/each}
			</div>
			<p>
				Heavier to pan is steadier and slower to stop; lighter is quicker and shows every breath.
				{#if counter}The {counter.label.toLowerCase()} and the plate keep it balanced.{/if}
			</p>
			{#if point !== undefined}
				<div class="tube">
					<span>low weight back</span>
					<Vial
						offset={point.foreLeanRad / figures.toleranceRad}
						label="Lean that stays: {degrees(point.foreLeanRad)}"
					/>
					<span>{degrees(point.foreLeanRad)} stay</span>
				</div>
				{#if Math.abs(point.foreOffsetM) > 0.0005}<p class="warning">
						Out of travel: it cannot be balanced there.
					</p>{/if}
			{/if}
			{#if furthest.length > 0 && part !== undefined}
				<p class="quiet" data-testid="reach-range">
					It spins true within {degrees(figures.toleranceRad)} from {signed(furthest[0]?.shiftM ?? 0)} to {signed(
						furthest[furthest.length - 1]?.shiftM ?? 0
					)} of where it is.
				</p>
			{/if}
			{#if gone && lines.length > 0}
				<ol class="lines">
					{#each lines as line (line.id)}<li>{line.lead}<strong>{unbroken(line.strong)}</strong></li>{/each}
				</ol>
				<Button class="go" onclick={take} data-testid="reach-take">All {lines.length} are done</Button>
			{/if}
			<h2>Your legs</h2>
			<div class="tube">
				<span>nearer</span>
				<Vial
					offset={(legBandM - legs.clearanceM) / legBandM}
					label="Clear of the leg by {together(showDistance(legs.clearanceM, units))}"
				/>
				<span>further</span>
			</div>
			<p class:warning={legs.clearanceM < 0.03} data-testid="legs">
				{#if legs.cornerIndex < 0}Nothing hangs below the hip.
				{:else if legs.clearanceM < 0}It strikes the leading leg by {together(showPlace(legs.clearanceM, units))} when it
					is panned: shorten the reach or the stride, or carry it further out.
				{:else}Clear of the leading leg by <strong>{together(showPlace(legs.clearanceM, units))}</strong> at its nearest,
					whichever way it is panned.{/if}
			</p>
			<p class="quiet">
				A still picture: knees bend inward of it and the arm sways outward of it. Walk it once, slowly, with a spotter
				behind.
			</p>
			{#if wearing.message !== ''}<p class="warning" role="alert">{wearing.message}</p>{/if}
			<Meanwhile document={wearing} own />
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.charts {
		padding: 8px 18px 8px 16px;
	}
	.pick {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 14px;
		align-items: center;
		padding: 0 10px;
		font-size: 15px;
	}
	.pick :global(input) {
		min-height: 44px;
		width: 100%;
	}
	.legs {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 190px;
		gap: 16px;
		padding: 8px 18px 20px 26px;
		border-top: 1px solid var(--rule);
		align-items: center;
	}
	.fields {
		display: grid;
		gap: 8px;
	}
	.tube {
		display: grid;
		grid-template-columns: 100px 1fr 74px;
		align-items: center;
		gap: 10px;
		font-size: 13px;
		color: var(--quiet);
	}
	.tube span:first-child {
		text-align: right;
	}
	.lines {
		display: grid;
		gap: 6px;
		font-size: 19px;
		border-left: 4px solid var(--spirit);
		padding-left: 14px;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	@media (max-width: 700px) {
		.legs {
			grid-template-columns: minmax(0, 1fr);
		}
		.fields {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
