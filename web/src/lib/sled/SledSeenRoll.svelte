<script lang="ts">
	import type { SledSeen } from '$lib/model/sled';
	import { seenInWords } from './seen';
	import type { SledBench } from './sledBench.svelte';

	/** What was seen so far, the newest first; each can be struck out, and counts again when it is put back. */
	interface Props {
		bench: SledBench;
		kinds?: readonly SledSeen['kind'][];
	}
	let { bench, kinds }: Props = $props();
	const seen = $derived(bench.seen.filter(({ kind }) => kinds === undefined || kinds.includes(kind)).reverse());
</script>

{#if seen.length > 0}
	<ol class="looked" aria-label="Seen so far">
		{#each seen as look, index (index)}
			{@const text = seenInWords(look)}
			<li data-testid="seen">
				<span class:struck={look.struck}>{text}</span>
				<button type="button" class="link" onclick={() => bench.strike(look, look.struck !== true)}
					>{look.struck === true ? 'Count it' : 'Strike out'}<span class="sr-only">: {text}</span></button
				>
			</li>
		{/each}
	</ol>
{/if}

<style>
	.looked {
		max-height: 190px;
		overflow-y: auto;
		font-size: 14px;
		color: var(--quiet);
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 10px;
	}
	.struck {
		text-decoration: line-through;
		opacity: 0.75;
	}
	.link {
		min-height: 44px;
		flex: none;
		color: var(--press);
		text-decoration: underline;
	}
</style>
