<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { ask } from '$lib/keeping/ask';
	import { type Edit, whatChanged } from '$lib/model/edit';
	import { when } from '$lib/sheet/when';

	/** Who left a document how: asked for when it is opened. Any of them can be brought back, one undo away from what stands. */
	interface Props {
		/** As the server calls it, such as `venue/ID`. */
		document: string;
		onback: (content: unknown) => void;
	}
	let { document, onback }: Props = $props();
	let edits = $state.raw<readonly Edit[] | null>(null);
	let trouble = $state('');
	let said = $state('');
	const shown = $derived(
		(edits ?? []).map((edit, index) => {
			const before = edits?.[index + 1];
			const changed = before === undefined ? null : whatChanged(before.content, edit.content);
			return {
				...edit,
				words:
					changed === null
						? 'the first that is kept'
						: changed.length === 0
							? 'nothing in the end'
							: `${changed.slice(0, 4).join('; ')}${changed.length > 4 ? ' and more' : ''}`
			};
		})
	);

	async function load(open: boolean) {
		if (!open) return;
		said = '';
		const outcome = await ask<Edit[]>('GET', `/api/edits/${document}`);
		trouble = outcome.ok ? '' : outcome.error.message;
		if (outcome.ok) edits = outcome.value;
	}
	function bringBack(edit: Edit) {
		onback(edit.content);
		said = `As ${edit.personName} left it, ${when(edit.at)}. Undo takes that back.`;
	}
</script>

<details ontoggle={(event) => void load(event.currentTarget.open)} data-testid="edits">
	<summary>Who changed it, and when</summary>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	{#if said !== ''}<p role="status" data-testid="brought-back">{said}</p>{/if}
	{#if edits !== null && edits.length === 0}<p class="quiet">Nobody has changed it since histories are kept.</p>{/if}
	<ol>
		{#each shown as edit, index (edit.id)}
			<li data-testid="edit">
				<span class="who"><strong>{edit.personName}</strong> <span class="quiet">{when(edit.at)}</span></span>
				<span class="what">{edit.words}</span>
				{#if index === 0}<span class="quiet">as it stands</span>{:else}<Button
						class="tool"
						onclick={() => bringBack(edit)}>Bring this back<span class="sr-only">, of {when(edit.at)}</span></Button
					>{/if}
			</li>
		{/each}
	</ol>
</details>

<style>
	details {
		margin-top: 14px;
		font-size: 15px;
	}
	summary {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		cursor: pointer;
		color: var(--press);
		text-decoration: underline;
	}
	li {
		display: grid;
		grid-template-columns: minmax(180px, 1fr) minmax(0, 2fr) auto;
		gap: 4px 16px;
		align-items: center;
		min-height: 48px;
		border-top: 1px dashed var(--rule);
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: 1fr auto;
			padding: 6px 0;
		}
		.what {
			grid-column: 1 / 3;
			grid-row: 2;
		}
	}
</style>
