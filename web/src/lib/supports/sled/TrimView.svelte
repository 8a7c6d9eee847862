<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import { degFromRad, radFromDeg, trimSled, withShifts } from '@poise/core';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showMove, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { settable, type SledFigures } from './figures';
	import { sharedSledBench } from './sledBench.svelte';
	import { degrees, lineInWords, linesBetween } from './slip';
	import { predictedSpins } from './spin';
	import { sceneOf } from './spinScene';
	import SpinStage from './SpinStage.svelte';
	import { cameraId, plateMove, settledOn } from './standing';

	interface Props {
		data: { readonly payload: Payload; readonly shelf: readonly Part[] };
	}
	let { data }: Props = $props();
	const bench = sharedSledBench();
	const units = $derived(bench.units);
	const figures = $derived(bench.figures as SledFigures);
	const geometry = $derived(bench.support.geometry);
	const parts = $derived(standingParts(data.payload, new Map(data.shelf.map((part) => [part.id, part]))));

	let width = $state(740);
	let tiltRad = $state(radFromDeg(5));
	let nose = $state<'down' | 'up'>('down');
	const signed = $derived(nose === 'down' ? tiltRad : -tiltRad);
	const hangs = $derived(figures.report.dropHeightM > 0);
	const trim = $derived(hangs ? trimSled({ sled: figures.sled, tiltRad: signed, plateIds: [cameraId] }) : null);
	const wanted = $derived(
		trim === null ? bench.setting : { ...bench.setting, ...plateMove(geometry, bench.setting, trim.plateShiftM) }
	);
	const target = $derived(settledOn(geometry, settable(geometry, wanted)));
	const lines = $derived(linesBetween(geometry, bench.setting, target, units));
	const gotM = $derived(target.coarseForeM + target.fineForeM - bench.setting.coarseForeM - bench.setting.fineForeM);
	/** Short of the wanted plate by more than a quarter turn: its travel has ended. */
	const shortM = $derived(
		trim === null ? 0 : Math.max(0, Math.abs(trim.plateShiftM - gotM) - geometry.stage.foreMPerTurn / 4)
	);
	const leanThen = $derived(figures.report.dynamic.foreLeanRad + (trim?.foreLeanChangeRad ?? 0));
	/** The post's own lean on a slow pan, once trimmed. */
	const panning = $derived(
		trim === null
			? null
			: (predictedSpins(withShifts(figures.sled, { [cameraId]: { foreM: trim.plateShiftM } })).find(
					({ id }) => id === 'slow'
				)?.foreRad ?? null)
	);
	const stillLean = $derived({ foreLeanRad: signed, sideLeanRad: 0, headingRad: 0 });
	const scene = $derived(sceneOf(geometry, target, parts));
	const take = () => bench.moveTo(target, lines.map(lineInWords));
</script>

<div class="bench">
	<section class="work" aria-label="Headroom trim">
		<div class="stage" bind:clientWidth={width}>
			<SpinStage
				{scene}
				run={null}
				{width}
				height={Math.min(520, width * 0.66)}
				playing={false}
				speed={1}
				still={stillLean}
			/>
			<p class="told">
				<strong>{degrees(tiltRad)} nose {nose}</strong>
				held by itself, gimbal {together(showMove(figures.report.dropHeightM, units))} over the centre
			</p>
		</div>
		<div class="controls">
			<div class="chips" role="group" aria-label="Which way it tilts">
				{#each ['down', 'up'] as const as way (way)}
					<Button class="chip" aria-pressed={nose === way} onclick={() => (nose = way)} data-testid="nose-{way}"
						>nose {way}</Button
					>
				{/each}
				<QuantityField
					label="held tilt"
					value={tiltRad}
					quantity="angle"
					{units}
					check={(value) => (value >= 0 && value <= radFromDeg(45) ? null : 'Between 0 and 45°.')}
					onvalue={(value) => (tiltRad = value)}
					testId="trim-tilt"
				/>
				{#each [2, 5, 10] as angle (angle)}
					<Button class="chip" onclick={() => (tiltRad = radFromDeg(angle))}>{angle}°</Button>
				{/each}
			</div>
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Headroom trim · {degrees(tiltRad)} nose {nose}, held hands off">
			{#snippet answer()}
				{#if trim === null}It is <strong data-testid="trim-strong">top-heavy</strong>: set the gimbal first
				{:else if lines[0] === undefined}It <strong data-testid="trim-strong">holds so</strong> already
				{:else}{lines[0].lead}<strong data-testid="trim-strong">{unbroken(lines[0].strong)}</strong>{/if}
			{/snippet}
			{#each lines.slice(1) as line (line.id)}<p class="more">{line.lead}<strong>{line.strong}</strong></p>{/each}
			{#if trim !== null}
				<p class="quiet" data-testid="trim-why">
					The centre of gravity must stand {together(showMove(trim.cgForwardM, units))}
					{trim.cgForwardM >= 0 ? 'forward' : 'back'} of the post; the plate goes {together(
						showMove(trim.plateShiftM, units)
					)} for that.
				</p>
				{#if shortM > 0.0002}<p class="warning">
						The plate ends {together(showMove(shortM, units))} short: it will hold less than that.
					</p>{/if}
				<h2>What it costs</h2>
				<div class="tube">
					<span>drop</span>
					<Vial offset={(trim.dropTimeChangeS ?? 0) / 0.15} label="Change of drop time" />
					<span class="figure" data-testid="trim-drop"
						>{trim.dropTimeChangeS === null
							? '–'
							: `${trim.dropTimeChangeS < 0 ? '−' : '+'}${Math.abs(trim.dropTimeChangeS).toFixed(3)} s`}</span
					>
				</div>
				<div class="tube">
					<span>spin</span>
					<Vial offset={leanThen / figures.toleranceRad} label="Lean in a spin after the trim" />
					<span class="figure" data-testid="trim-lean"
						>{trim.foreLeanChangeRad < 0 ? '−' : '+'}{degFromRad(Math.abs(trim.foreLeanChangeRad)).toFixed(2)}°</span
					>
				</div>
				<p>
					{Math.abs(leanThen) <= figures.toleranceRad
						? 'Spun fast, it stays within what the day forgives.'
						: `Spun fast it is thrown towards ${degrees(leanThen)} ${leanThen > 0 ? 'back' : 'forward'}: keep pans slow, or hold the tilt by hand.`}
					{#if panning !== null}On a slow pan it holds {degrees(panning)} nose {panning >= 0 ? 'down' : 'up'} instead of {degrees(
							tiltRad
						)} nose {nose}.{:else}It does not hold through a slow pan.{/if}
				</p>
				{#if lines.length > 0}<Button class="go" onclick={take} data-testid="trim-take">It is done</Button>{/if}
				<p class="quiet">
					Undo, or 0°, brings it back to level. A short hold is better held with a finger than trimmed in.
				</p>
			{/if}
		</Slip>
	</div>
</div>

<style>
	.stage {
		position: relative;
		flex: none;
		border-bottom: 1px solid var(--rule);
	}
	.told {
		position: absolute;
		left: 26px;
		top: 12px;
		font-size: 15px;
		max-width: 230px;
	}
	.told strong {
		font-size: 22px;
		display: block;
	}
	.controls {
		padding: 12px 22px 20px 26px;
	}
	.chips {
		align-items: end;
	}
	.chips :global(.field) {
		width: 120px;
	}
	.more {
		font-size: 20px;
	}
	.tube {
		display: grid;
		grid-template-columns: 50px 1fr 84px;
		align-items: center;
		gap: 10px;
		font-size: 14px;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
</style>
