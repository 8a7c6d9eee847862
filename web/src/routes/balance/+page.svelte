<script lang="ts">
	import { showMass, together } from '$lib/units/display';

	let { data } = $props();
	const units = $derived(data.person.units);
</script>

<svelte:head><title>Balance · Poise</title></svelte:head>
<section>
	<h1>Which payload on which gimbal, sled or crane?</h1>
	<ul>
		{#each data.payloads as { id, name, massKg } (id)}
			<li>
				<span class="name">{name} <span class="figure quiet">{together(showMass(massKg, units))}</span></span>
				{#each data.supports as rig (rig.id)}
					{#if massKg >= rig.leastPayloadKg && massKg <= rig.greatestPayloadKg}
						<a href="{rig.at}/{id}">{rig.name}</a>
					{:else}
						<span class="quiet no">{rig.name}: {massKg > rig.greatestPayloadKg ? 'too heavy' : 'too light'}</span>
					{/if}
				{/each}
			</li>
		{:else}
			<li>Nothing to balance yet. <a href="/payload">Build a payload first</a>.</li>
		{/each}
	</ul>
	<p class="kept">
		The crew’s <a href="/rigs">gimbals</a>, <a href="/sleds">sleds</a> and <a href="/cranes">cranes</a>: their figures,
		and new ones from a pattern.
	</p>
</section>

<style>
	section {
		padding: 26px;
		max-width: 1100px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
		margin-bottom: 14px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 18px;
		align-items: center;
		padding: 10px 0;
		border-bottom: 1px solid var(--rule);
	}
	.name {
		flex: 1;
		min-width: 280px;
		font-weight: 700;
		font-size: 18px;
	}
	.name .quiet {
		font-weight: 400;
		margin-left: 10px;
	}
	li a {
		min-height: 44px;
		display: inline-grid;
		place-items: center;
		border: 1.5px solid var(--press);
		border-radius: 6px;
		padding: 0 16px;
		font-weight: 700;
		text-decoration: none;
	}
	.kept {
		margin-top: 18px;
	}
	.no {
		font-size: 14px;
	}
</style>
