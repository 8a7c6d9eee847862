<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { showMass, together } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { armLift } from '@poise/core';
	import { sledLimits } from './limits';
	import type { SledRig } from './model';
	import { sharedSledBench } from './sledBench.svelte';
	import { liftTurn, withKnownPoint } from './vest';

	/** What the arm carries, how each section is set for it, and what it does with that. */
	interface Props {
		loadKg: number;
		/** What could not be kept, in words; empty: all is well. */
		ontrouble: (words: string) => void;
	}
	let { loadKg, ontrouble }: Props = $props();
	const bench = sharedSledBench();
	const arm = $derived(bench.support.geometry.arm);
	const units = $derived(bench.units);
	const lift = $derived(armLift({ loadKg, rangeKg: arm.rangeKg, sections: arm.sections }));
	/** Settings as they are now, and the one found right for this load. */
	let lifted = $state<Record<string, number>>({});
	let looks = $state<Record<string, 'droops' | 'level' | 'rises'>>({});
	const settingOf = (id: string) => lifted[id] ?? round(lift.sections.find((each) => each.id === id)?.setting ?? 0);
	async function keepPoint(id: string) {
		const { name, leastPayloadKg, greatestPayloadKg, geometry, version } = bench.support;
		const sections = geometry.arm.sections.map((section) =>
			section.id === id ? withKnownPoint(section, loadKg, settingOf(id)) : section
		);
		const outcome = await ask<SledRig>('PUT', `/api/supports/sled/${bench.support.id}`, {
			name,
			leastPayloadKg,
			greatestPayloadKg,
			geometry: { ...geometry, arm: { ...geometry.arm, sections } },
			version
		});
		ontrouble(outcome.ok ? '' : `Not kept: ${outcome.error.message}`);
		if (outcome.ok) await invalidateAll();
	}
	const fitWords = {
		within: '',
		tooLight: 'lighter than the arm is made for',
		tooHeavy: 'heavier than the arm may lift'
	};
	const level = $derived(
		arm.sections.length > 1 && arm.sections.every(({ id }) => looks[id] === 'level')
			? 'All sections lie level: they share the load.'
			: null
	);
	const round = (value: number) => Math.round(value * 4) / 4;
</script>

<div class="part">
	<h2>Lift</h2>
	<p>
		<strong>{together(showMass(loadKg, units))}</strong> on the arm, of {together(showMass(arm.rangeKg[0], units))} to
		{together(showMass(arm.rangeKg[1], units))}.
		{#if lift.fits !== 'within'}<strong class="bad">{fitWords[lift.fits]}.</strong>{/if}
	</p>
	<div class="tube">
		<span>light</span><Vial offset={(lift.share - 0.5) * 2} label="Load within the arm’s range" /><span>heavy</span>
	</div>
	{#each lift.sections as { id, setting, liftedKg, beyondPoints } (id)}
		{@const section = arm.sections.find((each) => each.id === id)}
		{#if section}
			<div class="section" data-section={id}>
				<div>
					<strong>{section.label}</strong>
					<span class="quiet">lifts {together(showMass(liftedKg, units))}</span>
				</div>
				<p class="set">
					<span class="figure" data-testid="lift-{id}">{round(setting)}</span>
					{arm.unit}
				</p>
				<p class="quiet">
					from {section.points
						.map((point) => `${together(showMass(point.loadKg, units))} at ${point.setting}`)
						.join(' and ')}
					{#if beyondPoints > 0}<span class="bad">; beyond both known points, so go there by halves</span>{/if}
				</p>
				<div class="chips" role="group" aria-label="{section.label} lies">
					{#each ['droops', 'level', 'rises'] as const as look (look)}
						<Button
							class="chip"
							aria-pressed={looks[id] === look}
							onclick={() => (looks = { ...looks, [id]: look })}
							data-testid="lies-{id}-{look}">{look === 'level' ? 'lies level' : look}</Button
						>
					{/each}
					<QuantityField
						label="stands at"
						value={settingOf(id)}
						quantity="count"
						{units}
						check={allowed(sledLimits.armSetting, 'count')}
						onvalue={(value) => (lifted = { ...lifted, [id]: value })}
						testId="stands-{id}"
					/>
				</div>
				{#if looks[id] === 'droops' || looks[id] === 'rises'}
					<p class="advice" data-testid="lift-advice-{id}">
						Turn it <strong>{looks[id] === 'droops' ? 'up' : 'down'} {liftTurn(section)} {arm.unit}</strong>, half a
						kilogram’s worth, to {round(settingOf(id) + (looks[id] === 'droops' ? 1 : -1) * liftTurn(section))}, and
						look again.
					</p>
				{:else if looks[id] === 'level'}
					<Button class="link" onclick={() => keepPoint(id)} data-testid="keep-{id}"
						>Keep {settingOf(id)} at {together(showMass(loadKg, units))} as a known point</Button
					>
				{/if}
			</div>
		{/if}
	{/each}
	{#if level !== null}<p class="advice">{level}</p>{/if}
	<p class="caution">
		The maker’s manual says what the arm may lift and how its springs are turned. Never under load past its marks.
	</p>
</div>

<style>
	.part {
		padding: 12px 22px 16px 26px;
		display: grid;
		gap: 10px;
	}
	h2 {
		font-size: 18px;
	}
	.tube {
		display: grid;
		grid-template-columns: 44px 1fr 50px;
		align-items: center;
		gap: 10px;
		font-size: 13px;
		color: var(--quiet);
	}
	.section {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 2px 16px;
		border: 1px solid var(--rule);
		background: var(--panel);
		padding: 10px 14px;
	}
	.section > .quiet,
	.section > .chips,
	.section > .advice,
	.section > :global(.link) {
		grid-column: 1 / 3;
		justify-self: start;
	}
	.section .chips {
		align-items: end;
	}
	.section .chips :global(.field) {
		width: 110px;
		font-size: 13px;
	}
	.set {
		font-size: 17px;
	}
	.set .figure {
		font-size: 30px;
		font-weight: 700;
	}
	.bad {
		color: var(--clay);
	}
	.advice {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
	}
</style>
