<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { when } from '$lib/sheet/when';
	import type { GearChange } from '$lib/model/measurement';
	import { takenTogether } from './takenTogether';

	interface Props {
		changes: readonly GearChange[];
		names: Readonly<Record<string, string>>;
		busy: boolean;
		/** Asks for that to be deleted. */
		takeBack: (path: string) => void;
	}
	let { changes: all, names, busy, takeBack }: Props = $props();

	/** What was taken over, the newest first; what came from one lesson stands together. */
	const taken = $derived(takenTogether(all));
	const named = ({ subjectId, slideId }: GearChange) =>
		names[slideId === null ? subjectId : `${subjectId}.${slideId}`] ?? 'Gear no longer there';
</script>

{#if taken.length > 0}
	<h2>Taken over before</h2>
	<ul class="changes">
		{#each taken.slice(0, 40) as { lessonId, changes } (changes[0].id)}
			{#if changes.length === 1}
				{@render one(changes[0])}
			{:else}
				<li data-testid="lesson-taken">
					<span>{changes.length} figures {changes[0].from}</span>
					<span class="quiet">{changes[0].personName}, {when(changes[0].at)}</span>
					{#if changes.some(({ undone }) => !undone)}<Button
							class="tool"
							disabled={busy}
							onclick={() => takeBack(`/api/learn?lesson=${lessonId}`)}
							data-testid="take-lesson-back">Take all of it back</Button
						>{/if}
					<details>
						<summary data-testid="each-of-it">One by one</summary>
						<ul>
							{#each changes as change (change.id)}{@render one(change)}{/each}
						</ul>
					</details>
				</li>
			{/if}
		{/each}
	</ul>
{/if}

{#snippet one(change: GearChange)}
	<li class:undone={change.undone} data-change={names[change.subjectId]}>
		<span>{named(change)}{change.lessonId === null ? `: ${change.from}` : ''}</span>
		<span class="quiet">{change.personName}, {when(change.at)}</span>
		{#if !change.undone}<Button
				class="tool"
				disabled={busy}
				onclick={() => takeBack(`/api/gear/${change.id}`)}
				data-testid="take-back">Take it back</Button
			>{/if}
	</li>
{/snippet}

<style>
	.changes {
		list-style: none;
		padding: 0;
	}
	.changes li {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 4px 0;
	}
	.changes span:first-child {
		flex: 1;
		min-width: 240px;
	}
	.undone span {
		text-decoration: line-through;
		color: var(--quiet);
	}
	.changes details {
		flex-basis: 100%;
	}
	summary {
		min-height: 44px;
		padding: 10px 0;
		cursor: pointer;
	}
</style>
