<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import {
		degFromRad,
		levelLinkage,
		type LinkageGeometry,
		linkageFromLevels,
		radFromDeg,
		tuneLinkage
	} from '@poise/core';
	import { tryFigures } from '$lib/supports/tryFigures';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showMove, together, unbroken } from '$lib/sheet/units/display';
	import { sharedCraneBench } from './craneBench.svelte';
	import { noseU } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const arm = $derived(noseU(geometry, bench.setting));
	const drawn = $derived<LinkageGeometry>({
		armM: arm,
		linkM: geometry.linkage.linkM,
		rearPivotM: geometry.linkage.rearPivotM,
		rodM: arm + geometry.linkage.rodLongerM
	});
	const [low, high] = $derived(geometry.boomRangeRad);
	const booms = $derived(Array.from({ length: 41 }, (_, index) => low + ((high - low) * index) / 40));
	const errors = $derived(tryFigures(() => levelLinkage({ ...drawn, boomRad: booms }).tiltErrorRad));
	const worst = $derived(
		errors === null
			? null
			: errors.reduce<number>((most, error) => (Math.abs(error ?? 9) > Math.abs(most) ? (error ?? 9) : most), 0)
	);
	const readings = $derived(bench.state.levels);
	const finding = $derived(
		readings.length < 2
			? null
			: tryFigures(() =>
					linkageFromLevels({ ...drawn, readings: readings.map(({ boomRad, tiltRad }) => ({ boomRad, tiltRad })) })
				)
	);
	let boomRad = $state(radFromDeg(30));
	let tiltRad = $state(0);
	let wantedBoom = $state(radFromDeg(30));
	let wantedTilt = $state(0);
	let wishing = $state(false);
	const tuned = $derived(
		tryFigures(() =>
			tuneLinkage({
				...drawn,
				boomRangeRad: geometry.boomRangeRad,
				free: { rodM: 0.06, ...(wishing ? { pivotUpM: 0.05 } : {}) },
				...(wishing ? { wanted: { boomRad: wantedBoom, tiltRad: wantedTilt } } : {})
			})
		)
	);
	const turns = (metres: number) => {
		const count = Math.round((Math.abs(metres) / geometry.linkage.mPerTurn) * 4) / 4;
		return `${count} ${count > 0 && count <= 1 ? 'turn' : 'turns'}`;
	};
	const degrees = (radians: number) => `${Math.abs(degFromRad(radians)).toFixed(2)}°`;
	function take() {
		const count = readings.length + 1;
		let id = `level${count}`;
		for (let extra = count; readings.some((each) => each.id === id); extra += 1) id = `level${extra}`;
		bench.change({ levels: [...readings, { id, boomRad, tiltRad }] });
		tiltRad = 0;
	}
	/** A hundredth of a degree is rounding, not tilt. */
	const levelThroughout = $derived(
		errors !== null && errors.every((error) => error != null && Math.abs(degFromRad(error)) < 0.01)
	);
	const within = (least: number, greatest: number, words: string) => (value: number) =>
		value >= least && value <= greatest ? null : words;
</script>

