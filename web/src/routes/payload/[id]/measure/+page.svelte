<script lang="ts">
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import '$lib/shell/sheet.css';
	import { goto } from '$app/navigation';
	import MeasureSheet from '$lib/stations/payload/measure/MeasureSheet.svelte';
	import { payloadSheets } from '$lib/stations/payload/sheets';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Measure: {data.part?.name ?? data.payload.name} · Poise</title></svelte:head>
<SheetLinks label="Sheets of this payload" links={payloadSheets(data.payload.id)} />
<div class="sheet">
	<h1>Where is it heavy?</h1>
	<label class="stack screen"
		>Measure
		<Choice
			value={data.part?.id ?? ''}
			onchange={(event) =>
				goto(event.currentTarget.value === '' ? '?' : `?part=${event.currentTarget.value}`, {
					replaceState: true,
					noScroll: true
				})}
			data-testid="subject"
		>
			<option value="">the whole build: {data.payload.name}</option>
			{#each data.parts as part (part.id)}<option value={part.id}>{part.name}</option>{/each}
		</Choice>
	</label>
	{#key data.part?.id ?? ''}<MeasureSheet {data} />{/key}
</div>
