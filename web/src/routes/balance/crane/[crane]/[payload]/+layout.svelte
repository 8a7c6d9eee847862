<script lang="ts">
	import { page } from '$app/state';
	import CraneShell from '$lib/supports/crane/CraneShell.svelte';
	import type { Person } from '$lib/model/person';

	let { data, children } = $props();
</script>

<!-- A bench begins anew when its payload or crane is another, or was saved anew. -->
{#key `${page.params.crane} ${page.params.payload} ${data.payload.version} ${data.crane.version}`}
	<CraneShell {data} person={page.data.person as Person}>{@render children()}</CraneShell>
{/key}
