<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { unbroken } from '$lib/sheet/units/display';
	import { onMount } from 'svelte';
	import { dropPlan } from './drops';
	import type { SledFigures } from './figures';
	import { rigSteps } from './rigging';
	import { sharedSledBench } from './sledBench.svelte';
	import SledLookPanel from './SledLookPanel.svelte';
	import SledSeenBeside from './SledSeenBeside.svelte';
	import { lineInWords, linesBetween, type SledSlip, targetOf } from './slip';
	import { gimbalTravel } from './standing';

	interface Props {
		data: {
			readonly checksOpen: number;
		};
	}
	let { data }: Props = $props();
	const { checksOpen } = $derived(data);
	const bench = sharedSledBench();
	const figures = $derived(bench.figures as SledFigures);
	const slip = $derived(bench.slip as SledSlip);
	const geometry = $derived(bench.support.geometry);
	const here = $derived(`/balance/sled/${bench.support.id}/${bench.payloadId}`);
	const steps = $derived(rigSteps(bench.support, bench.state, bench.bodies, figures, slip, checksOpen, bench.units));
	const rigged = $derived(bench.state.rigged ?? []);
	let aloud = $state(false);
	/** A step the person went back or ahead to; null: the first that is not done. */
	let chosen = $state<number | null>(null);
	const firstOpen = $derived(steps.findIndex(({ id }) => !rigged.includes(id)));
	const at = $derived(chosen ?? (firstOpen < 0 ? steps.length : firstOpen));
	const step = $derived(steps[at]);

	const words = $derived(
		step === undefined
			? 'Rigged.'
			: `${step.lead}${step.strong}. ${step.detail} ${step.caution ?? ''}`.replace(/\u00a0/g, ' ')
	);
	$effect(() => {
		if (!aloud || !('speechSynthesis' in window)) return;
		speechSynthesis.cancel();
		speechSynthesis.speak(new SpeechSynthesisUtterance(words));
	});
	onMount(() => () => {
		if ('speechSynthesis' in window) speechSynthesis.cancel();
	});

	/** The hand has done the step: what it moved stands there now, and the step is ticked once nothing of it is left. */
	function done() {
		if (step === undefined) return;
		const { setting } = bench;
		if (step.id === 'gimbalHigh')
			bench.stands({ gimbalM: gimbalTravel(geometry, setting.pulledOutM)[1] }, 'rig gimbal');
		if (step.id === 'side') bench.stands({ fineSideM: 0 }, 'rig side');
		if (step.id === 'static' && !figures.staticGood) {
			const leave = figures.cures[figures.cures.length - 1] ?? figures.cure;
			const target = targetOf(geometry, setting, figures, leave);
			const plate = {
				...setting,
				coarseForeM: target.coarseForeM,
				fineForeM: target.fineForeM,
				fineSideM: target.fineSideM
			};
			const lines = linesBetween(geometry, setting, plate, bench.units);
			if (lines.length > 0) return bench.moveTo(plate, lines.map(lineInWords));
		}
		if (step.id === 'drop') {
			const plan = dropPlan(geometry, setting, figures.sled, bench.state.dropTimeS);
			if (plan.kind === 'move' && Math.abs(plan.toM - setting.gimbalM) >= 0.0004)
				return bench.moveTo({ ...setting, gimbalM: plan.toM }, [`${step.lead}${step.strong}`]);
		}
		if (step.id === 'dynamic' && !figures.spinGood && slip.kind === 'move') return bench.accept();
		tick();
	}
	function tick() {
		if (step === undefined) return;
		bench.change({ rigged: [...rigged.filter((each) => each !== step.id), step.id] });
		chosen = null;
	}
	const again = () => {
		bench.change({ rigged: [] });
		chosen = null;
	};
	/** Moves are made first, then seen; only then is a balancing step ticked. */
	const balancing = $derived(step !== undefined && ['static', 'drop', 'dynamic'].includes(step.id));
	const open = $derived(balancing && step?.right === false);

	const keys = pageKeys({ outsideControls: { Enter: () => (step === undefined ? false : done()) } });
</script>

<svelte:window onkeydown={keys} />

