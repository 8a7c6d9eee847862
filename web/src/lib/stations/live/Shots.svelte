<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { sharedLive } from './liveBench.svelte';
	import PoseStill from './PoseStill.svelte';
	import { timeOf } from './reach';
	import { legsOf } from './runs';
	import { seconds } from './words';

	/** Where the head in hand can go from where it stands: what is pressed stands by, and a hold goes there. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const kept = $derived(bench.kept);
	const next = $derived(head?.next ?? null);
	const is = (kind: string, name: string) => next?.kind === kind && next.name === name;
	const onWay = $derived(
		head?.task != null && head.task.phase !== 'done' ? (head.task.legs[head.task.leg] ?? null) : null
	);
	const programmes = $derived(
		(kept?.settings.programmes ?? []).map((programme) => ({
			programme,
			lapS: head === null ? null : timeOf(head, bench.at, legsOf(head, programme, bench.data.poses))
		}))
	);
</script>

<h2>From here it can go to</h2>
<ol class="shots" data-testid="shots">
	{#each bench.offered.slice(0, 9) as { pose, durationS, why, here }, index (pose.id)}
		<li>
			<Button
				class="shot"
				disabled={why !== null}
				aria-pressed={is('pose', pose.name)}
				onclick={() => bench.aim(pose)}
				data-testid="shot"
			>
				<kbd>{index + 1}</kbd>
				<span class="name"
					>{pose.name}{#if is('pose', pose.name)}<small class="there">next</small>{:else if here}<small class="there"
							>stands there</small
						>{:else if onWay === pose.name}<small class="there">on its way</small>{/if}</span
				>
				{#if kept !== null}<PoseStill
						settings={kept.settings}
						values={pose.values}
						at={bench.at}
						plan={bench.venue?.plan ?? null}
						name={pose.name}
					/>{/if}
				<span class="figure">{durationS === null || here ? '' : seconds(durationS)}</span>
			</Button>
			{#if why !== null}<small class="why">Not offered: {why}.</small>{/if}
		</li>
	{:else}
		<li class="quiet">No pose yet. Drive it to one and keep it.</li>
	{/each}
	<li>
		<Button class="shot" aria-pressed={is('home', 'home')} onclick={() => bench.home()} data-testid="home">
			<kbd aria-hidden="true">⌂</kbd><span class="name">home</span><span class="figure wide">pan, tilt 0</span>
		</Button>
	</li>
	{#if head?.last != null}
		<li>
			<Button
				class="shot"
				aria-pressed={is('back', head.last.name)}
				onclick={() => bench.back()}
				data-testid="last-pose"
			>
				<kbd aria-hidden="true">⌫</kbd><span class="name">back to {head.last.name}</span>
			</Button>
		</li>
	{/if}
	{#each programmes as { programme, lapS } (programme.id)}
		<li>
			<Button
				class="shot"
				aria-pressed={is('programme', programme.name)}
				onclick={() => bench.loop(programme)}
				data-testid="programme"
			>
				<kbd aria-hidden="true">↻</kbd><span class="name">{programme.name}</span><span class="figure wide"
					>{lapS === null ? '' : `${seconds(lapS)} a lap, `}{programme.laps === null
						? 'until ended'
						: `${programme.laps} laps`}</span
				>
			</Button>
		</li>
	{/each}
</ol>

<style>
	h2 {
		font-size: 15px;
	}
	.shots {
		display: grid;
	}
	.shots li {
		border-top: 1px solid var(--rule);
	}
	.shots :global(.shot) {
		display: grid;
		grid-template-columns: 34px 1fr auto 76px;
		gap: 10px;
		align-items: center;
		width: 100%;
		min-height: 48px;
		text-align: left;
		font-size: 17px;
	}
	.shots :global(.shot:hover),
	.shots :global(.shot[aria-pressed='true']) {
		background: var(--press-wash);
	}
	.shots :global(.shot:disabled) {
		color: var(--quiet);
	}
	kbd {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-family: var(--font-mono);
		font-size: 15px;
	}
	.name {
		font-weight: 700;
	}
	.there {
		margin-left: 10px;
	}
	.name small {
		font-weight: 400;
		color: var(--quiet);
	}
	.figure {
		text-align: right;
		grid-column: 4;
		white-space: nowrap;
		font-family: var(--font-mono);
	}
	.figure.wide {
		grid-column: 3 / -1;
		font-size: 15px;
	}
	.why,
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
</style>
