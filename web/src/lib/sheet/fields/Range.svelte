<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** A figure drawn along a line: by mouse, by thumb, by the arrow keys. */
	let {
		value = $bindable(0),
		class: classes = '',
		...rest
	}: Omit<HTMLInputAttributes, 'type' | 'value'> & { value?: number } = $props();
</script>

<input type="range" bind:value class={classes} {...rest} />

<style>
	input {
		-webkit-appearance: none;
		appearance: none;
		width: 100%;
		min-width: 0;
		height: 44px;
		margin: 0;
		background: transparent;
		cursor: grab;
		touch-action: pan-y;
	}
	input::-webkit-slider-runnable-track {
		height: 2px;
		background: var(--edge);
	}
	input::-moz-range-track {
		height: 2px;
		background: var(--edge);
	}
	/* A pointer over a rule, as on a scale. */
	input::-webkit-slider-thumb {
		-webkit-appearance: none;
		width: 22px;
		height: 20px;
		margin-top: -19px;
		background: var(--press);
		clip-path: polygon(0 0, 100% 0, 50% 100%);
	}
	input::-moz-range-thumb {
		width: 22px;
		height: 20px;
		border: 0;
		background: var(--press);
		clip-path: polygon(0 0, 100% 0, 50% 100%);
	}
	input:focus-visible {
		outline: 2px solid var(--press);
		outline-offset: -4px;
		border-radius: 6px;
	}
	input:disabled {
		opacity: 0.4;
		cursor: default;
	}
</style>
