<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { tooNear } from '$lib/places/clearance';
	import type { HeadSeen } from '@poise/desk/messages';
	import { NewestTrial } from '$lib/places/newestTrial.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { showDistance, showLength, together } from '$lib/sheet/units/display';
	import { sharedLive } from './liveBench.svelte';
	import { flexWords } from '$lib/model/flex';
	import { liveFlex, type RoomAnswer, type RoomQuestion, roomM, roomQuestion, triedCamera } from './room';

	/** The way that waits, tried against the plan: what it comes near to. Computed, and said so. */
	interface Props {
		/** Whose way. */
		head: HeadSeen;
	}
	let { head }: Props = $props();
	const bench = sharedLive();
	const chosen = $derived(head.id === bench.chosenId);
	const waiting = $derived(bench.waitingOf(head));
	const kept = $derived(bench.data.heads.find(({ boxId }) => boxId === head.id) ?? null);
	const venue = $derived(bench.data.venues.find(({ id }) => id === (kept?.venueId ?? bench.venueId)) ?? null);
	const at = $derived(chosen ? bench.at : head.at);
	const units = $derived(bench.data.person.units);
	const far = (m: number) => together(showDistance(Math.max(0, m), units));
	let trial = $state.raw<NewestTrial<RoomQuestion, RoomAnswer> | null>(null);
	onMount(() => {
		const made = new NewestTrial<RoomQuestion, RoomAnswer>(
			new Worker(new URL('./room.worker.ts', import.meta.url), { type: 'module' }),
			{
				broken: 'It could not be tried against the plan here: reload the page. Watch its whole way.',
				untried: 'It could not be tried against the plan. Watch its whole way.'
			}
		);
		trial = made;
		return () => made.stop();
	});
	/** It is asked anew when the target is another, or the head stands elsewhere by more than a hand sees. */
	const from = $derived(
		JSON.stringify(Object.fromEntries(Object.entries(at).map(([axis, value]) => [axis, Number(value.toFixed(2))])))
	);
	/** What it can do, as the desk keeps it. */
	const axes = $derived(JSON.stringify(head.axes));
	$effect(() => {
		const [asks, way, of, where] = [trial, waiting, kept, venue];
		void from;
		const can = JSON.parse(axes) as RoomQuestion['axes'];
		untrack(() =>
			asks?.ask(
				way === null || of === null
					? null
					: roomQuestion({
							...{ place: of.settings.place, at: { ...at }, axes: can },
							...{ legs: way.legs, loops: way.kind === 'programme', plan: where?.plan ?? null },
							lens: of.settings.camera.lens ?? null
						})
			)
		);
	});
	const flex = $derived(
		kept === null ? null : liveFlex({ place: kept.settings.place, axes: JSON.parse(axes) as RoomQuestion['axes'] })
	);
	const nearest = $derived(trial?.answer?.[0] ?? null);
	const bad = $derived(nearest !== null && tooNear(nearest.finding));
	$effect(() => {
		const unsure = bad || trial === null || trial.pending || trial.answer === null;
		if (chosen) bench.wayUnsure = unsure;
	});
	const legName = $derived(nearest === null ? '' : (waiting?.legs[nearest.leg % waiting.legs.length]?.name ?? ''));
	const many = $derived((waiting?.legs.length ?? 0) > 1);
</script>

{#if waiting !== null}
	<p class:warning={bad || (trial?.problem ?? '') !== ''} class="room" role="status" data-testid="room-said">
		{#if !chosen}<strong>{head.number}</strong>:
		{/if}{#if venue === null}There is no plan to try it against: watch its whole way.
		{:else if trial?.problem}{trial.problem}
		{:else if trial === null || trial.pending || trial.answer === null}Trying it against the plan …
		{:else if nearest === null}By the plan, nothing is near its way.
		{:else if bad}By the plan it comes {nearest.finding.clearanceM <= 0
				? 'into'
				: `within ${far(nearest.finding.clearanceM)} of`}
			<strong>{nearest.finding.label || 'something without a name'}</strong>{many ? `, on its way to ${legName}` : ''}.
			Watch it there, or choose another way.
		{:else}By the plan it keeps {far(nearest.finding.clearanceM)} from {nearest.finding.label ||
				'the nearest thing'}{many ? `, on its way to ${legName}` : ''}.{/if}
	</p>
	<details class="how">
		<summary>How it was tried</summary>
		<p>
			Computed for a camera {far(triedCamera.backM + triedCamera.frontM)} long, {far(2 * triedCamera.radiusM)} thick, {far(
				roomM
			)} asked{flex === null ? '' : ` and ${flexWords(flex, (m) => together(showLength(m, units)))}`}; what it coasts
			when its link is lost is taken off. What is not on the plan is not in it: people, cables, doors.
		</p>
	</details>
	{#if (bad || venue === null || (trial?.problem ?? '') !== '') && chosen && bench.loops && head.watched}
		<label class="seen"
			><Tick
				checked={bench.sawItFree === waiting.id}
				onchange={(event) => (bench.sawItFree = event.currentTarget.checked ? (waiting?.id ?? null) : null)}
				data-testid="saw-it-free"
			/> I held it through this way and saw it free</label
		>
	{/if}
{/if}

<style>
	.how {
		font-size: 14px;
		color: var(--quiet);
		margin-top: -12px;
	}
	.how summary {
		cursor: pointer;
		min-height: 28px;
		display: flex;
		align-items: center;
	}
	.seen {
		display: flex;
		gap: 10px;
		align-items: center;
		min-height: 48px;
	}
</style>
