<script lang="ts">
	import { allowed } from '$lib/sheet/units/allowed';
	import { sledLimits } from './limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import { invalidateAll } from '$app/navigation';
	import { armLift, type Drift } from '@poise/core';
	import { ask } from '$lib/keeping/ask';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { when } from '$lib/sheet/when';
	import type { Person } from '$lib/model/person';
	import type { LoggedSledEntry, SledEntry, SledRig, WornSetup } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { forget, keep, recall } from '$lib/keeping/kept';
	import { showMass, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { v7 as newId } from 'uuid';
	import { onMount } from 'svelte';
	import type { SledFigures } from './figures';
	import { sharedSledBench } from './sledBench.svelte';
	import {
		driftWords,
		liftTurn,
		socketLog,
		threadAdvice,
		type Threads,
		vestAdvice,
		vestFit,
		withKnownPoint
	} from './vest';
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
	/** When the vest went on; null: it is off. Kept over a reload. */
	let wornSince = $state<number | null>(null);
	const spellKey = `vest.${bench.support.id}.${person.id}`;
	onMount(() => {
		wearing.restore();
		wornSince = recall<number>(spellKey);
		const clock = setInterval(() => (now = new Date()), 1000);
		return () => {
			clearInterval(clock);
			void wearing.save();
			wearing.stop();
		};
	});

	const setup = $derived({ armSide: wearing.value.armSide, reversed: wearing.value.reversed });
	const loadKg = $derived(figures.massKg + arm.gimbalKg);
	const lift = $derived(armLift({ loadKg, rangeKg: arm.rangeKg, sections: arm.sections }));
	const mine = $derived(entries.filter(({ personName }) => personName === person.name));
	const log = $derived(socketLog(mine));
	const advice = $derived(threadAdvice(log, setup, arm.threads));
	const middle = $derived(Math.round((arm.threads[0] + arm.threads[1]) / 2));
	/** Counts the hand has typed; else those that the last look asks for. */
	let typed = $state.raw<Threads | null>(null);
	const threads = $derived(typed ?? advice?.threads ?? { inOut: middle, side: middle });
	let note = $state('');
	const vest = $derived(vestAdvice(mine, loadKg, now));
	const goneMinutes = $derived(wornSince === null ? 0 : (now.getTime() - wornSince) / 60_000);
	let minutes = $state(20);

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
	function putOn() {
		wornSince = Date.now();
		keep(spellKey, wornSince);
	}
	async function takeOff() {
		if (wornSince === null) return;
		const spent = Math.max(0.5, Math.round(((Date.now() - wornSince) / 60_000) * 2) / 2);
		if (!(await add({ kind: 'vest', minutes: Math.min(600, spent), loadKg, note: '' }))) return;
		wornSince = null;
		forget(spellKey);
	}
	/** Settings as they are now, and the one found right for this load. */
	let lifted = $state<Record<string, number>>({});
	let looks = $state<Record<string, 'droops' | 'level' | 'rises'>>({});
	const settingOf = (id: string) => lifted[id] ?? round(lift.sections.find((each) => each.id === id)?.setting ?? 0);
	async function keepPoint(id: string) {
		const { name, leastPayloadKg, greatestPayloadKg, geometry, version } = bench.support;
		const sections = geometry.arm.sections.map((section) =>
			section.id === id ? withKnownPoint(section, loadKg, settingOf(id)) : section
		);
		const outcome = await ask<SledRig>('PUT', `/api/supports/sled/${bench.support.id}`, {
			name,
			leastPayloadKg,
			greatestPayloadKg,
			geometry: { ...geometry, arm: { ...geometry.arm, sections } },
			version
		});
		trouble = outcome.ok ? '' : `Not kept: ${outcome.error.message}`;
		if (outcome.ok) await invalidateAll();
	}
	const fitWords = {
		within: '',
		tooLight: 'lighter than the arm is made for',
		tooHeavy: 'heavier than the arm may lift'
	};
	const screwWords = { inOut: 'in-out screw', side: 'side screw' };
	const leanWords = { back: 'back to you', forward: 'away from you', left: 'to your left', right: 'to your right' };
	const level = $derived(
		arm.sections.length > 1 && arm.sections.every(({ id }) => looks[id] === 'level')
			? 'All sections lie level: they share the load.'
			: null
	);
	const round = (value: number) => Math.round(value * 4) / 4;
</script>

<div class="bench">
	<section class="work" aria-label="Arm and vest">
		<div class="part">
			<h2>Lift</h2>
			<p>
				<strong>{together(showMass(loadKg, units))}</strong> on the arm, of {together(showMass(arm.rangeKg[0], units))} to
				{together(showMass(arm.rangeKg[1], units))}.
				{#if lift.fits !== 'within'}<strong class="bad">{fitWords[lift.fits]}.</strong>{/if}
			</p>
			<div class="tube">
				<span>light</span><Vial offset={(lift.share - 0.5) * 2} label="Load within the arm’s range" /><span>heavy</span>
			</div>
			{#each lift.sections as { id, setting, liftedKg, beyondPoints } (id)}
				{@const section = arm.sections.find((each) => each.id === id)}
				{#if section}
					<div class="section" data-section={id}>
						<div>
							<strong>{section.label}</strong>
							<span class="quiet">lifts {together(showMass(liftedKg, units))}</span>
						</div>
						<p class="set">
							<span class="figure" data-testid="lift-{id}">{round(setting)}</span>
							{arm.unit}
						</p>
						<p class="quiet">
							from {section.points
								.map((point) => `${together(showMass(point.loadKg, units))} at ${point.setting}`)
								.join(' and ')}
							{#if beyondPoints > 0}<span class="bad">; beyond both known points, so go there by halves</span>{/if}
						</p>
						<div class="chips" role="group" aria-label="{section.label} lies">
							{#each ['droops', 'level', 'rises'] as const as look (look)}
								<Button
									class="chip"
									aria-pressed={looks[id] === look}
									onclick={() => (looks = { ...looks, [id]: look })}
									data-testid="lies-{id}-{look}">{look === 'level' ? 'lies level' : look}</Button
								>
							{/each}
							<QuantityField
								label="stands at"
								value={settingOf(id)}
								quantity="count"
								{units}
								check={allowed(sledLimits.armSetting, 'count')}
								onvalue={(value) => (lifted = { ...lifted, [id]: value })}
								testId="stands-{id}"
							/>
						</div>
						{#if looks[id] === 'droops' || looks[id] === 'rises'}
							<p class="advice" data-testid="lift-advice-{id}">
								Turn it <strong>{looks[id] === 'droops' ? 'up' : 'down'} {liftTurn(section)} {arm.unit}</strong>, half a
								kilogram’s worth, to {round(settingOf(id) + (looks[id] === 'droops' ? 1 : -1) * liftTurn(section))}, and
								look again.
							</p>
						{:else if looks[id] === 'level'}
							<Button class="link" onclick={() => keepPoint(id)} data-testid="keep-{id}"
								>Keep {settingOf(id)} at {together(showMass(loadKg, units))} as a known point</Button
							>
						{/if}
					</div>
				{/if}
			{/each}
			{#if level !== null}<p class="advice">{level}</p>{/if}
			<p class="caution">
				The maker’s manual says what the arm may lift and how its springs are turned. Never under load past its marks.
			</p>
		</div>
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
			<h2>In the vest</h2>
			{#if wornSince !== null}
				<p class="clock figure" class:bad={goneMinutes > vest.spellMinutes} data-testid="vest-clock">
					{Math.floor(goneMinutes)}:{String(Math.floor((goneMinutes % 1) * 60)).padStart(2, '0')}
				</p>
				<p>
					{goneMinutes > vest.spellMinutes
						? `Longer than ${vest.spellMinutes} min with this load: hand it over or dock it.`
						: `Dock it within ${vest.spellMinutes} min with this load.`}
				</p>
				<Button class="go" onclick={takeOff} data-testid="vest-off">It is docked</Button>
			{:else}
				<p data-testid="vest-advice">
					{#if vest.lastMinutes === null}Not worn today. With this load, {vest.spellMinutes} min at a time, then {vest.restMinutes}
						min off.
					{:else if vest.rest}<strong>Rest {vest.restMinutes - (vest.restedMinutes ?? 0)} min more.</strong>
						{vest.lastMinutes} min worn, {vest.restedMinutes} min rested.
					{:else}Rested. {vest.todayMinutes} min today; with this load, {vest.spellMinutes} min at a time.{/if}
				</p>
				<Button class="second" onclick={putOn} data-testid="vest-on">It is on me: start the clock</Button>
				<div class="row">
					<QuantityField
						label="or worn for, minutes"
						value={minutes}
						quantity="count"
						{units}
						check={allowed(sledLimits.wornMinutes, 'count')}
						onvalue={(value) => (minutes = value)}
						testId="vest-minutes"
					/>
					<Button class="chip" onclick={() => add({ kind: 'vest', minutes, loadKg, note: '' })} data-testid="vest-log"
						>Log it</Button
					>
				</div>
			{/if}
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
		padding: 12px 22px 16px 26px;
		display: grid;
		gap: 10px;
	}
	.part + .part {
		border-top: 2px solid var(--rule);
	}
	h2 {
		font-size: 18px;
	}
	h3 {
		font-size: 16px;
		margin-top: 6px;
	}
	.answer-column h2 {
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	.tube {
		display: grid;
		grid-template-columns: 44px 1fr 50px;
		align-items: center;
		gap: 10px;
		font-size: 13px;
		color: var(--quiet);
	}
	.section {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 2px 16px;
		border: 1px solid var(--rule);
		background: var(--panel);
		padding: 10px 14px;
	}
	.section > .quiet,
	.section > .chips,
	.section > .advice,
	.section > :global(.link) {
		grid-column: 1 / 3;
		justify-self: start;
	}
	.section .chips {
		align-items: end;
	}
	.section .chips :global(.field) {
		width: 110px;
		font-size: 13px;
	}
	.set {
		font-size: 17px;
	}
	.set .figure {
		font-size: 30px;
		font-weight: 700;
	}
	.bad {
		color: var(--clay);
	}
	.advice {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
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
	.clock {
		font-size: 44px;
		font-weight: 700;
		line-height: 1;
	}
</style>
