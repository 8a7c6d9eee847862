<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/sheet.css';
	import { invalidateAll } from '$app/navigation';
	import { mmFromM, type Vec3 } from '@poise/core';
	import { ask } from '$lib/keeping/ask';
	import TakenOver from '$lib/stations/logbook/TakenOver.svelte';
	import type { Proposal } from '$lib/stations/logbook/learnedFigures';
	import { when } from '$lib/sheet/when';
	import { showLength, together } from '$lib/sheet/units/display';
	import { SvelteSet } from 'svelte/reactivity';

	let { data } = $props();
	const units = $derived(data.person.units);
	const left = new SvelteSet<string>();
	const open = $derived(data.lesson.proposals.filter(({ key }) => !left.has(key)));
	let trouble = $state('');
	let busy = $state(false);

	const words = [
		['forward', 'back'],
		['left', 'right'],
		['up', 'down']
	] as const;
	const largest = (sigmas: Vec3) => `± ${together(showLength(Math.max(...sigmas), units))}`;
	/** The moves of a centre in words, largest first, what is under a fifth of a millimetre left out. */
	const moved = (before: Vec3, after: Vec3) => {
		const parts = after
			.map((value, axis) => ({ by: value - (before[axis] ?? 0), axis: axis as 0 | 1 | 2 }))
			.filter(({ by }) => Math.abs(by) >= 0.0002)
			.sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
			.map(({ by, axis }) => `${together(showLength(by, units))} ${words[axis][by > 0 ? 0 : 1]}`);
		return parts.length === 0 ? 'stays where it is' : parts.join(', ');
	};
	/** Taken over together: more than the lines below, where figures that hardly change were weighed with them. */
	const foretold = $derived(data.lesson.foretold);
	const surerTogether = $derived(
		foretold !== null &&
			data.lesson.beside + open.length > 1 &&
			foretold.thenM < 0.7 * foretold.todayM &&
			foretold.todayM - foretold.thenM > 0.0003
			? foretold
			: null
	);

	async function accept(take: 'all' | readonly string[]) {
		busy = true;
		const outcome = await ask('POST', '/api/learn', {
			mark: data.mark,
			take,
			leave: [...left],
			without: leftOut
		});
		// Something else by now: it is shown, and nothing was taken over.
		trouble = outcome.ok ? '' : outcome.error.message;
		await invalidateAll();
		busy = false;
	}
	async function takeBack(path: string) {
		const outcome = await ask<{ left?: number } | null>('DELETE', path);
		const kept = outcome.ok ? (outcome.value?.left ?? 0) : 0;
		trouble = !outcome.ok
			? outcome.error.message
			: kept === 0
				? ''
				: `${kept === 1 ? 'One figure was' : `${kept} figures were`} changed again since, and left as ${kept === 1 ? 'it is' : 'they are'}.`;
		left.clear();
		await invalidateAll();
	}
	const withOut = (ids: readonly string[]) =>
		ids.length === 0 ? '/learn' : `/learn?${ids.map((id) => `without=${encodeURIComponent(id)}`).join('&')}`;
	const leftOut = $derived(data.lesson.without.map(({ id }) => id));
	const withAlso = (id: string) => withOut([...leftOut, id]);
	const withBack = (id: string) => withOut(leftOut.filter((each) => each !== id));
	const slideOf = (proposal: Extract<Proposal, { about: 'zero' }>) =>
		proposal.rig.geometry.slides.find(({ id }) => id === proposal.slideId)?.label.toLowerCase() ?? '';
</script>

