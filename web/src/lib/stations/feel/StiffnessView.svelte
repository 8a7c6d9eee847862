<script lang="ts">
	/* eslint-disable max-lines -- one sheet: the tubes, what they cost and what was seen are read together. */
	import { radFromDeg } from '@poise/core';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { showInertia, showTorque, together } from '$lib/sheet/units/display';
	import { when } from '$lib/sheet/when';
	import type { Person } from '$lib/model/person';
	import type { TurningAxis } from '$lib/model/turning';
	import { v7 as newId } from 'uuid';
	import { beyondWords } from './beyond';
	import { costsOf } from './costs';
	import { sharedFeel } from './feelBench.svelte';
	import { feelLimits, most } from './limits';
	import { reckonedDelayS, sagSeen } from './looks';
	import type { StiffnessLook } from './model';
	import { loopOf } from './scales';
	import { sagRad } from './stiffness';
	import StiffnessTube from './StiffnessTube.svelte';
	import { degrees, ownFigure, percent } from './words';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const { sheet, data } = $derived(bench);
	const scale = $derived(sheet.scales.stiffness);
	const delayS = $derived(reckonedDelayS(sheet));
	/** Of every motor: where it sags, where it buzzes, how it is set; and the one figure that all of them bear. */
	const axes = $derived(bench.stiffness.axes);
	const common = $derived(bench.stiffness.common);
	let axis = $state<TurningAxis | null>(null);
	const chosen = $derived(
		axes.find((each) => each.axis === axis) ?? axes.find((each) => each.axis === bench.axis) ?? axes[0]
	);
	const cost = $derived(
		chosen === undefined
			? null
			: costsOf(sheet, data.payload.id, chosen.axis, chosen.turning, chosen.loop.naturalRadPerS, (watts) =>
					bench.minutesLess(watts)
				)
	);

	let seeing = $state<'buzzes' | 'sags' | null>(null);
	let at = $state<number | null>(null);
	let leanRad = $state(radFromDeg(3));
	/** What was reckoned before the look just taken, laid beside it. */
	let beside = $state.raw<{ expected: string; seen: string; reckoned: string } | null>(null);
	const ms = (value: number) => `${(value * 1000).toFixed(1)} ms late`;

	function look() {
		if (chosen === undefined || seeing === null) return;
		const stiffness = at ?? chosen.own;
		const loop = loopOf(scale, stiffness, chosen.turning);
		const before = { delayS, residualNm: chosen.residualNm, buzzing: chosen.buzzing };
		const taken: StiffnessLook = {
			id: newId(),
			at: new Date().toISOString(),
			by: person.name,
			kind: seeing,
			axis: chosen.axis,
			stiffness,
			leanRad: seeing === 'sags' ? leanRad : 0,
			payloadId: data.payload.id,
			payloadName: data.payload.name,
			naturalRadPerS: loop.naturalRadPerS,
			stiffnessNmPerRad: loop.stiffnessNmPerRad,
			residualNm: chosen.turning.residualNm,
			struck: false
		};
		bench.changeSheet({ looks: [...sheet.looks, taken].slice(-most.looks) });
		bench.settle();
		const units = person.units;
		beside =
			seeing === 'buzzes'
				? {
						expected: before.buzzing.within
							? `no buzz before ${ownFigure(before.buzzing.setting)} (motors ${ms(before.delayS)})`
							: `no buzz on the whole scale (motors ${ms(before.delayS)})`,
						seen: `it buzzes at ${ownFigure(stiffness)}`,
						reckoned: `motors ${ms(reckonedDelayS({ ...sheet, looks: bench.sheet.looks }))}`
					}
				: {
						expected: `${degrees(before.residualNm / loop.stiffnessNmPerRad)} at ${ownFigure(stiffness)} (${together(showTorque(before.residualNm, units))} off balance)`,
						seen: `${degrees(leanRad)} at ${ownFigure(stiffness)}`,
						reckoned: `${together(showTorque(leanRad * loop.stiffnessNmPerRad, units))} off balance`
					};
		seeing = null;
		at = null;
	}
	const strike = (id: string, struck: boolean) => {
		beside = null;
		bench.changeSheet({ looks: sheet.looks.map((each) => (each.id === id ? { ...each, struck } : each)) });
	};
	const advice = $derived(common?.advice ?? null);
	const clash = $derived(common?.clash ?? false);
	const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);
	const wrong = $derived(axes.filter(({ own, best, sagging }) => own > best || own < Math.min(sagging, best)));
</script>

