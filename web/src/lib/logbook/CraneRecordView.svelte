<script lang="ts">
	import '$lib/state/bench.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { ask } from '$lib/api';
	import CraneDrawing from '$lib/crane/CraneDrawing.svelte';
	import { linesBetween, lineInWords, platesInWords } from '$lib/crane/slip';
	import { armOf, settledOn } from '$lib/crane/standing';
	import { freshCraneState } from '$lib/crane/state';
	import { craneBuilds } from '$lib/crane/swap';
	import type { CraneRecord } from '$lib/model/balance';
	import type { CraneBenchState, CraneRig } from '$lib/model/crane';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import Slip from '$lib/slip/Slip.svelte';
	import { forget } from '$lib/state/kept';
	import { showMass, showMove, together } from '$lib/units/display';
	import { when } from './when';

	/** A crane balance as it was logged, and what it takes to come from it to the present payload. */
	interface Props {
		data: {
			readonly record: CraneRecord;
			readonly crane: CraneRig | null;
			readonly present: Payload | null;
			readonly craneBench: CraneBenchState | null;
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
	const crane = $derived(data.crane ?? record.crane);
	const bodies = $derived(
		mountedBodies(
			standingParts(record.snapshot.payload, new Map(record.snapshot.parts.map((part) => [part.id, part as Part])))
		)
	);
	const logged = $derived(settledOn(crane.geometry, record.setting));
	/** The computed change, then to now, added to the trim as it was logged; plates are whole and come from the choice. */
	const target = $derived.by(() => {
		const { present, shelf } = data;
		if (present === null) return null;
		const asked = { setting: logged, noseBiasKg: record.noseBiasKg };
		const [then] = craneBuilds(
			crane,
			[record.snapshot.payload as Payload],
			record.snapshot.parts as readonly Part[],
			asked
		);
		const [now] = craneBuilds(crane, [present], shelf, asked);
		if (then === undefined || now === undefined) return null;
		const sameLoad = JSON.stringify(then.setting) === JSON.stringify(now.setting);
		if (sameLoad) return logged;
		return settledOn(crane.geometry, {
			...now.setting,
			trimU: now.setting.trimU + (logged.trimU - then.setting.trimU)
		});
	});
	const lines = $derived(target === null ? [] : linesBetween(crane.geometry, logged, target, units));
	const compareWith = (id: string) =>
		goto(`${page.url.pathname}?with=${id}`, { replaceState: true, noScroll: true, keepFocus: true });
	async function setUp() {
		if (data.crane === null || data.present === null || target === null) return;
		const from = data.craneBench ?? { ...freshCraneState(data.crane.geometry), noseBiasKg: record.noseBiasKg };
		const words = ['From the logbook', ...lines.map(lineInWords)];
		const state = {
			...from,
			setting: target,
			ground: record.ground,
			slips: [...from.slips, words].slice(-100),
			choice: 0
		};
		const outcome = await ask('PUT', `/api/crane-benches/${data.crane.id}/${data.present.id}`, state);
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		// What this browser kept of that bench is older than this.
		forget(`craneBench.${data.crane.id}.${data.present.id}`);
		await goto(`/balance/crane/${data.crane.id}/${data.present.id}`, { invalidateAll: true });
	}
</script>

<div class="bench">
	<section class="work" aria-label="Logged crane balance">
		<div class="title">
			<h1>{record.payloadName}</h1>
			<span class="quiet">on {record.rigName}</span>
			<button type="button" class="print" onclick={() => window.print()}>Print</button>
		</div>
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<CraneDrawing
				geometry={record.crane.geometry}
				setting={record.setting}
				payload={bodies}
				arm={armOf(record.crane.geometry, record.setting, bodies)}
				{units}
				{width}
				{height}
			/>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Logged {when(record.loggedAt)} by {record.personName}">
			{#snippet answer()}
				{#if target === null}Choose a payload to <strong>compare</strong>
				{:else if lines.length === 0}Hang everything <strong>as logged</strong>
				{:else}From this setting, <strong>{lines.length} {lines.length === 1 ? 'move' : 'moves'}</strong>{/if}
			{/snippet}
			<p class="quiet">
				{record.poised ? 'It was balanced.' : 'It was not balanced.'}
				{#if record.note !== ''}“{record.note}”{/if}
			</p>
			<dl>
				<div>
					<dt>Plates</dt>
					<dd>{platesInWords(record.crane.geometry, record.setting.hung, units)}</dd>
				</div>
				<div>
					<dt>Trim</dt>
					<dd>{together(showMove(-record.setting.trimU, units))} behind the pivot</dd>
				</div>
				<div>
					<dt>Nose</dt>
					<dd>
						{together(showMass(record.figures.noseKg, units))} heavy, wanted {together(
							showMass(record.noseBiasKg, units)
						)}
					</dd>
				</div>
				<div>
					<dt>Reserve</dt>
					<dd>{(record.figures.reserve * 100).toFixed(0)} % against tipping, as drawn then</dd>
				</div>
			</dl>
			<label class="with"
				>Compare with
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
			{#if data.crane === null}<p class="quiet">That crane was deleted since; its copy is here.</p>
			{:else if target !== null}<button type="button" class="go" onclick={setUp} data-testid="set-up"
					>Set the bench up so</button
				>{/if}
			{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
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
	.print {
		margin-left: auto;
		min-height: 44px;
		padding: 0 16px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
	}
	dl {
		display: grid;
		gap: 3px;
	}
	dl div {
		display: grid;
		grid-template-columns: 84px 1fr;
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
	.problem {
		color: var(--clay);
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 320px;
		}
	}
	@media print {
		.print,
		.with,
		.answer-column :global(.go) {
			display: none;
		}
	}
</style>
