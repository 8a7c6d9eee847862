<script lang="ts">
	import type { SledSeen } from './model';
	import SeenList from '$lib/sheet/slip/SeenList.svelte';
	import { seenInWords } from './seen';
	import type { SledBench } from './sledBench.svelte';

	/** What was seen so far, the newest first; each can be struck out, and counts again when it is put back. */
	interface Props {
		bench: SledBench;
		kinds?: readonly SledSeen['kind'][];
	}
	let { bench, kinds }: Props = $props();
	const seen = $derived(
		bench.seen
			.filter(({ kind }) => kinds === undefined || kinds.includes(kind))
			.map((look) => ({
				text: seenInWords(look),
				struck: look.struck === true,
				strike: (struck: boolean) => bench.strike(look, struck)
			}))
			.reverse()
	);
</script>

<SeenList {seen} />
