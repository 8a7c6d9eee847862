<script lang="ts">
	/** A dimension line along the page: arrows at both ends, the figure on it, thin witness lines to what it measures. */
	interface Props {
		orientation: 'across' | 'down';
		/** Where it starts and ends along its direction, px. */
		from: number;
		to: number;
		/** Where it stands square to its direction, px. */
		at: number;
		/** Where the witness lines start; absent: none. */
		witnessFrom?: number | null;
		text: string;
		strong?: boolean;
	}
	let { orientation, from, to, at, witnessFrom = null, text, strong = false }: Props = $props();

	const [low, high] = $derived(from < to ? [from, to] : [to, from]);
	const across = $derived(orientation === 'across');
	/** Too short for arrows inside: they come from outside and the figure stands beside. */
	const tight = $derived(high - low < 18);
	const middle = $derived((low + high) / 2);
	const roomy = $derived(high - low > text.length * 7.4 + 14);

	const point = (along: number, square: number) => (across ? `${along} ${square}` : `${square} ${along}`);
	const head = (tip: number, direction: 1 | -1) =>
		`M${point(tip, at)}L${point(tip + direction * 7, at - 2.6)}L${point(tip + direction * 7, at + 2.6)}z`;
</script>

<g class="dimension" class:strong aria-hidden="true">
	{#if witnessFrom !== null}
		<path class="witness" d="M{point(low, witnessFrom)}L{point(low, at + Math.sign(at - witnessFrom) * 4)}" />
		<path class="witness" d="M{point(high, witnessFrom)}L{point(high, at + Math.sign(at - witnessFrom) * 4)}" />
	{/if}
	<path d="M{point(tight ? low - 14 : low, at)}L{point(tight ? high + 14 : high, at)}" />
	<path class="head" d={head(low, tight ? -1 : 1)} />
	<path class="head" d={head(high, tight ? 1 : -1)} />
	{#if across}
		<text
			x={roomy ? middle : high + (tight ? 18 : 6)}
			y={roomy ? at - 4 : at + 4.5}
			text-anchor={roomy ? 'middle' : 'start'}>{text}</text
		>
	{:else}
		<text x={at - 5} y={middle + 4.5} text-anchor="end">{text}</text>
	{/if}
</g>

<style>
	.dimension {
		pointer-events: none;
		color: var(--quiet);
	}
	.strong {
		color: var(--ink);
	}
	path {
		stroke: currentColor;
		stroke-width: 0.9;
		fill: none;
	}
	.witness {
		stroke-width: 0.6;
	}
	.head {
		fill: currentColor;
		stroke: none;
	}
	text {
		font-family: var(--font-mono);
		font-size: 12.5px;
		fill: currentColor;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.strong text {
		font-weight: 700;
	}
</style>
