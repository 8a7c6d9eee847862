<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import Meanwhile from '$lib/shell/Meanwhile.svelte';
	import type { Drift } from '@poise/core';
	import { ask } from '$lib/keeping/ask';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { when } from '$lib/sheet/when';
	import type { Person } from '$lib/model/person';
	import type { LoggedSledEntry, SledEntry, WornSetup } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showMass, together, unbroken } from '$lib/sheet/units/display';
	import { v7 as newId } from 'uuid';
	import { onMount } from 'svelte';
	import type { SledFigures } from './figures';
	import { sharedSledBench } from './sledBench.svelte';
	import { driftWords, socketLog, threadAdvice, type Threads, vestFit } from './vest';
	import ArmLift from './ArmLift.svelte';
	import VestSpell from './VestSpell.svelte';
	import { keptWorn } from './worn.svelte';

	interface Props {
		data: {
			readonly person: Person;
			readonly worn: WornSetup | null;
			readonly entries: readonly LoggedSledEntry[];
		};
	}
	let { data }: Props = $props();
	// Another person mounts a new sheet.
	// svelte-ignore state_referenced_locally
	const { person, worn, entries: loaded } = data;
	const bench = sharedSledBench();
	const figures = $derived(bench.figures as SledFigures);
	const arm = $derived(bench.support.geometry.arm);
	const units = $derived(bench.units);
	// The page mounts this sheet anew for another person or sled.
	const wearing = keptWorn(bench.support.id, person.id, worn);
	let entries = $state.raw(loaded);
	let trouble = $state('');
	let now = $state(new Date());
	onMount(() => {
		wearing.restore();
		const clock = setInterval(() => (now = new Date()), 1000);
		return () => {
			clearInterval(clock);
			void wearing.save();
			wearing.stop();
		};
	});

	const setup = $derived({ armSide: wearing.value.armSide, reversed: wearing.value.reversed });
	const loadKg = $derived(figures.massKg + arm.gimbalKg);
	const mine = $derived(entries.filter(({ personName }) => personName === person.name));
	const log = $derived(socketLog(mine));
	const advice = $derived(threadAdvice(log, setup, arm.threads));
	const middle = $derived(Math.round((arm.threads[0] + arm.threads[1]) / 2));
	/** Counts the hand has typed; else those that the last look asks for. */
	let typed = $state.raw<Threads | null>(null);
	const threads = $derived(typed ?? advice?.threads ?? { inOut: middle, side: middle });
	let note = $state('');

	/** One id for one press: sent again after a lost answer it is logged once. */
	let attempt: { readonly id: string; readonly entry: SledEntry } | null = null;
	async function add(entry: SledEntry): Promise<boolean> {
		if (attempt === null || JSON.stringify(attempt.entry) !== JSON.stringify(entry)) attempt = { id: newId(), entry };
		const outcome = await ask<LoggedSledEntry[]>('POST', `/api/supports/sled/${bench.support.id}/entries`, {
			...entry,
			id: attempt.id
		});
		trouble = outcome.ok ? '' : `Not logged: ${Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message}`;
		if (!outcome.ok) return false;
		entries = outcome.value;
		attempt = null;
		return true;
	}
	async function drifts(drift: Drift) {
		if (await add({ kind: 'socket', ...threads, drift, note: note.trim() })) {
			typed = null;
			note = '';
		}
	}
	const screwWords = { inOut: 'in-out screw', side: 'side screw' };
	const leanWords = { back: 'back to you', forward: 'away from you', left: 'to your left', right: 'to your right' };
</script>

