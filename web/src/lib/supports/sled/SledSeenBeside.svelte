<script lang="ts">
	import type { SledSeen } from './model';
	import Beside from '$lib/sheet/slip/Beside.svelte';
	import { seenBeside, seenInWords } from './seen';
	import type { SledBench } from './sledBench.svelte';

	/** Whenever somebody looked: what the drawing had, what was seen, what is reckoned now; and the choice between them. */
	interface Props {
		bench: SledBench;
		/** Of these kinds alone; absent: of any. */
		kinds?: readonly SledSeen['kind'][];
	}
	let { bench, kinds }: Props = $props();
	const last = $derived(bench.counted.findLast(({ kind }) => kinds === undefined || kinds.includes(kind)));
	const beside = $derived(
		last === undefined || bench.estimate === null
			? null
			: seenBeside(bench.support.geometry, bench.bodies, last, bench.estimate)
	);
	const outlier = $derived(bench.counted[bench.estimate?.outlier?.index ?? -1]);
	const slip = $derived(
		outlier === undefined
			? null
			: { text: seenInWords(outlier).toLowerCase(), strike: () => bench.strike(outlier, true) }
	);
	const kept = $derived(bench.seen.filter(({ struck }) => struck !== true).length);
</script>

<Beside
	words={beside}
	{slip}
	believed={bench.state.believeDrawing === true && kept > 0
		? `The drawing is believed; ${kept === 1 ? 'what was seen is kept and does' : `${kept} things seen are kept and do`} not count.`
		: null}
	onbelieve={(drawing) => bench.believe(drawing)}
/>
