<script lang="ts">
	import type { HTMLTextareaAttributes } from 'svelte/elements';

	/** Words over several lines. */
	let { value = $bindable(), ...rest }: HTMLTextareaAttributes = $props();
</script>

<textarea bind:value {...rest}></textarea>
