<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import { isWithin } from '$lib/model/limits';
	import { limitWords } from '$lib/sheet/units/allowed';
	import { craneLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import {
		ballastFor,
		degFromRad,
		kgFromWeight,
		stabilityAt,
		stabilityEnvelope,
		stabilityRose,
		weightFromKg,
		windForce
	} from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { CraneGround, CraneSetting } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showArea, showDistance, showForce, showMass, showSpeed, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import { type CraneFigures, leastReserve, warnReserve } from './figures';
	import PlanDrawing from './PlanDrawing.svelte';
	import { dangerOf, degrees } from './slip';
	import { armOf, drawnAreaM2, envelopeOf, loadedArm } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const figures = $derived(bench.figures as CraneFigures);
	const geometry = $derived(bench.support.geometry);
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
	const wishes = [0.35, 0.5, 0.7] as const;
	/** What ballast in the middle of the base, in all, would bring to which reserve; and what it has without any. */
	const ballasts = $derived(
		wishes.map((wantedReserve) => ({
			wantedReserve,
			...ballastFor({ ...input, base: input.base.slice(0, 1), atM: [0, 0, 0.1], wantedReserve })
		}))
	);
	const bare = $derived(ballasts[0]?.reserveBefore ?? 0);
	const area = $derived(drawnAreaM2(geometry, setting) + ground.moreAreaM2);
	const wind = $derived(windForce({ speedMPerS: ground.windMPerS, areaM2: area }));
	const worstFoot = $derived(Math.max(...pose.footLoadsN));
	const floorBad = $derived(ground.floorN !== null && worstFoot > ground.floorN);
	const fields = $derived<
		readonly {
			readonly field: keyof CraneGround;
			readonly label: string;
			readonly quantity: 'angle' | 'speed' | 'area' | 'force' | 'length' | 'mass';
			readonly check: (value: number) => string | null;
		}[]
	>([
		{
			field: 'slopeRad',
			label: 'slope of the floor',
			quantity: 'angle',
			check: (v) => (isWithin(craneLimits.slope, v) ? null : limitWords(craneLimits.slope, 'angle'))
		},
		{
			field: 'windMPerS',
			label: 'wind',
			quantity: 'speed',
			check: (v) =>
				isWithin(craneLimits.wind, v)
					? null
					: `Between 0 and ${together(showSpeed(craneLimits.wind.most, units))}: that is a hurricane.`
		},
		{
			field: 'moreAreaM2',
			label: 'flags and sails',
			quantity: 'area',
			check: (v) =>
				isWithin(craneLimits.moreArea, v)
					? null
					: `Between 0 and ${together(showArea(craneLimits.moreArea.most, units))}.`
		},
		{
			field: 'pushN',
			label: 'a push of',
			quantity: 'force',
			check: (v) =>
				isWithin(craneLimits.push, v) ? null : `Between 0 and ${together(showForce(craneLimits.push.most, units))}.`
		},
		{
			field: 'pushHeightM',
			label: 'push at',
			quantity: 'length',
			check: (v) =>
				isWithin(craneLimits.pushHeight, v)
					? null
					: `Between 0 and ${together(showDistance(craneLimits.pushHeight.most, units))}.`
		},
		{
			field: 'ballastKg',
			label: 'ballast on the base',
			quantity: 'mass',
			check: (v) =>
				isWithin(craneLimits.ballast, v)
					? null
					: `Between 0 and ${together(showMass(craneLimits.ballast.most, units))}.`
		}
	]);
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
				{units}
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
					label="floor bears on a foot"
					value={ground.floorN === null ? 0 : kgFromWeight(ground.floorN)}
					quantity="mass"
					{units}
					check={(value) => (value >= 0 && value <= 100000 ? null : '0: nobody has said.')}
					onvalue={(value) => bench.ground({ floorN: value === 0 ? null : weightFromKg(value) }, 'floor')}
					oncommit={() => bench.document.settle()}
					testId="ground-floor"
				/>
			</div>
			<table>
				<thead><tr><th>Reserve</th><th class="number">least</th><th></th></tr></thead>
				<tbody>
					{#each [['Loaded and balanced, worst swing and boom', reserve], ['Camera off, all weights still on', cameraOff], ['Weights off, camera still on', noWeights], ['As the arm points now', pose.reserve]] as const as [words, value] (words)}
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
					With the camera off while all the weights hang {cameraOff <= 0
						? 'it tips over'
						: `only ${percent(cameraOff)} is left`}: weights off before it, as the order says.
				</p>{/if}
			<h2>What would make it more</h2>
			<p data-testid="ballast">
				It has <strong>{percent(reserve)}</strong>
				{#if ground.ballastKg > 0}with the {together(showMass(ground.ballastKg, units))} of ballast that stand there; without
					any, {percent(bare)}.{:else}without any ballast.{/if}
			</p>
			<ul class="ballasts">
				{#each ballasts as wish (wish.wantedReserve)}
					<li data-testid="ballast-{wish.wantedReserve * 100}">
						{#if wish.feasible && wish.massKg === 0}
							<span>{percent(wish.wantedReserve)}: there without any</span>
						{:else if wish.feasible}
							<span
								>{percent(wish.wantedReserve)}:
								<strong>{together(showMass(Math.ceil(wish.massKg), units))}</strong> in the middle of the base</span
							>
							{#if Math.ceil(wish.massKg) === ground.ballastKg}<span class="quiet">stands there now</span>
							{:else}<Button
									class="link"
									onclick={() => wish.feasible && bench.ground({ ballastKg: Math.ceil(wish.massKg) }, 'ballast')}
									data-testid="put-ballast-{wish.wantedReserve * 100}">Put it there</Button
								>{/if}
						{:else}
							<span
								>{percent(wish.wantedReserve)}: not by ballast in the middle, which brings {percent(wish.mostReserve)} at
								most. Widen the feet, lower the wind or the push, or take weight off the arm.</span
							>
						{/if}
					</li>
				{/each}
			</ul>
			<h2>On the floor</h2>
			<p class:caution={floorBad} data-testid="floor">
				{together(showMass(kgFromWeight(worstFoot), units))} on the worst {geometry.base.kind === 'dolly'
					? 'wheel'
					: 'foot'} as it points now{ground.floorN === null
					? '. Nobody has said what this floor bears: ask its owner.'
					: floorBad
						? `, more than the ${together(showMass(kgFromWeight(ground.floorN), units))} its owner allows.`
						: ', within what its owner allows.'}
				{geometry.base.kind === 'dolly'
					? 'Wheels locked, and track or boards under them on anything soft.'
					: 'Feet on boards, never on loose carpet.'}
			</p>
			<p class="quiet">
				Wind of {together(showSpeed(ground.windMPerS, units))} on {together(showArea(area, units))} is {together(
					showForce(wind.forceN, units)
				)} (½ ρ c A v², c = 1.3), taken at the pivot’s height; a gust half as fast again is more than twice that.
			</p>
			<p class="quiet">
				Reserve is what is left of the moment that holds it down, as a share of weight times the side’s distance from
				the middle: 100 % is in the middle, 0 tips. It leaves out gusts, a swinging load, sinking feet and flex. It is
				never a promise: stop for wind, slopes and crowds, and ask who is licensed to decide.
			</p>
			<p><a href="/balance/crane/{bench.support.id}/{bench.payloadId}">Back to the weights</a></p>
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
	.ballasts {
		display: grid;
		gap: 2px;
		font-size: 15px;
	}
	.ballasts li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 2px 12px;
		min-height: 34px;
	}
</style>
