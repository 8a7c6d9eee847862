<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showDistance, showMass, showMove, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import CraneDrawing from './CraneDrawing.svelte';
	import type { CraneFigures } from './figures';
	import { grownArm, type GrownRow, trimFollows, withTrimOnly } from './growing';
	import { countsOf, lineInWords, linesBetween, platesInWords } from './slip';
	import { hungKg, pullsOutM } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const figures = $derived(bench.figures as CraneFigures);
	const setting = $derived(bench.setting);
	const pulls = $derived(pullsOutM(geometry, setting.fitted) > 0);
	let wanted = $state<'pulled' | 'sections' | null>(null);
	const what = $derived(wanted ?? (pulls ? 'pulled' : 'sections'));
	const grown = $derived(grownArm(geometry, setting, bench.bodies, bench.state.noseBiasKg, what));
	const follows = $derived(trimFollows(grown.rows));
	const hung = $derived(hungKg(geometry, setting.hung));
	let chosenId = $state('');
	const nowIndex = $derived(
		grown.rows.reduce(
			(best, row, index) =>
				Math.abs(row.reachM - figures.noseU) < Math.abs(grown.rows[best]!.reachM - figures.noseU) ? index : best,
			0
		)
	);
	const chosen = $derived(grown.rows.find(({ id }) => id === chosenId) ?? grown.rows[nowIndex]!);
	const longest = $derived(
		[...grown.rows].reverse().find(({ leftKg }) => Math.abs(leftKg) <= figures.noseBandKg) ?? null
	);
	let width = $state(740);
	let height = $state(300);
	const behind = (uM: number) => together(showMove(-uM, units));
	const far = (metres: number) => together(showDistance(metres, units));
	const words = (row: GrownRow) =>
		what === 'pulled'
			? `${together(showMove(row.setting.pulledOutM, units))} out`
			: `to the ${row.section.toLowerCase()}`;
	/** What a hand pulls out at a time, for the rate. */
	const bitM = $derived(units === 'imperial' ? 0.1016 : 0.1);
	const bit = $derived(together(showMove(bitM, units)));
	const is = (row: GrownRow) =>
		row.setting.pulledOutM === setting.pulledOutM && row.setting.fitted.length === setting.fitted.length;

	function setUp(row: GrownRow, trimOnly: boolean) {
		const target = trimOnly ? withTrimOnly(geometry, row) : row.target;
		const words = linesBetween(geometry, setting, target, units).map(lineInWords);
		bench.moveTo(target, [`${what === 'pulled' ? 'Pull' : 'Build'} it to ${far(row.reachM)}`, ...words]);
	}
</script>

