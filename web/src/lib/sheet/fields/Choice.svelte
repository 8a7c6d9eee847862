<script lang="ts">
	import type { HTMLSelectAttributes } from 'svelte/elements';

	/** One of a list; the options stand between its tags. */
	let { value = $bindable(), children, ...rest }: HTMLSelectAttributes = $props();
</script>

<select bind:value {...rest}>{@render children?.()}</select>
