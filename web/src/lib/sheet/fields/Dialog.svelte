<script lang="ts">
	import type { HTMLDialogAttributes } from 'svelte/elements';

	/** Over everything else, until it is closed; Escape closes it. */
	interface Props extends HTMLDialogAttributes {
		element?: HTMLDialogElement | undefined;
	}
	let { element = $bindable(), children, ...rest }: Props = $props();
</script>

<dialog bind:this={element} {...rest}>{@render children?.()}</dialog>
