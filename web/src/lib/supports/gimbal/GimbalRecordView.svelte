<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/bench.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { moveInWords } from './benchSlip';
	import { printedReading } from '$lib/sheet/units/printed';
	import { tryFigures } from '$lib/supports/tryFigures';
	import MotorShares from './MotorShares.svelte';
	import GimbalDrawing from './GimbalDrawing.svelte';
	import { benchPath } from '../address';
	import { compareBalance } from './compare';
	import RecordChanges from '$lib/supports/log/RecordChanges.svelte';
	import { stoodSentence } from '$lib/supports/log/stood';
	import { when } from '$lib/sheet/when';
	import type { BalanceChange } from '$lib/model/balance';
	import type { GimbalRecord } from '$lib/supports/gimbal/model';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import { offMiddle } from '$lib/sheet/words';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showLength, showMass, together } from '$lib/sheet/units/display';

	interface Props {
		data: {
			readonly record: GimbalRecord;
			readonly changes: readonly BalanceChange[];
			readonly present: Payload | null;
			/** As it is today; null: deleted since. */
			readonly support: Gimbal | null;
			readonly shelf: readonly Part[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	let width = $state(770);
	let height = $state(440);

	const units = $derived(data.person.units);
	const record = $derived(data.record);
	const rig = $derived(data.support ?? record.support);
	const parts = $derived(
		standingParts(record.snapshot.payload, new Map(record.snapshot.parts.map((part) => [part.id, part])))
	);
	const comparison = $derived.by(() => {
		const { present, shelf } = data;
		return present === null ? null : tryFigures(() => compareBalance(record, rig, present, shelf));
	});
	const predicted = $derived(
		comparison === null
			? null
			: Object.fromEntries(comparison.slides.map(({ slideId, predictedM }) => [slideId, predictedM]))
	);
	/** A move smaller than half a millimetre is none. */
	const moves = $derived(comparison?.slides.filter(({ moveM }) => Math.abs(moveM) >= 0.0005) ?? []);
	const short = $derived(comparison?.slides.filter(({ pastEndM }) => pastEndM > 0.0005) ?? []);
	const slideOf = (id: string) => rig.geometry.slides.find((slide) => slide.id === id);

	const compareWith = (id: string) =>
		goto(`${page.url.pathname}?with=${id}`, { replaceState: true, noScroll: true, keepFocus: true });
	const signedMass = (kg: number) => `${kg > 0 ? '+' : '−'}${together(showMass(Math.abs(kg), units))}`;
	const words = { added: 'added', removed: 'taken off', moved: 'moved', reweighed: 'weighs otherwise' };
	function moved(moveM: readonly [number, number, number]): string {
		return [
			offMiddle(moveM[0], 'forward', 'back', units),
			offMiddle(moveM[1], 'left', 'right', units),
			offMiddle(moveM[2], 'up', 'down', units)
		]
			.filter((each) => each !== null)
			.join(', ');
	}
</script>

<div class="bench">
	<section class="work" aria-label="Logged balance">
		<div class="title">
			<h1>{record.payloadName}</h1>
			<span class="quiet">on {record.supportName}</span>
		</div>
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<GimbalDrawing
				rig={record.support}
				axes={record.axes}
				{parts}
				{units}
				{width}
				{height}
				positionsM={record.positionsM}
				targetsM={predicted}
				nextId={null}
			/>
			<div class="block">
				<MotorShares rig={record.support} axes={record.axes} massKg={record.payloadMassKg} {units} />
			</div>
		</div>
		<div class="rows">
			<table>
				<caption class="sr-only">Readings when logged, and for the present payload</caption>
				<thead>
					<tr
						><th scope="col">Slide</th><th scope="col" class="number">logged</th><th scope="col" class="number"
							>for the present payload</th
						><th scope="col">move</th></tr
					>
				</thead>
				<tbody>
					{#each record.support.geometry.slides as slide (slide.id)}
						{@const change = comparison?.slides.find(({ slideId }) => slideId === slide.id)}
						<tr data-slide={slide.id}>
							<th scope="row">{slide.label} <span class="quiet">{slide.purpose}</span></th>
							<td class="figure" data-testid="logged-{slide.id}"
								>{printedReading(slide, record.positionsM[slide.id] ?? 0)}
								<small class="quiet">{record.found?.includes(slide.id) === true ? 'found' : 'computed'}</small></td
							>
							<td class="figure" data-testid="predicted-{slide.id}"
								>{change === undefined ? '–' : printedReading(slide, change.predictedM)}</td
							>
							<td class="words" data-testid="move-{slide.id}">
								{#if change === undefined}–{:else if Math.abs(change.moveM) < 0.0005}<span class="quiet">as logged</span
									>{:else}<strong>{moveInWords(slide, change.moveM, units)}</strong>{/if}
								{#if change && change.pastEndM > 0.0005}<span class="short"
										>{together(showLength(change.pastEndM, units))} short</span
									>{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	</section>

	<div class="answer-column">
		<Slip heading="Logged {when(record.loggedAt)} by {record.personName}">
			{#snippet answer()}
				{#if comparison === null}Choose a payload to <strong>compare</strong>
				{:else if short.length > 0}The {slideOf(short[0]?.slideId ?? '')?.label.toLowerCase()} ends
					<strong>{together(showLength(short[0]?.pastEndM ?? 0, units))} short</strong>
				{:else if moves.length === 0}Set every slide <strong>as logged</strong>
				{:else}From this setting, <strong>{moves.length} {moves.length === 1 ? 'slide moves' : 'slides move'}</strong
					>{/if}
			{/snippet}
			<p class="quiet">
				{stoodSentence(record, 'gimbal')}
				{#if record.note !== ''}“{record.note}”{/if}
			</p>
			<label class="with">
				Compare with
				<Choice
					value={data.present?.id ?? ''}
					onchange={(event) => compareWith(event.currentTarget.value)}
					data-testid="compare-with"
				>
					{#if data.present === null}<option value="">choose a payload</option>{/if}
					{#each data.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</Choice>
			</label>
			{#if comparison !== null}
				<ul class="moves" data-testid="moves">
					{#each moves as { slideId, moveM, predictedM } (slideId)}
						{@const slide = slideOf(slideId)}
						{#if slide}<li>
								{slide.label} <strong>{moveInWords(slide, moveM, units)}</strong>
								<span class="quiet">to {printedReading(slide, predictedM)}</span>
							</li>{/if}
					{/each}
				</ul>
				{#if comparison.parts.length > 0}
					<h2>What changed on the plate</h2>
					<ul class="parts">
						{#each comparison.parts as { name, change, massChangeKg, moveM }, index (index)}
							<li>
								<span>{name} {words[change]}{moveM === null ? '' : ` ${moved(moveM)}`}</span>
								{#if massChangeKg !== 0}<span class="figure">{signedMass(massChangeKg)}</span>{/if}
							</li>
						{/each}
						<li class="sum">
							<span>Altogether, the centre of gravity goes {moved(comparison.cgChangeM) || 'nowhere'}</span>
							<span class="figure"
								>{Math.abs(comparison.massChangeKg) < 0.0005 ? '±0 g' : signedMass(comparison.massChangeKg)}</span
							>
						</li>
					</ul>
				{:else}
					<p>Nothing has changed on the plate since.</p>
				{/if}
				{#if data.present !== null}
					<a class="go" href={benchPath({ kind: 'gimbal', supportId: rig.id, payloadId: data.present.id })}
						>Balance it now</a
					>
				{/if}
				<p class="quiet small">
					The move is the change of the computed balance; it is added to the readings as logged, so what the figures had
					wrong about unchanged parts cancels.
				</p>
			{/if}
			<RecordChanges
				{record}
				changes={data.changes}
				slides={record.support.geometry.slides}
				positionsM={record.positionsM}
			/>
			<p><a href="/logbook">All of the logbook</a></p>
		</Slip>
	</div>
</div>

<style>
	.title {
		padding-left: 26px !important;
		min-height: 56px;
	}
	h1 {
		font-size: 20px;
	}
	h2 {
		font-size: 15px;
		margin-bottom: -6px;
	}
	.block {
		position: absolute;
		right: 14px;
		bottom: 10px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		margin: 4px 0 10px;
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		text-align: left;
		padding: 4px 10px;
	}
	th[scope='row'],
	thead th:first-child {
		text-align: left;
		padding-left: 26px;
		font-weight: 400;
	}
	th .quiet {
		font-size: 13px;
		margin-left: 6px;
	}
	td {
		padding: 8px 10px;
		font-size: 17px;
	}
	td.figure,
	.number {
		text-align: right !important;
	}
	.short {
		color: var(--clay);
		font-weight: 700;
		display: block;
	}
	.with {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	.with :global(select) {
		color: var(--ink);
		font-size: 16px;
	}
	.moves {
		font-size: 19px;
		display: grid;
		gap: 4px;
	}
	.parts {
		font-size: 15px;
	}
	.parts li {
		display: flex;
		justify-content: space-between;
		gap: 16px;
		padding: 5px 0;
		border-bottom: 1px dashed var(--rule);
	}
	.parts .figure {
		white-space: nowrap;
	}
	.sum {
		font-weight: 700;
	}
	.go {
		display: grid;
		place-items: center;
		min-height: 54px;
		border-radius: 6px;
		font-size: 19px;
		font-weight: 700;
		text-decoration: none;
		background: var(--press);
		color: var(--press-ink);
	}
	.small {
		font-size: 14px;
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 560px;
		}
		.block {
			left: 14px;
		}
		th .quiet {
			display: none;
		}
		th[scope='row'],
		thead th:first-child {
			padding-left: 12px;
		}
	}
</style>
