<script lang="ts">
	import SlipRoll from '../SlipRoll.svelte';
	import SlipMessages from '$lib/supports/log/SlipMessages.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import type { BalanceLog } from '$lib/supports/log/balanceLog.svelte';
	import LogBalance from '$lib/supports/log/LogBalance.svelte';
	import type { SledBenchState } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import DayWishes from './DayWishes.svelte';
	import type { SledFigures } from './figures';
	import Movers from './Movers.svelte';
	import OtherCures from './OtherCures.svelte';
	import type { SledBench } from './sledBench.svelte';
	import SledLookPanel from './SledLookPanel.svelte';
	import SledSeenBeside from './SledSeenBeside.svelte';
	import SledSeenRoll from './SledSeenRoll.svelte';
	import { degrees, type SledSlip } from './slip';

	interface Props {
		bench: SledBench;
		figures: SledFigures;
		slip: SledSlip;
		payloadHref: string;
		sledHref: string;
		checksOpen: number;
		log: BalanceLog<SledBenchState>;
		onlog: () => void;
	}
	let { bench, figures, slip, payloadHref, sledHref, checksOpen, log, onlog }: Props = $props();

	const state = $derived(bench.state);
	const sheets = $derived(`/balance/sled/${bench.support.id}/${bench.payloadId}`);
</script>

{#snippet roll()}
	<SlipRoll slips={state.slips} units={bench.units} />
	<SledSeenRoll {bench} />
	<p class="count">
		<span data-testid="slip-count">{state.slips.length} {state.slips.length === 1 ? 'slip' : 'slips'} so far</span>
		<Button class="link" onclick={() => bench.document.undo()} disabled={!bench.document.canUndo}>Undo</Button>
		<Button class="link" onclick={() => bench.document.redo()} disabled={!bench.document.canRedo}>Redo</Button>
		<Button class="link" onclick={() => bench.startOver()}>Start over</Button>
	</p>
{/snippet}

<Slip heading={slip.heading} earlier={roll}>
	{#snippet answer()}
		{#if slip.kind === 'poised'}<strong data-testid="slip-strong">Poised</strong>
		{:else if slip.kind === 'placed'}Now <strong data-testid="slip-strong"
				>{slip.look === 'upright'
					? 'let it go upright'
					: slip.look === 'drop'
						? 'time a drop'
						: 'spin it by hand'}</strong
			>
		{:else if slip.kind === 'tooHeavy'}Take <strong data-testid="slip-strong">a larger sled</strong>
		{:else if slip.kind === 'clash'}First <strong data-testid="slip-strong">settle what was seen</strong>
		{:else if slip.kind === 'stuck'}As near as <strong data-testid="slip-strong">this plan comes</strong>
		{:else if slip.lines[0]}{slip.lines[0].lead}<strong data-testid="slip-strong"
				>{unbroken(slip.lines[0].strong)}</strong
			>{/if}
	{/snippet}
	{#if slip.lines[0]?.detail}<p class="detail">{slip.lines[0].detail}</p>{/if}
	{#if slip.lines.length > 1}
		<ol class="lines" data-testid="slip-lines">
			{#each slip.lines.slice(1) as line (line.id)}
				<li>
					{line.lead}<strong>{unbroken(line.strong)}</strong>
					{#if line.detail}<small>{line.detail}</small>{/if}
				</li>
			{/each}
		</ol>
	{/if}
	{#if slip.kind === 'poised'}<Vial size="large" offset={0} label="Poised, as seen" />{/if}
	<p>{slip.why}</p>
	<SledSeenBeside {bench} />
	{#if slip.short !== null}<p class="warning" data-testid="slip-short">{slip.short}</p>{/if}
	{#if figures.fit === 'tooLight'}<p class="warning">
			Lighter than this sled is made for: it will twitch. Add weight at the foot and at the camera alike.
		</p>{/if}
	{#if checksOpen > 0}
		<p class="checks">
			<a href="{payloadHref}/checklist">{checksOpen} {checksOpen === 1 ? 'check is' : 'checks are'} still open</a> before
			this payload is balanced.
		</p>
	{/if}
	{#if slip.kind === 'move'}
		<Button class="go stays" onclick={() => bench.accept()} data-testid="accept">
			{slip.lines.length === 1 ? 'It is done' : `All ${slip.lines.length} are done`}
		</Button>
		<OtherCures {bench} {figures} />
		{#if state.cureId}<Button class="link" onclick={() => bench.change({ cureId: null })}>Back to the best way</Button
			>{/if}
	{:else if slip.kind === 'tooHeavy'}
		<a class="go stays" href={payloadHref}>Change the payload</a>
		<a class="second" href={sledHref}>Look at the sled</a>
	{:else if slip.kind === 'placed'}
		{#if slip.look === 'drop'}<a class="go stays" href="{sheets}/drop">To the drop timer</a>
		{:else if slip.look === 'spin'}<a class="go stays" href="{sheets}/spin">To the spin</a>{/if}
	{:else if slip.kind !== 'clash'}
		<LogBalance {log} placeholder="Where, which shots, what to remember" {onlog} />
	{/if}
	<SledLookPanel {bench} />
	{#if slip.kind === 'placed'}
		<details class="day">
			<summary>Log it as computed, without having seen it</summary>
			<p class="quiet">The book then says that nobody saw it stand, drop and spin.</p>
			<LogBalance {log} placeholder="Where, which shots, what to remember" {onlog} />
		</details>
	{/if}
	<details class="day">
		<summary
			>What the day wants: {state.dropTimeS.toFixed(1)} s drop, spin within {degrees(figures.toleranceRad)}</summary
		>
		<DayWishes {bench} />
		<Movers {bench} />
	</details>
	<SlipMessages {log} document={bench.document} />
</Slip>

<style>
	.day {
		border-top: 1px solid var(--rule);
		padding-top: 4px;
	}
	.day summary {
		min-height: 44px;
		display: flex;
		align-items: center;
		cursor: pointer;
		color: var(--press);
		text-decoration: underline;
		font-size: 15px;
	}
	.day > :global(*:not(summary)) {
		margin-bottom: 10px;
	}
</style>
