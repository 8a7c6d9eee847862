<script lang="ts">
	import Meanwhile from '$lib/shell/Meanwhile.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextArea from '$lib/sheet/fields/TextArea.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { beforeNavigate } from '$app/navigation';
	import { when } from '$lib/sheet/when';
	import { checksLeft, freshChecklist } from '$lib/model/paper';
	import { payloadSheets } from '$lib/stations/payload/sheets';
	import Edits from '$lib/shell/Edits.svelte';
	import { PaperKeeper } from '$lib/keeping/paperKeeper.svelte';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { onMount } from 'svelte';
	import { v7 as newId } from 'uuid';

	let { data } = $props();
	// One payload's list for the life of this page: the address decides, and another one mounts it anew.
	// svelte-ignore state_referenced_locally
	const keeper = new PaperKeeper(data.payload.id, 'checklist', data.paper ?? freshChecklist(newId));
	const list = $derived(keeper.paper);
	const left = $derived(checksLeft(list));
	let added = $state('');
	let reason = $state('');
	let waiving = $state(false);

	onMount(() => {
		keeper.restore();
		return () => keeper.stop();
	});
	beforeNavigate(() => void keeper.save());

	const stamp = () => ({ by: data.person.name, at: new Date().toISOString() });
	const tick = (id: string) =>
		keeper.change({
			items: list.items.map((item) =>
				item.id === id ? { ...item, ticked: item.ticked === null ? stamp() : null } : item
			)
		});
	const retext = (id: string, text: string) =>
		keeper.change({ items: list.items.map((item) => (item.id === id ? { ...item, text } : item)) }, `text ${id}`);
	const drop = (id: string) => keeper.change({ items: list.items.filter((item) => item.id !== id) });
	function move(index: number, by: number) {
		const items = [...list.items];
		const [item] = items.splice(index, 1);
		if (item === undefined) return;
		items.splice(index + by, 0, item);
		keeper.change({ items });
	}
	function add(event: SubmitEvent) {
		event.preventDefault();
		if (added.trim() === '') return;
		keeper.change({ items: [...list.items, { id: newId(), text: added.trim(), ticked: null }] });
		added = '';
	}
	function waive(event: SubmitEvent) {
		event.preventDefault();
		if (reason.trim() === '') return;
		keeper.change({ waived: { reason: reason.trim(), ...stamp() } });
		waiving = false;
	}
</script>

