<script lang="ts">
	import CraneRecordView from '$lib/logbook/CraneRecordView.svelte';
	import GimbalRecordView from '$lib/logbook/GimbalRecordView.svelte';
	import SledRecordView from '$lib/logbook/SledRecordView.svelte';
	import { when } from '$lib/logbook/when';

	let { data } = $props();
</script>

<svelte:head><title>{data.record.payloadName}, {when(data.record.loggedAt)} · Poise</title></svelte:head>
{#if data.kind === 'gimbal'}<GimbalRecordView {data} />{:else if data.kind === 'sled'}<SledRecordView
		{data}
	/>{:else}<CraneRecordView {data} />{/if}
