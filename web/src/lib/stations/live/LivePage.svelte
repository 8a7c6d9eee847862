<script lang="ts">
	import '$lib/shell/bench.css';
	import { onMount, untrack } from 'svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import { isTyping } from '$lib/sheet/keys';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { keysNow } from '$lib/shell/keysNow.svelte';
	import { wholeOf } from './headline';
	import HeadStrip from './HeadStrip.svelte';
	import { LiveBench, type LiveData, shareLive } from './liveBench.svelte';
	import LiveLens from './LiveLens.svelte';
	import LiveSlip from './LiveSlip.svelte';
	import LiveStage from './LiveStage.svelte';

	interface Props {
		data: LiveData;
	}
	let { data }: Props = $props();
	// svelte-ignore state_referenced_locally
	const bench = shareLive(new LiveBench(data));
	$effect(() => {
		const fresh = data;
		untrack(() => (bench.data = fresh));
	});
	let workWidth = $state(760);
	const stageWidth = $derived(workWidth >= 680 && bench.head !== null ? Math.round(workWidth * 0.66) : workWidth);
	let workHeight = $state(0);
	/** As much as the strips leave it. */
	const strips = $derived(bench.heads.filter(({ link, headId }) => headId !== null || link === 'free'));
	const stageHeight = $derived(
		Math.round(
			Math.max(280, Math.min(560, stageWidth * 0.9, workWidth < 680 ? 320 : workHeight - 61 * strips.length - 70))
		)
	);

	onMount(() => {
		const endWire = deskWire.begin(true);
		const endBench = bench.begin();
		return () => {
			endBench();
			keysNow.clear();
			endWire();
		};
	});
	const shot = (k: number) => {
		const offer = bench.offered[k];
		if (offer !== undefined && offer.why === null) bench.aim(offer.pose);
	};
	/** Takes a head that nobody drives; or goes on with what stands by, by a press of its own, while the hold is down. */
	const enter = () => {
		if (
			bench.head !== null &&
			bench.head.driver === null &&
			bench.next.does === 'nothing' &&
			bench.next.why === 'looking'
		)
			return bench.take();
		return bench.go();
	};
	// A head that comes into this hand, taken or given, takes the stick up as this page has it.
	$effect(() => {
		if (bench.mine) untrack(() => bench.shape());
	});
	// The key card says what the keys do now, by the same answer as the headline.
	$effect(() => keysNow.say([['Space, now', wholeOf(bench.said)]]));
	const keys = pageKeys({
		anywhere: { Escape: () => deskWire.stopAll() },
		outsideControls: { Enter: enter },
		outsideFields: {
			Backspace: () => bench.back()
		}
	});
	/** While a head is in hand, digits are its shots and no stations; the dead-man is Space, wherever the hand is but in a field. */
	function first(event: KeyboardEvent) {
		if (isTyping(event)) return;
		if (event.code === 'Space') {
			event.preventDefault();
			event.stopPropagation();
			if (!event.repeat) bench.press();
			return;
		}
		const digit =
			/^[1-9]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey ? Number(event.key) : null;
		// Also while it is only looked at: a digit that led to another station would let go of every head in hand.
		if (digit !== null && bench.head !== null) {
			event.stopPropagation();
			event.preventDefault();
			shot(digit - 1);
		}
	}
	function letUp(event: KeyboardEvent) {
		if (event.code !== 'Space') return;
		// A hand that lets go is heard wherever the page has the keyboard.
		bench.release();
		if (!isTyping(event)) event.preventDefault();
	}
</script>

<svelte:window onkeydowncapture={first} onkeyupcapture={letUp} onkeydown={keys} />

<h1 class="sr-only">Live</h1>
<div class="bench live">
	<section class="work" aria-label="The heads" bind:clientWidth={workWidth} bind:clientHeight={workHeight}>
		<div class="above">
			<LiveStage width={stageWidth} height={stageHeight} />
			{#if bench.head !== null && bench.kept !== null}<div class="lens"><LiveLens /></div>{/if}
		</div>
		<div class="strips" data-testid="strips">
			{#each strips as head (head.id)}
				<HeadStrip {head} />
			{:else}
				<p class="quiet">No head is here. One that has power announces itself; claim it then.</p>
			{/each}
		</div>
		<p class="links"><a href="/live/claim">Claim a head</a><a href="/live/boxes">The simulated heads</a></p>
	</section>
	<section class="answer-column" aria-label="What happens next">
		<LiveSlip />
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
	}
	.above {
		display: flex;
		flex-wrap: wrap;
		border-bottom: 2px solid var(--rule);
	}
	.lens {
		flex: 1 1 220px;
		min-width: 0;
		padding: 10px 12px;
		border-left: 1px solid var(--rule);
	}
	@media (max-width: 900px) {
		.live {
			padding-bottom: 84px;
		}
	}
	.quiet {
		padding: 16px 18px;
		color: var(--quiet);
	}
	.links {
		display: flex;
		gap: 24px;
		padding: 6px 18px 16px;
	}
	.links a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
</style>
