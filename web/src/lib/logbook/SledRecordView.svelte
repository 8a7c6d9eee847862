<script lang="ts">
	import '$lib/state/bench.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sledReport } from '@poise/core';
	import { ask } from '$lib/api';
	import { tryFigures } from '$lib/balance/figures';
	import type { SledRecord } from '$lib/model/balance';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { SledBenchState, SledRig } from '$lib/model/sled';
	import SledDrawing from '$lib/sled/SledDrawing.svelte';
	import { degrees, lineInWords, linesBetween, seconds } from '$lib/sled/slip';
	import { itemAt, settledOn, sledOf } from '$lib/sled/standing';
	import { usualMovers } from '$lib/sled/state';
	import Slip from '$lib/slip/Slip.svelte';
	import { forget } from '$lib/state/kept';
	import { showInertia, showMass, showMove, together } from '$lib/units/display';
	import { benchSetUp, sledRecordParts, sledThenToNow } from './sledCompare';
	import { when } from './when';

	/** A sled balance as it was logged, and what it takes to come from it to the present payload. */
	interface Props {
		data: {
			readonly record: SledRecord;
			/** As it is today; null: deleted since. */
			readonly sled: SledRig | null;
			readonly present: Payload | null;
			readonly bench: SledBenchState | null;
			readonly shelf: readonly Part[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	let width = $state(770);
	let height = $state(440);
	let trouble = $state('');

	const units = $derived(data.person.units);
	const record = $derived(data.record);
	const parts = $derived(sledRecordParts(record));
	const sled = $derived(data.sled ?? record.sled);
	const logged = $derived(settledOn(sled.geometry, record.setting));
	const report = $derived(
		tryFigures(() => sledReport({ sled: sledOf(record.sled.geometry, record.setting, mountedBodies(parts)) }))
	);
	const target = $derived.by(() => {
		const { present, shelf, bench } = data;
		if (present === null) return null;
		const wishes = { shots: bench?.shots ?? [], movers: bench?.movers ?? usualMovers(sled) };
		return tryFigures(() => sledThenToNow(record, sled, present, shelf, wishes));
	});
	const lines = $derived(target === null ? [] : linesBetween(sled.geometry, logged, target, units));
	const rows = $derived([
		{ id: 'clamp', words: 'Plate, clamp', of: (s: typeof logged) => s.coarseForeM },
		{ id: 'knob', words: 'Plate, fore-aft knob', of: (s: typeof logged) => s.fineForeM },
		{ id: 'side', words: 'Plate, side knob', of: (s: typeof logged) => s.fineSideM },
		{ id: 'gimbal', words: 'Gimbal above the foot', of: (s: typeof logged) => s.gimbalM },
		...sled.geometry.items.flatMap((item) =>
			(['foreM', 'sideM', 'upM'] as const)
				.filter((field) => item[field] !== null)
				.map((field) => ({
					id: `${item.id}-${field}`,
					words: `${item.label}, ${{ foreM: 'forward', sideM: 'left', upM: 'up' }[field]}`,
					of: (s: typeof logged) => itemAt(s, item.id)[field]
				}))
		)
	]);
	const mm = (metres: number) => `${metres < -0.00025 ? '−' : ''}${together(showMove(metres, units))}`;
	const compareWith = (id: string) =>
		goto(`${page.url.pathname}?with=${id}`, { replaceState: true, noScroll: true, keepFocus: true });

	async function setUp() {
		if (data.sled === null || data.present === null || target === null) return;
		const state = benchSetUp(data.sled, data.bench, record, target, ['From the logbook', ...lines.map(lineInWords)]);
		const outcome = await ask('PUT', `/api/sled-benches/${data.sled.id}/${data.present.id}`, state);
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		// What this browser kept of that bench is older than this.
		forget(`sledBench.${data.sled.id}.${data.present.id}`);
		await goto(`/balance/sled/${data.sled.id}/${data.present.id}`, { invalidateAll: true });
	}
</script>

<div class="bench">
	<section class="work" aria-label="Logged sled balance">
		<div class="title">
			<h1>{record.payloadName}</h1>
			<span class="quiet">on {record.rigName}</span>
			<button type="button" class="print" onclick={() => window.print()}>Print</button>
		</div>
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<SledDrawing
				geometry={record.sled.geometry}
				setting={record.setting}
				{parts}
				{report}
				{units}
				{width}
				{height}
				target={data.sled === null ? null : target}
			/>
		</div>
		<!-- Scrolls, so it takes the keyboard too. -->
		<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
		<div class="rows" tabindex="0" role="region" aria-label="Where everything stood">
			<table>
				<thead
					><tr><th>Where it stood</th><th class="number">logged</th><th class="number">for the present payload</th></tr
					></thead
				>
				<tbody>
					{#each rows as { id, words, of } (id)}
						<tr data-row={id}
							><th>{words}</th><td class="number figure">{mm(of(logged))}</td><td class="number figure"
								>{target === null ? '–' : mm(of(target))}</td
							></tr
						>
					{/each}
				</tbody>
			</table>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Logged {when(record.loggedAt)} by {record.personName}">
			{#snippet answer()}
				{#if target === null}Choose a payload to <strong>compare</strong>
				{:else if lines.length === 0}Set everything <strong>as logged</strong>
				{:else}From this setting, <strong>{lines.length} {lines.length === 1 ? 'move' : 'moves'}</strong>{/if}
			{/snippet}
			<p class="quiet">
				{record.poised ? 'It was poised.' : 'It was not poised.'}
				{#if record.note !== ''}“{record.note}”{/if}
			</p>
			<dl>
				<div>
					<dt>On the gimbal</dt>
					<dd>{together(showMass(record.figures.massKg, units))}</dd>
				</div>
				<div>
					<dt>Drop</dt>
					<dd>{seconds(record.figures.dropForeS)}, wanted {seconds(record.dropTimeS)}</dd>
				</div>
				<div>
					<dt>Spin</dt>
					<dd>{degrees(record.figures.foreLeanRad)} fore-aft, {degrees(record.figures.sideLeanRad)} side</dd>
				</div>
				<div>
					<dt>Pan inertia</dt>
					<dd>{showInertia(record.figures.panInertiaKgM2)}</dd>
				</div>
			</dl>
			<label class="with">
				Compare with
				<select
					value={data.present?.id ?? ''}
					onchange={(event) => compareWith(event.currentTarget.value)}
					data-testid="compare-with"
				>
					{#if data.present === null}<option value="">choose a payload</option>{/if}
					{#each data.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</select>
			</label>
			{#if lines.length > 0}
				<ul class="moves" data-testid="moves">
					{#each lines as line (line.id)}<li>{line.lead}<strong>{line.strong}</strong></li>{/each}
				</ul>
			{/if}
			{#if data.sled === null}
				<p class="quiet">That sled was deleted since; its copy is here.</p>
			{:else if target !== null}
				<button type="button" class="go" onclick={setUp} data-testid="set-up">Set the bench up so</button>
				<p class="quiet">
					The moves are the change of the computed balance, added to what was logged: what the figures had wrong
					cancels.
				</p>
			{/if}
			{#if trouble !== ''}<p class="warning" role="alert">{trouble}</p>{/if}
			{#if record.slips.length > 0}
				<h2>Slips then</h2>
				<ol class="slips">
					{#each record.slips as words, index (index)}<li>{words.join('; ')}</li>{/each}
				</ol>
			{/if}
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
	}
	.print {
		margin-left: auto;
		min-height: 44px;
		padding: 0 16px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
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
	}
	th {
		text-align: left;
		font-weight: 400;
		padding: 6px 10px 6px 26px;
	}
	td {
		padding: 6px 16px;
		font-size: 16px;
	}
	.number {
		text-align: right;
	}
	dl {
		display: grid;
		gap: 2px;
		font-size: 16px;
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
	.with {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	.with select {
		color: var(--ink);
		font-size: 16px;
	}
	.moves {
		font-size: 19px;
		display: grid;
		gap: 4px;
	}
	.slips {
		font-size: 14px;
		color: var(--quiet);
		list-style: decimal;
		padding-left: 20px;
	}
	.warning {
		color: var(--clay);
		background: var(--clay-wash);
		padding: 8px 12px;
		border-left: 4px solid var(--clay);
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 560px;
		}
		th {
			padding-left: 12px;
		}
	}
	@media print {
		.print,
		.with,
		.slips,
		.answer-column :global(.go) {
			display: none;
		}
	}
</style>
