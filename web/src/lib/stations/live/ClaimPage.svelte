<script lang="ts">
	import '$lib/shell/sheet.css';
	import { onMount } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';

	/** One at a time: switch on only this one, it blinks, you say how often. Then it is this crew's and nobody else's. */
	onMount(() => deskWire.begin(false));
	let asked = $state<string | null>(null);
	const free = $derived(deskWire.heads.filter(({ link }) => link === 'free' || link === 'claiming'));
	const ours = $derived(deskWire.heads.filter(({ headId, link }) => headId !== null && link !== 'free'));
	const answer = $derived(deskWire.claimed);
	$effect(() => {
		if (answer?.ok !== true) return;
		asked = null;
		void invalidateAll();
	});
	function claim(id: string) {
		deskWire.claimed = null;
		asked = id;
		deskWire.say({ type: 'claim', head: id });
	}
	const confirm = (id: string, blinks: number) => deskWire.say({ type: 'confirm', head: id, blinks });
</script>

<div class="sheet">
	<p><a class="back" href="/live">To the desk</a></p>
	<h1>Claim a head</h1>
	<p class="lead">
		One at a time. Switch on only the head you stand before. It appears here, you claim it, it blinks: say how often.
		From then on it heeds this crew alone, until its forget button is pressed.
	</p>
	<p class="caution">A head that is claimed can move when somebody holds it: mark its zone first.</p>
	{#if !deskWire.linked}<p role="status">Looking for the desk …</p>{/if}
	{#if free.length > 1 && asked === null}
		<p class="caution" role="status">
			{free.length} heads are free. With more than one switched on, watch which of them blinks before you say how often.
		</p>
	{/if}
	<div class="cards">
		{#each free as head (head.id)}
			<div class="card" data-testid="free-head">
				<strong>{head.name}</strong>
				<span class="quiet">{head.id}, {Object.keys(head.axes).length} axes</span>
				{#if asked === head.id && (head.link === 'claiming' || answer?.head !== head.id)}
					<p>How often does it blink?</p>
					<div class="row" role="group" aria-label="How often it blinks">
						{#each [2, 3, 4, 5, 6, 7, 8, 9] as blinks (blinks)}
							<Button class="chip" onclick={() => confirm(head.id, blinks)} data-testid="blinks-{blinks}"
								>{blinks}</Button
							>
						{/each}
					</div>
				{:else}
					<Button class="go" onclick={() => claim(head.id)} data-testid="claim">Claim it</Button>
				{/if}
				{#if answer !== null && answer.head === head.id && !answer.ok}<p class="problem" role="alert">
						{answer.words}
					</p>{/if}
			</div>
		{:else}
			<p class="hint">
				No free head is heard. Switch one on; a head that another desk has claimed forgets it by its button.
			</p>
		{/each}
	</div>
	<p><a class="back" href="/live/boxes" data-testid="to-boxes">The simulated heads, to see them blink</a></p>
	<h2>This crew’s heads</h2>
	<ul class="ours">
		{#each ours as head (head.id)}
			<li>
				<strong>{head.number}</strong>
				<span
					><a href="/live/heads/{head.headId}">{head.name}</a>
					<span class="quiet">{head.id}, {head.link === 'here' ? 'here' : 'not heard'}</span></span
				>
				<Button
					class="second"
					onclick={() => deskWire.say({ type: 'blink', head: head.id })}
					disabled={head.link !== 'here'}>Let it blink</Button
				>
			</li>
		{:else}
			<li class="quiet">None yet.</li>
		{/each}
	</ul>
</div>

<style>
	.card :global(.go),
	.ours :global(.second) {
		min-height: 48px;
		border-radius: 6px;
		padding: 0 16px;
		font-weight: 700;
	}
	.card :global(.go) {
		background: var(--press);
		color: var(--press-ink);
		margin-top: 8px;
	}
	.ours :global(.second) {
		border: 1.5px solid var(--press);
		color: var(--press);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.row :global(.chip) {
		min-width: 48px;
		min-height: 48px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-weight: 700;
	}
	.ours li {
		display: grid;
		grid-template-columns: 24px minmax(0, 1fr) auto;
		max-width: 640px;
		align-items: center;
		gap: 0 12px;
		padding: 4px 0;
		min-height: 56px;
		border-top: 1px solid var(--rule);
	}
	.ours li.quiet {
		display: flex;
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
		margin: 8px 0;
	}
	.back {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
</style>
