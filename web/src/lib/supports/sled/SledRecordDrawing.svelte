<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { recordParts } from '../log/twoUp';
	import type { SledRecord } from './model';
	import SledDrawing from './SledDrawing.svelte';

	/** How a logged sled stood. */
	interface Props {
		record: SledRecord;
		units: UnitSystem;
		width: number;
	}
	let { record, units, width }: Props = $props();
</script>

<SledDrawing
	geometry={record.support.geometry}
	setting={record.setting}
	parts={recordParts(record)}
	report={null}
	{units}
	{width}
	height={330}
	bare
/>
