<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { type PoseId, poseReport } from '@poise/core';
	import BenchHead from '../BenchHead.svelte';
	import { sharedGimbalBench } from './gimbalBench.svelte';
	import type { Part } from '$lib/model/part';
	import type { Payload } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';
	import { showTorque, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { moveInWords, slideOf } from './benchSlip';

	interface Props {
		data: {
			readonly support: Gimbal;
			readonly payload: Payload;
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const bench = sharedGimbalBench();

	const units = $derived(data.person.units);
	const rig = $derived(bench.rig);
	const names: Readonly<Record<PoseId, string>> = {
		upright: 'Upright',
		leanedForward: 'Leaned forward',
		low: 'Low, leaned back',
		onItsSide: 'On its side',
		upsideDown: 'Upside down'
	};
	/** The gimbal as a small upright stick with its camera, turned as it is held; degrees on the page. */
	const turnedBy: Readonly<Record<PoseId, number>> = {
		upright: 0,
		leanedForward: 45,
		low: -60,
		onItsSide: 90,
		upsideDown: 180
	};
	const poses = $derived(
		bench.solved === null
			? []
			: poseReport({
					chain: bench.solved.chain,
					positionsM: bench.positionsM,
					balances: Object.fromEntries(rig.geometry.slides.map(({ id, balances }) => [id, balances]))
				})
	);
	let most = $state<PoseId>('upright');
	const chosen = $derived(poses.find(({ id }) => id === most));
	const frictionOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.frictionNm ?? 0;
	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
</script>

<BenchHead bench={bench.reference} />
<div class="sheet">
	<h1>{data.payload.name}: held another way</h1>
	<p class="lead">
		What is left on each axis with the slides as they stand now, the whole gimbal held in each pose. Pick the pose that
		matters most today.
	</p>
	{#if chosen}
		<p class="big" data-testid="pose-answer">
			{#if chosen.touch === null}{names[chosen.id]}: <strong>every axis holds</strong>{:else}{names[chosen.id]}: slide
				the {slideOf(rig, chosen.touch.slideId).label.toLowerCase()}
				<strong>{unbroken(moveInWords(slideOf(rig, chosen.touch.slideId), chosen.touch.moveM, units))}</strong>{/if}
		</p>
		{#if chosen.touch !== null}<p class="lead">
				The {labelOf(chosen.touch.axisId).toLowerCase()} axis pulls hardest in this pose. Another pose may then pull a little
				more: look at the table again after the move.
			</p>{/if}
	{/if}
	<div class="scroll">
		<table>
			<thead>
				<tr>
					<th>Pose</th>
					{#each rig.geometry.axes as axis (axis.id)}<th>{axis.label}</th>{/each}
					<th class="screen"></th>
				</tr>
			</thead>
			<tbody>
				{#each poses as { id, axes } (id)}
					<tr class:chosen={id === most} data-pose={id}>
						<th>
							<span class="pose">
								<svg width="44" height="44" viewBox="-22 -22 44 44" aria-hidden="true">
									<path class="ground" d="M-20 20h40" />
									<g transform="rotate({turnedBy[id]})">
										<path d="M0 17V2M-7 2h14M-7 2v-9M-9 -14h13v9h-13zM4 -12h8v5h-8" />
									</g>
								</svg>
								{names[id]}
							</span>
						</th>
						{#each axes as axis (axis.id)}
							<td>
								<Vial
									offset={-axis.torqueNm / Math.max(frictionOf(axis.id), 1e-3)}
									label="{labelOf(axis.id)}, {names[id].toLowerCase()}: {axis.holds ? 'holds' : 'pulls'}"
								/>
								<span class="figure small"
									>{together(showTorque(axis.torqueNm, units))}{axis.motorShare === null
										? ''
										: `, ${Math.round(axis.motorShare * 100)} %`}{axis.holds ? ', holds' : ''}</span
								>
							</td>
						{/each}
						<td class="screen"
							><Button class="tool" aria-pressed={id === most} onclick={() => (most = id)} data-testid="matters-{id}"
								>matters most</Button
							></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<p class="lead">
		The gimbal’s own axes stay in their neutral pose in these figures; in use it keeps the camera level while the gimbal
		leans. A residue that bites upside down bites upright just as hard, the other way about.
	</p>
	<p class="caution">
		Turn a gimbal over with the power off and a hand on the camera: an axis that falls swings through faces and lenses.
	</p>
</div>

<style>
	.pose {
		display: inline-flex;
		align-items: center;
		gap: 12px;
		white-space: nowrap;
	}
	svg path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	svg .ground {
		stroke: var(--rule);
	}
	.chosen {
		background: var(--press-wash);
	}
	td {
		min-width: 170px;
	}
	.small {
		font-size: 13px;
		white-space: nowrap;
	}
</style>
