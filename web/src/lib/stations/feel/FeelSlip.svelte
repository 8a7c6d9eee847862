<script lang="ts">
	/* eslint-disable max-lines -- one slip: what is asked, the answer, its settings and what they cost are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import type { UnitSystem } from '$lib/model/person';
	import { beyondWords } from './beyond';
	import { settingNames } from './model';
	import { feelPath } from './address';
	import { costsOf } from './costs';
	import type { FeelBench } from './feelBench.svelte';
	import LogRecipe from './LogRecipe.svelte';
	import { wayWords } from './modes';
	import { allShots, usualShots } from './shots';
	import { limitsNamed, limitWords } from './solve';
	import SettingRow from './SettingRow.svelte';
	import { postureWords, peopleWords } from './which';
	import { changes, degrees, ownFigure, percent } from './words';

	interface Props {
		bench: FeelBench;
		units: UnitSystem;
	}
	let { bench, units }: Props = $props();
	const { state: setting, sheet } = $derived(bench);
	const { support, payload } = $derived(bench.data);
	const aimMode = $derived(bench.aimMode.mode);
	const modeChanges = $derived(aimMode !== null && aimMode.id !== setting.modeId);
	const toDo = $derived(bench.now === null || bench.aim === null ? [] : changes(sheet.scales, bench.now, bench.aim));
	const holds = $derived(bench.aimModel !== null && bench.aimModel.settings.followPerS === 0);
	const cost = $derived(
		bench.axis === null || bench.turning === null || bench.nowModel === null
			? null
			: costsOf(sheet, payload.id, bench.axis, bench.turning, bench.nowModel.plant.naturalRadPerS, (watts) =>
					bench.minutesLess(watts)
				)
	);
	const misses = $derived(bench.found !== null && !bench.found.feel.feasible);
	const wins = $derived([...(bench.found?.wins ?? [])].sort((a, b) => b.less - a.less));

	function take() {
		const words = [
			...(modeChanges && aimMode !== null ? [`${aimMode.name}`] : []),
			...toDo.map(({ menu, from, to }) => `${menu} ${from} → ${to}`)
		];
		if (words.length === 0) return;
		bench.setSo(words);
		void showAnswer();
	}
	const keys = pageKeys({
		outsideControls: { Enter: () => (bench.isSet || bench.aim === null || bench.beyond.length > 0 ? false : take()) }
	});
</script>

<svelte:window onkeydown={keys} />

<Slip
	heading="{bench.shot.name} · {postureWords[setting.posture].toLowerCase()} · {peopleWords[
		setting.people
	].toLowerCase()}"
>
	{#snippet answer()}
		{#if bench.beyond.length > 0}
			It <strong>must not fly</strong> so.
		{:else if bench.aim === null}
			{#if bench.trouble !== ''}This cannot be worked out.{:else}Looking for the settings …{/if}
		{:else if bench.isSet}
			It is set as <strong>{bench.shot.name.toLowerCase()}</strong> asks{misses ? ', as far as it goes' : ''}.
		{:else}
			{#if aimMode !== null}{aimMode.name}.{/if}
			{#if toDo.length > 0}
				{#each toDo.slice(0, 1) as { menu, to } (menu)}Set {menu} to <strong>{to}</strong>.{/each}
			{:else if modeChanges}The figures stay.{/if}
		{/if}
	{/snippet}

	{#each beyondWords(bench.beyond, units) as words (words)}
		<p class="warning" role="alert" data-testid="beyond">{words}</p>
	{/each}
	{#if bench.trouble !== ''}<p class="warning" role="alert">{bench.trouble}</p>{/if}
	<p class="detail" data-testid="feel-detail">
		{#if modeChanges && aimMode !== null}{wayWords(sheet.modes, bench.mode, aimMode)}{/if}
		{#if bench.beyond.length > 0}Settings cannot mend that: motors stay off until it is.
		{:else if !bench.isSet && toDo.length > 1}
			{#each toDo.slice(1) as { menu, to }, index (menu)}{index === 0 ? 'Then ' : ', '}{menu} to
				<strong>{to}</strong>{/each}.
		{/if}
		{#if bench.aimMode.missing}This gimbal’s sheet has no mode for it: <a
				href={feelPath(support.id, payload.id, 'modes')}>add one</a
			>.{/if}
	</p>

	<label class="shot"
		><span>Shot</span>
		<Choice value={setting.shotId} onchange={(event) => bench.chooseShot(event.currentTarget.value)} data-testid="shot">
			{#each allShots(bench.shots) as shot (shot.id)}
				<option value={shot.id}>{shot.name}{usualShots.includes(shot) ? '' : ' (own)'}</option>
			{/each}
		</Choice>
		<a href={feelPath(support.id, payload.id, 'which')}>Posture, people, own shots</a>
	</label>

	<div class="calm">
		<span>quick</span>
		<span class="tube"
			><Range
				min={-1}
				max={1}
				step={0.25}
				value={setting.calm}
				aria-label="From quick to calm"
				oninput={(event) => bench.change({ calm: Number(event.currentTarget.value), tried: null }, 'calm')}
				onchange={bench.settle}
				data-testid="calm"
			/></span
		>
		<span>calm</span>
	</div>

	{#if bench.aim !== null && bench.now !== null}
		<div class="settings">
			{#each settingNames as name (name)}
				<SettingRow
					{name}
					scale={sheet.scales[name]}
					value={bench.aim[name]}
					now={bench.now[name]}
					disabled={holds && name !== 'stiffness'}
					onvalue={(value) => bench.tryOne(name, value)}
					onsettle={bench.settle}
				/>
			{/each}
		</div>
		{#if holds}<p class="checks">
				{aimMode?.name ?? 'This mode'}: this axis does not follow the hand, so only its stiffness counts.
			</p>{/if}
		{#if setting.tried !== null}
			<p class="checks">
				This is your own try. <Button class="link" onclick={() => bench.untry()} data-testid="as-found"
					>As found for the shot</Button
				>
			</p>
		{/if}
	{/if}

	<Button
		class="go stays"
		onclick={take}
		disabled={bench.isSet || bench.aim === null || bench.beyond.length > 0}
		data-testid="set-so">It is set so</Button
	>
	{#if bench.found !== null && bench.found.feel.binding.length === 0 && setting.tried === null && !holds}
		<p class="checks" data-testid="binding">No wish stands in the way: with more leave it would shake no less.</p>
	{/if}
	{#if bench.found !== null && bench.found.feel.binding.length > 0 && setting.tried === null}
		<p class={misses ? 'warning' : 'checks'} data-testid="binding">
			{misses
				? `${limitsNamed(bench.found.feel.binding)} cannot be met with this gimbal’s scales; this comes nearest.`
				: `${limitsNamed(bench.found.feel.binding)}: no more than that is left to give.`}
			{#if !misses}
				{#each wins.filter(({ less }) => less >= 0.03).slice(0, 1) as { limit, less } (limit)}
					{limitWords[limit].more} would take {Math.round(less * 100)} % off the shake.
				{/each}
			{/if}
		</p>
	{/if}
	{#if bench.stiffness.common !== null && bench.motors.length > 1}
		<p class="checks" data-testid="all-motors">
			{sheet.scales.stiffness.name} is set for all motors, at most {ownFigure(bench.stiffest)}: {bench.stiffness.common
				.decides} decides.
		</p>
	{/if}
	{#if bench.aimModel !== null && bench.aimModel.phaseMarginRad <= 0}
		<p class="warning" role="alert">So stiff it buzzes, as reckoned. Turn {sheet.scales.stiffness.name} down.</p>
	{/if}
	{#if bench.assumed.length > 0}
		<p class="checks" data-testid="assumed">
			Reckoned with assumed scales for {bench.assumed.map((name) => sheet.scales[name].name).join(', ')}.
			<a href={feelPath(support.id, payload.id, 'scale')}>Time two turns</a> and they are this gimbal’s own.
		</p>
	{/if}

	<LogRecipe {bench} />
	<p class="caution">Power on only with the camera on and balanced; stay under the maker’s greatest payload.</p>

	{#if cost !== null}
		<div class="costs" data-testid="costs">
			<strong>What today’s balance costs</strong>
			<p><b class="figure">{degrees(cost.sagRad)}</b> of lean in the worst pose, {bench.axis}</p>
			{#if cost.motorShare !== null}
				<p>
					<b class="figure">{percent(cost.motorShare)}</b> of the {bench.axis} motor{#if cost.minutes !== null}, {cost.minutes <
						1
							? 'under a minute'
							: `${Math.round(cost.minutes)} minutes`} of battery{/if}
				</p>
			{/if}
			{#if !bench.data.balanced}<p class="quiet">
					It was never balanced here: the slides count as in their middle.
				</p>{/if}
			<a href={feelPath(support.id, payload.id, 'stiffness')}>Stiffness, buzz and sag</a>
		</div>
	{/if}

	{#snippet earlier()}
		<ol class="roll" aria-label="Set before">
			{#each [...setting.slips].reverse() as words, index (setting.slips.length - index)}
				<li>{words.join('; ')}</li>
			{/each}
		</ol>
		{#if setting.slips.length === 0}<p class="count">{ownFigure(0)} slips done</p>{/if}
	{/snippet}
</Slip>

<style>
	.shot {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 10px;
		font-size: 14px;
	}
	.shot > :global(select) {
		min-height: 44px;
		font-weight: 700;
	}
	.shot a,
	.costs a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
	.calm {
		display: grid;
		grid-template-columns: auto 1fr auto;
		align-items: center;
		gap: 12px;
		font-size: 14px;
		color: var(--quiet);
	}
	/* The slider of the trade-off is a vial: the bubble is what is held. */
	.tube {
		position: relative;
		height: 30px;
		border: 1.5px solid var(--spirit-line);
		border-radius: 999px;
		background: linear-gradient(var(--spirit-lit) 0 28%, var(--spirit) 28%);
	}
	.tube::before {
		content: '';
		position: absolute;
		left: 50%;
		top: 0;
		bottom: 0;
		width: 1.5px;
		background: var(--spirit-line);
	}
	.tube > :global(input) {
		position: absolute;
		inset: -8px 4px;
		width: calc(100% - 8px);
	}
	.tube > :global(input::-webkit-slider-runnable-track) {
		background: transparent;
		height: 22px;
	}
	.tube > :global(input::-webkit-slider-thumb) {
		clip-path: none;
		width: 40px;
		height: 20px;
		margin-top: 1px;
		border-radius: 50%;
		border: 1.5px solid var(--spirit-line);
		background: var(--bubble);
	}
	.settings {
		display: grid;
		gap: 4px;
	}
	.costs p {
		font-size: 15px;
	}
	.costs b {
		display: inline-block;
		min-width: 62px;
	}
</style>
