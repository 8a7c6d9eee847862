<script lang="ts">
	import type { UnitSystem } from '$lib/model/person';
	import { inUnits } from '$lib/sheet/units/display';

	/** The slips that were done, the last first. */
	let { slips, units }: { slips: readonly (readonly string[])[]; units: UnitSystem } = $props();
</script>

<ol class="roll" aria-label="Done before">
	{#each [...slips.entries()].reverse() as [index, words] (index)}<li>{inUnits(words.join('; '), units)}</li>{/each}
</ol>
