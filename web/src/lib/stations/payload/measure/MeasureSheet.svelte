<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { invalidateAll } from '$app/navigation';
	import { combineBodies, type Vec3 } from '@poise/core';
	import { v7 as newId } from 'uuid';
	import { ask } from '$lib/keeping/ask';
	import type { GimbalRecord } from '$lib/supports/gimbal/model';
	import type { GearChange, Measurement } from '$lib/model/measurement';
	import { cgSigmaOf, type Part } from '$lib/model/part';
	import { bodyOf, type Payload, type PayloadDraft, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { evaluate } from './evaluate';
	import { fromBalance } from './fromBalance';
	import MeasuredList from './MeasuredList.svelte';
	import MeasureFields from './MeasureFields.svelte';
	import { MeasureForm } from './measureForm.svelte';
	import { partSubject, payloadSubject } from './subject';
	import { measuredAxes, spokenFor } from './together';
	import { placeInWords, sureInWords, wayWords } from './words';

	interface Props {
		data: {
			readonly payload: Payload;
			readonly parts: readonly Part[];
			readonly part: Part | null;
			readonly measurements: readonly Measurement[];
			readonly records: readonly GimbalRecord[];
			readonly changes: readonly GearChange[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const standing = $derived(
		standingParts({ ...data.payload, correction: null }, new Map(data.parts.map((part) => [part.id, part])))
	);
	const subject = $derived(data.part === null ? payloadSubject(data.payload.name, standing) : partSubject(data.part));

	const form = new MeasureForm();
	let trouble = $state('');
	let busy = $state(false);

	const record = $derived(data.records.find(({ id }) => id === form.recordId));
	const result = $derived(
		form.way === 'balance'
			? record === undefined
				? { problem: data.records.length === 0 ? 'No logged balance holds this yet.' : 'Pick a logged balance.' }
				: fromBalance(record, data.part?.id ?? null)
			: form.readings === null
				? { problem: '' }
				: evaluate(subject, form.readings)
	);

	const place = (which: number, valueM: number) => placeInWords(which as 0 | 1 | 2, valueM, units);
	const sure = (sigmaM: number) => sureInWords(sigmaM, units);
	const readingWords = $derived(
		form.way === 'balance'
			? record === undefined
				? ''
				: `${record.payloadName} on ${record.supportName}`
			: form.inWords(units)
	);

	/** Of what stands in the fields now: until it is kept, sending it again is the same measurement. */
	let measurementId = newId();
	async function save() {
		if (!('found' in result)) return;
		busy = true;
		const outcome = await ask('POST', '/api/measurements', {
			id: measurementId,
			partId: data.part?.id ?? null,
			payloadId: data.part === null ? data.payload.id : null,
			way: form.way,
			found: result.found,
			readings: readingWords || wayWords[form.way]
		});
		busy = false;
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		measurementId = newId();
		form.clear();
		await invalidateAll();
	}

	const byAxis = $derived(measuredAxes(data.measurements));
	let picked = $state.raw<Readonly<Record<number, string | null>>>({});
	const chosenFor = (which: 0 | 1 | 2) => spokenFor(byAxis, picked, which);

	async function write() {
		const now = data.part?.shape.cgFromMiddleM ?? null;
		const sigmas = data.part === null ? null : cgSigmaOf(data.part);
		const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
		const ways = [...new Set(data.measurements.map((entry) => wayWords[entry.way].toLowerCase()))].join(', ');
		const from = `${ways}, ${today}, ${data.person.name}`.slice(0, 200);
		busy = true;
		if (data.part !== null) {
			const assumed = data.part.shape.extensionM / 2;
			const pick = (which: 0 | 1 | 2) => chosenFor(which)?.valueM ?? now?.[which] ?? (which === 0 ? assumed : 0);
			const unsure = (which: 0 | 1 | 2) => Math.max(1e-5, chosenFor(which)?.sigmaM ?? sigmas?.[which] ?? 0.002);
			const outcome = await ask('POST', '/api/gear', {
				about: 'part',
				partId: data.part.id,
				from,
				figure: {
					cgFromMiddleM: [pick(0), pick(1), pick(2)],
					cgSigmaM: [unsure(0), unsure(1), unsure(2)],
					cgFrom: from
				}
			});
			trouble = outcome.ok ? '' : outcome.error.message;
		} else {
			const { cgM } = combineBodies({ bodies: standing.map((each) => bodyOf(each)) });
			const shift = (which: 0 | 1 | 2) => (chosenFor(which)?.valueM ?? cgM[which]) - cgM[which];
			const unsure = (which: 0 | 1 | 2) => Math.max(1e-5, chosenFor(which)?.sigmaM ?? 0.005);
			const { id, version, updatedAt: _at, familyId: _family, ...draft } = data.payload;
			const saved: PayloadDraft & { version: number } = {
				...draft,
				version,
				correction: {
					shiftM: [shift(0), shift(1), shift(2)] satisfies Vec3,
					sigmaM: [unsure(0), unsure(1), unsure(2)],
					from
				}
			};
			const outcome = await ask('PUT', `/api/payloads/${id}`, saved);
			trouble = outcome.ok ? '' : outcome.error.message;
		}
		busy = false;
		if (trouble === '') await invalidateAll();
	}
	async function takeBack(id: string) {
		const outcome = await ask('DELETE', `/api/gear/${id}`);
		trouble = outcome.ok ? '' : outcome.error.message;
		await invalidateAll();
	}
	async function forget(id: string) {
		await ask('DELETE', `/api/measurements?id=${id}`);
		await invalidateAll();
	}
	const now = $derived(data.part?.shape.cgFromMiddleM ?? null);
</script>

<p class="lead" data-testid="now">
	{#if data.part !== null}
		{now === null
			? 'Not measured: its middle is taken'
			: `Now ${[0, 1, 2].map((k) => place(k, now[k] ?? 0)).join(', ')}`}
		({subject.from}, {sure(Math.max(...cgSigmaOf(data.part)))}){data.part.shape.cgFrom
			? `: ${data.part.shape.cgFrom}`
			: ''}.
	{:else if data.payload.correction}
		Measured as a whole: {data.payload.correction.from}.
	{:else}Worked out from its parts, {subject.from}.{/if}
</p>
<div class="two">
	<div class="card">
		<MeasureFields {form} {subject} {units} records={data.records} />
		{#if 'found' in result}
			<p class="big" data-testid="found">
				{#each result.found as { axis: which, valueM, sigmaM } (which)}
					<span class="line"><strong>{place(which, valueM)}</strong> <small>{sure(sigmaM)}</small></span>
				{/each}
			</p>
			{#each result.notes as note (note)}<p class="quiet">{note}</p>{/each}
			<Button class="go" onclick={save} disabled={busy} data-testid="keep-measurement">Keep this measurement</Button>
		{:else if result.problem !== ''}
			<p class="problem" role="status" data-testid="measure-problem">{result.problem}</p>
		{/if}
	</div>

	<div>
		<MeasuredList
			{byAxis}
			{picked}
			{units}
			onpick={(axis, id) => (picked = { ...picked, [axis]: id })}
			onforget={forget}
		/>
		{#if byAxis.length > 0}
			<Button class="go" onclick={write} disabled={busy} data-testid="write-centre"
				>Write it to the {data.part === null ? 'build' : 'part'}</Button
			>
		{/if}
		{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
		{#if data.changes.length > 0}
			<h2>Written before</h2>
			<ul class="changes">
				{#each data.changes as change (change.id)}
					<li class:undone={change.undone}>
						{change.from}
						{#if !change.undone}<Button class="link" onclick={() => takeBack(change.id)}>Take it back</Button>{/if}
					</li>
				{/each}
			</ul>
		{/if}
	</div>
</div>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
		gap: 26px;
		align-items: start;
		margin-top: 10px;
	}
	.card {
		display: grid;
		gap: 8px;
	}
	.line {
		display: block;
	}
	small {
		font-size: 13px;
	}
	.big small {
		font-size: 18px;
		color: var(--quiet);
	}
	li > :global(.link) {
		text-align: left;
		text-decoration: underline;
		color: var(--press);
		font-size: 14px;
		min-height: 36px;
	}
	.undone {
		text-decoration: line-through;
		color: var(--quiet);
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
