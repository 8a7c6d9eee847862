<script lang="ts" generics="What extends string">
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import Button from '$lib/sheet/fields/Button.svelte';
	import type { Snippet } from 'svelte';

	/** Let go, or walked along: what did it do? And, laid side by side, what the figures had, what was seen, what counts now. */
	interface Props {
		label: string;
		/** What to do, and the question. */
		ask: string;
		choices: readonly (readonly [what: What, words: string])[];
		testId: string;
		onlook: (what: What) => void;
		/** In words; null: nothing was seen that counts. */
		beside: { readonly figures: string; readonly seen: string; readonly reckoned: string } | null;
		/** What was seen so far, and whose word counts. */
		children?: Snippet;
	}
	let { label, ask, choices, testId, onlook, beside, children }: Props = $props();
</script>

<div class="looks" role="group" aria-label={label}>
	<p class="ask">{ask}</p>
	<div class="choices" class:two={choices.length === 4}>
		{#each choices as [what, words] (what)}
			<Button
				onclick={() => {
					onlook(what);
					void showAnswer();
				}}
				data-testid="{testId}-{what}">{words}</Button
			>
		{/each}
	</div>
	{#if beside !== null}
		<dl data-testid="beside">
			<div>
				<dt>The figures have</dt>
				<dd>{beside.figures}</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd>{beside.seen}</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd><strong>{beside.reckoned}</strong></dd>
			</div>
		</dl>
	{/if}
	{@render children?.()}
</div>

<style>
	.looks {
		display: grid;
		gap: 8px;
	}
	.choices {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 8px;
	}
	.two {
		grid-template-columns: repeat(2, 1fr);
	}
	.choices > :global(button) {
		min-height: 56px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		font-size: 16px;
	}
	dl {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		font-size: 15px;
	}
	dl div {
		display: grid;
		grid-template-columns: 124px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	.looks :global(.link) {
		min-height: 44px;
		justify-self: start;
		color: var(--press);
		text-decoration: underline;
	}
</style>
