<script lang="ts">
	/* eslint-disable max-lines -- one sheet: the book, one recipe beside today, and the day's shots are read together. */
	import { goto, invalidate } from '$app/navigation';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { ask } from '$lib/keeping/ask';
	import { when } from '$lib/sheet/when';
	import type { Person } from '$lib/model/person';
	import { feelPath } from './address';
	import DayShots from './DayShots.svelte';
	import { sharedFeel } from './feelBench.svelte';
	import LogRecipe from './LogRecipe.svelte';
	import { type Recipe, settingNames } from './model';
	import { differences, differenceWords } from './recipes';
	import { peopleWords, postureWords } from './which';
	import { degrees, focalWords, ownFigure, percent, seconds } from './words';

	interface Props {
		person: Person;
		recipes: readonly Recipe[];
		/** What was looked for. */
		find: string;
	}
	let { recipes, find }: Props = $props();
	const bench = sharedFeel();
	let chosenId = $state<string | null>(null);
	/** The one that was chosen, else the nearest: of this payload and gimbal, of this gimbal, any. */
	const chosen = $derived.by(() => {
		const counted = recipes.filter(({ struck }) => !struck);
		const { support, payload } = bench.data;
		const here = counted.filter(({ supportId }) => supportId === support.id);
		return (
			recipes.find(({ id }) => id === chosenId) ??
			here.find(({ payloadId }) => payloadId === payload.id) ??
			here[0] ??
			counted[0] ??
			null
		);
	});
	const detail = $derived(chosen?.detail ?? null);
	let trouble = $state('');
	// svelte-ignore state_referenced_locally
	let looked = $state(find);
	const path = $derived(feelPath(bench.data.support.id, bench.data.payload.id, 'recipes'));
	const sameGimbal = $derived(chosen?.supportId === bench.data.support.id);
	const today = $derived(bench.recipe());
	const found = $derived(detail === null || today === null ? [] : differences(detail, today, sameGimbal));

	async function strike(recipe: Recipe) {
		const outcome = await ask('PATCH', `/api/recipes/${recipe.id}`, { struck: !recipe.struck });
		trouble = outcome.ok ? '' : outcome.error.message;
		if (outcome.ok) await invalidate('poise:recipes');
	}
	/** The recipe's figures are laid beside what is set, to be set so on the gimbal. */
	function take() {
		if (detail === null) return;
		bench.change({
			shotId: detail.shotId,
			axis: detail.axis,
			posture: detail.posture,
			people: detail.people,
			tried: detail.settings
		});
		bench.settle();
		void goto(feelPath(bench.data.support.id, bench.data.payload.id));
	}
	const lineWords = ({ detail: { settings, axis, names, focalM } }: Recipe) =>
		`${settingNames.map((name) => `${names[name]} ${ownFigure(settings[axis][name])}`).join(', ')} · ${focalWords(focalM)}`;
</script>

