<script lang="ts">
	import { onMount } from 'svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import type { HeadSeen } from '@poise/desk/messages';
	import { pageKeys } from '$lib/sheet/keys';
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
	const ours = $derived(deskWire.heads.filter(({ headId }) => headId !== null));
	const moves = ({ phase }: HeadSeen) => phase === 'armed' || phase === 'stopping';
	const held = $derived(ours.filter(moves));
	/** Whoever drives one may hold it any moment: it can move. */
	const canMove = $derived(ours.filter((head) => head.link === 'here' && (moves(head) || head.driver !== null)));
	const anyHeld = $derived(canMove.length > 0);
	const shown = $derived(!within && (anyHeld || stays || deskWire.stoppedBy !== null));
	const keys = pageKeys({
		anywhere: { Escape: () => (shown && deskWire.stoppedBy === null ? deskWire.stopAll() : false) }
	});
	$effect(() => {
		if (anyHeld) stays = true;
		else {
			const ends = setTimeout(() => (stays = false), staysMs);
			return () => clearTimeout(ends);
		}
	});
	// On the day line: between the marks while whoever moves is held or nothing does; to the left when everything is stopped, to the
	// right when a head is away.
	const away = $derived(ours.filter(({ link }) => link !== 'here').length);
	$effect(() =>
		showStation(
			'live',
			deskWire.stoppedBy !== null
				? { offset: -3, words: 'everything is stopped' }
				: ours.length === 0 || !deskWire.linked || away === ours.length
					? { offset: null, words: ours.length === 0 ? 'no head is here' : 'every head is away' }
					: {
							offset: away > 0 ? 2 : held.length > 0 ? 0.4 : 0,
							words: `${ours.length - away} of ${ours.length} heads here, ${held.length} held`
						}
		)
	);
	const called = (number: number | null, name: string) => (number === null ? name : `${number} ${name}`);
</script>

<svelte:window onkeydown={keys} />

{#if !within && deskWire.stopOwed}
	<p class="band" role="alert">Your stop has not reached the desk: stop what moves at the head itself.</p>
{:else if shown}
	<div class="band" role="status" data-testid="hold-band">
		{#if deskWire.stoppedBy !== null}
			<p><strong>Everything is stopped</strong> by {deskWire.stoppedBy}.</p>
			<a href="/live">To the desk</a>
		{:else}
			<p>
				{#each canMove as head (head.id)}
					<span class="one"
						><strong>{called(head.number, head.name)}</strong>
						{#if head.phase === 'armed'}held by {head.holder ?? 'nobody'}, {head.heldS.toFixed(0)} s{:else if head.phase === 'stopping'}brakes{:else}driven
							by {head.driver?.name}, not held{/if}</span
					>
				{:else}No head is driven now.{/each}
			</p>
			<Button class="stop" onclick={() => deskWire.stopAll()} data-testid="band-stop">Stop everything · Esc</Button>
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
