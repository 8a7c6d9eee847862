<script lang="ts">
	import type { AxisDoes } from './model';

	/** What an axis does, drawn and in a word: goes with the hand, stays, goes round, is driven. */
	interface Props {
		does: AxisDoes;
	}
	let { does }: Props = $props();
	const words: Record<AxisDoes, string> = { follows: 'follows', holds: 'holds', spins: 'spins', turns: 'turns' };
</script>

<span class={does}>
	<svg width="30" height="22" viewBox="0 0 30 22" aria-hidden="true">
		{#if does === 'follows'}
			<path d="M3 17 Q15 -3 26 11" /><path d="M20 10 L26 11 L27 4" />
		{:else if does === 'holds'}
			<path d="M15 2 V20 M8 20 H22" />
		{:else if does === 'spins'}
			<path d="M23 11 A8 8 0 1 1 19 4" /><path d="M14 2 L20 4.4 L16 9" />
		{:else}
			<path d="M3 11 H26" /><path d="M20 5 L26 11 L20 17" />
		{/if}
	</svg>
	{words[does]}
</span>

<style>
	span {
		display: inline-grid;
		justify-items: start;
		font-size: 13px;
		line-height: 1.1;
	}
	.holds {
		color: var(--quiet);
	}
	path {
		fill: none;
		stroke: currentColor;
		stroke-width: 2;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.follows,
	.spins {
		color: var(--press);
		font-weight: 700;
	}
</style>
