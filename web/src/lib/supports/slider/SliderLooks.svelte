<script lang="ts">
	import SeenList from '$lib/sheet/slip/SeenList.svelte';
	import { showForce, showPlace, together } from '$lib/sheet/units/display';
	import type { SliderFigures } from './figures';
	import type { SliderLook } from './model';
	import type { SliderBench } from './sliderBench.svelte';
	import WhatItDoes from '../WhatItDoes.svelte';

	/** What the rail does when the carriage is walked along it: what the figures had, what was seen, what counts now. */
	interface Props {
		bench: SliderBench;
		figures: SliderFigures;
	}
	let { bench, figures }: Props = $props();
	const words: Readonly<Record<SliderLook['what'], string>> = {
		stays: 'Stays',
		startLifts: 'Start lifts',
		endLifts: 'Far end lifts',
		slides: 'Carriage slides'
	};
	const choices = Object.entries(words) as [SliderLook['what'], string][];
	const last = $derived(bench.counted[bench.counted.length - 1]);
	const stood = ({ setting }: SliderLook) =>
		`${setting.supportsM.map((u) => together(showPlace(u, bench.units))).join(' and ')}`;
	const seen = $derived(
		[...bench.state.looks].reverse().map((look) => ({
			text: `${words[look.what]}, supports at ${stood(look)}`,
			struck: look.struck === true,
			strike: (struck: boolean) => bench.strike(look, struck)
		}))
	);
	const least = $derived(Math.min(...figures.spansN.map(([n]) => n)));
	const beside = $derived(
		last === undefined
			? null
			: {
					figures: `${figures.wrong.length === 0 ? 'it staying' : 'it not staying'}; the least on a support is ${least < 0 ? '−' : ''}${together(showForce(Math.abs(least), bench.units))}`,
					seen: `${words[last.what].toLowerCase()}, supports at ${stood(last)}`,
					reckoned:
						last.what !== 'stays'
							? 'it does not stay, until it stands otherwise'
							: figures.wrong.length === 0
								? 'as written'
								: 'as written: what lifts in the figures may lift under another hand'
				}
	);
</script>

<WhatItDoes
	label="What the rail does"
	ask="A hand under the camera, power off: walk the carriage slowly from end to end. What does the rail do?"
	{choices}
	testId="rail"
	onlook={(what) => bench.look(what)}
	{beside}
>
	<SeenList {seen} />
</WhatItDoes>
