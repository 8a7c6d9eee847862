<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { onDestroy } from 'svelte';
	import { goto } from '$app/navigation';
	import { inOwnUnits, type TwoUpLine } from '$lib/supports/log/twoUp';
	import { stoodWords } from '$lib/supports/log/stood';
	import { when } from '$lib/sheet/when';
	import type { LoggedBalance } from '$lib/model/balance';
	import Vial from '$lib/sheet/vial/Vial.svelte';

	let { data } = $props();
	const units = $derived(data.person.units);
	let width = $state(560);
	const compared = $derived(
		data.twoUp === null || data.a === null || data.b === null ? null : data.twoUp(data.a, data.b, units)
	);
	const drawnWidth = $derived(Math.max(280, (width < 800 ? width : width / 2) - 60));
	const pair = $derived(
		[
			{ record: data.a, Drawing: data.DrawingA },
			{ record: data.b, Drawing: data.DrawingB }
		].flatMap(({ record, Drawing }) => (record === null || Drawing === null ? [] : [{ record, Drawing }]))
	);

	const choose = (which: 'a' | 'b', id: string) => {
		const ids = { a: data.a?.id ?? '', b: data.b?.id ?? '', [which]: id };
		open(ids, data.find);
	};
	/** The two on the page stay, whatever is looked for. */
	function open(ids: { readonly a: string; readonly b: string }, find: string) {
		const to = new URLSearchParams(find === '' ? ids : { ...ids, find });
		void goto(`?${to.toString()}`, { replaceState: true, noScroll: true, keepFocus: true });
	}
	let waiting: ReturnType<typeof setTimeout> | undefined;
	onDestroy(() => clearTimeout(waiting));
	function look(words: string) {
		clearTimeout(waiting);
		waiting = setTimeout(() => open({ a: data.a?.id ?? '', b: data.b?.id ?? '' }, words.trim()), 250);
	}
	/** What is chosen stands among what is offered. */
	const offeredFor = (record: LoggedBalance) =>
		data.offered.some(({ id }) => id === record.id) ? data.offered : [record, ...data.offered];
	const shown = (value: number | null, { unit, decimals }: TwoUpLine) =>
		value === null ? '–' : `${Number(value.toFixed(decimals))} ${unit}`;
	function difference({ a, b, unit, decimals }: TwoUpLine): string {
		if (a === null || b === null) return '';
		const by = Number((b - a).toFixed(decimals));
		return by === 0 ? 'same' : `${by > 0 ? '+' : '−'}${Math.abs(by)} ${unit}`;
	}
	/** A millimetre of a slide, a tenth of a motor, a twentieth of the mass count as the same. */
	const tolerance = ({ unit, a }: TwoUpLine) =>
		unit === 'mm' ? 1 : unit === '%' ? 10 : unit === 'g' ? Math.max(5, (a ?? 0) / 20) : 1;
	const words = (record: LoggedBalance) => `${record.payloadName}, ${when(record.loggedAt)}`;
</script>

<svelte:head><title>Two balances side by side · Poise</title></svelte:head>
<div class="sheet">
	<p class="screen"><a href="/logbook">The logbook</a></p>
	<h1>Two balances side by side</h1>
	{#if pair.length < 2}
		<p class="hint">Log two balances, and they can be laid side by side here.</p>
	{:else}
		<label class="find screen"
			>Find another
			<TextInput
				type="search"
				value={data.find}
				placeholder="Lens, payload, support, person, “18 Nov”"
				autocomplete="off"
				oninput={(event) => look(event.currentTarget.value)}
				data-testid="find-balance"
			/>
		</label>
		{#if data.find !== '' && data.offered.length === 0}
			<p class="hint screen" role="status">No balance matches “{data.find}”.</p>
		{:else if data.more}
			<p class="hint screen" role="status" data-testid="more-balances">
				The newest {data.offered.length}{data.find === '' ? '' : ' that match'} are offered; more words find older ones.
			</p>
		{:else if data.find !== ''}
			<p class="hint screen" role="status">
				{data.offered.length}
				{data.offered.length === 1 ? 'balance matches' : 'balances match'}, offered below.
			</p>
		{/if}
		<div class="pair" bind:clientWidth={width}>
			{#each pair as { record, Drawing }, index (index)}
				<section class="card" aria-label="{index === 0 ? 'First' : 'Second'} balance">
					<label class="stack screen"
						>{index === 0 ? 'First' : 'Second'}
						<Choice
							value={record.id}
							onchange={(event) => choose(index === 0 ? 'a' : 'b', event.currentTarget.value)}
							data-testid="pick-{index === 0 ? 'a' : 'b'}"
						>
							{#each offeredFor(record) as line (line.id)}
								<option value={line.id}>{line.payloadName} on {line.supportName}, {when(line.loggedAt)}</option>
							{/each}
						</Choice>
					</label>
					<strong>{record.payloadName}</strong>
					<span class="quiet"
						>{record.supportName} · {record.personName}, {when(record.loggedAt)} · {stoodWords(record)}</span
					>
					<Drawing {record} {units} width={drawnWidth} />
					{#if record.note !== ''}<p class="note">{record.note}</p>{/if}
				</section>
			{/each}
		</div>
		{#if compared === null}
			<p class="hint">One is of another kind of support than the other: they share no slide. Pick two of a kind.</p>
		{:else}
			<div class="scroll">
				<table>
					<thead
						><tr
							><th>What</th><th class="number">first</th><th class="number">second</th><th class="number">difference</th
							><th class="tube"></th></tr
						></thead
					>
					<tbody>
						{#each compared.lines as line (line.label)}
							{@const told = inOwnUnits(line, units)}
							<tr data-line={line.label} data-printed={line.printed === true ? '' : undefined}>
								<th>{line.label}{units === 'imperial' && line.printed === true ? ', as printed' : ''}</th>
								<td class="number figure">{shown(told.a, told)}</td>
								<td class="number figure">{shown(told.b, told)}</td>
								<td class="number figure">{difference(told)}</td>
								<td
									>{#if line.a !== null && line.b !== null}<Vial
											offset={(line.b - line.a) / tolerance(line)}
											label="{line.label}: {difference(told)}"
										/>{/if}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			<p class="lead">
				{compared.onlyA.length === 0 && compared.onlyB.length === 0
					? 'The same parts on both.'
					: [
							compared.onlyA.length === 0
								? ''
								: `Only on the first (${pair[0] === undefined ? '' : words(pair[0].record)}): ${compared.onlyA.join(', ')}.`,
							compared.onlyB.length === 0 ? '' : `Only on the second: ${compared.onlyB.join(', ')}.`
						].join(' ')}
			</p>
		{/if}
		<div class="actions screen"><Button class="second" onclick={() => window.print()}>Print</Button></div>
	{/if}
</div>

<style>
	.find {
		display: grid;
		gap: 4px;
		max-width: 440px;
		margin-top: 10px;
	}
	.pair {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 16px;
		margin: 10px 0;
	}
	.card {
		display: grid;
		gap: 4px;
		align-content: start;
		min-width: 0;
		overflow: hidden;
	}
	.card :global(select) {
		width: 100%;
		min-width: 0;
	}
	.note {
		font-size: 15px;
	}
	.tube {
		width: 24%;
	}
	@media (max-width: 860px) {
		.pair {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
