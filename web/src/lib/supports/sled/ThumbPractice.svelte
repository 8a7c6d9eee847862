<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { invalidateAll } from '$app/navigation';
	import { degFromRad, dropLean } from '@poise/core';
	import { ask } from '$lib/keeping/ask';
	import type { Person } from '$lib/model/person';
	import { onMount } from 'svelte';
	import DropPad from './DropPad.svelte';
	import { thumbFrom, thumbTries } from './drops';

	/** A post on the screen falls in a time that is known: what the thumb says more or less is its own. */
	interface Props {
		person: Person;
		ondone: () => void;
	}
	let { person, ondone }: Props = $props();

	const [leastFallS, mostFallS] = [1.6, 3.2];
	let lagsS = $state.raw<readonly number[]>([]);
	let fallS = $state(newFall());
	let startedS: number | null = null;
	let leanRad = $state(Math.PI / 2);
	let trouble = $state('');
	const thumb = $derived(thumbFrom(lagsS));

	function newFall() {
		return leastFallS + (mostFallS - leastFallS) * Math.random();
	}
	onMount(() => {
		let frame = requestAnimationFrame(function beat() {
			if (startedS !== null)
				leanRad = dropLean({ dropTimeS: fallS, atS: Math.max(0, performance.now() / 1000 - startedS) });
			frame = requestAnimationFrame(beat);
		});
		return () => cancelAnimationFrame(frame);
	});
	function ran(seconds: number) {
		lagsS = [...lagsS, seconds - fallS];
		fallS = newFall();
	}
	function rest() {
		startedS = null;
		leanRad = Math.PI / 2;
	}
	async function save() {
		if (thumb === null) return;
		const outcome = await ask<Person>('PATCH', '/api/me', { thumb });
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		await invalidateAll();
		ondone();
	}
	const signed = (seconds: number) => `${seconds < 0 ? '−' : '+'}${Math.abs(seconds).toFixed(2)}`;
	const degrees = $derived(degFromRad(leanRad));
</script>

<section class="practice" aria-label="Measure your thumb">
	<p>
		This post falls in a time that Poise knows. Time it {thumbTries} times as you would a sled, {person.name.split(
			' '
		)[0]}; how late your thumb is comes off every drop you time.
	</p>
	<svg viewBox="-150 -118 300 240" aria-hidden="true" data-falls-in={fallS}>
		<path class="plumb" d="M0 -110V118" />
		<g transform="rotate({degrees})">
			<path class="post" d="M0 -84V96" />
			<rect class="box" x="-26" y="-108" width="52" height="26" rx="2" />
			<rect class="box" x="-34" y="92" width="22" height="24" rx="2" />
			<rect class="box" x="12" y="90" width="14" height="22" rx="2" />
		</g>
		<circle class="gimbal" r="9" />
	</svg>
	<DropPad count={lagsS.length} onrun={ran} onfall={(atS) => (startedS = atS)} onrest={rest} />
	<p class="figure tries" data-testid="lags">
		{#each lagsS as lag, index (index)}<span>{signed(lag)} s</span>{:else}<span class="quiet">no try yet</span>{/each}
	</p>
	{#if thumb !== null}
		<p>
			<strong>{thumb.lagS >= 0 ? 'Late' : 'Early'} by {Math.abs(thumb.lagS).toFixed(2)} s</strong>, give or take {thumb.spreadS.toFixed(
				2
			)} s a tap.
		</p>
	{/if}
	<p class="row">
		<Button class="chip" disabled={thumb === null} onclick={save} data-testid="keep-thumb"
			>{thumb === null ? `${thumbTries - lagsS.length} more` : 'This is my thumb'}</Button
		>
		<Button class="chip" onclick={ondone}>Back to the sled</Button>
	</p>
	{#if trouble !== ''}<p class="trouble" role="alert">{trouble}</p>{/if}
</section>

<style>
	.practice {
		display: grid;
		gap: 10px;
	}
	svg {
		height: 210px;
		width: 100%;
		color: var(--ink);
	}
	.plumb {
		stroke: var(--clay);
		stroke-width: 1.4;
		stroke-dasharray: 6 4;
	}
	.post {
		stroke: var(--ink);
		stroke-width: 6;
	}
	.box {
		fill: url(#hatch);
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.gimbal {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 3;
	}
	.tries {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 16px;
	}
	.row {
		display: flex;
		gap: 10px;
	}
	.trouble {
		color: var(--clay);
	}
	.row > :global(.chip:disabled) {
		color: var(--quiet);
	}
</style>
