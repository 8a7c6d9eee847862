<script lang="ts">
	import { sledFromPattern, sledPatterns } from './patterns';
	import SledDrawing from './SledDrawing.svelte';
	import { dockedSetting } from './standing';
	import GearShelf from '../GearShelf.svelte';
	import type { InHand } from '../onOffer';
	import type { Person } from '$lib/model/person';
	import type { SledRig } from './model';

	interface Props {
		data: { readonly supports: readonly SledRig[]; readonly person: Person; readonly inHand: InHand };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
</script>

<GearShelf
	kind="sled"
	gear={data.supports}
	patterns={sledPatterns}
	make={sledFromPattern}
	previewHeight={270}
	generic="sleds"
	{units}
	inHand={data.inHand}
>
	{#snippet preview(geometry)}
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
