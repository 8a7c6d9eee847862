<script lang="ts">
	import { onMount } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import { page } from '$app/state';

	/** What the server cannot answer just now is asked again by itself. */
	const waits = $derived(page.status >= 500);
	const againMs = 4000;
	onMount(() => {
		const timer = setInterval(() => waits && void invalidateAll(), againMs);
		return () => clearInterval(timer);
	});
</script>

<svelte:head><title>{page.status} · Poise</title></svelte:head>
<section>
	<p class="figure">{page.status}</p>
	<h1>{page.status === 404 ? 'Nothing stands here.' : page.error?.message}</h1>
	{#if page.status === 404}<p>
			{page.error?.message === 'Not Found' ? 'The address leads nowhere.' : page.error?.message}
		</p>{/if}
	{#if waits}<p role="status" data-testid="waits">
			It is tried again every four seconds, by itself. What you typed is kept in this browser.
		</p>{/if}
	<p><a href="/payload">Go to the payloads</a> or <a href="/logbook">search the logbook</a>.</p>
</section>

<style>
	section {
		padding: 60px 26px;
		display: grid;
		gap: 10px;
	}
	h1 {
		font-size: 32px;
	}
</style>
