<script lang="ts">
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import '$lib/shell/bench.css';
	import { pageKeys } from '$lib/sheet/keys';
	import { BalanceLog } from '$lib/supports/log/balanceLog.svelte';
	import BenchHead from '../BenchHead.svelte';
	import { sharedGimbalBench } from './gimbalBench.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import BenchAnswer from './BenchAnswer.svelte';
	import MotorShares from './MotorShares.svelte';
	import GimbalDrawing from './GimbalDrawing.svelte';
	import SlideRows from './SlideRows.svelte';

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

	// Another gimbal, payload or version mounts a new view, so these never change under the bench.
	// svelte-ignore state_referenced_locally
	const { payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	const bench = sharedGimbalBench();

	let width = $state(770);
	let height = $state(440);
	const log = new BalanceLog(
		() => bench.state,
		() => bench.document.save()
	);
	const logIt = () =>
		log.log((state) => ({
			payloadId: payload.id,
			supportId: rig.id,
			payloadVersion: payload.version,
			state
		}));

	const units = $derived(data.person.units);
	const figures = $derived(bench.figures);
	/** As it is put together today: in the chosen order, with what a remedy put on. */
	const rig = $derived(bench.rig);
	const payloadHref = `/payload/${payload.id}`;

	const keys = pageKeys({
		outsideControls: {
			Enter: () => {
				if (figures?.next && (figures.solution.balanced || bench.waived)) bench.accept();
				else if (figures?.poised && log.logged === null) void logIt();
			}
		}
	});
</script>

<svelte:window onkeydown={keys} />

<div class="bench">
	<section class="work" aria-label="Gimbal bench">
		<BenchHead bench={bench.reference} heading="{payload.name} on {rig.name}" />
		{#if figures === null}
			<p class="empty">
				This payload holds nothing to balance yet. <a href={payloadHref}>Put the camera on its plate</a>.
			</p>
		{:else}
			<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
				<GimbalDrawing
					{rig}
					{parts}
					axes={figures.axes}
					{units}
					{width}
					{height}
					positionsM={bench.positionsM}
					targetsM={figures.fit === 'tooHeavy' ? null : figures.targetsM}
					nextId={figures.next?.slideId ?? null}
					hunts={figures.hunts}
					onread={(slideId, positionM) => bench.read(slideId, positionM, `rule ${slideId}`)}
					onsettle={() => bench.document.settle()}
					pulls={Pull}
				/>
				<div class="block"><MotorShares {rig} axes={figures.axes} massKg={figures.massKg} {units} /></div>
			</div>
			<div class="rows">
				<SlideRows
					{rig}
					{figures}
					{units}
					positionsM={bench.positionsM}
					onread={(slideId, positionM) => bench.read(slideId, positionM, `field ${slideId}`)}
					onsettle={() => bench.document.settle()}
				/>
			</div>
		{/if}
	</section>
	<div class="answer-column">
		{#if figures !== null}
			<BenchAnswer {bench} {rig} {figures} {units} {payloadHref} checksOpen={data.checksOpen} {log} onlog={logIt} />
		{/if}
	</div>
</div>

<style>
	.block {
		position: absolute;
		right: 14px;
		bottom: 10px;
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 560px;
		}
		.block {
			left: 14px;
		}
	}
</style>
