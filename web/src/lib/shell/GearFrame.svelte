<script lang="ts" generics="Draft extends Named">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import './sheet.css';
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { ask } from '$lib/keeping/ask';
	import { editingKeys, pageKeys } from '$lib/sheet/keys';
	import type { Named } from '$lib/model/gear';
	import { onMount, type Snippet } from 'svelte';
	import { gearKey, gearPath, type GearPlace } from '$lib/keeping/editGear';
	import { tellGone, whenGone } from '$lib/keeping/gone';
	import { forget } from '$lib/keeping/kept';
	import type { SheetLink } from '$lib/supports/kind';
	import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
	import { refused, refusedWords } from '$lib/sheet/fields/refused.svelte';
	import Edits from './Edits.svelte';
	import SheetLinks from './SheetLinks.svelte';

	/** What every editor of a support or a venue has around its fields: links, name, undo, saving, two people at once, deleting. */
	interface Props {
		place: GearPlace;
		id: string;
		document: KeptDocument<Draft>;
		/** After "all" and the editor itself. */
		links: readonly { readonly href: string; readonly words: string }[];
		/** What does not fit together, in words; null when all is well. */
		wrong?: string | null;
		/** What is deleted along with it. */
		goesToo: string;
		/** What stands on it and has to do without, by name. */
		losesIt?: readonly string[];
		/** Where it goes on from here. */
		onward?: SheetLink | null;
		/** The few figures that are asked first of one that was just started from a pattern, and what it looks like. */
		first?: Snippet;
		drawn?: Snippet;
		children: Snippet;
	}
	let {
		place,
		id,
		document,
		links,
		wrong = null,
		goesToo,
		losesIt = [],
		onward = null,
		first,
		drawn,
		children
	}: Props = $props();
	/** Started from a pattern a moment ago: the rest of its figures stay folded until they are asked for. */
	const folded = $derived(first !== undefined && page.url.searchParams.has('fresh'));
	let confirmDelete = $state(false);
	const draft = $derived(document.value);
	const saveWords = {
		saved: 'Saved',
		unsaved: 'Saving …',
		refused: 'Not saved',
		stale: 'Not saved',
		away: 'Kept here, sent when the link is back'
	};

	onMount(() => {
		document.restore();
		const ends = whenGone(gearPath(place, id), () => (gone = true));
		return () => {
			ends();
			document.stop();
		};
	});
	/** Deleted elsewhere while it is open here. */
	let gone = $state(false);
	async function bringBack() {
		const outcome = await ask('POST', `${gearPath(place, id)}/back`);
		if (!outcome.ok) {
			document.message = outcome.error.message;
			return;
		}
		gone = false;
		document.message = '';
		// What was typed here since it went.
		await document.save();
	}
	beforeNavigate(() => void document.save());

	async function remove() {
		document.stop();
		const outcome = await ask('DELETE', gearPath(place, id));
		if (!outcome.ok) {
			document.message = outcome.error.message;
			return;
		}
		forget(gearKey(place, id));
		tellGone(gearPath(place, id));
		await goto(place.pages, { invalidateAll: true });
	}
	const keys = pageKeys(editingKeys(() => document));
</script>

<svelte:window onkeydown={keys} />

<SheetLinks
	label="Sheets of this {place.one}"
	heading={draft.name}
	links={[
		{ href: place.pages, words: `All ${place.one}s` },
		{ href: `${place.page ?? place.pages}/${id}`, words: `${place.one.charAt(0).toUpperCase()}${place.one.slice(1)}` },
		...links
	]}
