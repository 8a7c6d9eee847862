<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { seconds } from './words';

	/** Moves of the station before, played on this head: to the end or a knot, forwards or backwards. */
	const bench = sharedLive();
	const moves = $derived(
		bench.data.moves.filter(
			({ venueId, keys }) =>
				(venueId === null || venueId === bench.venueId) &&
				Object.keys(keys[0]?.values ?? {}).some((axis) => bench.head?.ready.includes(axis))
		)
	);
	let chosenId = $state('');
	const move = $derived(moves.find(({ id }) => id === chosenId) ?? moves[0] ?? null);
	let toKnot = $state('');
	let backwards = $state(false);
	let problem = $state('');
	async function poses() {
		if (move !== null) problem = (await bench.keepKnots(move)) ?? '';
	}
</script>

{#if move !== null}
	<details data-testid="moves-for-head">
		<summary>Play a move</summary>
		<div class="row">
			<label
				>move <Choice bind:value={chosenId} data-testid="play-move">
					{#each moves as each (each.id)}<option value={each.id}>{each.name}, {seconds(each.durationS)}</option>{/each}
				</Choice></label
			>
			<label
				>to <Choice bind:value={toKnot}>
					<option value="">its end</option>
					{#each move.knots as knot, k (knot.id)}{#if k > 0}<option value={String(k)}>{knot.name}</option>{/if}{/each}
				</Choice></label
			>
			<label class="line"
				><Tick checked={backwards} onchange={(event) => (backwards = event.currentTarget.checked)} /> backwards</label
			>
		</div>
		<div class="row">
			<Button
				class="second"
				onclick={() => move !== null && bench.play(move, { backwards, toKnot: toKnot === '' ? null : Number(toKnot) })}
				data-testid="play-it">Stand by for it</Button
			>
			<Button class="second" onclick={poses} data-testid="knots-as-poses">Its knots as poses</Button>
		</div>
		{#if problem !== ''}<p class="warning" role="alert">{problem}</p>{/if}
		<p class="quiet">
			It runs the move’s own axes, so it fits a head that stands as the move has it. First to its start, then through
			it; the first time slowly, by the speed lever.
		</p>
	</details>
{/if}

<style>
	summary {
		min-height: 44px;
		display: flex;
		align-items: center;
		font-weight: 700;
		cursor: pointer;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		align-items: center;
		margin-bottom: 8px;
		font-size: 15px;
	}
	.row :global(select) {
		min-height: 44px;
		max-width: 100%;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	.quiet {
		font-size: 14px;
		color: var(--quiet);
	}
</style>
