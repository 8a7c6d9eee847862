<script lang="ts">
	import { sledFromPattern, sledPatterns } from '$lib/supports/sled/patterns';
	import SledDrawing from '$lib/supports/sled/SledDrawing.svelte';
	import { dockedSetting } from '$lib/supports/sled/standing';
	import GearShelf from '$lib/supports/GearShelf.svelte';

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
