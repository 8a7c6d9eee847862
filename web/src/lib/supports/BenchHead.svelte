<script lang="ts">
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { benchLinks, type BenchReference } from './address';
	import { knownKind } from './registry';
	import SupportChoice from './SupportChoice.svelte';

	/** The head of every sheet of a bench: which payload on which support, and the ways to the other sheets. */
	interface Props {
		bench: BenchReference;
		/** The page's heading, where the sheet shows none of its own. */
		heading?: string | undefined;
	}
	let { bench, heading }: Props = $props();
</script>

<SupportChoice {bench} />
<SheetLinks label="Sheets of this {knownKind(bench.kind).one}" {heading} links={benchLinks(bench)} />
