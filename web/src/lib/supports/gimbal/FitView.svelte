<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import { degFromRad, radFromDeg, type Remedy } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import BenchHead from '../BenchHead.svelte';
	import { sharedGimbalBench } from './gimbalBench.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import {
		showInertia,
		showLength,
		showMass,
		showShare,
		showTorque,
		together,
		unbroken
	} from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { appliesHere, moveOfPayload, remedyInWords } from './benchSlip';
	import { demandFor, openingChecks, travelLeft } from './fit';

	interface Props {
		data: {
			readonly support: Gimbal;
			readonly payload: Payload;
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new sheet for another gimbal, payload or version.
	// svelte-ignore state_referenced_locally
	const parts = standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part])));
	const bench = sharedGimbalBench();
	const units = $derived(data.person.units);
	const rig = $derived(bench.rig);
	const figures = $derived(bench.figures);

	let rateDegPerS = $state(60);
	let rampS = $state(0.5);
	const openings = $derived(figures === null ? [] : openingChecks(rig, parts, figures.targetsM));
	const travel = $derived(figures === null ? [] : travelLeft(rig, figures.targetsM));
	const demand = $derived(
		bench.solved === null || figures === null
			? []
			: demandFor(bench.solved.chain, figures.targetsM, radFromDeg(rateDegPerS), rampS)
	);
	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
	const overloaded = $derived(demand.filter(({ motorShare }) => (motorShare ?? 0) > 1));
	const tight = $derived(openings.filter(({ ok }) => !ok));

	/** Ranked: what to take off or add for the gimbal's payload range, then what cures the travel. */
	const remedies = $derived.by(() => {
		if (figures === null || bench.solved === null) return [];
		const { massKg } = figures;
		const lines: { text: string; remedy: Remedy | null }[] = [];
		if (massKg > rig.greatestPayloadKg) {
			const overKg = massKg - rig.greatestPayloadKg;
			const off = parts
				.filter(
					({ id, part }) => id !== 'plate' && part.massKg >= overKg && part.kind !== 'camera' && part.kind !== 'lens'
				)
				.sort((a, b) => a.part.massKg - b.part.massKg)[0];
			lines.push({
				text: `Take off ${together(showMass(overKg, units))} or more${off === undefined ? '' : `: the ${off.part.name.toLowerCase()} alone would do`}.`,
				remedy: null
			});
		} else if (massKg < rig.leastPayloadKg)
			lines.push({
				text: `Add ${together(showMass(rig.leastPayloadKg - massKg, units))} over the middle of the plate.`,
				remedy: null
			});
		for (const remedy of figures.solution.remedies) {
			const { lead, strong } = remedyInWords(rig, remedy, units);
			lines.push({ text: `${lead}${strong}.`, remedy });
		}
		return lines;
	});
	const fits = $derived(
		figures !== null &&
			figures.fit === 'fits' &&
			figures.solution.balanced &&
			tight.length === 0 &&
			overloaded.length === 0
	);
</script>

