<script lang="ts">
	import { unbroken } from '$lib/units/display';
	import type { UnitSystem } from '$lib/model/person';
	import type { Rig } from '$lib/model/rig';
	import Slip from '$lib/slip/Slip.svelte';
	import Vial from '$lib/vial/Vial.svelte';
	import { benchSlip, lightWarning, moveInWords, slideOf } from './benchSlip';
	import { printedReading } from './reading';
	import type { GimbalBench } from './gimbalBench.svelte';
	import type { BenchFigures } from './figures';

	interface Props {
		bench: GimbalBench;
		rig: Rig;
		figures: BenchFigures;
		units: UnitSystem;
		payloadHref: string;
		/** Set once this setting is in the logbook. */
		logged: { readonly href: string; readonly time: string } | null;
		logging: boolean;
		trouble: string;
		note: string;
		onlog: () => void;
	}
	let {
		bench,
		rig,
		figures,
		units,
		payloadHref,
		logged,
		logging,
		trouble,
		note = $bindable(),
		onlog
	}: Props = $props();

	const slip = $derived(benchSlip(rig, figures, units, bench.waived));
	const light = $derived(lightWarning(rig, figures, units));
	const nextSlide = $derived(slip.step === null ? null : slideOf(rig, slip.step.slideId));
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
	<p class="count">
		{bench.nudges.length}
		{bench.nudges.length === 1 ? 'nudge' : 'nudges'} so far
		<button type="button" class="link" onclick={() => bench.undo()} disabled={!bench.canUndo}>Undo</button>
		<button type="button" class="link" onclick={() => bench.redo()} disabled={!bench.canRedo}>Redo</button>
		<button type="button" class="link" onclick={() => bench.startOver()}>Start over</button>
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
	{:else if slip.kind === 'poised' && figures.poised}
		<Vial size="large" offset={0} label="Poised" />
	{/if}
	<p>{slip.why}</p>
	{#each slip.others as other (other)}<p>{other}</p>{/each}
	{#if slip.upsets !== null}<p class="quiet">{slip.upsets}</p>{/if}
	{#if light !== null}<p class="warning">{light}</p>{/if}

	{#if slip.kind === 'move' && slip.step !== null && nextSlide !== null}
		<button type="button" class="go" onclick={() => bench.accept()} data-testid="accept">
			It stands at {printedReading(nextSlide, figures.targetsM[nextSlide.id] ?? 0)}
		</button>
		<p class="quiet small">Or drag the open mark on the rule, or type what the scale reads today.</p>
	{:else if slip.kind === 'remedy' || slip.kind === 'tooHeavy' || slip.kind === 'tooLight'}
		<a
			class="go"
			href={payloadHref + (slip.moveAllForwardM === null ? '' : `?forward=${slip.moveAllForwardM}`)}
			data-testid="change-payload"
		>
			Change the payload
		</a>
		{#if slip.kind !== 'tooHeavy'}
			<button type="button" class="second" onclick={() => (bench.waived = true)} data-testid="waive"
				>Carry on as it is</button
			>
		{/if}
	{:else}
		<label class="note">
			Note
			<textarea bind:value={note} rows="2" maxlength="2000" placeholder="Where, which zoom position, what to remember"
			></textarea>
		</label>
		{#if logged === null}
			<button type="button" class="go" onclick={onlog} disabled={logging} data-testid="log">Log this balance</button>
		{:else}
			<p class="logged" role="status">
				Logged at {logged.time}. <a href={logged.href} data-testid="open-log">Open it</a>
			</p>
		{/if}
		{#if bench.waived}
			<button type="button" class="second" onclick={() => (bench.waived = false)}>Back to what would cure it</button>
		{/if}
	{/if}
	{#if trouble !== ''}<p class="warning" role="alert">{trouble}</p>{/if}
	{#if bench.linkLost}<p class="warning" role="status">
			No link to the server. The readings are kept here and sent when it is back.
		</p>{/if}
</Slip>

<style>
	.detail {
		font-size: 18px;
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
	.go,
	.second {
		display: grid;
		place-items: center;
		min-height: 58px;
		border-radius: 6px;
		font-size: 20px;
		font-weight: 700;
		text-decoration: none;
		padding: 0 16px;
		text-align: center;
	}
	.go {
		background: var(--press);
		color: var(--press-ink);
	}
	.go:hover {
		background: var(--press-deep);
	}
	.go:disabled {
		background: var(--hover);
		color: var(--quiet);
	}
	.second {
		border: 1.5px solid var(--press);
		color: var(--press);
		min-height: 48px;
		font-size: 17px;
	}
	.small {
		font-size: 14px;
		margin-top: -6px;
	}
	.warning {
		color: var(--clay);
		background: var(--clay-wash);
		padding: 8px 12px;
		border-left: 4px solid var(--clay);
	}
	.note {
		display: grid;
		gap: 3px;
		font-size: 14px;
		color: var(--quiet);
	}
	.note textarea {
		color: var(--ink);
		font-size: 16px;
	}
	.logged {
		font-size: 18px;
		font-weight: 700;
	}
	.roll:empty {
		display: none;
	}
	.roll {
		display: grid;
		gap: 6px;
		color: var(--quiet);
		max-height: 150px;
		overflow-y: auto;
	}
	.roll li {
		text-decoration: line-through;
	}
	.count {
		font-size: 14px;
		color: var(--quiet);
		display: flex;
		flex-wrap: wrap;
		gap: 0 16px;
		align-items: center;
	}
	.link {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
	.link:disabled {
		color: var(--edge);
		text-decoration: none;
		cursor: default;
	}
	@media (max-width: 900px) {
		.go {
			position: sticky;
			bottom: 10px;
		}
	}
</style>
