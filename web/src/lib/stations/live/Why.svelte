<script lang="ts">
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { wayTo } from './reach';
	import { axisWords, cableWords, seconds, troubleOf, watchTroubleOf } from './words';

	/** Under the headline: how long and how far, what holds it up, and what its cable means for the hold. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const task = $derived(head?.task ?? null);
	const running = $derived(task !== null && task.phase === 'runs');
	const left = $derived(task === null || task.durationS === null ? null : Math.max(0, task.durationS - task.atS));
	const beyond = $derived(head?.next?.to == null ? null : (wayTo(head, bench.at, head.next.to, null)?.beyond ?? null));
	/** Since when this page drives it: a link is known by what came over it. */
	let sinceMs = $state(performance.now());
	$effect(() => {
		void [bench.chosenId, bench.mine];
		sinceMs = performance.now();
	});
	const cable = $derived(
		head === null ? null : cableWords(head, deskWire.page, (performance.now() - sinceMs + 0 * head.headMs) / 1000)
	);
	const trouble = $derived(troubleOf(head?.trouble ?? null));
	const watch = $derived(watchTroubleOf(head?.watchTrouble ?? null));
	const ring = $derived(head?.next?.kind === 'ring' ? head.next.name : null);
</script>

{#if head !== null}
	<p class="detail" data-testid="live-why">
		{#if bench.armed && ring !== null}{Math.round((head.found[ring] ?? 0) * 100)} % of its search is done. It turns to both
			ends; let go, and it begins anew with the next hold.
		{:else if task?.watchedFor != null}Watched by {task.watchedFor}, no hand holds it.{left === null
				? ''
				: ` ${seconds(left)} to ${task.legs[task.leg] ?? 'its end'}.`} End it here, or stop everything.
		{:else if running}{left === null ? '' : `${seconds(left)} to go. `}Let go and it stops on its way.{head.next ===
			null
				? ''
				: ` Next: ${head.next.name}.`}
		{:else if bench.armed && head.next !== null}Next: <strong>{head.next.name}</strong>. Let go and hold again, or
			Enter.
		{:else if bench.along.length > 0}One press for all of them; let go and each stops on its way.
		{:else if bench.next.does === 'go' && bench.waitingS !== null}
			{seconds(bench.waitingS)}{head.next?.kind === 'programme' ? ' a lap' : ''}{beyond === null
				? ''
				: ', as far as its soft end lets it'}, as computed from its speeds.
		{:else if bench.next.does === 'ring'}It turns the ring to both its ends and learns where they are: keep holding
			until it has. Nothing on the lens may stop it.
		{:else if (bench.next.does === 'goOn' || bench.next.does === 'back') && left !== null && task !== null}
			{seconds(task.turned ? task.atS : left)} of its way, as computed from its speeds.
		{:else}{head.watched ? 'It may also run while it is watched.' : 'It moves only while somebody holds.'}{/if}
	</p>
	{#if bench.waiting?.takenOn !== undefined}<p class="detail" data-testid="taken-on">{bench.waiting.takenOn}</p>{/if}
	{#if head.stuckAxis !== null}
		<p class="warning" role="alert" data-testid="stuck">
			Stuck: <strong>{axisWords(head.stuckAxis)}</strong> does not come along. Hands off the hold, free it, then hold again;
			keep fingers out of its gears.
		</p>
	{/if}
	{#if cable !== null}<p class="warning" role="status" data-testid="cable">{cable}</p>{/if}
	{#if trouble !== null && !running}<p class="warning" role="status" data-testid="trouble">{trouble}</p>{/if}
	{#if watch !== null}<p class="warning" role="status" data-testid="watch-trouble">{watch}</p>{/if}
{/if}
