<script lang="ts">
	import { beforeNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
	import type { Person } from '$lib/model/person';
	import { editingKeys, pageKeys } from '$lib/sheet/keys';
	import { showStation } from '$lib/shell/live.svelte';
	import type { StationState } from '$lib/shell/stations';
	import { onMount, type Snippet } from 'svelte';
	import { type BenchReference, benchPath } from './address';
	import PrintedHead from '$lib/shell/PrintedHead.svelte';
	import BenchHead from './BenchHead.svelte';
	import Meanwhile from '$lib/shell/Meanwhile.svelte';
	import Edits from '$lib/shell/Edits.svelte';
	import { putOnBench } from './onBench';

	/** Round every sheet of a bench: its head, what the day line says of it, saving, and the keys. */
	interface Props {
		bench: BenchReference;
		person: Person;
		document: Pick<
			KeptDocument<unknown>,
			'restore' | 'stop' | 'save' | 'settle' | 'set' | 'undo' | 'redo' | 'meanwhile'
		>;
		/** Null: there is nothing to balance. */
		station: StationState | null;
		/** What this bench is, in a line; absent: the sheets have a head of their own and say themselves that nothing is there. */
		heading?: string;
		children: Snippet;
	}
	let { bench, person, document, station, heading, children }: Props = $props();

	onMount(() => {
		document.restore();
		return () => document.stop();
	});
	beforeNavigate(() => void document.save());
	$effect(() => void putOnBench(person, bench));
	$effect(() => {
		if (station !== null) return showStation('balance', station);
	});

	/** The swap sheet is printed, with a heading of its own. */
	const ownHeading = $derived(station !== null && page.url.pathname.endsWith('/swap'));

	/** Under the bench itself, not under its other sheets. */
	const withHistory = $derived(station !== null && page.url.pathname === benchPath(bench));

	const keys = pageKeys(editingKeys(() => document));
</script>

<svelte:window onkeydown={keys} />

<Meanwhile {document} />
{#if heading === undefined}
	{@render children()}
{:else}
	<div class="shell">
		<PrintedHead words={heading} />
		<BenchHead {bench} heading={ownHeading ? undefined : heading} />
		{#if station !== null}
			{@render children()}
		{:else}
			<p class="empty">
				This payload holds nothing to balance yet. <a href="/payload/{bench.payloadId}">Put the camera on its plate</a>.
			</p>
		{/if}
	</div>
{/if}
{#if withHistory}
	<div class="history">
		<Edits
			document="bench/{bench.supportId}/{bench.payloadId}"
			onback={(state) => {
				document.settle();
				document.set(state);
			}}
		/>
	</div>
{/if}

<style>
	.shell {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
	}
	.history {
		padding: 0 26px 14px;
		border-top: 2px solid var(--rule);
	}
	@media print {
		.history {
			display: none;
		}
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
