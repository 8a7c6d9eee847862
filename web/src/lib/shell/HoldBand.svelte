<script lang="ts">
	import { onMount } from 'svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { showStation } from './live.svelte';
	import { deskWire } from './deskWire.svelte';

	/** On every screen while anything moves or is stopped: who holds which heads, how long, and the stop of everything. */
	interface Props {
		/** The page shows all of it itself. */
		within: boolean;
	}
	let { within }: Props = $props();
	onMount(() => deskWire.begin(false));
	/** A hand on its way to the stop still finds it there, when what moved has just come to rest. */
	const staysMs = 5000;
	let stays = $state(false);
	const held = $derived(deskWire.heads.filter(({ phase }) => phase === 'armed' || phase === 'stopping'));
	const anyHeld = $derived(held.length > 0);
	$effect(() => {
		if (anyHeld) stays = true;
		else {
			const ends = setTimeout(() => (stays = false), staysMs);
			return () => clearTimeout(ends);
		}
	});
	// On the day line: between the marks while whoever moves is held or nothing does; to the left when everything is stopped, to the
	// right when a head is away.
	const ours = $derived(deskWire.heads.filter(({ headId }) => headId !== null));
	const away = $derived(ours.filter(({ link }) => link !== 'here').length);
	$effect(() =>
		showStation(
			'live',
			deskWire.stoppedBy !== null
				? { offset: -3, words: 'everything is stopped' }
				: ours.length === 0 || !deskWire.linked
					? { offset: null, words: 'no head is here' }
					: {
							offset: away > 0 ? 2 : held.length > 0 ? 0.4 : 0,
							words: `${ours.length - away} of ${ours.length} heads here, ${held.length} held`
						}
		)
	);
	const called = (number: number | null, name: string) => (number === null ? name : `${number} ${name}`);
</script>

{#if !within && deskWire.stopOwed}
	<p class="band" role="alert">Your stop has not reached the desk: stop what moves at the head itself.</p>
{:else if !within && (anyHeld || stays || deskWire.stoppedBy !== null)}
	<div class="band" role="status" data-testid="hold-band">
		{#if deskWire.stoppedBy !== null}
			<p><strong>Everything is stopped</strong> by {deskWire.stoppedBy}.</p>
			<a href="/live">To the desk</a>
		{:else}
			<p>
				{#each held as { id, number, name, holder, heldS } (id)}
					<span class="one"
						><strong>{called(number, name)}</strong> held by {holder ?? 'nobody'}, {heldS.toFixed(0)} s</span
					>
				{:else}No head is held now.{/each}
			</p>
			<Button class="stop" onclick={() => deskWire.stopAll()} data-testid="band-stop">Stop everything</Button>
		{/if}
	</div>
{/if}

<style>
	.band {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 4px 20px;
		padding: 4px 26px;
		background: var(--clay-wash);
		border-bottom: 2px solid var(--clay);
	}
	.one {
		margin-right: 18px;
		font-variant-numeric: tabular-nums;
	}
	.band :global(.stop) {
		min-height: 44px;
		padding: 0 18px;
		border-radius: 6px;
		background: var(--clay);
		color: var(--ground);
		font-weight: 700;
		font-size: 17px;
	}
	a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		font-weight: 700;
	}
</style>
