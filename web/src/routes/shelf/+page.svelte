<script lang="ts">
	/* eslint-disable max-lines -- one page of everything that stands on the shelf. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import { invalidateAll } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import { glyph } from '$lib/sheet/drawing/glyph';
	import PartGlyph from '$lib/sheet/drawing/PartGlyph.svelte';
	import { outerSizeM, type Part, partKinds } from '$lib/model/part';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import PartForm from '$lib/stations/payload/shelf/PartForm.svelte';
	import { supportKinds } from '$lib/supports/registry';
	import { showLength, showMass, together } from '$lib/sheet/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
	let open = $state.raw<Part | 'new' | null>(null);
	let trouble = $state('');
	let search = $state('');
	/** Of each kind so many at first; more when they are asked for. */
	const firstShown = 40;
	let wholeKinds = $state.raw<readonly string[]>([]);
	const wanted = (name: string) => name.toLowerCase().includes(search.trim().toLowerCase());
	const groups = $derived(
		partKinds
			.map((kind) => ({ kind, parts: data.shelf.filter((part) => part.kind === kind && wanted(part.name)) }))
			.filter(({ parts }) => parts.length > 0)
	);

	async function done() {
		open = null;
		await invalidateAll();
	}
	async function remove(part: Part) {
		const outcome = await ask('DELETE', `/api/parts/${part.id}`);
		trouble = outcome.ok ? '' : `${part.name}: ${outcome.error.message}`;
		if (outcome.ok) await done();
	}
	const size = ({ shape }: Part) =>
		outerSizeM(shape)
			.map((edge) => showLength(edge, units).figure)
			.join(' × ') + ` ${showLength(0, units).unit}`;
	/** A thumbnail 56 px high at most. */
	const scaleOf = ({ shape }: Part) => Math.min(88 / outerSizeM(shape)[0], 48 / shape.sizeM[2]);
</script>

<svelte:head><title>Shelf · Poise</title></svelte:head>

