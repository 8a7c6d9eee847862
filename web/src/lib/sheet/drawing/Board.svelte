<script lang="ts">
	import './board.css';
	import type { Snippet } from 'svelte';
	import type { Pull } from './pull.svelte';

	/** A drawing on which things are pulled about. */
	interface Props {
		width: number;
		height: number;
		label: string;
		pull: Pick<Pull<unknown>, 'move' | 'end'>;
		children: Snippet;
	}
	let { width, height, label, pull, children }: Props = $props();
</script>

<svg
	class="board"
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="group"
	aria-label={label}
	onpointermove={pull.move}
	onpointerup={pull.end}
	onpointercancel={pull.end}
>
	{@render children()}
</svg>
