<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import SeenList from '$lib/sheet/slip/SeenList.svelte';
	import { showMass, showMove, together } from '$lib/sheet/units/display';
	import type { CraneBench } from './craneBench.svelte';
	import type { CraneFigures } from './figures';
	import type { CraneLook } from './model';
	import WhatItDoes from '../WhatItDoes.svelte';

	/** What the arm does when the hands are opened; what the figures had, what was seen, what is reckoned now. */
	let { bench, figures }: { bench: CraneBench; figures: CraneFigures } = $props();
	const words: Readonly<Record<CraneLook['what'], string>> = {
		sinks: 'Nose sinks',
		stays: 'Stays',
		rises: 'Nose rises'
	};
	const choices = Object.entries(words) as [CraneLook['what'], string][];
	const kg = (mass: number) => together(showMass(Math.abs(mass), bench.units));
	const trim = ({ setting }: CraneLook) => `trim ${together(showMove(-setting.trimU, bench.units))} behind the pivot`;
	const last = $derived(bench.counted[bench.counted.length - 1]);
	const believed = $derived(bench.state.believeDrawing === true && bench.looks.length > 0);
	const asWrittenKg = $derived(figures.noseKg - figures.unwrittenKg);
	const beside = $derived(
		believed || last === undefined
			? null
			: {
					figures: `the nose ${kg(asWrittenKg)} ${asWrittenKg >= 0 ? 'heavy' : 'light'}`,
					seen: `${words[last.what].toLowerCase()}, ${trim(last)}`,
					reckoned:
						figures.unwrittenKg === 0
							? 'as written'
							: `${kg(figures.unwrittenKg)} more at the ${figures.unwrittenKg > 0 ? 'nose' : 'tail'} than written`
				}
	);
	const seen = $derived(
		[...bench.looks].reverse().map((look) => ({
			text: `${words[look.what]}, ${trim(look)}`,
			struck: look.struck === true,
			strike: (struck: boolean) => bench.strike(look, struck)
		}))
	);
</script>

<WhatItDoes
	label="What the arm does"
	ask="One at the tail, nobody under it: open the hands a finger’s breadth at level. What does the arm do?"
	{choices}
	testId="arm"
	onlook={(what) => bench.look(what)}
	{beside}
>
	{#if believed}
		<p>The figures are believed; what was seen is kept and does not count.</p>
		<Button class="link" onclick={() => bench.believe(false)}>Count what was seen</Button>
	{:else if beside !== null}
		<Button class="link" onclick={() => bench.believe(true)}>Believe the figures</Button>
	{/if}
	<SeenList {seen} />
</WhatItDoes>
