<script lang="ts">
	import { page } from '$app/state';
	import FeelShell from '$lib/stations/feel/FeelShell.svelte';

	let { data, children } = $props();
</script>

{#key `${page.params.support} ${page.params.payload} ${data.payload.version}`}
	<FeelShell {data} person={data.person}>{@render children()}</FeelShell>
{/key}
