<script lang="ts">
	import RigDrawing from '$lib/balance/RigDrawing.svelte';
	import { patterns, rigFromPattern } from '$lib/rig/patterns';
	import GearShelf from '$lib/state/GearShelf.svelte';

	let { data } = $props();
	const units = $derived(data.person.units);
	const axesOf = (id: string) =>
		`${(data.rigs.find((rig) => rig.id === id)?.geometry.axes ?? []).map(({ label }) => label.toLowerCase()).join(', ')} · `;
</script>

<GearShelf
	kind="rig"
	gear={data.rigs}
	{patterns}
	make={rigFromPattern}
	previewHeight={230}
	generic="arms"
	{units}
	about={axesOf}
>
	{#snippet preview(pattern)}
		<RigDrawing
			rig={{ id: pattern.id, ...rigFromPattern(pattern, pattern.name) }}
			parts={[]}
			axes={[]}
			positionsM={{}}
			targetsM={null}
			nextId={null}
			{units}
			width={300}
			height={230}
			plain
		/>
	{/snippet}
</GearShelf>
