<script lang="ts">
	/** At the foot of a slip: what logging and saving have to say. */
	interface Props {
		log: { readonly trouble: string };
		document: { readonly message: string; readonly linkLost: boolean };
	}
	let { log, document }: Props = $props();
</script>

{#if log.trouble !== ''}<p class="caution" role="alert">{log.trouble}</p>{/if}
{#if document.linkLost}
	<p class="caution" role="status">No link to the server. Everything is kept here and sent when it is back.</p>
{:else if document.message !== ''}
	<p class="caution" role="alert">{document.message}</p>
{/if}
