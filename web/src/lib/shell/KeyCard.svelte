<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Dialog from '$lib/sheet/fields/Dialog.svelte';
	import { keyCard } from '$lib/sheet/keys';
	import { keysNow } from './keysNow.svelte';

	let { open = $bindable() }: { open: boolean } = $props();
	let dialog = $state<HTMLDialogElement>();
	$effect(() => {
		if (open) dialog?.showModal();
		else dialog?.close();
	});
</script>

<Dialog bind:element={dialog} class="key-card" onclose={() => (open = false)} aria-labelledby="keys-title">
	<h2 id="keys-title">Keys</h2>
	<dl>
		{#each keysNow.rows as [keys, what] (keys)}
			<dt><kbd>{keys}</kbd></dt>
			<dd><strong>{what}</strong></dd>
		{/each}
		{#each keyCard as [keys, what] (keys)}
			<dt><kbd>{keys}</kbd></dt>
			<dd>{what}</dd>
		{/each}
	</dl>
	<form method="dialog"><Button type="submit" class="close">Close</Button></form>
</Dialog>

<style>
	:global(.key-card) {
		margin: auto;
		background: var(--panel);
		color: var(--ink);
		border: 1px solid var(--edge);
		padding: 24px 32px;
		max-width: 540px;
		border-radius: 4px;
	}
	:global(.key-card::backdrop) {
		background: rgb(0 0 0 / 45%);
	}
	h2 {
		font-size: 22px;
		margin-bottom: 12px;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 8px 18px;
	}
	kbd {
		font-family: var(--font-mono);
		font-weight: 700;
		white-space: nowrap;
	}
	form > :global(.close) {
		margin-top: 18px;
		min-height: 44px;
		padding: 0 22px;
		background: var(--press);
		color: var(--press-ink);
		border-radius: 6px;
		font-weight: 700;
	}
</style>
