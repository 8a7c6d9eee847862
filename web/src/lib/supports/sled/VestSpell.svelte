<script lang="ts">
	import { forget, keep, recall } from '$lib/keeping/kept';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { onMount } from 'svelte';
	import { sledLimits } from './limits';
	import type { LoggedSledEntry } from './model';
	import { sharedSledBench } from './sledBench.svelte';
	import { vestAdvice } from './vest';

	/** How long the vest has been on, how long it may, and how long to rest. */
	interface Props {
		/** What the person who wears it has logged. */
		mine: readonly LoggedSledEntry[];
		/** Who wears it. */
		personId: string;
		loadKg: number;
		now: Date;
		/** Logs a spell; says whether it was kept. */
		onworn: (minutes: number) => Promise<boolean>;
	}
	let { mine, personId, loadKg, now, onworn }: Props = $props();
	const bench = sharedSledBench();
	const units = $derived(bench.units);
	/** When the vest went on; null: it is off. Kept over a reload. */
	let wornSince = $state<number | null>(null);
	// Another person mounts it anew.
	// svelte-ignore state_referenced_locally
	const spellKey = `vest.${bench.support.id}.${personId}`;
	onMount(() => {
		wornSince = recall<number>(spellKey);
	});
	const vest = $derived(vestAdvice(mine, loadKg, now));
	const goneMinutes = $derived(wornSince === null ? 0 : (now.getTime() - wornSince) / 60_000);
	let minutes = $state(20);
	function putOn() {
		wornSince = Date.now();
		keep(spellKey, wornSince);
	}
	async function takeOff() {
		if (wornSince === null) return;
		const spent = Math.max(0.5, Math.round(((Date.now() - wornSince) / 60_000) * 2) / 2);
		if (!(await onworn(Math.min(sledLimits.wornMinutes.most, spent)))) return;
		wornSince = null;
		forget(spellKey);
	}
</script>

<h2>In the vest</h2>
{#if wornSince !== null}
	<p class="clock figure" class:bad={goneMinutes > vest.spellMinutes} data-testid="vest-clock">
		{Math.floor(goneMinutes)}:{String(Math.floor((goneMinutes % 1) * 60)).padStart(2, '0')}
	</p>
	<p>
		{goneMinutes > vest.spellMinutes
			? `Longer than ${vest.spellMinutes} min with this load: hand it over or dock it.`
			: `Dock it within ${vest.spellMinutes} min with this load.`}
	</p>
	<Button class="go" onclick={takeOff} data-testid="vest-off">It is docked</Button>
{:else}
	<p data-testid="vest-advice">
		{#if vest.lastMinutes === null}Not worn today. With this load, {vest.spellMinutes} min at a time, then {vest.restMinutes}
			min off.
		{:else if vest.rest}<strong>Rest {vest.restMinutes - (vest.restedMinutes ?? 0)} min more.</strong>
			{vest.lastMinutes} min worn, {vest.restedMinutes} min rested.
		{:else}Rested. {vest.todayMinutes} min today; with this load, {vest.spellMinutes} min at a time.{/if}
	</p>
	<Button class="second" onclick={putOn} data-testid="vest-on">It is on me: start the clock</Button>
	<div class="row">
		<QuantityField
			label="or worn for, minutes"
			value={minutes}
			quantity="count"
			{units}
			check={allowed(sledLimits.wornMinutes, 'count')}
			onvalue={(value) => (minutes = value)}
			testId="vest-minutes"
		/>
		<Button class="chip" onclick={() => onworn(minutes)} data-testid="vest-log">Log it</Button>
	</div>
{/if}

<style>
	.bad {
		color: var(--clay);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: end;
	}
	.row :global(.field) {
		width: 170px;
	}
	.clock {
		font-size: 44px;
		font-weight: 700;
		line-height: 1;
	}
	h2 {
		font-size: 18px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
</style>