<svelte:head><title>What it learned · Poise</title></svelte:head>
<div class="sheet">
	<p class="screen"><a href="/logbook">The logbook</a>, or <a href="/shelf">the shelf</a> that learns from it.</p>
	<h1>What the finished balances teach</h1>
	<p class="big" data-testid="lesson">
		{#if data.lesson.used === 0}<strong>Nothing yet</strong>: log a balance whose axes were seen to hold{:else if open.length === 0}<strong
				>{surerTogether === null ? 'Nothing new' : 'No figure moves'}</strong
			>
			in {data.lesson.used}
			{data.lesson.used === 1 ? 'balance' : 'balances'}{:else}<strong
				>{open.length} {open.length === 1 ? 'figure' : 'figures'}</strong
			>
			to take over, from {data.lesson.used}
			{data.lesson.used === 1 ? 'balance' : 'balances'}{/if}
	</p>
	<p class="lead">
		Every axis that was seen to hold says where the parts must be heavy; readings that were only computed say nothing.
		Poise weighs that against what is entered, each by how sure it is. Nothing changes until you take it over, and each
		can be taken back.
	</p>
	{#if data.lesson.widenedBy > 1}
		<p class="caution" data-testid="disagree">
			They do not agree with one another: every ± is {data.lesson.widenedBy.toFixed(1)} times as wide as it would be.
			{data.lesson.outliers.length === 0
				? 'No one of them stands out: a part or a gimbal may have been changed between them.'
				: 'See to that before anything is taken over.'}
		</p>
	{/if}
	{#if data.lesson.outliers.length > 0 || data.lesson.without.length > 0}
		<ul class="changes" aria-label="Balances that do not fit">
			{#each data.lesson.outliers as { id, payloadName, supportName, loggedAt, offBy } (id)}
				<li data-testid="outlier">
					<span
						><a href="/logbook/{id}">{payloadName} on {supportName}, {when(loggedAt)}</a> does not fit the others: it is
						{offBy.toFixed(0)} times as far off as readings stray. A reading gone wrong, perhaps, or a part that was changed.</span
					>
					<a class="second" href={withAlso(id)} data-sveltekit-noscroll data-testid="leave-out">Leave it out here</a>
				</li>
			{/each}
			{#each data.lesson.without as { id, payloadName, loggedAt } (id)}
				<li class="undone" data-testid="left-out">
					<span>{payloadName}, {when(loggedAt)}: left out here; the logbook keeps it</span>
					<a class="second" href={withBack(id)} data-sveltekit-noscroll data-testid="count-again">Let it count again</a>
				</li>
			{/each}
		</ul>
	{/if}
	{#if surerTogether !== null}
		<p class="lead" data-testid="foretold">
			{surerTogether.payloadName} on {surerTogether.supportName} was balanced: with all of it taken over, where its slides
			belong is foretold to <strong>± {together(showLength(surerTogether.thenM, units))}</strong> instead of ± {together(
				showLength(surerTogether.todayM, units)
			)}.
		</p>
	{/if}
	{#if open.length > 1 || surerTogether !== null}
		<div class="actions">
			<Button class="go" disabled={busy} onclick={() => accept('all')} data-testid="accept-all"
				>{open.length === 0 ? 'Take what they say over' : 'Take all of them over'}</Button
			>
			{#if data.lesson.beside > 0}<span class="quiet" data-testid="beside"
					>{open.length === 0 ? '' : 'and '}{data.lesson.beside}
					{data.lesson.beside === 1 ? 'figure that hardly changes' : 'figures that hardly change'} and
					{data.lesson.beside === 1 ? 'was' : 'were'} weighed with {open.length === 0 ? 'one another' : 'them'}</span
				>{/if}
		</div>
	{/if}
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	{#if open.length > 0}
		<div class="scroll">
			<table class="folds">
				<thead
					><tr
						><th>What</th><th>is really</th><th class="number">was sure to</th><th class="number">now</th><th></th></tr
					></thead
				>
				<tbody>
					{#each open as proposal (proposal.key)}
						<tr
							data-proposal={proposal.about === 'part'
								? proposal.part.name
								: `${proposal.rig.name} ${proposal.slideId}`}
						>
							{#if proposal.about === 'part'}
								<th
									>{proposal.part.name}<small class="quiet"
										>{proposal.part.shape.cgFromMiddleM === null
											? 'its middle was taken'
											: (proposal.part.shape.cgFrom ?? 'measured by hand')}</small
									></th
								>
								<td class="wide">heavy {moved(proposal.beforeM, proposal.afterM)}</td>
								<td class="number figure" data-head="was sure to">{largest(proposal.beforeSigmaM)}</td>
								<td class="number figure" data-head="now">{largest(proposal.afterSigmaM)}</td>
							{:else}
								<th>{proposal.rig.name}<small class="quiet">zero of the {slideOf(proposal)}’s scale</small></th>
								<td data-printed=""
									>reads {Math.abs(mmFromM(proposal.afterM - proposal.beforeM)).toFixed(1)} mm {proposal.afterM >
									proposal.beforeM
										? 'too much'
										: 'too little'}</td
								>
								<td class="number figure" data-head="was sure to"
									>± {together(showLength(proposal.beforeSigmaM, units))}</td
								>
								<td class="number figure" data-head="now">± {together(showLength(proposal.afterSigmaM, units))}</td>
							{/if}
							<td class="do wide">
								<Button class="second" disabled={busy} onclick={() => accept([proposal.key])} data-testid="accept-one"
									>Take it over</Button
								>
								<Button class="tool" onclick={() => left.add(proposal.key)} data-testid="reject">Leave it</Button>
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
	{#if data.lesson.untold.length > 0}
		<h2>What they cannot tell apart</h2>
		<p class="lead">
			These were only weighed together, so their error is shared out between them by how unsure each was. A balance with
			one of them exchanged would part them: {data.lesson.untold.slice(0, 12).join('; ')}{data.lesson.untold.length > 12
				? `; and ${data.lesson.untold.length - 12} more`
				: ''}.
		</p>
	{/if}
	<TakenOver changes={data.changes} names={data.names} {busy} {takeBack} />
</div>

<style>
	small {
		display: block;
		font-weight: 400;
		font-size: 13px;
	}
	.do {
		display: flex;
		gap: 8px;
		flex-wrap: wrap;
	}
	.changes li {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 4px 0;
	}
	.changes span:first-child {
		flex: 1;
		min-width: 240px;
	}
	a.second {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}
	.undone span {
		text-decoration: line-through;
		color: var(--quiet);
	}
</style>
