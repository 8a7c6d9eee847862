<script lang="ts">
	import GimbalDrawing from './GimbalDrawing.svelte';
	import { patterns, gimbalFromPattern } from './patterns';
	import GearShelf from '../GearShelf.svelte';
	import type { InHand } from '../onOffer';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';

	interface Props {
		data: { readonly supports: readonly Gimbal[]; readonly person: Person; readonly inHand: InHand };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const shown = patterns.map((pattern) => ({ ...pattern, ...gimbalFromPattern(pattern, pattern.name) }));
	const axesOf = (id: string) =>
		`${(data.supports.find((rig) => rig.id === id)?.geometry.axes ?? []).map(({ label }) => label.toLowerCase()).join(', ')} · `;
</script>

<GearShelf
	kind="gimbal"
	gear={data.supports}
	patterns={shown}
	make={gimbalFromPattern}
	previewHeight={230}
	generic="arms"
	{units}
	about={axesOf}
	inHand={data.inHand}
>
	{#snippet preview(geometry)}
		<GimbalDrawing
			rig={{ id: '', name: '', leastPayloadKg: 0, greatestPayloadKg: 0, geometry }}
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
