<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { sharedLive } from './liveBench.svelte';

	/** The way that a head is on, or was stopped on, or that stands by: its speed, back along it, and its end. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	const task = $derived(head?.task ?? null);
	const underway = $derived(task !== null && task.phase !== 'done');
</script>

{#if head !== null && (underway || head.next !== null)}
	<div class="two">
		{#if underway && task?.watchedFor === null}
			<Button class="second" onclick={() => bench.turn()} aria-pressed={task.turned} data-testid="back-along"
				>{task.turned ? 'Forward again' : 'Back along the way'}</Button
			>
		{/if}
		{#if underway}
			<Button class="second" onclick={() => bench.drop()} data-testid="stick-takes"
				>{task?.watchedFor === null ? 'Stick takes over' : 'End it'}</Button
			>
		{/if}
		{#if head.next !== null}
			<Button class="second" onclick={() => bench.clear()} data-testid="not-that"
				>{underway ? `Not ${head.next.kind === 'ring' ? 'that ring' : head.next.name}` : 'Choose nothing'}</Button
			>
		{/if}
	</div>
	<label class="lever"
		>Speed lever
		<Range
			min={0.1}
			max={1}
			step={0.05}
			value={head.wantedPace}
			oninput={(event) => bench.lever(Number(event.currentTarget.value))}
			data-testid="pace"
		/><span>{Math.round(head.wantedPace * 100)} %</span></label
	>
	{#if underway}
		<label class="line"
			><Tick
				checked={head.keepsAdded}
				onchange={(event) => deskWire.say({ type: 'keepAdded', head: head.id, keeps: event.currentTarget.checked })}
			/> what the stick adds stays{task?.added ? ' (some is added now)' : ''}</label
		>
	{/if}
{/if}

<style>
	.two {
		display: grid;
		grid-auto-flow: column;
		grid-auto-columns: 1fr;
		gap: 10px;
	}
	.two :global(.second[aria-pressed='true']) {
		background: var(--press-wash);
	}
	.lever {
		display: grid;
		grid-template-columns: auto 1fr 52px;
		gap: 12px;
		align-items: center;
		font-size: 15px;
	}
	.lever span {
		font-variant-numeric: tabular-nums;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 15px;
	}
</style>
