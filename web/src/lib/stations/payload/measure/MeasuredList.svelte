<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { when } from '$lib/sheet/when';
	import type { UnitSystem } from '$lib/model/person';
	import type { MeasuredAxis } from './together';
	import { axisWords, placeInWords, sureInWords, wayWords } from './words';

	/** The measurements of each direction side by side, and which of them speaks: one, or all together (null). */
	interface Props {
		byAxis: readonly MeasuredAxis[];
		picked: Readonly<Record<number, string | null>>;
		units: UnitSystem;
		onpick: (axis: 0 | 1 | 2, id: string | null) => void;
		onforget: (id: string) => void;
	}
	let { byAxis, picked, units, onpick, onforget }: Props = $props();
	const placeIn = (axis: 0 | 1 | 2, valueM: number) => placeInWords(axis, valueM, units);
	const sure = (sigmaM: number) => sureInWords(sigmaM, units);
</script>

<h2>What the measurements say</h2>
{#if byAxis.length === 0}
	<p class="lead">Nothing measured yet. A rod and a ruler are enough for a lens.</p>
{/if}
{#each byAxis as { which, entries, told } (which)}
	<div class="card axis">
		<p>
			<strong>{axisWords[which]}</strong>
			{#if told.conflict}<span class="problem" data-testid="conflict"
					>These do not agree: pick one, or measure again.</span
				>{/if}
		</p>
		<ul>
			{#each entries as { entry, valueM, sigmaM }, index (entry.id)}
				<li>
					<label
						><Tick
							type="radio"
							name="pick-{which}"
							checked={picked[which] === entry.id}
							onchange={() => onpick(which, entry.id)}
						/>
						<span class="figure">{placeIn(which, valueM)}</span>
						<small>{sure(sigmaM)}</small></label
					>
					<small class="quiet"
						>{wayWords[entry.way].toLowerCase()}: {entry.readings}. {entry.personName}, {when(entry.at)}. Counts {Math.round(
							(told.weights[index] ?? 0) * 100
						)} %.</small
					>
					<Button class="link" onclick={() => onforget(entry.id)}>Throw away</Button>
				</li>
			{/each}
			{#if entries.length > 1}
				<li>
					<label
						><Tick
							type="radio"
							name="pick-{which}"
							checked={(picked[which] ?? null) === null}
							onchange={() => onpick(which, null)}
						/>
						<span class="figure">{placeIn(which, told.value)}</span>
						<small>{sure(told.sigma)}, all together, each by what it is worth</small></label
					>
				</li>
			{/if}
		</ul>
	</div>
{/each}

<style>
	.axis {
		margin-bottom: 12px;
	}
	.axis li {
		display: grid;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	.axis label {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 40px;
	}
	small {
		font-size: 13px;
	}
	li > :global(.link) {
		text-align: left;
		text-decoration: underline;
		color: var(--press);
		font-size: 14px;
		min-height: 36px;
	}
</style>
