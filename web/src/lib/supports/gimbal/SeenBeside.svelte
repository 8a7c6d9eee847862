<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import Beside from '$lib/sheet/slip/Beside.svelte';
	import type { Gimbal, RigSlide } from './model';
	import { seenInWords } from './benchSlip';
	import type { BenchFigures } from './figures';
	import type { GimbalBench } from './gimbalBench.svelte';

	/** Whenever somebody looked: what the drawing had, what was seen, what is reckoned now; and the choice between them. */
	interface Props {
		bench: GimbalBench;
		rig: Gimbal;
		figures: BenchFigures;
		units: UnitSystem;
		slide: RigSlide;
	}
	let { bench, rig, figures, units, slide }: Props = $props();
	const words = $derived(seenInWords(rig, slide, figures, bench.counted, units));
	const kept = $derived(bench.looks.filter(({ struck }) => struck !== true).length);
</script>

<Beside
	{words}
	believed={bench.believeDrawing && kept > 0
		? `The drawing is believed; ${kept === 1 ? 'one look is kept and does' : `${kept} looks are kept and do`} not count.`
		: null}
	onbelieve={(drawing) => bench.believe(drawing)}
/>
