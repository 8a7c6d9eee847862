<script lang="ts">
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { Snippet } from 'svelte';
	import BenchShell from '../BenchShell.svelte';
	import { CraneBench, shareCraneBench } from './craneBench.svelte';
	import type { CraneBenchState, CraneRig } from './model';
	import { craneStation } from './station';

	/** What every sheet of a crane shares: the bench itself. */
	interface Props {
		data: {
			readonly support: CraneRig;
			readonly payload: Payload;
			readonly bench: CraneBenchState | null;
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
		children: Snippet;
	}
	let { data, children }: Props = $props();

	// Another crane, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { support, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new CraneBench(support, payload, mountedBodies(parts), data.bench);
	shareCraneBench(() => bench);

	$effect.pre(() => {
		bench.units = data.person.units;
	});
</script>

<BenchShell
	bench={{ kind: 'crane', supportId: support.id, payloadId: payload.id }}
	person={data.person}
	document={bench.document}
	station={bench.figures === null ? null : craneStation(bench.figures, bench.state.noseBiasKg)}
	heading="{payload.name} on {support.name}"
	{children}
/>
