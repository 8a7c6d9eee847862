<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** A line of words; with another type a file or a range. */
	interface Props extends HTMLInputAttributes {
		element?: HTMLInputElement | undefined;
	}
	let { element = $bindable(), value = $bindable(), type = 'text', ...rest }: Props = $props();
</script>

<input bind:this={element} bind:value {type} {...rest} />