<section>
	<div class="head">
		<h1>Shelf</h1>
		<a class="pick" href="/balance?choose">Payloads on supports</a>
		<Button class="new" onclick={() => (open = 'new')}>New part</Button>
	</div>
	{#if trouble !== ''}<p class="trouble" role="alert">{trouble}</p>{/if}
	{#if open === 'new'}
		<div class="form">
			<PartForm part={null} {units} action="Add to the shelf" ondone={done} oncancel={() => (open = null)} />
		</div>
	{/if}
	{#if data.shelf.length > firstShown}
		<label class="find"
			>Find a part <TextInput type="search" bind:value={search} autocomplete="off" data-testid="find-part" /></label
		>
		{#if groups.length === 0}<p class="lead" role="status">No part is called so.</p>{/if}
	{/if}
	{#if data.shelf.length === 0 && open !== 'new'}
		<p class="lead">
			No part yet. Press <strong>New part</strong> and give it its mass and size; then
			<a href="/payload">build a payload</a> with it.
		</p>
	{/if}
	<div class="columns">
		{#each groups as { kind, parts } (kind)}
			<div class="group">
				<h2>{kind}</h2>
				<ul>
					{#each wholeKinds.includes(kind) ? parts : parts.slice(0, firstShown) as part (part.id)}
						{@const pxPerM = scaleOf(part)}
						{@const { box } = glyph(part, 'side', pxPerM)}
						<li>
							<svg
								viewBox="{box.x - 3} {box.y - 3} {box.width + 6} {box.height + 6}"
								width={box.width + 6}
								height={box.height + 6}
								aria-hidden="true"
							>
								<PartGlyph {part} view="side" {pxPerM} />
							</svg>
							<span class="what">
								<strong>{part.name}</strong>
								<span class="quiet">{size(part)}{part.shape.cgFromMiddleM === null ? ' · CG assumed' : ''}</span>
							</span>
							<span class="figure">{together(showMass(part.massKg, units))}</span>
							<Button onclick={() => (open = part)} aria-label="Change {part.name}">Change</Button>
							{#if typeof open === 'object' && open?.id === part.id}
								<div class="form">
									<PartForm {part} {units} action="Save" ondone={done} oncancel={() => (open = null)} />
									<Button class="remove" onclick={() => remove(part)}>Take {part.name} off the shelf</Button>
								</div>
							{/if}
						</li>
					{/each}
				</ul>
				{#if parts.length > firstShown && !wholeKinds.includes(kind)}
					<Button class="whole" onclick={() => (wholeKinds = [...wholeKinds, kind])}
						>Show all {parts.length} of this kind</Button
					>
				{/if}
			</div>
		{/each}
		<div class="group">
			<h2>venues <a href="/venues">all venues, and a new one</a></h2>
			<ul>
				{#each data.venues as { id, name } (id)}
					<li>
						<span class="what"><a href="/venues/{id}"><strong>{name}</strong></a></span>
					</li>
				{/each}
			</ul>
		</div>
		<div class="group">
			<h2>heads <a href="/heads">all heads, and a new one</a></h2>
			<ul>
				{#each data.heads as { id, name } (id)}
					<li>
						<span class="what"><a href="/heads/{id}"><strong>{name}</strong></a></span>
					</li>
				{:else}
					<li class="quiet">None yet.</li>
				{/each}
			</ul>
		</div>
		{#each supportKinds as { key, many } (key)}
			<div class="group">
				<h2>{many} <a href="/{many}">all {many}, and a new one</a></h2>
				<ul>
					{#each data.supports.filter((each) => each.kind === key) as { id, name, leastPayloadKg, greatestPayloadKg } (id)}
						<li>
							<span class="what"><a href="/{many}/{id}"><strong>{name}</strong></a></span>
							<span class="figure"
								>{together(showMass(leastPayloadKg, units))} to {together(showMass(greatestPayloadKg, units))}</span
							>
						</li>
					{:else}
						<li class="quiet">None yet.</li>
					{/each}
				</ul>
			</div>
		{/each}
	</div>
</section>

<style>
	section {
		padding: 20px 26px 40px;
	}
	.lead {
		margin-bottom: 14px;
		font-size: 18px;
	}
	.pick {
		margin-left: auto;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 18px;
		align-items: center;
		margin-bottom: 10px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
	}
	.head > :global(.new) {
		background: var(--press);
		color: var(--press-ink);
		min-height: 48px;
		padding: 0 24px;
		font-size: 17px;
		font-weight: 700;
		border-radius: 6px;
	}
	.find {
		display: flex;
		gap: 10px;
		align-items: center;
		margin-bottom: 12px;
		font-size: 15px;
	}
	.find :global(input) {
		min-height: 44px;
		flex: 0 1 320px;
	}
	.group > :global(.whole) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
		font-size: 15px;
	}
	.trouble {
		color: var(--clay);
		margin-bottom: 10px;
	}
	.columns {
		columns: 2 480px;
		column-gap: 40px;
	}
	.group {
		break-inside: avoid;
		margin-bottom: 18px;
	}
	h2 {
		font-size: 14px;
		color: var(--quiet);
		border-bottom: 2px solid var(--ink);
		padding-bottom: 2px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 14px;
		min-height: 62px;
		border-bottom: 1px solid var(--rule);
	}
	svg {
		width: 96px;
		flex: none;
	}
	.what {
		flex: 1;
		min-width: 150px;
		display: grid;
	}
	.what .quiet {
		font-size: 14px;
	}
	li > :global(button) {
		min-height: 44px;
		padding: 0 10px;
		color: var(--press);
		text-decoration: underline;
		font-size: 15px;
	}
	.form {
		flex-basis: 100%;
		background: var(--panel);
		border: 1px solid var(--rule);
		margin-bottom: 12px;
	}
	.form > :global(.remove) {
		margin: 0 26px 16px;
		min-height: 44px;
		color: var(--clay);
		text-decoration: underline;
		font-size: 15px;
	}
	@media (max-width: 600px) {
		section {
			padding: 14px 14px 40px;
		}
		li {
			padding: 6px 0;
		}
		li:has(svg) {
			display: grid;
			grid-template-columns: 76px 1fr auto;
			gap: 0 12px;
		}
		svg {
			width: 76px;
			height: 52px;
			grid-row: 1 / 3;
		}
		.what {
			grid-row: 1 / 3;
			min-width: 0;
		}
		li > .figure {
			text-align: right;
		}
		li > :global(button) {
			grid-column: 3;
			justify-self: end;
			padding-right: 0;
		}
		.form {
			grid-column: 1 / -1;
		}
	}
</style>
