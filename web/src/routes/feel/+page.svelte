<script lang="ts">
	import '$lib/shell/sheet.css';
	import { feelPath } from '$lib/stations/feel/address';
	import { kindOf } from '$lib/supports/registry';

	let { data } = $props();
	const { supports, payloads } = $derived(data.onOffer);
	const elsewhere = $derived(
		data.person.supportKind !== null && kindOf(data.person.supportKind)?.follows !== true
			? kindOf(data.person.supportKind)
			: null
	);
</script>

<svelte:head><title>Feel · Poise</title></svelte:head>
<div class="sheet">
	<h1>How shall which gimbal feel?</h1>
	{#if elsewhere !== null}
		<p class="hint">
			A {elsewhere.one} follows nothing: it goes where it is pushed. Feel is for gimbals, whose motors follow your hand.
		</p>
	{/if}
	{#if payloads.length === 0}
		<p class="big">First <a href="/payload">build a payload</a>.</p>
	{:else if supports.length === 0}
		<p class="big">First <a href="/gimbals">make a gimbal from a pattern</a>.</p>
	{:else}
		<table class="folds">
			<thead><tr><th scope="col">Payload</th><th scope="col">On which gimbal</th></tr></thead>
			<tbody>
				{#each payloads as { id, name } (id)}
					<tr>
						<th scope="row">{name}</th>
						<td class="wide">
							<span class="row">
								{#each supports as support (support.id)}
									<a class="second" href={feelPath(support.id, id, data.sheet)}>{support.name}</a>
								{/each}
							</span>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</div>
