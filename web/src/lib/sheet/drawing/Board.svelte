<script lang="ts">
	import './board.css';
	import type { Snippet } from 'svelte';

	/** A drawing on which things are pulled about. */
	interface Props {
		width: number;
		height: number;
		label: string;
		children: Snippet;
	}
	let { width, height, label, children }: Props = $props();
</script>

<svg class="board" {width} {height} viewBox="0 0 {width} {height}" role="group" aria-label={label}>
	{@render children()}
</svg>
