<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import { benchPath } from '../address';
	import BenchHead from '../BenchHead.svelte';
	import { sharedGimbalBench } from './gimbalBench.svelte';
	import type { Part } from '$lib/model/part';
	import type { Payload } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { onMount } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import { huntInWords } from './benchSlip';
	import { guideSteps, spoken } from './guide';
	import { BalanceLog } from '$lib/supports/log/balanceLog.svelte';
	import LogBalance from '$lib/supports/log/LogBalance.svelte';
	import LookPanel from './LookPanel.svelte';
	import { printedReading } from '$lib/sheet/units/printed';
	import SeenBeside from './SeenBeside.svelte';

	interface Props {
		data: {
			readonly support: Gimbal;
			readonly payload: Payload;
			readonly shelf: readonly Part[];
			readonly person: Person;
			readonly checksOpen: number;
		};
	}
	let { data }: Props = $props();

	const bench = sharedGimbalBench();
	const rig = $derived(bench.rig);
	const units = $derived(data.person.units);
	const figures = $derived(bench.figures);
	const steps = $derived(figures === null ? [] : guideSteps(rig, figures, bench.state, units));
	const bodyBench = $derived(benchPath(bench.reference));

	const log = new BalanceLog(
		() => bench.state,
		() => bench.document.save()
	);
	const logIt = () =>
		log.log((state) => ({
			...{ payloadId: data.payload.id, supportId: data.support.id },
			payloadVersion: data.payload.version,
			state
		}));
	let motorsOff = $state(false);
	let aloud = $state(false);
	/** A step the person went back or ahead to; null: the first that is not done. */
	let chosen = $state<number | null>(null);
	/** Axes left as they are, knowingly: their slides. */
	const left = new SvelteSet<string>();
	const firstOpen = $derived(steps.findIndex(({ stage, slide }) => stage !== 'done' && !left.has(slide.id)));
	const at = $derived(chosen ?? (firstOpen < 0 ? steps.length : firstOpen));
	const step = $derived(steps[at]);
	const hunt = $derived(figures?.hunts.find(({ slideId }) => slideId === step?.slide.id));
	const stuck = $derived(figures !== null && !figures.solution.balanced && !bench.waived);
	const vials = $derived(
		(figures?.steps ?? []).map((each, index) => ({
			label: steps[index]?.slide.purpose ?? '',
			offset: -each.offsetM / each.bandM,
			done: steps[index]?.stage === 'done'
		}))
	);
	const allPoised = $derived(steps.length > 0 && steps.every(({ stage }) => stage === 'done'));

	onMount(() => () => {
		if ('speechSynthesis' in window) speechSynthesis.cancel();
	});

	const words = $derived(
		!motorsOff
			? 'Motors off. Take the battery out or switch it off before you loosen anything.'
			: step === undefined
				? allPoised
					? 'Every axis was seen to hold. Power on, with the camera on.'
					: 'Power on, with the camera on. Not every axis was seen to hold.'
				: spoken(step)
	);
	$effect(() => {
		if (!aloud || words === '' || !('speechSynthesis' in window)) return;
		speechSynthesis.cancel();
		speechSynthesis.speak(new SpeechSynthesisUtterance(words));
	});

	function stands() {
		if (step === undefined) return;
		const toM = figures?.targetsM[step.slide.id];
		if (toM === undefined) return;
		bench.nudgeTo(step.slide.id, toM);
	}
	const keys = pageKeys({
		outsideControls: {
			Enter: () => {
				if (!motorsOff) motorsOff = true;
				else if (step?.stage === 'set') stands();
				else return false;
			}
		}
	});
</script>

<svelte:window onkeydown={keys} />

