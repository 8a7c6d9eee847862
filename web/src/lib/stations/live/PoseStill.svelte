<script lang="ts">
	import type { LiveSettings } from '$lib/model/liveHead';
	import type { VenuePlan } from '$lib/model/venue';
	import { focalOf, pictured } from './stand';
	import { stillOf } from './still';

	/** A small drawing of the frame that a pose has: what stands on the plan, as lines. */
	interface Props {
		settings: LiveSettings;
		/** Of the pose; what it says nothing of is as the head stands. */
		values: Readonly<Record<string, number>>;
		at: Readonly<Record<string, number>>;
		plan: VenuePlan | null;
		name: string;
	}
	let { settings, values, at, plan, name }: Props = $props();
	const aspect = $derived(settings.camera.sensorWidthM / settings.camera.sensorHeightM);
	// Of a head that turns, only what its pose leaves open changes the still, and that by no less than can be seen of it.
	const posed = $derived(
		JSON.stringify(
			pictured.flatMap((axis) => {
				const value = values[axis] ?? at[axis];
				return value === undefined ? [] : [[axis, values[axis] ?? Math.round(value * 200) / 200]];
			})
		)
	);
	const lines = $derived.by(() => {
		const stands = Object.fromEntries(JSON.parse(posed) as [string, number][]);
		return stillOf(settings, stands, plan, focalOf(settings.camera.focalM, stands['zoom']));
	});
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
