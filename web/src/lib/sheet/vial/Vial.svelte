<script lang="ts">
	import { bubblePlace, longTube, tinyTube } from './bubble';

	interface Props {
		/** How far off, counted in tolerances; positive puts the bubble right. Null: nothing known, an empty tube. */
		offset: number | null;
		/** What the vial says, for whoever cannot see it. */
		label: string;
		size?: 'tiny' | 'row' | 'large';
	}
	let { offset, label, size = 'row' }: Props = $props();

	const tube = $derived(size === 'tiny' ? tinyTube : longTube);
	const percent = (share: number) => `${50 + share * 50}%`;
	const poised = $derived(offset !== null && Math.abs(offset) <= 1);
</script>

<span class="vial {size}" class:empty={offset === null} class:poised role="img" aria-label={label}>
	{#if offset !== null}
		<span class="way" style:transform="translateX({bubblePlace(offset, tube) * 50}%)"
			><span class="bubble" style:width="{tube.bubbleShare * 100}%"></span></span
		>
		<span class="mark" style:left={percent(-tube.markShare)}></span>
		<span class="mark" style:left={percent(tube.markShare)}></span>
	{/if}
</span>

<style>
	.vial {
		position: relative;
		display: block;
		width: 100%;
		height: 22px;
		border: 1.5px solid var(--spirit-line);
		border-radius: 999px;
		background: linear-gradient(var(--spirit-lit) 0 28%, var(--spirit) 28%);
		overflow: hidden;
		contain: layout paint;
	}
	.tiny {
		width: 52px;
		height: 14px;
		border-width: 1.25px;
	}
	.large {
		height: 34px;
	}
	.empty {
		background: transparent;
		border-color: var(--rule);
	}
	.mark {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 1.5px;
		margin-left: -0.75px;
		background: var(--spirit-line);
	}
	/* As wide as the tube, and moved as a whole: the bubble glides without the page being laid out anew for each frame. */
	.way {
		position: absolute;
		inset: 0;
		transition: transform 0.55s cubic-bezier(0.22, 0.7, 0.25, 1);
	}
	.bubble {
		position: absolute;
		left: 50%;
		top: 17%;
		bottom: 17%;
		transform: translateX(-50%);
		border-radius: 50%;
		background: radial-gradient(ellipse at 40% 25%, #fff 0 10%, var(--bubble) 45%);
		border: 1.25px solid var(--spirit-line);
	}
	:global([data-theme='house']) .bubble {
		background: var(--bubble);
		border-color: var(--bubble);
	}
	.tiny .bubble {
		border-width: 1px;
	}
	@media (prefers-reduced-motion: reduce) {
		.way {
			transition: none;
		}
	}
</style>
