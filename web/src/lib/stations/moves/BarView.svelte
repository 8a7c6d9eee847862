<script lang="ts">
	import '$lib/shell/sheet.css';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Chart from '$lib/sheet/drawing/Chart.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { headFields } from './fields';
	import Fields from './Fields.svelte';
	import { sharedMove } from './moveBench.svelte';
	import { barSheet } from './tables';
	import { degrees, far, focalWords } from './words';
	import SmallMove from './SmallMove.svelte';
	import { tryFigures } from '$lib/supports/tryFigures';
	import { showLength, together } from '$lib/sheet/units/display';

	/** A passive bar beside the rail: how it is set, in the order in which it is done, and what it misses. */
	const bench = sharedMove();
	const move = $derived(bench.move);
	const units = $derived(bench.units);
	const support = $derived(move.support.kind === 'rail' ? move.support : null);
	const sheet = $derived(support === null ? null : tryFigures(() => barSheet(move, support)));
	const barred = $derived({ ...move, head: { ...move.head, kind: 'bar' as const } });
	const once = (next: typeof move) => {
		bench.set(next);
		bench.settle();
	};
	const bar = (next: Partial<typeof move.head.bar>) =>
		once({ ...move, head: { ...move.head, bar: { ...move.head.bar, ...next } } });
	/** The subject square off the rail, as it stands on the plan. */
	const onPlanM = $derived.by(() => {
		if (support === null) return null;
		const [dx, dy] = [move.subject.atM[0] - support.startM[0], move.subject.atM[1] - support.startM[1]];
		const off = Math.abs(Math.cos(support.headingRad) * dy - Math.sin(support.headingRad) * dx);
		return off > 0.1 ? Math.round(off * 1000) / 1000 : null;
	});
	const upright = $derived(support !== null && Math.abs(support.inclineRad) > 1.4);
	const mm = (metres: number) => together(showLength(metres, units));
</script>

<div class="sheet">
	<h1>Pan bar</h1>
	{#if support === null}
		<p class="lead">A pan bar stands beside a rail, and this move stands on none.</p>
	{:else}
		<div class="row screen">
			<label class="stack"
				>it
				<Choice
					value={move.head.bar.setting}
					onchange={(event) => bar({ setting: event.currentTarget.value as 'holding' })}
					data-testid="bar-setting"
				>
					<option value="holding">holds the subject</option>
					<option value="sweeping">sweeps outwards</option>
				</Choice></label
			>
			<label class="stack"
				>matched
				<Choice
					value={move.head.bar.choose}
					onchange={(event) => bar({ choose: event.currentTarget.value as 'ends' })}
					data-testid="bar-choose"
				>
					<option value="ends">at both ends</option>
					<option value="leastWorst">least worst all along</option>
				</Choice></label
			>
			<Fields fields={headFields(barred)} about="bar" />
			{#if onPlanM !== null && Math.abs(onPlanM - move.head.bar.distanceM) > 0.005}
				<Button class="tool" onclick={() => bar({ distanceM: onPlanM! })} data-testid="bar-from-plan"
					>As on the plan: {far(onPlanM, units)}</Button
				>
			{/if}
			{#if move.head.kind !== 'bar'}
				<Button class="second" onclick={() => once(barred)} data-testid="use-bar">Turn the camera with it</Button>
			{/if}
			<Button class="tool" onclick={() => window.print()} data-testid="print-bar">Print it</Button>
		</div>
		{#if sheet === null}
			<p class="problem" role="alert">
				This bar cannot follow: the crank is too short for the travel. A longer crank, or less travel.
			</p>
		{:else}
			<div class="beside">
				<div>
					<p class="big" data-testid="bar-answer">
						It misses by at most <strong>{sheet.worstErrorPercent.toFixed(1)} %</strong> of the frame’s width
					</p>
					<ol class="set" data-testid="bar-steps">
						<li>
							Square to the subject: from either end of the travel to it <strong
								>{far(sheet.endDistanceM, units)}</strong
							>; shift the rail until both are the same.
						</li>
						<li>
							Centre: carriage at <strong>{far(sheet.middleM, units)}</strong>. Bar {upright
								? 'upright and level with'
								: 'beside'} the rail, the crank’s pin in it, the camera straight at the subject. Tighten nothing yet.
						</li>
						<li>
							End A: carriage to <strong>{far(sheet.middleM - sheet.halfTravelM, units)}</strong>, swing the bar’s end
							off the rail by
							<strong>{mm(sheet.offsetM)}</strong> until the subject is in the middle: the camera has turned {degrees(
								sheet.endPanRad
							)}. Lock that end.
						</li>
						<li>Centre again: the subject is in the middle still; if not, begin anew.</li>
						<li>
							End B: carriage to <strong>{far(sheet.middleM + sheet.halfTravelM, units)}</strong>, bend the bar by hand
							until the subject is in the middle, about <strong>{mm(sheet.offsetM)}</strong> the other way. Lock that end.
							The bar’s flex takes what is left.
						</li>
						<li>Run it by hand from A to B and look at the middle third: there it misses most.</li>
					</ol>
				</div>
				<div>
					<SmallMove {move} plan={bench.venue?.plan ?? null} width={600} height={260} />
					<Chart
						label="Where the subject slips to along the travel"
						xTitle="carriage, m"
						yTitle="off the middle, % of the width"
						xDecimals={1}
						yDecimals={1}
						yLeast={2}
						height={240}
						lines={[
							{
								name: 'subject',
								as: 'line',
								points: sheet.curve.map(({ atM, errorPercent }) => [atM, errorPercent] as const)
							}
						]}
					/>
					<p class="lead">
						For <span data-printed>{focalWords(move.knots[0]!.values.focalM)}</span>, a crank of {mm(
							move.head.bar.crankM
						)}, the subject {far(move.head.bar.distanceM, units)} straight off the rail’s middle. The bar is read at the carriage:
						a crank along the rail is up to 0.2° off this. {upright
							? 'Upright it is the tilt that is turned, by the same law.'
							: ''}
					</p>
				</div>
			</div>
		{/if}
	{/if}
</div>

<style>
	.set {
		list-style: decimal;
		padding-left: 22px;
		max-width: 74ch;
		font-size: 18px;
		display: grid;
		gap: 6px;
	}
	.big {
		font-size: 28px;
		margin: 12px 0;
	}
	.stack {
		display: grid;
		gap: 3px;
		font-size: 13px;
	}
	@media print {
		.screen {
			display: none !important;
		}
	}
</style>
