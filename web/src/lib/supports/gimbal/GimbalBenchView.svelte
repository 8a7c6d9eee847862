<script lang="ts">
	import '$lib/shell/bench.css';
	import { beforeNavigate } from '$app/navigation';
	import { isTyping } from '$lib/sheet/keys';
	import { showStation } from '$lib/shell/live.svelte';
	import { putOnBench } from '$lib/supports/onBench';
	import { balanceStation } from '$lib/supports/states';
	import { BalanceLog } from '$lib/supports/log/balanceLog.svelte';
	import type { BenchState } from '$lib/model/balance';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Rig } from '$lib/model/rig';
	import { onMount } from 'svelte';
	import BenchAnswer from './BenchAnswer.svelte';
	import { GimbalBench } from './gimbalBench.svelte';
	import MotorShares from './MotorShares.svelte';
	import RigDrawing from './RigDrawing.svelte';
	import { benchSheets } from './sheets';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import SupportChoice from '$lib/supports/SupportChoice.svelte';
	import SlideRows from './SlideRows.svelte';

	interface Props {
		data: {
			readonly rig: Rig;
			readonly payload: Payload;
			readonly bench: BenchState | null;
			readonly parts: readonly Part[];
			readonly person: Person;
			readonly checksOpen: number;
		};
	}
	let { data }: Props = $props();

	// The page mounts a new view for another rig, payload or version, so these never change under the bench.
	// svelte-ignore state_referenced_locally
	const { payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.parts.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new GimbalBench(data.rig, payload.id, mountedBodies(parts), data.bench);

	let width = $state(770);
	let height = $state(440);
	const log = new BalanceLog(
		'/api/balances',
		() => bench.state,
		() => bench.save()
	);
	const logIt = () =>
		log.log((state) => ({
			positionsM: state.positionsM,
			payloadId: payload.id,
			rigId: rig.id,
			payloadVersion: payload.version,
			nudges: bench.nudges,
			looks: bench.counted,
			weights: bench.state.weights ?? [],
			alternativeIds: bench.state.alternativeIds ?? []
		}));

	const units = $derived(data.person.units);
	const figures = $derived(bench.figures);
	/** As it is put together today: in the chosen order, with what a remedy put on. */
	const rig = $derived(bench.rig);
	const payloadHref = `/payload/${payload.id}`;

	onMount(() => {
		bench.restore();
		return () => bench.stop();
	});
	$effect(() => void putOnBench(data.person, { payloadId: payload.id, rigId: rig.id }));
	$effect(() => {
		if (figures !== null) return showStation('balance', balanceStation(figures));
	});
	beforeNavigate(() => void bench.save());

	function keys(event: KeyboardEvent) {
		const control = event.ctrlKey || event.metaKey;
		const key = event.key.toLowerCase();
		const onControl = (event.target as HTMLElement | null)?.closest('button, a, [role="slider"]') != null;
		if (isTyping(event)) return;
		if (control && key === 'z') {
			if (event.shiftKey) bench.redo();
			else bench.undo();
		} else if (control && key === 'y') bench.redo();
		else if (control && key === 's') void bench.save();
		else if (!control && event.key === 'Enter' && !onControl) {
			if (figures?.next && (figures.solution.balanced || bench.waived)) bench.accept();
			else if (figures?.poised && log.logged === null) void logIt();
		} else return;
		event.preventDefault();
	}
</script>

<svelte:window onkeydown={keys} />

<div class="bench">
	<section class="work" aria-label="Gimbal bench">
		<SupportChoice payloadId={payload.id} support={rig.id} />
		<SheetLinks
			label="Sheets of this bench"
			heading="{payload.name} on {rig.name}"
			links={benchSheets(rig.id, payload.id)}
		/>
		{#if figures === null}
			<p class="empty">
				This payload holds nothing to balance yet. <a href={payloadHref}>Put the camera on its plate</a>.
			</p>
		{:else}
			<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
				<RigDrawing
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
					onsettle={() => bench.settle()}
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
					onsettle={() => bench.settle()}
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
