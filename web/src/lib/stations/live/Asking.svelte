<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { called } from './words';

	/** Who drives the head that is looked at: looking takes nothing, asking is a press, giving is the driver's. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const asked = $derived(head?.askedBy ?? null);
	const iAsk = $derived(asked !== null && asked.page === deskWire.page);
	const me = $derived(bench.data.person.name);
	const heldNow = $derived(head?.phase === 'armed');
	let asLead = $state(false);
	$effect(() => {
		void bench.chosenId;
		asLead = false;
	});
</script>

{#if head !== null && !bench.mine}
	{#if head.taken !== null && head.taken.from === deskWire.page}
		<p class="warning" role="alert" data-testid="taken">
			<strong>{head.taken.by}</strong>
			{head.taken.as === 'lead'
				? 'has taken it as lead. It rests.'
				: 'has taken it: you were asked and did not answer.'}
		</p>
	{/if}
	<p class="detail" data-testid="driver">
		{#if head.driver === null}
			Nothing you do here moves it until you drive it.
		{:else if iAsk && asked !== null}
			You have asked {head.driver.name}. {asked.mayTakeInS > 0
				? heldNow
					? `It is held; you may take it after ${asked.mayTakeInS} s in which nothing is done with it.`
					: `Without an answer you may take it in ${asked.mayTakeInS} s.`
				: 'There was no answer: you may take it.'}
		{:else if asked !== null}
			{asked.name} has asked for it already.
		{:else if head.keptFrom === deskWire.page}
			{head.driver.name} keeps it.
		{:else}
			One drives at a time; looking changes nothing.
		{/if}
	</p>
	<div class="buttons">
		{#if head.driver === null}
			<Button class="go" onclick={() => bench.take()} data-testid="take-it">Drive {called(head)} · Enter</Button>
			{#if bench.hand.length > 0}
				<Button class="second" onclick={() => bench.take({ together: true })} data-testid="take-too"
					>Drive it together with {bench.hand.map((each) => called(each)).join(', ')}</Button
				>
			{/if}
		{:else if iAsk && asked !== null}
			{#if asked.mayTakeInS === 0}
				<Button class="go" onclick={() => bench.take()} data-testid="take-after">Take it now</Button>
			{/if}
			<Button class="second" onclick={() => deskWire.say({ type: 'unask', head: head.id })} data-testid="unask"
				>Ask no more</Button
			>
		{:else}
			<Button
				class="go"
				disabled={asked !== null}
				onclick={() => deskWire.say({ type: 'askFor', head: head.id })}
				data-testid="ask-for-it">Ask {head.driver.name} for it</Button
			>
		{/if}
		{#if head.driver !== null}
			{#if asLead}
				<p class="warning">
					It brakes, and is yours; {head.driver.name} reads that {me} took it. Only whoever leads the crew does that.
				</p>
				<Button class="second" onclick={() => bench.take({ by: 'lead' })} data-testid="take-as-lead"
					>Take it as lead, as {me}</Button
				>
			{:else}
				<Button class="quietly" onclick={() => (asLead = true)} data-testid="i-lead">I lead this crew</Button>
			{/if}
		{/if}
	</div>
{/if}
{#each bench.hand as each (each.id)}
	{#if each.askedBy !== null}
		<div class="asked" role="alert" data-testid="asked">
			<p>
				<strong>{each.askedBy.name}</strong> asks for {called(each)}. {each.phase === 'armed'
					? 'It stays yours while you hold it.'
					: `Without an answer they may take it in ${each.askedBy.mayTakeInS} s.`}
			</p>
			<Button class="second" onclick={() => bench.give(each.id)} data-testid="give">Give it</Button>
			<Button class="second" onclick={() => deskWire.say({ type: 'keep', head: each.id })} data-testid="keep"
				>Keep it</Button
			>
		</div>
	{/if}
{/each}

<style>
	.buttons {
		display: grid;
		gap: 10px;
	}
	.buttons :global(.quietly) {
		min-height: 44px;
		justify-self: start;
		text-decoration: underline;
		font-size: 15px;
		color: var(--quiet);
	}
	.asked {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 10px;
		align-items: center;
		border-left: 4px solid var(--clay);
		padding-left: 12px;
	}
	@media (max-width: 700px) {
		.asked {
			grid-template-columns: 1fr 1fr;
		}
		.asked p {
			grid-column: 1 / -1;
		}
	}
</style>
