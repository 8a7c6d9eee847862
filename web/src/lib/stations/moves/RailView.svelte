<script lang="ts">
	/* eslint-disable max-lines -- one sheet: set-up, supports, the table they come to, and what tips. */
	import '$lib/shell/sheet.css';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { showForce, showMass, showTorque, together } from '$lib/sheet/units/display';
	import { above } from '$lib/model/limits';
	import { railInFrame, railRead, setUpWords, tipReserve } from './loads';
	import { moveLimits } from './limits';
	import SmallMove from './SmallMove.svelte';
	import { sharedMove } from './moveBench.svelte';
	import { runs } from './path';
	import { tryFigures } from '$lib/supports/tryFigures';
	import { far, seconds } from './words';

	/** What the rail needs: which way up, what bears it, what slips, what of it shows. */
	const bench = sharedMove();
	const units = $derived(bench.units);
	const support = $derived(bench.move.support.kind === 'rail' ? bench.move.support : null);
	const read = $derived(support === null ? null : tryFigures(() => railRead(bench.move)));
	const shows = $derived.by(() => {
		const { run } = bench;
		return runs(run) ? tryFigures(() => railInFrame(bench.move, run)) : null;
	});
	/** The rail lies on it, or would lift off it. */
	const borne = (newtons: number) => (newtons < -0.5 ? `pulls down ${force(-newtons)}` : force(newtons));
	const pulled = $derived(read === null ? 0 : Math.max(0, ...read.spansN.map(([least]) => -least)));
	const force = (newtons: number) => `${newtons < 0 ? '−' : ''}${together(showForce(Math.abs(newtons), units))}`;
	let halfBaseM = $state(0.4);
	let standKg = $state(8);
	const reserve = $derived(
		support === null || read === null || support.supportsM.length !== 1
			? null
			: tryFigures(() => tipReserve(support, read, { halfBaseM, standKg }))
	);
	const put = (next: object, about: string) => {
		if (support !== null) bench.change({ support: { ...support, ...next } }, about);
	};
	const setSupports = (count: number) => {
		if (support === null) return;
		const { lengthM } = support;
		put({ supportsM: count === 1 ? [lengthM / 2] : [lengthM * 0.12, lengthM * 0.88] }, 'supports');
		bench.settle();
	};
	const bears = (newtons: number): number | null =>
		support?.supportBearsN == null ? null : newtons / support.supportBearsN;
</script>

