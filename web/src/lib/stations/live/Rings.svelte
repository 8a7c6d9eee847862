<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { axisWords, placeWords } from './words';

	/** Every axis beside pan and tilt under a thumb of its own: slower and faster, springing back. A ring whose ends are not known finds them first. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const rings = ['focus', 'zoom', 'iris'];
	const axes = $derived.by(() => {
		const all = Object.keys(head?.axes ?? {}).filter((axis) => axis !== 'panRad' && axis !== 'tiltRad');
		return [...rings.filter((ring) => all.includes(ring)), ...all.filter((axis) => !rings.includes(axis))];
	});
	let springs = $state<Record<string, number>>({});
	function spring(axis: string, value: number) {
		springs[axis] = value;
		bench.ring(axis, value);
	}
</script>

<div class="axes">
	{#each axes as axis (axis)}
		{@const ready = head?.ready.includes(axis) === true}
		{@const found = head?.found[axis] ?? 0}
		<div class="axis">
			<span class="name">{axisWords(axis)}</span>
			{#if ready}
				<Range
					min={-1}
					max={1}
					step={0.02}
					value={springs[axis] ?? 0}
					aria-label="{axisWords(axis)}: slower and faster, springs back"
					oninput={(event) => spring(axis, Number(event.currentTarget.value))}
					onpointerup={() => spring(axis, 0)}
					onpointercancel={() => spring(axis, 0)}
					onkeyup={() => spring(axis, 0)}
					onblur={() => spring(axis, 0)}
					data-testid="spring-{axis}"
				/>
				<span class="at">{placeWords(axis, bench.at[axis] ?? 0, bench.data.person.units)}</span>
			{:else if rings.includes(axis)}
				{#if found > 0 && head?.phase === 'armed'}
					<progress max="1" value={found} aria-label="Ends of the {axis} found"></progress>
					<span class="at" data-testid="found-{axis}">{Math.round(found * 100)} %</span>
				{:else}
					<Button
						class="find"
						onclick={() => (head?.next?.kind === 'ring' && head.next.name === axis ? bench.clear() : bench.find(axis))}
						aria-pressed={head?.next?.kind === 'ring' && head.next.name === axis}
						data-testid="home-{axis}">Find its ends</Button
					>
					<span class="at">not known</span>
				{/if}
			{/if}
		</div>
	{/each}
</div>

<style>
	.axes {
		display: grid;
		gap: 4px;
	}
	.axis {
		display: grid;
		grid-template-columns: 76px minmax(90px, 1fr) 76px;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		font-size: 14px;
	}
	.name {
		font-weight: 700;
		font-size: 15px;
	}
	.at {
		font-variant-numeric: tabular-nums;
	}
	progress {
		width: 100%;
		accent-color: var(--press);
	}
	.axis :global(.find) {
		min-height: 44px;
		padding: 0 6px;
		border: 1.5px solid var(--press);
		color: var(--press);
		border-radius: 6px;
		font-size: 14px;
		white-space: nowrap;
		touch-action: manipulation;
	}
	.axis :global(.find[aria-pressed='true']) {
		background: var(--press);
		color: var(--press-ink);
	}
</style>
