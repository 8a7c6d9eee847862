<script lang="ts">
	import { ask } from '$lib/keeping/ask';
	import type { PlanPoint, Venue, VenuePlan } from '$lib/model/venue';
	import { onPlan, withoutShape } from '$lib/places/plan';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import { sharedMove } from './moveBench.svelte';
	import { middleAt, middleOf, type PutKind, putKinds, putOnPlan } from './putOnPlan';

	/** A pillar, a table, somebody: put on the plan that the move is tried against, without leaving it. On an empty floor a venue is made of it. */
	const bench = sharedMove();
	let putId = $state<string | null>(null);
	let at = $state.raw<PlanPoint | null>(null);
	let trouble = $state('');
	let busy = $state(false);
	const put = $derived(bench.venue?.plan.shapes.find(({ id }) => id === putId) ?? null);

	/** Over the version in front of the person: somebody else's plan is not written over. */
	async function save(plan: VenuePlan): Promise<boolean> {
		const { venue } = bench;
		busy = true;
		trouble = '';
		const outcome =
			venue === null
				? await ask<Venue>('POST', '/api/venues', { name: `Floor of ${bench.move.name}`.slice(0, 120), plan })
				: await ask<Venue>('PUT', `/api/venues/${venue.id}`, { name: venue.name, plan, version: venue.version });
		busy = false;
		if (!outcome.ok) {
			trouble =
				outcome.error.code === 'stale'
					? 'Somebody else has changed this plan meanwhile: it stands here as they left it. Put it again.'
					: (Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message);
			if (venue !== null && outcome.error.code === 'stale') {
				const theirs = await ask<Venue>('GET', `/api/venues/${venue.id}`);
				if (theirs.ok) bench.fetched = theirs.value;
			}
			return false;
		}
		bench.fetched = outcome.value;
		if (venue === null) {
			bench.change({ venueId: outcome.value.id });
			bench.settle();
		}
		return true;
	}
	const floor: VenuePlan = { ceilingM: null, shapes: [], underlay: null };
	async function add(what: PutKind) {
		const [x, y] = bench.move.subject.atM;
		const made = putOnPlan(bench.venue?.plan ?? floor, what, [x + 1, y]);
		if (!(await save(made.plan))) return;
		putId = made.id;
		at = middleOf(made.plan, made.id);
	}
	async function move() {
		const { venue } = bench;
		if (venue === null || putId === null || at === null) return;
		const now = middleOf(venue.plan, putId);
		if (now !== null && (now[0] !== at[0] || now[1] !== at[1])) await save(middleAt(venue.plan, putId, at));
	}
	async function takeOff() {
		const { venue } = bench;
		if (venue !== null && putId !== null && (await save(withoutShape(venue.plan, putId)))) putId = null;
	}
</script>

<div class="row" role="group" aria-label="Put on the plan">
	<span>Put on the plan, beside the {bench.move.subject.name}:</span>
	{#each Object.entries(putKinds) as [kind, { words }] (kind)}
		<Button
			class="chip"
			disabled={busy || bench.waitsForVenue}
			onclick={() => add(kind as PutKind)}
			data-testid="put-{kind}">{words}</Button
		>
	{/each}
</div>
{#if put !== null && at !== null}
	<div class="row" data-testid="put-here">
		<strong>{put.label}</strong>
		{#each ['across', 'up the plan'] as const as label, k (label)}
			<QuantityField
				{label}
				value={at[k as 0 | 1]}
				quantity="distance"
				units={bench.units}
				check={onPlan}
				onvalue={(value) => (at = k === 0 ? [value, at![1]] : [at![0], value])}
				oncommit={() => void move()}
				testId="put-{k}"
			/>
		{/each}
		<Button class="chip" disabled={busy} onclick={takeOff} data-testid="put-off">Take it off again</Button>
	</div>
{/if}
{#if trouble !== ''}<p class="caution" role="alert">{trouble}</p>{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		align-items: end;
		font-size: 15px;
	}
	.row :global(.field) {
		width: 124px;
		font-size: 13px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
	}
</style>
