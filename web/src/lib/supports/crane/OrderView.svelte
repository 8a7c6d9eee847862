<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import '$lib/shell/bench.css';
	import type { CraneStep } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showMass, showTorque, together } from '$lib/sheet/units/display';
	import { flip } from 'svelte/animate';
	import { dragHandle, dragHandleZone } from 'svelte-dnd-action';
	import { bringIntoView } from '$lib/sheet/bringIntoView';
	import { sharedCraneBench } from './craneBench.svelte';
	import { type CraneFigures, leastReserve, warnReserve } from './figures';
	import { checkedOrder, onHandInWords, refusalInWords, tippingInWords, whipCaution } from './order';
	import { hungKg } from './standing';
	import { platesInWords } from './slip';
	import { usualLoading, usualUnloading } from './state';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const figures = $derived(bench.figures as CraneFigures);
	const geometry = $derived(bench.support.geometry);
	/** The order is that of the weights the slip asks for, until they hang. */
	const setting = $derived(bench.slip?.kind === 'move' ? bench.slip.target : bench.setting);
	let loading = $state(true);
	/** While a row is dragged the list is the drag's; then it is the bench's again. */
	let dragged = $state.raw<readonly CraneStep[] | null>(null);
	const kept = $derived(loading ? bench.state.loading : bench.state.unloading);
	const steps = $derived(dragged ?? kept);
	const order = $derived(
		checkedOrder(geometry, setting, bench.bodies, figures, steps, loading, units, bench.state.ground)
	);
	let refused = $state('');
	let refusedNote = $state<HTMLElement>();
	$effect(() => {
		// What answers a press is in view and read out, however far down the list the press was.
		if (refused !== '') bringIntoView(refusedNote);
	});
	const done = $derived(bench.state.stepsDone?.[loading ? 'loading' : 'unloading'] ?? []);

	const field = $derived<'loading' | 'unloading'>(loading ? 'loading' : 'unloading');
	/** An order that leaves the arm free to swing, or cannot be done, is not taken: the old one stands, with the reason. */
	function take(next: readonly CraneStep[]) {
		const checked = checkedOrder(geometry, setting, bench.bodies, figures, next, loading, units, bench.state.ground);
		if (checked.impossible !== null) refused = checked.impossible;
		else if (checked.refusedAt !== null) refused = refusalInWords(checked.refusedAt, units);
		else {
			refused = '';
			bench.change({ [field]: next });
		}
		dragged = null;
	}
	const hold = (id: string, held: boolean) => take(kept.map((step) => (step.id === id ? { ...step, held } : step)));
	function move(index: number, by: -1 | 1) {
		const next = [...kept];
		const [step] = next.splice(index, 1);
		if (step !== undefined) next.splice(index + by, 0, step);
		take(next);
	}
	const next = $derived(order.rows.find(({ step }) => !done.includes(step.id)));
	const kg = (mass: number) => together(showMass(mass, units));
	const flipDurationMs = 140;
</script>

