<script lang="ts">
	/* eslint-disable max-lines -- one sheet: what is shot, how it is worked, and the shots of the crew are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import type { Person } from '$lib/model/person';
	import { degFromRad, radFromDeg } from '@poise/core';
	import { v7 as newId } from 'uuid';
	import { feelPath } from './address';
	import DayShots from './DayShots.svelte';
	import { sharedFeel } from './feelBench.svelte';
	import { feelLimits, most } from './limits';
	import { type GestureKey, gestureKeys, postures, type Shot, type Wishes } from './model';
	import { modeKindWords, wayWords } from './modes';
	import { allShots, gestureWords, isWalk, usualShots } from './shots';
	import { type Advice, peopleWords, postureWords, turnsByWords } from './which';
	import { wishWords } from './words';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const shot = $derived(bench.shot);
	const own = $derived(bench.shots.own.some(({ id }) => id === shot.id));
	const [first, second] = $derived(bench.advice);
	const people = [1, 2, 3] as const;

	const modeFor = (advice: Advice) => bench.sheet.modes.find(({ kind }) => kind === advice.mode) ?? null;
	const edit = (next: Partial<Shot>, about: string | null = null) =>
		bench.changeShots(
			{ own: bench.shots.own.map((each) => (each.id === shot.id ? { ...each, ...next } : each)) },
			about
		);
	const wish = (id: keyof Wishes, value: number | null, about: string | null = null) =>
		edit({ wanted: { ...shot.wanted, [id]: value } }, about);
	function addOwn() {
		const made: Shot = { ...shot, id: newId(), name: `${shot.name}, our way` };
		bench.changeShots({ own: [...bench.shots.own, made] });
		bench.settle();
		bench.chooseShot(made.id);
	}
	function dropOwn() {
		const { id } = shot;
		bench.chooseShot(usualShots[0]!.id);
		bench.changeShots({
			own: bench.shots.own.filter((each) => each.id !== id),
			day: bench.shots.day.map((line) => (line.shotId === id ? { ...line, shotId: usualShots[0]!.id } : line))
		});
	}
	const wishes = [
		['lagRad', 'angle', feelLimits.lagRad, radFromDeg(20)],
		['settleS', 'time', feelLimits.settleS, 2],
		['overshootRad', 'angle', feelLimits.overshootRad, radFromDeg(3)],
		['shakeShare', 'share', feelLimits.shakeShare, 0.02]
	] as const;
</script>

<h1 class="sr-only">Which mode for this shot</h1>
<div class="bench which">
	<section class="work" aria-label="The shot, the posture and the people">
		<fieldset>
			<legend>The shot</legend>
			<div class="chips">
				{#each allShots(bench.shots) as each (each.id)}
					<Button
						class="chip"
						aria-pressed={each.id === shot.id}
						onclick={() => bench.chooseShot(each.id)}
						data-shot={each.id}>{each.name}</Button
					>
				{/each}
			</div>
		</fieldset>
		<fieldset>
			<legend>How it is held</legend>
			<div class="chips">
				{#each postures as posture (posture)}
					<Button
						class="chip"
						aria-pressed={bench.state.posture === posture}
						onclick={() => bench.change({ posture })}
						data-posture={posture}>{postureWords[posture]}</Button
					>
				{/each}
			</div>
		</fieldset>
		<fieldset>
			<legend>Who works it</legend>
			<div class="chips">
				{#each people as count (count)}
					<Button
						class="chip"
						aria-pressed={bench.state.people === count}
						onclick={() => bench.change({ people: count })}
						data-people={count}>{peopleWords[count]}</Button
					>
				{/each}
			</div>
		</fieldset>
		<h2>What {shot.name.toLowerCase()} wants</h2>
		{#if own}
			<div class="fields" data-testid="own-shot">
				<label
					>Its name
					<TextInput
						value={shot.name}
						maxlength={60}
						aria-invalid={shot.name.trim() === ''}
						oninput={(event) => edit({ name: event.currentTarget.value }, 'shot name')}
						onblur={bench.settle}
						data-testid="own-name"
					/></label
				>
				<label
					>The hand
					<Choice value={shot.gesture} onchange={(event) => edit({ gesture: event.currentTarget.value as GestureKey })}>
						{#each gestureKeys as key (key)}<option value={key}>{gestureWords[key].name}</option>{/each}
					</Choice></label
				>
				<label
					>The steps
					<Choice value={shot.walk} onchange={(event) => edit({ walk: event.currentTarget.value as GestureKey })}>
						{#each gestureKeys.filter(isWalk) as key (key)}<option value={key}>{gestureWords[key].name}</option>{/each}
					</Choice></label
				>
				<QuantityField
					label="Pans, ° a second"
					quantity="count"
					units="metric"
					value={degFromRad(shot.panRadPerS)}
					check={(value) => (value > 0 && value <= 720 ? null : 'More than 0, up to 720° a second.')}
					onvalue={(value) => edit({ panRadPerS: radFromDeg(value) }, 'pan')}
					oncommit={bench.settle}
				/>
				{#each wishes as [id, quantity, limit, usual] (id)}
					<span class="wish">
						{#if shot.wanted[id] === null}
							<Button class="chip" onclick={() => wish(id, usual)}>Mind: {wishWords[id].name}</Button>
						{:else}
							<QuantityField
								label={`At most ${wishWords[id].name}`}
								{quantity}
								units={person.units}
								value={shot.wanted[id]}
								check={allowed(limit, quantity)}
								onvalue={(value) => wish(id, value, `wish ${id}`)}
								oncommit={bench.settle}
								testId="wish-{id}"
							/>
							<Button class="link" onclick={() => wish(id, null)} aria-label="Do not mind: {wishWords[id].name}"
								>✕</Button
							>
						{/if}
					</span>
				{/each}
				<Button class="chip" onclick={dropOwn}>Take “{shot.name}” out</Button>
			</div>
		{:else}
			<dl>
				{#each wishes as [id] (id)}
					<div>
						<dt>{wishWords[id].name}</dt>
						<dd>{shot.wanted[id] === null ? 'does not mind' : `at most ${wishWords[id].show(shot.wanted[id])}`}</dd>
					</div>
				{/each}
			</dl>
			<Button class="chip" onclick={addOwn} disabled={bench.shots.own.length >= most.own} data-testid="own-from"
				>Make our own from it</Button
			>
		{/if}
		<p class="quiet">
			Angles are meant with <span data-printed>a 35 mm lens on a 36 mm sensor</span>; a longer lens allows less, for the
			same picture.
		</p>
		<DayShots {bench} />
	</section>
	<section class="answer-column" aria-label="The answer">
		<Slip
			heading="{shot.name} · {postureWords[bench.state.posture].toLowerCase()} · {peopleWords[
				bench.state.people
			].toLowerCase()}"
		>
			{#snippet answer()}<strong>{modeKindWords[first.mode].name}</strong>, {turnsByWords[first.turnsBy]}.{/snippet}
			<div class="lines" data-testid="which-lines">
				<p>{first.who}</p>
				<p>{first.why}</p>
			</div>
			{#if modeFor(first) !== null}
				<p class="detail">{wayWords(bench.sheet.modes, bench.mode, modeFor(first)!)}</p>
				{#if modeFor(first)?.id !== bench.state.modeId}
					<Button class="go" onclick={() => bench.change({ modeId: modeFor(first)!.id })} data-testid="take-mode"
						>It is in {modeFor(first)!.name.toLowerCase()} now</Button
					>
				{/if}
			{:else}
				<p class="warning">
					This gimbal’s sheet has no such mode. <a
						href={feelPath(bench.data.support.id, bench.data.payload.id, 'modes')}>Add it there</a
					>, or work it the other way.
				</p>
			{/if}
			{#if second !== null}
				<div class="other" data-testid="which-other">
					<strong>Others do it so</strong>
					<p>{modeKindWords[second.mode].name}, {turnsByWords[second.turnsBy]}. {second.who} {second.why}</p>
					{#if modeFor(second) !== null && modeFor(second)?.id !== bench.state.modeId}
						<Button class="second" onclick={() => bench.change({ modeId: modeFor(second)!.id })}
							>It is in {modeFor(second)!.name.toLowerCase()} now</Button
						>
					{/if}
				</div>
			{/if}
			<a class="second" href={feelPath(bench.data.support.id, bench.data.payload.id)}>Settings for it</a>
			{#if bench.state.posture !== 'upright'}
				<p class="caution">
					Turn it over with the motors off or held, and keep fingers out of the arms while it finds its level.
				</p>
			{/if}
			{#if bench.state.people > 1}<p class="caution">
					Agree on one word for “let go”: a head that is turned while it is carried pulls at the wrists.
				</p>{/if}
		</Slip>
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 12px 18px 16px 26px;
		gap: 12px;
	}
	fieldset {
		display: grid;
		gap: 6px;
	}
	legend,
	h2 {
		font-size: 15px;
		font-weight: 700;
	}
	dl {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
		gap: 4px 18px;
	}
	dt {
		font-size: 13px;
		color: var(--quiet);
	}
	dd {
		font-size: 18px;
		font-weight: 700;
	}
	.work > :global(.chip) {
		justify-self: start;
		align-self: start;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
		gap: 10px 14px;
		align-items: end;
	}
	.fields label {
		display: grid;
		gap: 3px;
		font-size: 14px;
	}
	.fields :global(select),
	.fields :global(input) {
		min-height: 44px;
		min-width: 0;
	}
	.wish {
		display: flex;
		align-items: end;
		gap: 2px;
	}
	.wish > :global(.link) {
		min-width: 44px;
		min-height: 44px;
	}
	.quiet {
		font-size: 13px;
	}
	.other {
		display: grid;
		gap: 8px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
		font-size: 15px;
	}
	@media (max-width: 900px) {
		.work {
			padding: 12px 14px;
		}
	}
</style>
