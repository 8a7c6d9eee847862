<script lang="ts">
	import { page } from '$app/state';

	let { data, children } = $props();
</script>

<!-- A bench begins anew when its payload or support is another, or was saved anew. -->
{#key `${page.params.support} ${page.params.payload} ${data.payload.version} ${data.support.version}`}
	<data.Shell {data}>{@render children()}</data.Shell>
{/key}
