<script lang="ts">
	import '$lib/shell/sheet.css';
	import { feelPath } from '$lib/stations/feel/address';
	import { whyNot } from '$lib/supports/onOffer';
	import { kindOf } from '$lib/supports/registry';
	import { showMass, together } from '$lib/sheet/units/display';

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
					{@const massKg = data.massesKg[id] ?? null}
					<tr>
						<th scope="row"
							>{name}
							<small class="quiet"
								>{massKg === null ? 'nothing on its plate' : together(showMass(massKg, data.person.units))}</small
							></th
						>
						<td class="wide">
							<span class="row">
								{#each supports as support (support.id)}
									{@const no =
										massKg === null ? 'put the camera on its plate first' : whyNot(support, massKg, data.person.units)}
									{#if no === null}
										<a class="second" href={feelPath(support.id, id, data.sheet)}>{support.name}</a>
									{:else}
										<span class="no"><strong>{support.name}</strong> <small>{no}</small></span>
									{/if}
								{/each}
							</span>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</div>

<style>
	.no {
		display: grid;
		align-content: center;
		padding: 4px 12px;
		color: var(--quiet);
	}
	small {
		display: block;
		font-weight: 400;
	}
</style>