<div class="bench">
	<section class="work" aria-label="The arm at several lengths">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<CraneDrawing
				{geometry}
				setting={{ ...chosen.target, boomRad: 0 }}
				payload={bench.bodies}
				arm={figures.arm}
				{units}
				{width}
				{height}
			/>
		</div>
		<div class="rows">
			{#if pulls && geometry.sections.length > 1}
				<div class="chips pick" role="group" aria-label="Grown by">
					<Button class="chip" aria-pressed={what === 'pulled'} onclick={() => (wanted = 'pulled')}>Pulled out</Button>
					<Button class="chip" aria-pressed={what === 'sections'} onclick={() => (wanted = 'sections')}
						>Section by section</Button
					>
				</div>
			{/if}
			<div class="scroll">
				<table>
					<thead>
						<tr>
							<th scope="col">Length</th>
							<th scope="col">Hang</th>
							<th scope="col">Trim behind the pivot</th>
							<th scope="col">Leaves</th>
							<th scope="col">{hung > 0 ? 'As hung now, trim alone' : ''}</th>
							<th scope="col"><span class="sr-only">Do it</span></th>
						</tr>
					</thead>
					<tbody>
						{#each grown.rows as row (row.id)}
							<tr class:now={is(row)} class:chosen={row.id === chosen.id} data-testid={row.id}>
								<th scope="row"
									><Button class="plain" onclick={() => (chosenId = row.id)}
										>{far(row.reachM)}<small>{words(row)}</small></Button
									></th
								>
								<td
									>{unbroken(platesInWords(geometry, countsOf(row.choice), units)).replaceAll(
										' × ',
										'\u00a0×\u00a0'
									)}</td
								>
								<td class="figure" data-head="trim">{behind(row.target.trimU)}</td>
								<td data-head="leaves" class:bad={Math.abs(row.leftKg) > figures.noseBandKg}
									>{Math.abs(row.leftKg) < 0.005
										? 'as wanted'
										: `${together(showMass(Math.abs(row.leftKg), units))} ${row.leftKg > 0 ? 'heavy' : 'light'}`}</td
								>
								<td data-head={hung > 0 ? 'trim alone' : undefined} class:bad={!row.trimReaches && hung > 0}
									>{hung === 0 ? '' : row.trimReaches ? behind(row.trimUM) : 'out of travel'}</td
								>
								<td
									>{#if is(row)}<span class="quiet">now</span>{:else}<Button
											class="tool"
											onclick={() => setUp(row, false)}>Set it so</Button
										>{/if}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading={what === 'pulled' ? 'As it is pulled out' : 'Section by section'}>
			{#snippet answer()}
				{#if what === 'sections'}
					{#if longest === null}No length is <strong data-testid="length-strong">balanced by these plates</strong>
					{:else}These plates balance it to <strong data-testid="length-strong">{unbroken(far(longest.reachM))}</strong
						>{/if}
				{:else if grown.platesPerM !== null}
					For {bit} out,
					<strong data-testid="length-strong"
						>{unbroken(together(showMove(grown.platesPerM * bitM, units)))} back</strong
					> with all that hangs
				{:else}Hang <strong data-testid="length-strong">the weights first</strong>{/if}
			{/snippet}
			{#if what === 'pulled' && grown.platesPerM !== null}
				{@const plates = grown.rows.map(({ platesUM }) => platesUM ?? 0)}
				<p>
					A carriage that carries the {together(showMass(hung, units))} moves from {behind(plates[0]!)} to
					{behind(plates[plates.length - 1]!)} behind the pivot: {together(
						showMove(plates[0]! - plates[plates.length - 1]!, units)
					)} of travel.
				</p>
				<p data-testid="trim-follows">
					The trim by itself goes {together(showMove(grown.trimPerM * bitM, units))} for {bit}
					{#if follows === null}and reaches none of these lengths with what hangs.
					{:else if follows[0] === follows[1]}and reaches only {far(follows[0].reachM)}.
					{:else}and follows from {far(follows[0].reachM)} to {far(follows[1].reachM)}.{/if}
				</p>
				{#if follows !== null}
					<div class="tube">
						<span>Trim, at {far(chosen.reachM)}</span>
						<Vial
							offset={chosen.trimReaches ? 0 : chosen.trimUM < geometry.trim.rangeU[0] ? -3 : 3}
							label={chosen.trimReaches ? 'within its travel' : 'out of travel'}
						/>
					</div>
				{/if}
				{#if chosen.trimReaches && !is(chosen)}
					<Button class="second" onclick={() => setUp(chosen, true)}>Only the trim, for {far(chosen.reachM)}</Button>
				{/if}
			{/if}
			<p class="caution">
				Pull it out, push it in and change sections only with somebody at the tail: between two lengths the arm is out
				of balance.
			</p>
			<p class="quiet">
				For a nose {together(showMass(Math.abs(bench.state.noseBiasKg), units))}
				{bench.state.noseBiasKg >= 0 ? 'heavy' : 'light'}, level. What pulls out does so all alike; the rod or cable
				grows with it. How far an arm may go out with this load is the maker’s figure.
			</p>
			<p><a href="/balance/crane/{bench.support.id}/{bench.payloadId}">Back to the weights</a></p>
		</Slip>
	</div>
</div>

<style>
	.pick {
		padding: 8px 18px 0 26px;
	}
	.scroll {
		overflow-x: auto;
		padding: 0 18px 8px 16px;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 15px;
	}
	th,
	td {
		padding: 4px 10px;
		text-align: left;
		border-top: 1px solid var(--rule);
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		border-top: 0;
	}
	th > :global(.plain) {
		text-align: left;
		font-weight: 700;
		min-height: 44px;
	}
	small {
		display: block;
		font-weight: 400;
		font-size: 12.5px;
		color: var(--quiet);
	}
	.chosen {
		background: var(--press-wash);
	}
	td.figure {
		white-space: nowrap;
	}
	.bad {
		color: var(--clay);
	}
	td > :global(.tool) {
		min-height: 44px;
		padding: 0 12px;
		border: 1px solid var(--edge);
		border-radius: 6px;
		background: var(--panel);
		white-space: nowrap;
	}
	td > :global(.tool:hover) {
		border-color: var(--press);
		color: var(--press);
	}
	.tube {
		display: grid;
		grid-template-columns: 150px 1fr;
		align-items: center;
		gap: 10px;
		font-size: 14px;
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 260px;
		}
		/* Rows become short paragraphs. */
		thead {
			display: none;
		}
		tr {
			display: flex;
			flex-wrap: wrap;
			gap: 2px 14px;
			align-items: center;
			padding: 8px 0;
			border-top: 1px solid var(--rule);
		}
		th,
		td {
			border: 0;
			padding: 0;
		}
		th {
			flex-basis: 100%;
		}
		td[data-head]::before {
			content: attr(data-head) ' ';
			font-size: 13px;
			color: var(--quiet);
			font-family: var(--font-sans);
		}
	}
	@media (min-width: 901px) {
		.rows {
			max-height: 56% !important;
		}
	}
</style>
