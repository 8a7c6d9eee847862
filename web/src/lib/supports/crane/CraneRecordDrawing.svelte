<script lang="ts">
	import { mountedBodies } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import { recordParts } from '../log/twoUp';
	import CraneDrawing from './CraneDrawing.svelte';
	import type { CraneRecord } from './model';
	import { armOf } from './standing';

	/** How a logged crane stood. */
	interface Props {
		record: CraneRecord;
		units: UnitSystem;
		width: number;
	}
	let { record, units, width }: Props = $props();
	const load = $derived(mountedBodies(recordParts(record)));
</script>

<CraneDrawing
	geometry={record.support.geometry}
	setting={record.setting}
	payload={load}
	arm={armOf(record.support.geometry, record.setting, load)}
	{units}
	{width}
	height={300}
/>
