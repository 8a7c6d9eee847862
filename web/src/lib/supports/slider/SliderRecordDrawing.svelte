<script lang="ts">
	import { mountedBodies } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import { recordParts } from '../log/twoUp';
	import { tryFigures } from '../tryFigures';
	import { sliderFigures } from './figures';
	import type { SliderRecord } from './model';
	import SliderDrawing from './SliderDrawing.svelte';

	/** How a logged slider stood. */
	interface Props {
		record: SliderRecord;
		units: UnitSystem;
		width: number;
		height?: number;
	}
	let { record, units, width, height = 300 }: Props = $props();
	const centre = $derived(
		tryFigures(() => sliderFigures(record.support, mountedBodies(recordParts(record)), record.setting, []))
	);
</script>

<SliderDrawing
	geometry={record.support.geometry}
	setting={record.setting}
	{centre}
	parts={recordParts(record)}
	{units}
	{width}
	{height}
/>
