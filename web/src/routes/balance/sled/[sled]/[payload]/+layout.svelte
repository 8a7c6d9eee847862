<script lang="ts">
	import { page } from '$app/state';
	import type { Person } from '$lib/model/person';
	import SledShell from '$lib/supports/sled/SledShell.svelte';

	let { data, children } = $props();
</script>

<!-- A bench begins anew when its payload or sled is another, or was saved anew. -->
{#key `${page.params.sled} ${page.params.payload} ${data.payload.version} ${data.sled.version}`}
	<SledShell {data} person={page.data.person as Person}>{@render children()}</SledShell>
{/key}
