<script lang="ts">
	import { benchPath } from '$lib/supports/address';
	import { whyNot } from '$lib/supports/onOffer';
	import { inTitle, supportKinds } from '$lib/supports/registry';
	import { showMass, together } from '$lib/sheet/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
	const { supports } = $derived(data.onOffer);
	/** What is in hand comes first; the rest as they were last touched. */
	const payloads = $derived(
		[...data.onOffer.payloads].sort(
			(a, b) => Number(b.id === data.person.payloadId) - Number(a.id === data.person.payloadId)
		)
	);
	const range = (least: number, greatest: number) =>
		`${together(showMass(least, units))} to ${together(showMass(greatest, units))}`;
</script>

<svelte:head><title>Balance · Poise</title></svelte:head>
<section>
	<h1>Which payload on which support?</h1>
	<table>
		<thead>
			<tr>
				<th scope="col">Payload</th>
				{#each supportKinds as { key, many } (key)}
					<th scope="col"
						>{inTitle(many)}
						<a href="/{many}"
							>{supports.some((each) => each.kind === key)
								? 'their figures, and a new one'
								: 'a first one, from a pattern'}</a
						></th
					>
				{/each}
			</tr>
		</thead>
		<tbody>
			{#each payloads as { id, name } (id)}
				{@const massKg = data.massesKg[id] ?? null}
				<tr class:inhand={id === data.person.payloadId}>
					<th scope="row">
						<a href="/payload/{id}">{name}</a>
						<span class="figure quiet"
							>{massKg === null ? 'nothing on its plate' : together(showMass(massKg, units))}</span
						>
						{#if id === data.person.payloadId}<span class="quiet">in hand</span>{/if}
					</th>
					{#each supportKinds as { key, many } (key)}
						<td data-kind={inTitle(many)}>
							{#each supports.filter((each) => each.kind === key) as support (support.id)}
								{@const no = massKg === null ? 'put the camera on its plate first' : whyNot(support, massKg, units)}
								{#if no === null}
									<a
										class="take"
										class:now={support.id === data.person.supportId && id === data.person.payloadId}
										href={benchPath({ kind: key, supportId: support.id, payloadId: id })}
										><strong>{support.name}</strong>
										<small
											>{support.id === data.person.supportId && id === data.person.payloadId
												? 'on the bench now'
												: range(support.leastPayloadKg, support.greatestPayloadKg)}</small
										></a
									>
								{:else}
									<span class="no"><strong>{support.name}</strong> <small>{no}</small></span>
								{/if}
							{:else}
								<span class="no"><small>None yet</small></span>
							{/each}
						</td>
					{/each}
				</tr>
			{:else}
				<tr
					><td colspan={supportKinds.length + 1} class="first"
						>Nothing to balance yet. <a href="/payload">Build a payload first</a>.</td
					></tr
				>
			{/each}
		</tbody>
	</table>
</section>

<style>
	section {
		padding: 20px 26px 40px;
		max-width: 1400px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
		margin-bottom: 10px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		table-layout: fixed;
	}
	th,
	td {
		text-align: left;
		vertical-align: top;
		padding: 8px 14px 8px 0;
		border-bottom: 1px solid var(--rule);
	}
	thead th {
		border-bottom: 2px solid var(--ink);
		font-size: 15px;
		vertical-align: middle;
	}
	thead a {
		font-weight: 400;
		margin-left: 6px;
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}
	tbody th a {
		font-size: 18px;
		display: flex;
		align-items: center;
		min-height: 44px;
		color: var(--ink);
	}
	tbody th span {
		font-weight: 400;
		margin-right: 10px;
	}
	.inhand > th {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
	}
	.take,
	.no {
		display: flex;
		flex-direction: column;
		justify-content: center;
		min-height: 48px;
		padding: 4px 12px;
		margin-bottom: 6px;
		border-radius: 6px;
		line-height: 1.25;
	}
	.take {
		border: 1.5px solid var(--press);
		text-decoration: none;
		background: var(--panel);
	}
	.take.now {
		background: var(--press);
		color: var(--press-ink);
	}
	.take small {
		color: var(--quiet);
	}
	.take.now small {
		color: inherit;
	}
	.no {
		border: 1.5px solid transparent;
		color: var(--quiet);
	}
	.no strong {
		font-weight: 400;
	}
	small {
		font-size: 13px;
	}
	.first {
		font-size: 18px;
		padding: 18px 0;
	}
	@media (max-width: 760px) {
		section {
			padding: 12px 14px 40px;
		}
		h1 {
			font-size: 26px;
		}
		thead tr {
			display: flex;
			flex-wrap: wrap;
			gap: 0 18px;
		}
		thead th:first-child {
			display: none;
		}
		thead th {
			border-bottom: 0;
			padding: 0;
		}
		tbody tr {
			display: block;
			padding: 8px 0 2px;
			border-top: 2px solid var(--ink);
		}
		tbody th,
		tbody td {
			display: block;
			border-bottom: 0;
			padding: 2px 0;
		}
		td[data-kind]::before {
			content: attr(data-kind);
			font-size: 13px;
			color: var(--quiet);
		}
	}
</style>
