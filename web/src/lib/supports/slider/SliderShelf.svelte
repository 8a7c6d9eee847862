<script lang="ts">
	import type { InHand } from '../onOffer';
	import type { Person } from '$lib/model/person';
	import GearShelf from '../GearShelf.svelte';
	import type { Slider } from './model';
	import { sliderFromPattern, sliderPatterns } from './patterns';
	import SliderDrawing from './SliderDrawing.svelte';
	import { freshSetting } from './standing';

	interface Props {
		data: { readonly supports: readonly Slider[]; readonly person: Person; readonly inHand: InHand };
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
</script>

<GearShelf
	kind="slider"
	gear={data.supports}
	patterns={sliderPatterns}
	make={sliderFromPattern}
	previewHeight={170}
	generic="sliders"
	{units}
	inHand={data.inHand}
>
	{#snippet preview(geometry)}
		<SliderDrawing {geometry} setting={freshSetting(geometry)} centre={null} {units} width={330} height={170} />
	{/snippet}
</GearShelf>