<div class="guide">
	<BenchHead bench={bench.reference} heading="Guide: {data.payload.name} on {data.support.name}" />
	{#if figures === null || figures.fit === 'tooHeavy' || stuck}
		<Slip heading="Before the sequence">
			{#snippet answer()}This needs the <strong>bench</strong> first{/snippet}
			<p>
				{figures === null
					? 'The plate is empty.'
					: 'The gimbal cannot balance this as it stands. The bench names what would cure it, or lets you carry on.'}
			</p>
			<a class="go" href={bodyBench}>To the bench</a>
		</Slip>
	{:else if !motorsOff}
		<Slip heading="Step 1 of {steps.length + 2} · power off">
			{#snippet answer()}<strong>Motors off.</strong> Everything on, as it will shoot{/snippet}
			<p>Take the battery out or switch it off: a motor that wakes while an axis is loose strikes faces and lenses.</p>
			{#if data.checksOpen > 0}
				<p class="checks">
					<a href="/payload/{data.payload.id}/checklist"
						>{data.checksOpen} {data.checksOpen === 1 ? 'check is' : 'checks are'} still open</a
					>: a card, a cap or a filter put on later upsets the balance.
				</p>
			{/if}
			<Button class="go" onclick={() => (motorsOff = true)} data-testid="motors-off">Motors are off</Button>
		</Slip>
	{:else if step !== undefined}
		<Slip heading="Step {at + 2} of {steps.length + 2} · {step.slide.purpose} · motors off">
			{#snippet answer()}{step.lead}<strong data-testid="guide-strong">{unbroken(step.strong)}</strong>{/snippet}
			{#if step.detail !== null}<p class="detail" data-testid="guide-detail">{step.detail}</p>{/if}
			<div class="tube">
				<span>{step.slide.minusWord}</span>
				<Vial size="large" offset={vials[at]?.offset ?? 0} label={step.slide.purpose} />
				<span>{step.slide.plusWord}</span>
			</div>
			<dl>
				<div>
					<dt>Free</dt>
					<dd>{step.free}</dd>
				</div>
				<div>
					<dt>Held</dt>
					<dd>{step.held}</dd>
				</div>
				<div>
					<dt>Camera</dt>
					<dd>{step.camera}</dd>
				</div>
			</dl>
			{#if hunt?.open}<p class="hunt" data-testid="hunt">{huntInWords(step.slide, hunt)}</p>{/if}
			<SeenBeside {bench} {rig} {figures} {units} slide={step.slide} />
			<p class="caution">{step.caution}</p>
			{#if step.stage === 'set'}
				<Button class="go" onclick={stands} data-testid="stands">
					It stands at {printedReading(step.slide, figures.targetsM[step.slide.id] ?? 0)}, tightened
				</Button>
			{:else if step.stage === 'look' && bench.solved !== null}
				<LookPanel
					{rig}
					chain={bench.solved.chain}
					positionsM={bench.positionsM}
					slide={step.slide}
					{units}
					onlook={(look) => {
						bench.look(look);
						chosen = null;
					}}
				/>
			{:else}
				<Button class="go" onclick={() => (chosen = null)}>Go on</Button>
				<Button
					class="link"
					data-testid="seek"
					onclick={() => {
						const { slide } = step;
						bench.look({ axisId: slide.balances, kind: 'way', slideId: slide.id, observation: 'holds', seek: true });
					}}>Find both edges of where it holds, and its middle</Button
				>
			{/if}
			{#if step.stage !== 'done'}
				<Button
					class="link"
					data-testid="leave"
					onclick={() => {
						left.add(step.slide.id);
						bench.waive(true);
						chosen = null;
					}}>Leave {step.slide.purpose} as it is: the motor will have to hold it</Button
				>
			{/if}
			<p class="quiet">{step.right} {step.upsets}</p>
		</Slip>
	{:else}
		<Slip heading="Step {steps.length + 2} of {steps.length + 2} · power on">
			{#snippet answer()}{#if allPoised}Poised. <strong>Power on</strong>{:else}<strong>Power on</strong>, waived{/if}{/snippet}
			<p>Camera on first, gimbal level and still, a hand on the grip: the motors take hold at once.</p>
			<div class="log" data-testid="to-log">
				<LogBalance
					{log}
					placeholder="Where, which zoom position, what to remember"
					onlog={logIt}
					next={{ href: `/feel/${data.support.id}/${data.payload.id}`, words: 'Next: how it feels' }}
				/>
				{#if log.trouble !== ''}<p class="problem" role="alert">{log.trouble}</p>{/if}
			</div>
		</Slip>
	{/if}

	<ol class="vials" aria-label="All vials">
		{#each vials as { label, offset, done }, index (label)}
			<li class:here={index === at} class:done>
				<Button onclick={() => (chosen = index)} aria-label="Go to {label}"
					>{label}{#if done}<span class="tick" aria-label="done">✓</span>{/if}</Button
				>
				<Vial
					{offset}
					label="{label}: {done ? 'seen to hold' : Math.abs(offset) <= 1 ? 'in place, as computed' : 'not in place'}"
				/>
			</li>
		{/each}
	</ol>
	<div class="foot">
		<Button
			class="undo"
			onclick={() => bench.document.undo()}
			disabled={!bench.document.canUndo}
			data-testid="guide-undo">Undo</Button
		>
		<span class="quiet"
			>{bench.nudges.length}
			{bench.nudges.length === 1 ? 'nudge' : 'nudges'}, {bench.looks.length}
			{bench.looks.length === 1 ? 'look' : 'looks'}</span
		>
		<label class="order"
			>vertical tilt
			<Choice
				value={bench.order}
				onchange={(event) => {
					chosen = null;
					bench.setOrder(event.currentTarget.value === 'verticalLast' ? 'verticalLast' : 'verticalNext');
				}}
			>
				<option value="verticalNext">right after fore-aft</option>
				<option value="verticalLast">last</option>
			</Choice>
		</label>
		<label><Tick bind:checked={aloud} data-testid="aloud" /> read aloud</label>
	</div>
	{#if bench.document.linkLost}<p class="caution" role="status">
			No link to the server. Everything is kept here and sent when it is back.
		</p>{/if}
</div>

<style>
	.guide {
		width: 100%;
		max-width: 720px;
		margin: 0 auto;
		padding: 0 12px 30px;
		display: grid;
		gap: 10px;
	}
	/* Read from a metre away, with the other hand on the gimbal. */
	.guide :global(.answer) {
		font-size: clamp(48px, 7vw, 60px);
		line-height: 1.04;
	}
	.foot > :global(.undo) {
		min-height: 48px;
		min-width: 96px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
	}
	.foot > :global(.undo:disabled) {
		border-color: var(--rule);
		color: var(--edge);
	}
	.detail {
		font-size: 19px;
		color: var(--quiet);
		margin-top: -6px;
	}
	.tube {
		display: grid;
		grid-template-columns: auto 1fr auto;
		align-items: center;
		gap: 10px;
		font-size: 14px;
		color: var(--quiet);
	}
	dl {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 22px;
		font-size: 16px;
	}
	dl div {
		display: flex;
		gap: 7px;
	}
	dt {
		color: var(--quiet);
	}
	dd {
		font-weight: 700;
	}
	.hunt,
	.guide :global(.go) {
		min-height: 68px;
	}
	.vials {
		display: grid;
		grid-template-columns: repeat(2, 1fr);
		gap: 6px 16px;
		padding: 4px;
	}
	.vials :global(button) {
		min-height: 44px;
		font-size: 14px;
		color: var(--quiet);
		display: flex;
		gap: 6px;
	}
	.here :global(button) {
		color: var(--ink);
		font-weight: 700;
	}
	.tick {
		color: var(--press);
	}
	.foot {
		display: flex;
		align-items: center;
		gap: 6px 18px;
		font-size: 15px;
		padding: 0 4px;
		flex-wrap: wrap;
	}
	.foot label {
		margin-left: auto;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		gap: 8px;
	}
	.log {
		display: grid;
		gap: 8px;
	}
</style>
