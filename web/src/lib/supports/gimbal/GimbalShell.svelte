<script lang="ts">
	import type { Covariance } from '@poise/core';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { Snippet } from 'svelte';
	import PrintedHead from '$lib/shell/PrintedHead.svelte';
	import BenchShell from '../BenchShell.svelte';
	import { GimbalBench, shareGimbalBench } from './gimbalBench.svelte';
	import type { BenchState, Gimbal } from './model';
	import { balanceStation } from './station';

	/** What every sheet of a gimbal shares: the bench itself. */
	interface Props {
		data: {
			readonly support: Gimbal;
			readonly payload: Payload;
			readonly bench: BenchState | null;
			readonly shelf: readonly Part[];
			readonly person: Person;
			readonly learned: Covariance | null;
		};
		children: Snippet;
	}
	let { data, children }: Props = $props();

	// Another gimbal, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { support, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new GimbalBench(support, payload, mountedBodies(parts), data.bench, data.learned);
	shareGimbalBench(() => bench);
</script>

<PrintedHead words="{payload.name} on {support.name}" />
<BenchShell
	bench={{ kind: 'gimbal', supportId: support.id, payloadId: payload.id }}
	person={data.person}
	document={bench.document}
	station={bench.figures === null ? null : balanceStation(bench.figures)}
	{children}
/>
