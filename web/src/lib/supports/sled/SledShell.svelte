<script lang="ts">
	import { showStation } from '$lib/shell/live.svelte';
	import { putOnBench } from '$lib/supports/onBench';
	import { sledStation } from '$lib/supports/states';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { SledBenchState, SledRig } from '$lib/model/sled';
	import BenchShell from '$lib/supports/BenchShell.svelte';
	import type { Snippet } from 'svelte';
	import { sledSheets } from './sheets';
	import { shareSledBench, SledBench } from './sledBench.svelte';

	/** What every sheet of a sled shares: the choice of payload and sled, the links, the bench itself and its keys. */
	interface Props {
		data: {
			readonly sled: SledRig;
			readonly payload: Payload;
			readonly bench: SledBenchState | null;
			readonly shelf: readonly Part[];
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

	$effect.pre(() => {
		bench.units = person.units;
	});
	$effect(() => void putOnBench(person, { payloadId: payload.id, sledId: sled.id }));
	$effect(() => {
		if (bench.figures !== null) return showStation('balance', sledStation(bench.figures, bench.state.dropTimeS));
	});
</script>

<BenchShell
	kind="sled"
	heading="{payload.name} on {sled.name}"
	support="sled/{sled.id}"
	payloadId={payload.id}
	links={sledSheets(sled.id, payload.id)}
	document={bench.document}
	ready={bench.figures !== null}
	{children}
/>
