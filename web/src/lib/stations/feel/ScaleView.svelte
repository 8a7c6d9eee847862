<script lang="ts">
	/* eslint-disable max-lines -- one sheet: the timer, the curve it gives and the figures it changes are read together. */
	import type { FollowFit, TimedTurn } from '@poise/core';
	import { onMount, untrack } from 'svelte';
	import { NewestTrial } from '$lib/places/newestTrial.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { when } from '$lib/sheet/when';
	import type { Person } from '$lib/model/person';
	import { radFromDeg } from '@poise/core';
	import { v7 as newId } from 'uuid';
	import { sharedFeel } from './feelBench.svelte';
	import { feelLimits, most } from './limits';
	import { type OwnScaleSheet, type SettingName, settingNames, type TimedRun } from './model';
	import { offScale, scaleProblem, scalesFrom, settingWords, turnsOf, valueOf } from './scales';
	import { isQuick, nextSetting, padWords, pressed, ready, type Timing } from './turnTimer';
	import { degrees, ownFigure } from './words';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const sheet = $derived(bench.sheet);
	const { follow, deadband, smooth } = $derived(sheet.scales);
	const counted = $derived(sheet.runs.filter(({ struck }) => !struck));

	let timing = $state.raw<Timing>(ready);
	const suggested = $derived(
		nextSetting(
			follow,
			counted.map((run) => run.follow)
		)
	);
	/** What the gimbal is set to for the turn; null: as suggested, or as it stands. */
	let typed = $state.raw<{
		follow?: number;
		deadband?: number;
		smooth?: number;
		angleRad?: number;
		restShortRad?: number;
	}>({});
	const at = $derived({
		follow: typed.follow ?? suggested,
		deadband: typed.deadband ?? bench.state.now.pan.deadband,
		smooth: typed.smooth ?? bench.state.now.pan.smooth,
		angleRad: typed.angleRad ?? radFromDeg(45)
	});
	const shortRad = $derived(typed.restShortRad ?? Math.min(valueOf(deadband, at.deadband), at.angleRad * 0.5));
	/** What it was set to as the turn began: whatever is typed after, it was timed at that. */
	let timedAt = $state.raw<typeof at | null>(null);
	function press() {
		const before = timing;
		timing = pressed(timing, performance.now());
		if (timing.at === 'turned' && before.at !== 'turned') timedAt = at;
	}
	function keep() {
		if (timing.at !== 'done' || timedAt === null) return;
		const run: TimedRun = {
			id: newId(),
			at: new Date().toISOString(),
			by: person.name,
			...timedAt,
			halfS: timing.halfS,
			endS: timing.endS,
			restShortRad: shortRad,
			struck: false
		};
		bench.changeSheet({ runs: [...sheet.runs, run].slice(-most.runs) });
		timing = ready;
		// The next turn is at another setting; what it stands short by is seen anew.
		const { follow: _, restShortRad: __, ...same } = typed;
		typed = same;
	}
	let trial = $state.raw<NewestTrial<readonly TimedTurn[], FollowFit> | null>(null);
	onMount(() => {
		const made = new NewestTrial<readonly TimedTurn[], FollowFit>(
			new Worker(new URL('./scale.worker.ts', import.meta.url), { type: 'module' }),
			{
				broken: 'The turns could not be worked out here: reload the page. They are kept.',
				untried: 'These times do not fit together: strike out the one that was a slip.'
			}
		);
		trial = made;
		return () => made.stop();
	});
	/** Of itself, so that a step of the history that changes none of them asks nothing anew. */
	const tests = $derived(JSON.stringify(turnsOf(sheet)));
	$effect(() => {
		const asks = trial;
		const turns = JSON.parse(tests) as readonly TimedTurn[] | null;
		untrack(() => asks?.ask(turns));
	});
	const problem = $derived(trial?.problem ?? '');
	const pending = $derived(tests !== 'null' && (trial === null || trial.pending));
	const fit = $derived(trial?.answer ?? null);
	const after = $derived(
		fit === null ? null : scalesFrom(sheet, fit, { at: new Date().toISOString(), by: person.name })
	);
	const taken = $derived(
		after !== null &&
			Math.abs(after.follow.atMost / follow.atMost - 1) < 1e-6 &&
			Math.abs(after.follow.atLeast / follow.atLeast - 1) < 1e-6
	);
	const change = (name: SettingName, next: Partial<OwnScaleSheet>, about: string | null = null) =>
		bench.changeSheet({ scales: { ...sheet.scales, [name]: { ...sheet.scales[name], ...next } } }, about);

	const perS = (value: number) => `${value < 9.95 ? value.toFixed(1) : value.toFixed(0)} a second`;
	const show: Record<SettingName, (value: number) => string> = {
		follow: perS,
		deadband: degrees,
		smooth: (value) => `${value.toFixed(2)} s`,
		stiffness: (value) => `${Math.round(value * 100)} % of the motor`
	};
	const quantity = { follow: 'count', deadband: 'angle', smooth: 'time', stiffness: 'share' } as const;
	const limitOf = {
		follow: feelLimits.follow,
		deadband: feelLimits.deadband,
		smooth: feelLimits.smooth,
		stiffness: feelLimits.stiffnessShare
	} as const;
	const shown = $derived(after?.follow ?? follow);
	const curve = $derived(
		Array.from({ length: 41 }, (_, k) => {
			const setting = shown.least + ((shown.most - shown.least) * k) / 40;
			return [setting, valueOf(shown, setting)] as const;
		})
	);
	const dots = $derived((fit?.at ?? []).map(({ setting, followPerS }) => [setting, followPerS] as const));
	const lawWords = { linear: 'even steps', log: 'growing steps' } as const;
	const cannot = $derived(
		fit === null
			? []
			: fit.cannotTell.map(
					(each) =>
						({
							law: 'whether it grows by even or by growing steps (time a third setting)',
							smoothS: 'its smoothing',
							deadbandRad: 'its dead band',
							maxRateRadPerS: 'its greatest speed',
							maxAccelRadPerS2: 'how hard it may accelerate'
						})[each]
				)
	);
