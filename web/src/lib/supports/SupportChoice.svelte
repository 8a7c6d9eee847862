<script lang="ts">
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { benchPath, type BenchReference } from './address';
	import type { SupportOnOffer } from './onOffer';
	import { inTitle, supportKinds } from './registry';

	/** The head of every bench: which payload on which support, whatever its kind, and the way to all of them. */
	interface Props {
		bench: BenchReference;
	}
	let { bench }: Props = $props();
	const onOffer = $derived(
		page.data.onOffer as {
			readonly supports: readonly SupportOnOffer[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
		}
	);
	const groups = $derived(
		supportKinds
			.map((kind) => ({ kind, supports: onOffer.supports.filter((each) => each.kind === kind.key) }))
			.filter(({ supports }) => supports.length > 0)
	);

	/** Another of the same kind is opened on the same sheet. */
	function to(supportId: string, payloadId: string) {
		const kind = onOffer.supports.find(({ id }) => id === supportId)?.kind ?? bench.kind;
		const [, sheet = ''] = page.url.pathname.split(`${benchPath(bench)}/`);
		return goto(benchPath({ kind, supportId, payloadId }, kind === bench.kind ? sheet : ''));
	}
</script>

<div class="choose">
	<label for="bench-payload" class="sr-only">Payload</label>
	<Choice
		id="bench-payload"
		value={bench.payloadId}
		onchange={(event) => to(bench.supportId, event.currentTarget.value)}
	>
		{#each onOffer.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</Choice>
	<span class="quiet">on</span>
	<label for="bench-support" class="sr-only">Support</label>
	<Choice
		id="bench-support"
		value={bench.supportId}
		onchange={(event) => to(event.currentTarget.value, bench.payloadId)}
		data-testid="bench-support"
	>
		{#each groups as { kind, supports } (kind.key)}
			<optgroup label={inTitle(kind.many)}>
				{#each supports as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</optgroup>
		{/each}
	</Choice>
	<a class="other" href="/balance?choose" data-testid="all-supports">All supports</a>
</div>

<style>
	.choose {
		display: flex;
		flex-wrap: wrap;
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
		flex: 0 1 auto;
		text-overflow: ellipsis;
		min-height: 44px;
	}
	.choose > :global(select:hover) {
		border-color: var(--edge);
	}
	.other {
		font-size: 14px;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
	@media (min-width: 901px) {
		.choose {
			flex-wrap: nowrap;
		}
		.other {
			white-space: nowrap;
		}
	}
	@media (max-width: 900px) {
		.choose {
			padding: 2px 8px 0;
			gap: 0 4px;
			flex-wrap: nowrap;
		}
		.choose > :global(select) {
			font-size: 15px;
			/* No width of its own, or a long name widens the page. */
			flex: 1 1 0;
			width: 0;
			padding-inline: 6px 28px;
		}
		.choose > .quiet,
		/* The day line above has the same way. */
		.other {
			display: none;
		}
	}
	@media print {
		.choose {
			display: none;
		}
	}
</style>