<svelte:head><title>Checklist: {data.payload.name} · Poise</title></svelte:head>
<SheetLinks label="Sheets of this payload" links={payloadSheets(data.payload.id, left)} />
<div class="sheet">
	<h1>Before {data.payload.name} is balanced</h1>
	<p class="big" data-testid="checks">
		{#if list.waived !== null}<strong>Waived</strong>{:else if left === 0}<strong>Ready to balance</strong
			>{:else}<strong>{left}</strong>
			{left === 1 ? 'check' : 'checks'} to go{/if}
	</p>
	{#if list.waived !== null}
		<p class="hint" data-testid="waived">
			“{list.waived.reason}” – {list.waived.by}, {when(list.waived.at)}
			<Button class="tool" onclick={() => keeper.change({ waived: null })}>Take the waiver back</Button>
		</p>
	{/if}
	<ol>
		{#each list.items as item, index (item.id)}
			<li class:done={item.ticked !== null} data-check={item.text}>
				<Button
					class="box"
					role="checkbox"
					aria-checked={item.ticked !== null}
					aria-label={item.text}
					onclick={() => tick(item.id)}
				>
					<svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true"
						><rect x="2" y="2" width="22" height="22" rx="4" />{#if item.ticked !== null}<path
								d="M6 13l5 6L21 7"
							/>{/if}</svg
					>
				</Button>
				<span class="text">
					<TextArea
						rows={1}
						value={item.text}
						maxlength={200}
						aria-label="Words of the check"
						aria-invalid={item.text.trim() === ''}
						oninput={(event) => retext(item.id, event.currentTarget.value)}
						onblur={() => keeper.settle()}
					></TextArea>
					{#if item.ticked !== null}<small>{item.ticked.by}, {when(item.ticked.at)}</small>{/if}
					{#if item.text.trim() === ''}<small class="problem">Say what is to be checked, or take the line out.</small
						>{/if}
				</span>
				<span class="moves screen">
					<Button disabled={index === 0} onclick={() => move(index, -1)} aria-label="Earlier">↑</Button>
					<Button disabled={index === list.items.length - 1} onclick={() => move(index, 1)} aria-label="Later">↓</Button
					>
					<Button onclick={() => drop(item.id)} aria-label="Take out {item.text}">✕</Button>
				</span>
			</li>
		{/each}
	</ol>
	<form class="row screen" onsubmit={add}>
		<label class="stack grow"
			>Another check
			<TextInput bind:value={added} maxlength={200} placeholder="Follow-focus ring tight" data-testid="new-check" />
		</label>
		<Button type="submit" class="second" disabled={added.trim() === ''}>Add it</Button>
	</form>
	<div class="screen">
		<Edits
			document="paper/{data.payload.id}/checklist"
			onback={(paper) => keeper.change(paper as typeof keeper.paper)}
		/>
	</div>
	<div class="actions screen">
		<Button
			class="tool"
			onclick={() => keeper.change({ items: list.items.map((item) => ({ ...item, ticked: null })), waived: null })}
			data-testid="new-job">Untick all for a new job</Button
		>
		<Button class="tool" onclick={() => keeper.change(freshChecklist(newId))}>The usual list again</Button>
		<Button class="tool" onclick={() => keeper.undo()} disabled={!keeper.canUndo}>Undo</Button>
		{#if list.waived === null && left > 0}
			<Button class="tool" onclick={() => (waiving = !waiving)} data-testid="waive">Waive the rest …</Button>
		{/if}
	</div>
	{#if waiving && list.waived === null}
		<form class="row" onsubmit={waive}>
			<label class="stack grow"
				>Why
				<TextInput bind:value={reason} maxlength={300} placeholder="Rehearsal without a card" data-testid="reason" />
			</label>
			<Button type="submit" class="second" disabled={reason.trim() === ''} data-testid="waive-it">Waive</Button>
		</form>
	{/if}
	<Meanwhile document={keeper.document} />
	{#if keeper.trouble !== ''}<p class="problem" role="alert">{keeper.trouble}</p>{/if}
	<p class="lead">Kept with the payload; who ticked what and when stays until a new job begins.</p>
</div>

<style>
	ol {
		max-width: 820px;
	}
	li {
		display: grid;
		grid-template-columns: 52px 1fr auto;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	li > :global(.box) {
		width: 52px;
		height: 52px;
		display: grid;
		place-items: center;
	}
	rect {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.done rect {
		fill: var(--spirit);
	}
	svg path {
		fill: none;
		stroke: #20261f;
		stroke-width: 3;
	}
	.text {
		display: grid;
		padding: 2px 0;
	}
	.text :global(textarea) {
		field-sizing: content;
		resize: none;
		line-height: 1.25;
		border-color: transparent;
		background: transparent;
		font-size: 19px;
		width: 100%;
	}
	.text :global(textarea:hover),
	.text :global(textarea:focus) {
		border-color: var(--edge);
		background: var(--panel);
	}
	small {
		font-size: 13px;
		color: var(--quiet);
		padding-left: 10px;
	}
	.moves :global(button) {
		width: 44px;
		height: 44px;
		color: var(--quiet);
	}
	.moves :global(button:disabled) {
		opacity: 0.3;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: 52px 1fr 44px;
		}
		.moves :global(button:not(:last-child)) {
			display: none;
		}
	}
	.grow {
		flex: 1;
		max-width: 560px;
	}
</style>
