<script lang="ts">
	/** A scale bar: so many dots long, with what that is; its first part is thick. */
	interface Props {
		x: number;
		y: number;
		px: number;
		words: string;
		thick?: number;
	}
	let { x, y, px, words, thick = 0.5 }: Props = $props();
</script>

<g transform="translate({x} {y})" aria-hidden="true">
	<path d="M0 -4V4M{px} -4V4M0 0H{px}" />
	<path d="M0 0H{px * thick}" class="half" />
	<text x={px + 8} y="4">{words}</text>
</g>

<style>
	path {
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.half {
		stroke-width: 4;
	}
	text {
		font-size: 13px;
		fill: var(--quiet);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
</style>
