<script lang="ts">
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import type { Response } from './figures';
	import type { WishRead } from './wishes';
	import { isWalk } from './shots';
	import { degrees, percent, seconds } from './words';

	/** What the response comes to, each figure with its vial: how much of the shot's wish is used. */
	interface Props {
		aim: Response;
		reads: readonly WishRead[];
		units: UnitSystem;
	}
	let { aim, reads }: Props = $props();
	const figures = $derived(aim.figures);
	const walks = $derived(isWalk(aim.gesture));
	const rows = $derived([
		{ id: 'lagRad', name: 'behind the hand', shown: walks ? '–' : degrees(figures.lagRad) },
		{ id: 'restShort', name: 'rests short by', shown: walks ? '–' : degrees(figures.restShortRad) },
		{
			id: 'settleS',
			name: 'settles in',
			shown: walks ? '–' : figures.settleS === null ? 'not yet' : seconds(figures.settleS)
		},
		{ id: 'overshootRad', name: 'swings past', shown: walks ? '–' : degrees(figures.overshootRad) },
		{ id: 'shakeShare', name: 'shakes on screen', shown: percent(figures.shakeShare) }
	]);
	const readOf = (id: string) => reads.find((read) => read.id === id) ?? null;
	const shows: Record<WishRead['id'], (value: number) => string> = {
		lagRad: degrees,
		settleS: seconds,
		overshootRad: degrees,
		shakeShare: percent
	};
</script>

<dl class="figures" data-testid="feel-figures">
	{#each rows as { id, name, shown } (id)}
		{@const read = readOf(id)}
		<div data-figure={id}>
			<dt>{name}</dt>
			<dd>
				<span class="figure">{shown}</span>
				<Vial
					offset={read === null ? null : read.share * read.way}
					label={read === null
						? `${name}: the shot does not mind`
						: `${name}: ${Math.round(read.share * 100)} % of what the shot allows`}
				/>
				<small
					>{read === null
						? 'no wish'
						: read.got === null
							? `not within ${shows[read.id](read.wanted)}`
							: `${id === 'lagRad' ? 'at its pan ' : ''}${shows[read.id](read.got)}, ${shows[read.id](read.wanted)} allowed`}</small
				>
			</dd>
		</div>
	{/each}
</dl>
<p class="speed">
	The picture moves by {figures.pictureWidthsPerS.toFixed(1)} of its widths a second at most{figures.pictureWidthsPerS >
		1 / 2 && !walks
		? ': it blurs'
		: ''}.
</p>

<style>
	.figures {
		display: grid;
		grid-template-columns: repeat(5, minmax(0, 1fr));
		gap: 6px 16px;
	}
	dt {
		font-size: 13px;
		color: var(--quiet);
	}
	dd .figure {
		display: block;
		font-size: 20px;
		font-weight: 700;
		line-height: 1.2;
	}
	small,
	.speed {
		font-size: 12px;
		color: var(--quiet);
	}
	@media (max-width: 700px) {
		.figures {
			grid-template-columns: repeat(2, minmax(0, 1fr));
		}
	}
</style>
