<script lang="ts">
	import type { Meanwhile, MergedField } from '$lib/model/partMerge';

	/** What somebody else changed of a part while it was changed here too. */
	let { told }: { told: readonly Meanwhile[] } = $props();
	const words: Readonly<Record<MergedField, string>> = {
		name: 'the name',
		kind: 'the kind',
		mass: 'the mass',
		size: 'the size',
		centre: 'the centre of gravity',
		extension: 'how far it extends',
		holes: 'its holes'
	};
</script>

<p role="status" data-testid="part-meanwhile">
	Saved. Somebody else changed it meanwhile:
	{told
		.map(({ field, stands }) =>
			stands === 'theirs' ? `${words[field]} is as they have it` : `${words[field]} is as you have it, over theirs`
		)
		.join('; ')}. The fields show what stands now.
</p>
