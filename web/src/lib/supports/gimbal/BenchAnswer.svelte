<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { showMass, together, unbroken } from '$lib/sheet/units/display';
	import type { UnitSystem } from '$lib/model/person';
	import type { Gimbal } from './model';
	import type { BalanceLog } from '$lib/supports/log/balanceLog.svelte';
	import LogBalance from '$lib/supports/log/LogBalance.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import type { BalanceOrder, BenchState } from '$lib/supports/gimbal/model';
	import { appliesHere, benchSlip, lightWarning, moveInWords, slideOf } from './benchSlip';
	import LookPanel from './LookPanel.svelte';
	import SeenBeside from './SeenBeside.svelte';
	import SeenRoll from './SeenRoll.svelte';
	import { extensionId } from './setUp';
	import { printedReading } from '$lib/sheet/units/printed';
	import type { GimbalBench } from './gimbalBench.svelte';
	import type { BenchFigures } from './figures';

	interface Props {
		bench: GimbalBench;
		rig: Gimbal;
		figures: BenchFigures;
		units: UnitSystem;
		payloadHref: string;
		/** Set once this setting is in the logbook. */
		log: BalanceLog<BenchState>;
		onlog: () => void;
		/** Checks of the list that nobody ticked yet. */
		checksOpen?: number;
		/** The guide asks for looks itself. */
		noLooks?: boolean;
	}
	let { bench, rig, figures, units, payloadHref, log, onlog, checksOpen = 0, noLooks = false }: Props = $props();

	const slip = $derived(benchSlip(rig, figures, units, bench.waived));
	const light = $derived(lightWarning(rig, figures, units));
	const nextSlide = $derived(slip.step === null ? null : slideOf(rig, slip.step.slideId));
	/** A look is offered for the slide whose turn it is; once all are placed, for the one that was looked at last. */
	const lastLook = $derived(bench.looks[bench.looks.length - 1]);
	const lookSlide = $derived(
		slip.kind === 'tooHeavy'
			? null
			: (nextSlide ??
					rig.geometry.slides.find(
						(slide) => slide.id === (lastLook?.kind === 'way' ? lastLook.slideId : lastLook?.seen[0]?.slideId)
					) ??
					rig.geometry.slides[0] ??
					null)
	);
	/** The last look at this slide held where it stands, and nobody looks for the middle yet. */
	const heldHere = (slideId: string) =>
		figures.hunts.some(
			(hunt) =>
				hunt.slideId === slideId &&
				!hunt.open &&
				hunt.history[hunt.history.length - 1]?.observation === 'holds' &&
				Math.abs(hunt.nudge.positionM - (bench.positionsM[slideId] ?? 0)) <= 0.0005
		);
	const fitted = $derived([
		...(bench.state.weights ?? []).map(({ placeId, massKg }, weight) => ({
			text: `${together(showMass(massKg, units))} at ${rig.geometry.counterweightPlaces.find(({ id }) => id === placeId)?.label ?? placeId}.`,
			what: { weight }
		})),
		...(bench.state.alternativeIds ?? []).map((alternativeId) => ({
			text: `${
				rig.geometry.alternatives?.find(({ id }) => id === alternativeId)?.label ??
				rig.geometry.slides.find(({ id }) => extensionId(id) === alternativeId)?.extension?.label ??
				'Another set-up'
			} in use.`,
			what: { alternativeId }
		}))
	]);
	const earlier = $derived(
		bench.nudges
			.map(({ slideId, fromM, toM }, index) => {
				const slide = rig.geometry.slides.find(({ id }) => id === slideId);
				return { index, text: slide === undefined ? '' : `${slide.label} ${moveInWords(slide, toM - fromM, units)}` };
			})
			.reverse()
	);
</script>

