<script lang="ts">
	import { keyCard } from '$lib/sheet/keys';

	let { open = $bindable() }: { open: boolean } = $props();
	let dialog = $state<HTMLDialogElement>();
	$effect(() => {
		if (open) dialog?.showModal();
		else dialog?.close();
	});
</script>

<dialog bind:this={dialog} onclose={() => (open = false)} aria-labelledby="keys-title">
	<h2 id="keys-title">Keys</h2>
	<dl>
		{#each keyCard as [keys, what] (keys)}
			<dt><kbd>{keys}</kbd></dt>
			<dd>{what}</dd>
		{/each}
	</dl>
	<form method="dialog"><button class="close">Close</button></form>
</dialog>

<style>
	dialog {
		margin: auto;
		background: var(--panel);
		color: var(--ink);
		border: 1px solid var(--edge);
		padding: 24px 32px;
		max-width: 540px;
		border-radius: 4px;
	}
	dialog::backdrop {
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
	.close {
		margin-top: 18px;
		min-height: 44px;
		padding: 0 22px;
		background: var(--press);
		color: var(--press-ink);
		border-radius: 6px;
		font-weight: 700;
	}
</style>
