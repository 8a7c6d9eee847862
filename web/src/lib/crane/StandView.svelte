<script lang="ts">
	import '$lib/state/bench.css';
	import {
		ballastFor,
		degFromRad,
		radFromDeg,
		stabilityAt,
		stabilityEnvelope,
		stabilityRose,
		windForce
	} from '@poise/core';
	import QuantityField from '$lib/fields/QuantityField.svelte';
	import type { CraneGround, CraneSetting } from '$lib/model/crane';
	import Slip from '$lib/slip/Slip.svelte';
	import { showMass, together, unbroken } from '$lib/units/display';
	import Vial from '$lib/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import { type CraneFigures, leastReserve, warnReserve } from './figures';
	import PlanDrawing from './PlanDrawing.svelte';
	import { dangerOf, degrees } from './slip';
	import { armOf, drawnAreaM2, envelopeOf, loadedArm } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const figures = $derived(bench.figures as CraneFigures);
	const geometry = $derived(bench.crane.geometry);
	const pick = (target: CraneSetting | undefined) =>
		target === undefined ? {} : { hung: target.hung, trimU: target.trimU };
	/** Until the weights hang it is the plan that is judged; the arm is held till then. */
	const planned = $derived(bench.slip?.kind === 'move');
	const setting = $derived(planned ? { ...bench.setting, ...pick(bench.slip?.target) } : bench.setting);
	const ground = $derived(bench.state.ground);
	let width = $state(740);
	let height = $state(420);
	const input = $derived(envelopeOf(geometry, setting, bench.bodies, ground));
	const rose = $derived(stabilityRose(input));
	const pose = $derived(
		stabilityAt({
			...input,
			swingRad: setting.swingRad,
			boomRad: setting.boomRad,
			slope: { angleRad: ground.slopeRad, downhillRad: setting.swingRad }
		})
	);
	const envelope = $derived(planned ? figures.envelopeThen : figures.envelope);
	const reserve = $derived(envelope.reserve);
	const danger = $derived(dangerOf(envelope));
	/** Worse than the working pose: the camera off before the weights. */
	const cameraOff = $derived.by(() => {
		const arm = armOf(geometry, setting, bench.bodies);
		const off = { parts: arm.parts.filter(({ id }) => id !== 'camera') };
		return stabilityEnvelope({ ...input, arm: off }).reserve;
	});
	const noWeights = $derived(stabilityEnvelope({ ...input, arm: loadedArm(geometry, setting, bench.bodies) }).reserve);
	const wanted = 0.35;
	const ballast = $derived(
		ballastFor({
			...input,
			base: input.base.slice(0, 1),
			atM: [0, 0, 0.1],
			wantedReserve: wanted
		})
	);
	const area = $derived(drawnAreaM2(geometry, setting) + ground.moreAreaM2);
	const wind = $derived(windForce({ speedMPerS: ground.windMPerS, areaM2: area }));
	const worstFoot = $derived(Math.max(...pose.footLoadsN));
	const floorBad = $derived(ground.floorN !== null && worstFoot > ground.floorN);
	const fields: readonly {
		readonly field: keyof CraneGround;
		readonly label: string;
		readonly quantity: 'angle' | 'count' | 'length' | 'mass';
		readonly check: (value: number) => string | null;
	}[] = [
		{
			field: 'slopeRad',
			label: 'slope of the floor',
			quantity: 'angle',
			check: (v) => (v >= 0 && v <= radFromDeg(30) ? null : 'Between 0 and 30°.')
		},
		{
			field: 'windMPerS',
			label: 'wind, m/s',
			quantity: 'count',
			check: (v) => (v >= 0 && v <= 60 ? null : 'Between 0 and 60 m/s: 60 is a hurricane.')
		},
		{
			field: 'moreAreaM2',
			label: 'flags and sails, m²',
			quantity: 'count',
			check: (v) => (v >= 0 && v <= 40 ? null : 'Between 0 and 40 m².')
		},
		{
			field: 'pushN',
			label: 'a push of, N',
			quantity: 'count',
			check: (v) => (v >= 0 && v <= 3000 ? null : 'Between 0 and 3000 N.')
		},
		{
			field: 'pushHeightM',
			label: 'push at',
			quantity: 'length',
			check: (v) => (v >= 0 && v <= 4 ? null : 'Between 0 and 4 m.')
		},
		{
			field: 'ballastKg',
			label: 'ballast on the base',
			quantity: 'mass',
			check: (v) => (v >= 0 && v <= 2000 ? null : 'Between 0 and 2000 kg.')
		}
	];
	const percent = (value: number) => `${(value * 100).toFixed(0)} %`.replace('-', '−');
</script>

