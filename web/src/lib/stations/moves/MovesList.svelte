<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import type { Venue } from '$lib/model/venue';
	import { when } from '$lib/sheet/when';
	import { movePath } from './address';
	import type { Move, SavedMove } from './model';
	import SmallMove from './SmallMove.svelte';
	import { seconds } from './words';

	/** Every move of a crew, each with its way drawn small, and a field to find one by name, job, venue or what carries it. */
	interface Props {
		moves: readonly (SavedMove & { readonly at: string })[];
		venues: readonly Venue[];
	}
	let { moves, venues }: Props = $props();
	const venueName = (id: string | null) => venues.find((each) => each.id === id)?.name ?? 'an empty floor';
	const planOf = (id: string | null) => venues.find((each) => each.id === id)?.plan ?? null;
	/** So many are drawn at first; more when they are asked for. */
	const firstShown = 24;
	let whole = $state(false);
	let search = $state('');
	const found = $derived(
		moves.filter(({ move }) =>
			[move.name, move.job, venueName(move.venueId), move.support.gearName].some((words) =>
				words.toLowerCase().includes(search.trim().toLowerCase())
			)
		)
	);
	const lasts = ({ knots }: Move) => {
		const [first, last] = [knots[0]!, knots[knots.length - 1]!];
		return seconds(last.tS + last.dwellS - first.tS);
	};
</script>

{#if moves.length > firstShown}
	<label class="find"
		>Find a move <TextInput type="search" bind:value={search} autocomplete="off" data-testid="find-move" /></label
	>
{/if}
<ul class="list" data-testid="moves">
	{#each whole ? found : found.slice(0, firstShown) as { id, move, at } (id)}
		<li>
			<a class="thumb" href={movePath(id)} tabindex="-1" aria-hidden="true"
				><SmallMove {move} plan={planOf(move.venueId)} width={170} height={104} /></a
			>
			<a href={movePath(id)}><strong>{move.name}</strong></a>
			<span class="quiet">{venueName(move.venueId)}{move.job === '' ? '' : ` · ${move.job}`}</span>
			<span class="quiet">{move.support.gearName} · {move.knots.length} knots, {lasts(move)} · {when(at)}</span>
		</li>
	{:else}
		<li class="quiet" role="status">No move is called so.</li>
	{/each}
</ul>
{#if found.length > firstShown && !whole}
	<Button class="tool" onclick={() => (whole = true)}>Show all {found.length}</Button>
{/if}

<style>
	.list {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(500px, 100%), 1fr));
		gap: 0 32px;
	}
	.list li {
		display: grid;
		grid-template-columns: 170px minmax(0, 1fr);
		grid-template-rows: auto auto 1fr;
		gap: 0 16px;
		border-top: 1px solid var(--rule);
		padding: 10px 0;
	}
	.list li.quiet {
		display: block;
	}
	.thumb {
		grid-row: 1 / 4;
		border: 1px solid var(--rule);
	}
	.list a:not(.thumb) {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		font-size: 18px;
	}
	.find {
		display: flex;
		gap: 10px;
		align-items: center;
		margin-bottom: 12px;
		font-size: 15px;
	}
	.find :global(input) {
		min-height: 44px;
		flex: 0 1 320px;
	}
	@media (max-width: 600px) {
		.list li {
			grid-template-columns: 112px minmax(0, 1fr);
		}
	}
</style>
