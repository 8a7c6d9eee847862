<script lang="ts">
	import CraneDrawing from '$lib/supports/crane/CraneDrawing.svelte';
	import { craneFromPattern, cranePatterns } from '$lib/supports/crane/patterns';
	import { bareSetting } from '$lib/supports/crane/standing';
	import GearShelf from '$lib/supports/GearShelf.svelte';

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
