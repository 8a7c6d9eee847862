<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import '$lib/shell/sheet.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { ask } from '$lib/keeping/ask';
	import type { Venue } from '$lib/model/venue';
	import { movePath } from './address';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import type { Person } from '$lib/model/person';
	import { type Move, type SavedMove, type Tempo, tempos } from './model';
	import { sweepLimits, sweepMove, usualSweep } from './sweep';
	import { fromPattern } from './fromPattern';
	import { type Begun, begunWith, patternFor } from './gear';
	import { type MovePattern, movePatterns } from './patterns';
	import MovesList from './MovesList.svelte';
	import SmallMove from './SmallMove.svelte';
	import { tempoWords } from './words';

	interface Props {
		data: {
			readonly moves: readonly (SavedMove & { readonly at: string })[];
			readonly venues: readonly Venue[];
			readonly person: Person;
			readonly begun: Begun;
		};
	}
	let { data }: Props = $props();
	let name = $state('');
	// The newest venue of a crew is likely the one of the job.
	// svelte-ignore state_referenced_locally
	let venueId = $state(
		data.venues.find(({ id }) => id === page.url.searchParams.get('venue'))?.id ?? data.venues[0]?.id ?? ''
	);
	let trouble = $state('');
	let busy = $state(false);
	const patterns = movePatterns.map((pattern) => ({ pattern, drawn: fromPattern(pattern, pattern.name, null, null) }));
	const venue = $derived(data.venues.find(({ id }) => id === venueId) ?? null);
	const called = (usual: string) => (name.trim() === '' ? usual : name.trim());
	function make(patternId: string) {
		const pattern = movePatterns.find(({ id }) => id === patternId)!;
		return create(stood(pattern));
	}
	const stood = (pattern: MovePattern) =>
		fromPattern(pattern, called(pattern.name), venue?.id ?? null, venue?.plan ?? null);
	/** On what of the shelf somebody came here with. */
	const withWords = $derived([data.begun.carrier, data.begun.head].flatMap((gear) => gear?.name ?? []).join(' and '));
	const layWith = () => create(begunWith(stood(patternFor(data.begun)), data.begun));
	let sweep = $state.raw(usualSweep);
	const lay = () => create(sweepMove(sweep, called('A run along a line'), venue?.id ?? null, venue?.plan ?? null));
	async function create(move: Move) {
		trouble = '';
		busy = true;
		const outcome = await ask<SavedMove>('POST', '/api/moves', { move });
		busy = false;
		if (outcome.ok) await goto(movePath(outcome.value.id));
		else trouble = Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message;
	}
</script>

<div class="sheet">
	<h1>Moves</h1>
	<p class="lead">
		A move is drawn on the plan, seen through the lens, timed by what its axes can do, and tried against everything that
		stands there, before anything is rigged.
	</p>
	{#if data.moves.length > 0}<MovesList moves={data.moves} venues={data.venues} />{/if}
	<h2>{data.moves.length === 0 ? 'The first move' : 'A new move'}</h2>
	<div class="row">
		<label class="stack"
			>Name
			<TextInput maxlength={120} bind:value={name} data-testid="move-new-name" /></label
		>
		<label class="stack"
			>Venue
			<Choice bind:value={venueId} data-testid="move-new-venue">
				<option value="">an empty floor</option>
				{#each data.venues as { id, name: called } (id)}<option value={id}>{called}</option>{/each}
			</Choice></label
		>
		{#if withWords !== ''}
			<Button class="go" disabled={busy} onclick={layWith} data-testid="lay-with">Lay it with {withWords}</Button>
		{/if}
		{#if data.venues.length === 0}<a class="tool" href="/venues">Draw a venue first</a>{/if}
	</div>
	<h2>So far, in so long</h2>
	<div class="row" data-testid="sweep">
		<label class="stack"
			>along a
			<Choice
				value={sweep.carries}
				onchange={(event) => (sweep = { ...sweep, carries: event.currentTarget.value as typeof sweep.carries })}
				data-testid="sweep-carries"
			>
				<option value="slider">slider</option>
				<option value="dolly">dolly on a track</option>
			</Choice></label
		>
		{#each [['farM', 'so far', 'distance', sweepLimits.far], ['lastsS', 'in', 'time', sweepLimits.lasts], ['subjectM', 'subject off the line', 'distance', sweepLimits.subject]] as const as [key, label, quantity, limit] (key)}
			<QuantityField
				{label}
				{quantity}
				units={data.person.units}
				value={sweep[key]}
				check={allowed(limit, quantity)}
				onvalue={(value) => (sweep = { ...sweep, [key]: value })}
				testId="sweep-{key}"
			/>
		{/each}
		<QuantityField
			label="lens"
			quantity="length"
			units="metric"
			printed
			value={sweep.focalM}
			check={allowed(sweepLimits.focal, 'length')}
			onvalue={(focalM) => (sweep = { ...sweep, focalM })}
			testId="sweep-focalM"
		/>
		<label class="stack"
			>goes
			<Choice
				value={sweep.tempo}
				onchange={(event) => (sweep = { ...sweep, tempo: event.currentTarget.value as Tempo })}
				data-testid="sweep-tempo"
			>
				{#each tempos as each (each)}<option value={each}>{tempoWords[each]}</option>{/each}
			</Choice></label
		>
		<Button class="go" disabled={busy} onclick={lay} data-testid="sweep-lay">Lay rail and knots</Button>
	</div>
	<h2>Or from what carries the camera</h2>
	<div class="patterns">
		{#each patterns as { pattern: { id, name: usual, words }, drawn } (id)}
			<Button class="pattern" disabled={busy} onclick={() => make(id)} data-testid="pattern-{id}">
				<SmallMove move={drawn} width={112} height={84} />
				<span class="what"><strong>{usual}</strong><span>{words}</span></span>
			</Button>
		{/each}
	</div>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
</div>

<style>
	.row :global(.field) {
		width: 150px;
	}
	.patterns {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(360px, 100%), 1fr));
		gap: 10px;
	}
	.patterns > :global(.pattern) {
		display: grid;
		grid-template-columns: 112px minmax(0, 1fr);
		gap: 14px;
		text-align: left;
		align-items: start;
		padding: 10px 14px;
		min-height: 106px;
		background: var(--panel);
		border: 1px solid var(--rule);
	}
	.what {
		display: grid;
		gap: 2px;
	}
	.what span {
		font-size: 14px;
		color: var(--quiet);
	}
	.patterns > :global(.pattern:hover) {
		border-color: var(--press);
	}
</style>
