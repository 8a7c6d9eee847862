<script lang="ts">
	import './slip.css';
	import { holdAnswer } from '$lib/sheet/bringIntoView';
	import type { Snippet } from 'svelte';

	interface Props {
		/** Small line above the answer: where in the work this stands. */
		heading: string;
		/** The answer, one imperative sentence; the hand's part in bold. */
		answer: Snippet;
		children: Snippet;
		/** The till roll: what was done before, under the tear line. */
		earlier?: Snippet | undefined;
	}
	let { heading, answer, children, earlier }: Props = $props();
</script>

<aside class="slip" aria-label="Slip">
	<p class="heading">{heading}</p>
	<p class="answer" aria-live="polite" tabindex="-1" use:holdAnswer>{@render answer()}</p>
	{@render children()}
	{#if earlier}
		<div class="tear"></div>
		{@render earlier()}
	{/if}
</aside>

<style>
	.slip {
		background: var(--panel);
		border: 1px solid var(--rule);
		border-bottom: 0;
		box-shadow: var(--slip-shadow);
		padding: 22px 28px 34px;
		position: relative;
		display: flex;
		flex-direction: column;
		gap: 14px;
		/* The torn edge of a till roll. */
		--tooth: 12px;
		-webkit-mask:
			linear-gradient(#000 0 0) top / 100% calc(100% - 8px) no-repeat,
			conic-gradient(from 135deg at top, #000 90deg, transparent 0) bottom left / var(--tooth) 8.5px repeat-x;
		mask:
			linear-gradient(#000 0 0) top / 100% calc(100% - 8px) no-repeat,
			conic-gradient(from -45deg at bottom, #000 90deg, transparent 0) bottom left / var(--tooth) 8.5px repeat-x;
	}
	.heading {
		font-size: 15px;
		font-weight: 700;
	}
	.answer {
		font-size: clamp(28px, 3.1vw, 40px);
		line-height: 1.12;
		letter-spacing: -0.01em;
		text-wrap: balance;
	}
	.answer:focus {
		outline: none;
	}
	.answer :global(strong) {
		font-weight: 700;
	}
	/* The hand's own part on every slip: one full button, and perhaps an open one. */
	.slip :global(.go),
	.slip :global(.second) {
		display: grid;
		place-items: center;
		text-align: center;
		min-height: 58px;
		border-radius: 6px;
		padding: 6px 16px;
		font-size: 20px;
		font-weight: 700;
		line-height: 1.15;
		text-decoration: none;
		touch-action: manipulation;
	}
	.slip :global(.go) {
		background: var(--press);
		color: var(--press-ink);
	}
	.slip :global(.go:hover) {
		background: var(--press-deep);
	}
	.slip :global(.go:disabled) {
		background: var(--hover);
		color: var(--quiet);
		cursor: default;
	}
	.slip :global(.second) {
		border: 1.5px solid var(--press);
		color: var(--press);
		min-height: 48px;
		font-size: 17px;
	}
	.tear {
		border-top: 2px dashed var(--rule);
		margin: 4px 0;
	}
	@media (max-width: 700px) {
		.slip {
			padding: 16px 16px 28px;
			gap: 12px;
		}
	}
</style>
