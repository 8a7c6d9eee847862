<script lang="ts">
	import CraneRecordView from '$lib/supports/crane/CraneRecordView.svelte';
	import GimbalRecordView from '$lib/supports/gimbal/GimbalRecordView.svelte';
	import SledRecordView from '$lib/supports/sled/SledRecordView.svelte';
	import { when } from '$lib/sheet/when';

	let { data } = $props();
</script>

<svelte:head><title>{data.record.payloadName}, {when(data.record.loggedAt)} · Poise</title></svelte:head>
{#if data.kind === 'gimbal'}<GimbalRecordView {data} />{:else if data.kind === 'sled'}<SledRecordView
		{data}
	/>{:else}<CraneRecordView {data} />{/if}
