<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextArea from '$lib/sheet/fields/TextArea.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { readingAt, positionAt } from '@poise/core';
	import { invalidate } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import { printedReading } from '$lib/sheet/units/printed';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { BalanceChange } from '$lib/model/balance';
	import type { Scaled } from '$lib/sheet/units/printed';
	import { when } from '$lib/sheet/when';

	/** What was changed about this line since, and the way to change it: nothing is deleted. */
	interface Props {
		record: { readonly id: string; readonly note: string; readonly struck: boolean };
		changes: readonly BalanceChange[];
		/** What its scales read, to be put right, of a kind that has scales. */
		slides?: readonly (Scaled & { readonly id: string; readonly label: string })[];
		positionsM?: Readonly<Record<string, number>>;
	}
	let { record, changes, slides = [], positionsM = {} }: Props = $props();

	let open = $state<'correct' | 'strike' | null>(null);
	let note = $state('');
	let why = $state('');
	let readings = $state.raw<Readonly<Record<string, number>>>({});
	let trouble = $state('');
	let problems = $state.raw<Readonly<Record<string, string>>>({});
	let busy = $state(false);
	const kinds = { corrected: 'Corrected', struck: 'Struck out', restored: 'Put back' } as const;

	function begin(what: 'correct' | 'strike') {
		open = what;
		note = record.note;
		why = '';
		readings = positionsM;
		trouble = '';
		problems = {};
	}
	async function send() {
		if (why.trim() === '') return void (problems = { why: 'Say why, in a few words.' });
		const moved = slides.some(({ id }) => Math.abs((readings[id] ?? 0) - (positionsM[id] ?? 0)) > 1e-6);
		const change =
			open === 'strike'
				? { struck: !record.struck }
				: { ...(note.trim() === record.note ? {} : { note: note.trim() }), ...(moved ? { positionsM: readings } : {}) };
		if (Object.keys(change).length === 0) return void (trouble = 'Nothing is changed yet.');
		busy = true;
		const outcome = await ask('PATCH', `/api/balances/${record.id}`, { why: why.trim(), ...change });
		busy = false;
		if (!outcome.ok) {
			problems = outcome.error.fields ?? {};
			trouble = Object.values(problems)[0] ?? outcome.error.message;
			return;
		}
		open = null;
		await invalidate('poise:record');
	}
	const before = ({ before: was }: BalanceChange) =>
		[
			was.note === undefined ? null : was.note === '' ? 'There was no note.' : `The note was “${was.note}”.`,
			was.positionsM === undefined
				? null
				: `The scales were ${slides
						.map((slide) => `${slide.label.toLowerCase()} ${printedReading(slide, was.positionsM?.[slide.id] ?? 0)}`)
						.join(', ')}.`
		]
			.filter((each) => each !== null)
			.join(' ');
</script>

<section class="changes" aria-label="Corrections">
	{#if record.struck}<p class="struck" role="status">
			Struck out of the book: it is kept, and counts for nothing.
		</p>{/if}
	{#if changes.length > 0}
		<ol data-testid="changes">
			{#each changes as change (change.id)}
				<li>
					<strong>{kinds[change.kind]}</strong> by {change.personName}, {when(change.at)}: “{change.why}”
					{#if before(change) !== ''}<span class="quiet">{before(change)}</span>{/if}
				</li>
			{/each}
		</ol>
	{/if}
	{#if open === null}
		<p class="ways">
			<Button class="link" onclick={() => begin('correct')} data-testid="correct">Correct this entry</Button>
			<Button class="link" onclick={() => begin('strike')} data-testid="strike"
				>{record.struck ? 'Put it back' : 'Strike it out'}</Button
			>
		</p>
	{:else}
		<form
			onsubmit={(event) => {
				event.preventDefault();
				void send();
			}}
		>
			{#if open === 'correct'}
				<label>Note<TextArea rows={2} maxlength={2000} bind:value={note} data-testid="correct-note"></TextArea></label>
				{#if slides.length > 0}
					<div class="readings">
						{#each slides as slide (slide.id)}
							<QuantityField
								label="{slide.label} read"
								value={readingAt(slide, readings[slide.id] ?? 0)}
								quantity="length"
								units="metric"
								printed
								onvalue={(value) => (readings = { ...readings, [slide.id]: positionAt(slide, value) })}
								testId="correct-{slide.id}"
							/>
						{/each}
					</div>
					<p class="quiet">Scales are read in the millimetres printed on them.</p>
				{/if}
			{/if}
			<label
				>Why<TextInput
					maxlength={500}
					bind:value={why}
					aria-invalid={problems.why !== undefined}
					placeholder={open === 'strike' ? 'Logged on the wrong support' : 'Read the scale upside down'}
					data-testid="why"
				/></label
			>
			{#if problems.why}<p class="problem" role="alert">{problems.why}</p>{/if}
			{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
			<p class="ways">
				<Button type="submit" class="second" disabled={busy} data-testid="send-correction"
					>{open === 'correct' ? 'Save the correction' : record.struck ? 'Put it back' : 'Strike it out'}</Button
				>
				<Button class="link" onclick={() => (open = null)}>Leave it</Button>
			</p>
		</form>
	{/if}
</section>

<style>
	.changes,
	form {
		display: grid;
		gap: 8px;
		font-size: 15px;
	}
	.struck {
		color: var(--clay);
		font-weight: 700;
	}
	.readings {
		display: flex;
		flex-wrap: wrap;
		gap: 10px;
	}
	.readings :global(.field) {
		width: 130px;
	}
	label {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	label > :global(textarea),
	label > :global(input) {
		color: var(--ink);
		font-size: 16px;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 18px;
		align-items: center;
	}
	.ways > :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
	.problem {
		color: var(--clay);
	}
	.quiet {
		font-size: 14px;
		display: block;
	}
	@media print {
		.ways,
		form {
			display: none;
		}
	}
</style>
