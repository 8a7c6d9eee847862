<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { differences } from './fits';
	import { sharedLive } from './liveBench.svelte';
	import { timeOf } from './reach';
	import { legsOfMove } from './runs';
	import { seconds } from './words';

	/** Moves of the station before, played on this head, where it stands as the move has it: to the end or a knot, forwards or backwards. */
	const bench = sharedLive();
	const moves = $derived(bench.data.moves);
	let chosenId = $state('');
	const move = $derived(moves.find(({ id }) => id === chosenId) ?? moves[0] ?? null);
	let toKnot = $state('');
	let backwards = $state(false);
	let problem = $state('');
	const differs = $derived(
		move === null || bench.kept === null || bench.head === null
			? []
			: differences(move, bench.kept, bench.head, bench.data.person.units)
	);
	const refused = $derived(differs.some(({ acceptable }) => !acceptable));
	/** Of this move on this head, what somebody has taken on. */
	let accepted = $state.raw<ReadonlySet<string>>(new Set());
	const keyOf = (key: string) => `${bench.chosenId}/${move?.id}/${key}`;
	const open = $derived(differs.filter(({ key }) => !accepted.has(keyOf(key))));
	const how = $derived({ backwards, toKnot: toKnot === '' ? null : Number(toKnot) });
	const lastsS = $derived(
		move === null || bench.head === null ? null : timeOf(bench.head, bench.at, legsOfMove(bench.head, move, how))
	);
	function accept(key: string, is: boolean) {
		accepted = new Set([...accepted].filter((each) => each !== keyOf(key)).concat(is ? [keyOf(key)] : []));
	}
	async function poses() {
		if (move !== null) problem = (await bench.keepKnots(move)) ?? '';
	}
</script>

{#if move !== null}
	<details data-testid="moves-for-head">
		<summary>Play a move</summary>
		<div class="row">
			<label
				>move <Choice
					value={move.id}
					onchange={(event) => (chosenId = event.currentTarget.value)}
					data-testid="play-move"
				>
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
		{#if differs.length > 0}
			<div class="warning" role="status" data-testid="move-differs">
				<p>
					{refused
						? 'Not on this head.'
						: 'It was planned otherwise. What differs, somebody takes on by name, or it is not run:'}
				</p>
				<ul>
					{#each differs as { key, words, acceptable } (key)}
						<li>
							{#if acceptable && !refused}
								<label class="line"
									><Tick
										checked={accepted.has(keyOf(key))}
										onchange={(event) => accept(key, event.currentTarget.checked)}
										data-testid="accept-{key}"
									/>
									{words}
									{accepted.has(keyOf(key)) ? `${bench.data.person.name} has taken that on.` : ''}</label
								>
							{:else}{words}{/if}
						</li>
					{/each}
				</ul>
			</div>
		{/if}
		<div class="row">
			<Button
				class="second"
				disabled={refused || open.length > 0}
				onclick={() =>
					move !== null &&
					bench.play(
						move,
						how,
						differs.map(({ words }) => words)
					)}
				data-testid="play-it">Stand by for it</Button
			>
			<Button class="second" disabled={refused} onclick={poses} data-testid="knots-as-poses">Its knots as poses</Button>
		</div>
		{#if problem !== ''}<p class="warning" role="alert">{problem}</p>{/if}
		<p class="quiet">
			First to its start, then through it{lastsS === null || refused ? '' : `: ${seconds(lastsS)} from here`}. The first
			time slowly, by the speed lever.
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
