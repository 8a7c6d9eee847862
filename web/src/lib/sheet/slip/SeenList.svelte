<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	/** What was seen so far; each can be struck out, and counts again when it is put back. */
	interface Props {
		seen: readonly { readonly text: string; readonly struck: boolean; readonly strike: (struck: boolean) => void }[];
	}
	let { seen }: Props = $props();
</script>

{#if seen.length > 0}
	<ol class="looked" aria-label="Seen so far">
		{#each seen as { text, struck, strike }, index (index)}
			<li data-testid="seen">
				<span class:struck>{text}</span>
				<Button class="link" onclick={() => strike(!struck)}
					>{struck ? 'Count it' : 'Strike out'}<span class="sr-only">: {text}</span></Button
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
	li > :global(.link) {
		min-height: 44px;
		flex: none;
		color: var(--press);
		text-decoration: underline;
	}
</style>
