<script lang="ts">
	import { ask } from '$lib/keeping/ask';
	import { type NewPart, type Part, type PartKind, partKinds } from '$lib/model/part';
	import type { Meanwhile } from '$lib/model/partMerge';
	import type { UnitSystem } from '$lib/model/person';
	import { bringIntoView } from '$lib/sheet/bringIntoView';
	import { forget, keep, recall } from '$lib/keeping/kept';
	import Button from 'flowbite-svelte/Button.svelte';
	import Input from 'flowbite-svelte/Input.svelte';
	import Label from 'flowbite-svelte/Label.svelte';
	import Select from 'flowbite-svelte/Select.svelte';
	import { onMount } from 'svelte';
	import PartMeanwhile from './PartMeanwhile.svelte';
	import {
		emptyPartText,
		figureFields,
		type PartField,
		type PartProblems,
		type PartText,
		problemsOf,
		readPart,
		textOfPart
	} from './partText';

	interface Props {
		/** The part to change; null for a new one. */
		part: Part | null;
		units: UnitSystem;
		/** What the button says. */
		action: string;
		ondone: (part: Part) => void;
		oncancel: () => void;
	}
	let { part, units, action, ondone, oncancel }: Props = $props();

	// The form is mounted anew for each part, so what it starts from never changes under the person's hands.
	// svelte-ignore state_referenced_locally
	const key = `part.${part?.id ?? 'new'}.${units}`;
	// svelte-ignore state_referenced_locally
	const start = part === null ? emptyPartText : textOfPart(part, units);
	let text = $state<PartText>(start);
	/** What stood in the fields when the first was changed. */
	let begun = start;
	/** Of what somebody else changed meanwhile. */
	let told = $state.raw<readonly Meanwhile[]>([]);
	let savedPart = $state.raw<Part | null>(null);
	let problems = $state.raw<PartProblems>({});
	let trouble = $state('');
	let busy = $state(false);

	onMount(() => {
		const left = recall<{ readonly text: PartText; readonly begun: PartText }>(key);
		if (left?.text !== undefined && left.begun !== undefined) {
			text = { ...start, ...left.text };
			begun = { ...start, ...left.begun };
		}
		// On a phone the form opens a screen below the button.
		void bringIntoView(form?.querySelector<HTMLElement>('input'));
	});

	const fields = $derived(figureFields(text.kind, units));

	const typedIn = (event: Event) => (event.currentTarget as HTMLInputElement | HTMLSelectElement).value;

	function type(field: PartField, value: string) {
		text = { ...text, [field]: value };
		problems = { ...problems, [field]: undefined };
		keep(key, { text, begun });
	}

	async function save(event: SubmitEvent) {
		event.preventDefault();
		trouble = '';
		const read = readPart(text, units, part);
		if ('problems' in read) {
			problems = read.problems;
			focusFirst();
			return;
		}
		busy = true;
		const outcome =
			part === null
				? await ask<Part>('POST', '/api/parts', read.part)
				: await ask<Part & { readonly meanwhile?: readonly Meanwhile[] }>('PUT', `/api/parts/${part.id}`, {
						...read.part,
						...begunPart()
					});
		busy = false;
		if (outcome.ok) {
			forget(key);
			const { meanwhile = [], ...saved } = outcome.value as Part & { readonly meanwhile?: readonly Meanwhile[] };
			if (meanwhile.length === 0) return ondone(saved);
			// Somebody else was at it too: what stands now is shown before the form goes.
			[told, savedPart] = [meanwhile, saved];
			text = textOfPart(saved, units);
			return;
		}
		problems = problemsOf(outcome.error.fields ?? {});
		trouble = Object.values(problems).some((message) => message !== undefined) ? '' : outcome.error.message;
		focusFirst();
	}

	/** As the form began, read as it is: what differs from it was changed here. */
	function begunPart(): { readonly begun?: NewPart } {
		const read = part === null ? null : readPart(begun, units, part);
		return read === null || 'problems' in read ? {} : { begun: read.part };
	}

	let form = $state<HTMLFormElement>();
	function focusFirst() {
		requestAnimationFrame(() => form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
	}

	function cancel() {
		forget(key);
		oncancel();
	}
</script>

<form bind:this={form} onsubmit={save} novalidate aria-label={part === null ? 'New part' : `Change ${part.name}`}>
	<div class="names">
		<div class="field name">
			<Label for="part-name">Name</Label>
			<Input
				id="part-name"
				value={text.name}
				placeholder="50 mm prime"
				maxlength={120}
				autocomplete="off"
				aria-invalid={problems.name !== undefined}
				aria-describedby="part-name-problem"
				oninput={(event) => type('name', typedIn(event))}
			/>
			<span class="problem" id="part-name-problem" role="alert">{problems.name ?? ''}</span>
		</div>
		<div class="field">
			<Label for="part-kind">Kind</Label>
			<Select
				id="part-kind"
				placeholder=""
				items={partKinds.map((kind) => ({ value: kind, name: kind }))}
				value={text.kind}
				onchange={(event: Event) => type('kind', typedIn(event) as PartKind)}
			/>
		</div>
	</div>
	<div class="figures">
		{#each fields as [field, label, hint] (field)}
			<div class="field">
				<Label for="part-{field}">{label}</Label>
				<Input
					id="part-{field}"
					class="figure"
					value={text[field]}
					placeholder={hint}
					inputmode="decimal"
					autocomplete="off"
					aria-invalid={problems[field] !== undefined}
					aria-describedby="part-{field}-problem"
					oninput={(event) => type(field, typedIn(event))}
				/>
				<span class="problem" id="part-{field}-problem" role="alert">{problems[field] ?? ''}</span>
			</div>
		{/each}
	</div>
	<p class="quiet note">
		Length runs front to back. The centre of gravity (CG) counts from the middle of the part; leave it empty while
		nobody has measured it, and the middle is taken.
	</p>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	{#if savedPart !== null}
		<PartMeanwhile {told} />
		<div class="actions">
			<Button type="button" onclick={() => savedPart !== null && ondone(savedPart)}>Good</Button>
		</div>
	{:else}
		<div class="actions">
			<Button type="submit" disabled={busy}>{action}</Button>
			<Button type="button" color="alternative" onclick={cancel}>Cancel</Button>
		</div>
	{/if}
</form>

<style>
	form {
		display: grid;
		gap: 10px;
		padding: 14px 26px 20px;
	}
	.names,
	.figures {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 10px;
	}
	.field {
		flex: 1 1 84px;
		max-width: 130px;
		font-size: 14px;
	}
	.names .field {
		flex: 0 0 150px;
		max-width: none;
	}
	.names .name {
		flex: 1;
		min-width: 200px;
	}
	.field :global(label) {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		margin-bottom: 2px;
		white-space: nowrap;
	}
	.field :global(input),
	.field :global(select) {
		min-height: 44px;
		font-size: 16px;
		padding-block: 6px;
	}
	.field :global([aria-invalid='true']) {
		border: 2px solid var(--clay);
	}
	.problem {
		color: var(--clay);
		font-size: 13px;
		display: block;
	}
	.note {
		font-size: 13px;
		max-width: 62ch;
	}
	.actions {
		display: flex;
		gap: 10px;
	}
	.actions :global(button) {
		min-height: 44px;
		font-size: 16px;
		color: var(--ink);
	}
	.actions :global(button[type='submit']) {
		color: var(--press-ink);
		font-weight: 700;
	}
</style>
