<script lang="ts">
	import { allowed } from '$lib/sheet/units/allowed';
	import { craneLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import { degFromRad } from '@poise/core';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { axisOf, showMass, showMove, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import CraneDrawing from './CraneDrawing.svelte';
	import { craneFigures, type CraneFigures, driftCurve } from './figures';
	import { degreesSigned, staysInWords } from './slip';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	/** Until the weights hang it is the plan that is judged. */
	const planned = $derived(bench.slip?.kind === 'move');
	const setting = $derived(planned ? (bench.slip?.target ?? bench.setting) : bench.setting);
	const figures = $derived(
		planned ? craneFigures(bench.support, bench.bodies, { ...bench.state, setting }) : (bench.figures as CraneFigures)
	);
	const geometry = $derived(bench.support.geometry);
	let width = $state(740);
	let height = $state(300);
	const torque = $derived(axisOf('torque', units));
	const friction = $derived(torque.of(figures.frictionNm));
	const curve = $derived(
		driftCurve(figures, geometry).map(([boom, moment]) => [degFromRad(boom), torque.of(moment)] as const)
	);
	const ends = $derived([degFromRad(geometry.boomRangeRad[0]), degFromRad(geometry.boomRangeRad[1])] as const);
	const cure = $derived(figures.cure);
	const kinds = {
		seeks: 'It comes back',
		runsAway: 'It runs away',
		floats: 'It floats',
		noseDown: 'It sinks',
		noseUp: 'It rises'
	};
</script>

<div class="bench">
	<section class="work" aria-label="Drift over the boom range">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<CraneDrawing
				{geometry}
				{setting}
				payload={bench.bodies}
				arm={figures.arm}
				{units}
				{width}
				{height}
				onboom={(boomRad) => bench.stands({ boomRad }, 'boom')}
				onsettle={() => bench.document.settle()}
			/>
		</div>
		<div class="rows chart">
			<Chart
				lines={[
					{ name: 'out of balance, nose-down positive', points: curve, as: 'line' },
					{
						name: 'the pivot holds',
						points: [
							[ends[0], friction],
							[ends[1], friction]
						],
						as: 'broken'
					},
					{
						name: 'either way',
						points: [
							[ends[0], -friction],
							[ends[1], -friction]
						],
						as: 'broken'
					}
				]}
				xTitle="boom, degrees up"
				yTitle={torque.unit}
				yLeast={10}
				yDecimals={0}
				label="Out-of-balance against boom angle"
				height={260}
			/>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Let go at any height">
			{#snippet answer()}
				{#if figures.staysThroughout}It <strong data-testid="drift-strong">stays where it is put</strong>
				{:else if cure.shiftM === null}Hang <strong data-testid="drift-strong">the weights first</strong>
				{:else if cure.shareAbove !== null}Hang <strong data-testid="drift-strong"
						>{unbroken(`${(cure.shareAbove * 100).toFixed(0)} %`)}</strong
					> of the plates on the upper line
				{:else}The weight line <strong data-testid="drift-strong"
						>{cure.shiftM > 0 ? 'up' : 'down'} {unbroken(together(showMove(cure.shiftM, units)))}</strong
					>{/if}
			{/snippet}
			{#if planned}<p class="quiet">With the weights that the slip asks for.</p>{/if}
			<p>
				<strong>{kinds[figures.drift.kind]}</strong>{figures.drift.restBoomRad === null
					? '.'
					: ` ${figures.drift.kind === 'seeks' ? 'to' : 'from'} ${degreesSigned(figures.drift.restBoomRad)}.`}
				{staysInWords(figures, units)}
			</p>
			{#each [['low', figures.noseAtEndsKg[0]], ['high', figures.noseAtEndsKg[1]]] as const as [words, kg] (words)}
				<div class="tube">
					<span>all the way {words}</span>
					<Vial offset={-kg / figures.noseBandKg} label="Nose at the {words} end" />
					<span class="figure">{together(showMass(Math.abs(kg), units))} {kg >= 0 ? 'heavy' : 'light'}</span>
				</div>
			{/each}
			{#if geometry.hanger.secondVM !== null}
				<QuantityField
					label="share on the second line"
					value={bench.setting.shareSecond}
					quantity="share"
					{units}
					check={allowed(craneLimits.shareSecond, 'share')}
					onvalue={(shareSecond) => bench.stands({ shareSecond }, 'share')}
					oncommit={() => bench.document.settle()}
					testId="share-second"
				/>
				{#if cure.shareAbove !== null && !figures.staysThroughout}
					<Button
						class="go"
						onclick={() => {
							const upper = geometry.hanger.secondVM !== null && geometry.hanger.secondVM > geometry.hanger.vM;
							const share = Math.round((upper ? (cure.shareAbove ?? 0) : 1 - (cure.shareAbove ?? 0)) * 100) / 100;
							bench.moveTo({ ...setting, shareSecond: share }, [
								`Share the plates: ${(share * 100).toFixed(0)} % on the second line`
							]);
						}}
						data-testid="share-done">They hang so</Button
					>
				{:else if cure.shiftM !== null && cure.shareAbove === null && !figures.staysThroughout}
					<p class="quiet">No sharing between these two lines does it all: the line itself would have to move.</p>
				{/if}
			{:else if cure.shiftM !== null && !figures.staysThroughout}
				<p class="quiet">
					A longer or shorter hanger, or plates hung above the arm, moves the line. Then change it on the crane’s own
					sheet.
				</p>
			{/if}
			<p class="caution">
				Try it with somebody at the tail: open the hands a finger’s breadth, never let go of a free arm.
			</p>
			<p class="quiet">
				Weights below the line through pivot and nose bring it back, above it they drive it away; a head kept level
				counts at its hinge. The levelling rod’s own change of lean is left out.
			</p>
		</Slip>
	</div>
</div>

<style>
	.chart {
		padding: 6px 18px 6px 16px;
	}
	.tube {
		display: grid;
		grid-template-columns: 96px 1fr 96px;
		align-items: center;
		gap: 10px;
		font-size: 14px;
	}
	@media (min-width: 901px) {
		.rows {
			max-height: 50% !important;
		}
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 300px;
		}
	}
</style>
