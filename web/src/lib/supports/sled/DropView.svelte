<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import type { Person } from '$lib/model/person';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { axisOf, showInertia, showMove, showPlace, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import DayWishes from './DayWishes.svelte';
	import DropPad from './DropPad.svelte';
	import { dropCurve, dropPerMm, dropPlan, ownInertia, timedDrops, trueInertia } from './drops';
	import { dropBandS, type SledFigures } from './figures';
	import { planeWords } from './seen';
	import { showAnswer } from '$lib/sheet/bringIntoView';
	import SledSeenBeside from './SledSeenBeside.svelte';
	import SledSeenRoll from './SledSeenRoll.svelte';
	import { sharedSledBench } from './sledBench.svelte';
	import ThumbPractice from './ThumbPractice.svelte';

	interface Props {
		data: {
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const { person } = $derived(data);
	const bench = sharedSledBench();
	const units = $derived(bench.units);
	const height = $derived(axisOf('length', units));
	const figures = $derived(bench.figures as SledFigures);
	const geometry = $derived(bench.support.geometry);
	const wantedS = $derived(bench.state.dropTimeS);
	let practising = $state(false);

	/** Runs of another gimbal height belong to another drop. */
	const timing = $derived(bench.timing);
	const timed = $derived(timedDrops(timing.runsS, person.thumb));
	const plan = $derived(dropPlan(geometry, bench.setting, figures.sled, wantedS));
	const inertia = $derived(trueInertia(bench.seen, bench.setting, figures.massKg, timing.plane));
	const drawnInertia = $derived(ownInertia(figures.report, timing.plane));
	const curve = $derived(dropCurve(geometry, bench.setting, figures.sled));
	const perMm = $derived(dropPerMm(figures.sled));

	function take() {
		if (timed === null) return;
		bench.takeDrops(timed.dropTimeS, timed.sigmaS);
		void showAnswer();
	}
	function go() {
		if (plan.kind !== 'move') return;
		const by = plan.toM - bench.setting.gimbalM;
		bench.moveTo({ ...bench.setting, gimbalM: plan.toM }, [
			`Set the gimbal ${by > 0 ? 'up' : 'down'} ${together(showPlace(by, units))}`
		]);
	}
	const whyNot = {
		tooShort: 'No height of the gimbal drops so quickly: its own inertia is in the way. This is the quickest there is.',
		gimbalAtTop: 'The gimbal’s clamp ends at the top. Pull the post out, or add weight at the foot.',
		gimbalAtFoot: 'The gimbal’s clamp ends at the bottom. Add weight at the camera, or take some off the foot.'
	};
	const by = $derived(plan.kind === 'move' ? plan.toM - bench.setting.gimbalM : 0);
</script>

<div class="bench drop">
	<section class="work" aria-label="Time the drop">
		<div class="timer">
			{#if practising}
				<ThumbPractice {person} ondone={() => (practising = false)} />
			{:else}
				<p class="caution">
					Clear of faces, lens and floor; post level, fingers of the other hand round it to catch. Do not let it swing
					past.
				</p>
				<div class="chips" role="group" aria-label="Which way it falls">
					{#each ['fore', 'side'] as const as plane (plane)}
						<Button
							class="chip"
							aria-pressed={timing.plane === plane}
							onclick={() => bench.timeIn(plane)}
							data-testid="plane-{plane}">{planeWords[plane]}</Button
						>
					{/each}
				</div>
				<DropPad count={timing.runsS.length} onrun={(seconds) => bench.timeRun(seconds)} />
				<div class="runs" data-testid="runs">
					{#each timing.runsS as run, index (index)}
						<span class="run figure" class:out={timed?.dropped.includes(index)}
							>{run.toFixed(2)} s{#if timed?.dropped.includes(index)}<small>slip of the thumb, left out</small>{/if}
							<Button aria-label="Take out {run.toFixed(2)} s" onclick={() => bench.forgetRun(index)}>×</Button></span
						>
					{:else}<span class="quiet">No drop timed at this height yet. Three or four make a good mean.</span>{/each}
				</div>
				{#if timed !== null}
					<p class="mean" data-testid="mean">
						<strong>{timed.dropTimeS.toFixed(2)} s</strong>
						<span class="quiet"
							>mean of {timing.runsS.length - timed.dropped.length}{timed.spread === null
								? ''
								: `, spread ${timed.spread.toFixed(2)} s`}{person.thumb === null
								? ', thumb not measured'
								: `, ${Math.abs(person.thumb.lagS).toFixed(2)} s ${person.thumb.lagS >= 0 ? 'taken off' : 'added'} for your thumb`};
							good to ±{timed.sigmaS.toFixed(2)} s</span
						>
					</p>
					<Button class="take" onclick={take} data-testid="take-drops"
						>It drops in {timed.dropTimeS.toFixed(2)} s: use this</Button
					>
				{/if}
				<p>
					<Button class="link" onclick={() => (practising = true)} data-testid="practise"
						>{person.thumb === null ? 'Measure how late your thumb is' : 'Measure your thumb again'}</Button
					>
				</p>
			{/if}
		</div>
		{#if !practising}
			<div class="curve">
				<Chart
					lines={[
						{ name: 'drop time', points: curve.map(([m, s]) => [height.of(m), s] as const), as: 'line' },
						{
							name: 'wanted',
							points:
								curve.length === 0
									? []
									: [
											[height.of(curve[0]![0]), wantedS],
											[height.of(curve[curve.length - 1]![0]), wantedS]
										],
							as: 'broken'
						},
						...(figures.report.dropTimeS.fore === null
							? []
							: [
									{
										name: 'as it stands',
										points: [[height.of(bench.setting.gimbalM), figures.report.dropTimeS.fore] as const],
										as: 'dots' as const
									}
								])
					]}
					xTitle="gimbal above the foot, {height.unit}"
					yTitle="drop time, s"
					yMost={6}
					label="Drop time against the height of the gimbal"
					height={230}
				/>
			</div>
		{/if}
	</section>
	<div class="answer-column">
		<Slip heading="Drop time, {figures.seen.drop ? 'as seen' : 'as computed'} · fore-aft">
			{#snippet answer()}
				{#if plan.kind === 'right'}Drops in <strong data-testid="drop-strong"
						>{unbroken(`${plan.nowS.toFixed(1)} s`)}</strong
					>, as wanted
				{:else if Math.abs(by) < 0.0004}As near as <strong data-testid="drop-strong">this post comes</strong>
				{:else}Set the gimbal <strong data-testid="drop-strong"
						>{by > 0 ? 'up' : 'down'} {unbroken(together(showPlace(by, units)))}</strong
					>{/if}
			{/snippet}
			{#if plan.kind === 'move'}
				<p class="detail">
					to {together(showPlace(plan.toM, units))} above the foot: from {plan.nowS === null
						? 'top-heavy'
						: `${plan.nowS.toFixed(1)} s`} to {plan.thenS === null ? 'top-heavy still' : `${plan.thenS.toFixed(1)} s`}
				</p>
			{/if}
			<div class="tube">
				<span>gimbal down</span>
				<Vial
					size="large"
					offset={figures.report.dropTimeS.fore === null ? 30 : (figures.report.dropTimeS.fore - wantedS) / dropBandS}
					label="Drop time against the wish"
				/>
				<span>up</span>
			</div>
			{#if plan.kind === 'move' && plan.why !== null}<p class="warning" data-testid="drop-why">
					{whyNot[plan.why]}
				</p>{/if}
			{#if perMm !== null && figures.report.dropHeightM > 0.002}<p>
					One millimetre of the gimbal is {Math.abs(perMm) < 0.01 ? 'under 0.01' : Math.abs(perMm).toFixed(2)} s here. Down
					is slower.
				</p>{/if}
			{#if plan.kind === 'move' && Math.abs(by) >= 0.0004}
				<Button class="go" onclick={go} data-testid="gimbal-done">It is done</Button>
				<p class="quiet">
					Hold the post while the clamp is open. A gimbal move leaves static and dynamic balance alone.
				</p>
			{/if}
			<h2>For the shots of the day</h2>
			<DayWishes {bench} />
			<h2>What your times say of the true inertia</h2>
			{#if inertia.kind === 'few'}
				<p class="quiet" data-testid="inertia">
					{inertia.heights === 0
						? 'Time it at two gimbal heights, a centimetre or so apart, with all else left alone: together they weigh its inertia.'
						: 'Timed at one height. Move the gimbal a centimetre, time it again, and the inertia shows.'}
				</p>
			{:else if inertia.kind === 'no'}
				<p class="warning" data-testid="inertia">
					{inertia.reason === 'sameHeight'
						? 'The two heights are the same.'
						: 'The times do not grow shorter as the gimbal goes up: time both heights again.'}
				</p>
			{:else}
				<p data-testid="inertia">
					<strong>{showInertia(inertia.inertiaKgM2, units)}</strong> ± {showInertia(inertia.sigmaKgM2, units)} about its centre,
					{timing.plane === 'fore' ? 'fore-aft' : 'sideways'}; the drawing says {showInertia(drawnInertia, units)}. Its
					centre sits {together(showMove(inertia.cgHeightM, units))} ± {together(showMove(inertia.cgSigmaM, units))} above
					the foot.
				</p>
			{/if}
			<SledSeenBeside {bench} kinds={['drop']} />
			<SledSeenRoll {bench} kinds={['drop']} />
		</Slip>
	</div>
</div>

<style>
	.timer {
		padding: 12px 22px 20px 26px;
		display: grid;
		gap: 12px;
		align-content: start;
	}
	.curve {
		padding: 0 22px 10px 16px;
	}
	.work {
		overflow-y: auto;
	}
	.runs {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		min-height: 44px;
		align-items: center;
	}
	.run {
		border: 1px solid var(--rule);
		background: var(--panel);
		padding-left: 10px;
		display: inline-flex;
		align-items: center;
		gap: 6px;
		border-radius: 6px;
	}
	.run :global(button) {
		min-width: 40px;
		min-height: 44px;
		color: var(--quiet);
		font-size: 18px;
	}
	.run small {
		font-family: var(--font-sans);
		color: var(--clay);
	}
	.out {
		text-decoration: line-through;
		color: var(--quiet);
	}
	.mean strong {
		font-size: 28px;
		margin-right: 10px;
	}
	.timer > :global(.take) {
		min-height: 52px;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		color: var(--press);
		font-weight: 700;
		font-size: 17px;
	}
	.tube {
		display: grid;
		grid-template-columns: auto 1fr auto;
		align-items: center;
		gap: 10px;
		font-size: 14px;
		color: var(--quiet);
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	@media (max-width: 900px) {
		/* The thumb's place first, then the answer, then the curve. */
		.drop .work {
			display: contents;
		}
		.timer {
			order: -2;
		}
		.timer {
			padding: 8px 12px 12px;
		}
	}
</style>
