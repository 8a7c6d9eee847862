<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { unwatchable } from './words';

	/** A programme that stands by, on a head that may run watched: it runs without a hand, or it is said why not. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const clear = $derived(!bench.wayUnsure || bench.sawItFree === bench.waiting?.id);
	const cannot = $derived(head === null ? null : unwatchable(head));
	const offers = $derived(head !== null && bench.loops && head.watched);
</script>

{#if offers && head !== null}
	<Button
		class="go"
		disabled={!clear || cannot !== null || head.watchAsked}
		onclick={() => bench.watch()}
		data-testid="run-watched"
		>{head.watchAsked ? 'Asking the head …' : `Run it, watched by ${bench.data.person.name}`}</Button
	>
	{#if cannot !== null}<p class="warning" role="status" data-testid="cannot-watch">{cannot}</p>
	{:else if !clear}<p class="detail" data-testid="cannot-watch">
			Not yet: {bench.venue === null
				? 'there is no plan to try it against. Hold it through first, watch it, and say so.'
				: 'its way is being tried, or comes too near to something. Hold it through first, watch it, and say so.'}
		</p>{/if}
{:else if bench.loops && head !== null && !head.watched}
	<p class="detail">
		It loops while you hold. To run it watched, say on its sheet who has marked its zone. <a
			href="/live/heads/{head.headId}">Its sheet</a
		>
	</p>
{/if}
