<script lang="ts">
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { isTyping } from '$lib/dayline/keys';
	import { showStation } from '$lib/dayline/live.svelte';
	import { putOnBench } from '$lib/dayline/onBench';
	import { sledStation } from '$lib/dayline/states';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { SledBenchState, SledRig } from '$lib/model/sled';
	import SheetLinks from '$lib/state/SheetLinks.svelte';
	import { onMount, type Snippet } from 'svelte';
	import { sledSheets } from './sheets';
	import { shareSledBench, SledBench } from './sledBench.svelte';

	/** What every sheet of a sled shares: the choice of payload and sled, the links, the bench itself and its keys. */
	interface Named {
		readonly id: string;
		readonly name: string;
	}
	interface Props {
		data: {
			readonly sled: SledRig;
			readonly payload: Payload;
			readonly bench: SledBenchState | null;
			readonly shelf: readonly Part[];
			readonly sleds: readonly Named[];
			readonly rigs: readonly Named[];
			readonly payloads: readonly Named[];
		};
		person: Person;
		children: Snippet;
	}
	let { data, person, children }: Props = $props();

	// Another sled, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { sled, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new SledBench(sled, payload, mountedBodies(parts), data.bench);
	shareSledBench(() => bench);

	onMount(() => {
		bench.document.restore();
		return () => bench.document.stop();
	});
	$effect.pre(() => {
		bench.units = person.units;
	});
	$effect(() => void putOnBench(person, { payloadId: payload.id, sledId: sled.id }));
	$effect(() => {
		if (bench.figures !== null) return showStation('balance', sledStation(bench.figures, bench.state.dropTimeS));
	});
	beforeNavigate(() => void bench.document.save());

	const sheet = $derived(page.url.pathname.split('/')[5] ?? '');
	const to = (support: string, payloadId: string) =>
		goto(`/balance/${support}/${payloadId}${support.startsWith('sled/') && sheet !== '' ? `/${sheet}` : ''}`);

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
		<label for="sled-payload" class="sr-only">Payload</label>
		<select id="sled-payload" value={payload.id} onchange={(event) => to(`sled/${sled.id}`, event.currentTarget.value)}>
			{#each data.payloads as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<span class="quiet">on</span>
		<label for="sled-sled" class="sr-only">Sled</label>
		<select id="sled-sled" value="sled/{sled.id}" onchange={(event) => to(event.currentTarget.value, payload.id)}>
			<optgroup label="Sleds">
				{#each data.sleds as { id, name } (id)}<option value="sled/{id}">{name}</option>{/each}
			</optgroup>
			<optgroup label="Gimbals">
				{#each data.rigs as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</optgroup>
		</select>
	</div>
	<SheetLinks label="Sheets of this sled" links={sledSheets(sled.id, payload.id)} />
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
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (min-width: 901px) {
		/* The bench below keeps to what this header leaves of the window. */
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
