<script lang="ts">
	import { sledFromPattern, sledPatterns } from '$lib/sled/patterns';
	import SledDrawing from '$lib/sled/SledDrawing.svelte';
	import { dockedSetting } from '$lib/sled/standing';
	import GearShelf from '$lib/state/GearShelf.svelte';

	let { data } = $props();
	const units = $derived(data.person.units);
</script>

<GearShelf
	kind="sled"
	gear={data.sleds}
	patterns={sledPatterns}
	make={sledFromPattern}
	previewHeight={270}
	generic="sleds"
	{units}
>
	{#snippet preview({ geometry })}
		<SledDrawing
			{geometry}
			setting={dockedSetting(geometry)}
			parts={[]}
			report={null}
			{units}
			width={330}
			height={270}
			bare
		/>
	{/snippet}
</GearShelf>
