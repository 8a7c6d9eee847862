<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	/** What the drawing had, what was seen, what is reckoned now; and the choice between them. */
	interface Props {
		/** In words; null: nothing to lay beside the drawing. */
		words: {
			readonly drawing: string;
			readonly seen: string;
			readonly reckoned: string;
			/** Further off than the drawing can have wrong. */
			readonly beyond: boolean;
			/** The looks contradict each other, whatever the drawing has. */
			readonly looksClash?: boolean;
		} | null;
		/** Among looks that contradict each other: the one without which the others fit, in words. */
		slip?: { readonly text: string; readonly strike: () => void } | null;
		/** Set while what was seen is kept and does not count. */
		believed: string | null;
		onbelieve: (drawing: boolean) => void;
	}
	let { words, slip = null, believed, onbelieve }: Props = $props();
</script>

{#if believed !== null}
	<div class="beside" data-testid="believed">
		<p>{believed}</p>
		<Button class="link" onclick={() => onbelieve(false)} data-testid="believe-looks">Count what was seen</Button>
	</div>
{:else if words !== null}
	<div class="beside" data-testid="beside">
		<dl>
			<div>
				<dt>The drawing has</dt>
				<dd data-testid="beside-drawing">{words.drawing}</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd data-testid="beside-seen">{words.seen}</dd>
			</div>
			<div>
				<dt>Now reckoned</dt>
				<dd data-testid="beside-reckoned"><strong>{words.reckoned}</strong></dd>
			</div>
		</dl>
		{#if words.looksClash}
			{#if slip === null}
				<p class="clash">What was seen does not fit together. Strike out what was a slip, or look once more.</p>
			{:else}
				<p class="clash" data-testid="outlier">
					What was seen does not fit together. Without “{slip.text}” the rest does: strike it out, or look once more.
				</p>
				<Button class="link" onclick={slip.strike} data-testid="strike-outlier">Strike it out</Button>
			{/if}
		{:else if words.beyond}
			<p>What was seen lies beyond what the drawing can have wrong. It counts; the drawing does not.</p>
		{/if}
		<Button class="link" onclick={() => onbelieve(true)} data-testid="believe-drawing">Believe the drawing</Button>
	</div>
{/if}

<style>
	.beside {
		border-left: 4px solid var(--spirit);
		padding: 2px 0 2px 12px;
		font-size: 15px;
		display: grid;
		gap: 2px;
	}
	dl {
		display: grid;
		gap: 2px;
	}
	dl div {
		display: grid;
		grid-template-columns: 118px 1fr;
	}
	dt {
		color: var(--quiet);
	}
	.clash {
		color: var(--clay);
	}
	.beside > :global(.link) {
		justify-self: start;
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
</style>
