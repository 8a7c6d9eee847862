<script lang="ts">
	import '$lib/shell/sheet.css';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { limit } from '$lib/model/limits';
	import { allowed } from '$lib/sheet/units/allowed';
	import { sharedMove } from './moveBench.svelte';
	import { runs } from './path';
	import { equalTravel, schoolsFor, syncError } from './tables';
	import { tryFigures } from '$lib/supports/tryFigures';
	import { far, placeWords, seconds } from './words';
	import { pictureSign } from './supports/stance';

	/** Pan, tilt and focus at equal travel; what a timing error does; which way of holding the subject suits. */
	const bench = sharedMove();
	const units = $derived(bench.units);
	const sign = $derived(pictureSign(bench.move.support));
	const run = $derived(runs(bench.run) ? bench.run : null);
	const rows = $derived(run === null ? [] : (tryFigures(() => equalTravel(bench.move, run)) ?? []));
	const schools = $derived(run === null ? [] : (tryFigures(() => schoolsFor(bench.move, run)) ?? []));
	let lateS = $state(0.1);
	const slip = $derived(run === null ? 0 : (tryFigures(() => syncError(bench.move, run, lateS)) ?? 0));
	const widths = (value: number) => `${(value * 100).toFixed(1)} %`;
	const [best] = $derived(schools);
	const turned = $derived(rows.some(({ turns }) => turns !== null));
</script>

<div class="sheet">
	<h1>Tables</h1>
	{#if run === null}
		<p class="problem" role="alert">{bench.problem?.words}</p>
	{:else}
		<div class="beside">
			<div>
				<p class="big" data-testid="school-answer">
					{#if best?.errorWidths != null}Hold it by <strong>{best.words.toLowerCase()}</strong>: {widths(
							best.errorWidths
						)} of the width at worst
					{:else}Nothing of these holds a subject here.{/if}
				</p>
				<table class="folds">
					<thead
						><tr
							><th scope="col">Way of holding the subject</th><th scope="col">Misses by</th><th scope="col">Why</th></tr
						></thead
					>
					<tbody>
						{#each schools as { school, words, errorWidths, why } (school)}
							<tr data-school={school}>
								<th scope="row">{words}</th>
								<td class="figure number">{errorWidths === null ? '–' : widths(errorWidths)}</td>
								<td class="wide">{why}</td>
							</tr>
						{/each}
					</tbody>
				</table>
				<div class="row">
					<QuantityField
						label="the head starts late by"
						value={lateS}
						quantity="time"
						{units}
						check={allowed(limit(0, 5, ''), 'time')}
						onvalue={(value) => (lateS = value)}
						testId="late"
					/>
					<p data-testid="sync">slips the subject by <strong>{widths(slip)}</strong> of the width at worst.</p>
					<Button class="tool screen" onclick={() => window.print()}>Print it</Button>
				</div>
			</div>
			<div>
				<h2>At equal travel</h2>
				<table class="folds" data-testid="travel-table">
					<thead
						><tr
							><th scope="col">Way</th><th scope="col">At</th>{#if rows[0]?.trackM != null}<th scope="col">Rail</th
								>{/if}<th scope="col">Pan</th><th scope="col">Tilt</th><th scope="col">Focus</th>{#if turned}<th
									scope="col">Ring</th
								>{/if}</tr
						></thead
					>
					<tbody>
						{#each rows as { share, atS, trackM, panRad, tiltRad, focusM, turns } (share)}
							<tr>
								<th scope="row">{Math.round(share * 100)} %</th>
								<td class="figure number">{seconds(atS)}</td>
								{#if trackM !== null}<td class="figure number">{far(trackM, units)}</td>{/if}
								<td class="figure number">{placeWords('panRad', panRad, units, sign)}</td>
								<td class="figure number">{placeWords('tiltRad', tiltRad, units, sign)}</td>
								<td class="figure number">{far(focusM, units)}</td>
								{#if turned}<td class="figure number">{turns === null ? '–' : `${turns.toFixed(3)} turns`}</td>{/if}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
	{/if}
</div>

<style>
	thead th:not(:first-child, :last-child) {
		text-align: right;
	}
	[data-testid='travel-table'] tbody th {
		white-space: nowrap;
	}
	[data-testid='travel-table'] thead th:last-child {
		text-align: right;
	}
	.big {
		font-size: 26px;
		margin: 8px 0 12px;
	}
	.row {
		margin-top: 14px;
	}
	.row :global(.field) {
		width: 170px;
	}
	@media print {
		.row :global(.screen) {
			display: none;
		}
	}
</style>
