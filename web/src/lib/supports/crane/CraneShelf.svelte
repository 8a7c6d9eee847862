<script lang="ts">
	import CraneDrawing from './CraneDrawing.svelte';
	import { craneFromPattern, cranePatterns } from './patterns';
	import { bareSetting } from './standing';
	import GearShelf from '../GearShelf.svelte';
	import type { InHand } from '../onOffer';
	import type { Person } from '$lib/model/person';
	import type { CraneRig } from './model';

	interface Props {
		data: { readonly supports: readonly CraneRig[]; readonly person: Person; readonly inHand: InHand };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
</script>

<GearShelf
	kind="crane"
	gear={data.supports}
	patterns={cranePatterns}
	make={craneFromPattern}
	previewHeight={200}
	generic="cranes"
	{units}
	inHand={data.inHand}
>
	{#snippet preview(geometry)}
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