<h1 class="sr-only">Stiffness: between sag and buzz</h1>
<div class="bench stiffness">
	<section class="work" aria-label="Stiffness of every motor">
		{#each axes as each (each.axis)}
			<div class="axis" class:chosen={each.axis === chosen?.axis} data-axis={each.axis}>
				<Button class="axis-name" aria-pressed={each.axis === chosen?.axis} onclick={() => (axis = each.axis)}
					>{each.axis}</Button
				>
				<StiffnessTube
					label={each.axis}
					{scale}
					value={each.own}
					sagging={each.alwaysSags ? scale.most : each.sagging}
					best={each.best}
					buzzing={each.buzzing.within ? each.buzzing.setting : null}
					onvalue={(value) => {
						axis = each.axis;
						bench.standsAt(each.axis, 'stiffness', value);
					}}
					onsettle={bench.settle}
				/>
				<dl>
					<div>
						<dt>turns</dt>
						<dd>{showInertia(each.turning.inertiaKgM2, person.units)}</dd>
					</div>
					<div>
						<dt>answers within</dt>
						<dd>{(1000 / each.loop.naturalRadPerS).toFixed(0)} ms</dd>
					</div>
					<div>
						<dt>leans at worst</dt>
						<dd>{degrees(each.leanRad)}</dd>
					</div>
				</dl>
			</div>
		{/each}
		<p class="quiet note">
			One tube a motor: soft at the left it sags, stiff at the right it buzzes. The marks are where a lean of {degrees(
				sagRad
			)} begins and where the margin of 45° ends, as reckoned for this payload with motors {ms(
				delayS
			)}{scale.measured === null ? ' and an assumed scale' : ''}.
		</p>
		<h2>What was seen</h2>
		<ol class="looks">
			{#each [...sheet.looks].reverse() as seen (seen.id)}
				{@const counts =
					seen.kind === 'buzzes' ||
					sagSeen(sheet, data.payload.id, seen.axis, data.turnings[seen.axis] ?? { residualNm: -1 })?.id === seen.id}
				<li class:struck={seen.struck} data-testid="stiff-look">
					<span
						>{seen.axis}
						{seen.kind === 'buzzes'
							? `buzzes at ${ownFigure(seen.stiffness)}`
							: `sags ${degrees(seen.leanRad)} at ${ownFigure(seen.stiffness)}`}, with {seen.payloadName}</span
					>
					<small
						>{seen.by}, {when(seen.at)}{!seen.struck && !counts
							? '; another balance or payload, or seen anew: does not count now'
							: ''}</small
					>
					<Button class="link" onclick={() => strike(seen.id, !seen.struck)}
						>{seen.struck ? 'Count it' : 'Strike out'}</Button
					>
				</li>
			{:else}
				<li class="quiet">Nothing yet: what you hear and see corrects what is reckoned.</li>
			{/each}
		</ol>
	</section>
	<section class="answer-column" aria-label="The answer">
		{#if chosen !== undefined}
			<Slip heading="{chosen.axis.charAt(0).toUpperCase()}{chosen.axis.slice(1)} · {data.payload.name}">
				{#snippet answer()}
					{#if bench.beyond.length > 0}It <strong>must not fly</strong> so.
					{:else if clash}Balance {common?.sags} better: <strong>no stiffness</strong> holds it and stays quiet.
					{:else if advice === null}Leave {scale.name} at <strong>{ownFigure(chosen.own)}</strong>.
					{:else}Set {scale.name} to <strong>{ownFigure(advice)}</strong>, all motors.{/if}
				{/snippet}
				{#each beyondWords(bench.beyond, person.units) as words (words)}
					<p class="warning" role="alert" data-testid="beyond">{words}</p>
				{/each}
				<p class="detail">
					{#if bench.beyond.length > 0}
						No stiffness mends that: motors stay off until it is.
						<a href="/balance/{data.support.kind}/{data.support.id}/{data.payload.id}">To the bench</a>
					{:else if clash && common !== null}
						Below {ownFigure(common.least)}
						{common.sags} leans more than {degrees(sagRad)}; above {ownFigure(common.most)}
						{common.decides} is too near to buzzing.
						<a href="/balance/{data.support.kind}/{data.support.id}/{data.payload.id}">To the bench</a>
					{:else if advice === null && common !== null}
						Between {ownFigure(common.least)} and {ownFigure(common.most)} none of its motors sags or buzzes, as reckoned;
						{common.decides} decides how stiff.
					{:else if common !== null}
						{capital(common.decides)} decides: above {ownFigure(common.most)} less than 45° of margin is left before it buzzes.
						{#each wrong as { axis: name, own, best, leanRad: lean } (name)}
							<span data-testid="stands-{name}"
								>{capital(name)} stands at {ownFigure(own)}, {own > best
									? 'too near to buzzing'
									: `and leans ${degrees(lean)} in the worst pose`}.</span
							>
						{/each}
					{/if}
				</p>
				{#if advice !== null && !clash && bench.beyond.length === 0}
					<Button
						class="go"
						onclick={() => {
							bench.stiffnessSet(advice);
						}}
						data-testid="set-stiffness">It is set so</Button
					>
				{/if}
				{#if beside !== null}
					<dl class="beside" data-testid="beside">
						<div>
							<dt>Expected</dt>
							<dd data-testid="beside-drawing">{beside.expected}</dd>
						</div>
						<div>
							<dt>Seen</dt>
							<dd data-testid="beside-seen">{beside.seen}</dd>
						</div>
						<div>
							<dt>Now reckoned</dt>
							<dd data-testid="beside-reckoned"><strong>{beside.reckoned}</strong></dd>
						</div>
					</dl>
				{/if}
				<div class="chips" role="group" aria-label="What you hear or see">
					<Button
						class="chip"
						aria-pressed={seeing === 'buzzes'}
						onclick={() => (seeing = seeing === 'buzzes' ? null : 'buzzes')}
						data-testid="it-buzzes">It buzzes</Button
					>
					<Button
						class="chip"
						aria-pressed={seeing === 'sags'}
						onclick={() => (seeing = seeing === 'sags' ? null : 'sags')}
						data-testid="it-sags">It sags</Button
					>
				</div>
				{#if seeing !== null}
					<div class="look">
						<QuantityField
							label={`“${scale.name}” is at`}
							quantity="count"
							units="metric"
							value={at ?? chosen.own}
							check={(value) =>
								value >= scale.least && value <= scale.most
									? null
									: `Between ${ownFigure(scale.least)} and ${ownFigure(scale.most)} on this gimbal.`}
							onvalue={(value) => (at = value)}
							testId="look-at"
						/>
						{#if seeing === 'sags'}
							<QuantityField
								label="It leans by"
								quantity="angle"
								units={person.units}
								value={leanRad}
								check={allowed(feelLimits.lean, 'angle')}
								onvalue={(value) => (leanRad = value)}
								testId="look-lean"
							/>
						{/if}
						<Button class="chip" onclick={look} data-testid="take-look">Take it into account</Button>
					</div>
					<p class="caution">
						{seeing === 'buzzes'
							? 'Switch the motors off before you touch anything: a buzzing motor heats.'
							: 'Hold the camera while you tilt it: a motor that gives up lets it swing.'}
					</p>
				{/if}
				{#if cost !== null}
					<div data-testid="costs">
						<strong>What today’s balance costs on {chosen.axis}</strong>
						<p><b class="figure">{degrees(cost.sagRad)}</b> of lean in the worst pose</p>
						<p>
							{#if cost.motorShare === null}This motor’s torque is not on the <a href="/gimbals/{data.support.id}"
									>gimbal’s sheet</a
								>.
							{:else}<b class="figure">{percent(cost.motorShare)}</b> of the motor, {together(
									showTorque(cost.residualNm, person.units)
								)}{/if}
						</p>
						<p>
							{#if cost.minutes === null}<a href="/payload/{data.payload.id}/power">Fill in the power sheet</a>, and it
								is told in minutes of battery.
							{:else}<b class="figure">{cost.minutes.toFixed(cost.minutes < 9.95 ? 1 : 0)} min</b> less of one set of batteries{/if}
						</p>
						{#if !data.balanced}<p class="checks">
								This payload was never balanced here: the slides count as in their middle.
							</p>{/if}
					</div>
				{/if}
				<div class="look">
					<QuantityField
						label="All motors at full draw"
						quantity="power"
						units="metric"
						value={sheet.fullDrawW}
						check={allowed(feelLimits.draw, 'power')}
						onvalue={(fullDrawW) => bench.changeSheet({ fullDrawW }, 'draw')}
						oncommit={bench.settle}
					/>
				</div>
				<p class="caution">Motors off while balancing. Stay under the maker’s greatest payload.</p>
			</Slip>
		{/if}
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 14px 18px 16px 26px;
		gap: 12px;
	}
	.axis {
		display: grid;
		gap: 2px 14px;
		border-left: 4px solid transparent;
		padding-left: 12px;
	}
	.axis.chosen {
		border-left-color: var(--spirit);
	}
	.axis > :global(.axis-name) {
		justify-self: start;
		min-height: 36px;
		font-weight: 700;
		font-size: 17px;
		color: var(--press);
		text-transform: capitalize;
	}
	.axis dl {
		display: flex;
		flex-wrap: wrap;
		gap: 0 22px;
		font-size: 14px;
	}
	.axis dl div {
		display: flex;
		gap: 6px;
	}
	dt {
		color: var(--quiet);
	}
	dd {
		font-weight: 700;
	}
	.note {
		font-size: 14px;
		max-width: 72ch;
	}
	h2 {
		font-size: 15px;
	}
	.looks {
		font-size: 14px;
	}
	.looks li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 14px;
	}
	.looks li.struck span {
		text-decoration: line-through;
	}
	.looks :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
	small {
		font-size: 13px;
		color: var(--quiet);
	}
	.beside {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		font-size: 15px;
	}
	.beside div {
		display: grid;
		grid-template-columns: 118px 1fr;
	}
	.beside dd {
		font-weight: 400;
	}
	.look {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	.look :global(.field) {
		width: 150px;
	}
	b {
		display: inline-block;
		min-width: 62px;
	}
	@media (max-width: 900px) {
		.work {
			padding: 12px 14px;
		}
	}
</style>
