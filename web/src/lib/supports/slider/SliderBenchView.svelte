<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import { allowed } from '$lib/sheet/units/allowed';
	import { sliderLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/bench.css';

	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showForce, showMass, showPlace, showTorque, together, unbroken } from '$lib/sheet/units/display';
	import StateRows from '../StateRows.svelte';
	import SlipRoll from '../SlipRoll.svelte';
	import SlipMessages from '$lib/supports/log/SlipMessages.svelte';
	import { benchLog } from '$lib/supports/log/benchLog.svelte';
	import LogBalance from '$lib/supports/log/LogBalance.svelte';
	import { leastBearingN, type SliderFigures } from './figures';
	import { sharedSliderBench } from './sliderBench.svelte';
	import SliderDrawing from './SliderDrawing.svelte';
	import { roomFor } from './standing';
	import SliderLooks from './SliderLooks.svelte';
	import { type SliderSlip, supportName } from './slip';

	interface Props {
		data: { readonly payload: Payload; readonly shelf: readonly Part[]; readonly checksOpen: number };
	}
	let { data }: Props = $props();
	const bench = sharedSliderBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const figures = $derived(bench.figures as SliderFigures);
	const slip = $derived(bench.slip as SliderSlip);
	const setting = $derived(bench.setting);

	const parts = $derived(standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part]))));
	let width = $state(770);
	let height = $state(380);
	const { log, logIt, keys } = benchLog(bench);
	const force = (n: number) => `${n < 0 ? '−' : ''}${together(showForce(Math.abs(n), units))}`;
	/** The bubble floats to the end that would rise: in the middle where a support bears as much as its share. */
	const rows = $derived([
		...figures.spansN.map(([least, most], index) => ({
			id: `support-${index}`,
			name: setting.supportsM.length === 1 ? 'Clamp' : index === 0 ? 'At the start' : 'At the far end',
			offset: setting.supportsM.length === 1 || least >= leastBearingN ? 0 : 1.5 - least / leastBearingN,
			now: `${force(figures.now.supportsN[index] ?? 0)} now`,
			note: `${force(least)} to ${force(most)} over the travel`
		})),
		...(figures.momentNm === null
			? []
			: [
					{
						id: 'moment',
						name: 'Turns the clamp',
						offset: geometry.clampHoldsNm === null ? 0 : (figures.momentNm / geometry.clampHoldsNm) * 0.98,
						now: together(showTorque(Math.abs(figures.momentNm), units)),
						note: `${figures.momentNm >= 0 ? 'far end' : 'start'} down, at the worst`
					}
				]),
		{
			id: 'hold',
			name: 'Along the rail',
			offset: geometry.carriage.holdsN === null ? 0 : figures.now.holdN / geometry.carriage.holdsN,
			now: Math.abs(figures.now.holdN) < 0.5 ? 'nothing pulls' : `${force(Math.abs(figures.now.holdN))} to hold`,
			note:
				Math.abs(figures.now.slipN) < 0.5
					? ''
					: `and ${force(Math.abs(figures.now.slipN))} that the rail itself slips with`
		}
	]);
	const two = $derived(setting.supportsM.length === 2);
	const onRail = (index: number) => (value: number) => {
		const [least, most] = roomFor(geometry, setting, index);
		return value >= least - 1e-9 && value <= most + 1e-9
			? null
			: `From ${together(showPlace(least, units))} to ${together(showPlace(most, units))}: on the rail, clear of the other.`;
	};
	const keeps = $derived(figures.keepsDownM);
	const keepsAll = $derived(
		keeps !== null && keeps[0] <= geometry.carriage.travelM[0] + 1e-6 && keeps[1] >= geometry.carriage.travelM[1] - 1e-6
	);
</script>

<svelte:window onkeydown={keys} />

