<script lang="ts">
	import RigDrawing from '$lib/supports/gimbal/RigDrawing.svelte';
	import { patterns, rigFromPattern } from '$lib/supports/gimbal/patterns';
	import GearShelf from '$lib/supports/GearShelf.svelte';

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