<BenchHead bench={bench.reference} />
<div class="sheet">
	<h1>{data.payload.name} on {data.support.name}</h1>
	{#if figures === null}
		<p class="lead">Nothing on the plate yet.</p>
	{:else}
		<p class="big" data-testid="fit-verdict">
			{#if fits}It <strong>fits</strong>, with room in every slide{:else if figures.fit === 'tooHeavy'}It is
				<strong>too heavy</strong>{:else if !figures.solution.balanced}It runs <strong>out of travel</strong
				>{:else if figures.fit === 'tooLight'}It is <strong>too light</strong>{:else if tight.length > 0}It <strong
					>touches the arms</strong
				>{:else}The
				<strong>{overloaded.map(({ id }) => labelOf(id).toLowerCase()).join(' and ')} motor</strong> cannot do this turn{/if}
		</p>
		{#if remedies.length > 0}
			<h2>What would cure it, least change first</h2>
			<ol class="remedies">
				{#each remedies as { text, remedy }, index (text)}
					<li>
						<span>{unbroken(text)}</span>
						{#if remedy !== null && appliesHere(rig, remedy)}
							<Button
								class={index === 0 ? 'go' : 'second'}
								onclick={() => bench.apply(remedy)}
								data-testid="apply-{remedy.kind}">Do this</Button
							>
						{:else if remedy !== null}
							<a class="second" href="/payload/{data.payload.id}?forward={moveOfPayload(rig, remedy) ?? 0}"
								>On the payload’s page</a
							>
						{/if}
					</li>
				{/each}
			</ol>
		{/if}
		<div class="actions screen">
			<Button
				class="tool"
				onclick={() => bench.document.undo()}
				disabled={!bench.document.canUndo}
				data-testid="fit-undo">Undo</Button
			>
			{#each bench.state.weights ?? [] as weight, index (index)}
				<span class="hint" data-testid="weight-on"
					>{together(showMass(weight.massKg, units))} at {rig.geometry.counterweightPlaces.find(
						({ id }) => id === weight.placeId
					)?.label ?? weight.placeId}
					<Button class="tool" onclick={() => bench.takeOff({ weight: index })}>Take it off</Button></span
				>
			{/each}
			{#each bench.state.alternativeIds ?? [] as alternativeId (alternativeId)}
				<span class="hint"
					>{rig.geometry.alternatives?.find(({ id }) => id === alternativeId)?.label ?? 'Extension'} in use
					<Button class="tool" onclick={() => bench.takeOff({ alternativeId })}>Take it back</Button></span
				>
			{/each}
		</div>

		<h2>Mass, size and travel</h2>
		<div class="scroll">
			<table class="folds">
				<thead>
					<tr
						><th>What</th><th class="number">has</th><th class="number">may</th><th class="tube">to spare</th><th
						></th></tr
					>
				</thead>
				<tbody>
					<tr class:bad={figures.fit !== 'fits'}>
						<th>Mass on the plate</th>
						<td class="number figure" data-head="has">{together(showMass(figures.massKg, units))}</td>
						<td class="number figure" data-head="may"
							>{together(showMass(rig.leastPayloadKg, units))} to {together(showMass(rig.greatestPayloadKg, units))}</td
						>
						<td class="wide"
							><Vial
								offset={((figures.massKg - (rig.leastPayloadKg + rig.greatestPayloadKg) / 2) /
									(rig.greatestPayloadKg - rig.leastPayloadKg)) *
									-2}
								label="Mass within the gimbal’s range"
							/></td
						>
						<td>{figures.fit === 'fits' ? 'fits' : figures.fit === 'tooHeavy' ? 'too heavy' : 'too light'}</td>
					</tr>
					{#each openings as { label, reachM, mayM, ok } (label)}
						<tr class:bad={!ok}>
							<th
								>{label === 'width'
									? 'Half width, between the arms'
									: label === 'height'
										? 'Half height, about the tilt axis'
										: 'Back, towards the roll arm'}</th
							>
							<td class="number figure" data-head="has">{together(showLength(reachM, units))}</td>
							<td class="number figure" data-head="may">{together(showLength(mayM, units))}</td>
							<td class="wide"
								><Vial offset={(reachM / mayM - 0.5) * 2} label="{label}: {ok ? 'clear' : 'touches'}" /></td
							>
							<td>{ok ? `${together(showLength(mayM - reachM, units))} clear` : 'touches'}</td>
						</tr>
					{:else}
						<tr
							><th>Opening of the cradle</th><td colspan="4" class="quiet">Not measured; the gimbal’s page takes it.</td
							></tr
						>
					{/each}
					{#each travel as { slide, leftM } (slide.id)}
						{@const half = (slide.rangeM[1] - slide.rangeM[0]) / 2}
						{@const at = (figures.targetsM[slide.id] ?? 0) - (slide.rangeM[0] + slide.rangeM[1]) / 2}
						<tr class:bad={leftM < 0.0005}>
							<th>{slide.label}, travel</th>
							<td class="number figure" data-head="has">{together(showLength(leftM, units))} left</td>
							<td class="number figure" data-head="may">{together(showLength(half * 2, units))} long</td>
							<td class="wide"><Vial offset={half > 0 ? at / half : 0} label="{slide.label} in its travel" /></td>
							<td>{leftM < 0.0005 ? 'at its end' : leftM < 0.005 ? 'nearly at its end' : 'has room'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>

		<h2>Motors</h2>
		<div class="row screen">
			<QuantityField
				label="Turn at, a second"
				value={radFromDeg(rateDegPerS)}
				quantity="angle"
				{units}
				check={(value) => (value >= 0 && value <= radFromDeg(720) ? null : 'Between 0° and 720° a second.')}
				onvalue={(value) => (rateDegPerS = degFromRad(value))}
				testId="turn-rate"
			/>
			<QuantityField
				label="reached in"
				value={rampS}
				quantity="time"
				{units}
				check={(value) => (value >= 0.05 && value <= 20 ? null : 'Between 0.05 and 20 s.')}
				onvalue={(value) => (rampS = value)}
				testId="ramp"
			/>
		</div>
		<div class="scroll">
			<table class="folds">
				<thead>
					<tr
						><th>Axis</th><th class="number">inertia</th><th class="number">at rest</th><th class="number"
							>speeding up</th
						><th class="number">thrown by the pan</th><th class="number">of its motor</th><th class="tube"></th></tr
					>
				</thead>
				<tbody>
					{#each demand as { id, inertiaKgM2, holdingNm, acceleratingNm, swingingNm, motorShare } (id)}
						<tr class:bad={(motorShare ?? 0) > 1} data-axis={id}>
							<th>{labelOf(id)}</th>
							<td class="number figure" data-head="inertia">{showInertia(inertiaKgM2, units)}</td>
							<td class="number figure" data-head="at rest">{together(showTorque(holdingNm, units))}</td>
							<td class="number figure" data-head="speeding up">{together(showTorque(acceleratingNm, units))}</td>
							<td class="number figure" data-head="thrown by the pan">{together(showTorque(swingingNm, units))}</td>
							<td class="number figure" data-head="of its motor" data-testid="demand-{id}"
								>{together(showShare(motorShare))}</td
							>
							<td class="wide"><Vial offset={motorShare ?? 0} label="{labelOf(id)} motor" /></td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
		<p class="lead">
			Added as if every part met in the worst pose at once, with the slides where they belong: an upper bound. Cables,
			wind and a hand on the camera are not in it. The maker’s manual decides what the gimbal may carry.
		</p>
	{/if}
</div>

<style>
	.remedies {
		display: grid;
		gap: 8px;
	}
	.remedies li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 16px;
		font-size: 20px;
	}
	.tube {
		width: 22%;
	}
	.bad td,
	.bad th {
		color: var(--clay);
	}
	.hint {
		display: inline-flex;
		align-items: center;
		gap: 10px;
		margin: 0;
	}
</style>
