<script lang="ts">
	import GimbalDrawing from './GimbalDrawing.svelte';
	import { patterns, gimbalFromPattern } from './patterns';
	import GearShelf from '../GearShelf.svelte';
	import type { Person } from '$lib/model/person';
	import type { Gimbal } from './model';

	interface Props {
		data: { readonly supports: readonly Gimbal[]; readonly person: Person };
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
	make={gimbalFromPattern}
	previewHeight={230}
	generic="arms"
	{units}
	about={axesOf}
>
	{#snippet preview(pattern)}
		<GimbalDrawing
			rig={{ id: pattern.id, ...gimbalFromPattern(pattern, pattern.name) }}
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