{#snippet roll()}
	<ol class="roll" aria-label="Done before">
		{#each earlier as { index, text } (index)}<li>{text}</li>{/each}
	</ol>
	<SeenRoll {bench} {rig} />
	<p class="count">
		{bench.nudges.length}
		{bench.nudges.length === 1 ? 'nudge' : 'nudges'} so far
		<Button class="link" onclick={() => bench.document.undo()} disabled={!bench.document.canUndo}>Undo</Button>
		<Button class="link" onclick={() => bench.document.redo()} disabled={!bench.document.canRedo}>Redo</Button>
		<Button class="link" onclick={() => bench.startOver()}>Start over</Button>
		<label class="order"
			>vertical tilt
			<Choice
				value={bench.order}
				onchange={(event) => bench.setOrder(event.currentTarget.value as BalanceOrder)}
				data-testid="order"
			>
				<option value="verticalNext">right after fore-aft</option>
				<option value="verticalLast">last</option>
			</Choice>
		</label>
	</p>
{/snippet}

<Slip heading={slip.heading} earlier={roll}>
	{#snippet answer()}{slip.lead}<strong data-testid="slip-strong">{unbroken(slip.strong)}</strong>{/snippet}

	{#if slip.detail !== null}<p class="detail">{slip.detail}</p>{/if}
	{#if slip.step !== null && nextSlide !== null}
		<div class="tube">
			<span>{nextSlide.minusWord}</span>
			<Vial
				size="large"
				offset={-slip.step.offsetM / slip.step.bandM}
				label="The axis leans to its heavy side; the bubble shows where the weight goes"
			/>
			<span>{nextSlide.plusWord}</span>
		</div>
	{:else if slip.kind === 'poised'}
		<Vial size="large" offset={0} label="Poised, as seen" />
	{/if}
	<p>{slip.why}</p>
	{#if lookSlide !== null}<SeenBeside {bench} {rig} {figures} {units} slide={lookSlide} />{/if}
	{#if checksOpen > 0}
		<p class="checks" data-testid="checks-open">
			<a href="{payloadHref}/checklist">{checksOpen} {checksOpen === 1 ? 'check is' : 'checks are'} still open</a> before
			this payload is balanced.
		</p>
	{/if}
	{#each slip.others as { text, remedy } (text)}
		<p class="other">
			{text}
			{#if appliesHere(rig, remedy)}<Button class="link" onclick={() => bench.apply(remedy)}>Do this</Button>{/if}
		</p>
	{/each}
	{#if slip.upsets !== null}<p class="quiet">{slip.upsets}</p>{/if}
	{#if light !== null}<p class="warning">{light}</p>{/if}

	{#if slip.kind === 'move' && slip.step !== null && nextSlide !== null}
		<Button class="go stays" onclick={() => bench.accept()} data-testid="accept">
			It stands at {printedReading(nextSlide, figures.targetsM[nextSlide.id] ?? 0)}
		</Button>
		<p class="quiet small">Or drag the open mark on the rule, or type what the scale reads today.</p>
	{:else if slip.kind === 'look'}
		<p class="quiet small">Every look is kept; a wrong one is outvoted by the next, or struck out below.</p>
	{:else if slip.kind === 'remedy' || slip.kind === 'tooHeavy' || slip.kind === 'tooLight'}
		{#if slip.remedy !== null && appliesHere(rig, slip.remedy)}
			<Button
				class="go stays"
				onclick={() => slip.remedy !== null && bench.apply(slip.remedy)}
				data-testid="apply-remedy">It is done</Button
			>
		{/if}
		<a
			class={slip.remedy !== null && appliesHere(rig, slip.remedy) ? 'second' : 'go'}
			href={payloadHref + (slip.moveAllForwardM === null ? '' : `?forward=${slip.moveAllForwardM}`)}
			data-testid="change-payload"
		>
			Change the payload
		</a>
		{#if slip.kind !== 'tooHeavy'}
			<Button class="second" onclick={() => bench.waive(true)} data-testid="waive">Carry on as it is</Button>
		{/if}
	{:else if slip.kind !== 'placed'}
		<LogBalance
			{log}
			placeholder="Where, which zoom position, what to remember"
			{onlog}
			next={{ href: `/feel/${rig.id}/${bench.payloadId}`, words: 'Next: how it feels' }}
		/>
		{#if bench.waived}
			<Button class="second" onclick={() => bench.waive(false)}>Back to what would cure it</Button>
		{/if}
	{/if}
	{#each fitted as { text, what } (text)}
		<p class="fitted" data-testid="fitted">
			{text}
			<Button class="link" onclick={() => bench.takeOff(what)}>Take it off</Button>
		</p>
	{/each}
	{#if lookSlide !== null && bench.solved !== null && !noLooks}
		<LookPanel
			{rig}
			chain={bench.solved.chain}
			positionsM={bench.positionsM}
			slide={lookSlide}
			{units}
			canSeek={heldHere(lookSlide.id)}
			onlook={(look) => bench.look(look)}
		/>
	{/if}
	{#if slip.kind === 'placed'}
		<details class="unseen">
			<summary>Log it as computed, without letting it go</summary>
			<p class="quiet small">The book then says that nobody saw it hold, and it teaches nothing of the gear.</p>
			<LogBalance
				{log}
				placeholder="Where, which zoom position, what to remember"
				{onlog}
				next={{ href: `/feel/${rig.id}/${bench.payloadId}`, words: 'Next: how it feels' }}
			/>
		</details>
	{/if}
	{#if log.trouble !== ''}<p class="warning" role="alert">{log.trouble}</p>{/if}
	{#if bench.document.linkLost}<p class="warning" role="status">
			No link to the server. The readings are kept here and sent when it is back.
		</p>{/if}
</Slip>

<style>
	.tube {
		display: grid;
		grid-template-columns: auto 1fr auto;
		align-items: center;
		gap: 10px;
		font-size: 14px;
		color: var(--quiet);
	}
	.small {
		font-size: 14px;
		margin-top: -6px;
	}
	.other :global(.link),
	.fitted :global(.link) {
		min-height: 44px;
		padding: 0 6px;
	}
	.fitted {
		background: var(--press-wash);
		padding: 0 12px;
	}
	.order {
		display: inline-flex;
		align-items: center;
		gap: 8px;
	}
	.order :global(select) {
		font-size: 14px;
		padding-top: 2px;
		padding-bottom: 2px;
	}
</style>
