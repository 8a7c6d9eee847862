<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import Asking from './Asking.svelte';
	import Carry from './Carry.svelte';
	import Hand from './Hand.svelte';
	import HandFeel from './HandFeel.svelte';
	import KeepPose from './KeepPose.svelte';
	import { sharedLive } from './liveBench.svelte';
	import MovesForHead from './MovesForHead.svelte';
	import RoomSaid from './RoomSaid.svelte';
	import Shots from './Shots.svelte';
	import WatchIt from './WatchIt.svelte';
	import WayLever from './WayLever.svelte';
	import Why from './Why.svelte';
	import { coastOf } from './reach';
	import { axisWords, placeWords, seconds } from './words';

	/** The desk's one answer: what the next hold does, the hold itself with all that steers, and what else can be chosen. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const kept = $derived(bench.kept);
	const me = $derived(bench.data.person.name);
	const clock = $derived(new Date(deskWire.heads.length >= 0 ? Date.now() : 0).toTimeString().slice(0, 8));
	const why = $derived(bench.next.does === 'nothing' ? bench.next.why : null);
	/** How far its axes go on alone, at the worst. */
	const goesOn = $derived.by(() => {
		if (head === null || Object.keys(head.axes).length === 0) return '';
		const { travel } = coastOf(head);
		return Object.entries(travel)
			.filter(([axis]) => head.axes[axis]?.ring === false)
			.map(([axis, far]) => `${placeWords(axis, far, bench.data.person.units)} ${axisWords(axis)}`)
			.join(', ');
	});
	const claimable = $derived(deskWire.heads.some(({ link }) => link === 'free'));
</script>

<Slip heading={head === null ? 'The desk' : `${head.number ?? ''} ${head.name} · ${clock}`}>
	{#snippet answer()}
		<span data-testid="live-answer"
			>{bench.said.before}
			{#if bench.said.strong !== ''}<strong>{bench.said.strong}</strong>{/if}
			{bench.said.after}</span
		>
	{/snippet}
	{#if why === 'stopped'}
		<p class="detail">
			Every head rests, none arms, and nothing stands by any more. Look at what made somebody stop it, then clear it by
			your name.
		</p>
		<Button class="go" onclick={() => deskWire.say({ type: 'clear' })} data-testid="clear">Clear it as {me}</Button>
	{:else if why === 'noDesk'}
		{#if deskWire.stopOwed}
			<p class="warning" role="alert" data-testid="stop-owed">
				Your stop has not reached the desk: stop what moves at the head itself. It is sent as soon as the link is back.
			</p>
		{/if}
		<p class="detail">Heads rest by themselves whenever nobody holds them. This page links again by itself.</p>
	{:else if why === 'noHead'}
		{#if bench.data.heads.length === 0 || deskWire.heads.length === 0}
			<p class="detail">
				A head announces itself on the network once it has power. Claim one at a time: switch on only this one, it shows
				seven digits, you type them.
			</p>
			<a class="go" href="/live/claim" data-testid="to-claim">Claim a head</a>
		{:else}
			<p class="detail">Press its circle on the plan, or its strip below it. Looking at a head changes nothing.</p>
		{/if}
	{:else if why === 'away'}
		<p class="detail">
			It has not been heard: look at its power and its cable. It rests by itself, and what stood by for it is dropped.
		</p>
	{:else if why === 'unclaimed'}
		<a class="go" href="/live/claim">Claim it</a>
	{:else}
		<Asking />
		{#if bench.mine}
			<Why />
			{#each head === null ? [] : [head, ...bench.along] as each (each.id)}<RoomSaid head={each} />{/each}
			{#if bench.along.length > 0}
				<ul class="along" data-testid="along">
					{#each head === null ? [] : [head, ...bench.along] as each (each.id)}
						<li>
							<strong>{each.number}</strong>
							{each.next === null ? 'goes on to' : 'to'}
							{each.next?.name ?? each.task?.legs[each.task.leg] ?? ''}{#if bench.waitsFor(each) !== null}, {seconds(
									bench.waitsFor(each) ?? 0
								)}{/if}
						</li>
					{/each}
				</ul>
				<p class="detail">
					Each by its own hold: one that loses its link stops alone. They are not tried against each other: watch where
					they come near one another.
				</p>
			{/if}
			{#if why === 'watched'}
				<WayLever />
			{:else}
				<Hand />
				<WatchIt />
				<WayLever />
				<Carry />
			{/if}
		{/if}
		{#if bench.told !== ''}<p class="warning" role="status">{bench.told}</p>{/if}
		{#if bench.mine && why !== 'watched'}
			<Shots />
			<KeepPose />
			<MovesForHead />
			<HandFeel />
			{#if goesOn !== ''}
				<p class="detail" data-testid="coast">
					Its link lost at full speed, it goes on by {goesOn} before it rests: keep that free.
				</p>
			{/if}
		{:else if head !== null && head.task?.watchedFor != null}
			<Button class="second" onclick={() => bench.drop()} data-testid="stick-takes">End it</Button>
		{/if}
		<p class="caution">
			{kept?.settings.place.stands === 'arm'
				? 'An arm moves without warning: nobody under it, a spotter at it, the hand on the hold and the eyes on the arm.'
				: 'A head moves without warning: a marked zone, no hands or faces in it, eyes on it while you hold.'}
		</p>
	{/if}
	{#if claimable && bench.data.heads.length > 0}<a class="second" href="/live/claim">A head is free: claim it</a>{/if}
</Slip>
<div class="always">
	<Button class="stop-everything" onclick={() => deskWire.stopAll()} data-testid="stop-all"
		>Stop everything · Esc</Button
	>
</div>

<style>
	.along {
		display: grid;
		gap: 4px;
		font-size: 17px;
	}
	.always {
		position: sticky;
		bottom: -28px;
		margin-top: 10px;
		padding: 10px 0 14px;
		background: var(--ground);
		z-index: 2;
	}
	@media (max-width: 900px) {
		.always {
			position: fixed;
			left: 0;
			right: 0;
			bottom: 0;
			padding: 8px 12px;
			border-top: 1px solid var(--rule);
		}
	}
	.always :global(.stop-everything) {
		width: 100%;
		min-height: 60px;
		border-radius: 6px;
		background: var(--clay);
		color: var(--ground);
		font-size: 20px;
		font-weight: 700;
		touch-action: manipulation;
	}
</style>
