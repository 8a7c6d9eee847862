<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { refused, refusedWords } from '$lib/sheet/fields/refused.svelte';
	import type { PayloadEditor } from './payloadEditor.svelte';

	let { editor }: { editor: PayloadEditor } = $props();
	const words = {
		saved: 'Saved',
		unsaved: 'Save',
		saving: 'Saving …',
		away: 'Kept here, no link',
		refused: 'Not saved',
		stale: 'Not saved'
	};
</script>

<div class="tools">
	<Button onclick={() => editor.undo()} disabled={!editor.canUndo} title="Undo (Ctrl+Z)" aria-label="Undo">
		<svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true"
			><path d="M7 3L3 7l4 4M3 7h8a5 5 0 0 1 0 10H7" fill="none" stroke="currentColor" stroke-width="1.8" /></svg
		>
	</Button>
	<Button onclick={() => editor.redo()} disabled={!editor.canRedo} title="Redo (Ctrl+Shift+Z)" aria-label="Redo">
		<svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true"
			><path d="M13 3l4 4l-4 4M17 7H9a5 5 0 0 0 0 10h4" fill="none" stroke="currentColor" stroke-width="1.8" /></svg
		>
	</Button>
	<Button
		class={['save', (refused.count > 0 || ['away', 'refused', 'stale'].includes(editor.state)) && 'trouble']}
		onclick={() => editor.save()}
		title="Save now (Ctrl+S)"
		data-testid="save"
		data-state={refused.count > 0 ? 'refused' : editor.state}
	>
		{refused.count > 0 ? refusedWords(refused.count) : words[editor.state]}
	</Button>
</div>

<style>
	.tools {
		display: flex;
		gap: 2px;
		align-items: center;
	}
	.tools > :global(button) {
		min-width: 44px;
		min-height: 44px;
		display: grid;
		place-items: center;
		border-radius: 6px;
		color: var(--ink);
	}
	.tools > :global(button:hover:not(:disabled)) {
		background: var(--hover);
	}
	.tools > :global(button:disabled) {
		color: var(--edge);
		cursor: default;
	}
	.tools > :global(.save) {
		padding: 0 12px;
		font-size: 14px;
		white-space: nowrap;
		min-width: 74px;
	}
	.tools > :global(.trouble) {
		color: var(--clay);
		font-weight: 700;
	}
</style>