<div class="bench">
	<section class="work" aria-label="Stability">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<PlanDrawing
				{geometry}
				{setting}
				{rose}
				loadsN={pose.footLoadsN}
				{width}
				{height}
				onswing={(swingRad) => bench.stands({ swingRad }, 'swing')}
				onsettle={() => bench.document.settle()}
			/>
		</div>
		<div class="rows">
			<div class="fields">
				{#each fields as { field, label, quantity, check } (field)}
					<QuantityField
						{label}
						value={(ground[field] as number | null) ?? 0}
						{quantity}
						{units}
						{check}
						onvalue={(value) => bench.ground({ [field]: value }, `ground ${field}`)}
						oncommit={() => bench.document.settle()}
						testId="ground-{field}"
					/>
				{/each}
				<QuantityField
					label="floor bears on a foot, kg"
					value={ground.floorN === null ? 0 : ground.floorN / 9.80665}
					quantity="count"
					{units}
					check={(value) => (value >= 0 && value <= 100000 ? null : '0: nobody has said.')}
					onvalue={(value) => bench.ground({ floorN: value === 0 ? null : value * 9.80665 }, 'floor')}
					oncommit={() => bench.document.settle()}
					testId="ground-floor"
				/>
			</div>
			<table>
				<thead><tr><th>Reserve</th><th class="number">least</th><th></th></tr></thead>
				<tbody>
					{#each [['Loaded and balanced, worst swing and boom', reserve], ['Camera off, weights still on', cameraOff], ['Weights off, camera still on', noWeights], ['As the arm points now', pose.reserve]] as const as [words, value] (words)}
						<tr
							><th>{words}</th><td class="number figure" class:bad={value < leastReserve}>{percent(value)}</td><td
								><Vial
									offset={value >= warnReserve ? 0 : (value - warnReserve) * 8}
									label="{words}: {percent(value)}"
								/></td
							></tr
						>
					{/each}
				</tbody>
			</table>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Against tipping over · worst of all swings and booms">
			{#snippet answer()}
				{#if danger !== null}<strong data-testid="stand-strong">Not safe as drawn</strong>
				{:else}<strong data-testid="stand-strong">{unbroken(percent(reserve))}</strong> of reserve left{/if}
			{/snippet}
			{#if danger !== null}<p class="danger" role="alert" data-testid="danger">{danger}</p>{/if}
			<p>
				Least with the arm at {degrees(envelope.worst.swingRad)}
				{envelope.worst.swingRad >= 0 ? 'left' : 'right'} of straight ahead, boom {degFromRad(
					envelope.worst.boomRad
				).toFixed(0)}°, over side {envelope.worst.edge + 1} of the base.
			</p>
			{#if planned}<p class="quiet">
					With the weights that the slip asks for; until they hang the arm stays held.
				</p>{/if}
			{#if cameraOff < reserve - 0.02}<p class="caution" data-testid="camera-off">
					With the camera off before the weights {cameraOff <= 0
						? 'it tips over'
						: `only ${percent(cameraOff)} is left`}: weights off first.
				</p>{/if}
			<h2>What would make it more</h2>
			<p data-testid="ballast">
				{#if ballast.feasible && ballast.massKg === 0}It has {percent(wanted)} without any ballast.
				{:else if ballast.feasible}<strong>{together(showMass(Math.ceil(ballast.massKg), units))}</strong> of ballast in
					the middle of the base gives {percent(wanted)}{ground.ballastKg > 0
						? `; ${together(showMass(ground.ballastKg, units))} stand there now`
						: ''}.
					<button
						type="button"
						class="link"
						onclick={() => ballast.feasible && bench.ground({ ballastKg: Math.ceil(ballast.massKg) }, 'ballast')}
						data-testid="put-ballast">Put it there</button
					>
				{:else}No ballast in the middle reaches {percent(wanted)}: widen the feet, lower the wind or the push, or take
					weight off the arm.{/if}
			</p>
			<h2>On the floor</h2>
			<p class:caution={floorBad} data-testid="floor">
				{together(showMass(worstFoot / 9.80665, units))} on the worst {geometry.base.kind === 'dolly'
					? 'wheel'
					: 'foot'} as it points now{ground.floorN === null
					? '. Nobody has said what this floor bears: ask its owner.'
					: floorBad
						? `, more than the ${together(showMass(ground.floorN / 9.80665, units))} its owner allows.`
						: ', within what its owner allows.'}
				{geometry.base.kind === 'dolly'
					? 'Wheels locked, and track or boards under them on anything soft.'
					: 'Feet on boards, never on loose carpet.'}
			</p>
			<p class="quiet">
				Wind of {ground.windMPerS} m/s on {area.toFixed(2)} m² is {wind.forceN.toFixed(0)} N (½ ρ c A v², c = 1.3), taken
				at the pivot’s height; a gust half as fast again is more than twice that.
			</p>
			<p class="quiet">
				Reserve is what is left of the moment that holds it down, as a share of weight times the side’s distance from
				the middle: 100 % is in the middle, 0 tips. It leaves out gusts, a swinging load, sinking feet and flex. It is
				never a promise: stop for wind, slopes and crowds, and ask who is licensed to decide.
			</p>
			<p><a href="/balance/crane/{bench.crane.id}/{bench.payloadId}">Back to the weights</a></p>
			{#if geometry.base.liftsKg !== null}<p class="quiet">
					The column’s counterbalance lifts {together(showMass(geometry.base.liftsKg, units))}; the arm with all on it
					is {together(showMass(figures.armKg, units))}.
				</p>{/if}
		</Slip>
	</div>
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		padding: 8px 18px 8px 26px;
	}
	.fields :global(.field) {
		width: 138px;
		font-size: 13px;
		color: var(--quiet);
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 15px;
	}
	th,
	td {
		text-align: left;
		padding: 4px 12px 4px 26px;
		border-top: 1px solid var(--rule);
		font-weight: 400;
	}
	td {
		padding-left: 8px;
	}
	td:last-child {
		width: 34%;
	}
	thead th {
		font-size: 13px;
		color: var(--quiet);
		border: 0;
	}
	.number {
		text-align: right;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	@media (min-width: 901px) {
		.rows {
			max-height: 46% !important;
		}
	}
	@media (max-width: 900px) {
		th {
			padding-left: 12px;
		}
	}
</style>
