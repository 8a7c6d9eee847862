<script lang="ts">
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/sheet.css';
	import type { Part } from '$lib/model/part';
	import type { Payload } from '$lib/model/payload';
	import AlsoWith from '$lib/supports/swap/AlsoWith.svelte';
	import SwapAlone from '$lib/supports/swap/SwapAlone.svelte';
	import SwapPdf from '$lib/supports/swap/SwapPdf.svelte';
	import { familyOf } from '$lib/supports/swap/family';
	import { showMass, showMove, together } from '$lib/sheet/units/display';
	import { SvelteSet } from 'svelte/reactivity';
	import { sharedCraneBench } from './craneBench.svelte';
	import type { CraneFigures } from './figures';
	import { platesInWords } from './slip';
	import { headsOf } from './heads';
	import {
		type CraneBuild,
		craneBuilds,
		swapCautions,
		swapHoldWords,
		swapSteps,
		type SwapStep,
		swapStepWords
	} from './swap';

	interface Props {
		data: { readonly payload: Payload; readonly payloads: readonly Payload[]; readonly shelf: readonly Part[] };
	}
	let { data }: Props = $props();
	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const { support: crane } = bench;
	const figures = $derived(bench.figures as CraneFigures);
	const kin = $derived(familyOf(data.payload, data.payloads));
	const others = $derived(kin.others);
	const added = new SvelteSet<string>();
	const heads = $derived(headsOf(crane.geometry));
	const otherHeads = new SvelteSet<number>();
	const builds = $derived(
		craneBuilds(
			crane,
			[
				data.payload,
				...data.payloads.filter(
					(each) => each.id !== data.payload.id && (kin.family.includes(each) || added.has(each.id))
				)
			],
			data.shelf,
			bench.state,
			[...otherHeads]
		)
	);
	const from = $derived(builds.find(({ payload, head }) => payload.id === data.payload.id && head.index === 0));
	let toId = $state('');
	const to = $derived(builds.find(({ id }) => id === toId && id !== from?.id) ?? builds.find((each) => each !== from));
	const swap = $derived(from === undefined || to === undefined ? null : swapSteps(from, to, figures.freeLimitNm));
	const words = (id: SwapStep['id']): string =>
		swap === null || from === undefined || to === undefined
			? ''
			: swapStepWords(crane.geometry, from, to, swap, id, units);
	const called = ({ payload, head }: CraneBuild) =>
		otherHeads.size === 0 ? payload.name : `${payload.name}, ${head.name.toLowerCase()}`;
	const kg = (mass: number) => together(showMass(mass, units));
</script>

<div class="sheet">
	<h1>Swap sheet</h1>
	<p class="lead">Plates and trim before and after, and the order in which to do it, on {crane.name}.</p>
	<div class="row screen">
		<AlsoWith legend="Also with" choices={others} ticked={added} />
		{#if heads.length > 1}
			<AlsoWith
				legend="Under another head"
				choices={heads.slice(1).map(({ index, name }) => ({ id: index, name, testId: `head-${index}` }))}
				ticked={otherHeads}
			/>
		{/if}
		<SwapPdf
			href="/api/prints/swap/{crane.id}/{data.payload.id}"
			also={[...added]}
			more={{ heads: [...otherHeads].join(',') }}
			before={() => bench.document.save()}
		/>
	</div>
	<table class="folds">
		<thead
			><tr><th>Build</th><th class="number">mass</th><th>plates</th><th class="number">trim behind the pivot</th></tr
			></thead
		>
		<tbody>
			{#each builds as build (build.id)}
				{@const { payloadKg, setting, shortKg } = build}
				<tr data-build={called(build)}>
					<th
						>{called(build)}{#if Math.abs(shortKg) > figures.noseBandKg}<small class="problem"
								>{kg(Math.abs(shortKg))} {shortKg > 0 ? 'heavy' : 'light'} even so</small
							>{/if}</th
					>
					<td data-head="mass" class="number figure">{kg(payloadKg)}</td>
					<td data-head="plates">{platesInWords(crane.geometry, setting.hung, units)}</td>
					<td data-head="trim" class="number figure">{together(showMove(-setting.trimU, units))}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if from !== undefined && to !== undefined}
		<h2>
			From {called(from)} to
			<Choice value={to.id} onchange={(event) => (toId = event.currentTarget.value)} aria-label="To which build">
				{#each builds.filter((each) => each !== from) as build (build.id)}<option value={build.id}
						>{called(build)}</option
					>{/each}
			</Choice>
		</h2>
		<ol class="steps" data-testid="swap-steps">
			{#each swap?.steps ?? [] as step, index (step.id)}
				<li class:bad={!step.ok}>
					<strong>{index + 1}. {words(step.id)}</strong>
					<span class="quiet">{swapHoldWords(step, units)}</span>
				</li>
			{/each}
		</ol>
	{:else}
		<SwapAlone payload={data.payload} {others} />
	{/if}
	{#if to !== undefined && to.head.index > 0}<p class="hint">
			Once it hangs, say so on <a href="/cranes/{crane.id}">the crane’s page</a>: the bench reckons with the head that
			is on.
		</p>{/if}
	{#each swap === null ? [] : swapCautions(swap, units) as words (words)}<p class="caution">{words}</p>{/each}
</div>

<style>
	.problem {
		display: block;
	}
	.steps {
		display: grid;
		gap: 8px;
	}
	.steps li {
		background: var(--panel);
		border: 1px solid var(--rule);
		padding: 10px 14px;
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		justify-content: space-between;
	}
	.bad {
		border-color: var(--clay) !important;
	}
</style>
