<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import Picture from '$lib/sheet/picture/Picture.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { pageKeys } from '$lib/sheet/keys';
	import type { Person } from '$lib/model/person';
	import { onMount } from 'svelte';
	import FeelFiguresRow from './FeelFiguresRow.svelte';
	import { sharedFeel } from './feelBench.svelte';
	import FeelSlip from './FeelSlip.svelte';
	import { doneS } from './gestures';
	import HandsDial from './HandsDial.svelte';
	import { feelLimits } from './limits';
	import { type GestureKey, gestureKeys } from './model';
	import ResponseCurve from './ResponseCurve.svelte';
	import { lensOf, poseAt, roomFor } from './room';
	import { gestureWords, isWalk } from './shots';
	import { focalWords } from './words';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const setting = $derived(bench.state);
	const gesture = $derived(setting.gesture);
	/** What is drawn bold: what is tried, or what is set while nothing is found yet. */
	const aim = $derived(bench.aimResponse ?? bench.nowResponse);
	const now = $derived(bench.aimResponse === null || bench.isSet ? null : bench.nowResponse);
	const endS = $derived(gestureWords[gesture].lastsS);

	/** The moment that is looked at; null: when the hand comes to rest, where the camera is furthest behind. */
	let chosenS = $state<number | null>(null);
	const atS = $derived(Math.min(endS, chosenS ?? (isWalk(gesture) ? 2 : doneS(gesture))));
	let speed = $state<0 | 0.25 | 1>(0);
	onMount(() => {
		let frame = 0;
		let last = performance.now();
		const step = (time: number) => {
			const passed = Math.min(0.1, (time - last) / 1000) * speed;
			last = time;
			if (speed > 0) chosenS = atS + passed >= endS ? 0 : atS + passed;
			frame = requestAnimationFrame(step);
		};
		frame = requestAnimationFrame(step);
		return () => cancelAnimationFrame(frame);
	});
	const play = (next: 0 | 0.25 | 1) => (speed = speed === next ? 0 : next);
	function choose(key: GestureKey) {
		const { axis } = gestureWords[key];
		chosenS = null;
		bench.change({ gesture: key, axis: bench.motors.includes(axis) ? axis : setting.axis }, 'gesture');
	}

	const at = (list: readonly number[]) => list[Math.round(atS * 60)] ?? list[list.length - 1] ?? 0;
	const lens = $derived(lensOf(setting));
	const restRad = $derived(aim?.handleRad[aim.handleRad.length - 1] ?? 0);
	const scene = $derived(roomFor(aim?.axis === 'pan' && !isWalk(gesture) ? restRad : 0));
	const keys = pageKeys({ outsideControls: { Space: () => void play(1) } });
</script>

<svelte:window onkeydown={keys} />

<h1 class="sr-only">How the camera follows your hand</h1>
<div class="bench feel" data-gesture={gesture}>
	<section class="work" aria-label="What the hand does, and what the camera makes of it">
		{#if aim !== null}
			<div class="top">
				<div class="dial">
					<HandsDial
						axis={aim.axis}
						handRad={at(aim.handleRad)}
						cameraRad={at(aim.cameraRad)}
						nowRad={now === null ? null : at(now.cameraRad)}
						deadbandRad={aim.deadbandRad}
					/>
				</div>
				<div class="window">
					<p class="caption">
						<strong>The picture at {atS.toFixed(2)} s</strong><span class="figure" data-printed
							>{focalWords(setting.focalM)}</span
						>
					</p>
					<Picture
						{scene}
						{lens}
						pose={poseAt(aim, atS)}
						label="The picture {atS.toFixed(1)} s into the move, as the lens sees it"
					/>
					<div class="play">
						<Button class="chip" aria-pressed={speed === 1} onclick={() => play(1)} data-testid="play"
							>{speed === 1 ? 'Stop' : 'Play'}</Button
						>
						<Button class="chip" aria-pressed={speed === 0.25} onclick={() => play(0.25)} data-testid="play-slow"
							>At a quarter</Button
						>
						<Range
							min={0}
							max={endS}
							step={0.02}
							value={atS}
							aria-label="The moment looked at, seconds"
							oninput={(event) => {
								speed = 0;
								chosenS = Number(event.currentTarget.value);
							}}
							data-testid="moment"
						/>
					</div>
				</div>
			</div>
			<div class="asked">
				<label
					><span class="sr-only">What the hand does</span>
					<Choice
						value={gesture}
						onchange={(event) => choose(event.currentTarget.value as GestureKey)}
						data-testid="gesture"
					>
						{#each gestureKeys as key (key)}<option value={key}>{gestureWords[key].name}</option>{/each}
					</Choice></label
				>
				<span class="what"
					>{gestureWords[gesture].what}{gestureWords[gesture].axis !== aim.axis
						? '; this gimbal has no tilt motor, so pan is shown'
						: ''}</span
				>
				<QuantityField
					label="Lens"
					quantity="length"
					units="metric"
					printed
					value={setting.focalM}
					check={allowed(feelLimits.focal, 'length')}
					onvalue={(focalM) => bench.change({ focalM }, 'focal')}
					oncommit={bench.settle}
					testId="focal"
				/>
				<QuantityField
					label="Sensor’s width"
					quantity="length"
					units="metric"
					printed
					value={setting.sensorWidthM}
					check={allowed(feelLimits.sensor, 'length')}
					onvalue={(sensorWidthM) => bench.change({ sensorWidthM }, 'sensor')}
					oncommit={bench.settle}
					testId="sensor"
				/>
			</div>
			<ResponseCurve
				{aim}
				{now}
				{atS}
				ontime={(time) => {
					speed = 0;
					chosenS = time;
				}}
			/>
			<FeelFiguresRow
				{aim}
				reads={bench.aimResponse === null ? bench.nowWishes : bench.aimWishes}
				units={person.units}
			/>
		{/if}
	</section>
	<section class="answer-column" aria-label="The answer">
		<FeelSlip {bench} units={person.units} />
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 6px 18px 12px 26px;
		gap: 6px;
	}
	.top {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.35fr);
		gap: 16px;
		align-items: start;
	}
	.dial {
		max-height: 270px;
		aspect-ratio: 300 / 290;
		justify-self: center;
		width: 100%;
		max-width: 280px;
	}
	.caption {
		display: flex;
		justify-content: space-between;
		font-size: 14px;
	}
	.play {
		display: grid;
		grid-template-columns: auto auto 1fr;
		gap: 8px;
		align-items: center;
		margin-top: 6px;
	}
	.asked {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 6px 14px;
		border-top: 2px solid var(--rule);
		padding-top: 6px;
	}
	.asked :global(select) {
		min-height: 44px;
		font-weight: 700;
	}
	.asked :global(.field) {
		width: 104px;
	}
	.what {
		flex: 1 1 160px;
		font-size: 14px;
		color: var(--quiet);
		padding-bottom: 10px;
	}
	@media (max-width: 900px) {
		.work {
			padding: 10px 14px;
		}
		.top {
			grid-template-columns: minmax(0, 1fr);
		}
		.window {
			order: -1;
		}
	}
</style>
