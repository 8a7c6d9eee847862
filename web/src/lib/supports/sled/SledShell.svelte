<script lang="ts">
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { Snippet } from 'svelte';
	import BenchShell from '../BenchShell.svelte';
	import { SledBench, shareSledBench } from './sledBench.svelte';
	import type { SledBenchState, SledRig } from './model';
	import { sledStation } from './station';

	/** What every sheet of a sled shares: the bench itself. */
	interface Props {
		data: {
			readonly support: SledRig;
			readonly payload: Payload;
			readonly bench: SledBenchState | null;
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
		children: Snippet;
	}
	let { data, children }: Props = $props();

	// Another sled, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { support, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new SledBench(support, payload, mountedBodies(parts), data.bench);
	shareSledBench(() => bench);

	$effect.pre(() => {
		bench.units = data.person.units;
	});
</script>

<BenchShell
	bench={{ kind: 'sled', supportId: support.id, payloadId: payload.id }}
	person={data.person}
	document={bench.document}
	station={bench.figures === null ? null : sledStation(bench.figures, bench.state.dropTimeS)}
	heading="{payload.name} on {support.name}"
	{children}
/>
