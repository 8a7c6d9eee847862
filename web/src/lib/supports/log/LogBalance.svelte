<script lang="ts" generics="Standing">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextArea from '$lib/sheet/fields/TextArea.svelte';
	import type { BalanceLog } from './balanceLog.svelte';

	/** A note, and the button that logs what stands there; then the way to it. */
	interface Props {
		log: BalanceLog<Standing>;
		placeholder: string;
		onlog: () => void;
		/** What is done once it is logged; none: nothing is said. */
		next?: { readonly href: string; readonly words: string } | null;
	}
	let { log, placeholder, onlog, next = null }: Props = $props();
</script>

<label class="note">
	Note
	<TextArea bind:value={log.note} rows={2} maxlength={2000} {placeholder}></TextArea>
</label>
{#if log.logged === null}
	<Button class="go" onclick={onlog} disabled={log.logging} data-testid="log">Log this balance</Button>
{:else}
	<p class="logged" role="status">
		Logged at {log.logged.time}. <a href={log.logged.href} data-testid="open-log">Open it</a>
	</p>
	{#if next !== null}<a class="go" href={next.href} data-testid="after-log">{next.words}</a>{/if}
{/if}

<style>
	.note {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	.note :global(textarea) {
		color: var(--ink);
		font-size: 16px;
	}
	.logged {
		font-size: 18px;
		font-weight: 700;
	}
</style>
