<script
	lang="ts"
	generics="Geometry, Pattern extends {
		readonly id: string;
		readonly name: string;
		readonly words: string;
		readonly payloadKg: readonly [number, number];
		readonly geometry: Geometry;
	}"
>
	import '$lib/shell/sheet.css';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { goto } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import type { UnitSystem } from '$lib/model/person';
	import { inUnits, showMass, together } from '$lib/sheet/units/display';
	import type { Snippet } from 'svelte';
	import { type InHand, whyNot } from './onOffer';
	import { knownKind, inTitle } from './registry';

	/** The supports of one kind, and the patterns to start another from. */
	interface Props {
		/** A key of the registry. */
		kind: string;
		gear: readonly {
			readonly id: string;
			readonly name: string;
			readonly leastPayloadKg: number;
			readonly greatestPayloadKg: number;
			readonly geometry: Geometry;
		}[];
		patterns: readonly Pattern[];
		make: (pattern: Pattern, name: string) => object;
		/** To scale, from its figures. */
		preview: Snippet<[Geometry]>;
		previewHeight: number;
		/** What the patterns are, in a word or two. */
		generic: string;
		units: UnitSystem;
		/** Of one piece, before what it carries. */
		about?: (id: string) => string;
		inHand: InHand;
	}
	let { kind, gear, patterns, make, preview, previewHeight, generic, units, about, inHand }: Props = $props();
	let trouble = $state('');
	let busy = $state(false);
	const words = $derived(knownKind(kind));
	const title = $derived(inTitle(words.many));

	async function start(pattern: Pattern) {
		const taken = new Set(gear.map(({ name }) => name));
		let name = pattern.name;
		for (let count = 2; taken.has(name); count += 1) name = `${pattern.name} ${count}`;
		busy = true;
		const outcome = await ask<{ readonly id: string }>('POST', `/api/supports/${kind}`, make(pattern, name));
		busy = false;
		if (outcome.ok) await goto(`/${words.many}/${outcome.value.id}?fresh`);
		else trouble = outcome.error.message;
	}
	const range = (least: number, greatest: number) =>
		`${together(showMass(least, units))} to ${together(showMass(greatest, units))}`;
</script>

{#snippet fits(of: { readonly leastPayloadKg: number; readonly greatestPayloadKg: number })}
	{#if inHand !== null}
		{@const why = whyNot(of, inHand.massKg, units)}
		<span class={why === null ? 'fits' : 'fits not'} data-testid="fits"
			>{why === null
				? `carries ${inHand.name}, ${together(showMass(inHand.massKg, units))}`
				: `not for ${inHand.name}: ${why}`}</span
		>
	{/if}
{/snippet}

<svelte:head><title>{title} · Poise</title></svelte:head>
<div class="sheet">
	<h1>{title}</h1>
	<p class="lead"><a href="/shelf">The shelf</a>, or <a href="/balance?choose">put a payload on one</a>.</p>
	<div class="cards">
		{#each gear as { id, name, leastPayloadKg, greatestPayloadKg, geometry } (id)}
			<a class="card" href="/{words.many}/{id}">
				<strong>{name}</strong>
				<div class="preview" style:height="{previewHeight}px" aria-hidden="true">{@render preview(geometry)}</div>
				<span class="quiet">{about?.(id) ?? 'carries '}{range(leastPayloadKg, greatestPayloadKg)}</span>
				{@render fits({ leastPayloadKg, greatestPayloadKg })}
			</a>
		{/each}
	</div>
	<h2>A new {words.one}, from a pattern</h2>
	<p class="lead">Generic {generic} to scale; every figure is then yours to change.</p>
	<div class="cards">
		{#each patterns as pattern (pattern.id)}
			<div class="card">
				<div class="preview" style:height="{previewHeight}px" aria-hidden="true">
					{@render preview(pattern.geometry)}
				</div>
				<strong>{pattern.name}</strong>
				<span class="quiet">{inUnits(pattern.words, units)} · {range(...pattern.payloadKg)}</span>
				{@render fits({ leastPayloadKg: pattern.payloadKg[0], greatestPayloadKg: pattern.payloadKg[1] })}
				<Button class="second" disabled={busy} onclick={() => start(pattern)} data-testid="start-{pattern.id}"
					>Start from this</Button
				>
			</div>
		{/each}
	</div>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
</div>

<style>
	/* Its name is read first, its drawing is seen first. */
	.preview {
		order: -1;
		overflow: hidden;
	}
	.fits {
		font-size: 15px;
	}
	.fits.not {
		color: var(--clay);
	}
</style>
