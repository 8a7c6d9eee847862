<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** Yes or no; with type `radio` one of several. */
	let { checked = $bindable(), type = 'checkbox', ...rest }: HTMLInputAttributes = $props();
</script>

{#if type === 'radio'}
	<input type="radio" {checked} {...rest} />
{:else}
	<input type="checkbox" bind:checked {...rest} />
{/if}
