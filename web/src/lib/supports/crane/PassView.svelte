<script module lang="ts">
	/** Every fifth point: more than a chart's pixels say nothing. */
	const thin = <T,>(points: readonly T[]): T[] => points.filter((_, index) => index % 5 === 0);
</script>

<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import { allowed } from '$lib/sheet/units/allowed';
	import { craneLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import { degFromRad, headPass } from '@poise/core';
	import { tryFigures } from '$lib/supports/tryFigures';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { CranePass } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showDistance, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import { firstThatDoes, keysOf, mostVia, withAnother, withKey, withoutKey } from './passKeys';
	import PassPlan from './PassPlan.svelte';
	import PassTimes from './PassTimes.svelte';
	import { reachOf } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const pass = $derived(bench.state.pass);
	let width = $state(740);
	const change = (next: Partial<CranePass>, about: string) => bench.change({ pass: { ...pass, ...next } }, about);
	const put = (next: CranePass, about: string | null) => bench.change({ pass: next }, about);
	const keys = $derived(keysOf(pass));
	let chosen = $state(0);
	function drop(index: number) {
		if (index <= 0 || index >= keys.length - 1) return;
		put(withoutKey(pass, index), null);
		chosen = index - 1;
	}
	const run = (one: CranePass) =>
		tryFigures(() =>
			headPass({
				reach: reachOf(geometry, bench.setting, bench.bodies),
				pivotM: [0, 0, bench.setting.pivotHeightM],
				pass: one,
				subjectM: one.subjectM,
				limits: geometry.head.limits,
				focalM: one.focalM,
				sensorWidthM: one.sensorWidthM
			})
		);
	const result = $derived(run(pass));
	/** Further away the head has less to turn: how much further would do. */
	const further = $derived.by(() => {
		if (result === null || result.demand <= 1) return null;
		const [x, y, z] = pass.subjectM;
		const quarters = firstThatDoes(60, (count) => {
			const factor = 1 + (count * 0.25) / Math.hypot(x, y);
			const there = run({ ...pass, subjectM: [x * factor, y * factor, z] });
			return there !== null && there.demand <= 1;
		});
		return quarters === null ? null : quarters * 0.25;
	});
	/** A start further round, the same end: less way in the same time. */
	const betterStart = $derived.by(() => {
		if (result === null || result.demand <= 1) return null;
		const from = (count: number) => pass.fromSwingRad + (pass.toSwingRad - pass.fromSwingRad) * count * 0.05;
		const twentieths = firstThatDoes(19, (count) => {
			const there = run({ ...pass, fromSwingRad: from(count) });
			return there !== null && there.demand <= 1;
		});
		return twentieths === null ? null : from(twentieths);
	});
	const words = {
		panRadPerS: 'pan rate',
		tiltRadPerS: 'tilt rate',
		panRadPerS2: 'pan acceleration',
		tiltRadPerS2: 'tilt acceleration'
	};
	const limits = $derived(geometry.head.limits);
	const angleField = (field: 'fromSwingRad' | 'toSwingRad' | 'fromBoomRad' | 'toBoomRad') => (value: number) => {
		const [least, most] = field.endsWith('BoomRad') ? geometry.boomRangeRad : [-2 * Math.PI, 2 * Math.PI];
		return value >= least - 1e-9 && value <= most + 1e-9
			? null
			: `Between ${degFromRad(least).toFixed(0)}° and ${degFromRad(most).toFixed(0)}°.`;
	};
	const angles = [
		['fromSwingRad', 'swing from'],
		['toSwingRad', 'swing to'],
		['fromBoomRad', 'boom from'],
		['toBoomRad', 'boom to']
	] as const;
	const peakPan = $derived(
		result === null
			? 1
			: result.samples.reduce(
					(most, { panRadPerS }) => (Math.abs(panRadPerS) > Math.abs(most) ? panRadPerS : most),
					0
				) || 1
	);
	const seconds = (value: number) => `${value.toFixed(1)} s`;
</script>

<div class="bench">
	<section class="work" aria-label="Head rate">
		<div class="plan" bind:clientWidth={width}>
			<PassPlan
				samples={result?.samples ?? []}
				subjectM={pass.subjectM}
				{width}
				height={300}
				{keys}
				{chosen}
				onchoose={(index) => (chosen = index)}
				onkey={(index, swingRad) => put(withKey(pass, index, { swingRad }), `key ${index}`)}
				onsubject={(x, y) => change({ subjectM: [x, y, pass.subjectM[2]] }, 'subject')}
				onsettle={() => bench.document.settle()}
			/>
			<PassTimes
				samples={result?.samples ?? []}
				{keys}
				durationS={pass.durationS}
				boomRangeRad={geometry.boomRangeRad}
				{chosen}
				{width}
				height={130}
				onchoose={(index) => (chosen = index)}
				onkey={(index, next) => put(withKey(pass, index, next), `key ${index}`)}
				ondrop={drop}
				onsettle={() => bench.document.settle()}
			/>
			<div class="chips">
				<Button
					class="chip"
					disabled={(pass.via ?? []).length >= mostVia}
					onclick={() => put(withAnother(pass), null)}
					data-testid="another-pose">Another pose on the way</Button
				>
				<Button
					class="chip"
					disabled={chosen <= 0 || chosen >= keys.length - 1}
					onclick={() => drop(chosen)}
					data-testid="drop-pose">Take pose {Math.max(2, chosen + 1)} out</Button
				>
			</div>
		</div>
		<div class="fields">
			{#each angles as [field, label] (field)}
				<QuantityField
					{label}
					value={pass[field]}
					quantity="angle"
					{units}
					check={angleField(field)}
					onvalue={(value) => change({ [field]: value }, `pass ${field}`)}
					oncommit={() => bench.document.settle()}
					testId="pass-{field}"
				/>
			{/each}
			<QuantityField
				label="in"
				value={pass.durationS}
				quantity="time"
				{units}
				check={allowed(craneLimits.passTime, 'time')}
				onvalue={(durationS) => change({ durationS }, 'pass time')}
				oncommit={() => bench.document.settle()}
				testId="pass-durationS"
			/>
			{#each ['ahead', 'left', 'up'] as label, index (label)}
				<QuantityField
					label="subject {label}"
					value={pass.subjectM[index] ?? 0}
					quantity="distance"
					{units}
					check={allowed(craneLimits.subject, 'distance')}
					onvalue={(value) =>
						change(
							{
								subjectM: pass.subjectM.map((old, k) => (k === index ? value : old)) as unknown as CranePass['subjectM']
							},
							`subject ${index}`
						)}
					oncommit={() => bench.document.settle()}
					testId="subject-{index}"
				/>
			{/each}
			<QuantityField
				label="focal length"
				value={pass.focalM}
				quantity="length"
				{units}
				check={allowed(craneLimits.focal, 'length')}
				onvalue={(focalM) => change({ focalM }, 'focal')}
				oncommit={() => bench.document.settle()}
				testId="pass-focal"
			/>
			<QuantityField
				label="sensor’s width"
				value={pass.sensorWidthM}
				quantity="length"
				{units}
				check={allowed(craneLimits.sensor, 'length')}
				onvalue={(sensorWidthM) => change({ sensorWidthM }, 'sensor')}
				oncommit={() => bench.document.settle()}
			/>
		</div>
		{#if result !== null}
			<div class="chart">
				<Chart
					lines={[
						{
							name: 'pan',
							points: thin(result.samples.map((each) => [each.atS, degFromRad(each.panRadPerS)] as const)),
							as: 'line'
						},
						{
							name: 'tilt',
							points: thin(result.samples.map((each) => [each.atS, degFromRad(each.tiltRadPerS)] as const)),
							as: 'line'
						},
						{
							name: 'the head pans at most',
							points: [
								[0, degFromRad(limits.panRadPerS) * Math.sign(peakPan)],
								[pass.durationS, degFromRad(limits.panRadPerS) * Math.sign(peakPan)]
							],
							as: 'broken'
						}
					]}
					xTitle="seconds"
					yTitle="degrees a second"
					yDecimals={0}
					label="Pan and tilt rates along the pass"
					height={230}
				/>
			</div>
		{/if}
	</section>
	<div class="answer-column">
		<Slip heading="Head rate · the subject held in the middle">
			{#snippet answer()}
				{#if result === null}<strong data-testid="pass-strong">The lens meets the subject</strong>: move one of them
				{:else if result.demand <= 1}The head <strong data-testid="pass-strong">keeps up</strong>, {unbroken(
						`${(result.demand * 100).toFixed(0)} %`
					)} of what it has
				{:else}Take <strong data-testid="pass-strong">{unbroken(seconds(result.shortestS))}</strong> for this pass{/if}
			{/snippet}
			{#if result !== null}
				<div class="tube">
					<span>room</span><Vial
						size="large"
						offset={result.demand <= 1 ? 0 : (result.demand - 1) * 6}
						label="Head margin"
					/><span>short</span>
				</div>
				{#if result.demand > 1}
					<p data-testid="pass-short">
						In {seconds(pass.durationS)} its {words[result.binding]} falls short by {(
							(result.demand - 1) *
							100
						).toFixed(0)} %, {seconds(result.bindingAtS)} into the pass.
					</p>
					<Button
						class="go"
						onclick={() => change({ durationS: Math.ceil(result.shortestS * 10) / 10 }, 'pass time')}
						data-testid="pass-slower">Do it in {seconds(Math.ceil(result.shortestS * 10) / 10)}</Button
					>
					{#if betterStart !== null}<p>
							Or start at {degFromRad(betterStart).toFixed(0)}° of swing, for the same time.
							<Button class="link" onclick={() => change({ fromSwingRad: betterStart }, 'pass start')}
								>Start there</Button
							>
						</p>{/if}
					{#if further !== null}<p>
							Or put {together(showDistance(further, units))} more between arm and subject, with a longer lens.
						</p>{/if}
					<p>
						Done anyway, the subject leaves the middle by <strong data-testid="pass-error"
							>{unbroken(`${(result.worstErrorWidths * 100).toFixed(0)} %`)}</strong
						>
						of the frame’s width, worst at {seconds(result.worstAtS)}.
					</p>
				{/if}
				<dl>
					<div>
						<dt>Pan, at most</dt>
						<dd>{degFromRad(result.peak.panRadPerS).toFixed(0)}°/s of {degFromRad(limits.panRadPerS).toFixed(0)}</dd>
					</div>
					<div>
						<dt>Tilt, at most</dt>
						<dd>{degFromRad(result.peak.tiltRadPerS).toFixed(0)}°/s of {degFromRad(limits.tiltRadPerS).toFixed(0)}</dd>
					</div>
					<div>
						<dt>Distance</dt>
						<dd>
							{together(showDistance(Math.min(...result.samples.map(({ distanceM }) => distanceM)), units))} to {together(
								showDistance(Math.max(...result.samples.map(({ distanceM }) => distanceM)), units)
							)}
						</dd>
					</div>
				</dl>
				<h2>A head of one speed</h2>
				<p data-testid="steady">
					Pan at a steady {degFromRad(Math.abs(result.steadyPan.rateRadPerS)).toFixed(1)}°/s {result.steadyPan
						.rateRadPerS >= 0
						? 'left'
						: 'right'}, from {degFromRad(result.steadyPan.startRad).toFixed(0)}°: the subject strays {(
						result.steadyPan.worstErrorWidths * 100
					).toFixed(0)} % of a frame’s width at most.
				</p>
			{/if}
			<p class="caution">
				A head and an arm move without warning: a dead-man in somebody’s hand, the sweep marked off, a spotter.
			</p>
			<p class="quiet">
				The arm goes gently at both ends. The head follows without foresight; loop and link delays come on top.
			</p>
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.plan {
		flex: none;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		padding: 8px 18px 8px 26px;
		border-top: 1px solid var(--rule);
	}
	.fields :global(.field) {
		width: 112px;
		font-size: 13px;
		color: var(--quiet);
	}
	.chips {
		padding: 4px 18px 8px 26px;
	}
	.chips > :global(.chip:disabled) {
		color: var(--edge);
	}
	.chart {
		padding: 0 18px 10px 16px;
	}
	.tube {
		display: grid;
		grid-template-columns: auto 1fr auto;
		align-items: center;
		gap: 10px;
		font-size: 14px;
		color: var(--quiet);
	}
	dl div {
		display: grid;
		grid-template-columns: 120px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	dd {
		font-weight: 700;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
</style>
