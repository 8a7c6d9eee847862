<script lang="ts">
	/* eslint-disable max-lines -- the four things a move is made of, each a row of choices and figures. */
	import { goto } from '$app/navigation';
	import { ask } from '$lib/keeping/ask';
	import { forget } from '$lib/keeping/kept';
	import Edits from '$lib/shell/Edits.svelte';
	import type { Venue } from '$lib/model/venue';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import GivesField from '$lib/sheet/fields/GivesField.svelte';
	import LensAtFields from '$lib/sheet/fields/LensAtFields.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { showsMore } from '$lib/sheet/showsMore';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { cameraFields, headFields, knotFields, subjectFields, supportFields } from './fields';
	import Fields from './Fields.svelte';
	import { standingOn, standingOnPattern, withHead, withPayload } from './gear';
	import { changedKnot, extended, insertedAfter, lastingFor, without } from './knots';
	import { moveLimits } from './limits';
	import { type Knot, stances, type SubjectShape, subjectShapes } from './model';
	import { sharedMove } from './moveBench.svelte';
	import { runs } from './path';
	import { movePatterns } from './patterns';
	import PointWithPhone from './PointWithPhone.svelte';
	import PutOnPlan from './PutOnPlan.svelte';
	import { behaves } from './supports';
	import { stanceWords } from './supports/stance';
	import { whyNot } from '$lib/supports/onOffer';
	import TempoChoice from './TempoChoice.svelte';
	import { headKindWords, seconds, subjectKinds, tempoMeans } from './words';

	const bench = sharedMove();
	const move = $derived(bench.move);
	const gear = $derived(bench.data.gear);
	const between = $derived(move.knots.slice(1, -1).some(({ dwellS }) => dwellS === 0));
	const topics = ['knot', 'time', 'carried', 'head', 'lens', 'subject', 'place'] as const;
	type Topic = (typeof topics)[number];
	const topicWords: Readonly<Record<Topic, string>> = {
		knot: 'Knot',
		time: 'Time',
		carried: 'Carried by',
		head: 'Head',
		lens: 'Camera',
		subject: 'Subject',
		place: 'Venue and history'
	};
	let topic = $state<Topic>('knot');
	const knot = $derived<Knot | null>(bench.chosen);
	const flex = $derived(behaves(move.support).gives(move.support));
	const gives = (givesM: number | null) => {
		const { support } = move;
		if (support.kind !== 'walk') bench.change({ support: { ...support, givesM } }, 'gives');
	};
	const motors = $derived(move.head.kind === 'motors' || move.head.kind === 'gimbal');
	const total = $derived.by(() => {
		const [first, last] = [move.knots[0], move.knots[move.knots.length - 1]];
		return first === undefined || last === undefined ? 0 : last.tS + last.dwellS - first.tS;
	});
	function put(made: { readonly move: typeof move; readonly id: string } | null, why: string) {
		if (made === null) {
			bench.told = why;
			return;
		}
		bench.told = '';
		bench.set(made.move);
		bench.settle();
		bench.choose(made.id);
	}
	const run = $derived(runs(bench.run) ? bench.run : null);
	const once = (next: typeof move) => {
		bench.set(next);
		bench.settle();
	};
	/** What of the shelf it stands on; undefined: a pattern, or what is no longer there. */
	const carrier = $derived(gear.carriers.find(({ id }) => id === move.support.gearId));
	const notFor = (of: (typeof gear.carriers)[number], massKg: number) => {
		const why = whyNot(of, massKg, bench.units);
		return why === null ? '' : ` · ${why}`;
	};
	let trouble = $state('');
	let deleting = $state(false);
	async function remove() {
		bench.document.stop();
		const outcome = await ask('DELETE', `/api/moves/${bench.id}`);
		if (!outcome.ok) {
			trouble = outcome.error.message;
			return;
		}
		forget(`move.${bench.id}`);
		await goto('/moves?all', { invalidateAll: true });
	}
	async function chooseVenue(id: string) {
		trouble = '';
		if (id === '') return once({ ...move, venueId: null });
		const outcome = await ask<Venue>('GET', `/api/venues/${id}`);
		if (!outcome.ok) {
			trouble = outcome.error.message;
			return;
		}
		bench.fetched = outcome.value;
		once({ ...move, venueId: id });
	}
</script>