<h1 class="sr-only">Recipes</h1>
<div class="bench recipes">
	<section class="work" aria-label="The book of recipes">
		<form
			class="screen"
			onsubmit={(event) => {
				event.preventDefault();
				void goto(looked.trim() === '' ? path : `${path}?find=${encodeURIComponent(looked.trim())}`, {
					keepFocus: true
				});
			}}
		>
			<TextInput
				bind:value={looked}
				maxlength={200}
				placeholder="Shot, gimbal, payload, a word of the note"
				aria-label="Find a recipe"
				data-testid="find-recipe"
			/>
			<Button type="submit" class="chip">Find</Button>
		</form>
		<ol class="book" data-testid="recipes">
			{#each recipes as recipe (recipe.id)}
				<li class:chosen={recipe.id === chosen?.id} class:struck={recipe.struck}>
					<Button class="line" aria-pressed={recipe.id === chosen?.id} onclick={() => (chosenId = recipe.id)}>
						<strong>{recipe.detail.shotName}</strong>
						{recipe.detail.modeName}
						<span class="what" data-printed>{lineWords(recipe)}</span>
						<small
							>{recipe.payloadName} on {recipe.supportName} · {recipe.personName}, {when(recipe.at)}{recipe.note === ''
								? ''
								: ` · “${recipe.note}”`}</small
						>
					</Button>
					<Button class="link screen" onclick={() => strike(recipe)}
						>{recipe.struck ? 'Put it back' : 'Strike out'}</Button
					>
				</li>
			{:else}
				<li class="quiet">
					{find === ''
						? 'Nothing logged yet: set a gimbal for a shot, and log how it feels.'
						: 'Nothing with these words.'}
				</li>
			{/each}
		</ol>
		{#if trouble !== ''}<p class="bad" role="alert">{trouble}</p>{/if}
		<div class="screen">
			<DayShots
				{bench}
				recipes={recipes
					.filter(({ struck }) => !struck)
					.map((recipe) => ({
						id: recipe.id,
						words: `${recipe.detail.shotName}, ${recipe.supportName}, ${when(recipe.at)}`
					}))}
			/>
		</div>
	</section>
	<section class="answer-column" aria-label="One recipe beside today">
		<Slip heading={chosen === null ? 'Recipes' : `${chosen.detail.shotName}, ${when(chosen.at)}`}>
			{#snippet answer()}
				{#if detail === null}Log how it is set <strong>today</strong>.
				{:else if found.length === 0}Set as it was then.
				{:else}<strong>{found.length}</strong> {found.length === 1 ? 'thing differs' : 'things differ'} from today.{/if}
			{/snippet}
			{#if detail !== null && chosen !== null}
				<p class="detail" data-testid="recipe-words" data-printed>{differenceWords(found)}.</p>
				{#if found.length > 0}
					<table data-testid="recipe-differences">
						<thead><tr><th scope="col">What</th><th scope="col">Then</th><th scope="col">Today</th><th></th></tr></thead
						>
						<tbody>
							{#each found as { what, then, today, why } (what)}
								<tr
									><th scope="row">{what}</th><td class="figure" data-printed>{then}</td><td class="figure" data-printed
										>{today}</td
									><td><small>{why ?? ''}</small></td></tr
								>
							{/each}
						</tbody>
					</table>
				{/if}
				<dl>
					<div>
						<dt>Of</dt>
						<dd>{chosen.payloadName} on {chosen.supportName}</dd>
					</div>
					<div>
						<dt>Mode</dt>
						<dd>{detail.modeName}{detail.modeReach === '' ? '' : `: ${detail.modeReach.toLowerCase()}`}</dd>
					</div>
					<div>
						<dt>Settings, {detail.axis}</dt>
						<dd data-printed>{lineWords(chosen)}</dd>
					</div>
					<div>
						<dt>Held</dt>
						<dd>{postureWords[detail.posture].toLowerCase()}, {peopleWords[detail.people].toLowerCase()}</dd>
					</div>
					<div>
						<dt>Came to</dt>
						<dd>
							{degrees(detail.figures.lagRad)} behind, {detail.figures.settleS === null
								? 'no settling'
								: `settles in ${seconds(detail.figures.settleS)}`}, shakes {percent(
								detail.figures.shakeShare
							)}{detail.assumed ? ', with assumed scales' : ''}
						</dd>
					</div>
				</dl>
				<div class="screen chips">
					{#if sameGimbal}<Button class="go" onclick={take} data-testid="try-recipe">Lay it beside today</Button>
					{:else}<p class="checks">It was logged on another gimbal, whose figures mean something else.</p>{/if}
					<Button class="chip" onclick={() => window.print()} data-testid="print-recipe">Print it</Button>
				</div>
			{/if}
			<div class="screen"><LogRecipe {bench} onlogged={() => void invalidate('poise:recipes')} /></div>
		</Slip>
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 12px 18px 16px 26px;
		gap: 10px;
	}
	form {
		display: flex;
		gap: 8px;
	}
	form > :global(input) {
		flex: 1;
		min-width: 0;
	}
	.book li {
		display: flex;
		align-items: center;
		gap: 8px;
		border-top: 1px solid var(--rule);
		border-left: 4px solid transparent;
	}
	.book li.chosen {
		border-left-color: var(--spirit);
	}
	.book li.struck {
		text-decoration: line-through;
		color: var(--quiet);
	}
	.book :global(.line) {
		flex: 1;
		text-align: left;
		padding: 6px 10px;
		min-height: 44px;
		line-height: 1.35;
	}
	.what,
	small {
		display: block;
		font-size: 13px;
		color: var(--quiet);
	}
	.what {
		font-size: 15px;
		color: var(--ink);
	}
	.book :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
		font-size: 14px;
	}
	table {
		border-collapse: collapse;
		font-size: 15px;
		width: 100%;
	}
	th,
	td {
		text-align: left;
		padding: 3px 8px 3px 0;
		border-top: 1px solid var(--rule);
	}
	thead th {
		border: 0;
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
	}
	dl {
		display: grid;
		gap: 4px;
		font-size: 15px;
	}
	dl div {
		display: grid;
		grid-template-columns: 116px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	.chips > :global(.go) {
		flex: 1 1 100%;
	}
	@media (max-width: 900px) {
		.work {
			padding: 12px 14px;
		}
	}
	@media print {
		.screen,
		.work {
			display: none !important;
		}
		.bench {
			display: block;
			height: auto !important;
		}
	}
</style>
