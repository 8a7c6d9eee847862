<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/bench.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import type { Snippet } from 'svelte';
	import type { BalanceChange } from '$lib/model/balance';
	import { inUnits } from '$lib/sheet/units/display';
	import RecordChanges from './RecordChanges.svelte';
	import { stoodSentence } from './stood';
	import { when } from '$lib/sheet/when';

	/** A logged balance of a sled or a crane: what it was, and what it takes to come from it to the present payload. */
	interface Props {
		record: {
			readonly payloadName: string;
			readonly supportName: string;
			readonly personName: string;
			readonly loggedAt: string;
			readonly id: string;
			readonly placed: boolean;
			readonly poised: boolean;
			readonly struck: boolean;
			readonly note: string;
			readonly slips: readonly (readonly string[])[];
		};
		/** What one is called. */
		kind: string;
		changes: readonly BalanceChange[];
		/** Whether the support is still there. */
		there: boolean;
		presentId: string | null;
		payloads: readonly { readonly id: string; readonly name: string }[];
		/** From the logged setting to the present one; null: nothing to compare with. */
		lines: readonly { readonly id: string; readonly lead: string; readonly strong: string }[] | null;
		facts: readonly { readonly name: string; readonly value: string }[];
		/** Sets the bench up; says what went wrong, or an empty text. */
		onsetup: () => Promise<string>;
		drawing: Snippet<[width: number, height: number]>;
		rows?: Snippet | undefined;
		/** What is done with everything to have it as it was logged. */
		verb?: string;
	}
	let {
		record,
		kind,
		changes,
		there,
		presentId,
		payloads,
		lines,
		facts,
		onsetup,
		drawing,
		rows = undefined,
		verb = 'Set'
	}: Props = $props();
	let width = $state(770);
	let height = $state(440);
	let trouble = $state('');
	const compareWith = (id: string) =>
		goto(`${page.url.pathname}?with=${id}`, { replaceState: true, noScroll: true, keepFocus: true });
</script>

<div class="bench">
	<section class="work" aria-label="Logged {kind} balance">
		<div class="title">
			<h1>{record.payloadName}</h1>
			<span class="quiet">on {record.supportName}</span>
			<Button class="print" onclick={() => window.print()}>Print</Button>
		</div>
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>{@render drawing(width, height)}</div>
		{#if rows !== undefined}
			<!-- Scrolls, so it takes the keyboard too. -->
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<div class="rows" tabindex="0" role="region" aria-label="Where everything stood">{@render rows()}</div>
		{/if}
	</section>
	<div class="answer-column">
		<Slip heading="Logged {when(record.loggedAt)} by {record.personName}">
			{#snippet answer()}
				{#if lines === null}Choose a payload to <strong>compare</strong>
				{:else if lines.length === 0}{verb} everything <strong>as logged</strong>
				{:else}From this setting, <strong>{lines.length} {lines.length === 1 ? 'move' : 'moves'}</strong>{/if}
			{/snippet}
			<p class="quiet">
				{stoodSentence(record, kind)}
				{#if record.note !== ''}“{record.note}”{/if}
			</p>
			<dl>
				{#each facts as { name, value } (name)}<div>
						<dt>{name}</dt>
						<dd>{value}</dd>
					</div>{/each}
			</dl>
			<label class="with"
				>Compare with
				<Choice
					value={presentId ?? ''}
					onchange={(event) => compareWith(event.currentTarget.value)}
					data-testid="compare-with"
				>
					{#if presentId === null}<option value="">choose a payload</option>{/if}
					{#each payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</Choice>
			</label>
			{#if lines !== null && lines.length > 0}
				<ul class="moves" data-testid="moves">
					{#each lines as line (line.id)}<li>{line.lead}<strong>{line.strong}</strong></li>{/each}
				</ul>
			{/if}
			{#if !there}<p class="quiet">That {kind} was deleted since; its copy is here.</p>
			{:else if lines !== null}
				<Button class="go" onclick={async () => (trouble = await onsetup())} data-testid="set-up"
					>Set the bench up so</Button
				>
				<p class="quiet">
					The moves are the change of the computed balance, added to what was logged: what the figures had wrong
					cancels.
				</p>
			{/if}
			{#if trouble !== ''}<p class="warning" role="alert">{trouble}</p>{/if}
			{#if record.slips.length > 0}
				<h2>Slips then</h2>
				<ol class="slips">
					{#each record.slips as words, index (index)}<li>
							{inUnits(words.join('; '), page.data.person?.units ?? 'metric')}
						</li>{/each}
				</ol>
			{/if}
			<RecordChanges {record} {changes} />
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
	.title > :global(.print) {
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
	.with :global(select) {
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
	@media (max-width: 900px) {
		.drawing {
			min-height: 440px;
		}
	}
	@media print {
		.title > :global(.print),
		.with,
		.slips,
		.answer-column :global(.go) {
			display: none;
		}
	}
</style>
