<script lang="ts">
	import { showStation } from '$lib/shell/live.svelte';
	import { putOnBench } from '$lib/supports/onBench';
	import { craneStation } from '$lib/supports/states';
	import type { CraneBenchState, CraneRig } from '$lib/model/crane';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import BenchShell from '$lib/supports/BenchShell.svelte';
	import type { Snippet } from 'svelte';
	import { CraneBench, shareCraneBench } from './craneBench.svelte';
	import { craneSheets } from './sheets';

	/** What every sheet of a crane shares: the choice of payload and crane, the links, the bench itself and its keys. */
	interface Props {
		data: {
			readonly crane: CraneRig;
			readonly payload: Payload;
			readonly bench: CraneBenchState | null;
			readonly shelf: readonly Part[];
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

	$effect.pre(() => {
		bench.units = person.units;
	});
	$effect(() => void putOnBench(person, { payloadId: payload.id, craneId: crane.id }));
	$effect(() => {
		if (bench.figures !== null) return showStation('balance', craneStation(bench.figures, bench.state.noseBiasKg));
	});
</script>

<BenchShell
	kind="crane"
	heading="{payload.name} on {crane.name}"
	support="crane/{crane.id}"
	payloadId={payload.id}
	links={craneSheets(crane.id, payload.id)}
	document={bench.document}
	ready={bench.figures !== null}
	{children}
/>