/>
<div class="sheet">
	<div class="top">
		<label class="stack grow"
			><span class="sr-only">Name of the {place.one}</span>
			<TextInput
				class="name"
				value={draft.name}
				maxlength={120}
				aria-invalid={draft.name.trim() === ''}
				oninput={(event) => document.set({ ...draft, name: event.currentTarget.value }, 'name')}
				onblur={() => document.settle()}
				data-testid="{place.one}-name"
			/>
		</label>
		<span
			class={refused.count > 0 ? 'problem' : 'quiet'}
			data-testid="{place.one}-save"
			data-state={refused.count > 0 ? 'refused' : document.saving}
			>{refused.count > 0 ? refusedWords(refused.count) : saveWords[document.saving]}</span
		>
		<Button class="tool" onclick={() => document.undo()} disabled={!document.canUndo}>Undo</Button>
		<Button class="tool" onclick={() => document.redo()} disabled={!document.canRedo}>Redo</Button>
	</div>
	{#if document.message !== ''}<p class="problem" role="alert">{document.message}</p>{/if}
	{#if wrong !== null}<p class="problem" role="alert" data-testid="{place.one}-wrong">{wrong}</p>{/if}
	{#if gone}
		<p class="caution" role="alert" data-testid="gone">
			This {place.one} has just been deleted. What you see here is kept in this browser{place.comesBack
				? ''
				: ', and is saved nowhere else'}.
			{#if place.comesBack}<Button class="tool" onclick={bringBack} data-testid="bring-back">Bring it back</Button>{/if}
			<a class="tool" href={place.pages}>All {place.one}s</a>
		</p>
	{/if}
	{#if document.saving === 'stale'}
		<p class="caution" role="alert">
			Somebody else has changed this {place.one} since you opened it. Yours is kept here until you choose.
			<Button class="tool" onclick={() => document.takeTheirs()}>Show theirs</Button>
			<Button class="tool" onclick={() => document.keepMine()}>Save mine over it</Button>
		</p>
	{/if}
	{#if folded}
		<div class="beside fresh">
			<div>
				<p class="lead">
					These first, from its maker’s sheet or by tape and scale. Everything else stands as the pattern has it, and
					can be put right at any time.
				</p>
				<div class="row">{@render first?.()}</div>
				<div class="actions">
					{#if onward !== null}<a class="go" href={onward.href} data-testid="onward">{onward.words}</a>{/if}
					<a
						class="second"
						href={page.url.pathname}
						data-sveltekit-replacestate
						data-sveltekit-noscroll
						data-testid="all-figures">All its figures</a
					>
				</div>
			</div>
			{@render drawn?.()}
		</div>
	{:else}
		{@render children()}
		{#if onward !== null}<div class="actions">
				<a class="go" href={onward.href} data-testid="onward">{onward.words}</a>
			</div>{/if}
	{/if}
	<Edits
		document="{place.history}/{id}"
		onback={(content) => {
			document.settle();
			document.set(content as Draft);
		}}
	/>
	<div class="actions">
		{#if confirmDelete}
			<span data-testid="delete-words"
				>Delete “{draft.name}” with {goesToo}? The logbook keeps its copies.{place.comesBack
					? ` It can be brought back from the list of ${place.one}s for a while.`
					: ''}
				{#if losesIt.length > 0}<strong
						>{losesIt.slice(0, 4).join(', ')}{losesIt.length > 4 ? ` and ${losesIt.length - 4} more` : ''}</strong
					>
					{losesIt.length === 1 ? 'stands' : 'stand'} there, and {losesIt.length === 1 ? 'is' : 'are'} tried against nothing
					without it.{/if}</span
			>
			<Button class="second" onclick={remove} data-testid="delete-{place.one}">Delete it</Button>
			<Button class="tool" onclick={() => (confirmDelete = false)}>Keep it</Button>
		{:else}
			<Button class="tool" onclick={() => (confirmDelete = true)}>Delete this {place.one} …</Button>
		{/if}
	</div>
</div>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 12px;
	}
	.fresh :global(.field) {
		width: 190px;
	}
	.grow {
		flex: 1 1 300px;
		min-width: 220px;
	}
	.stack > :global(.name) {
		font-size: 24px;
		font-weight: 700;
		width: 100%;
		border-color: transparent !important;
		background: transparent !important;
		padding-left: 0;
	}
	.stack > :global(.name:focus),
	.stack > :global(.name:hover) {
		border-color: var(--edge) !important;
	}
</style>