<div class="bench">
	<section class="work" aria-label="Levelling linkage">
		<div class="pane">
			{#if errors === null}
				<p class="caution">
					This linkage does not close with the arm level: look at its lengths on the crane’s own sheet.
				</p>
			{:else}
				<Chart
					lines={[
						{
							name: 'tilt of the head, as drawn',
							points: booms.flatMap((boom, index) => {
								const error = errors[index];
								return error == null ? [] : [[degFromRad(boom), degFromRad(error)] as const];
							}),
							as: 'line'
						},
						{
							name: 'measured',
							points: readings.map((each) => [degFromRad(each.boomRad), degFromRad(each.tiltRad)] as const),
							as: 'dots'
						}
					]}
					xTitle="boom, degrees up"
					yTitle="nose-up, °"
					yDecimals={2}
					yLeast={1}
					label="Tilt error against boom angle"
					height={300}
				/>
			{/if}
			{#if levelThroughout && readings.length === 0}<p class="hint" data-testid="level-throughout">
					<strong>Level at every boom</strong>, as drawn: rod and arm make a true parallelogram.
				</p>{/if}
			<h2>What a level on the nose shows</h2>
			<div class="row">
				<QuantityField
					label="at boom"
					value={boomRad}
					quantity="angle"
					{units}
					check={within(low, high, `Between ${degFromRad(low).toFixed(0)}° and ${degFromRad(high).toFixed(0)}°.`)}
					onvalue={(value) => (boomRad = value)}
					testId="level-boom"
				/>
				<QuantityField
					label="nose up by"
					value={tiltRad}
					quantity="angle"
					{units}
					check={within(-1, 1, 'Within 57°; minus is nose down.')}
					onvalue={(value) => (tiltRad = value)}
					testId="level-tilt"
				/>
				<Button class="chip" onclick={take} disabled={readings.length >= 12} data-testid="take-level">Take it</Button>
			</div>
			{#if readings.length > 0}
				<ul class="readings" data-testid="levels">
					{#each readings as reading (reading.id)}
						<li>
							{degFromRad(reading.boomRad).toFixed(0)}° boom: {degrees(reading.tiltRad)} nose {reading.tiltRad >= 0
								? 'up'
								: 'down'}
							<Button
								class="link"
								onclick={() => bench.change({ levels: readings.filter(({ id }) => id !== reading.id) })}
								>Take out</Button
							>
						</li>
					{/each}
				</ul>
			{/if}
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Levelling · {together(showMove(arm, units))} of arm">
			{#snippet answer()}
				{#if finding !== null && finding.fault === 'rod'}The rod <strong data-testid="level-strong"
						>{unbroken(turns(finding.byM))} {finding.byM > 0 ? 'shorter' : 'longer'}</strong
					>
				{:else if finding !== null && finding.fault === 'pivotUp'}The rear pivot <strong data-testid="level-strong"
						>{finding.byM > 0 ? 'down' : 'up'} {unbroken(together(showMove(finding.byM, units)))}</strong
					>
				{:else if finding !== null}It <strong data-testid="level-strong">levels as drawn</strong>
				{:else if worst !== null}As drawn it strays <strong data-testid="level-strong"
						>{unbroken(degrees(worst))}</strong
					> at most
				{:else}<strong data-testid="level-strong">It does not close</strong>{/if}
			{/snippet}
			{#if finding !== null && finding.fault !== 'none'}
				<p>
					{finding.fault === 'rod'
						? `It is ${together(showMove(finding.byM, units))} too ${finding.byM > 0 ? 'long' : 'short'}.`
						: `It sits ${together(showMove(finding.byM, units))} too ${finding.byM > 0 ? 'high' : 'low'}.`}
					{finding.unsure
						? ' The readings would fit the other cause as well: take another level at another boom before you turn anything.'
						: ` The other cause would leave ${degrees(finding.fault === 'rod' ? finding.pivotUp.leftRad : finding.rod.leftRad)} unexplained.`}
				</p>
			{:else if readings.length < 2}
				<p>
					Read a level on the head’s plate at two booms or three, far apart: they tell a rod of wrong length from a
					pivot of wrong height.
				</p>
			{/if}
			<h2>The best it can be</h2>
			<label class="wish"><Tick bind:checked={wishing} data-testid="wish-tilt" /> hold a wanted tilt at one boom</label>
			{#if wishing}
				<div class="row">
					<QuantityField
						label="at boom"
						value={wantedBoom}
						quantity="angle"
						{units}
						check={within(low, high, 'Within the boom’s own range.')}
						onvalue={(value) => (wantedBoom = value)}
						testId="wish-boom"
					/>
					<QuantityField
						label="nose up by"
						value={wantedTilt}
						quantity="angle"
						{units}
						check={within(-0.5, 0.5, 'Within 28°.')}
						onvalue={(value) => (wantedTilt = value)}
						testId="wish-angle"
					/>
				</div>
			{/if}
			{#if tuned !== null}
				<p data-testid="tuned">
					{Math.abs(tuned.rodM - drawn.rodM) < geometry.linkage.mPerTurn / 8
						? 'Leave the rod.'
						: `Rod ${turns(tuned.rodM - drawn.rodM)} ${tuned.rodM > drawn.rodM ? 'longer' : 'shorter'}.`}
					{Math.abs(tuned.rearPivotM[1] - drawn.rearPivotM[1]) < 0.0005
						? ''
						: ` Rear pivot ${tuned.rearPivotM[1] > drawn.rearPivotM[1] ? 'up' : 'down'} ${together(showMove(tuned.rearPivotM[1] - drawn.rearPivotM[1], units))}.`}
					{wishing ? ' It then misses the wish by' : ' It then strays'}
					{degrees(tuned.worstErrorRad)}{wishing ? '' : ` at most, ${degrees(tuned.worstBeforeRad)} as drawn`}.
				</p>
			{/if}
			<p class="caution">
				Turn the adjuster with the head held: a rod that comes off its thread drops the camera onto its nose.
			</p>
			<p class="quiet">
				Rigid rod and pins without play, everything counted from the arm level. The head’s own tilt cancels.
			</p>
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.pane {
		padding: 10px 18px 20px 20px;
		display: grid;
		gap: 10px;
	}
	h2 {
		font-size: 16px;
	}
	.answer-column h2 {
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: end;
	}
	.row :global(.field) {
		width: 130px;
	}
	.readings li {
		display: flex;
		gap: 14px;
		align-items: center;
		min-height: 44px;
	}
	.wish {
		display: flex;
		gap: 10px;
		align-items: center;
		min-height: 44px;
	}
</style>
