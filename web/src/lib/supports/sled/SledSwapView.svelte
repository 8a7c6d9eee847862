<script lang="ts">
	import '$lib/shell/sheet.css';
	import type { Part } from '$lib/model/part';
	import type { Payload } from '$lib/model/payload';
	import AlsoWith from '$lib/supports/swap/AlsoWith.svelte';
	import SwapAlone from '$lib/supports/swap/SwapAlone.svelte';
	import SwapPdf from '$lib/supports/swap/SwapPdf.svelte';
	import { familyOf } from '$lib/supports/swap/family';
	import { showMass, showMove, together } from '$lib/sheet/units/display';
	import { SvelteSet } from 'svelte/reactivity';
	import type { SledFigures } from './figures';
	import { sharedSledBench } from './sledBench.svelte';
	import { linesBetween } from './slip';
	import { itemAt } from './standing';
	import { carriedOver, sledBuilds, swapLines } from './swap';

	interface Props {
		data: { readonly payload: Payload; readonly payloads: readonly Payload[]; readonly shelf: readonly Part[] };
	}
	let { data }: Props = $props();
	const bench = sharedSledBench();
	const units = $derived(bench.units);
	const { support: sled } = bench;
	const figures = $derived(bench.figures as SledFigures);
	/** The build’s own variants to begin with; any other build can join. */
	const kin = $derived(familyOf(data.payload, data.payloads));
	const others = $derived(kin.others);
	const added = new SvelteSet<string>();
	const builds = $derived(
		sledBuilds(
			sled,
			data.payloads.filter((each) => kin.family.includes(each) || added.has(each.id)),
			data.shelf,
			bench.state
		)
	);
	const own = $derived(builds.find(({ payload }) => payload.id === data.payload.id));
	const moving = $derived(sled.geometry.items.filter(({ foreM, sideM }) => foreM !== null || sideM !== null));
	const mm = (metres: number) => `${metres < -0.00005 ? '−' : ''}${together(showMove(metres, units))}`;
	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
</script>

<div class="sheet">
	<h1>Swap sheet</h1>
	<p class="lead">
		From the build in each row to the build in each column on {sled.name}: plate, gimbal and batteries, all in place, as
		computed, for a drop of {bench.state.dropTimeS.toFixed(1)} s. {today}.
	</p>
	<div class="row screen">
		<AlsoWith legend="Also with" choices={others} ticked={added} />
		<SwapPdf
			href="/api/prints/swap/{sled.id}/{data.payload.id}"
			also={[...added]}
			before={() => bench.document.save()}
		/>
	</div>
	{#if builds.length < 2}<SwapAlone payload={data.payload} {others} />{/if}
	<h2>Where everything stands</h2>
	<div class="scroll">
		<table>
			<thead
				><tr
					><th>Build</th><th class="number">mass</th><th class="number">plate, clamp</th><th class="number">knob</th><th
						class="number">side knob</th
					><th class="number">gimbal</th>{#each moving as item (item.id)}<th class="number">{item.label}</th>{/each}</tr
				></thead
			>
			<tbody>
				{#each builds as { payload, payloadKg, setting, poised, dropTimeS } (payload.id)}
					<tr data-build={payload.name}>
						<th
							>{payload.name}{#if !poised}<small class="problem"
									>{dropTimeS === null ? 'stays top-heavy' : 'is not in place even so'}</small
								>{/if}</th
						>
						<td class="number figure">{together(showMass(payloadKg, units))}</td>
						<td class="number figure">{mm(setting.coarseForeM)}</td>
						<td class="number figure">{mm(setting.fineForeM)}</td>
						<td class="number figure">{mm(setting.fineSideM)}</td>
						<td class="number figure">{mm(setting.gimbalM)}</td>
						{#each moving as item (item.id)}<td class="number figure">{mm(itemAt(setting, item.id).foreM)}</td>{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<p class="quiet small">
		Forward, left and up positive; plate and batteries from the middle of their travel, the gimbal from the foot.
	</p>
	{#if builds.length > 1}
		<h2>From … to</h2>
		<div class="scroll">
			<table class="matrix">
				<thead
					><tr
						><th></th>{#each builds as { payload } (payload.id)}<th>to {payload.name}</th>{/each}</tr
					></thead
				>
				<tbody>
					{#each builds as from (from.payload.id)}
						<tr>
							<th>from {from.payload.name}</th>
							{#each builds as to (to.payload.id)}
								<td data-swap="{from.payload.name} → {to.payload.name}">
									{#if from === to}<span class="quiet">–</span>
									{:else}
										<ul>
											{#each swapLines(sled, from, to, units) as line (line.id)}<li>
													{line.lead}<strong>{line.strong}</strong>
												</li>{:else}<li class="quiet">nothing moves</li>{/each}
										</ul>
									{/if}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
		{#if own !== undefined && figures.placed}
			<h2>From how it stands on the bench now</h2>
			<p class="lead">
				Everything is in place, so the computed change is added to what stands: what the figures have wrong about the
				sled cancels.
			</p>
			{#each builds.filter((each) => each !== own) as to (to.payload.id)}
				<p data-from-now={to.payload.name}>
					<strong>to {to.payload.name}:</strong>
					{linesBetween(sled.geometry, bench.setting, carriedOver(sled, bench.setting, own, to), units)
						.map(({ lead, strong }) => `${lead}${strong}`)
						.join('; ') || 'nothing moves'}
				</p>
			{/each}
		{/if}
	{/if}
	<p class="caution">
		Dock it first and set the gimbal high: a sled without its camera is foot-heavy, with a heavier one it turns over.
	</p>
</div>

<style>
	.matrix td {
		vertical-align: top;
		min-width: 230px;
		font-size: 15px;
	}
	.matrix tbody th {
		max-width: 170px;
	}
	.problem {
		display: block;
	}
	.small {
		font-size: 13px;
	}
</style>
