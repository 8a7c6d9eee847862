<script lang="ts">
	import { goto, invalidate } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import type { UnitSystem } from '$lib/model/person';
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/sheet.css';
	import { when } from '$lib/sheet/when';
	import { movePath } from './address';
	import { axisWords } from './axes';
	import { readMove } from './figures';
	import type { Axis, MoveRun, SavedMove } from './model';
	import { axesOf } from './path';
	import { pictureSign } from './supports/stance';
	import { placeWords, seconds, seenWords } from './words';

	/** A run of the logbook: the move as it was then, and what was seen. */
	interface Props {
		run: MoveRun;
		units: UnitSystem;
	}
	let { run, units }: Props = $props();
	const figures = $derived(readMove(run.move).figures);
	const axes = $derived<Axis[]>([...axesOf(run.move), 'panRad', 'tiltRad', 'focusM', 'focalM']);
	const at = (tS: number, axis: Axis): number | null => {
		if (figures === null) return null;
		const { atS, values } = figures.sampled;
		const k = atS.findIndex((each) => each >= tS - 1e-9);
		return values[axis]?.[k < 0 ? atS.length - 1 : k] ?? null;
	};
	let trouble = $state('');
	async function strike() {
		const outcome = await ask('PATCH', `/api/moves/runs/${run.id}`, { struck: !run.struck });
		trouble = outcome.ok ? '' : outcome.error.message;
		if (outcome.ok) await invalidate('poise:record');
	}
	/** The move as it was then is a new one today. */
	async function again() {
		const outcome = await ask<SavedMove>('POST', '/api/moves', {
			move: {
				...run.move,
				name: `${run.move.name}, again`.slice(0, 120),
				ranBackwards: null,
				ticked: [],
				tickedPath: ''
			}
		});
		if (outcome.ok) await goto(movePath(outcome.value.id));
		else trouble = outcome.error.message;
	}
</script>

<div class="sheet">
	<h1 class:struck={run.struck}>{run.moveName}</h1>
	<p class="lead">
		{when(run.at)}, {run.personName}{run.venueName === '' ? '' : `, ${run.venueName}`}{run.move.job === ''
			? ''
			: `, ${run.move.job}`}. {run.move.support.gearName}, {run.move.head.gearName}.
	</p>
	<dl class="beside">
		<div>
			<dt>Expected</dt>
			<dd>{figures === null ? 'nothing could be reckoned' : `${seconds(figures.lastsS)}, as planned`}</dd>
		</div>
		<div>
			<dt>Seen</dt>
			<dd data-testid="run-seen-words">{seenWords[run.seen]}</dd>
		</div>
		<div>
			<dt>Reckoned now</dt>
			<dd>
				{run.seen === 'nearer' || run.seen === 'struck'
					? 'The plan is wrong somewhere: measure it there before the move runs again.'
					: 'As drawn.'}
			</dd>
		</div>
	</dl>
	{#if run.note !== ''}<p class="hint">{run.note}</p>{/if}
	<table class="folds">
		<thead
			><tr
				><th scope="col">Knot</th><th scope="col">At</th><th scope="col">Rests</th>{#each axes as axis (axis)}<th
						scope="col">{axisWords[axis].short}</th
					>{/each}</tr
			></thead
		>
		<tbody>
			{#each run.move.knots as knot (knot.id)}
				<tr>
					<th scope="row">{knot.name}</th>
					<td class="figure number">{seconds(knot.tS)}</td>
					<td class="figure number">{knot.dwellS === 0 ? '–' : seconds(knot.dwellS)}</td>
					{#each axes as axis (axis)}
						{@const value = at(knot.tS, axis)}
						<td class="figure number" data-printed={axis === 'focalM' ? '' : undefined}
							>{value === null ? '–' : placeWords(axis, value, units, pictureSign(run.move.support))}</td
						>
					{/each}
				</tr>
			{/each}
		</tbody>
	</table>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	<div class="actions">
		{#if run.moveId !== null}<a class="second" href={movePath(run.moveId)}>The move as it is today</a>{/if}
		<Button class="second" onclick={again} data-testid="run-again">A new move from this run</Button>
		<Button class="tool" onclick={strike} data-testid="strike-run">{run.struck ? 'Put it back' : 'Strike out'}</Button>
		<a href="/logbook">Logbook</a>
	</div>
</div>

<style>
	.struck {
		text-decoration: line-through;
	}
	.beside div {
		display: grid;
		grid-template-columns: 140px 1fr;
		min-height: 32px;
		align-items: center;
	}
	dt {
		color: var(--quiet);
	}
</style>
