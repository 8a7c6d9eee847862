<script lang="ts">
	import type { HeadSeen } from '@poise/desk/messages';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { doing, shareOf, standsAt } from './words';

	/** One head: number, name, what it does, who holds it, whether it records. */
	interface Props {
		head: HeadSeen;
	}
	let { head }: Props = $props();
	const bench = sharedLive();
	const standing = $derived(standsAt(head, bench.data));
	const does = $derived(doing(head, standing));
	const share = $derived(shareOf(head));
	const chosen = $derived(head.id === bench.chosenId);
	const inHand = $derived(deskWire.drives(head));
	const who = $derived(
		head.phase === 'armed'
			? `${head.task?.watchedFor === null || head.task === null ? 'held' : 'watched'}: ${head.holder} ${head.heldS.toFixed(0)} s`
			: head.phase === 'stopping'
				? 'braking'
				: head.driver === null
					? 'nobody drives it'
					: `${head.driver.name}, not held`
	);
</script>

<div class="strip" class:chosen data-testid="strip" data-head={head.id} data-phase={head.phase} data-link={head.link}>
	<Button class="pick" onclick={() => bench.choose(head.id)} aria-pressed={chosen} data-testid="look-at">
		<span class="number">{head.number ?? '?'}</span>
		<span class="name">{head.name}</span>
		<span class="does"
			><span
				>{does.words} <strong>{does.what}</strong>{#if does.next !== ''}<small class="next">{does.next}</small
					>{/if}</span
			>
			<span class="way" aria-hidden="true"><span class="gone" style:width="{(share ?? 0) * 100}%"></span></span></span
		>
		<span class="who">{who}</span>
	</Button>
	{#if !chosen && bench.mine && head.link === 'here' && (head.driver === null || inHand)}
		<Button
			class="with"
			aria-pressed={inHand}
			onclick={() => (inHand ? bench.give(head.id) : bench.takeToo(head.id))}
			data-testid="together">together</Button
		>
	{:else}<span></span>{/if}
	<Button
		class="record"
		aria-pressed={head.recording}
		onclick={() => deskWire.say({ type: 'record', head: head.id, on: !head.recording })}
		disabled={head.link !== 'here'}
		data-testid="record">{head.recording ? '● taking' : '○ idle'}</Button
	>
	{#if head.headId !== null}<a href="/live/heads/{head.headId}" aria-label="Set up {head.name}" data-testid="set-up"
			>set up</a
		>{:else}<a href="/live/claim">claim</a>{/if}
</div>

<style>
	.strip {
		display: grid;
		grid-template-columns: 1fr 92px 84px 60px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		font-size: 15px;
	}
	.strip.chosen {
		background: var(--press-wash);
	}
	.strip :global(.pick) {
		display: grid;
		grid-template-columns: 40px minmax(90px, 0.9fr) minmax(120px, 1.5fr) minmax(96px, 1fr);
		gap: 12px;
		align-items: center;
		min-height: 60px;
		padding: 4px 8px 4px 18px;
		text-align: left;
	}
	.number {
		display: grid;
		place-items: center;
		width: 34px;
		height: 34px;
		border: 2px solid var(--ink);
		border-radius: 50%;
		font-weight: 700;
	}
	.chosen .number {
		background: var(--press);
		border-color: var(--press);
		color: var(--press-ink);
	}
	.name {
		font-weight: 700;
		font-size: 17px;
	}
	.does {
		display: grid;
		gap: 6px;
	}
	.way {
		height: 3px;
		background: var(--rule);
	}
	.gone {
		display: block;
		height: 3px;
		background: var(--press);
	}
	.next {
		margin-left: 10px;
		color: var(--quiet);
		font-size: 14px;
	}
	.strip :global(.with) {
		min-height: 44px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-size: 14px;
	}
	.strip :global(.with[aria-pressed='true']) {
		background: var(--press);
		border-color: var(--press);
		color: var(--press-ink);
	}
	.who {
		color: var(--quiet);
		font-size: 14px;
		font-variant-numeric: tabular-nums;
	}
	.strip :global(.record) {
		min-height: 48px;
		font-weight: 700;
		white-space: nowrap;
	}
	.strip :global(.record[aria-pressed='true']) {
		color: var(--clay);
	}
	a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		font-size: 14px;
	}
	@media (max-width: 700px) {
		.strip {
			grid-template-columns: 1fr 84px 76px 52px;
		}
		.strip :global(.pick) {
			grid-template-columns: 38px 1fr;
			gap: 0 10px;
			padding-left: 10px;
		}
		.number {
			grid-row: span 3;
		}
	}
</style>
