<script lang="ts">
	import RigDrawing from './RigDrawing.svelte';
	import { patterns, rigFromPattern } from './patterns';
	import GearShelf from '../GearShelf.svelte';
	import type { Person } from '$lib/model/person';
	import type { Rig } from './model';

	interface Props {
		data: { readonly supports: readonly Rig[]; readonly person: Person };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const axesOf = (id: string) =>
		`${(data.supports.find((rig) => rig.id === id)?.geometry.axes ?? []).map(({ label }) => label.toLowerCase()).join(', ')} · `;
</script>

<GearShelf
	kind="gimbal"
	gear={data.supports}
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
