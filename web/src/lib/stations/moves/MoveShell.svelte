<script lang="ts">
	import { beforeNavigate } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import { whenGone } from '$lib/keeping/gone';
	import type { Venue } from '$lib/model/venue';
	import '$lib/shell/bench.css';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { refused, refusedWords } from '$lib/sheet/fields/refused.svelte';
	import { editingKeys, pageKeys } from '$lib/sheet/keys';
	import { showStation } from '$lib/shell/live.svelte';
	import PrintedHead from '$lib/shell/PrintedHead.svelte';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { onMount, type Snippet, untrack } from 'svelte';
	import { moveLinks } from './address';
	import { ClearTrial } from './clearTrial.svelte';
	import { MoveBench, type MoveData, shareMove } from './moveBench.svelte';

	/** Round every sheet of a move: its name, saving, undo, two people at once, and the trial against the room in its worker. */
	interface Props {
		data: MoveData;
		children: Snippet;
	}
	let { data, children }: Props = $props();
	// Another move mounts a new shell.
	// svelte-ignore state_referenced_locally
	const bench = new MoveBench(data);
	shareMove(() => bench);
	const { document } = bench;
	$effect.pre(() => {
		bench.data = data;
	});
	onMount(() => {
		document.restore();
		if (bench.chosen === null) bench.choose(bench.move.knots[0]!.id);
		const trial = new ClearTrial(new Worker(new URL('./clear.worker.ts', import.meta.url), { type: 'module' }));
		bench.trial = trial;
		return () => {
			document.stop();
			trial.stop();
		};
	});
	let backTrouble = $state('');
	async function bringBack() {
		const outcome = await ask<Venue>('POST', `/api/venues/${bench.move.venueId}/back`);
		backTrouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		bench.fetched = outcome.value;
		bench.goneId = null;
	}
	beforeNavigate(() => void document.save());
	$effect(() => {
		const { trial, question } = bench;
		untrack(() => trial?.ask(question));
	});
	// Undo, or somebody else's save, may stand it in another venue.
	$effect(() => {
		const id = bench.move.venueId;
		if (id === null || !bench.waitsForVenue) return;
		void ask<Venue>('GET', `/api/venues/${id}`).then((outcome) => {
			if (outcome.ok) bench.fetched = outcome.value;
			else if (outcome.error.code === 'notFound') bench.goneId = id;
		});
	});
	// Deleted while it is tried against: said at once, and nothing is called clear any more.
	$effect(() => {
		const id = bench.move.venueId;
		if (id === null) return;
		return whenGone(`/api/venues/${id}`, () => (bench.goneId = id));
	});
	$effect(() => showStation('moves', bench.station));
	const keys = pageKeys(editingKeys(() => document));
	const words = {
		saved: 'Saved',
		unsaved: 'Saving …',
		refused: 'Not saved',
		stale: 'Not saved',
		away: 'Kept here, sent when the link is back'
	} as const;
	const links = $derived([
		{ href: '/moves?all', words: 'All moves' },
		...moveLinks(bench.id, { rail: bench.move.support.kind === 'rail' })
	]);
</script>

<svelte:window onkeydown={keys} />

<div class="shell">
	<PrintedHead
		words={[bench.move.name, bench.venue?.name ?? 'an empty floor', bench.move.job]
			.filter((each) => each !== '')
			.join(' · ')}
	/>
	<div class="head">
		<label class="called"
			><span class="sr-only">Name of the move</span>
			<TextInput
				class="name"
				value={bench.move.name}
				maxlength={120}
				aria-invalid={bench.move.name.trim() === ''}
				oninput={(event) => bench.change({ name: event.currentTarget.value }, 'name')}
				onblur={bench.settle}
				data-testid="move-name"
			/></label
		>
		<div class="links"><SheetLinks label="Sheets of this move" links={[...links]} /></div>
		<span
			class={refused.count > 0 || document.saving === 'refused' ? 'problem' : 'quiet'}
			data-testid="move-save"
			data-state={refused.count > 0 ? 'refused' : document.saving}
			>{refused.count > 0 ? refusedWords(refused.count) : words[document.saving]}</span
		>
		<Button class="link" onclick={() => document.undo()} disabled={!document.canUndo}>Undo</Button>
		<Button class="link" onclick={() => document.redo()} disabled={!document.canRedo}>Redo</Button>
	</div>
	{#if document.message !== '' && document.saving !== 'stale'}<p class="said" role="alert">{document.message}</p>{/if}
	{#if document.saving === 'stale'}
		<p class="said" role="alert">
			Somebody else has changed this move since you opened it. Yours is kept here until you choose.
			<Button class="link" onclick={() => document.takeTheirs()}>Show theirs</Button>
			<Button class="link" onclick={() => document.keepMine()}>Save mine over it</Button>
		</p>
	{/if}
	{#if bench.move.venueId !== null && bench.goneId === bench.move.venueId}
		<p class="said" role="alert" data-testid="venue-gone">
			The venue this was planned in is gone. The move is kept, on an empty floor: nothing is tried against it.
			<Button class="link" onclick={bringBack} data-testid="venue-back">Bring the venue back</Button>
			<Button class="link" onclick={() => bench.change({ venueId: null })}>So be it</Button>
			{backTrouble}
		</p>
	{/if}
	{@render children()}
</div>

<style>
	.shell {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 10px;
		padding: 0 18px 0 16px;
		min-height: 48px;
		font-size: 14px;
		border-bottom: 1px solid var(--rule);
	}
	.called {
		flex: 0 1 250px;
		min-width: 150px;
	}
	.called > :global(.name) {
		width: 100%;
		font-weight: 700;
		font-size: 17px;
		border-color: transparent;
		background: transparent;
		text-overflow: ellipsis;
	}
	.called > :global(.name:hover),
	.called > :global(.name:focus) {
		border-color: var(--edge);
	}
	.links {
		flex: 1 1 auto;
		min-width: 0;
	}
	.links :global(nav) {
		padding: 0;
		gap: 0 14px;
	}
	.head > :global(.link),
	.said > :global(.link) {
		min-height: 44px;
		padding: 0 6px;
		color: var(--press);
		text-decoration: underline;
	}
	.head > :global(.link:disabled) {
		color: var(--edge);
		text-decoration: none;
	}
	.said {
		margin: 0 26px;
		padding: 6px 12px;
		border-left: 4px solid var(--clay);
		background: var(--clay-wash);
		color: var(--clay);
	}
	.problem {
		color: var(--clay);
	}
	@media (min-width: 901px) {
		.shell :global(.bench) {
			height: calc(100dvh - 66px - 50px);
		}
	}
	@media (max-width: 900px) {
		.head {
			gap: 0 4px;
			padding: 0 8px;
		}
		.called {
			flex: 1 1 120px;
			min-width: 100px;
		}
		.links {
			flex-basis: 100%;
			order: 3;
		}
	}
	@media print {
		.head {
			display: none;
		}
	}
</style>
