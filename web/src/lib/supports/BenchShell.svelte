<script lang="ts">
	import { beforeNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { isTyping } from '$lib/sheet/keys';
	import { onMount, type Snippet } from 'svelte';
	import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import SupportChoice from './SupportChoice.svelte';

	/** Round every sheet of a sled or a crane: the choice of payload and support, the links, saving, and the keys. */
	interface Props {
		kind: 'sled' | 'crane';
		/** What this sheet is, in a line. */
		heading: string;
		/** Path of the support under /balance, such as `crane/ID`. */
		support: string;
		payloadId: string;
		links: readonly { readonly href: string; readonly words: string }[];
		document: Pick<KeptDocument<unknown>, 'restore' | 'stop' | 'save' | 'undo' | 'redo'>;
		/** There is something to balance. */
		ready: boolean;
		children: Snippet;
	}
	let { kind, heading, support, payloadId, links, document, ready, children }: Props = $props();

	onMount(() => {
		document.restore();
		return () => document.stop();
	});
	beforeNavigate(() => void document.save());

	/** The swap sheet is printed, with a heading of its own. */
	const ownHeading = $derived(ready && page.url.pathname.endsWith('/swap'));

	function keys(event: KeyboardEvent) {
		if (isTyping(event) || !(event.ctrlKey || event.metaKey)) return;
		const key = event.key.toLowerCase();
		if (key === 'z' && !event.shiftKey) document.undo();
		else if (key === 'y' || key === 'z') document.redo();
		else if (key === 's') void document.save();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window onkeydown={keys} />

<div class="shell">
	<SupportChoice {payloadId} {support} />
	<SheetLinks label="Sheets of this {kind}" heading={ownHeading ? undefined : heading} {links} />
	{#if ready}
		{@render children()}
	{:else}
		<p class="empty">
			This payload holds nothing to balance yet. <a href="/payload/{payloadId}">Put the camera on its plate</a>.
		</p>
	{/if}
</div>

<style>
	.shell {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (min-width: 901px) {
		/* The bench below keeps to what this header leaves of the window. */
		.shell :global(.bench) {
			height: calc(100dvh - 66px - 92px);
		}
	}
</style>
