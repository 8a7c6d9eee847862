<script lang="ts">
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { isTyping } from '$lib/dayline/keys';
	import { onMount, type Snippet } from 'svelte';
	import type { KeptDocument } from './keptDocument.svelte';
	import SheetLinks from './SheetLinks.svelte';

	interface Named {
		readonly id: string;
		readonly name: string;
	}
	/** Round every sheet of a sled or a crane: the choice of payload and support, the links, saving, and the keys. */
	interface Props {
		kind: 'sled' | 'crane';
		/** Path of the support under /balance, such as `crane/ID`. */
		support: string;
		payloadId: string;
		payloads: readonly Named[];
		/** Supports to choose from, their ids as paths. */
		groups: readonly { readonly label: string; readonly supports: readonly Named[] }[];
		links: readonly { readonly href: string; readonly words: string }[];
		document: Pick<KeptDocument<unknown>, 'restore' | 'stop' | 'save' | 'undo' | 'redo'>;
		/** There is something to balance. */
		ready: boolean;
		children: Snippet;
	}
	let { kind, support, payloadId, payloads, groups, links, document, ready, children }: Props = $props();

	onMount(() => {
		document.restore();
		return () => document.stop();
	});
	beforeNavigate(() => void document.save());

	/** Another one of the same kind is opened on the same sheet. */
	const sheet = $derived(page.url.pathname.split('/')[5] ?? '');
	const to = (other: string, payload: string) =>
		goto(`/balance/${other}/${payload}${other.startsWith(`${kind}/`) && sheet !== '' ? `/${sheet}` : ''}`);

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
	<div class="choose">
		<label for="{kind}-payload" class="sr-only">Payload</label>
		<select id="{kind}-payload" value={payloadId} onchange={(event) => to(support, event.currentTarget.value)}>
			{#each payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<span class="quiet">on</span>
		<label for="{kind}-{kind}" class="sr-only">{kind === 'sled' ? 'Sled' : 'Crane'}</label>
		<select id="{kind}-{kind}" value={support} onchange={(event) => to(event.currentTarget.value, payloadId)}>
			{#each groups as { label, supports } (label)}
				<optgroup {label}>
					{#each supports as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</optgroup>
			{/each}
		</select>
		<a class="other" href="/balance?choose">another support</a>
	</div>
	<SheetLinks label="Sheets of this {kind}" {links} />
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
	.choose {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 10px;
		padding: 4px 18px 0 16px;
	}
	.choose select {
		border-color: transparent;
		background-color: transparent;
		font-size: 17px;
		font-weight: 700;
		padding-right: 36px;
		max-width: 340px;
	}
	.choose select:hover {
		border-color: var(--edge);
	}
	.other {
		font-size: 14px;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
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
	@media print {
		.choose {
			display: none;
		}
	}
</style>