</script>

<h1 class="sr-only">This gimbal’s own scale</h1>
<div class="bench scale">
	<section class="work" aria-label="Time a turn">
		<div class="settings">
			<QuantityField
				label={`“${follow.name}” is at`}
				quantity="count"
				units="metric"
				value={at.follow}
				check={(value) => offScale(follow, value)}
				onvalue={(value) => (typed = { ...typed, follow: value })}
				testId="run-follow"
			/>
			<QuantityField
				label={`“${deadband.name}” is at`}
				quantity="count"
				units="metric"
				value={at.deadband}
				check={(value) => offScale(deadband, value)}
				onvalue={(value) => (typed = { ...typed, deadband: value })}
			/>
			<QuantityField
				label={`“${smooth.name}” is at`}
				quantity="count"
				units="metric"
				value={at.smooth}
				check={(value) => offScale(smooth, value)}
				onvalue={(value) => (typed = { ...typed, smooth: value })}
			/>
			<QuantityField
				label="Turned by"
				quantity="angle"
				units={person.units}
				value={at.angleRad}
				check={allowed(feelLimits.turn, 'angle')}
				onvalue={(angleRad) => (typed = { ...typed, angleRad })}
				testId="run-angle"
			/>
		</div>
		<p class="caution">Turn the handle as quickly as you can and keep it there. Nobody’s face near the lens.</p>
		<Button
			class="pad {timing.at}"
			onpointerdown={press}
			onkeydown={(event) => {
				if ((event.key === ' ' || event.key === 'Enter') && !event.repeat) {
					event.preventDefault();
					press();
				}
			}}
			data-testid="turn-pad"
		>
			<span class="big">{padWords[timing.at]}</span>
			<span class="times"
				>{timing.at === 'done'
					? `half way after ${timing.halfS.toFixed(2)} s, stood after ${timing.endS.toFixed(2)} s`
					: timing.at === 'half'
						? `half way after ${timing.halfS.toFixed(2)} s`
						: ''}</span
			>
		</Button>
		{#if timing.at === 'done'}
			<div class="settings">
				<QuantityField
					label="It stood short of the hand by"
					quantity="angle"
					units={person.units}
					value={shortRad}
					check={(value) =>
						value < at.angleRad ? allowed(feelLimits.deadband, 'angle')(value) : 'Less than it was turned by.'}
					onvalue={(restShortRad) => (typed = { ...typed, restShortRad })}
					testId="run-short"
				/>
				<Button class="chip go-on" onclick={keep} data-testid="keep-run"
					>{isQuick(timing) ? 'Keep this turn' : 'It was so: keep it'}</Button
				>
				<Button class="chip" onclick={() => (timing = ready)}>{isQuick(timing) ? 'Throw it away' : 'Turn again'}</Button
				>
			</div>
			{#if timedAt !== null}
				<p class="quiet" data-testid="timed-at">
					Timed at {follow.name}
					{ownFigure(timedAt.follow)}, {deadband.name}
					{ownFigure(timedAt.deadband)}, {smooth.name}
					{ownFigure(timedAt.smooth)}, and kept so whatever stands above by now.
				</p>
			{/if}
			{#if !isQuick(timing)}
				<p class="warning" role="alert" data-testid="not-quick">
					Half of the way after {timing.halfS.toFixed(1)} s is no quick turn: a press was missed, or the hand turned slowly.
					Was it so?
				</p>
			{/if}
		{/if}
		<Chart
			lines={[
				{ name: 'as reckoned', points: curve, as: 'line' },
				{ name: 'timed', points: dots, as: 'dots' }
			]}
			xTitle={`“${follow.name}” on the gimbal`}
			yTitle="follows, a second"
			label="How quickly the camera follows, against the gimbal’s own scale"
			height={210}
			yLeast={1}
		/>
		<h2>Turns that were timed</h2>
		<ol class="runs">
			{#each [...sheet.runs].reverse() as run (run.id)}
				<li class:struck={run.struck} data-testid="run">
					<span
						>at {ownFigure(run.follow)}: half in {run.halfS.toFixed(2)} s, stood in {run.endS.toFixed(2)} s, {degrees(
							run.restShortRad
						)} short of
						{degrees(run.angleRad)}</span
					>
					<small>{run.by}, {when(run.at)}</small>
					<Button
						class="link"
						onclick={() =>
							bench.changeSheet({
								runs: sheet.runs.map((each) => (each.id === run.id ? { ...each, struck: !each.struck } : each))
							})}>{run.struck ? 'Count it' : 'Strike out'}</Button
					>
				</li>
			{:else}
				<li class="quiet">None yet.</li>
			{/each}
		</ol>
	</section>
	<section class="answer-column" aria-label="The answer">
		<Slip heading="The gimbal’s own scale">
			{#snippet answer()}
				{#if problem !== ''}Something was a slip.
				{:else if pending}Working out the turns …
				{:else if fit === null}Set {follow.name} to <strong>{ownFigure(at.follow)}</strong> and time a quick turn.
				{:else}{ownFigure(follow.least)} to {ownFigure(follow.most)} follows
					<strong>{shown.atLeast.toFixed(1)} to {perS(shown.atMost)}</strong>.{/if}
			{/snippet}
			{#if problem !== ''}<p class="warning" role="alert">{problem}</p>{/if}
			<p class="detail" data-testid="scale-detail">
				{#if pending}The whole law is fitted to {counted.length} turns.
				{:else if fit === null}
					{counted.length === 0 ? 'Two settings far apart are enough' : 'One more, at another setting'}; several turns
					at each make it surer. Until then {perS(follow.atLeast)} to {perS(follow.atMost)} is assumed.
				{:else}
					By {lawWords[fit.scale.law]}{fit.cannotTell.includes('law') ? ', as far as two settings tell' : ''}; {fit.at
						.map(
							({ setting, followPerS, followShareSigma }) =>
								`${perS(followPerS)} ± ${Math.round(followShareSigma * 100)} % at ${ownFigure(setting)}`
						)
						.join(', ')}.
				{/if}
			</p>
			{#if fit !== null && after !== null}
				<dl class="beside" data-testid="scale-beside">
					<div>
						<dt>Was reckoned</dt>
						<dd>{perS(follow.atLeast)} to {perS(follow.atMost)}{follow.measured === null ? ', assumed' : ''}</dd>
					</div>
					<div>
						<dt>Seen</dt>
						<dd>
							{counted.length} turns, off the curve by {fit.residualS[fit.scale.law].toFixed(2)} s (a thumb is good for 0.05
							s)
						</dd>
					</div>
					<div>
						<dt>Now reckoned</dt>
						<dd><strong>{perS(after.follow.atLeast)} to {perS(after.follow.atMost)}</strong></dd>
					</div>
				</dl>
				{#if fit.doubtful}
					<p class="warning">
						These times fit no such axis: something else held it back, its greatest speed perhaps. Turn it by less.
					</p>
				{/if}
				{#if cannot.length > 0}<p class="checks">These turns cannot tell {cannot.join(', ')}.</p>{/if}
				{#if !fit.cannotTell.includes('maxRateRadPerS')}<p class="checks">
						It turns no quicker than {degrees(fit.maxRateRadPerS)} a second, by these turns.
					</p>{/if}
				<Button
					class="go"
					disabled={taken && follow.measured !== null}
					onclick={() => {
						bench.changeSheet({ scales: after });
						bench.settle();
					}}
					data-testid="take-scale"
					>{taken && follow.measured !== null
						? 'This is the gimbal’s scale'
						: 'Take this for the gimbal’s scale'}</Button
				>
			{/if}
			<div class="scales">
				{#each settingNames as name (name)}
					{@const scale = sheet.scales[name]}
					{@const problem = scaleProblem(scale)}
					<details data-scale={name}>
						<summary
							><strong>{settingWords[name].name}</strong> “{scale.name}”: {show[name](scale.atLeast)} to {show[name](
								scale.atMost
							)}<small
								>{scale.measured === null
									? 'assumed'
									: `measured by ${scale.measured.by}, ${when(scale.measured.at)}`}</small
							></summary
						>
						<div class="fields">
							<label
								>In its menu
								<TextInput
									value={scale.name}
									maxlength={60}
									aria-invalid={scale.name.trim() === ''}
									oninput={(event) => change(name, { name: event.currentTarget.value }, `name ${name}`)}
									onblur={bench.settle}
									data-testid="menu-{name}"
								/></label
							>
							<QuantityField
								label="From"
								quantity="count"
								units="metric"
								value={scale.least}
								check={(value) =>
									value < scale.most ? allowed(feelLimits.ownFigure, 'count')(value) : 'Below where it ends.'}
								onvalue={(least) => change(name, { least }, `least ${name}`)}
								oncommit={bench.settle}
							/>
							<QuantityField
								label="to"
								quantity="count"
								units="metric"
								value={scale.most}
								check={(value) =>
									value > scale.least ? allowed(feelLimits.ownFigure, 'count')(value) : 'Above where it begins.'}
								onvalue={(greatest) => change(name, { most: greatest }, `most ${name}`)}
								oncommit={bench.settle}
							/>
							<QuantityField
								label="is"
								quantity={quantity[name]}
								units="metric"
								value={scale.atLeast}
								check={(value) =>
									value >= 0 && (scale.law === 'linear' || value > 0)
										? value < scale.atMost
											? null
											: 'Below what it ends at.'
										: scale.law === 'log'
											? 'More than 0: growing steps do not begin at nothing.'
											: 'Not below 0.'}
								onvalue={(atLeast) => change(name, { atLeast, measured: null }, `atLeast ${name}`)}
								oncommit={bench.settle}
								testId="at-least-{name}"
							/>
							<QuantityField
								label="to"
								quantity={quantity[name]}
								units="metric"
								value={scale.atMost}
								check={(value) =>
									value > scale.atLeast ? allowed(limitOf[name], quantity[name])(value) : 'Above what it begins at.'}
								onvalue={(atMost) => change(name, { atMost, measured: null }, `atMost ${name}`)}
								oncommit={bench.settle}
							/>
							<label
								>by
								<Choice
									value={scale.law}
									onchange={(event) => {
										const law = event.currentTarget.value as OwnScaleSheet['law'];
										change(name, {
											law,
											measured: null,
											...(law === 'log' && scale.atLeast <= 0 ? { atLeast: scale.atMost / 100 } : {})
										});
									}}
								>
									<option value="linear">{lawWords.linear}</option><option value="log">{lawWords.log}</option>
								</Choice></label
							>
							{#if problem !== null}<p class="bad" role="alert">{problem}</p>{/if}
						</div>
					</details>
				{/each}
			</div>
		</Slip>
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 12px 18px 16px 26px;
		gap: 8px;
	}
	.settings {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	.settings :global(.field) {
		width: 148px;
	}
	.caution {
		color: var(--clay);
		border-left: 4px solid var(--clay);
		padding: 2px 12px;
	}
	.work > :global(.pad) {
		min-height: 168px;
		border-radius: 10px;
		border: 2px solid var(--press);
		color: var(--press);
		background: var(--panel);
		display: grid;
		place-content: center;
		gap: 6px;
		text-align: center;
		touch-action: none;
		user-select: none;
	}
	.work > :global(.pad.turned),
	.work > :global(.pad.half) {
		background: var(--press);
		color: var(--press-ink);
	}
	.big {
		font-size: 32px;
		font-weight: 700;
	}
	.times {
		font-family: var(--font-mono);
		font-size: 17px;
	}
	.settings > :global(.go-on) {
		background: var(--press);
		color: var(--press-ink);
		font-weight: 700;
	}
	h2 {
		font-size: 15px;
	}
	.runs {
		font-size: 14px;
		display: grid;
	}
	.runs li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 14px;
		align-items: center;
	}
	.runs li.struck span {
		text-decoration: line-through;
	}
	.runs :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
	small {
		color: var(--quiet);
		font-size: 13px;
	}
	.beside {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		font-size: 15px;
		display: grid;
		gap: 2px;
	}
	.beside div {
		display: grid;
		grid-template-columns: 118px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	.scales details {
		border-top: 1px solid var(--rule);
	}
	summary {
		min-height: 44px;
		padding: 8px 0;
		font-size: 15px;
		cursor: pointer;
	}
	summary small {
		display: block;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
		gap: 8px 12px;
		align-items: end;
		padding-bottom: 12px;
	}
	.fields label {
		display: grid;
		gap: 3px;
		font-size: 14px;
	}
	.fields :global(select),
	.fields :global(input) {
		min-height: 44px;
		width: 100%;
		min-width: 0;
	}
	@media (max-width: 900px) {
		.work {
			padding: 12px 14px;
		}
		/* The thumb's part first: nothing on the slip is needed to time a turn. */
		.scale > .answer-column {
			order: 1;
		}
		.work > :global(.pad) {
			min-height: 240px;
		}
	}
</style>
