<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/sheet.css';
	import { degFromRad, horizonTrend, radFromDeg } from '@poise/core';
	import { ask } from '$lib/keeping/ask';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { when } from '$lib/sheet/when';
	import { type HorizonEntry, type NewHorizonEntry, sinceCalibration } from '$lib/supports/gimbal/horizon';
	import { showTemperature, together } from '$lib/sheet/units/display';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import { editorLinks, supportPath } from '../address';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import Vial from '$lib/sheet/vial/Vial.svelte';

	interface Props {
		data: { readonly support: Gimbal; readonly horizon: readonly HorizonEntry[]; readonly person: Person };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	let fresh = $state.raw<readonly HorizonEntry[] | null>(null);
	const entries = $derived(fresh ?? data.horizon);
	const { readings, calibratedAtC } = $derived(sinceCalibration(entries));

	/** What shows on a screen with a door frame in the picture. */
	let limitDeg = $state(0.5);
	const temperatureLimitC = 12;
	const trend = $derived(
		readings.length === 0
			? null
			: horizonTrend({ readings, limitRad: radFromDeg(limitDeg), temperatureLimitC, calibratedAtC })
	);

	let rollRad = $state(0);
	let minutes = $state(0);
	let temperatureC = $state(20);
	let trouble = $state('');
	let busy = $state(false);

	async function add(kind: NewHorizonEntry['kind']) {
		busy = true;
		const entry: NewHorizonEntry = { kind, minutes, rollRad: kind === 'calibration' ? 0 : rollRad, temperatureC };
		const outcome = await ask<HorizonEntry[]>('POST', `/api/supports/gimbal/${data.support.id}/entries`, entry);
		busy = false;
		trouble = outcome.ok ? '' : (Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message);
		if (outcome.ok) {
			fresh = outcome.value;
			minutes = kind === 'calibration' ? 0 : minutes + 10;
		}
	}
	async function drop(id: string) {
		const outcome = await ask<HorizonEntry[]>('DELETE', `/api/supports/gimbal/${data.support.id}/entries?entry=${id}`);
		if (outcome.ok) fresh = outcome.value;
	}
	const lean = (rad: number) => {
		const degrees = degFromRad(rad);
		return `${Math.abs(degrees).toFixed(2)}° ${degrees >= 0 ? 'clockwise' : 'anticlockwise'}`;
	};
	const lines = $derived.by(() => {
		if (trend === null) return [];
		const last = Math.max(...readings.map((each) => each.minutes), 1);
		const end = Math.max(last * 1.15, trend.dueInMinutes === null ? 0 : Math.min(last + trend.dueInMinutes, last * 3));
		const at = (minute: number) => degFromRad(trend.nowRad + (trend.driftRadPerMinute ?? 0) * (minute - last));
		return [
			{
				name: 'Readings',
				as: 'dots' as const,
				points: readings.map((each) => [each.minutes, degFromRad(each.rollRad)] as const)
			},
			{
				name: 'Trend',
				as: 'line' as const,
				points: [
					[0, at(0)],
					[end, at(end)]
				] as const
			},
			{
				name: 'Shows in the picture',
				as: 'broken' as const,
				points: [
					[0, limitDeg],
					[end, limitDeg]
				] as const
			},
			{
				name: 'the other way',
				as: 'broken' as const,
				points: [
					[0, -limitDeg],
					[end, -limitDeg]
				] as const
			}
		];
	});
	const routine = [
		'Set the gimbal on something that does not move; a table, not a hand.',
		'Level it with a level on the plate, both ways.',
		'Let it reach the temperature it will work at: ten minutes switched on.',
		'Start the recalibration in the maker’s way; touch nothing until it is done.',
		'Lift it, look at an upright in the picture, and log a reading.'
	];
</script>

<SheetLinks
	label="Sheets of this gimbal"
	links={[
		{ href: '/gimbals', words: 'All gimbals' },
		{ href: supportPath('gimbal', data.support.id), words: 'Gimbal' },
		...editorLinks('gimbal', data.support.id)
	]}
/>
<div class="sheet">
	<h1>Horizon of the {data.support.name.toLowerCase()}</h1>
	<p class="big" data-testid="horizon-answer">
		{#if trend === null}<strong>Log a reading</strong> after power-on, and another ten minutes later{:else if trend.why === 'leans'}<strong
				>Recalibrate now</strong
			>: it leans {lean(trend.nowRad)}{:else if trend.why === 'temperature'}<strong>Recalibrate</strong>: it is far from
			the {calibratedAtC == null ? '' : together(showTemperature(calibratedAtC, units))} it was calibrated at{:else if trend.why === 'drifts'}Recalibrate
			within <strong>{Math.max(1, Math.round(trend.dueInMinutes ?? 0))} min</strong>{:else}<strong>Steady</strong>, {lean(
				trend.nowRad
			)}{/if}
	</p>
	{#if trend !== null}
		<div class="vial">
			<Vial
				size="large"
				offset={trend.nowRad / radFromDeg(limitDeg)}
				label="Lean of the picture: {lean(trend.nowRad)}"
			/>
		</div>
		<p class="lead">
			{trend.driftRadPerMinute === null
				? 'One moment says nothing of drift.'
				: `Drifts ${Math.abs(degFromRad(trend.driftRadPerMinute) * 10).toFixed(2)}° in ten minutes${
						trend.driftErrorRadPerMinute === null
							? ''
							: `, ± ${(degFromRad(trend.driftErrorRadPerMinute) * 10).toFixed(3)}°`
					}, over ${readings.length} ${readings.length === 1 ? 'reading' : 'readings'} since it was switched on.`}
		</p>
	{/if}
	<div class="two">
		<div>
			{#if lines.length > 0}
				<Chart
					{lines}
					xTitle="minutes since power-on"
					yTitle="lean, degrees clockwise"
					label="Horizon readings over time"
					yDecimals={2}
					yLeast={0.5}
				/>
			{/if}
			<div class="row">
				<QuantityField
					label="Picture leans clockwise"
					value={rollRad}
					quantity="angle"
					{units}
					check={(value) => (Math.abs(value) <= 0.8 ? null : 'Within 45°.')}
					onvalue={(value) => (rollRad = value)}
					testId="lean"
				/>
				<QuantityField
					label="Minutes since power-on"
					value={minutes}
					quantity="count"
					{units}
					check={(value) => (value >= 0 && value <= 2880 ? null : 'From 0 to two days.')}
					onvalue={(value) => (minutes = value)}
					testId="minutes"
				/>
				<QuantityField
					label="Temperature"
					value={temperatureC}
					quantity="temperature"
					{units}
					check={(value) =>
						value >= -40 && value <= 70
							? null
							: `Between ${together(showTemperature(-40, units))} and ${together(showTemperature(70, units))}.`.replaceAll(
									'-',
									'−'
								)}
					onvalue={(value) => (temperatureC = value)}
				/>
				<Button class="go" disabled={busy} onclick={() => add('reading')} data-testid="log-reading"
					>Log this reading</Button
				>
			</div>
			{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
			<h2>Log</h2>
			<div class="scroll">
				<table>
					<tbody>
						{#each entries.slice(0, 30) as entry (entry.id)}
							<tr>
								<td>{when(entry.at)}</td>
								<td>{entry.kind === 'calibration' ? 'Recalibrated' : lean(entry.rollRad)}</td>
								<td class="number figure">{entry.minutes.toFixed(0)} min</td>
								<td class="number figure">{together(showTemperature(entry.temperatureC, units)).replace('-', '−')}</td>
								<td>{entry.personName}</td>
								<td><Button class="tool" onclick={() => drop(entry.id)}>Throw away</Button></td>
							</tr>
						{:else}
							<tr><td>Nothing logged yet.</td></tr>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
		<div class="card">
			<h2>To recalibrate: still, level, warm</h2>
			<ol>
				{#each routine as line (line)}<li>{line}</li>{/each}
			</ol>
			<Button class="second" disabled={busy} onclick={() => add('calibration')} data-testid="calibrated"
				>It is recalibrated</Button
			>
			<QuantityField
				label="A lean shows from, °"
				value={limitDeg}
				quantity="count"
				{units}
				check={(value) => (value >= 0.1 && value <= 5 ? null : 'Between 0.1° and 5°.')}
				onvalue={(value) => (limitDeg = value)}
			/>
			<p class="quiet">
				Beyond {units === 'imperial' ? `${Math.round(temperatureLimitC * 1.8)} °F` : `${temperatureLimitC} °C`} from the temperature
				of the last calibration it is due in any case.
			</p>
		</div>
	</div>
</div>

<style>
	.vial {
		max-width: 560px;
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
		gap: 30px;
		align-items: start;
		margin-top: 10px;
	}
	.card {
		display: grid;
		gap: 10px;
	}
	ol {
		list-style: decimal;
		padding-left: 22px;
		display: grid;
		gap: 6px;
	}
	.row :global(.field) {
		width: 160px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
