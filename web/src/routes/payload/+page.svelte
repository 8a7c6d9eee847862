<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { goto } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import type { NewPart, Part } from '$lib/model/part';
	import type { Payload } from '$lib/model/payload';
	import { showLength, showMass, together } from '$lib/sheet/units/display';
	import PayloadCard from '$lib/stations/payload/PayloadCard.svelte';

	let { data } = $props();
	const shelf = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	/** A new build starts on the lightest plate; most stay on it. */
	const plate = $derived(data.shelf.filter(({ kind }) => kind === 'plate').sort((a, b) => a.massKg - b.massKg)[0]);
	let trouble = $state('');
	let busy = $state(false);

	/** The first free name, so that starting never has to wait for one. */
	function freeName(): string {
		const taken = new Set(data.payloads.map(({ name }) => name));
		for (let count = 1; ; count += 1) {
			const name = count === 1 ? 'New payload' : `New payload ${count}`;
			if (!taken.has(name)) return name;
		}
	}

	/** Every payload stands on a plate; a crew that has none yet gets a plain one, to be given its own figures later. */
	async function plainPlate(): Promise<Part | null> {
		const outcome = await ask<Part>('POST', '/api/parts', {
			name: 'Plain plate',
			kind: 'plate',
			massKg: 0.08,
			shape: { sizeM: [0.1, 0.04, 0.01], cgFromMiddleM: null, extensionM: 0 }
		} satisfies NewPart);
		if (outcome.ok) return outcome.value;
		trouble = outcome.error.message;
		return null;
	}

	async function start() {
		busy = true;
		const under = plate ?? (await plainPlate());
		if (under === null) return void (busy = false);
		const outcome = await ask<Payload>('POST', '/api/payloads', {
			name: freeName(),
			platePartId: under.id,
			placements: []
		});
		busy = false;
		if (outcome.ok) await goto(`/payload/${outcome.value.id}`);
		else trouble = outcome.error.message;
	}
</script>

<svelte:head><title>Payloads · Poise</title></svelte:head>

<section>
	<div class="head">
		<h1>What is on the plate today?</h1>
		<Button onclick={start} disabled={busy} data-testid="new-payload">New payload</Button>
	</div>
	{#if trouble !== ''}<p class="trouble" role="alert">{trouble}</p>{/if}
	<ul>
		{#each data.payloads as payload (payload.id)}
			<li><PayloadCard {payload} {shelf} units={data.person.units} /></li>
		{:else}
			<li class="empty">
				No payload yet. Press <strong>New payload</strong> and put a camera on its plate.
				{#if plate === undefined}<span class="quiet"
						>It starts on a plain plate of {together(showLength(0.1, data.person.units))} and {together(
							showMass(0.08, data.person.units)
						)}; weigh yours and change it on the <a href="/shelf">shelf</a>.</span
					>{/if}
			</li>
		{/each}
	</ul>
</section>

<style>
	section {
		padding: 26px;
		max-width: 1400px;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 10px 26px;
		align-items: center;
		justify-content: space-between;
		margin-bottom: 20px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
	}
	.head > :global(button) {
		background: var(--press);
		color: var(--press-ink);
		min-height: 52px;
		padding: 0 26px;
		border-radius: 6px;
		font-size: 18px;
		font-weight: 700;
	}
	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
		gap: 18px;
	}
	.trouble {
		color: var(--clay);
		margin-bottom: 12px;
	}
	.empty {
		font-size: 18px;
	}
</style>
