<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import { onMount } from 'svelte';
	import { away, waitForServer } from './away.svelte';

	/** Shown over the page while a link was followed and the server does not answer. */
	onMount(waitForServer);
	let stayed = $state(false);
	const shown = $derived(away.waiting > 0 && navigating.to !== null && !stayed);
	/** Another link is another wait, however long the page that is stayed on takes to be gone to again. */
	beforeNavigate(({ to }) => {
		if (to?.url.href !== page.url.href) stayed = false;
	});
	let stay = $state<HTMLButtonElement>();
	$effect(() => {
		if (shown) stay?.focus();
	});
	/** The page that is open is gone to again, which the link that waits then gives way to. */
	async function stayHere() {
		stayed = true;
		await goto(page.url, { replaceState: true, noScroll: true, keepFocus: true });
	}
</script>

{#if shown}
	<div class="away" role="alertdialog" aria-labelledby="away-title" aria-describedby="away-words" data-testid="away">
		<div class="note">
			<h2 id="away-title">Waiting for the server</h2>
			<p id="away-words">
				It does not answer. What you typed is kept in this browser and sent when it is back; the page you chose opens by
				itself then.
			</p>
			<Button bind:element={stay} onclick={stayHere}>Stay on this page</Button>
		</div>
	</div>
{/if}

<style>
	.away {
		position: fixed;
		inset: 0;
		z-index: 20;
		display: grid;
		place-items: center;
		background: rgb(0 0 0 / 45%);
		padding: 20px;
	}
	.note {
		background: var(--panel);
		border: 1px solid var(--edge);
		border-radius: 4px;
		padding: 24px 32px;
		max-width: 520px;
		display: grid;
		gap: 12px;
	}
	h2 {
		font-size: 26px;
	}
	.note > :global(button) {
		min-height: 48px;
		padding: 0 22px;
		justify-self: start;
		background: var(--press);
		color: var(--press-ink);
		border-radius: 6px;
		font-weight: 700;
	}
</style>