<div class="bench">
	<section class="work" aria-label="Arm and vest">
		<ArmLift {loadKg} ontrouble={(words) => (trouble = words)} />
		<div class="part">
			<h2>How it is worn</h2>
			<div class="chips">
				{#each ['right', 'left'] as const as side (side)}
					<Button
						class="chip"
						aria-pressed={setup.armSide === side}
						onclick={() => wearing.set({ ...wearing.value, armSide: side })}
						data-testid="arm-{side}">Arm on the {side}</Button
					>
				{/each}
				<Button
					class="chip"
					aria-pressed={setup.reversed}
					onclick={() => wearing.set({ ...wearing.value, reversed: !wearing.value.reversed })}
					data-testid="arm-reversed">Reversed: carried behind, or block mirrored</Button
				>
			</div>
			<h3>Vest fit</h3>
			<ul class="fit">
				{#each vestFit as { id, words } (id)}
					{@const done = wearing.value.fitted.includes(id)}
					<li>
						<label
							><Tick
								checked={done}
								onchange={() =>
									wearing.set({
										...wearing.value,
										fitted: done ? wearing.value.fitted.filter((each) => each !== id) : [...wearing.value.fitted, id]
									})}
								data-testid="fit-{id}"
							/>
							{words}</label
						>
					</li>
				{/each}
			</ul>
			{#if wearing.value.fitted.length > 0}<Button
					class="link"
					onclick={() => wearing.set({ ...wearing.value, fitted: [] })}>Begin the list anew</Button
				>{/if}
			{#if wearing.message !== ''}<p class="caution" role="alert">{wearing.message}</p>{/if}
			<Meanwhile document={wearing} own />
			<h3>Log</h3>
			<table>
				<thead><tr><th>When</th><th>Who</th><th>What</th></tr></thead>
				<tbody data-testid="arm-log">
					{#each entries.slice(0, 14) as entry (entry.id)}
						<tr
							><td class="quiet">{when(entry.at)}</td><td>{entry.personName}</td><td
								>{#if entry.kind === 'socket'}in-out {entry.inOut}, side {entry.side}: {driftWords[
										entry.drift
									]}{:else}{entry.minutes}
									min in the vest, {together(showMass(entry.loadKg, units))}{/if}{#if entry.note}<span class="quiet">
										· {entry.note}</span
									>{/if}</td
							></tr
						>
					{:else}<tr><td colspan="3" class="quiet">Nothing logged on this sled yet.</td></tr>{/each}
				</tbody>
			</table>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Socket block · arm before the hip, hands off">
			{#snippet answer()}
				{#if advice === null}Let it float: <strong data-testid="socket-strong">where does it go?</strong>
				{:else if advice.screw === null}Leave both screws: <strong data-testid="socket-strong">it stays</strong>
				{:else if advice.atEnd}The {screwWords[advice.screw]} <strong data-testid="socket-strong">is at its end</strong>
				{:else}{screwWords[advice.screw] === 'side screw' ? 'Side screw' : 'In-out screw'}
					<strong data-testid="socket-strong"
						>{unbroken(
							`${advice.byThreads === 1 ? 'one thread' : 'half a thread'} ${advice.way === 'more' ? 'out' : 'in'}`
						)}</strong
					>{/if}
			{/snippet}
			{#if advice !== null && advice.screw !== null && advice.leanPost !== null}
				<p class="detail">
					to {advice.threads[advice.screw]} threads showing: {advice.way === 'more' ? 'more' : 'fewer'}; the arm’s post
					leans {leanWords[advice.leanPost]}
				</p>
				{#if advice.atEnd}<p class="caution">
						No thread left that way: look at the vest’s fit, or shim the block as its maker says.
					</p>{/if}
			{/if}
			<div class="row">
				<QuantityField
					label="in-out, threads showing"
					value={threads.inOut}
					quantity="count"
					{units}
					check={(value) =>
						value >= arm.threads[0] && value <= arm.threads[1]
							? null
							: `Between ${arm.threads[0]} and ${arm.threads[1]}.`}
					onvalue={(inOut) => (typed = { ...threads, inOut })}
					testId="threads-inOut"
				/>
				<QuantityField
					label="side, threads showing"
					value={threads.side}
					quantity="count"
					{units}
					check={(value) =>
						value >= arm.threads[0] && value <= arm.threads[1]
							? null
							: `Between ${arm.threads[0]} and ${arm.threads[1]}.`}
					onvalue={(side) => (typed = { ...threads, side })}
					testId="threads-side"
				/>
			</div>
			<p>At these counts, when the hand lets it float, it</p>
			<div class="sees">
				{#each ['away', 'into', 'left', 'right', 'stays'] as const as drift (drift)}
					<Button onclick={() => drifts(drift)} data-testid="drift-{drift}" class={[drift === 'stays' && 'stays']}
						>{driftWords[drift]}</Button
					>
				{/each}
			</div>
			<label class="note">
				Note
				<TextInput bind:value={note} maxlength={200} placeholder="Shoes, stairs, which job" />
			</label>
			<p class="quiet">
				Started from {log[0] === undefined
					? 'the middle of both screws: nothing of yours is logged yet'
					: `your last count, ${when(log[0].at)}`}. Change screws with the sled docked; a loose block drops the arm.
			</p>
			{#if trouble !== ''}<p class="caution" role="alert">{trouble}</p>{/if}
			<VestSpell
				{mine}
				personId={person.id}
				{loadKg}
				{now}
				onworn={(minutes) => add({ kind: 'vest', minutes, loadKg, note: '' })}
			/>
			<p class="quiet">
				A rule of thumb, not medicine: stop sooner when the back or the breath says so, and see who knows about backs.
			</p>
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.part {
		border-top: 2px solid var(--rule);
		padding: 12px 22px 16px 26px;
		display: grid;
		gap: 10px;
	}
	h2 {
		font-size: 18px;
	}
	h3 {
		font-size: 16px;
		margin-top: 6px;
	}
	.fit label {
		display: flex;
		gap: 10px;
		min-height: 44px;
		align-items: center;
	}
	table {
		border-collapse: collapse;
		font-size: 15px;
	}
	th,
	td {
		text-align: left;
		padding: 5px 12px 5px 0;
		border-top: 1px solid var(--rule);
		vertical-align: top;
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
		border: 0;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: end;
	}
	.row :global(.field) {
		width: 170px;
	}
	.sees {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px;
	}
	.sees :global(button) {
		min-height: 50px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		font-size: 16px;
	}
	.sees :global(.stays) {
		grid-column: 1 / 3;
		background: var(--fill);
		border-color: var(--spirit-line);
		color: var(--fill-ink);
	}
	.note {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
</style>
