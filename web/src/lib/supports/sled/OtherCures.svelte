<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { cureId, type SledFigures } from './figures';
	import type { SledBench } from './sledBench.svelte';
	import { degrees, lineInWords, linesBetween, targetOf } from './slip';

	/** Other ways to the same end, in a line each. */
	interface Props {
		bench: SledBench;
		figures: SledFigures;
	}
	let { bench, figures }: Props = $props();

	const others = $derived(
		figures.spinGood
			? []
			: figures.cures
					.filter((cure) => cureId(cure) !== cureId(figures.cure))
					.map((cure) => {
						const { geometry } = bench.support;
						const target = targetOf(geometry, bench.setting, figures, cure);
						const first = linesBetween(geometry, bench.setting, target, bench.units)[0];
						const lean = Math.max(Math.abs(cure.foreLeanRad), Math.abs(cure.sideLeanRad));
						return {
							id: cureId(cure),
							text:
								cure.kind === 'leave'
									? 'leave the spin; plate and gimbal only'
									: first === undefined
										? 'nothing moves'
										: lineInWords(first).replace(/^./, (letter) => letter.toLowerCase()),
							left: lean > figures.toleranceRad ? `${degrees(lean)} remain` : 'spins true'
						};
					})
					.slice(0, 4)
	);
</script>

{#each others as { id, text, left } (id)}
	<p class="other">
		Or {text} <span class="quiet">({left})</span>
		<Button class="link" onclick={() => bench.change({ cureId: id })} data-testid="other-{id}">Take this instead</Button
		>
	</p>
{/each}

<style>
	.other {
		font-size: 15px;
		margin: -6px 0;
	}
	.other > :global(.link) {
		min-height: 44px;
		color: var(--press);
		text-decoration: underline;
	}
</style>