<div class="guide">
	{#if step !== undefined}
		<Slip heading="Step {at + 1} of {steps.length} · {step.name}">
			{#snippet answer()}{step.lead}<strong data-testid="rig-strong">{unbroken(step.strong)}</strong>{/snippet}
			<p class="detail">{step.detail}</p>
			{#if step.lines.length > 0}
				<ol class="lines">
					{#each step.lines as line (line)}<li>{line}</li>{/each}
				</ol>
			{/if}
			{#if step.caution !== null}<p class="caution">{step.caution}</p>{/if}
			{#if balancing && figures.clash}<SledSeenBeside {bench} />{/if}
			<dl>
				<div>
					<dt>Operator</dt>
					<dd>{step.operator}</dd>
				</div>
				<div>
					<dt>Assistant</dt>
					<dd>{step.assistant}</dd>
				</div>
			</dl>
			<Button class="go" onclick={done} data-testid="rig-done">{step.done}</Button>
			{#if step.id === 'static'}<SledLookPanel {bench} />{/if}
			{#if step.id === 'prepare' && checksOpen > 0}<a class="second" href="/payload/{bench.payloadId}/checklist"
					>Open the checklist</a
				>{/if}
			{#if step.id === 'drop'}<a class="second" href="{here}/drop">Time it with one thumb</a>{/if}
			{#if step.id === 'dynamic'}<a class="second" href="{here}/spin">Say what the spin did</a>{/if}
			{#if step.id === 'undock'}
				<a class="second" href="{here}/arm">Arm, socket block and vest</a>
				<a class="second" href={here}>Log the balance</a>
			{/if}
			{#if open}<Button class="link" onclick={tick} data-testid="rig-leave">Leave it as it is and go on</Button>{/if}
		</Slip>
	{:else}
		<Slip heading="Rigged, {steps.length} of {steps.length}">
			{#snippet answer()}{#if figures.poised}Poised and <strong>on the arm</strong>{:else if figures.placed}On the arm,
					<strong>in place as computed</strong>{:else}On the arm, <strong>not in place</strong>{/if}{/snippet}
			<p>
				{figures.poised
					? 'Log the balance, so that next time it is two steps.'
					: 'Something was left as it is, or not seen yet: the bench says what.'}
			</p>
			<a class="go" href={here} data-testid="rig-log">To the bench and the log</a>
			<Button class="link" onclick={again}>Begin the sequence anew</Button>
		</Slip>
	{/if}
	<ol class="steps" aria-label="All steps">
		{#each steps as { id, name, right }, index (id)}
			<li class:here={index === at}>
				<Button onclick={() => (chosen = index)} data-testid="step-{id}"
					><span class="number">{index + 1}</span>{name}{#if rigged.includes(id)}<span class="tick" aria-label="done"
							>✓</span
						>{/if}{#if rigged.includes(id) && right === false && index >= 7}<span class="off">out again</span
						>{/if}</Button
				>
			</li>
		{/each}
	</ol>
	<div class="foot">
		<Button class="link" onclick={() => bench.document.undo()} disabled={!bench.document.canUndo}>Undo</Button>
		<label><Tick bind:checked={aloud} data-testid="rig-aloud" /> read aloud</label>
	</div>
	{#if bench.document.linkLost}<p class="caution" role="status">
			No link to the server. Everything is kept here and sent when it is back.
		</p>{/if}
</div>

<style>
	.guide {
		width: 100%;
		max-width: 760px;
		margin: 0 auto;
		padding: 8px 12px 30px;
		display: grid;
		gap: 12px;
	}
	.lines {
		border-left: 4px solid var(--spirit);
		padding-left: 14px;
		font-size: 19px;
	}
	dl {
		display: grid;
		gap: 4px;
		font-size: 16px;
	}
	dl div {
		display: grid;
		grid-template-columns: 84px 1fr;
		gap: 8px;
	}
	dt {
		color: var(--quiet);
	}
	dd {
		font-weight: 700;
	}
	.guide :global(.go) {
		min-height: 68px;
	}
	.steps {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
		gap: 0 14px;
	}
	.steps :global(button) {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 15px;
		color: var(--quiet);
		text-align: left;
	}
	.here :global(button) {
		color: var(--ink);
		font-weight: 700;
	}
	.number {
		font-family: var(--font-mono);
		min-width: 22px;
		text-align: right;
	}
	.tick {
		color: var(--press);
		font-weight: 700;
	}
	.off {
		color: var(--clay);
		font-size: 12.5px;
	}
	.foot {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 18px;
		font-size: 15px;
	}
	.foot label {
		margin-left: auto;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		gap: 8px;
	}
</style>