<div class="topics" role="tablist" aria-label="Of the move" {@attach showsMore}>
	{#each topics as each (each)}
		<Button
			class="topic"
			role="tab"
			aria-selected={topic === each}
			onclick={() => (topic = each)}
			data-testid="topic-{each}">{topicWords[each]}</Button
		>
	{/each}
</div>
<div class="details" role="tabpanel" aria-label={topicWords[topic]}>
	{#if topic === 'knot'}
		<div class="actions">
			<Button
				class="chip"
				onclick={() => put(extended(move, 'start', 2), 'There is no room for more knots.')}
				data-testid="extend-start">Knot before</Button
			>
			{#if knot !== null}
				<Button
					class="chip"
					onclick={() => put(insertedAfter(move, run, knot.id), 'There is no room between these two knots.')}
					disabled={knot.id === move.knots[move.knots.length - 1]?.id}
					data-testid="insert">Knot between this and the next</Button
				>
			{:else}
				<Button class="chip" onclick={() => bench.putHere()} data-testid="put-here"
					>Knot here, at {seconds(bench.nowS)}</Button
				>
			{/if}
			<Button
				class="chip"
				onclick={() => put(extended(move, 'end', 2), 'There is no room for more knots.')}
				data-testid="extend-end">Knot after</Button
			>
		</div>
		{#if knot === null}
			<p class="hint">Between knots: drag the camera and the nearest knot goes with it, or put a knot here.</p>
		{:else}
			<div class="row">
				<label class="stack"
					>Knot
					<TextInput
						value={knot.name}
						maxlength={40}
						oninput={(event) => {
							if (event.currentTarget.value.trim() !== '')
								bench.set(changedKnot(move, knot.id, { name: event.currentTarget.value }), `name ${knot.id}`);
						}}
						onblur={bench.settle}
						data-testid="knot-name"
					/></label
				>
				{#if motors}
					<Button class="chip" onclick={() => bench.aimAtSubject(knot)} data-testid="aim-here"
						>Look at {move.subject.name}</Button
					>
					<PointWithPhone />
				{/if}
				<Button
					class="chip"
					disabled={move.knots.length < 2}
					onclick={() => {
						once(without(move, knot.id));
						bench.choose(bench.move.knots[0]!.id);
					}}
					data-testid="drop-knot">Take it out</Button
				>
			</div>
			<Fields fields={knotFields(move, knot)} about="knot {knot.id}" />
		{/if}
	{:else if topic === 'time'}
		<div class="row">
			<QuantityField
				label="altogether"
				value={total}
				quantity="time"
				units={bench.units}
				check={(value) =>
					value >= 0.1 * move.knots.length
						? allowed(moveLimits.time, 'time')(value)
						: 'Longer: knots are a tenth of a second apart at least.'}
				onvalue={(value) => bench.set(lastingFor(move, value), 'total')}
				oncommit={bench.settle}
				testId="total"
			/>
			{#if move.tempo === 'ramps'}
				{#each [['rampInS', 'ramp in'], ['rampOutS', 'ramp out']] as const as [key, label] (key)}
					<QuantityField
						{label}
						value={move[key]}
						quantity="time"
						units={bench.units}
						check={allowed(moveLimits.dwell, 'time')}
						onvalue={(value) => bench.change({ [key]: value }, key)}
						oncommit={bench.settle}
						testId={key}
					/>
				{/each}
			{/if}
		</div>
		<TempoChoice />
		<p class="hint" data-testid="tempo-means">
			{tempoMeans[move.tempo]}{between
				? ' Knots between keep their own times: the shape is of its start and its end.'
				: ''}
		</p>
		<div class="row">
			<QuantityField
				label="there and back, times"
				value={move.loops}
				quantity="count"
				units={bench.units}
				check={(value) => (Number.isInteger(value) ? allowed(moveLimits.loops, 'count')(value) : 'A whole number.')}
				onvalue={(loops) => bench.change({ loops }, 'loops')}
				oncommit={bench.settle}
				testId="loops"
			/>
			{#if move.loops > 0}
				{#each [['restFarS', 'rest at the far end'], ['restHomeS', 'rest at home']] as const as [key, label] (key)}
					<QuantityField
						{label}
						value={move[key]}
						quantity="time"
						units={bench.units}
						check={allowed(moveLimits.dwell, 'time')}
						onvalue={(value) => bench.change({ [key]: value }, key)}
						oncommit={bench.settle}
						testId={key}
					/>
				{/each}
				<p class="hint" data-testid="loop-words">
					{move.loops} × there and back: {seconds(
						move.loops * 2 * total + move.loops * move.restFarS + Math.max(0, move.loops - 1) * move.restHomeS
					)}
					in all; at the far end at {seconds(total)}, home again at {seconds(2 * total + move.restFarS)}.
				</p>
			{/if}
		</div>
	{:else if topic === 'carried'}
		<div class="row">
			<label class="stack"
				>stands on
				<Choice
					value={move.support.gearId ?? ''}
					onchange={(event) => {
						const id = event.currentTarget.value;
						const carrier = gear.carriers.find((each) => each.id === id);
						if (carrier !== undefined) once(standingOn(move, carrier));
						else if (id.startsWith('pattern ')) once(standingOnPattern(move, id.slice(8)));
					}}
					data-testid="carrier"
				>
					<option value="">{move.support.gearName}</option>
					{#if gear.carriers.length > 0}
						<optgroup label="On the shelf">
							{#each gear.carriers as carrier (carrier.id)}<option value={carrier.id}
									>{carrier.name}{notFor(carrier, move.camera.massKg)}</option
								>{/each}
						</optgroup>
					{/if}
					<optgroup label="Patterns">
						{#each movePatterns as { id, name } (id)}<option value="pattern {id}">{name}</option>{/each}
					</optgroup>
				</Choice></label
			>
			{#if move.support.kind === 'rail' || move.support.kind === 'fixed'}
				{@const support = move.support}
				<label class="stack"
					>the head
					<Choice
						value={support.stance}
						onchange={(event) =>
							once({ ...move, support: { ...support, stance: event.currentTarget.value as (typeof stances)[number] } })}
						data-testid="stance"
					>
						{#each stances as each (each)}<option value={each}>{stanceWords[each]}</option>{/each}
					</Choice></label
				>
			{/if}
		</div>
		<Fields fields={supportFields(move)} about="support" />
		{#if flex !== null}
			<GivesField {flex} units={bench.units} onvalue={gives} oncommit={bench.settle} />
		{/if}
	{:else if topic === 'head'}
		<div class="row">
			<label class="stack"
				>what turns it
				<Choice
					value={move.head.kind}
					onchange={(event) =>
						once({ ...move, head: { ...move.head, kind: event.currentTarget.value as typeof move.head.kind } })}
					data-testid="head-kind"
				>
					{#each Object.entries(headKindWords) as [kind, words] (kind)}
						<option value={kind} disabled={kind === 'bar' && move.support.kind !== 'rail'}>{words}</option>
					{/each}
				</Choice></label
			>
			{#if motors}
				<label class="stack"
					>which
					<Choice
						value={move.head.gearId ?? ''}
						onchange={(event) => {
							const found = gear.heads.find(({ id }) => id === event.currentTarget.value);
							if (found !== undefined) once(withHead(move, found));
						}}
						data-testid="head-gear"
					>
						<option value="">{move.head.gearName}</option>
						{#each gear.heads as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</Choice></label
				>
				<label class="stack"
					>looks
					<Choice
						value={move.aim}
						onchange={(event) => once({ ...move, aim: event.currentTarget.value as typeof move.aim })}
						data-testid="aim"
					>
						<option value="subject">at {move.subject.name} all the way</option>
						<option value="knots">where the knots say</option>
					</Choice></label
				>
			{/if}
			<label class="stack"
				>focuses
				<Choice
					value={move.focus}
					onchange={(event) => once({ ...move, focus: event.currentTarget.value as typeof move.focus })}
					data-testid="focus-on"
				>
					<option value="subject">on {move.subject.name} all the way</option>
					<option value="knots">where the knots say</option>
				</Choice></label
			>
		</div>
		<Fields fields={headFields(move)} about="head" />
		<p class="hint"><a href="/heads">Heads on the shelf</a>: what their axes can do is written there once.</p>
	{:else if topic === 'lens'}
		{#if carrier !== undefined && whyNot(carrier, move.camera.massKg, bench.units) !== null}
			<p class="caution" data-testid="too-much">
				{carrier.name} does not carry it{notFor(carrier, move.camera.massKg)}.
			</p>
		{/if}
		{#if gear.cameras.length > 0}
			<div class="row">
				<label class="stack"
					>payload
					<Choice
						value=""
						onchange={(event) => {
							const found = gear.cameras.find(({ id }) => id === event.currentTarget.value);
							if (found !== undefined) once({ ...move, camera: withPayload(move.camera, found) });
						}}
						data-testid="payload"
					>
						<option value="">{move.camera.name}</option>
						{#each gear.cameras as { id, name, massKg } (id)}<option value={id}
								>{name}{carrier === undefined ? '' : notFor(carrier, massKg)}</option
							>{/each}
					</Choice></label
				>
			</div>
		{/if}
		<label class="line"
			><Tick
				checked={move.camera.zoomM !== null}
				onchange={(event) => {
					const { focalM } = move.knots[0]!.values;
					const zoomM = event.currentTarget.checked ? ([focalM * 0.6, focalM * 2] as const) : null;
					once({ ...move, camera: { ...move.camera, zoomM } });
				}}
				data-testid="has-zoom"
			/> the lens is a zoom</label
		>
		<Fields fields={cameraFields(move)} about="camera" />
		<LensAtFields
			lens={move.camera.lens}
			drawn={gear.cameras}
			units={bench.units}
			onlens={(lens, about) => bench.change({ camera: { ...move.camera, lens } }, about)}
			oncommit={bench.settle}
		/>
	{:else if topic === 'subject'}
		<div class="row">
			<label class="stack"
				>called
				<TextInput
					value={move.subject.name}
					maxlength={60}
					oninput={(event) => {
						if (event.currentTarget.value.trim() !== '')
							bench.change({ subject: { ...move.subject, name: event.currentTarget.value } }, 'subject name');
					}}
					onblur={bench.settle}
					data-testid="subject-name"
				/></label
			>
			<label class="stack"
				>is
				<Choice
					value={move.subject.shape ?? (move.subject.tallM > 1 ? 'standing' : 'ball')}
					onchange={(event) => {
						const shape = event.currentTarget.value as SubjectShape;
						once({ ...move, subject: { ...move.subject, shape, tallM: subjectKinds[shape].tallM } });
					}}
					data-testid="subject-shape"
				>
					{#each subjectShapes as each (each)}<option value={each}>{subjectKinds[each].words}</option>{/each}
				</Choice></label
			>
		</div>
		<Fields fields={subjectFields(move)} about="subject" />
	{:else}
		<div class="row">
			<label class="stack"
				>venue
				<Choice
					value={move.venueId ?? ''}
					onchange={(event) => chooseVenue(event.currentTarget.value)}
					data-testid="venue"
				>
					<option value="">an empty floor</option>
					{#each bench.data.venues as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</Choice></label
			>
			<label class="stack"
				>job
				<TextInput
					value={move.job}
					maxlength={120}
					oninput={(event) => bench.change({ job: event.currentTarget.value }, 'job')}
					onblur={bench.settle}
					data-testid="job"
				/></label
			>
			<QuantityField
				label="room asked beside it all"
				value={move.safetyM}
				quantity="distance"
				units={bench.units}
				check={allowed(moveLimits.safety, 'distance')}
				onvalue={(safetyM) => bench.change({ safetyM }, 'safety')}
				oncommit={bench.settle}
				testId="safety"
			/>
		</div>
		{#if trouble !== ''}<p class="caution" role="alert">{trouble}</p>{/if}
		<PutOnPlan />
		<p class="hint">
			{#if bench.venue === null}<a href="/venues">Draw a venue</a>, and the move is tried against what stands there.
			{:else}<a href="/venues/{bench.venue.id}">Change its plan</a>. What is not on the plan is not kept from.{/if}
		</p>
		<Edits
			document="move/{bench.id}"
			onback={(content) => {
				bench.settle();
				bench.set(content as typeof move);
			}}
		/>
		<div class="actions">
			{#if deleting}
				<span>Delete “{move.name}”? What ran of it stays in the logbook.</span>
				<Button class="chip" onclick={remove} data-testid="delete-move">Delete it</Button>
				<Button class="chip" onclick={() => (deleting = false)}>Keep it</Button>
			{:else}
				<Button class="chip" onclick={() => (deleting = true)}>Delete this move …</Button>
			{/if}
		</div>
	{/if}
</div>

<style>
	@media print {
		.topics,
		.details {
			display: none !important;
		}
	}
	.topics {
		flex: none;
		display: flex;
		gap: 2px;
		padding: 0 12px;
		border-top: 2px solid var(--rule);
		overflow-x: auto;
		scrollbar-width: none;
	}
	.topics > :global(.topic) {
		min-height: 44px;
		padding: 0 10px;
		font-size: 15px;
		white-space: nowrap;
		border-bottom: 3px solid transparent;
	}
	.topics > :global(.topic[aria-selected='true']) {
		font-weight: 700;
		border-bottom-color: var(--spirit);
	}
	.details {
		display: grid;
		gap: 8px;
		padding: 8px 18px 16px;
	}
	.row,
	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	.row :global(.field) {
		width: 150px;
		font-size: 13px;
	}
	.stack {
		display: grid;
		gap: 3px;
		font-size: 13px;
		max-width: 100%;
	}
	.stack :global(select),
	.stack :global(input) {
		max-width: 260px;
	}
	.line {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 15px;
	}
	.hint {
		border-left: 4px solid var(--spirit);
		padding: 2px 12px;
		font-size: 15px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
		font-size: 15px;
	}
</style>
