<script lang="ts">
	import '$lib/shell/sheet.css';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { when } from '$lib/sheet/when';
	import { movePath } from './address';
	import { sharedMove } from './moveBench.svelte';
	import { backwardsSteps } from './runThrough';
	import { behaves } from './supports';
	import { seconds, seenWords } from './words';

	/** Run backwards, slowly, hand on the hold, ticked by a named person, before anybody stands there. */
	const bench = sharedMove();
	const move = $derived(bench.move);
	const steps = $derived(backwardsSteps(move, bench.figures, bench.clear, bench.units));
	const left = $derived(steps.filter(({ id }) => !bench.ticked.includes(id)));
	/** What comes near is not known yet. */
	const waits = $derived(
		(bench.waitsForVenue || (bench.question !== null && bench.clear === null)) && (bench.trial?.problem ?? '') === ''
	);
	const ran = $derived(move.ranBackwards);
	const over = $derived((bench.figures?.scale ?? 0) > 1.000001);
	function tick(id: string, on: boolean) {
		const known = steps.map((each) => each.id);
		const ticked = bench.ticked.filter((each) => each !== id && known.includes(each));
		bench.change({
			ticked: on ? [...ticked, id].slice(-60) : ticked,
			tickedPath: bench.mark,
			...(on ? {} : { ranBackwards: null })
		});
		bench.settle();
	}
	function done() {
		bench.change({
			ranBackwards: { by: bench.data.person.name, at: new Date().toISOString(), path: bench.mark },
			ticked: [],
			tickedPath: ''
		});
		bench.settle();
	}
</script>

<div class="sheet">
	<h1>Backwards</h1>
	<p class="big" data-testid="backwards-answer">
		{#if ran !== null && bench.ranSo}<strong>{ran.by}</strong> ran it backwards, {when(ran.at)}.
		{:else if ran !== null}It has <strong>changed</strong> since {ran.by} ran it backwards: run it again.
		{:else}<strong>{left.length}</strong> of {steps.length} left before it has been run backwards.{/if}
	</p>
	<p class="caution">
		What is reckoned knows only what the plan shows. A cable, a stand that was moved, a flag on a lamp are found by
		going the way backwards, slowly, with a hand on it.
	</p>
	{#if over || bench.strikes.length > 0}
		<p class="caution" role="alert">
			{over ? 'As it stands it is faster than its axes go. ' : ''}{bench.strikes.length > 0
				? `As drawn it comes too near to ${bench.strikes.map(({ label }) => label).join(', ')}. `
				: ''}<a href={movePath(bench.id)}>Mend that first</a>.
		</p>
	{/if}
	{#if waits}<p class="quiet" role="status" data-testid="steps-wait">
			Trying it against the room: more lines may come.
		</p>{/if}
	<ol class="steps">
		{#each steps as { id, words, atS } (id)}
			<li>
				<label
					><Tick
						checked={bench.ticked.includes(id)}
						onchange={(event) => tick(id, event.currentTarget.checked)}
						data-testid="step-{id}"
					/>
					<span
						>{#if atS !== null}<span class="figure">{seconds(atS)}</span>
						{/if}{words}</span
					></label
				>
			</li>
		{/each}
	</ol>
	{#each behaves(move.support).cautions(move.support) as words (words)}<p class="caution">{words}</p>{/each}
	<div class="actions">
		<Button class="go" disabled={left.length > 0 || waits} onclick={done} data-testid="ran-backwards"
			>I, {bench.data.person.name}, ran it backwards</Button
		>
		{#if left.length > 0}<span class="quiet">Tick every line first.</span>{/if}
	</div>
	{#if bench.data.ran.length > 0}
		<h2>Ran before</h2>
		<ul>
			{#each bench.data.ran as { id, at, personName, seen, note } (id)}
				<li>{when(at)}, {personName}: {seenWords[seen]}{note === '' ? '' : ` · “${note}”`}</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.steps .figure {
		margin-right: 10px;
		color: var(--quiet);
	}
	.big {
		font-size: 26px;
		margin: 8px 0 12px;
	}
	.steps li {
		border-top: 1px solid var(--rule);
	}
	.steps label {
		display: flex;
		gap: 14px;
		align-items: center;
		min-height: 52px;
		font-size: 18px;
	}
</style>