<div class="bench">
	<section class="work" aria-label="Slider bench">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<SliderDrawing
				{geometry}
				{setting}
				centre={figures}
				{parts}
				targetM={slip.kind === 'move' ? slip.target.supportsM : null}
				{units}
				{width}
				{height}
				onmove={(next, about) => bench.stands(next, about)}
				onsettle={() => bench.document.settle()}
			/>
		</div>
		<div class="rows">
			<StateRows {rows} />
			<div class="row fields">
				{#each setting.supportsM as u, index (index)}
					<QuantityField
						label={two ? `${index === 0 ? 'Start' : 'Far'} support from the start` : 'Clamp from the start'}
						value={u}
						quantity="length"
						{units}
						check={onRail(index)}
						onvalue={(value) =>
							bench.stands(
								{
									supportsM: setting.supportsM.map((each, at) =>
										at === index ? value : each
									) as unknown as typeof setting.supportsM
								},
								`support ${index}`
							)}
						oncommit={() => bench.document.settle()}
						testId="support-{index}"
					/>
				{/each}
				<QuantityField
					label="Incline, up to the far end"
					value={setting.inclineRad}
					quantity="angle"
					{units}
					check={allowed(sliderLimits.incline, 'angle')}
					onvalue={(inclineRad) => bench.stands({ inclineRad }, 'incline')}
					oncommit={() => bench.document.settle()}
					testId="incline"
				/>
				<QuantityField
					label="Reach past the carriage"
					value={setting.reachM}
					quantity="length"
					{units}
					check={allowed(sliderLimits.reach, 'length')}
					onvalue={(reachM) => bench.stands({ reachM }, 'reach')}
					oncommit={() => bench.document.settle()}
					testId="reach"
				/>
				<label class="stack"
					>Stands on
					<Choice
						value={two ? 'two' : 'one'}
						onchange={(event) =>
							bench.stands(
								{
									supportsM:
										event.currentTarget.value === 'one'
											? [geometry.rail.lengthM / 2]
											: [geometry.rail.lengthM * 0.2, geometry.rail.lengthM * 0.8]
								},
								'stands'
							)}
						data-testid="stands-on"
						><option value="two">two supports</option><option value="one">one clamp</option></Choice
					></label
				>
				<label class="stack"
					>Camera
					<Choice
						value={setting.hung ? 'hung' : 'on'}
						onchange={(event) => bench.stands({ hung: event.currentTarget.value === 'hung' }, 'hung')}
						data-testid="hung"
						><option value="on">on the carriage</option><option value="hung">hung under it</option></Choice
					></label
				>
				<label class="stack"
					>Looks
					<Choice
						value={setting.looks}
						onchange={(event) => bench.stands({ looks: event.currentTarget.value as 'along' | 'across' }, 'looks')}
						data-testid="looks"
						><option value="across">across the rail</option><option value="along">along it, to the far end</option
						></Choice
					></label
				>
			</div>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading={slip.heading}>
			{#snippet answer()}
				{#if slip.kind === 'poised'}<strong data-testid="slip-strong">Stays</strong>, as seen
				{:else if slip.kind === 'placed'}In place: <strong data-testid="slip-strong">walk it end to end</strong>
				{:else if slip.kind === 'tooHeavy'}Take <strong data-testid="slip-strong">a stronger slider</strong>
				{:else if slip.kind === 'wrong'}<strong data-testid="slip-strong">Not safe as it stands</strong>
				{:else if slip.lines[0]}{slip.lines[0].lead}<strong data-testid="slip-strong"
						>{unbroken(slip.lines[0].strong)}</strong
					>{/if}
			{/snippet}
			{#each slip.troubles as trouble (trouble)}<p class="danger" role="alert" data-testid="trouble">
					{unbroken(trouble)}
				</p>{/each}
			{#if slip.lines.length > 1}
				<ol class="lines" data-testid="slip-lines">
					{#each slip.lines.slice(1) as line (line.id)}<li>
							{line.lead}<strong>{unbroken(line.strong)}</strong>
						</li>{/each}
				</ol>
			{/if}
			<p>{unbroken(slip.why)}</p>
			{#if !keepsAll && slip.kind !== 'tooHeavy'}
				<p data-testid="keeps">
					{#if keeps === null}As it stands one {supportName(0, 2).split(' ')[0]} lifts wherever the carriage is.{:else}As
						it stands both bear from <strong>{together(showPlace(keeps[0], units))}</strong> to
						<strong>{together(showPlace(keeps[1], units))}</strong> of the travel.{/if}
				</p>
			{/if}
			{#if slip.kind !== 'move' && slip.kind !== 'tooHeavy'}<SliderLooks {bench} {figures} />{/if}
			{#if data.checksOpen > 0}<p class="checks">
					<a href="/payload/{bench.payloadId}/checklist"
						>{data.checksOpen} {data.checksOpen === 1 ? 'check is' : 'checks are'} still open</a
					> before this payload is lifted.
				</p>{/if}
			<p class="caution">
				A rail that lifts throws the camera off its end: a hand on it until both supports are seen to bear, and no
				fingers between carriage and stop.
			</p>
			{#if slip.kind === 'move'}
				<Button class="go" onclick={() => bench.accept()} data-testid="accept"
					>{slip.lines.length === 1 ? 'It is done' : `All ${slip.lines.length} are done`}</Button
				>
			{:else if slip.kind === 'tooHeavy'}
				<a class="go" href="/payload/{bench.payloadId}">Change the payload</a>
			{:else}
				<LogBalance {log} placeholder="Where, on what floor, level or inclined" onlog={logIt} />
			{/if}
			<SlipMessages {log} document={bench.document} />
			<SlipRoll slips={bench.state.slips} {units} />
			<p class="count">
				<span>{together(showMass(figures.carriedKg, units))} on the rail</span>
				<Button class="link" onclick={() => bench.document.undo()} disabled={!bench.document.canUndo}>Undo</Button>
			</p>
			<p class="quiet">
				At rest: a carriage that starts or stops hard adds its own push along the rail. Figures are aids; the maker’s
				manual and whoever is responsible decide.
			</p>
		</Slip>
	</div>
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		padding: 4px 18px 12px 26px;
	}
	.fields :global(.field) {
		width: 150px;
	}
	.stack {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 320px;
		}
	}
</style>
