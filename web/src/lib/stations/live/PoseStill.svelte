<script lang="ts">
	import type { LiveSettings } from '$lib/model/liveHead';
	import type { VenuePlan } from '$lib/model/venue';
	import { focalOf } from './stand';
	import { stillOf } from './still';

	/** A small drawing of the frame that a pose has: what stands on the plan, as lines. */
	interface Props {
		settings: LiveSettings;
		values: Readonly<Record<string, number>>;
		plan: VenuePlan | null;
		name: string;
	}
	let { settings, values, plan, name }: Props = $props();
	const aspect = $derived(settings.camera.sensorWidthM / settings.camera.sensorHeightM);
	const lines = $derived(stillOf(settings, values, plan, focalOf(settings.camera.focalM, values.zoom)));
</script>

<svg
	viewBox="0 0 1 1"
	preserveAspectRatio="none"
	style:aspect-ratio={aspect}
	role="img"
	aria-label="Frame of {name}, drawn from the plan"
>
	<path d={lines} vector-effect="non-scaling-stroke" />
</svg>

<style>
	svg {
		width: 104px;
		border: 1px solid var(--edge);
		background: var(--hover);
		flex: none;
	}
	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1px;
	}
</style>
