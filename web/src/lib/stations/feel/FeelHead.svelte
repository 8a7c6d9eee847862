<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { feelLinks, feelPath } from './address';

	/** Which payload on which gimbal, and the ways to the other sheets. */
	interface Props {
		supportId: string;
		payloadId: string;
	}
	let { supportId, payloadId }: Props = $props();
	const onOffer = $derived(
		page.data.onOffer as Readonly<
			Record<'supports' | 'payloads', readonly { readonly id: string; readonly name: string }[]>
		>
	);
	/** Another one is opened on the same sheet. */
	function to(support: string, payload: string) {
		const [, sheet = ''] = page.url.pathname.split(`${feelPath(supportId, payloadId)}/`);
		return goto(feelPath(support, payload, sheet));
	}
</script>

<div class="choose">
	<label for="feel-payload" class="sr-only">Payload</label>
	<Choice id="feel-payload" value={payloadId} onchange={(event) => to(supportId, event.currentTarget.value)}>
		{#each onOffer.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</Choice>
	<span class="quiet">on</span>
	<label for="feel-support" class="sr-only">Gimbal</label>
	<Choice id="feel-support" value={supportId} onchange={(event) => to(event.currentTarget.value, payloadId)}>
		{#each onOffer.supports as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</Choice>
</div>
<SheetLinks label="Sheets of Feel" links={feelLinks(supportId, payloadId)} />

<style>
	.choose {
		display: flex;
		align-items: center;
		gap: 4px 10px;
		padding: 4px 18px 0 16px;
	}
	.choose > :global(select) {
		border-color: transparent;
		background-color: transparent;
		font-size: 17px;
		font-weight: 700;
		padding-right: 36px;
		max-width: min(340px, 100%);
		min-width: 0;
		min-height: 44px;
		text-overflow: ellipsis;
	}
	.choose > :global(select:hover) {
		border-color: var(--edge);
	}
	@media (max-width: 900px) {
		.choose {
			padding: 2px 8px 0;
			gap: 0 4px;
		}
		.choose > :global(select) {
			font-size: 15px;
			flex: 1 1 0;
			width: 0;
			padding-inline: 6px 28px;
		}
		.choose > .quiet {
			display: none;
		}
	}
	@media print {
		.choose {
			display: none;
		}
	}
</style>