<div class="sheet">
	<h1>Rail</h1>
	{#if support === null}
		<p class="lead">This move stands on no rail.</p>
	{:else}
		<ol class="set">
			{#each setUpWords(support) as words (words)}<li>{words}</li>{/each}
		</ol>
		{#if read === null}
			<p class="lead">The track lies on the floor: what the floor bears is for its owner to say.</p>
		{:else}
			<div class="row">
				<label class="line"
					><Tick
						type="radio"
						name="supports"
						checked={support.supportsM.length === 1}
						onchange={() => setSupports(1)}
						data-testid="one-support"
					/> on one clamp or stand</label
				>
				<label class="line"
					><Tick
						type="radio"
						name="supports"
						checked={support.supportsM.length === 2}
						onchange={() => setSupports(2)}
						data-testid="two-supports"
					/> on two</label
				>
				{#each support.supportsM as at, k (k)}
					<QuantityField
						label={support.supportsM.length === 1 ? 'clamped at' : k === 0 ? 'first at' : 'second at'}
						value={at}
						quantity="distance"
						{units}
						check={(value) =>
							value < 0 || value > support.lengthM
								? `On the rail: 0 to ${support.lengthM.toFixed(2)} m.`
								: support.supportsM.some((other, j) => j !== k && Math.abs(other - value) < 0.02)
									? 'The two supports are in one place.'
									: null}
						onvalue={(value) =>
							put({ supportsM: support.supportsM.map((each, j) => (j === k ? value : each)) }, `support ${k}`)}
						oncommit={bench.settle}
						testId="support-{k}"
					/>
				{/each}
				<label class="line"
					><Tick
						checked={support.clampsDown}
						onchange={(event) => {
							put({ clampsDown: event.currentTarget.checked }, 'clamps');
							bench.settle();
						}}
						data-testid="clamps-down"
					/> clamped down</label
				>
			</div>
			<div class="beside even">
				<div>
					<p class="big" data-testid="rail-answer">
						{#if read.warnings.length > 0}{read.warnings[0]}
						{:else if pulled > 0}As reckoned, <strong
								>{read.spansN.length === 1 ? 'the clamp' : 'a clamp'} pulls down {force(pulled)}</strong
							>, where the carriage would lift the rail off.
						{:else}As reckoned, <strong>nothing lifts off</strong> over the travel.{/if}
					</p>
					<table class="folds">
						<thead
							><tr
								><th scope="col">What</th><th scope="col">Least</th><th scope="col">Most</th><th scope="col"
									>Of what its maker says</th
								></tr
							></thead
						>
						<tbody>
							{#each read.spansN as [least, most], k (k)}
								<tr>
									<th scope="row"
										>{read.spansN.length === 1
											? 'The clamp bears'
											: k === 0
												? 'First support bears'
												: 'Second support bears'}</th
									>
									<td class="figure number">{borne(least)}</td>
									<td class="figure number">{borne(most)}</td>
									<td class="wide"
										>{#if bears(most) === null}<span class="quiet">nobody has said</span>{:else}<Vial
												offset={2 * bears(most)! - 1}
												label="{Math.round(bears(most)! * 100)} % of what it bears"
											/>{/if}</td
									>
								</tr>
							{/each}
							{#if read.momentNm !== null}
								<tr>
									<th scope="row">One clamp holds against turning</th>
									<td></td>
									<td class="figure number">{together(showTorque(read.momentNm, units))}</td>
									<td class="wide"
										>{support.clampHoldsNm === null
											? 'nobody has said'
											: `${Math.round((read.momentNm / support.clampHoldsNm) * 100)} %`}</td
									>
								</tr>
							{/if}
							<tr>
								<th scope="row">The carriage’s brake holds along the rail</th>
								<td></td>
								<td class="figure number">{force(read.holdN)}</td>
								<td class="wide"
									>{support.holdsN === null
										? 'nobody has said'
										: `${Math.round((Math.abs(read.holdN) / support.holdsN) * 100)} %`}</td
								>
							</tr>
							<tr>
								<th scope="row">The supports hold the rail against slipping</th>
								<td></td>
								<td class="figure number">{force(read.slipN)}</td>
								<td class="wide quiet">by friction and clamps: try it by hand</td>
							</tr>
						</tbody>
					</table>
					{#each read.warnings.slice(1) as words (words)}<p class="caution">{words}</p>{/each}
				</div>
				<div>
					<SmallMove move={bench.move} plan={bench.venue?.plan ?? null} width={560} height={200} />
					{#if read.spansN.length > 1}
						<Chart
							label="What each support bears as the carriage goes"
							xTitle="carriage, m"
							yTitle="bears, N"
							xDecimals={1}
							yDecimals={0}
							yLeast={40}
							height={240}
							lines={read.spansN.map((_, k) => ({
								name: k === 0 ? 'first' : 'second',
								as: 'line' as const,
								points: read.curve.map(({ atM, supportsN }) => [atM, supportsN[k]!] as const)
							}))}
						/>
					{/if}
				</div>
			</div>
			{#if reserve !== null}
				<h2>On one rolling stand</h2>
				<div class="row">
					<QuantityField
						label="from its middle to its wheels’ edge"
						value={halfBaseM}
						quantity="distance"
						{units}
						check={allowed(above(0, 3, ''), 'distance')}
						onvalue={(value) => (halfBaseM = value)}
						testId="half-base"
					/>
					<QuantityField
						label="the stand weighs, with sandbags"
						value={standKg}
						quantity="mass"
						{units}
						check={allowed(moveLimits.mass, 'mass')}
						onvalue={(value) => (standKg = value)}
						testId="stand-mass"
					/>
				</div>
				<p class="big" data-testid="tip">
					{#if reserve <= 0}It <strong>tips over</strong> with the carriage at its end: more weight on the stand, or a second
						one.
					{:else}<strong>{Math.round(reserve * 100)} %</strong> of what holds it is left before it tips.{/if}
				</p>
				<p class="caution">
					Brakes on, sandbags on the leg under the load, and somebody at it: a bump or a cable is not in these figures.
				</p>
			{/if}
			<p class="hint" data-testid="rail-shows">
				{#if shows === null}Nothing of the rail comes into the picture, as drawn.
				{:else}The rail shows in the picture from {seconds(shows.atS)}, {far(shows.alongM, units)} from its start: a longer
					lens, a higher head, or look away from it.{/if}
			</p>
			<p class="lead">
				A stiff rail at rest, {together(showMass(read.carriedKg, units))} carried. A carriage that starts or stops adds its
				mass times its acceleration along the rail; what bends is not in it.
			</p>
		{/if}
	{/if}
</div>

<style>
	thead th:nth-child(2),
	thead th:nth-child(3) {
		text-align: right;
	}
	.set {
		list-style: decimal;
		padding-left: 22px;
		max-width: 74ch;
	}
	.big {
		font-size: 24px;
		margin: 12px 0;
	}
	.line {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	.row :global(.field) {
		width: 150px;
	}
	td :global(.vial) {
		max-width: 260px;
	}
</style>
