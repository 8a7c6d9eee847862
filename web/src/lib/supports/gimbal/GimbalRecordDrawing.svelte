<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { recordParts } from '../log/twoUp';
	import type { GimbalRecord } from './model';
	import GimbalDrawing from './GimbalDrawing.svelte';

	/** How a logged gimbal stood. */
	interface Props {
		record: GimbalRecord;
		units: UnitSystem;
		width: number;
	}
	let { record, units, width }: Props = $props();
</script>

<GimbalDrawing
	rig={record.support}
	parts={recordParts(record)}
	axes={record.axes}
	positionsM={record.positionsM}
	targetsM={null}
	nextId={null}
	{units}
	{width}
	height={330}
	plain
/>
