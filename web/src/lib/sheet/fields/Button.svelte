<script lang="ts">
	import type { HTMLButtonAttributes } from 'svelte/elements';

	/** A button. It submits a form only when its type says so. How it looks, its class says: controls.css. */
	interface Props extends HTMLButtonAttributes {
		element?: HTMLButtonElement | undefined;
	}
	let { element = $bindable(), type = 'button', children, ...rest }: Props = $props();
</script>

<button bind:this={element} {type} {...rest}>{@render children?.()}</button>
