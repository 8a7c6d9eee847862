<script lang="ts">
	import CraneDrawing from '$lib/crane/CraneDrawing.svelte';
	import { craneFromPattern, cranePatterns } from '$lib/crane/patterns';
	import { bareSetting } from '$lib/crane/standing';
	import GearShelf from '$lib/state/GearShelf.svelte';

	let { data } = $props();
	const units = $derived(data.person.units);
</script>

<GearShelf
	kind="crane"
	gear={data.cranes}
	patterns={cranePatterns}
	make={craneFromPattern}
	previewHeight={200}
	generic="cranes"
	{units}
>
	{#snippet preview({ geometry })}
		<CraneDrawing
			{geometry}
			setting={bareSetting(geometry)}
			payload={[]}
			arm={null}
			{units}
			width={330}
			height={200}
			bare
		/>
	{/snippet}
</GearShelf>
