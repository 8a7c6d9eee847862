<script lang="ts">
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import type { Snippet } from 'svelte';
	import BenchShell from '../BenchShell.svelte';
	import { SliderBench, shareSliderBench } from './sliderBench.svelte';
	import type { Slider, SliderBenchState } from './model';
	import { sliderStation } from './station';

	/** What every sheet of a slider shares: the bench itself. */
	interface Props {
		data: {
			readonly support: Slider;
			readonly payload: Payload;
			readonly bench: SliderBenchState | null;
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
		children: Snippet;
	}
	let { data, children }: Props = $props();

	// Another slider, payload or version mounts a new shell.
	// svelte-ignore state_referenced_locally
	const { support, payload } = data;
	// svelte-ignore state_referenced_locally
	const parts = standingParts(payload, new Map(data.shelf.map((part) => [part.id, part])));
	// svelte-ignore state_referenced_locally
	const bench = new SliderBench(support, payload, mountedBodies(parts), data.bench);
	shareSliderBench(() => bench);

	$effect.pre(() => {
		bench.units = data.person.units;
	});
</script>

<BenchShell
	bench={{ kind: 'slider', supportId: support.id, payloadId: payload.id }}
	person={data.person}
	document={bench.document}
	station={bench.figures === null ? null : sliderStation(bench.figures)}
	heading="{payload.name} on {support.name}"
	{children}
/>
