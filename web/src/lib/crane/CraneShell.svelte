<script lang="ts">
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { isTyping } from '$lib/dayline/keys';
	import { showStation } from '$lib/dayline/live.svelte';
	import { putOnBench } from '$lib/dayline/onBench';
	import { craneStation } from '$lib/dayline/states';
	import type { CraneBenchState, CraneRig } from '$lib/model/crane';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import SheetLinks from '$lib/state/SheetLinks.svelte';
	import { onMount, type Snippet } from 'svelte';
	import { CraneBench, shareCraneBench } from './craneBench.svelte';
	import { craneSheets } from './sheets';

	/** What every sheet of a crane shares: the choice of payload and crane, the links, the bench itself and its keys. */
	interface Named {
		readonly id: string;
		readonly name: string;
	}
	interface Props {
		data: {
			readonly crane: CraneRig;
			readonly payload: Payload;
			readonly bench: CraneBenchState | null;
			readonly shelf: readonly Part[];
			readonly cranes: readonly Named[];
			readonly payloads: readonly Named[];
		};
		person: Person;
		children: Snippet;
	}
	let { data, person, children }: Props = $props();

	// Another crane, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { crane, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new CraneBench(crane, payload, mountedBodies(parts), data.bench);
	shareCraneBench(() => bench);

	onMount(() => {
		bench.document.restore();
		return () => bench.document.stop();
	});
	$effect.pre(() => {
		bench.units = person.units;
	});
	$effect(() => void putOnBench(person, { payloadId: payload.id, craneId: crane.id }));
	$effect(() => {
		if (bench.figures !== null) return showStation('balance', craneStation(bench.figures, bench.state.noseBiasKg));
	});
	beforeNavigate(() => void bench.document.save());

	const sheet = $derived(page.url.pathname.split('/')[5] ?? '');
	const to = (craneId: string, payloadId: string) =>
		goto(`/balance/crane/${craneId}/${payloadId}${sheet === '' ? '' : `/${sheet}`}`);

	function keys(event: KeyboardEvent) {
		if (isTyping(event) || !(event.ctrlKey || event.metaKey)) return;
		const key = event.key.toLowerCase();
		if (key === 'z' && !event.shiftKey) bench.document.undo();
		else if (key === 'y' || key === 'z') bench.document.redo();
		else if (key === 's') void bench.document.save();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window onkeydown={keys} />

<div class="shell">
	<div class="choose">
		<label for="crane-payload" class="sr-only">Payload</label>
		<select id="crane-payload" value={payload.id} onchange={(event) => to(crane.id, event.currentTarget.value)}>
			{#each data.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<span class="quiet">on</span>
		<label for="crane-crane" class="sr-only">Crane</label>
		<select id="crane-crane" value={crane.id} onchange={(event) => to(event.currentTarget.value, payload.id)}>
			{#each data.cranes as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<a class="other" href="/balance?choose">another support</a>
	</div>
	<SheetLinks label="Sheets of this crane" links={craneSheets(crane.id, payload.id)} />
	{#if bench.figures === null}
		<p class="empty">
			This payload holds nothing to balance yet. <a href="/payload/{payload.id}">Put the camera on its plate</a>.
		</p>
	{:else}
		{@render children()}
	{/if}
</div>

<style>
	.shell {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
	}
	.choose {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 10px;
		padding: 4px 18px 0 16px;
	}
	.choose select {
		border-color: transparent;
		background-color: transparent;
		font-size: 17px;
		font-weight: 700;
		padding-right: 36px;
		max-width: 340px;
	}
	.choose select:hover {
		border-color: var(--edge);
	}
	.other {
		font-size: 14px;
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (min-width: 901px) {
		.shell :global(.bench) {
			height: calc(100dvh - 66px - 92px);
		}
	}
	@media print {
		.choose {
			display: none;
		}
	}
</style>
