<script lang="ts">
	import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';

	/** What somebody else changed of a document while it was changed here, until it was read. */
	let { document }: { document: Pick<KeptDocument<unknown>, 'meanwhile'> } = $props();
	const told = $derived(document.meanwhile);
	const figures = (count: number) => (count === 1 ? 'one figure' : `${count} figures`);
</script>

{#if told !== null}
	<p role="status" data-testid="changed-meanwhile">
		<span
			><strong>{told.by}</strong> changed this while you did. What stands now:
			{told.theirs > 0 ? `${figures(told.theirs)} as they left it` : ''}{told.theirs > 0 && told.over > 0
				? ', '
				: ''}{told.over > 0 ? `${figures(told.over)} of both as you have it` : ''}. Its history keeps both.</span
		>
		<Button class="second" onclick={() => (document.meanwhile = null)}>Seen</Button>
	</p>
{/if}

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 6px 16px;
		padding: 4px 26px;
		border-left: 4px solid var(--press);
		background: var(--press-wash);
		font-size: 16px;
	}
	p :global(.second) {
		min-height: 44px;
		padding: 0 18px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		background: var(--panel);
		color: var(--press);
		font-weight: 700;
	}
</style>
