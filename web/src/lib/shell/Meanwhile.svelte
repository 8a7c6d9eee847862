<script lang="ts">
	import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';

	/**
	 * What somebody else changed of a document while it was changed here, until it was read. `own`: nobody else can, it was the same person
	 * on another screen, and no history is kept of it.
	 */
	let { document, own = false }: { document: Pick<KeptDocument<unknown>, 'meanwhile'>; own?: boolean } = $props();
	const told = $derived(document.meanwhile);
	const figures = (count: number) => (count === 1 ? 'one figure' : `${count} figures`);
</script>

{#if told !== null}
	<p role="status" data-testid="changed-meanwhile">
		<span
			>{#if own}<strong>You</strong> changed this on another screen meanwhile.{:else}<strong>{told.by}</strong> changed this
				while you did.{/if} What stands now:
			{told.theirs > 0 ? `${figures(told.theirs)} as ${own ? 'set there' : 'they left it'}` : ''}{told.theirs > 0 &&
			told.over > 0
				? ', '
				: ''}{told.over > 0 ? `${figures(told.over)} of both as ${own ? 'set here' : 'you have it'}` : ''}.{own
				? ''
				: ' Its history keeps both.'}</span
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
