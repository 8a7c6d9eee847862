<script lang="ts">
	import type { Look } from '$lib/supports/gimbal/model';
	import type { Gimbal } from './model';
	import SeenList from '$lib/sheet/slip/SeenList.svelte';
	import { fallsWord } from './benchSlip';
	import type { GimbalBench } from './gimbalBench.svelte';
	import { printedReading } from '$lib/sheet/units/printed';

	/** Everything seen so far, the newest first; each can be struck out, and counts again when it is put back. */
	let { bench, rig }: { bench: GimbalBench; rig: Gimbal } = $props();

	const labelOf = (id: string) => rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
	function words(look: Look): string {
		if (look.kind === 'measured') return `${labelOf(look.axisId)}: ${look.how}`;
		const slide = rig.geometry.slides.find(({ id }) => id === look.slideId);
		if (slide === undefined) return 'a slide this gimbal no longer has';
		const did = { holds: 'holds', 'falls+': fallsWord(slide, 1), 'falls-': fallsWord(slide, -1) };
		return `${slide.label} at ${printedReading(slide, look.positionsM[slide.id] ?? 0)}: ${did[look.observation]}`;
	}
	const seen = $derived(
		bench.looks
			.map((look, index) => ({
				text: words(look),
				struck: look.struck === true,
				strike: (struck: boolean) => bench.strike(index, struck)
			}))
			.reverse()
	);
</script>

<SeenList {seen} />
