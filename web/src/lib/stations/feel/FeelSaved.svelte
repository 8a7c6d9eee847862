<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { refused, refusedWords } from '$lib/sheet/fields/refused.svelte';
	import type { FeelBench } from './feelBench.svelte';

	/** Whether everything is saved, undo and redo, and two people at once. */
	interface Props {
		bench: FeelBench;
	}
	let { bench }: Props = $props();
	const words = {
		saved: 'Saved',
		unsaved: 'Saving …',
		refused: 'Not saved',
		stale: 'Not saved',
		away: 'Kept here, sent when the link is back'
	} as const;
	const order = ['stale', 'refused', 'away', 'unsaved', 'saved'] as const;
	const state = $derived(order.find((each) => bench.documents.some(({ saving }) => saving === each)) ?? 'saved');
</script>

<div class="saved">
	<span
		class={refused.count > 0 || state === 'refused' ? 'problem' : 'quiet'}
		data-testid="feel-save"
		data-state={refused.count > 0 ? 'refused' : state}
		>{refused.count > 0 ? refusedWords(refused.count) : words[state]}</span
	>
	<Button onclick={() => bench.undo()} disabled={!bench.canUndo}>Undo</Button>
	<Button onclick={() => bench.redo()} disabled={!bench.canRedo}>Redo</Button>
</div>
{#each bench.documents as document, index (index)}
	{#if document.message !== '' && document.saving !== 'stale'}<p class="problem" role="alert">
			{document.message}
		</p>{/if}
	{#if document.saving === 'stale'}
		<p class="stale" role="alert">
			Somebody else has changed this since you opened it. Yours is kept here until you choose.
			<Button onclick={() => document.takeTheirs()}>Show theirs</Button>
			<Button onclick={() => document.keepMine()}>Save mine over it</Button>
		</p>
	{/if}
{/each}

<style>
	.saved {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		padding: 0 18px 0 26px;
		font-size: 14px;
		margin-left: auto;
	}
	.saved > :global(button),
	.stale > :global(button) {
		min-height: 44px;
		padding: 0 10px;
		color: var(--press);
		text-decoration: underline;
	}
	.saved > :global(button:disabled) {
		color: var(--edge);
		text-decoration: none;
	}
	.problem,
	.stale {
		color: var(--clay);
	}
	p {
		margin: 0 26px;
		padding: 6px 12px;
		border-left: 4px solid var(--clay);
		background: var(--clay-wash);
	}
	@media print {
		.saved {
			display: none;
		}
	}
</style>
