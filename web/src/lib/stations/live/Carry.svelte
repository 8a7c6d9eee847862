<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { noJog } from './jog';
	import { sharedLive } from './liveBench.svelte';
	import { shapes, shapeWords } from './runs';

	/** A camera on an arm or a rail: carried to its own left, up and in while it is held, and along its rail to an end. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const carried = $derived(['arm', 'rail'].includes(bench.kept?.settings.place.stands ?? ''));
	/** Metres a second. */
	const jogMPerS = 0.25;
	const arm = [
		{ words: 'left', sets: { right: -jogMPerS } },
		{ words: 'right', sets: { right: jogMPerS } },
		{ words: 'up', sets: { up: jogMPerS } },
		{ words: 'down', sets: { up: -jogMPerS } },
		{ words: 'in', sets: { forward: jogMPerS } },
		{ words: 'out', sets: { forward: -jogMPerS } },
		{ words: 'round left', sets: { orbit: -jogMPerS } },
		{ words: 'round right', sets: { orbit: jogMPerS } }
	];
	const ways = $derived(bench.kept?.settings.place.stands === 'arm' ? arm : arm.slice(0, 2));
</script>

{#if carried}
	<div class="jog" role="group" aria-label="Carry the camera">
		{#each ways as { words, sets } (words)}
			<Button
				class="find"
				onpointerdown={() => bench.jog(sets)}
				onpointerup={() => bench.jog(noJog)}
				onpointercancel={() => bench.jog(noJog)}
				onkeydown={(event: KeyboardEvent) => event.key === 'Enter' && bench.jog(sets)}
				onkeyup={() => bench.jog(noJog)}
				onblur={() => bench.jog(noJog)}
				data-testid="jog-{words}">{words}</Button
			>
		{/each}
		<label class="line"
			><Tick checked={bench.keepsLook} onchange={(event) => (bench.keepsLook = event.currentTarget.checked)} /> keeps looking
			there</label
		>
	</div>
{/if}
{#if head?.axes.trackM !== undefined}
	<div class="jog">
		<Button class="find" onclick={() => bench.slideTo(head.axes.trackM?.range[0] ?? 0)} data-testid="to-start"
			>To its start</Button
		>
		<Button class="find" onclick={() => bench.slideTo(head.axes.trackM?.range[1] ?? 0)} data-testid="to-end"
			>To its end</Button
		>
		<label class="line"
			>runs <Choice bind:value={bench.shapeOfRun} data-testid="shape"
				>{#each shapes as each (each)}<option value={each}>{shapeWords[each]}</option>{/each}</Choice
			></label
		>
	</div>
{/if}

<style>
	.jog {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
	.jog :global(.find) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--press);
		color: var(--press);
		border-radius: 6px;
		font-size: 14px;
		touch-action: manipulation;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 14px;
	}
</style>