<div class="bench">
	<section class="work" aria-label="Order of loading">
		<div class="list">
			<div class="chips" role="group" aria-label="Which order">
				<Button
					class="chip"
					aria-pressed={loading}
					onclick={() => {
						loading = true;
						refused = '';
					}}
					data-testid="order-loading">Loading</Button
				>
				<Button
					class="chip"
					aria-pressed={!loading}
					onclick={() => {
						loading = false;
						refused = '';
					}}
					data-testid="order-unloading">Unloading</Button
				>
				<Button
					class="chip"
					onclick={() => {
						refused = '';
						bench.change(loading ? { loading: usualLoading } : { unloading: usualUnloading });
					}}>The usual order</Button
				>
			</div>
			{#if bench.slip?.kind === 'move'}<p class="hint">
					With the weights that the slip asks for: {platesInWords(geometry, setting.hung, units)}.
				</p>{/if}
			<p class="quiet">
				Drag a step by its handle, or use the arrows. What would leave the arm free to swing is not taken.
			</p>
			{#if refused !== ''}<p class="danger" role="alert" tabindex="-1" bind:this={refusedNote} data-testid="refused">
					<strong>Refused.</strong>
					{refused}
				</p>{/if}
			<ol
				use:dragHandleZone={{ items: steps as CraneStep[], flipDurationMs, dropTargetStyle: {} }}
				onconsider={(event) => (dragged = event.detail.items as CraneStep[])}
				onfinalize={(event) => take(event.detail.items as CraneStep[])}
				data-testid="order"
			>
				{#each steps as step, index (step.id)}
					{@const row = order.rows.find((each) => each.step.id === step.id)}
					<li animate:flip={{ duration: flipDurationMs }} class:off={row?.ok === false} data-step={step.id}>
						<span class="grip" use:dragHandle aria-label="Drag {row?.words}">⠿</span>
						<span class="words"
							><strong>{index + 1}. {row?.words}</strong>
							<small class="quiet"
								>{row === undefined
									? ''
									: `${together(showTorque(row.momentNm, units))} ${row.momentNm >= 0 ? 'nose' : 'tail'} down; `}{row?.holds}{row?.clear
									? '; everybody clear'
									: ''}</small
							></span
						>
						{#if row !== undefined}<span
								class="reserve"
								class:thin={row.reserve < warnReserve}
								class:tips={row.letGo < leastReserve}
								data-testid="reserve-{step.id}"
								>{row.reserve <= 0 ? 'tips' : `${(row.reserve * 100).toFixed(0)} %`}<small
									>{row.step.held && row.letGo < leastReserve ? 'tips if let go' : 'reserve'}</small
								></span
							>{/if}
						<Button
							class="chip"
							aria-pressed={step.held}
							onclick={() => hold(step.id, !step.held)}
							data-testid="held-{step.id}">{step.held ? 'held' : 'free'}</Button
						>
						<span class="moves">
							<Button
								aria-label="Earlier"
								disabled={index === 0}
								onclick={() => move(index, -1)}
								data-testid="up-{step.id}">↑</Button
							>
							<Button
								aria-label="Later"
								disabled={index === steps.length - 1}
								onclick={() => move(index, 1)}
								data-testid="down-{step.id}">↓</Button
							>
						</span>
					</li>
				{/each}
			</ol>
		</div>
	</section>
	<div class="answer-column">
		<Slip
			heading="{loading ? 'Loading' : 'Unloading'} · step {Math.min(done.length + 1, order.rows.length)} of {order.rows
				.length}"
		>
			{#snippet answer()}
				{#if next === undefined}{loading ? 'Loaded,' : 'Unloaded,'}
					<strong data-testid="order-strong">{loading ? 'and let go' : 'arm pinned'}</strong>
				{:else}<strong data-testid="order-strong">{next.words}</strong>{/if}
			{/snippet}
			{#if next !== undefined}
				<p class="who">
					{next.step.held
						? `One person holds the ${next.momentNm > 0 ? 'nose up' : 'tail up'} through this: ${kg(next.momentNm > 0 ? next.atNoseKg : next.atTailKg)} once it is done.`
						: `Nobody holds: what is left is ${together(showTorque(next.momentNm, units))}, and ${together(showTorque(figures.freeLimitNm, units))} may be left.`}
				</p>
				{#if next.clear}<p class="danger">Everybody clear of nose, tail and all between.</p>{/if}
				<Button class="go" onclick={() => bench.stepDone(field, next.step.id)} data-testid="step-done">Done</Button>
			{:else}
				<Button class="second" onclick={() => bench.stepDone(field, null)}>Begin anew</Button>
			{/if}
			{#if order.tips}<p class="danger" role="alert" data-testid="order-tips">{tippingInWords(order)}</p>{/if}
			{#if order.hangsOnHand !== null}<p class="caution" data-testid="on-hand">
					{onHandInWords(order.hangsOnHand)}
				</p>{/if}
			<p class="caution">{whipCaution}</p>
			<p>
				Greatest moment while nobody holds: <strong>{together(showTorque(order.largestFreeNm, units))}</strong>. Left
				free it may keep
				{together(showTorque(figures.freeLimitNm, units))}: the nose as heavy as you want it, and what the pivot’s
				friction holds.
			</p>
			<p>
				Least against tipping: <strong>{(Math.max(0, order.shakiest.reserve) * 100).toFixed(0)} %</strong>, after “{order
					.shakiest.words}”; arm level at its worst swing, on the ground of the
				<a href="/balance/crane/{bench.support.id}/{bench.payloadId}/stand">stability sheet</a>; whoever holds carries
				what is out of balance.
			</p>
			<h2>If the load comes off</h2>
			<ol class="emergency" data-testid="emergency">
				<li><strong>Shout “clear”.</strong> Let the arm go: nobody catches a swinging arm.</li>
				<li>Stay out of its whole sweep, nose and tail, until it has stopped by itself.</li>
				<li>Nobody goes under it. One person steadies the tail from outside its sweep, low, with both hands.</li>
				<li>
					Weights off, {kg(hungKg(geometry, setting.hung))} in all, one plate at a time from both ends of the pile, the tail
					held down: {kg((hungKg(geometry, setting.hung) * -geometry.hanger.uM) / geometry.rear.lengthM)} and less with every
					plate.
				</li>
				<li>Pin the arm. Look after people first, then gear; log what happened.</li>
			</ol>
		</Slip>
	</div>
</div>

<style>
	.work {
		overflow-y: auto;
	}
	.list {
		padding: 12px 18px 24px 26px;
		display: grid;
		gap: 10px;
	}
	.hint {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
	}
	ol[data-testid='order'] {
		display: grid;
		gap: 8px;
	}
	li[data-step] {
		display: grid;
		grid-template-columns: 34px 1fr auto auto auto;
		gap: 10px;
		align-items: center;
		background: var(--panel);
		border: 1px solid var(--rule);
		padding: 6px 10px;
		min-height: 58px;
	}
	.off {
		border-color: var(--clay) !important;
		border-width: 2px !important;
	}
	.reserve {
		text-align: right;
		font-weight: 700;
		min-width: 58px;
	}
	.reserve small {
		display: block;
		font-weight: 400;
		font-size: 12px;
		color: var(--quiet);
	}
	.thin {
		color: var(--clay);
	}
	.tips {
		background: var(--clay-wash);
	}
	.grip {
		font-size: 22px;
		color: var(--quiet);
		cursor: grab;
		min-height: 44px;
		display: grid;
		place-items: center;
	}
	.words small {
		display: block;
		font-size: 13.5px;
	}
	.moves :global(button) {
		min-width: 40px;
		min-height: 44px;
		font-size: 18px;
		color: var(--press);
	}
	.moves :global(button:disabled) {
		color: var(--edge);
	}
	.danger {
		background: var(--clay);
		color: var(--panel);
		padding: 10px 14px;
		font-size: 17px;
	}
	.who {
		font-size: 19px;
	}
	h2 {
		font-size: 16px;
		border-top: 1px solid var(--rule);
		padding-top: 10px;
	}
	.emergency {
		list-style: decimal;
		padding-left: 22px;
		display: grid;
		gap: 6px;
	}
	@media (max-width: 700px) {
		.list {
			padding: 10px 12px;
		}
		li[data-step] {
			grid-template-columns: 30px 1fr auto;
		}
		li[data-step] :global(.chip) {
			grid-column: 2;
			justify-self: start;
		}
		.moves {
			grid-column: 3;
			white-space: nowrap;
		}
	}
</style>
